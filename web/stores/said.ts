import { ref } from 'vue'

/** One sentence for whoever just did something, shown for a while at the foot of the page. */
export const said = ref('')
let timer: ReturnType<typeof setTimeout> | undefined

export function say(sentence: string): void {
  said.value = sentence
  clearTimeout(timer)
  timer = setTimeout(() => (said.value = ''), 6000)
}

/** What a page asks of the server, and what it says where that goes wrong. */
import { ref } from 'vue'
import { NoAnswer, Refused } from '../api.ts'

type Blamed = readonly { readonly field: string | null; readonly message: string }[]

/** Work of a form: nothing is wrong, or what is, by field. */
export async function answered(work: () => Promise<unknown>): Promise<Blamed> {
  try {
    await work()
    return []
  } catch (error) {
    if (error instanceof Refused) return error.problem.faults ?? [{ field: null, message: error.problem.detail }]
    if (error instanceof NoAnswer)
      return [{ field: null, message: 'No answer from the server. What you typed is still here: try again.' }]
    throw error
  }
}

/** What an error of the server says to whoever asked; anything else is thrown on. `then` is what they do where no answer came. */
export function saidOf(error: unknown, then = 'try again'): string {
  if (error instanceof Refused) return error.problem.detail
  if (error instanceof NoAnswer) return `No answer from the server: ${then}.`
  throw error
}

/** Work of a button: what is said of it afterwards. */
export function useTelling(load: () => Promise<void>) {
  const said = ref('')
  const failed = ref(false)
  async function told(work: () => Promise<string>): Promise<void> {
    try {
      const words = await work()
      await load()
      said.value = words
      failed.value = false
    } catch (error) {
      said.value = saidOf(error)
      failed.value = true
    }
  }
  return { said, failed, told }
}

/** “3 Mar, 14:05”. */
export const moment = (at: string): string =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

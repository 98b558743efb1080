import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { minutesSince } from './fee-forms.ts'

type Running = { readonly feeId: string; readonly startedAt: number }

/** A clock for work by the hour: it runs on while the page is closed, in this browser. */
export function useClock(makeoverId: () => string) {
  const running = useLocalStorage<Record<string, Running>>('bonitas.clock', {})
  const present = ref(Date.now())
  useIntervalFn(() => (present.value = Date.now()), 15_000)
  const here = computed(() => running.value[makeoverId()] ?? null)
  return {
    feeId: computed(() => here.value?.feeId ?? null),
    startedAt: computed(() => here.value?.startedAt ?? null),
    minutes: computed(() => (here.value ? minutesSince(here.value.startedAt, present.value) : 0)),
    start: (feeId: string): void => {
      present.value = Date.now()
      running.value = { ...running.value, [makeoverId()]: { feeId, startedAt: present.value } }
    },
    stop: (): void => {
      running.value = Object.fromEntries(Object.entries(running.value).filter(([id]) => id !== makeoverId()))
    },
  }
}

import { useLocalStorage } from '@vueuse/core'
import { computed, toValue, type ComputedRef, type MaybeRefOrGetter } from 'vue'
import { ownKey } from '../stores/own.ts'

const key = ownKey('suggested')

/**
 * What was put aside in this browser, page by page for each thing asked for in a room, so that nothing
 * is suggested twice, not even after a reload. What was put aside can be looked at again.
 */
export function useSuggested(asked: MaybeRefOrGetter<string>): {
  seen: ComputedRef<ReadonlySet<string>>
  turned: ComputedRef<number>
  putAside: (keys: readonly string[]) => void
  back: () => void
} {
  const pages = useLocalStorage<Record<string, (readonly string[])[]>>(key, {})
  const own = computed(() => pages.value[toValue(asked)] ?? [])
  const keep = (found: (readonly string[])[]): void => void (pages.value = { ...pages.value, [toValue(asked)]: found })
  return {
    seen: computed(() => new Set(own.value.flat())),
    turned: computed(() => own.value.length),
    putAside: (keys) => keep([...own.value, keys]),
    back: () => keep(own.value.slice(0, -1)),
  }
}

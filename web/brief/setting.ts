import { computed, type ComputedRef } from 'vue'
import { useMakeover } from '../stores/makeover.ts'
import type { Setting } from './forms.ts'

/** What a form is made for: the open makeover, its currency and today; null while nothing is open. */
export function useSetting(): ComputedRef<Setting | null> {
  const makeover = useMakeover()
  return computed(() =>
    makeover.opened
      ? { makeover: makeover.opened.makeover, currency: makeover.currency, today: makeover.opened.today }
      : null,
  )
}

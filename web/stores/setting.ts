import { computed, type ComputedRef } from 'vue'
import type { Makeover } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { useMakeover } from './makeover.ts'

export type Setting = { readonly makeover: Makeover; readonly currency: string; readonly today: PlainDate }

/** What a form is made for: the open makeover, its currency and today; null while nothing is open. */
export function useSetting(): ComputedRef<Setting | null> {
  const makeover = useMakeover()
  return computed(() =>
    makeover.opened
      ? { makeover: makeover.opened.makeover, currency: makeover.currency, today: makeover.opened.today }
      : null,
  )
}

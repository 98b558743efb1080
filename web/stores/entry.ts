import { computed, type ComputedRef } from 'vue'
import { headOf } from '#core/makeover/document.ts'
import type { LengthUnit, UnitSystem } from '#core/measure/length.ts'
import { useMakeover } from './makeover.ts'

/** How lengths are shown in the open makeover, and in which unit a bare number is typed. */
export type Entry = { readonly units: UnitSystem; readonly unit: LengthUnit }

export function useEntry(): ComputedRef<Entry> {
  const makeover = useMakeover()
  return computed(() => {
    const head = makeover.opened ? headOf(makeover.opened.makeover) : undefined
    return { units: head?.units ?? 'metric', unit: head?.entryUnit ?? 'mm' }
  })
}

import { computed, type ComputedRef } from 'vue'
import { rowsOf } from '#core/makeover/document.ts'
import type { MakeoverKind, Row } from '#core/makeover/kinds.ts'
import { useMakeover } from './makeover.ts'

/** The rows of a kind of the open makeover, oldest first. */
export function useRows<K extends MakeoverKind>(kind: K): ComputedRef<readonly Row<K>[]> {
  const makeover = useMakeover()
  return computed(() => (makeover.opened ? rowsOf(makeover.opened.makeover, kind) : []))
}

/** Options of a choice from rows that have a name. */
export const optionsOf = (
  rows: readonly { readonly id: string; readonly name: string }[],
): { value: string; label: string }[] => rows.map((row) => ({ value: row.id, label: row.name }))

import { watch, type Ref } from 'vue'
import type { Fault, Operation } from '#core/makeover/change.ts'
import type { Fields, Kind, Row } from '#core/makeover/kinds.ts'
import { useMakeover } from '../stores/makeover.ts'

/**
 * A row as it was when its form was opened. What is saved are the fields that differ from it, based on the version that
 * was seen: what another window changed meanwhile is merged, or both are offered, and it is never overwritten
 * unseen.
 */
export function useBasis<K extends Kind>(
  kind: K,
  row: () => Row<K> | null,
  open: Ref<boolean>,
): {
  basis: { readonly value: Row<K> | null }
  save: (sentence: string, fields: Partial<Fields<K>>, besides?: readonly Operation[]) => Promise<readonly Fault[]>
} {
  const makeover = useMakeover()
  const basis: { value: Row<K> | null } = { value: row() }
  watch(open, (isOpen) => {
    if (isOpen) basis.value = row()
  })

  async function save(
    sentence: string,
    fields: Partial<Fields<K>>,
    besides: readonly Operation[] = [],
  ): Promise<readonly Fault[]> {
    const row = basis.value
    if (!row) return []
    const was = new Map<string, unknown>(Object.entries(row))
    const changed = Object.fromEntries(
      Object.entries<unknown>(fields).filter(([name, value]) => was.get(name) !== value),
    )
    const operations: Operation[] =
      Object.keys(changed).length === 0
        ? [...besides]
        : [...besides, { op: 'put', kind, id: row.id, base: row.version, fields: changed }]
    if (operations.length === 0) return []
    return makeover.change(sentence, operations)
  }
  return { basis, save }
}

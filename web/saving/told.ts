import { namesIn, tellRow, type RowTold } from '#core/diary/index.ts'
import type { Documents } from '#core/makeover/change.ts'
import type { Waiting } from '../stores/waiting.ts'

/** What a waiting change would do, row by row, in the words of the history. */
export function toldOf({ changeSet, was }: Waiting, documents: Documents, currency: string): RowTold[] {
  const names = namesIn(documents)
  return changeSet.operations.map((operation) => {
    const before = was[operation.id]
    const fields =
      operation.op === 'put'
        ? Object.keys(operation.fields)
        : Object.keys(before ?? {}).filter((field) => field !== 'id' && field !== 'version')
    const old = before ? Object.fromEntries(fields.map((field) => [field, before[field]])) : null
    return tellRow(
      {
        kind: operation.kind,
        rowId: operation.id,
        operation: operation.op,
        before: operation.base === null ? null : old,
        after: operation.op === 'put' ? operation.fields : null,
      },
      documents,
      currency,
      names,
    )
  })
}

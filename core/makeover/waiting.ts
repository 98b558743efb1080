/** Changes that wait to be sent: which of them rest on which. */
import type { ChangeSet, Operation } from './change.ts'

const names = (operation: Operation, id: string): boolean =>
  operation.id === id || (operation.op === 'put' && Object.values(operation.fields).includes(id))

/** Does a later change rest on an earlier one: by a row that both touch, or by one that names a row of the other? */
export function restsOn(later: ChangeSet, earlier: ChangeSet): boolean {
  return earlier.operations.some((before) =>
    later.operations.some((after) => names(after, before.id) || names(before, after.id)),
  )
}

/** The changes that rest on a held one, straight or through another; in the order they were made. */
export function restingOn(held: readonly ChangeSet[], waiting: readonly ChangeSet[]): ChangeSet[] {
  const down: ChangeSet[] = []
  return waiting.filter((changeSet) => {
    const isHeld = held.includes(changeSet)
    const rests = !isHeld && down.some((earlier) => restsOn(changeSet, earlier))
    if (isHeld || rests) down.push(changeSet)
    return rests
  })
}

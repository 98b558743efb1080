/** Changes that are undone. For tests. */
import { expect } from 'vitest'
import { anyRows, apply, type Documents, type Operation } from '../makeover/change.ts'
import { guard } from '../reckoning/guards.ts'
import { begin, change, countingIds, testToday } from './small-makeover.ts'
import { entriesOf } from '../diary/entries.ts'
import { undoOf, type Done } from '../diary/undo.ts'

export const newId = countingIds(5000)

export const world = begin(newId)

export const begun = change(world.start, world.operations)

/** Makes a change and gives it as the diary would, with who undoes what. */
export function did(
  documents: Documents,
  operations: readonly Operation[],
  sentence = 'Did it',
  undoes: string | null = null,
): { documents: Documents; done: Done } {
  const id = newId()
  const { documents: after, faults } = apply(documents, operations, id)
  expect(faults).toEqual([])
  expect(guard(documents, after, testToday)).toEqual([])
  return { documents: after, done: { id, sentence, undoes, rows: entriesOf(documents, after, operations) } }
}

/** The rows without their versions, which an undo moves on. */
export const bare = (documents: Documents): unknown =>
  JSON.parse(JSON.stringify(anyRows(documents), (key, value: unknown) => (key === 'version' ? undefined : value)))

export const undo = (done: Done, documents: Documents) => undoOf(done, documents, testToday, newId)

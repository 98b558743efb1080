/** The door for changes of the studio alone: its sellers’ book and its stock. As at the door for makeovers, all or nothing. */
import { createHash } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { entriesOf, withoutPersonal } from '#core/diary/index.ts'
import { anyRows, apply, fault, isStudioOperation, type ChangeSet, type Documents } from '#core/makeover/change.ts'
import { emptyMakeover } from '#core/makeover/document.ts'
import { studioGuards } from '#core/makeover/guards.ts'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import { loadStudio, writeRows } from '../database/documents.ts'
import { changes, documents } from '../database/tables.ts'
import { conflictsOf } from './conflicts.ts'
import { refusalOf, type Outcome, type Person } from './door.ts'
import type { News } from './news.ts'
import { write } from './writing.ts'

/** Takes a change set on the studio, made by a person now. */
export async function takeStudioChange(
  database: Database,
  news: News | null,
  person: Person,
  changeSet: ChangeSet,
): Promise<Outcome> {
  const { studioId } = person
  try {
    const outcome = await inTransaction(database, { studio: studioId }, (tx) =>
      takeStudio(tx, database, person, changeSet),
    )
    if (outcome.is === 'taken' && !outcome.repeated)
      news?.tell({ is: 'rev', studio: studioId, document: studioId, rev: outcome.rev })
    return outcome
  } catch (error) {
    return refusalOf(error)
  }
}

/** The same within a transaction that has its sight set already. */
export async function takeStudio(
  tx: Transaction,
  database: Database,
  person: Person,
  changeSet: ChangeSet,
): Promise<Outcome> {
  const { studioId } = person
  const { operations, id } = changeSet
  if (!operations.every(isStudioOperation))
    return { is: 'refused', faults: [fault('kind', null, null, null, 'expected changes of the studio alone')] }
  const [stand] = await tx.select().from(documents).where(eq(documents.id, studioId)).for('update')
  if (!stand) return { is: 'not found' }
  const digest = createHash('sha256')
    .update(JSON.stringify([studioId, changeSet]))
    .digest('hex')
  const [earlier] = await tx.select({ digest: changes.digest }).from(changes).where(eq(changes.id, id))
  if (earlier && earlier.digest !== digest)
    return {
      is: 'refused',
      faults: [fault('id', null, null, 'id', 'this id was used for another change: expected a new one')],
    }
  if (earlier) return { is: 'taken', rev: stand.rev, repeated: true, after: null }
  const before: Documents = { makeover: emptyMakeover(studioId), studio: await loadStudio(tx, studioId) }
  const conflicts = await conflictsOf(tx, before, operations)
  if (conflicts.length > 0) return { is: 'conflict', conflicts }
  const { documents: after, faults } = apply(before, operations, id)
  const wrong = faults.length > 0 ? faults : studioGuards(after)
  if (wrong.length > 0) return { is: 'refused', faults: wrong }
  await writeRows(tx, studioId, studioId, operations, (kind, rowId) => anyRows(after)[kind][rowId])
  const entries = entriesOf(before, after, operations).map(withoutPersonal)
  await write(tx, person, changeSet, digest, false, [studioId], entries)
  const rev = stand.rev + 1
  database.memory.keep(studioId, { ...after.studio, rev }, id)
  return { is: 'taken', rev, repeated: false, after: null }
}

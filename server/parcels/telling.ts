import { asc, inArray } from 'drizzle-orm'
import { mentionedIn, partWords } from '#core/diary/index.ts'
import type { Parcel } from '#core/parcel/index.ts'
import type { Person } from '../changes/door.ts'
import type { Transaction } from '../database/connection.ts'
import { changedDocuments, changedRows, changes, changeWords, documents, mentions } from '../database/tables.ts'
import { Problem } from '../problem.ts'

/** The history of a file, told as it was by whom it names; the document begins after it. */
export async function tellHistory(
  tx: Transaction,
  { studioId, personId }: Person,
  { id, history }: Parcel,
): Promise<void> {
  if (!history || history.length === 0) return
  const known = await tx
    .select({ id: changes.id })
    .from(changes)
    .where(
      inArray(
        changes.id,
        history.map((entry) => entry.id),
      ),
    )
    .orderBy(asc(changes.id))
  if (known.length > 0)
    throw new Problem(
      409,
      'exists',
      'Its history is here already',
      'Changes of this history belong to another makeover here: bring it in as a copy.',
    )
  await tx
    .insert(documents)
    .values({ studioId, id, rev: history.length })
    .onConflictDoUpdate({ target: [documents.studioId, documents.id], set: { rev: history.length } })
  const parted = history.map((entry) => ({ ...entry, ...partWords(entry.rows) }))
  await inParts(parted, (part) =>
    tx.insert(changes).values(
      part.map(({ id, undoes, who, madeAt }) => ({
        studioId,
        id,
        personId,
        digest: '',
        undoes,
        toldBy: who,
        madeAt: new Date(madeAt),
      })),
    ),
  )
  await inParts(parted, (part) =>
    tx.insert(changeWords).values(part.map(({ id, sentence, words }) => ({ studioId, changeId: id, sentence, words }))),
  )
  await inParts(
    parted.flatMap((entry) => entry.rows.map((row, place) => ({ studioId, changeId: entry.id, place, ...row }))),
    (part) => tx.insert(changedRows).values(part),
  )
  await inParts(
    history.flatMap((entry) => mentionedIn(entry.rows).map((rowId) => ({ studioId, rowId, changeId: entry.id }))),
    (part) => tx.insert(mentions).values(part),
  )
  await inParts(
    history.map((entry, at) => ({ studioId, documentId: id, rev: at + 1, changeId: entry.id })),
    (part) => tx.insert(changedDocuments).values(part),
  )
}

/** Many rows in few statements; PostgreSQL takes 65 535 values in one. */
async function inParts<T>(rows: readonly T[], insert: (part: T[]) => Promise<unknown>): Promise<void> {
  for (let at = 0; at < rows.length; at += 1000) await insert(rows.slice(at, at + 1000))
}

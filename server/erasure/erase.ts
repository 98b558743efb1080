/** Erasing somebody’s name from a makeover: its rows, what was signed, and all that its diary says in words. */
import { and, eq, inArray } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'
import { schemaVersion } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { erased, erasing, noteFields, withoutNames, type Erasure } from '#core/makeover/erase.ts'
import { isKind, isStudioKind } from '#core/makeover/kinds.ts'
import { committed, take, type Person } from '../changes/door.ts'
import { forgetTyped, signAnew } from '../changes/signings.ts'
import { inTransaction, type Transaction } from '../database/connection.ts'
import { loadDocuments, stands } from '../database/documents.ts'
import { changedDocuments, changedRows, changeWords, summaries } from '../database/tables.ts'
import { notFound, Problem } from '../problem.ts'
import type { Setting } from '../setting.ts'

export type Asked = Erasure & { readonly clientId: string | null }
/** How much names the person: rows and texts of the makeover, changes of its history, files that nobody can look into. */
export type Found = { readonly rows: number; readonly changes: number; readonly files: number }

type Kept = { readonly changeId: string; readonly sentence: string; readonly words: Words }
type Words = typeof changeWords.$inferSelect.words

const wordsOf = (tx: Transaction, makeoverId: string): Promise<Kept[]> =>
  tx
    .select({ changeId: changeWords.changeId, sentence: changeWords.sentence, words: changeWords.words })
    .from(changeWords)
    .innerJoin(changedDocuments, eq(changedDocuments.changeId, changeWords.changeId))
    .where(eq(changedDocuments.documentId, makeoverId))

/** The words of a change without the names; notes go whole where they name the person, or all of them where that is asked. */
function cleared(
  { sentence, words }: Kept,
  { names, notes }: Erasure,
  kinds: ReadonlyMap<string, string>,
): Omit<Kept, 'changeId'> {
  const side = (place: string, values: Readonly<Record<string, unknown>>) => {
    const kind = kinds.get(place)
    const noted = isKind(kind) && !isStudioKind(kind) ? noteFields(kind) : []
    return Object.fromEntries(
      Object.entries(values).map(([field, value]) => {
        if (typeof value !== 'string' || value === '') return [field, value]
        const left = withoutNames(value, names)
        return [field, noted.includes(field) && (notes || left !== value) ? erased : left]
      }),
    )
  }
  return {
    sentence: withoutNames(sentence, names),
    words:
      words &&
      Object.fromEntries(
        Object.entries(words).map(([place, told]) => [
          place,
          // in the order they are kept in, so that what did not change is seen to be the same
          Object.fromEntries(Object.entries(told ?? {}).map(([name, values]) => [name, side(place, values)])),
        ]),
      ),
  }
}

async function changing(tx: Transaction, makeoverId: string, erasure: Erasure): Promise<Kept[]> {
  const all = await wordsOf(tx, makeoverId)
  const kinds = new Map<string, Map<string, string>>()
  for (let at = 0; at < all.length; at += 1000) {
    const ids = all.slice(at, at + 1000).map(({ changeId }) => changeId)
    const rows = await tx
      .select({ changeId: changedRows.changeId, place: changedRows.place, kind: changedRows.kind })
      .from(changedRows)
      .where(inArray(changedRows.changeId, ids))
    for (const { changeId, place, kind } of rows)
      kinds.set(changeId, (kinds.get(changeId) ?? new Map<string, string>()).set(String(place), kind))
  }
  return all.flatMap((kept) => {
    const left = cleared(kept, erasure, kinds.get(kept.changeId) ?? new Map<string, string>())
    const same = left.sentence === kept.sentence && JSON.stringify(left.words) === JSON.stringify(kept.words)
    return same ? [] : [{ changeId: kept.changeId, ...left }]
  })
}

/** What an erasure would touch; nothing is changed. */
export async function lookFor(
  tx: Transaction,
  { database }: Pick<Setting, 'database'>,
  studioId: string,
  id: string,
  asked: Asked,
): Promise<Found> {
  if (!(await stands(tx, id))) throw notFound()
  const documents = await loadDocuments(tx, database.memory, studioId, id)
  return {
    rows: erasing(documents, asked.clientId, asked).length,
    changes: (await changing(tx, id, asked)).length,
    files: new Set(rowsOf(documents.makeover, 'attachment').map((row) => row.sha256)).size,
  }
}

/** Erases, in one transaction: nothing of it can be taken back. Sums, days and goods stay as they were. */
export async function erase(
  { database, news }: Pick<Setting, 'database' | 'news'>,
  person: Person,
  id: string,
  asked: Asked,
  nowMs: number,
): Promise<Found> {
  const { studioId } = person
  const { found, outcome } = await inTransaction(database, { studio: studioId }, async (tx) => {
    const found = await lookFor(tx, { database }, studioId, id, asked)
    const operations = erasing(await loadDocuments(tx, database.memory, studioId, id), asked.clientId, asked)
    const sentence = 'Erased a name'
    const outcome =
      operations.length === 0
        ? null
        : await take(tx, database, person, id, { id: uuidv7(), schemaVersion, sentence, operations }, nowMs, {
            told: true,
            erases: true,
          })
    if (outcome && outcome.is !== 'taken')
      throw new Problem(
        409,
        'conflict',
        'Changed meanwhile',
        'The makeover changed while the name was looked for: try again.',
      )
    for (const { changeId, sentence, words } of await changing(tx, id, asked))
      await tx
        .update(changeWords)
        .set({ sentence, words })
        .where(and(eq(changeWords.studioId, studioId), eq(changeWords.changeId, changeId)))
    await forgetTyped(tx, id, asked.names)
    await tx.delete(summaries).where(eq(summaries.makeoverId, id))
    if (outcome?.is === 'taken' && outcome.after) await signAnew(tx, outcome.after.makeover, nowMs)
    return { found, outcome }
  })
  database.memory.forget(studioId, id)
  if (outcome?.is === 'taken' && outcome.after) committed(news, studioId, outcome.after, false)
  return found
}

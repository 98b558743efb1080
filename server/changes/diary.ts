/** The diary as it is read: what was done to a document, by whom, when, and what it was at an earlier moment. */
import { and, asc, desc, eq, gt, inArray, isNull, lt, lte, not, sql } from 'drizzle-orm'
import { rollBack, withWords, type DiaryEntry, type DiaryRow } from '#core/diary/index.ts'
import { validate, type Documents } from '#core/makeover/change.ts'
import { isKind, isStudioKind } from '#core/makeover/kinds.ts'
import type { ToldEntry } from '#core/parcel/index.ts'
import type { Transaction } from '../database/connection.ts'
import { clientsPage } from './signings.ts'
import { changedDocuments, changedRows, changes, changeWords, mentions, people } from '../database/tables.ts'

/** An entry with who made it and when. */
export type TimedEntry = DiaryEntry & {
  readonly personId: string
  readonly who: string
  /** A file says so: it was made elsewhere, by somebody of that name. */
  readonly told: boolean
  readonly madeAt: Date
}

type Head = Omit<TimedEntry, 'rows'>
const head = {
  rev: changedDocuments.rev,
  id: changes.id,
  personId: changes.personId,
  who: sql<string>`coalesce(${changes.toldBy}, ${people.name}, '')`,
  told: sql<boolean>`${changes.toldBy} is not null and ${changes.toldBy} <> ${clientsPage}`,
  madeAt: changes.madeAt,
  sentence: sql<string>`coalesce(${changeWords.sentence}, '')`,
  undoes: changes.undoes,
}

async function withRows(tx: Transaction, heads: readonly Head[]): Promise<TimedEntry[]> {
  if (heads.length === 0) return []
  const ids = heads.map(({ id }) => id)
  const rows = await tx
    .select()
    .from(changedRows)
    .where(inArray(changedRows.changeId, ids))
    .orderBy(asc(changedRows.place))
  const texts = new Map(
    (await tx.select().from(changeWords).where(inArray(changeWords.changeId, ids))).map((row) => [
      row.changeId,
      row.words,
    ]),
  )
  const map = new Map<string, DiaryRow[]>()
  for (const { changeId, place, kind, rowId, operation, before, after } of rows) {
    const row = { kind, rowId, operation, before: before as DiaryRow['before'], after: after as DiaryRow['after'] }
    const told = map.get(changeId) ?? []
    told.push(withWords(row, place, texts.get(changeId) ?? null))
    map.set(changeId, told)
  }
  return heads.map((head) => ({ ...head, rows: map.get(head.id) ?? [] }))
}

const heads = (tx: Transaction) =>
  tx
    .select(head)
    .from(changedDocuments)
    .innerJoin(changes, eq(changes.id, changedDocuments.changeId))
    .leftJoin(changeWords, eq(changeWords.changeId, changes.id))
    .leftJoin(people, eq(people.id, changes.personId))

/** What changed after a rev, oldest first; at most 500. */
export async function changesAfter(tx: Transaction, documentId: string, rev: number): Promise<TimedEntry[]> {
  return withRows(
    tx,
    await heads(tx)
      .where(and(eq(changedDocuments.documentId, documentId), gt(changedDocuments.rev, rev)))
      .orderBy(asc(changedDocuments.rev))
      .limit(500),
  )
}

/** A page of the diary told backwards: at most 100 changes before a rev, of the whole document, of one row of it, or of one person. */
export async function diaryBefore(
  tx: Transaction,
  documentId: string,
  before: number,
  { rowId = null, personId = null }: { rowId?: string | null; personId?: string | null } = {},
): Promise<TimedEntry[]> {
  const ofRow =
    rowId === null
      ? undefined
      : inArray(changes.id, tx.select({ id: mentions.changeId }).from(mentions).where(eq(mentions.rowId, rowId)))
  const ofPerson =
    personId === null ? undefined : and(eq(changes.personId, personId), isNull(changes.toldBy), not(changes.bringsIn))
  return withRows(
    tx,
    await heads(tx)
      .where(and(eq(changedDocuments.documentId, documentId), lt(changedDocuments.rev, before), ofRow, ofPerson))
      .orderBy(desc(changedDocuments.rev))
      .limit(100),
  )
}

/** The whole history of a makeover as a file tells it, oldest first: without the bringing in of files, which is no work of its own. */
export async function told(tx: Transaction, documentId: string): Promise<ToldEntry[]> {
  const all = await withRows(
    tx,
    await heads(tx)
      .where(and(eq(changedDocuments.documentId, documentId), not(changes.bringsIn)))
      .orderBy(asc(changedDocuments.rev)),
  )
  return all.map(({ id, who, madeAt, sentence, undoes, rows }) => ({
    id,
    who,
    madeAt: madeAt.toISOString(),
    sentence,
    undoes,
    rows,
  }))
}

/** The moment a rev was made; null where there is none of that number. */
export async function momentOf(tx: Transaction, documentId: string, rev: number): Promise<Head | null> {
  const [found] = await heads(tx).where(and(eq(changedDocuments.documentId, documentId), eq(changedDocuments.rev, rev)))
  return found ?? null
}

/** All later entries of a document, newest first; what a file brought in is told by the history that came with it. */
async function laterThan(tx: Transaction, documentId: string, rev: number): Promise<TimedEntry[]> {
  const found = await heads(tx)
    .where(and(eq(changedDocuments.documentId, documentId), gt(changedDocuments.rev, rev), not(changes.bringsIn)))
    .orderBy(desc(changedDocuments.rev))
  return withRows(tx, found)
}

/**
 * The documents as they were after a rev of the makeover, with the studio of that moment. Null where a row of then does not fit
 * the rows of now: it was kept before they said what they say today.
 */
export async function documentsAt(
  tx: Transaction,
  { makeover, studio }: Documents,
  { rev, id }: Pick<Head, 'rev' | 'id'>,
): Promise<Documents | null> {
  const own = await laterThan(tx, makeover.id, rev)
  const [then] = await tx
    .select({ rev: sql<number>`coalesce(max(${changedDocuments.rev}), 0)::int` })
    .from(changedDocuments)
    .innerJoin(changes, eq(changes.id, changedDocuments.changeId))
    .where(
      and(
        eq(changedDocuments.documentId, studio.id),
        lte(changes.madeAt, sql`(select made_at from changes where id = ${id})`),
      ),
    ) // asked in the database: its moments are finer than a Date's
  const shared = (await laterThan(tx, studio.id, then?.rev ?? 0))
    .filter((entry) => !own.some((timedEntry) => timedEntry.id === entry.id))
    .map((entry) => ({ ...entry, rows: entry.rows.filter((row) => isKind(row.kind) && isStudioKind(row.kind)) }))
  const entries = [...own, ...shared].toSorted(
    (left, right) => right.madeAt.getTime() - left.madeAt.getTime() || right.rev - left.rev,
  )
  const back = rollBack({ makeover, studio }, entries)
  const touched = new Set(entries.flatMap(({ rows }) => rows.map(({ kind, rowId }) => `${kind} ${rowId}`)))
  for (const [kind, rows] of [...Object.entries(back.makeover.rows), ...Object.entries(back.studio.rows)]) {
    if (!isKind(kind)) return null
    for (const { id, version: _version, ...fields } of Object.values(
      rows as Record<string, { readonly id: string; readonly version: string }>,
    ))
      if (touched.has(`${kind} ${id}`) && validate(kind, id, fields).wrong.length > 0) return null
  }
  return { makeover: { ...back.makeover, rev }, studio: back.studio }
}

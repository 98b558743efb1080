/** Makeovers that were put away: for thirty days they can be brought back, then they are gone with all that was theirs. */
import { and, eq, isNotNull, isNull, lt, notExists, sql } from 'drizzle-orm'
import { makeoverKinds } from '#core/makeover/kinds.ts'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import {
  attachments,
  blobs,
  changes,
  changeWords,
  deeds,
  documents,
  letters,
  links,
  makeovers,
  makeoverTables,
  studios,
  summaries,
} from '../database/tables.ts'

const dayMs = 86_400_000
export const daysKept = 30
/** A file that hangs on nothing may be on its way to hang on something, or be wanted back by an undo. */
const looseDays = 30

export type PutAway = {
  readonly id: string
  readonly name: string
  readonly putAwayAt: string
  readonly goneOn: string
}

export async function putAwayOf(tx: Transaction): Promise<PutAway[]> {
  const found = await tx
    .select({ id: documents.id, name: makeovers.name, at: documents.deletedAt })
    .from(documents)
    .innerJoin(makeovers, eq(makeovers.id, documents.id))
    .where(isNotNull(documents.deletedAt))
    .orderBy(documents.deletedAt)
  return found.flatMap(({ id, name, at }) =>
    at === null
      ? []
      : [{ id, name, putAwayAt: at.toISOString(), goneOn: new Date(at.getTime() + daysKept * dayMs).toISOString() }],
  )
}

/** Puts a makeover away, or brings it back; false where there is none of that id to be. */
export async function setAside(
  tx: Transaction,
  studioId: string,
  id: string,
  by: string,
  at: Date | null,
): Promise<boolean> {
  if (id === studioId) return false
  const changed = await tx
    .update(documents)
    .set({ deletedAt: at, deletedBy: at && by })
    .where(and(eq(documents.id, id), at ? isNull(documents.deletedAt) : isNotNull(documents.deletedAt)))
    .returning({ id: documents.id })
  return changed.length > 0
}

/** Takes out for good what was put away long enough, and files that hang on nothing; tells how much that was. */
export async function clearUp(database: Database, nowMs: number): Promise<{ makeovers: number; files: number }> {
  const due = await inTransaction(database, { sweep: 'yes' }, (tx) =>
    tx
      .select({ studioId: documents.studioId, id: documents.id })
      .from(documents)
      .where(lt(documents.deletedAt, new Date(nowMs - daysKept * dayMs))),
  )
  for (const { studioId, id } of due) {
    await inTransaction(database, { studio: studioId }, (tx) => forget(tx, id))
    database.memory.forget(studioId, id)
  }
  const all = await inTransaction(database, { sweep: 'yes' }, (tx) => tx.select({ id: studios.id }).from(studios))
  let files = 0
  for (const { id } of all) files += await inTransaction(database, { studio: id }, (tx) => collectFiles(tx, nowMs))
  return { makeovers: due.length, files }
}

async function forget(tx: Transaction, id: string): Promise<void> {
  const sha256s = (
    await tx.select({ sha256: attachments.sha256 }).from(attachments).where(eq(attachments.makeoverId, id))
  ).map(({ sha256 }) => sha256)
  for (const kind of makeoverKinds.toReversed()) {
    const table = makeoverTables[kind] as typeof makeoverTables.room
    await tx.delete(table).where(eq(table.makeoverId, id))
  }
  await tx.update(deeds).set({ makeoverId: null }).where(eq(deeds.makeoverId, id))
  await tx.delete(letters).where(eq(letters.makeoverId, id))
  await tx.delete(links).where(eq(links.makeoverId, id))
  await tx.delete(summaries).where(eq(summaries.makeoverId, id))
  await tx.execute(sql`select bonitas_forget(${id})`)
  for (const sha256 of new Set(sha256s))
    await tx
      .delete(blobs)
      .where(and(eq(blobs.sha256, sha256), notExists(hanging(tx)), notExists(told(tx, new Date(0)))))
}

/** Rows that a file hangs on. */
const hanging = (tx: Transaction) =>
  tx.select({ id: attachments.id }).from(attachments).where(eq(attachments.sha256, blobs.sha256))
/** Changes since a moment that speak of a file: an undo may want it back. */
const told = (tx: Transaction, since: Date) =>
  tx
    .select({ id: changes.id })
    .from(changes)
    .innerJoin(changeWords, eq(changeWords.changeId, changes.id))
    .where(
      and(
        sql`${changes.madeAt} > ${since.toISOString()}`,
        sql`strpos(${changeWords.words}::text, ${blobs.sha256}) > 0`,
      ),
    )

async function collectFiles(tx: Transaction, nowMs: number): Promise<number> {
  const since = new Date(nowMs - looseDays * dayMs)
  const gone = await tx
    .delete(blobs)
    .where(and(lt(blobs.addedAt, since), notExists(hanging(tx)), notExists(told(tx, since))))
    .returning({ sha256: blobs.sha256 })
  return gone.length
}

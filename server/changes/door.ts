/**
 * The one door for changes. In one transaction: lock the documents in the order of their ids, compare versions, apply,
 * check what needs the whole, write rows and diary, and raise the documents' revs. All or nothing.
 */
import { createHash } from 'node:crypto'
import { and, asc, eq, gt, inArray, isNull } from 'drizzle-orm'
import { entriesOf, withoutPersonal } from '#core/diary/index.ts'
import { anyRows, apply, fault, isStudioOperation, type ChangeSet, type Documents, type Fault, type Operation } from '#core/makeover/change.ts'
import type { Kind } from '#core/makeover/kinds.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { guard } from '#core/reckoning/guards.ts'
import { inTransaction, sqlState, type Database, type Transaction } from '../database/connection.ts'
import { loadDocuments, writeRows } from '../database/documents.ts'
import { changedDocuments, changedRows, changes, documents } from '../database/tables.ts'
import type { News } from './news.ts'

export type Person = { readonly studioId: string; readonly personId: string }
type Row = Readonly<Record<string, unknown>> & { readonly id: string; readonly version: string }
export type Conflict = { readonly kind: Kind; readonly id: string; readonly fields: readonly string[]; readonly current: Row | null }

export type Outcome =
  | { readonly is: 'taken'; readonly rev: number; readonly repeated: boolean; readonly after: Documents | null }
  | { readonly is: 'not found' }
  | { readonly is: 'refused'; readonly faults: readonly Fault[] }
  | { readonly is: 'conflict'; readonly conflicts: readonly Conflict[] }

/** Carries an outcome out of the transaction, so that nothing of it stays. */
class Refusal extends Error {
  constructor(readonly outcome: Outcome) {
    super(outcome.is)
  }
}
const refuse = (...faults: readonly Fault[]): never => {
  throw new Refusal({ is: 'refused', faults })
}

/** Takes a change set on a makeover (and its studio), made by a person now. `rev` is the makeover's after it. */
export async function takeChange(database: Database, news: News | null, person: Person, makeoverId: string, changeSet: ChangeSet, nowMs: number): Promise<Outcome> {
  try {
    const outcome = await inTransaction(database, { studio: person.studioId }, (tx) => take(tx, database, person, makeoverId, changeSet, nowMs))
    if (outcome.is === 'taken' && outcome.after) committed(database, news, person.studioId, outcome.after)
    return outcome
  } catch (error) {
    return refusalOf(error)
  }
}

/** What a commit made true: kept in memory, and told to the other windows. */
export function committed({ memory }: Database, news: News | null, studio: string, { makeover, studio: shared }: Documents): void {
  memory.keep(studio, makeover)
  memory.keep(studio, shared)
  for (const { id, rev } of [makeover, shared]) news?.tell({ is: 'rev', studio, document: id, rev })
}

/** The outcome that an error out of `take` stands for; throws what is none. */
export function refusalOf(error: unknown): Outcome {
  if (error instanceof Refusal) return error.outcome
  const state = sqlState(error)
  if (state?.code.startsWith('23')) return { is: 'refused', faults: [databaseFault(state)] }
  throw error
}

export type Taking = {
  /** It brings in a whole makeover from a file: its rows have to stand, how they came about is not judged again. */
  readonly bringsIn?: boolean
}

/** The same within a transaction that has its sight set already: refusals and conflicts are thrown, and undo all of it. */
export async function take(tx: Transaction, database: Database, person: Person, makeoverId: string, changeSet: ChangeSet, nowMs: number, { bringsIn = false }: Taking = {}): Promise<Outcome> {
  const { operations } = changeSet
  const { studioId } = person
  const begins = operations.some((operation) => operation.op === 'put' && operation.kind === 'makeover' && operation.id === makeoverId && operation.base === null)
  if (begins) await tx.insert(documents).values({ studioId, id: makeoverId, rev: 0 }).onConflictDoNothing()
  const touched = [makeoverId, ...(operations.some(isStudioOperation) ? [studioId] : [])]
  const locked = await tx.select().from(documents).where(inArray(documents.id, touched)).orderBy(asc(documents.id)).for('update')
  if (locked.length !== touched.length) return { is: 'not found' }

  const digest = createHash('sha256').update(JSON.stringify([makeoverId, changeSet])).digest('hex')
  const earlier = await alreadyTaken(tx, makeoverId, changeSet.id)
  if (earlier && earlier.digest !== digest) refuse(fault('id', null, null, 'id', 'this id was used for another change: expected a new one'))
  if (earlier) return { is: 'taken', rev: earlier.rev, repeated: true, after: null }
  if (changeSet.undoes !== undefined && !(await isOwn(tx, person, makeoverId, changeSet.undoes))) refuse(fault('undoes', null, null, 'undoes', 'expected a change of your own on this makeover: what others did is theirs to undo'))

  const before = await loadDocuments(tx, database.memory, studioId, makeoverId)
  const conflicts = await conflictsOf(tx, before, operations)
  if (conflicts.length > 0) throw new Refusal({ is: 'conflict', conflicts })

  const { documents: after, faults } = apply(before, operations, changeSet.id)
  if (faults.length > 0) refuse(...faults)
  const today = dateIn(Object.values(after.studio.rows.studio)[0]?.timeZone ?? 'UTC', nowMs)
  const guarded = guard(bringsIn ? after : before, after, today)
  if (guarded.length > 0) refuse(...guarded)

  await writeRows(tx, studioId, makeoverId, operations, (kind, id) => anyRows(after)[kind][id])
  await tx.insert(changes).values({ studioId, id: changeSet.id, personId: person.personId, sentence: changeSet.sentence, digest, undoes: changeSet.undoes ?? null, bringsIn })
  await tx.insert(changedRows).values(entriesOf(before, after, operations).map((entry, place) => ({ studioId, changeId: changeSet.id, place, ...withoutPersonal(entry) })))
  for (const { id, rev } of locked) {
    await tx.update(documents).set({ rev: rev + 1 }).where(eq(documents.id, id))
    await tx.insert(changedDocuments).values({ studioId, documentId: id, rev: rev + 1, changeId: changeSet.id })
  }
  const revOf = (id: string, otherwise: number): number => locked.filter((one) => one.id === id).map(({ rev }) => rev + 1)[0] ?? otherwise
  const rev = revOf(makeoverId, 0)
  return { is: 'taken', rev, repeated: false, after: { makeover: { ...after.makeover, rev }, studio: { ...after.studio, rev: revOf(studioId, after.studio.rev) } } }
}

async function isOwn(tx: Transaction, { personId }: Person, makeoverId: string, id: string): Promise<boolean> {
  const found = await tx.select({ id: changes.id }).from(changes).innerJoin(changedDocuments, eq(changedDocuments.changeId, changes.id))
    .where(and(eq(changes.id, id), eq(changes.personId, personId), isNull(changes.toldBy), eq(changedDocuments.documentId, makeoverId)))
  return found.length > 0
}

async function alreadyTaken(tx: Transaction, makeoverId: string, id: string): Promise<{ digest: string; rev: number } | undefined> {
  const [found] = await tx
    .select({ digest: changes.digest, rev: changedDocuments.rev })
    .from(changes)
    .leftJoin(changedDocuments, and(eq(changedDocuments.changeId, changes.id), eq(changedDocuments.documentId, makeoverId)))
    .where(eq(changes.id, id))
  return found && { digest: found.digest, rev: found.rev ?? 0 }
}

/** Rows that others changed since: puts on other fields of a row merge, on the same field they conflict. */
async function conflictsOf(tx: Transaction, before: Documents, operations: readonly Operation[]): Promise<Conflict[]> {
  const rows = anyRows(before)
  const conflicts: Conflict[] = []
  for (const operation of operations) {
    const { kind, id, base } = operation
    const current: Row | undefined = rows[kind][id]
    if (base === null ? current === undefined : current?.version === base) continue
    const wanted = operation.op === 'put' ? Object.keys(operation.fields) : []
    const others = base === null || !current ? null : await fieldsChangedSince(tx, kind, id, base)
    const overlap = others === null ? wanted : wanted.filter((field) => others.has(field))
    if (current && others !== null && operation.op === 'put' && overlap.length === 0) continue
    conflicts.push({ kind, id, fields: overlap, current: current ?? null })
  }
  return conflicts
}

/** The fields of a row that later change sets than `base` wrote; null where base never wrote it. */
async function fieldsChangedSince(tx: Transaction, kind: Kind, id: string, base: string): Promise<Set<string> | null> {
  const [start] = await tx.select({ rev: changedDocuments.rev, documentId: changedDocuments.documentId }).from(changedRows)
    .innerJoin(changedDocuments, eq(changedDocuments.changeId, changedRows.changeId))
    .where(and(eq(changedRows.kind, kind), eq(changedRows.rowId, id), eq(changedRows.changeId, base)))
    .orderBy(asc(changedDocuments.rev))
  if (!start) return null
  const later = await tx.select({ after: changedRows.after }).from(changedRows)
    .innerJoin(changedDocuments, and(eq(changedDocuments.changeId, changedRows.changeId), eq(changedDocuments.documentId, start.documentId)))
    .where(and(eq(changedRows.kind, kind), eq(changedRows.rowId, id), gt(changedDocuments.rev, start.rev)))
  return new Set(later.flatMap(({ after }) => Object.keys(after ?? {})))
}

/** The tables refused what the core let through: two changes that met, or a row that others still need. */
function databaseFault({ code, constraint }: { code: string; constraint: string }): Fault {
  const [, thing] = /^[a-z_]+?s_([a-z_]+)$/.exec(constraint) ?? []
  if (code === '23503') return fault('reference', null, null, null, `something else changed at the same moment and no longer fits this (${thing ?? constraint}): look again, then repeat it`)
  if (code === '23505') return fault('twice', null, null, null, `the same thing was entered at the same moment by someone else (${constraint}): look again`)
  return fault('invalid', null, null, null, `the database refused a value (${constraint})`)
}

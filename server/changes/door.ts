/**
 * The one door for changes. In one transaction: lock the documents in the order of their ids, compare versions, apply,
 * check what needs the whole, write rows, diary and summary, and raise the documents' revs. All or nothing.
 */
import { createHash } from 'node:crypto'
import { and, asc, desc, eq, gt, inArray, lt, sql } from 'drizzle-orm'
import { anyRows, apply, fault, isStudioOperation, type ChangeSet, type Documents, type Fault, type Operation } from '#core/makeover/change.ts'
import { emptyMakeover } from '#core/makeover/document.ts'
import { personalKinds, type Kind } from '#core/makeover/kinds.ts'
import { dateIn } from '#core/measure/plain-date.ts'
import { guard } from '#core/reckoning/guards.ts'
import { inTransaction, sqlState, type Database, type Transaction } from '../database/connection.ts'
import { loadMakeover, loadStudio, writeRows } from '../database/documents.ts'
import { changedDocuments, changedRows, changes, documents, people } from '../database/tables.ts'
import { forgetSummaries, writeSummary } from '../makeovers/summary.ts'

export type Person = { readonly studioId: string; readonly personId: string }
type Row = Readonly<Record<string, unknown>> & { readonly id: string; readonly version: string }
export type Conflict = { readonly kind: Kind; readonly id: string; readonly fields: readonly string[]; readonly current: Row | null }

export type Outcome =
  | { readonly is: 'taken'; readonly rev: number; readonly repeated: boolean }
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
export async function takeChange(database: Database, person: Person, makeoverId: string, changeSet: ChangeSet, nowMs: number): Promise<Outcome> {
  try {
    return await inTransaction(database, { studio: person.studioId }, (tx) => take(tx, person, makeoverId, changeSet, nowMs))
  } catch (error) {
    if (error instanceof Refusal) return error.outcome
    const state = sqlState(error)
    if (state?.code.startsWith('23')) return { is: 'refused', faults: [databaseFault(state)] }
    throw error
  }
}

/** The same within a transaction that has its sight set already: refusals and conflicts are thrown, and undo all of it. */
export async function take(tx: Transaction, person: Person, makeoverId: string, changeSet: ChangeSet, nowMs: number): Promise<Outcome> {
  const { operations } = changeSet
  const begins = operations.some((operation) => operation.op === 'put' && operation.kind === 'makeover' && operation.id === makeoverId && operation.base === null)
  if (begins) await tx.insert(documents).values({ studioId: person.studioId, id: makeoverId, rev: 0 }).onConflictDoNothing()
  const touched = [makeoverId, ...(operations.some(isStudioOperation) ? [person.studioId] : [])]
  const locked = await tx.select().from(documents).where(inArray(documents.id, touched)).orderBy(asc(documents.id)).for('update')
  if (locked.length !== touched.length) return { is: 'not found' }

  const digest = createHash('sha256').update(JSON.stringify([makeoverId, changeSet])).digest('hex')
  const earlier = await alreadyTaken(tx, makeoverId, changeSet.id)
  if (earlier && earlier.digest !== digest) refuse(fault('id', null, null, 'id', 'this id was used for another change: expected a new one'))
  if (earlier) return { is: 'taken', rev: earlier.rev, repeated: true }

  const before: Documents = { makeover: (await loadMakeover(tx, makeoverId)) ?? emptyMakeover(makeoverId), studio: await loadStudio(tx, person.studioId) }
  const conflicts = await conflictsOf(tx, before, operations)
  if (conflicts.length > 0) throw new Refusal({ is: 'conflict', conflicts })

  const { documents: after, faults } = apply(before, operations, changeSet.id)
  if (faults.length > 0) refuse(...faults)
  const today = dateIn(Object.values(after.studio.rows.studio)[0]?.timeZone ?? 'UTC', nowMs)
  const guarded = guard(before, after, today)
  if (guarded.length > 0) refuse(...guarded)

  await writeRows(tx, person.studioId, makeoverId, operations, (kind, id) => anyRows(after)[kind][id])
  await tx.insert(changes).values({ studioId: person.studioId, id: changeSet.id, personId: person.personId, sentence: changeSet.sentence, digest })
  await tx.insert(changedRows).values(diary(before, after, operations).map((entry, place) => ({ studioId: person.studioId, changeId: changeSet.id, place, ...entry })))
  for (const { id, rev } of locked) {
    await tx.update(documents).set({ rev: rev + 1 }).where(eq(documents.id, id))
    await tx.insert(changedDocuments).values({ studioId: person.studioId, documentId: id, rev: rev + 1, changeId: changeSet.id })
  }
  // what the studio's practice is, every makeover of it is reckoned by
  if (operations.some(({ kind }) => kind === 'studioRuling' || kind === 'studioSchool')) await forgetSummaries(tx)
  await writeSummary(tx, person.studioId, after, today)
  return { is: 'taken', rev: (locked.find((one) => one.id === makeoverId)?.rev ?? 0) + 1, repeated: false }
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

type Entry = { kind: Kind; rowId: string; operation: string; before: unknown; after: unknown }

/** What each operation did, field by field; of personal kinds the names of the fields and never their values. */
function diary(before: Documents, after: Documents, operations: readonly Operation[]): Entry[] {
  const [was, is] = [anyRows(before), anyRows(after)]
  return operations.map(({ op, kind, id }) => {
    const old = was[kind][id]
    const now = op === 'remove' ? undefined : is[kind][id]
    const fields = [...new Set([...Object.keys(old ?? {}), ...Object.keys(now ?? {})])].filter((field) => field !== 'id' && field !== 'version' && old?.[field] !== now?.[field])
    const values = (row: Row | undefined) => (row ? Object.fromEntries(fields.map((field) => [field, personalKinds.has(kind) ? '(personal)' : row[field]])) : null)
    return { kind, rowId: id, operation: op, before: values(old), after: values(now) }
  })
}

/** The tables refused what the core let through: two changes that met, or a row that others still need. */
function databaseFault({ code, constraint }: { code: string; constraint: string }): Fault {
  const [, thing] = /^[a-z_]+?s_([a-z_]+)$/.exec(constraint) ?? []
  if (code === '23503') return fault('reference', null, null, null, `something else changed at the same moment and no longer fits this (${thing ?? constraint}): look again, then repeat it`)
  if (code === '23505') return fault('twice', null, null, null, `the same thing was entered at the same moment by someone else (${constraint}): look again`)
  return fault('invalid', null, null, null, `the database refused a value (${constraint})`)
}

/** A page of the diary of a document: what changed after a rev, oldest first. */
export async function changesAfter(tx: Transaction, documentId: string, rev: number) {
  const rows = await tx
    .select({ rev: changedDocuments.rev, id: changes.id, personId: changes.personId, madeAt: changes.madeAt, sentence: changes.sentence })
    .from(changedDocuments)
    .innerJoin(changes, eq(changes.id, changedDocuments.changeId))
    .where(and(eq(changedDocuments.documentId, documentId), gt(changedDocuments.rev, rev)))
    .orderBy(asc(changedDocuments.rev))
    .limit(500)
  if (rows.length === 0) return []
  const entries = await tx.select().from(changedRows).where(inArray(changedRows.changeId, rows.map((row) => row.id))).orderBy(asc(changedRows.place))
  return rows.map((row) => ({
    ...row,
    rows: entries.filter((entry) => entry.changeId === row.id).map(({ kind, rowId, operation, before, after }) => ({ kind, rowId, operation, before, after })),
  }))
}

/** A page of the diary told backwards: at most 100 changes before a rev, of the whole document or of one row of it; with who made them. */
export async function diaryBefore(tx: Transaction, documentId: string, before: number, rowId: string | null) {
  const ofRow = rowId === null ? undefined : inArray(changes.id, tx.select({ id: changedRows.changeId }).from(changedRows).where(sql`${changedRows.rowId} = ${rowId} or ${changedRows.after}::text like ${`%${rowId}%`}`))
  const rows = await tx
    .select({ rev: changedDocuments.rev, id: changes.id, who: people.name, madeAt: changes.madeAt, sentence: changes.sentence })
    .from(changedDocuments)
    .innerJoin(changes, eq(changes.id, changedDocuments.changeId))
    .leftJoin(people, eq(people.id, changes.personId))
    .where(and(eq(changedDocuments.documentId, documentId), lt(changedDocuments.rev, before), ofRow))
    .orderBy(desc(changedDocuments.rev))
    .limit(100)
  if (rows.length === 0) return []
  const entries = await tx.select().from(changedRows).where(inArray(changedRows.changeId, rows.map((row) => row.id))).orderBy(asc(changedRows.place))
  return rows.map((row) => ({
    ...row,
    who: row.who ?? '',
    rows: entries.filter((entry) => entry.changeId === row.id).map(({ kind, rowId: id, operation, before: was, after }) => ({ kind, rowId: id, operation, before: was, after })),
  }))
}

import { and, eq, getTableColumns, inArray, isNull, sql } from 'drizzle-orm'
import type { PgTable } from 'drizzle-orm/pg-core'
import { emptyMakeover, emptyStudio, groupBy, type Makeover, type Studio } from '#core/makeover/document.ts'
import { isStudioKind, kindNames, type Kind } from '#core/makeover/kinds.ts'
import type { Documents, Operation } from '#core/makeover/change.ts'
import type { Transaction } from './connection.ts'
import type { Memory } from './memory.ts'
import { documents, makeoverTables, studioTables, tables } from './tables.ts'

type StoredRow = Record<string, unknown> & { id: string; version: string }

/** A row as the core knows it: without the keys that say whose it is. */
function strip({ studioId: _studio, makeoverId: _makeover, ...row }: Record<string, unknown>): StoredRow {
  return row as StoredRow
}

const byId = (rows: readonly Record<string, unknown>[]): Record<string, StoredRow> =>
  Object.fromEntries(rows.map(strip).map((row) => [row.id, row]))

/** Does the studio in sight have that document, not put away? */
export const stands = async (tx: Transaction, id: string): Promise<boolean> => (await standsOf(tx, [id])).length > 0

/** A document's rev, and the change that made it. */
export type Stand = { readonly id: string; readonly rev: number; readonly changeId: string | null }

const standsOf = (tx: Transaction, ids: readonly string[]): Promise<Stand[]> =>
  tx
    .select({ id: documents.id, rev: documents.rev, changeId: documents.changeId })
    .from(documents)
    .where(and(inArray(documents.id, [...ids]), isNull(documents.deletedAt)))

/** A makeover and its studio, from memory where it has them still. A makeover that is not begun is empty. */
export async function loadDocuments(
  tx: Transaction,
  memory: Memory,
  studioId: string,
  makeoverId: string,
): Promise<Documents> {
  return loadAt(tx, memory, studioId, makeoverId, await standsOf(tx, [makeoverId, studioId]))
}

/** The same where it is known how they stand. What is read anew is kept by whoever read it as of one moment. */
export async function loadAt(
  tx: Transaction,
  memory: Memory,
  studioId: string,
  makeoverId: string,
  stands: readonly Stand[],
): Promise<Documents> {
  const changeOf = (id: string): string | null => stands.find((stand) => stand.id === id)?.changeId ?? null
  const makeover =
    (memory.at(studioId, makeoverId, changeOf(makeoverId)) as Makeover | null) ??
    (await loadMakeover(tx, makeoverId)) ??
    emptyMakeover(makeoverId)
  const studio =
    (memory.at(studioId, studioId, changeOf(studioId)) as Studio | null) ?? (await loadStudio(tx, studioId))
  return { makeover, studio }
}

/** A makeover and its studio, read as of one moment in a `still` transaction, and kept. */
export async function recall(
  tx: Transaction,
  memory: Memory,
  studioId: string,
  makeoverId: string,
): Promise<Documents> {
  const stands = await standsOf(tx, [makeoverId, studioId])
  const found = await loadAt(tx, memory, studioId, makeoverId, stands)
  for (const document of [found.makeover, found.studio])
    memory.keep(studioId, document, stands.find((stand) => stand.id === document.id)?.changeId ?? null)
  return found
}

/** A makeover with all its rows; null where the studio in sight has none of that id, or it has not been begun. */
export const loadMakeover = async (tx: Transaction, id: string): Promise<Makeover | null> =>
  (await loadMakeovers(tx, [id])).get(id) ?? null

/** Makeovers with all their rows, by their ids: one statement a kind, however many they are. */
export async function loadMakeovers(tx: Transaction, ids: readonly string[]): Promise<Map<string, Makeover>> {
  const found = await tx
    .select({ id: documents.id, rev: documents.rev })
    .from(documents)
    .where(and(inArray(documents.id, [...ids]), isNull(documents.deletedAt)))
  const rows = new Map(found.map(({ id }) => [id, emptyRows()]))
  if (found.length > 0)
    for (const [kind, table] of Object.entries(makeoverTables))
      for (const row of await tx
        .select()
        .from(table as typeof makeoverTables.room)
        .where(inArray(table.makeoverId, [...rows.keys()]))) {
        const kinds = rows.get(row.makeoverId)
        if (kinds) (kinds[kind] ??= {})[row.id] = strip(row)
      }
  const makeovers = new Map<string, Makeover>()
  for (const { id, rev } of found) {
    const held = rows.get(id) ?? emptyRows()
    // parsed here: the database holds only what the schemas took
    if (held.makeover?.[id]) makeovers.set(id, { id, rev, rows: held as unknown as Makeover['rows'] })
    else if (rev === 0) makeovers.set(id, { ...emptyMakeover(id), rev: 0 })
  }
  return makeovers
}

const emptyRows = (): Record<string, Record<string, StoredRow>> =>
  Object.fromEntries(Object.keys(makeoverTables).map((kind) => [kind, {}]))

/** Makeovers that are read at once: their rows are all in memory until what is asked of them is done. */
export const together = 50
export const chunksOf = <T>(all: readonly T[], size: number): readonly (readonly T[])[] =>
  Array.from({ length: Math.ceil(all.length / size) }, (_, at) => all.slice(at * size, (at + 1) * size))

/** Several makeovers in the order asked for, each with how it stands, and their studio: from memory where it has them, in a `still` transaction. */
export async function recallAll(
  tx: Transaction,
  memory: Memory,
  studioId: string,
  ids: readonly string[],
): Promise<{ readonly studio: Studio; readonly changeId: string | null; readonly makeovers: readonly Recalled[] }> {
  const stands = await standsOf(tx, [...ids, studioId])
  const changeId = stands.find(({ id }) => id === studioId)?.changeId ?? null
  const studio = (memory.at(studioId, studioId, changeId) as Studio | null) ?? (await loadStudio(tx, studioId))
  memory.keep(studioId, studio, changeId)
  const remembered = stands
    .filter(({ id }) => id !== studioId)
    .toSorted((left, right) => ids.indexOf(left.id) - ids.indexOf(right.id))
    .map((stand) => ({ ...stand, makeover: memory.at(studioId, stand.id, stand.changeId) as Makeover | null }))
  const read = await loadMakeovers(
    tx,
    remembered.flatMap(({ id, makeover }) => (makeover ? [] : [id])),
  )
  return {
    studio,
    changeId,
    makeovers: remembered.flatMap((stand) => {
      const makeover = stand.makeover ?? read.get(stand.id)
      return makeover ? [{ changeId: stand.changeId, makeover }] : []
    }),
  }
}

/** A makeover, and the change that made it what it is. */
type Recalled = { readonly changeId: string | null; readonly makeover: Makeover }

/** The studio in sight with what its makeovers share. */
export async function loadStudio(tx: Transaction, id: string): Promise<Studio> {
  const [document] = await tx.select({ rev: documents.rev }).from(documents).where(eq(documents.id, id))
  const rows: Record<string, Record<string, StoredRow>> = {}
  for (const [kind, table] of Object.entries(studioTables))
    rows[kind] = byId(await tx.select().from(table as typeof studioTables.seller))
  return { ...emptyStudio(id), rev: document?.rev ?? 0, rows: rows as unknown as Studio['rows'] }
}

/**
 * Writes the rows that operations touched, as they are after them, in one statement a kind: parents first, and what is
 * taken away children first.
 */
export async function writeRows(
  tx: Transaction,
  studioId: string,
  makeoverId: string,
  operations: readonly Operation[],
  after: (kind: Kind, id: string) => Record<string, unknown> | undefined,
): Promise<void> {
  const puts = groupBy(
    operations.filter((operation) => operation.op === 'put'),
    ({ kind }) => kind,
  )
  const removes = groupBy(
    operations.filter((operation) => operation.op === 'remove'),
    ({ kind }) => kind,
  )
  for (const kind of kindNames) {
    const rows = (puts.get(kind) ?? []).map(({ id }) => {
      const row = after(kind, id)
      if (!row) throw new Error(`${kind} ${id} was put and is not there`)
      return { ...keysOf(kind, studioId, makeoverId), ...row }
    })
    if (rows.length > 0) await putRows(tx, kind, rows)
  }
  for (const kind of kindNames.toReversed()) {
    const ids = (removes.get(kind) ?? []).map(({ id }) => id)
    const table = tables[kind] as typeof tables.room
    if (ids.length > 0)
      await tx
        .delete(table)
        .where(
          isStudioKind(kind) ? inArray(table.id, ids) : and(eq(table.makeoverId, makeoverId), inArray(table.id, ids)),
        )
  }
}

/** New rows and changed ones alike: a row that is there takes the new values. */
async function putRows(tx: Transaction, kind: Kind, rows: readonly Record<string, unknown>[]): Promise<void> {
  const table = tables[kind] as typeof tables.room
  const key = isStudioKind(kind) ? [table.studioId, table.id] : [table.studioId, table.makeoverId, table.id]
  const written = Object.fromEntries(
    Object.entries({ version: table.version, ...fieldColumns(kind) }).map(([field, column]) => [
      field,
      sql.raw(`excluded."${column.name}"`),
    ]),
  )
  const insert = tx
    .insert(table)
    .values(rows as (typeof table.$inferInsert)[])
    .onConflictDoUpdate({ target: key, set: written })
  // one row is what most changes put: the database plans that statement once a connection
  await (rows.length === 1 ? insert.prepare(`put ${kind}`).execute() : insert)
}

const keysOf = (kind: Kind, studioId: string, makeoverId: string): Record<string, string> =>
  isStudioKind(kind) ? { studioId } : { studioId, makeoverId }

/** The columns of a kind's table by the names of its fields, without its keys. */
export function fieldColumns(kind: Kind): ReturnType<typeof getTableColumns<PgTable>> {
  const {
    studioId: _studio,
    makeoverId: _makeover,
    id: _id,
    version: _version,
    ...fields
  } = getTableColumns(tables[kind] as PgTable)
  return fields
}

/** What others changed since: rows that a change was not based on. */
import { and, asc, eq, gt } from 'drizzle-orm'
import { anyRows, type Documents, type Operation } from '#core/makeover/change.ts'
import type { Kind } from '#core/makeover/kinds.ts'
import { type Transaction } from '../database/connection.ts'
import { changedDocuments, changedRows } from '../database/tables.ts'

export type Row = Readonly<Record<string, unknown>> & { readonly id: string; readonly version: string }

export type Conflict = {
  readonly kind: Kind
  readonly id: string
  readonly fields: readonly string[]
  readonly current: Row | null
}

/** Rows that others changed since: puts on other fields of a row merge, on the same field they conflict. */
export async function conflictsOf(
  tx: Transaction,
  before: Documents,
  operations: readonly Operation[],
): Promise<Conflict[]> {
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
  const [start] = await tx
    .select({ rev: changedDocuments.rev, documentId: changedDocuments.documentId })
    .from(changedRows)
    .innerJoin(changedDocuments, eq(changedDocuments.changeId, changedRows.changeId))
    .where(and(eq(changedRows.kind, kind), eq(changedRows.rowId, id), eq(changedRows.changeId, base)))
    .orderBy(asc(changedDocuments.rev))
  if (!start) return null
  const later = await tx
    .select({ after: changedRows.after })
    .from(changedRows)
    .innerJoin(
      changedDocuments,
      and(eq(changedDocuments.changeId, changedRows.changeId), eq(changedDocuments.documentId, start.documentId)),
    )
    .where(and(eq(changedRows.kind, kind), eq(changedRows.rowId, id), gt(changedDocuments.rev, start.rev)))
  return new Set(later.flatMap(({ after }) => Object.keys(after ?? {})))
}

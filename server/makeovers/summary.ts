import { and, asc, eq, gt, ne } from 'drizzle-orm'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { summarise, type Summary } from '#core/reckoning/summary.ts'
import type { Transaction } from '../database/connection.ts'
import { loadDocuments } from '../database/documents.ts'
import type { Memory } from '../database/memory.ts'
import { clients, documents, summaries } from '../database/tables.ts'

export type DayLine = Summary & { readonly clients: readonly string[] }

/** All makeovers of the studio in sight for the day page. What was reckoned on another day, or before a change, is reckoned anew. */
export async function dayLines(
  tx: Transaction,
  memory: Memory,
  studioId: string,
  today: PlainDate,
): Promise<DayLine[]> {
  const [shared] = await tx.select({ rev: documents.rev }).from(documents).where(eq(documents.id, studioId))
  const begun = await tx
    .select({ id: documents.id, rev: documents.rev, kept: summaries })
    .from(documents)
    .leftJoin(summaries, eq(summaries.makeoverId, documents.id))
    .where(and(gt(documents.rev, 0), ne(documents.id, studioId)))
    .orderBy(asc(documents.id))
  const names = await tx
    .select({ makeoverId: clients.makeoverId, name: clients.name })
    .from(clients)
    .orderBy(asc(clients.id))
  const lines: DayLine[] = []
  for (const { id, rev, kept } of begun) {
    const holds = kept?.reckonedOn === today && kept.rev === rev && kept.studioRev === shared?.rev
    const summary = holds ? (kept.summary as Summary) : await reckonSummary(tx, memory, studioId, id, today)
    lines.push({ ...summary, clients: names.filter((client) => client.makeoverId === id).map((client) => client.name) })
  }
  return lines
}

async function reckonSummary(
  tx: Transaction,
  memory: Memory,
  studioId: string,
  id: string,
  today: PlainDate,
): Promise<Summary> {
  const found = await loadDocuments(tx, memory, studioId, id)
  const summary = summarise(found.makeover, reckon(found, today))
  const values = { reckonedOn: today, rev: found.makeover.rev, studioRev: found.studio.rev, summary }
  await tx
    .insert(summaries)
    .values({ studioId, makeoverId: id, ...values })
    .onConflictDoUpdate({ target: [summaries.studioId, summaries.makeoverId], set: values })
  return summary
}

import { asc, eq, gt } from 'drizzle-orm'
import type { Makeover } from '#core/makeover/document.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { summarise, type Summary } from '#core/reckoning/summary.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import type { Transaction } from '../database/connection.ts'
import { loadMakeover } from '../database/documents.ts'
import { clients, documents, summaries } from '../database/tables.ts'

/** Keeps what the day page shows of a makeover, as of a day; returns it. */
export async function writeSummary(tx: Transaction, studioId: string, makeover: Makeover, today: PlainDate): Promise<Summary> {
  const summary = summarise(makeover, reckon(makeover, effectiveRules(), today))
  await tx
    .insert(summaries)
    .values({ studioId, makeoverId: makeover.id, reckonedOn: today, summary })
    .onConflictDoUpdate({ target: [summaries.studioId, summaries.makeoverId], set: { reckonedOn: today, summary } })
  return summary
}

export type DayLine = Summary & { readonly clients: readonly string[] }

/** All makeovers of the studio in sight for the day page. What was reckoned on another day is reckoned anew. */
export async function dayLines(tx: Transaction, studioId: string, today: PlainDate): Promise<DayLine[]> {
  const kept = await tx.select({ id: documents.id, reckonedOn: summaries.reckonedOn, summary: summaries.summary }).from(summaries)
    .innerJoin(documents, eq(documents.id, summaries.makeoverId)).where(gt(documents.rev, 0)).orderBy(asc(documents.id))
  const names = await tx.select({ makeoverId: clients.makeoverId, name: clients.name }).from(clients).orderBy(asc(clients.id))
  const lines: DayLine[] = []
  for (const { id, reckonedOn, summary } of kept) {
    const makeover = reckonedOn === today ? null : await loadMakeover(tx, id)
    const current = makeover ? await writeSummary(tx, studioId, makeover, today) : (summary as Summary)
    lines.push({ ...current, clients: names.filter((client) => client.makeoverId === id).map((client) => client.name) })
  }
  return lines
}

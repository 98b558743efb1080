import { asc, eq, gt } from 'drizzle-orm'
import type { Documents } from '#core/makeover/change.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { summarise, type Summary } from '#core/reckoning/summary.ts'
import type { Transaction } from '../database/connection.ts'
import { loadMakeover, loadStudio } from '../database/documents.ts'
import { clients, documents as documentRows, summaries } from '../database/tables.ts'

/** Keeps what the day page shows of a makeover, as of a day; returns it. */
export async function writeSummary(tx: Transaction, studioId: string, documents: Documents, today: PlainDate): Promise<Summary> {
  const summary = summarise(documents.makeover, reckon(documents, today))
  await tx
    .insert(summaries)
    .values({ studioId, makeoverId: documents.makeover.id, reckonedOn: today, summary })
    .onConflictDoUpdate({ target: [summaries.studioId, summaries.makeoverId], set: { reckonedOn: today, summary } })
  return summary
}

/** What is kept no longer holds: it is reckoned anew when it is next asked for. */
export const forgetSummaries = (tx: Transaction): Promise<unknown> => tx.update(summaries).set({ reckonedOn: '1970-01-01' })

export type DayLine = Summary & { readonly clients: readonly string[] }

/** All makeovers of the studio in sight for the day page. What was reckoned on another day is reckoned anew. */
export async function dayLines(tx: Transaction, studioId: string, today: PlainDate): Promise<DayLine[]> {
  const kept = await tx.select({ id: documentRows.id, reckonedOn: summaries.reckonedOn, summary: summaries.summary }).from(summaries)
    .innerJoin(documentRows, eq(documentRows.id, summaries.makeoverId)).where(gt(documentRows.rev, 0)).orderBy(asc(documentRows.id))
  const names = await tx.select({ makeoverId: clients.makeoverId, name: clients.name }).from(clients).orderBy(asc(clients.id))
  const lines: DayLine[] = []
  for (const { id, reckonedOn, summary } of kept) {
    const makeover = reckonedOn === today ? null : await loadMakeover(tx, id)
    const current = makeover ? await writeSummary(tx, studioId, { makeover, studio: await loadStudio(tx, studioId) }, today) : (summary as Summary)
    lines.push({ ...current, clients: names.filter((client) => client.makeoverId === id).map((client) => client.name) })
  }
  return lines
}

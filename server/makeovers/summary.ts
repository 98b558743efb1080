import { and, asc, eq, gt, isNull } from 'drizzle-orm'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { remarksWithoutCosts, withoutCosts } from '#core/people/index.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { summarise, type Summary } from '#core/reckoning/summary.ts'
import type { Transaction } from '../database/connection.ts'
import { loadDocuments } from '../database/documents.ts'
import type { Memory } from '../database/memory.ts'
import { clients, documents } from '../database/tables.ts'

export type DayLine = Summary & { readonly clients: readonly string[] }

/** All makeovers under way of the studio in sight for the day page; without `costs`, of what is shown without them. */
export async function dayLines(
  tx: Transaction,
  memory: Memory,
  studioId: string,
  today: PlainDate,
  costs = true,
): Promise<DayLine[]> {
  const stands = await tx
    .select({ id: documents.id, rev: documents.rev, changeId: documents.changeId })
    .from(documents)
    .where(
      and(
        eq(documents.studioId, studioId),
        gt(documents.rev, 0),
        isNull(documents.deletedAt),
        isNull(documents.archivedAt),
      ),
    )
    .orderBy(asc(documents.id))
  const studioChange = stands.find(({ id }) => id === studioId)?.changeId ?? null
  const names = await tx
    .select({ makeoverId: clients.makeoverId, name: clients.name })
    .from(clients)
    .orderBy(asc(clients.id))
  const lines: DayLine[] = []
  for (const { id, changeId } of stands.filter((stand) => stand.id !== studioId)) {
    const moment = `${id} ${changeId ?? ''} ${studioChange ?? ''} ${today} ${costs}`
    const summary = await summaryAt(moment, async () => {
      const found = await loadDocuments(tx, memory, studioId, id)
      const shown = costs ? found : withoutCosts(found)
      const reckoning = reckon(shown, today)
      const remarks = costs ? reckoning.remarks : remarksWithoutCosts(reckoning.remarks)
      return summarise(shown.makeover, { ...reckoning, remarks, attention: costs ? reckoning.attention : [] })
    })
    lines.push({ ...summary, clients: names.filter((client) => client.makeoverId === id).map((client) => client.name) })
  }
  return lines
}

/**
 * What was reckoned for the day page, by the makeover, the changes that made it and its studio what they are, and the
 * day. It is kept in this process alone: to look at the day page writes nothing.
 */
const known = new Map<string, Summary>()
const most = 2000

async function summaryAt(moment: string, reckoned: () => Promise<Summary>): Promise<Summary> {
  const summary = known.get(moment) ?? (await reckoned())
  known.delete(moment) // what is asked for again stands last, and goes last
  known.set(moment, summary)
  const [oldest] = known.keys()
  if (known.size > most && oldest !== undefined) known.delete(oldest)
  return summary
}

/** What the day page shows of each makeover under way: kept where it was reckoned before, reckoned where anything changed since. */
import { setImmediate as breathe } from 'node:timers/promises'
import { and, asc, eq, gt, isNull, sql } from 'drizzle-orm'
import type { PlainDate } from '#core/measure/plain-date.ts'
import type { Summary } from '#core/reckoning/summary.ts'
import { inTransaction, isDatabaseAway, sqlState, type Database, type Transaction } from '../database/connection.ts'
import { chunksOf, recallAll, together } from '../database/documents.ts'
import { clients, documents, summaries } from '../database/tables.ts'
import { rules } from '../places.ts'
import { summaryOf, type Told } from './summary-of.ts'

export type DayLine = Summary & { readonly clients: readonly string[] }
type Reckoned = Pick<typeof summaries.$inferSelect, 'makeoverId' | 'moment' | 'summary'>

/** Where it is reckoned: here, or in a process that keeps nobody waiting. */
export type Reckoner = (told: Told) => Summary | Promise<Summary>

/** All makeovers under way of a studio for the day page; without `costs`, of what is shown without them. */
export async function dayLines(
  database: Database,
  studioId: string,
  today: PlainDate,
  costs = true,
  reckoner: Reckoner = summaryOf,
): Promise<DayLine[]> {
  const { ids, names, known } = await inTransaction(
    database,
    { studio: studioId },
    (tx) => knownLines(tx, studioId, today, costs),
    { still: true },
  )
  const missing = ids.filter((id) => !known.has(id))
  for (const some of chunksOf(missing, together))
    for (const { makeoverId, summary } of await reckonAnew(database, studioId, some, today, costs, reckoner))
      known.set(makeoverId, summary)
  return ids.flatMap((id) => {
    const summary = known.get(id)
    return summary
      ? [{ ...summary, clients: names.filter((client) => client.makeoverId === id).map((client) => client.name) }]
      : []
  })
}

/** A summary stands as long as its makeover, what its studio shares, the day and the rules are the same. */
const momentOf = (changeId: string | null, studioChange: string | null, today: PlainDate): string =>
  `${changeId ?? ''} ${studioChange ?? ''} ${today} ${rules}`

async function knownLines(tx: Transaction, studioId: string, today: PlainDate, costs: boolean) {
  const stands = await tx
    .select({ id: documents.id, changeId: documents.changeId })
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
  const under = stands.filter(({ id }) => id !== studioId)
  const moments = new Map(under.map(({ id, changeId }) => [id, momentOf(changeId, studioChange, today)]))
  const kept = await tx
    .select({ id: summaries.makeoverId, moment: summaries.moment, summary: summaries.summary })
    .from(summaries)
    .where(eq(summaries.costs, costs))
  const names = await tx
    .select({ makeoverId: clients.makeoverId, name: clients.name })
    .from(clients)
    .orderBy(asc(clients.id))
  const known = new Map(
    kept.filter(({ id, moment }) => moments.get(id) === moment).map(({ id, summary }) => [id, summary]),
  )
  return { ids: under.map(({ id }) => id), names, known }
}

/** Reads and reckons some makeovers as of one moment, and keeps what came of it. Others are served in between. */
async function reckonAnew(
  database: Database,
  studioId: string,
  ids: readonly string[],
  today: PlainDate,
  costs: boolean,
  reckoner: Reckoner,
): Promise<Reckoned[]> {
  const { studio, changeId, makeovers } = await inTransaction(
    database,
    { studio: studioId },
    (tx) => recallAll(tx, database.memory, studioId, ids),
    { still: true },
  )
  const reckoned: Reckoned[] = []
  for (const recalled of makeovers) {
    reckoned.push({
      makeoverId: recalled.makeover.id,
      moment: momentOf(recalled.changeId, changeId, today),
      summary: await reckoner({ documents: { makeover: recalled.makeover, studio }, today, costs }),
    })
    await breathe()
  }
  await keep(database, studioId, costs, reckoned)
  return reckoned
}

/** Where it cannot be kept, the page is shown all the same: a makeover may be gone in between, or the database only be read. */
async function keep(database: Database, studioId: string, costs: boolean, reckoned: readonly Reckoned[]) {
  if (reckoned.length === 0) return
  try {
    await inTransaction(database, { studio: studioId }, (tx) =>
      tx
        .insert(summaries)
        .values(reckoned.map((line) => ({ studioId, costs, ...line })))
        .onConflictDoUpdate({
          target: [summaries.studioId, summaries.makeoverId, summaries.costs],
          set: { moment: sql`excluded.moment`, summary: sql`excluded.summary` },
        }),
    )
  } catch (error) {
    if (!sqlState(error) && !isDatabaseAway(error)) throw error
  }
}

/**
 * Day pages laid out before anybody looks: after the start, when the day turns where a studio is, and when what its
 * makeovers share changed. Of studios where somebody is signed in; the others are reckoned when they are looked at.
 */
import { setTimeout as wait } from 'node:timers/promises'
import { eq, gt } from 'drizzle-orm'
import { dateIn } from '#core/measure/plain-date.ts'
import { showsCosts } from '#core/people/index.ts'
import type { News } from '../changes/news.ts'
import type { Heavy } from '../heavy/heavy.ts'
import { inTransaction, type Database } from '../database/connection.ts'
import { people, sessions, studios } from '../database/tables.ts'
import { dayLines } from './summary.ts'

type Early = {
  readonly database: Database
  readonly news: News
  readonly heavy: Pick<Heavy, 'run'>
  readonly clock: () => number
}

/** Lays out what is not laid out yet, and tells of how many studios. */
export type LayingOut = { readonly turn: () => Promise<number>; readonly stop: () => void }

export function openEarly({ database, news, heavy, clock }: Early): LayingOut {
  /** The day that was laid out, and whom to tell that the studio is not listened to any more, by studio. */
  const laid = new Map<string, { day: string | null; readonly unhear: () => void }>()
  let stopped = false

  /** The day of a studio is out of date once something that its makeovers share changes. */
  function listenedTo(studioId: string): { day: string | null } {
    const known = laid.get(studioId)
    if (known) return known
    const mine = {
      day: null as string | null,
      unhear: news.hear(studioId, (word) => {
        if (word.is === 'again' || (word.is === 'rev' && word.document === studioId)) mine.day = null
      }),
    }
    laid.set(studioId, mine)
    return mine
  }

  async function turn(): Promise<number> {
    const atWork = await inTransaction(database, { sweep: 'yes' }, (tx) =>
      tx
        .selectDistinct({ id: studios.id, timeZone: studios.timeZone })
        .from(sessions)
        .innerJoin(studios, eq(studios.id, sessions.studioId))
        .where(gt(sessions.expiresAt, new Date(clock()))),
    )
    for (const [id, { unhear }] of laid)
      if (!atWork.some((studio) => studio.id === id)) {
        unhear()
        laid.delete(id)
      }
    let count = 0
    for (const { id, timeZone } of atWork) {
      if (stopped) break
      const today = dateIn(timeZone, clock())
      const studio = listenedTo(id)
      if (studio.day === today) continue
      studio.day = today // a change from here on is one that comes after
      try {
        // a makeover with all that can be in it takes a fifth of a second, which nobody is to wait for
        for (const costs of await shown(id))
          await dayLines(database, id, today, costs, (told) => heavy.run(id, 'summary', { told }))
      } catch (error) {
        studio.day = null
        throw error
      }
      count++
    }
    return count
  }

  /** With costs, and without where somebody is shown none. */
  async function shown(studioId: string): Promise<readonly boolean[]> {
    const found = await inTransaction(database, { studio: studioId }, (tx) => tx.select().from(people))
    return found.some((person) => person.removedAt === null && !showsCosts(person)) ? [true, false] : [true]
  }

  function stop(): void {
    stopped = true
    for (const { unhear } of laid.values()) unhear()
    laid.clear()
  }
  return { turn, stop }
}

const everyMs = 20_000

/** Takes its turns until it is stopped; one that fails is tried again at the next. */
export function layOutEarly(setting: Early, failed: (error: unknown) => void): () => void {
  const early = openEarly(setting)
  const ended = new AbortController()
  void (async () => {
    while (!ended.signal.aborted) {
      await early.turn().catch(failed)
      await wait(everyMs, undefined, { signal: ended.signal, ref: false }).catch(() => undefined)
    }
  })()
  return () => {
    ended.abort()
    early.stop()
  }
}

/**
 * What one window or process did is told to the others: NOTIFY after the commit (within it, it would serialise commits),
 * coalesced, and LISTEN on a connection of its own. A lost word is made good by whoever sees a gap in the revs.
 */
import pg from 'pg'
import type { Logger } from 'pino'
import type { Database } from '../database/connection.ts'
import { withoutValues } from '../problem.ts'

const channel = 'bonitas'

/** Somebody has a page of a makeover open in a window; null page: no longer. */
export type Here = {
  readonly window: string
  readonly personId: string
  readonly name: string
  readonly page: string | null
}
export type Word =
  | { readonly is: 'rev'; readonly studio: string; readonly document: string; readonly rev: number }
  | ({ readonly is: 'here'; readonly studio: string; readonly document: string } & Here)
  /** Some browser of a person was signed out. */
  | { readonly is: 'ended'; readonly studio: string; readonly personId: string }
  /** A makeover went into the archive, or came out: nothing in it changed. */
  | { readonly is: 'laid'; readonly studio: string; readonly document: string }
/** Words may have been missed: look again. */
export type Heard = Word | { readonly is: 'again' }

export type News = {
  /** Tells every process, this one too; soon, and never failing whoever tells it. */
  readonly tell: (word: Word) => void
  /** Hears of one studio until the returned function is called. */
  readonly hear: (studio: string, listener: (heard: Heard) => void) => () => void
  /** Who has a makeover open now, as far as was heard. */
  readonly here: (studio: string, document: string) => readonly Here[]
  readonly close: () => Promise<void>
}

/** Windows of one person that are told of; the longest silent is left out. */
const mostWindows = 20
const forgottenAfterMs = 50_000
const coalescedMs = 1

/** Of words with the same key only the last is told. */
function keyOf(word: Word): string {
  switch (word.is) {
    case 'rev':
      return word.document
    case 'here':
      return `${word.document} ${word.window}`
    case 'laid':
      return `laid ${word.document}`
    case 'ended':
      return `ended ${word.personId}`
  }
}

export function openNews(url: string, database: Database, log: Logger): News {
  const listeners = new Map<string, Set<(heard: Heard) => void>>()
  const present = new Map<
    string,
    Here & { readonly studio: string; readonly document: string; readonly seen: number }
  >()
  const waiting = new Map<string, Word>()
  let flushing: ReturnType<typeof setTimeout> | null = null
  let client: pg.Client | null = null
  let closed = false

  function heard(word: Word): void {
    if (word.is === 'here') {
      const key = `${word.studio} ${word.document} ${word.window}`
      present.delete(key) // who speaks again stands last
      if (word.page !== null) present.set(key, { ...word, seen: Date.now() })
      const mine = [...present].filter(([, { personId }]) => personId === word.personId)
      for (const [oldest] of mine.slice(0, -mostWindows)) present.delete(oldest)
    }
    for (const listener of listeners.get(word.studio) ?? []) listener(word)
  }

  async function flush(): Promise<void> {
    flushing = null
    const words = [...waiting.values()]
    waiting.clear()
    try {
      await database.pool.query('select pg_notify($1, word) from unnest($2::text[]) as word', [
        channel,
        words.map((word) => JSON.stringify(word)),
      ])
    } catch (error) {
      log.warn({ err: withoutValues(error) }, 'news could not be told')
    }
  }

  async function listen(waitMs = 200): Promise<void> {
    if (closed) return
    const next = new pg.Client({ connectionString: url, connectionTimeoutMillis: 10_000, keepAlive: true })
    let over = false
    const again = (): void => {
      if (over) return
      over = true
      if (client === next) client = null
      if (!closed) setTimeout(() => void listen(Math.min(waitMs * 2, 5000)), waitMs).unref()
    }
    next.on('error', again)
    next.on('end', again)
    next.on('notification', ({ payload }) => {
      if (payload !== undefined) heard(JSON.parse(payload) as Word) // parsed here: only `flush` speaks on this channel
    })
    try {
      await next.connect()
      await next.query(`listen ${channel}`)
      client = next
      for (const set of listeners.values()) for (const listener of set) listener({ is: 'again' })
    } catch {
      again()
    }
  }
  void listen()

  return {
    tell(word) {
      waiting.set(keyOf(word), word)
      flushing ??= setTimeout(() => void flush(), coalescedMs)
    },
    hear(studio, listener) {
      const set = listeners.get(studio) ?? new Set()
      listeners.set(studio, set.add(listener))
      return () => {
        set.delete(listener)
        if (set.size === 0) listeners.delete(studio)
      }
    },
    here(studio, document) {
      const currentTime = Date.now()
      for (const [key, listener] of present) if (currentTime - listener.seen > forgottenAfterMs) present.delete(key)
      return [...present.values()]
        .filter((listener) => listener.studio === studio && listener.document === document)
        .map(({ window, personId, name, page }) => ({ window, personId, name, page }))
    },
    async close() {
      closed = true
      if (flushing) clearTimeout(flushing)
      await client?.end().catch(() => undefined)
    },
  }
}

/** What the routes are given: the database, the clock, where the server listens. */
import type { Logger } from 'pino'
import { type Database } from './database/connection.ts'
import type { News } from './changes/news.ts'
import type { Heavy } from './heavy/heavy.ts'
import type { Health } from './running/health.ts'
import type { Reach } from './reach.ts'

/** Whether strangers may make studios here. */
export const registrations = ['open', 'first', 'closed'] as const
export type Registration = (typeof registrations)[number]

export type Setting = {
  readonly database: Database
  readonly news: News
  readonly heavy: Heavy
  readonly log: Logger
  /** The built pages; where it is missing only the routes are served. */
  readonly pages: string | null
  /** The time, in milliseconds since 1970. */
  readonly clock: () => number
  /** Its address is HTTPS, here or at a proxy that is trusted. */
  readonly secure?: boolean
  /** What Express takes as its `trust proxy`: whose word on the visitor's address is believed. */
  readonly trustProxy?: string | number | undefined
  /** Where it listens, for the page that says what to type on a phone. */
  readonly host?: string
  readonly port?: number
  readonly tls?: Reach['tls']
  readonly open?: boolean
  /** The folder where letters of the studio itself are laid down as files; null where they are only in its outbox. */
  readonly outbox?: string | null
  /** How a browser reaches it from outside, for links in such letters: `https://studio.example`. */
  readonly address?: string
  /** How it does, for whoever watches it; nothing is told where it is missing. */
  readonly health?: Health
  /** Failed sign-ins taken from one address in a quarter of an hour. */
  readonly failedSignIns: number
  /** What clients may do by their links from one address in a minute; 30 where nobody said. */
  readonly guestActs?: number
  /** Who may make a studio on the page: anybody, whoever comes first to an empty installation, or nobody. */
  readonly registration: Registration
}

/**
 * How often something is tried by one address, account or person. The counts lie in the database, so that whoever
 * guesses is held back at every process, and after a start too.
 */
import type { Request, RequestHandler, Response } from 'express'
import { rateLimit, type Store } from 'express-rate-limit'
import { and, eq, gt, lt, sql } from 'drizzle-orm'
import { inTransaction, type Database } from '../database/connection.ts'
import { tries } from '../database/tables.ts'
import { Problem } from '../problem.ts'
import type { Setting } from '../setting.ts'
import { sha256Of } from '../digest.ts'

export const quarterMs = 15 * 60_000

export type Limit = {
  /** What is counted, apart from all else that is. */
  readonly as: string
  /** How often it may be in a quarter of an hour. */
  readonly limit: number
  readonly keyOf: (request: Request) => string | Promise<string>
  /** What whoever tries too often is told. */
  readonly tooMany: string
  /** Only what failed counts; where it says so, `failed` tells what that is. */
  readonly failed?: boolean | ((response: Response) => boolean)
}

/** Holds back what is tried too often, with 429. */
export function limited(
  { database, clock }: Pick<Setting, 'database' | 'clock'>,
  { as, limit, keyOf, tooMany, failed = false }: Limit,
): RequestHandler {
  return rateLimit({
    windowMs: quarterMs,
    limit,
    identifier: as,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: failed !== false,
    ...(typeof failed === 'function' ? { requestWasSuccessful: (_request, response) => !failed(response) } : {}),
    keyGenerator: keyOf,
    store: counts(database, as, clock),
    handler: () => {
      throw new Problem(429, 'too-many', 'Too many tries', tooMany)
    },
  })
}

/** Nobody can read out of it who tried: a count is found by the hash of what it counts. */
function counts(database: Database, as: string, clock: () => number): Store {
  const hashed = (key: string): string => sha256Of(`${as} ${key}`)
  return {
    localKeys: false,
    async increment(key) {
      const hash = hashed(key)
      const at = new Date(clock())
      const endsAt = new Date(at.getTime() + quarterMs)
      const over = sql`${tries.endsAt} <= ${at.toISOString()}`
      const [counted] = await inTransaction(database, { link: hash }, (tx) =>
        tx
          .insert(tries)
          .values({ hash, count: 1, endsAt })
          .onConflictDoUpdate({
            target: tries.hash,
            set: {
              count: sql`case when ${over} then 1 else ${tries.count} + 1 end`,
              endsAt: sql`case when ${over} then excluded.ends_at else ${tries.endsAt} end`,
            },
          })
          .returning(),
      )
      return { totalHits: counted?.count ?? 1, resetTime: counted?.endsAt ?? endsAt }
    },
    /** After the answer: where it is not taken back, somebody has one try less. */
    async decrement(key) {
      const hash = hashed(key)
      await inTransaction(database, { link: hash }, (tx) =>
        tx
          .update(tries)
          .set({ count: sql`${tries.count} - 1` })
          .where(and(eq(tries.hash, hash), gt(tries.count, 0), gt(tries.endsAt, new Date(clock())))),
      ).catch(() => undefined)
    },
    async resetKey(key) {
      const hash = hashed(key)
      await inTransaction(database, { link: hash }, (tx) => tx.delete(tries).where(eq(tries.hash, hash)))
    },
  }
}

/** Counts that ran out say nothing any more. */
export const forgetTries = (database: Database, nowMs: number): Promise<unknown> =>
  inTransaction(database, { sweep: 'yes' }, (tx) => tx.delete(tries).where(lt(tries.endsAt, new Date(nowMs))))

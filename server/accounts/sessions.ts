/** The browsers somebody is signed in with, and their password: listed, signed out, changed by themselves. */
import { and, desc, eq, gt, ne } from 'drizzle-orm'
import { inTransaction, type Database } from '../database/connection.ts'
import { people, sessions } from '../database/tables.ts'
import { fitsHash, hashPassword } from './passwords.ts'
import { sha256Of } from '../digest.ts'

export type Session = {
  readonly id: string
  readonly browser: string
  readonly openedAt: string
  readonly expiresAt: string
  /** It is the one that asks. */
  readonly isThis: boolean
}
type Who = { readonly studioId: string; readonly personId: string }
/** Theirs that still stand, the newest first. */
export const sessionsOf = (
  database: Database,
  { studioId, personId }: Who,
  token: string,
  nowMs: number,
): Promise<Session[]> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    const all = await tx
      .select()
      .from(sessions)
      .where(and(eq(sessions.personId, personId), gt(sessions.expiresAt, new Date(nowMs))))
      .orderBy(desc(sessions.openedAt))
    return all.map(({ id, browser, openedAt, expiresAt, tokenHash }) => ({
      id,
      browser,
      openedAt: openedAt.toISOString(),
      expiresAt: expiresAt.toISOString(),
      isThis: tokenHash === sha256Of(token),
    }))
  })

/** Signs one of their own browsers out; false where it is not theirs, or was signed out already. */
export const endSession = (database: Database, { studioId, personId }: Who, id: string): Promise<boolean> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    const gone = await tx
      .delete(sessions)
      .where(and(eq(sessions.id, id), eq(sessions.personId, personId)))
      .returning({ id: sessions.id })
    return gone.length > 0
  })

/** Signs out every browser of theirs but the one that asks. */
export const endOtherSessions = (database: Database, { studioId, personId }: Who, token: string): Promise<number> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    const gone = await tx
      .delete(sessions)
      .where(and(eq(sessions.personId, personId), ne(sessions.tokenHash, sha256Of(token))))
      .returning({ id: sessions.id })
    return gone.length
  })

/**
 * Gives somebody another password, for which they say the former one, and signs out every other browser of theirs.
 * 'password' where the former one is not right; 'taken' where with the new one the same email opens another studio.
 */
export async function changePassword(
  database: Database,
  { studioId, personId, email }: Who & { readonly email: string },
  { former, next, token }: { readonly former: string; readonly next: string; readonly token: string },
): Promise<'changed' | 'password' | 'taken'> {
  const known = await inTransaction(database, { email }, (tx) =>
    tx.select().from(people).where(eq(people.email, email)),
  )
  const own = known.find((person) => person.studioId === studioId && person.id === personId)
  if (!own || !(await fitsHash(own.passwordHash, former))) return 'password'
  const elsewhere = await Promise.all(
    known.filter((person) => person !== own).map((person) => fitsHash(person.passwordHash, next)),
  )
  if (elsewhere.includes(true)) return 'taken'
  const passwordHash = await hashPassword(next)
  await inTransaction(database, { studio: studioId }, async (tx) => {
    await tx.update(people).set({ passwordHash }).where(eq(people.id, personId))
    await tx.delete(sessions).where(and(eq(sessions.personId, personId), ne(sessions.tokenHash, sha256Of(token))))
  })
  return 'changed'
}

/** “Firefox on Linux”, from what a browser says of itself; no more of it is kept. */
export function browserFrom(agent: string): string {
  const browser = /Edg\//.test(agent)
    ? 'Edge'
    : /Firefox\//.test(agent)
      ? 'Firefox'
      : /Chrom(?:e|ium)\//.test(agent)
        ? 'Chrome or Chromium'
        : /Safari\//.test(agent)
          ? 'Safari'
          : 'A browser'
  const on = /Android/.test(agent)
    ? ' on Android'
    : /iPhone|iPad/.test(agent)
      ? ' on iOS'
      : /Windows/.test(agent)
        ? ' on Windows'
        : /Mac OS/.test(agent)
          ? ' on macOS'
          : /Linux/.test(agent)
            ? ' on Linux'
            : ''
  return `${browser}${on}`
}

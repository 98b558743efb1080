/** Links for who has no account: made, listed, taken back, and opened by their token. */
import { randomBytes } from 'node:crypto'
import { and, desc, eq, isNull } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import { documents, links } from '../database/tables.ts'
import { Problem } from '../problem.ts'
import { fitsHash, hashPassword } from '../accounts/passwords.ts'
import { sha256Of } from '../digest.ts'

export type Link = typeof links.$inferSelect
export type Opens = Link['opens']
/** As the studio sees it: never the token, which is told once, when the link is made. */
export type ShownLink = {
  readonly id: string
  readonly opens: Opens
  readonly forWhom: string | null
  readonly hasWord: boolean
  readonly madeAt: string
  readonly expiresAt: string | null
  readonly revokedAt: string | null
  readonly lastUsedAt: string | null
}

const dayMs = 86_400_000
/** 32 random bytes: 256 bits, which nobody guesses. */
export const newToken = (): string => randomBytes(32).toString('base64url')
const tokenShape = /^[\w-]{43}$/

export const shown = (link: Link): ShownLink => ({
  id: link.id,
  opens: link.opens,
  forWhom: link.forWhom,
  hasWord: link.wordHash !== null,
  madeAt: link.madeAt.toISOString(),
  expiresAt: link.expiresAt?.toISOString() ?? null,
  revokedAt: link.revokedAt?.toISOString() ?? null,
  lastUsedAt: link.lastUsedAt?.toISOString() ?? null,
})

export type AskedLink = {
  readonly studioId: string
  readonly makeoverId: string
  readonly madeBy: string
  readonly opens: Opens
  readonly forWhom: string | null
  /** How many days it opens; null for as long as nobody takes it back. */
  readonly days: number | null
  readonly word: string
}
export async function makeLink(
  tx: Transaction,
  asked: AskedLink,
  nowMs: number,
): Promise<{ token: string; link: Link }> {
  const token = newToken()
  const [link] = await tx
    .insert(links)
    .values({
      studioId: asked.studioId,
      id: uuidv7(),
      makeoverId: asked.makeoverId,
      opens: asked.opens,
      forWhom: asked.forWhom,
      tokenHash: sha256Of(token),
      wordHash: asked.word === '' ? null : await hashPassword(asked.word),
      madeAt: new Date(nowMs),
      madeBy: asked.madeBy,
      expiresAt: asked.days === null ? null : new Date(nowMs + asked.days * dayMs),
    })
    .returning()
  if (!link) throw new Error('a link was made and not told')
  return { token, link }
}

export const linksOf = (tx: Transaction, makeoverId: string): Promise<Link[]> =>
  tx.select().from(links).where(eq(links.makeoverId, makeoverId)).orderBy(desc(links.madeAt))

/** Takes a link back; one that is taken back stays so. False where there is none. */
export async function revoke(tx: Transaction, makeoverId: string, id: string, nowMs: number): Promise<boolean> {
  const taken = await tx
    .update(links)
    .set({ revokedAt: new Date(nowMs) })
    .where(and(eq(links.makeoverId, makeoverId), eq(links.id, id), isNull(links.revokedAt)))
    .returning({ id: links.id })
  if (taken.length > 0) return true
  return (
    (
      await tx
        .select({ id: links.id })
        .from(links)
        .where(and(eq(links.makeoverId, makeoverId), eq(links.id, id)))
    ).length > 0
  )
}

/** One answer for a link that never was, is over, was taken back, or opens something else: nobody learns which. */
export const closed = (): Problem =>
  new Problem(
    404,
    'link-closed',
    'This link opens nothing',
    'It has run out, was taken back, or was copied in part. Ask the studio for a new one.',
  )

/**
 * The link of a token. It is looked up by its hash, so that no comparison takes longer for a token that is nearly right. Throws `closed`
 * where it opens nothing, and asks for its word where it has one.
 */
export async function openLink(
  database: Database,
  token: unknown,
  opens: Opens,
  nowMs: number,
  word: string | null = null,
): Promise<Link> {
  if (typeof token !== 'string' || !tokenShape.test(token)) throw closed()
  const link = await inTransaction(database, { link: sha256Of(token) }, async (tx) => {
    const [found] = await tx
      .select()
      .from(links)
      .where(eq(links.tokenHash, sha256Of(token)))
    return found
  })
  if (!link || link.opens !== opens || link.revokedAt !== null || (link.expiresAt?.getTime() ?? Infinity) <= nowMs)
    throw closed()
  if (link.wordHash !== null && (word === null || !(await fitsHash(link.wordHash, word))))
    throw new Problem(
      401,
      'word',
      'A word is asked',
      word === null || word === '' ? 'The studio told you a word that opens this page.' : 'That is not the word.',
    )
  await inTransaction(database, { studio: link.studioId }, async (tx) => {
    const [kept] = await tx.select({ at: documents.deletedAt }).from(documents).where(eq(documents.id, link.makeoverId))
    // a makeover that was put away shows nothing to anybody
    if (!kept || kept.at !== null) throw closed()
    if (nowMs - (link.lastUsedAt?.getTime() ?? 0) > 60_000)
      await tx
        .update(links)
        .set({ lastUsedAt: new Date(nowMs) })
        .where(eq(links.id, link.id))
  })
  return link
}

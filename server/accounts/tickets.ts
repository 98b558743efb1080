/** Invitations and ways to another password: each a letter with a token that opens once, and runs out. */
import { and, desc, eq, gt, isNull } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'
import type { Standing } from '#core/people/index.ts'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import { letters, people, sessions, studios, tickets } from '../database/tables.ts'
import { newToken } from '../links/links.ts'
import { Problem } from '../problem.ts'
import { fitting, newcomer, normalEmail, ofEmail, takenTurn, type Person } from './accounts.ts'
import { hashPassword } from './passwords.ts'
import { sha256Of } from '../digest.ts'

export type Ticket = typeof tickets.$inferSelect
export type Opens = Ticket['opens']
/** A letter of the studio itself, as the post takes it. */
export type Written = {
  readonly letterId: string
  readonly to: string
  readonly subject: string
  readonly opens: string
}

const hourMs = 3_600_000
const lasts: Readonly<Record<Opens, number>> = { invitation: 14 * 24 * hourMs, reset: hourMs }
const page: Readonly<Record<Opens, string>> = { invitation: '/join', reset: '/another-password' }
const subject: Readonly<Record<Opens, string>> = {
  invitation: 'You are invited to a studio',
  reset: 'Another password for Bonitas',
}

type Asked = Pick<Ticket, 'studioId' | 'opens' | 'email' | 'personId' | 'role' | 'seesCosts' | 'madeBy'>
/** Writes a ticket and its letter. What was written before to the same address for the same purpose opens nothing more. */
async function write(tx: Transaction, asked: Asked, nowMs: number): Promise<{ ticket: Ticket; written: Written }> {
  const token = newToken()
  await tx
    .update(tickets)
    .set({ revokedAt: new Date(nowMs) })
    .where(
      and(
        eq(tickets.opens, asked.opens),
        eq(tickets.email, asked.email),
        isNull(tickets.usedAt),
        isNull(tickets.revokedAt),
      ),
    )
  const [ticket] = await tx
    .insert(tickets)
    .values({
      ...asked,
      id: uuidv7(),
      tokenHash: sha256Of(token),
      madeAt: new Date(nowMs),
      expiresAt: new Date(nowMs + lasts[asked.opens]),
    })
    .returning()
  if (!ticket) throw new Error('a ticket was made and not told')
  const letterId = uuidv7()
  const opens = `${page[asked.opens]}#${token}`
  await tx.insert(letters).values({
    studioId: asked.studioId,
    id: letterId,
    makeoverId: null,
    forWhom: asked.personId ?? ticket.id,
    subject: subject[asked.opens],
    opens,
    state: 'sent',
    writtenAt: new Date(nowMs),
    arrivesAt: new Date(nowMs),
    ticketId: ticket.id,
  })
  return { ticket, written: { letterId, to: asked.email, subject: subject[asked.opens], opens } }
}

/** Invites somebody. 'here' where they work in the studio already. */
export const invite = (
  database: Database,
  { studioId, personId }: { readonly studioId: string; readonly personId: string },
  asked: Standing & { readonly email: string },
  nowMs: number,
): Promise<{ readonly ticket: Ticket; readonly written: Written } | 'here'> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    const email = normalEmail(asked.email)
    const known = await takenTurn(tx, email)
    if (known.some((person) => person.studioId === studioId && person.removedAt === null)) return 'here'
    const { role, seesCosts } = newcomer(studioId, '', asked.role, asked.seesCosts)
    return write(tx, { studioId, opens: 'invitation', email, personId: null, role, seesCosts, madeBy: personId }, nowMs)
  })

/** Those that nobody took up yet, the newest first. */
export const invitationsOf = (database: Database, studioId: string, nowMs: number): Promise<Ticket[]> =>
  inTransaction(database, { studio: studioId }, (tx) =>
    tx
      .select()
      .from(tickets)
      .where(
        and(
          eq(tickets.opens, 'invitation'),
          isNull(tickets.usedAt),
          isNull(tickets.revokedAt),
          gt(tickets.expiresAt, new Date(nowMs)),
        ),
      )
      .orderBy(desc(tickets.madeAt)),
  )

/** Takes a ticket back, and its link out of its letter. False where there is none that opens anything. */
export async function takeBack(tx: Transaction, id: string, nowMs: number): Promise<boolean> {
  const taken = await tx
    .update(tickets)
    .set({ revokedAt: new Date(nowMs) })
    .where(and(eq(tickets.id, id), isNull(tickets.usedAt), isNull(tickets.revokedAt)))
    .returning({ id: tickets.id })
  await tx.update(letters).set({ opens: null }).where(eq(letters.ticketId, id))
  return taken.length > 0
}

/** A way to another password for everybody of an address; nothing where it is nobody's. */
export async function askForReset(
  database: Database,
  email: string,
  nowMs: number,
): Promise<readonly (Written & { readonly studioId: string; readonly personId: string })[]> {
  const known = await ofEmail(database, normalEmail(email))
  const all = []
  for (const { studioId, id: personId, role, seesCosts, email: to } of known) {
    const asked: Asked = { studioId, opens: 'reset', email: to, personId, role, seesCosts, madeBy: null }
    const { written } = await inTransaction(database, { studio: studioId }, (tx) => write(tx, asked, nowMs))
    all.push({ ...written, studioId, personId })
  }
  return all
}

const closed = (detail: string, code = 'link-closed', status = 404): Problem =>
  new Problem(status, code, 'This link opens nothing', detail)
const never = (): Problem => closed('It was copied in part, or never was. Ask for a new one.')

/** The ticket of a token, looked up by its hash; throws where it opens nothing, and says why to whoever holds it. */
export async function openTicket(database: Database, token: unknown, opens: Opens, nowMs: number): Promise<Ticket> {
  if (typeof token !== 'string' || !/^[\w-]{43}$/.test(token)) throw never()
  const tokenHash = sha256Of(token)
  const [ticket] = await inTransaction(database, { link: tokenHash }, (tx) =>
    tx.select().from(tickets).where(eq(tickets.tokenHash, tokenHash)),
  )
  if (ticket?.opens !== opens) throw never()
  if (ticket.usedAt) throw usedAlready(opens)
  if (ticket.revokedAt) throw closed('It was taken back, or a newer letter was written: use that, or ask the studio.')
  if (ticket.expiresAt.getTime() <= nowMs) throw closed('It has run out. Ask for a new one.', 'link-over', 410)
  return ticket
}
const usedAlready = (opens: Opens): Problem =>
  closed(
    opens === 'invitation'
      ? 'This invitation was taken up already. If that was you, sign in; if it was not, tell the studio.'
      : 'With this letter a password was set already. If that was not you, ask for another letter now.',
    'link-used',
    409,
  )

/** Marks it as used, unless somebody was quicker: of two at once, one gets in. */
async function use(tx: Transaction, { id, opens }: Ticket, nowMs: number): Promise<void> {
  const taken = await tx
    .update(tickets)
    .set({ usedAt: new Date(nowMs) })
    .where(and(eq(tickets.id, id), isNull(tickets.usedAt), isNull(tickets.revokedAt)))
    .returning({ id: tickets.id })
  if (taken.length === 0) throw usedAlready(opens)
  await tx.update(letters).set({ opens: null }).where(eq(letters.ticketId, id))
}

/** The studio that a ticket is of. */
export const studioOf = async (database: Database, { studioId }: Ticket): Promise<string> =>
  (await inTransaction(database, { studio: studioId }, (tx) => tx.select({ name: studios.name }).from(studios)))[0]
    ?.name ?? ''

/**
 * Takes an invitation up: somebody new comes into the studio, or somebody who left comes back to what they did. 'password' where with that
 * password the same email opens another studio. Throws where the invitation opens nothing any more.
 */
export async function takeUp(
  database: Database,
  ticket: Ticket,
  { name, password }: { readonly name: string; readonly password: string },
  nowMs: number,
): Promise<{ readonly personId: string } | 'here' | 'password'> {
  const passwordHash = await hashPassword(password)
  return inTransaction(database, { studio: ticket.studioId }, async (tx) => {
    const known = await takenTurn(tx, ticket.email)
    const former = known.find(({ studioId }) => studioId === ticket.studioId)
    if (former && former.removedAt === null) return 'here'
    if ((await fitting(known, password)).length > 0) return 'password'
    await use(tx, ticket, nowMs)
    const standing = newcomer(ticket.studioId, former?.id ?? uuidv7(), ticket.role, ticket.seesCosts)
    const person = { ...standing, name, email: ticket.email, passwordHash }
    if (former) await tx.update(people).set(person).where(eq(people.id, former.id))
    else await tx.insert(people).values(person)
    return { personId: person.id }
  })
}

/** Sets another password by a letter, and ends every session of theirs; their second factor stays. */
export async function setAnother(
  database: Database,
  ticket: Ticket,
  password: string,
  nowMs: number,
): Promise<'set' | 'password'> {
  const passwordHash = await hashPassword(password)
  return inTransaction(database, { studio: ticket.studioId }, async (tx) => {
    const known: readonly Person[] = await takenTurn(tx, ticket.email)
    const own = known.find(({ id, studioId }) => id === ticket.personId && studioId === ticket.studioId)
    if (!own || own.removedAt !== null) throw never()
    if (
      (
        await fitting(
          known.filter((person) => person !== own),
          password,
        )
      ).length > 0
    )
      return 'password'
    await use(tx, ticket, nowMs)
    await tx.update(people).set({ passwordHash }).where(eq(people.id, own.id))
    await tx.delete(sessions).where(eq(sessions.personId, own.id))
    return 'set'
  })
}

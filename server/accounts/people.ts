/** The people of a studio: listed, given another role, taken out. There is always an owner. */
import { and, asc, eq, inArray, isNull } from 'drizzle-orm'
import type { Role, Standing } from '#core/people/index.ts'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import { passkeys, people, sessions, tickets } from '../database/tables.ts'
import { newcomer } from './accounts.ts'
import { endSecondFactor } from './second-factor.ts'

export type Listed = {
  readonly id: string
  readonly name: string
  readonly email: string
  readonly role: Role
  readonly seesCosts: boolean
  readonly hasSecondFactor: boolean
  /** When they were taken out; null for who works here. */
  readonly removedAt: string | null
}

/** Everybody who works in a studio or did, in the order they came. */
export const peopleOf = (database: Database, studioId: string): Promise<Listed[]> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    const all = await tx.select().from(people).orderBy(asc(people.id))
    return all.map(({ id, name, email, role, seesCosts, totpOn, removedAt }) => ({
      id,
      name,
      email,
      role,
      seesCosts,
      hasSecondFactor: totpOn,
      removedAt: removedAt?.toISOString() ?? null,
    }))
  })

/** Why nothing was done to somebody: nobody of that id works here, or nobody would be left who says who does. */
export type Left = 'nobody' | 'last owner'

/** All owners, held until the end of the transaction: two of them who take each other out at once do not both succeed. */
async function heldOwners(tx: Transaction): Promise<ReadonlySet<string>> {
  const owners = await tx
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.role, 'owner'), isNull(people.removedAt)))
    .orderBy(asc(people.id))
    .for('update')
  return new Set(owners.map(({ id }) => id))
}

async function worksHere(tx: Transaction, id: string): Promise<boolean> {
  const found = await tx
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.id, id), isNull(people.removedAt)))
    .for('update')
  return found.length > 0
}

/** Gives somebody another role; their work under way goes on where the new one allows it. */
export const giveRole = (
  database: Database,
  studioId: string,
  id: string,
  standing: Standing,
): Promise<'given' | Left> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    const owners = await heldOwners(tx)
    if (!(await worksHere(tx, id))) return 'nobody'
    if (standing.role !== 'owner' && owners.has(id) && owners.size === 1) return 'last owner'
    const { role, seesCosts } = newcomer(studioId, id, standing.role, standing.seesCosts)
    await tx.update(people).set({ role, seesCosts }).where(eq(people.id, id))
    return 'given'
  })

/** Takes somebody out: nothing lets them in any more, and what they did stays under their name. */
export const takeOut = (database: Database, studioId: string, id: string, nowMs: number): Promise<'out' | Left> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    const owners = await heldOwners(tx)
    if (!(await worksHere(tx, id))) return 'nobody'
    if (owners.has(id) && owners.size === 1) return 'last owner'
    await tx
      .update(people)
      .set({ removedAt: new Date(nowMs), passwordHash: '' })
      .where(eq(people.id, id))
    await endSecondFactor(tx, id)
    await tx.delete(passkeys).where(eq(passkeys.personId, id))
    await tx.delete(sessions).where(eq(sessions.personId, id))
    await tx
      .update(tickets)
      .set({ revokedAt: new Date(nowMs) })
      .where(and(inArray(tickets.personId, [id]), isNull(tickets.usedAt), isNull(tickets.revokedAt)))
    return 'out'
  })

/** Signs somebody out everywhere. False where nobody of that id works here. */
export const signOutOf = (database: Database, studioId: string, id: string): Promise<boolean> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    if (!(await worksHere(tx, id))) return false
    await tx.delete(sessions).where(eq(sessions.personId, id))
    return true
  })

/** Takes somebody's second factor away, where they lost it; the next time they come in by their password alone. */
export const takeFactorFrom = (database: Database, studioId: string, id: string): Promise<boolean> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    if (!(await worksHere(tx, id))) return false
    await endSecondFactor(tx, id)
    await tx.delete(sessions).where(eq(sessions.personId, id))
    return true
  })

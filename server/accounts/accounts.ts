import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { and, asc, eq, isNull, lt, sql } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'
import type { Role, Standing } from '#core/people/index.ts'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import {
  changedDocuments,
  changedRows,
  changes,
  changeWords,
  documents,
  mentions,
  people,
  sessions,
  studios,
} from '../database/tables.ts'
import { fitsHash, hashPassword } from './passwords.ts'
import { takeCode, type CodeTold } from './second-factor.ts'
import { sha256Of } from '../digest.ts'

export const sessionDays = 14
export const deviceDays = 180
const dayMs = 86_400_000

export type SignedIn = Standing & {
  readonly studioId: string
  readonly personId: string
  readonly name: string
  readonly email: string
  readonly studioName: string
  readonly timeZone: string
  /** A code is asked for at the door too. */
  readonly hasSecondFactor: boolean
}
export type Person = typeof people.$inferSelect
/** The first person of a studio. */
export type Maker = { readonly studioId: string; readonly personId: string }
export type NewStudio = {
  readonly studioName: string
  readonly timeZone: string
  readonly name: string
  readonly email: string
  readonly password: string
}

export const normalEmail = (email: string): string => email.trim().normalize('NFC').toLowerCase()

/**
 * Makes a studio with its first person, and with work in it where there is some, all or nothing. Null where that email and
 * password open a studio already, and with `once` where the email is anybody's: two at once are not made twice.
 */
export async function makeStudio(
  database: Database,
  newStudio: NewStudio,
  {
    work = () => Promise.resolve(),
    once = false,
  }: { work?: (tx: Transaction, maker: Maker) => Promise<void>; once?: boolean } = {},
): Promise<Maker | null> {
  const email = normalEmail(newStudio.email)
  const maker = { studioId: uuidv7(), personId: uuidv7() }
  const passwordHash = await hashPassword(newStudio.password)
  return inTransaction(database, { studio: maker.studioId }, async (tx) => {
    const known = await takenTurn(tx, email)
    if ((once && known.length > 0) || (await fitting(known, newStudio.password)).length > 0) return null
    await writeStudio(tx, maker, newStudio, passwordHash)
    await work(tx, maker)
    return maker
  })
}

/** Everybody of an email, in whatever studio; whoever else comes with that email waits for the end of this transaction. */
export async function takenTurn(tx: Transaction, email: string): Promise<Person[]> {
  await tx.execute(
    sql`select pg_advisory_xact_lock(hashtext(${`email ${email}`})), set_config('bonitas.email', ${email}, true)`,
  )
  return tx.select().from(people).where(eq(people.email, email)).orderBy(asc(people.id))
}

/** Everybody of an email who still works somewhere. */
export const ofEmail = (database: Database, email: string): Promise<Person[]> =>
  inTransaction(database, { email }, (tx) =>
    tx
      .select()
      .from(people)
      .where(and(eq(people.email, email), isNull(people.removedAt)))
      .orderBy(asc(people.id))
      .limit(mostOfOneEmail),
  )

/** One email may be somebody's in several studios; more than these are not tried at the door. */
const mostOfOneEmail = 5

/** Those whose password it is. */
export async function fitting(among: readonly Person[], password: string): Promise<Person[]> {
  const here = among.filter(({ removedAt }) => removedAt === null)
  const fits = await Promise.all(here.map((person) => fitsHash(person.passwordHash, password)))
  return here.filter((_person, at) => fits[at])
}

async function writeStudio(
  tx: Transaction,
  { studioId, personId }: Maker,
  newStudio: NewStudio,
  passwordHash: string,
): Promise<void> {
  const changeId = uuidv7()
  const { timeZone } = newStudio
  await tx.insert(studios).values({ studioId, id: studioId, version: changeId, name: newStudio.studioName, timeZone })
  await tx.insert(documents).values({ studioId, id: studioId, rev: 1, changeId })
  await tx.insert(people).values({
    ...newcomer(studioId, personId, 'owner'),
    name: newStudio.name,
    email: normalEmail(newStudio.email),
    passwordHash,
  })
  await tx.insert(changes).values({ studioId, id: changeId, personId, digest: '' })
  await tx.insert(changedRows).values({
    studioId,
    changeId,
    place: 0,
    kind: 'studio',
    rowId: studioId,
    operation: 'put',
    before: null,
    after: { name: { words: true }, timeZone: { words: true } },
  })
  await tx.insert(changeWords).values({
    studioId,
    changeId,
    sentence: 'The studio was made',
    words: { 0: { after: { name: newStudio.studioName, timeZone } } },
  })
  await tx.insert(mentions).values({ studioId, rowId: studioId, changeId })
  await tx.insert(changedDocuments).values({ studioId, documentId: studioId, rev: 1, changeId })
}

/** What is so of everybody who comes new. */
export const newcomer = (studioId: string, id: string, role: Role, seesCosts = true) => ({
  studioId,
  id,
  role,
  seesCosts: seesCosts || role !== 'looker-on',
  removedAt: null,
  totpSecret: null,
  totpOn: false,
  totpStep: 0,
})

let decoy: Promise<string> | undefined

export type Tried =
  | Entered
  /** Email or password do not fit; those whose email it is, for their studio's record. */
  | { readonly is: 'wrong'; readonly known: readonly Person[] }
  /** They fit, and a code is asked for too. */
  | { readonly is: 'code'; readonly known: readonly Person[]; readonly told: CodeTold }

/** Checks email, password and second factor, and opens a session; where they do not fit, after the same work for any email. */
export async function signIn(
  database: Database,
  { email, password, code = '' }: { readonly email: string; readonly password: string; readonly code?: string },
  nowMs: number,
  browser = 'A browser',
): Promise<Tried> {
  const known = await ofEmail(database, normalEmail(email))
  // as much work for an email that nobody has, and for somebody of one studio as of two
  const decoys = Math.max(0, 2 - known.length)
  decoy ??= hashPassword(randomBytes(16).toString('hex'))
  const [[found]] = await Promise.all([
    fitting(known, password),
    ...Array.from({ length: decoys }, async () => fitsHash(await (decoy ?? ''), password)),
  ])
  if (!found) return { is: 'wrong', known }
  if (found.totpOn) {
    const told = await takeCode(database, found, code, nowMs)
    if (told.is !== 'right') return { is: 'code', known: [found], told }
  }
  return (await enter(database, found, nowMs, browser)) ?? { is: 'wrong', known }
}

export type Entered = { readonly is: 'in'; readonly token: string; readonly device: string; readonly person: SignedIn }

/** Opens a session for somebody who was found at the door; null where they were taken out in the same moment. */
export async function enter(
  database: Database,
  found: Person,
  nowMs: number,
  browser: string,
): Promise<Entered | null> {
  const token = await openSession(database, found, nowMs, browser)
  const person = await personOf(database, token, nowMs)
  const device = deviceMark(found.passwordHash, Math.floor(nowMs / dayMs) + deviceDays)
  return person && { is: 'in', token, device, person }
}

async function openSession(database: Database, found: Person, nowMs: number, browser: string): Promise<string> {
  const token = randomBytes(32).toString('base64url')
  await inTransaction(database, { studio: found.studioId }, async (tx) => {
    await tx.delete(sessions).where(lt(sessions.expiresAt, new Date(nowMs)))
    await tx.insert(sessions).values({
      tokenHash: sha256Of(token),
      studioId: found.studioId,
      personId: found.id,
      expiresAt: new Date(nowMs + sessionDays * dayMs),
      id: uuidv7(),
      openedAt: new Date(nowMs),
      browser,
    })
  })
  return token
}

/** Is this somebody's password? */
export const fits = async (database: Database, email: string, password: string): Promise<boolean> =>
  (await fitting(await ofEmail(database, normalEmail(email)), password)).length > 0

/** Gives somebody another password, and ends the sessions that the former one opened. */
export async function setPassword(database: Database, email: string, password: string): Promise<void> {
  const [person] = await ofEmail(database, normalEmail(email))
  if (!person || (await fitsHash(person.passwordHash, password))) return
  const passwordHash = await hashPassword(password)
  await inTransaction(database, { studio: person.studioId }, async (tx) => {
    await tx.update(people).set({ passwordHash }).where(eq(people.id, person.id))
    await tx.delete(sessions).where(eq(sessions.personId, person.id))
  })
}

/** A mark that a browser signed in to an account, until a day: it ends with the password, and nothing of it is kept. */
function deviceMark(passwordHash: string, untilDay: number): string {
  const nonce = randomBytes(9).toString('base64url')
  return `${untilDay}.${nonce}.${sealOf(passwordHash, `${untilDay}.${nonce}`)}`
}
const sealOf = (passwordHash: string, text: string): string =>
  createHmac('sha256', passwordHash).update(`device ${text}`).digest('base64url')

/** Did this browser sign in to the account of that email before? */
export async function isKnownDevice(database: Database, email: string, mark: string, nowMs: number): Promise<boolean> {
  const [day = '', nonce = '', seal = ''] = mark.split('.')
  if (
    !/^\d{1,6}$/.test(day) ||
    Number(day) < nowMs / dayMs ||
    seal === '' ||
    email.includes('\u0000') ||
    !email.isWellFormed()
  )
    return false
  const given = Buffer.from(seal)
  return (await ofEmail(database, email)).some((person) => {
    const expected = Buffer.from(sealOf(person.passwordHash, `${day}.${nonce}`))
    return expected.length === given.length && timingSafeEqual(expected, given)
  })
}

/** Has anybody made a studio here yet? */
export const hasStudio = async (database: Database): Promise<boolean> =>
  (await inTransaction(database, { sweep: 'yes' }, (tx) => tx.select({ id: studios.id }).from(studios).limit(1)))
    .length > 0

/** Who holds a session token now; null where it is unknown or has run out. */
export async function personOf(database: Database, token: string, nowMs: number): Promise<SignedIn | null> {
  const { rows } = await database.pool.query<{
    studio_id: string
    person_id: string
    name: string
    email: string
    studio_name: string
    time_zone: string
    role: Role
    sees_costs: boolean
    totp_on: boolean
  }>({ name: 'person', text: 'select * from bonitas_person($1, $2)', values: [sha256Of(token), new Date(nowMs)] })
  const [row] = rows
  return row
    ? {
        studioId: row.studio_id,
        personId: row.person_id,
        name: row.name,
        email: row.email,
        studioName: row.studio_name,
        timeZone: row.time_zone,
        role: row.role,
        seesCosts: row.sees_costs,
        hasSecondFactor: row.totp_on,
      }
    : null
}

export async function signOut(database: Database, token: string): Promise<void> {
  const tokenHash = sha256Of(token)
  await inTransaction(database, { token: tokenHash }, (tx) =>
    tx.delete(sessions).where(eq(sessions.tokenHash, tokenHash)),
  )
}

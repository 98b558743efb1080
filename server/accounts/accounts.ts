import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { hash, verify } from '@node-rs/argon2'
import { asc, eq, lt } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'
import { inTransaction, sqlState, type Database, type Transaction } from '../database/connection.ts'
import {
  changedDocuments,
  changedRows,
  changes,
  documents,
  mentions,
  people,
  sessions,
  studios,
} from '../database/tables.ts'

export const sessionDays = 14
export const deviceDays = 180
const dayMs = 86_400_000

export type SignedIn = {
  readonly studioId: string
  readonly personId: string
  readonly name: string
  readonly email: string
  readonly studioName: string
  readonly timeZone: string
}
/** The first person of a studio. */
export type Maker = { readonly studioId: string; readonly personId: string }
export type NewStudio = {
  readonly studioName: string
  readonly timeZone: string
  readonly name: string
  readonly email: string
  readonly password: string
}

/** argon2id with the parameters that OWASP's password storage sheet gives as its first choice (19 MiB, 2 passes, 1 lane). */
export const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 })
const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex')
export const normalEmail = (email: string): string => email.trim().normalize('NFC').toLowerCase()

/** Makes a studio with its first person, and with work in it where there is some, all or nothing; null where the email is already someone's. */
export async function makeStudio(
  database: Database,
  newStudio: NewStudio,
  work: (tx: Transaction, maker: Maker) => Promise<void> = () => Promise.resolve(),
): Promise<Maker | null> {
  const email = normalEmail(newStudio.email)
  const known = await inTransaction(database, { email }, (tx) =>
    tx.select({ id: people.id }).from(people).where(eq(people.email, email)),
  )
  if (known.length > 0) return null
  const maker = { studioId: uuidv7(), personId: uuidv7() }
  const passwordHash = await hashPassword(newStudio.password)
  try {
    await inTransaction(database, { studio: maker.studioId }, async (tx) => {
      await writeStudio(tx, maker, newStudio, passwordHash)
      await work(tx, maker)
    })
    return maker
  } catch (error) {
    if (sqlState(error)?.constraint === 'people_email_once') return null
    throw error
  }
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
  await tx
    .insert(people)
    .values({ studioId, id: personId, name: newStudio.name, email: normalEmail(newStudio.email), passwordHash })
  await tx.insert(changes).values({ studioId, id: changeId, personId, sentence: 'The studio was made', digest: '' })
  await tx.insert(changedRows).values({
    studioId,
    changeId,
    place: 0,
    kind: 'studio',
    rowId: studioId,
    operation: 'put',
    before: null,
    after: { name: newStudio.studioName, timeZone },
  })
  await tx.insert(mentions).values({ studioId, rowId: studioId, changeId })
  await tx.insert(changedDocuments).values({ studioId, documentId: studioId, rev: 1, changeId })
}

let decoy: Promise<string> | undefined

/** Checks email and password and opens a session; null where they do not fit, after the same work for any email. */
export async function signIn(
  database: Database,
  email: string,
  password: string,
  nowMs: number,
): Promise<{ token: string; device: string; person: SignedIn } | null> {
  const found = await inTransaction(database, { email: normalEmail(email) }, async (tx) => {
    const [person] = await tx
      .select()
      .from(people)
      .where(eq(people.email, normalEmail(email)))
    return person
  })
  const known = found?.passwordHash ?? (await (decoy ??= hashPassword(randomBytes(16).toString('hex'))))
  const fits = await verify(known, password)
  if (!found || !fits) return null
  const token = randomBytes(32).toString('base64url')
  await inTransaction(database, { studio: found.studioId }, async (tx) => {
    await tx.delete(sessions).where(lt(sessions.expiresAt, new Date(nowMs)))
    await tx.insert(sessions).values({
      tokenHash: hashToken(token),
      studioId: found.studioId,
      personId: found.id,
      expiresAt: new Date(nowMs + sessionDays * dayMs),
    })
  })
  const person = await personOf(database, token, nowMs)
  return person && { token, device: deviceMark(found.passwordHash, Math.floor(nowMs / dayMs) + deviceDays), person }
}

/** Is this somebody's password? */
export async function fits(database: Database, email: string, password: string): Promise<boolean> {
  const [person] = await inTransaction(database, { email: normalEmail(email) }, (tx) =>
    tx
      .select()
      .from(people)
      .where(eq(people.email, normalEmail(email))),
  )
  return person !== undefined && (await verify(person.passwordHash, password))
}

/** Gives somebody another password, and ends the sessions that the former one opened. */
export async function setPassword(database: Database, email: string, password: string): Promise<void> {
  const [person] = await inTransaction(database, { email: normalEmail(email) }, (tx) =>
    tx
      .select()
      .from(people)
      .where(eq(people.email, normalEmail(email))),
  )
  if (!person || (await verify(person.passwordHash, password))) return
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
  const [person] = await inTransaction(database, { email }, (tx) =>
    tx.select({ passwordHash: people.passwordHash }).from(people).where(eq(people.email, email)),
  )
  if (!person) return false
  const [expected, given] = [Buffer.from(sealOf(person.passwordHash, `${day}.${nonce}`)), Buffer.from(seal)]
  return expected.length === given.length && timingSafeEqual(expected, given)
}

/** The people of a studio, in the order they came. */
export const peopleOf = (
  database: Database,
  studioId: string,
): Promise<{ id: string; name: string; email: string }[]> =>
  inTransaction(database, { studio: studioId }, (tx) =>
    tx.select({ id: people.id, name: people.name, email: people.email }).from(people).orderBy(asc(people.id)),
  )

/** Lets another person into a studio; null where the email is already someone's. */
export async function letIn(
  database: Database,
  studioId: string,
  newStudio: Pick<NewStudio, 'name' | 'email' | 'password'>,
): Promise<{ id: string; name: string; email: string } | null> {
  const person = { id: uuidv7(), name: newStudio.name, email: normalEmail(newStudio.email) }
  const passwordHash = await hashPassword(newStudio.password)
  try {
    await inTransaction(database, { studio: studioId }, (tx) =>
      tx.insert(people).values({ studioId, ...person, passwordHash }),
    )
    return person
  } catch (error) {
    if (sqlState(error)?.constraint === 'people_email_once') return null
    throw error
  }
}

/** Who holds a session token now; null where it is unknown or has run out. */
export async function personOf(database: Database, token: string, nowMs: number): Promise<SignedIn | null> {
  const { rows } = await database.pool.query<{
    studio_id: string
    person_id: string
    name: string
    email: string
    studio_name: string
    time_zone: string
  }>({ name: 'person', text: 'select * from bonitas_person($1, $2)', values: [hashToken(token), new Date(nowMs)] })
  const [row] = rows
  return row
    ? {
        studioId: row.studio_id,
        personId: row.person_id,
        name: row.name,
        email: row.email,
        studioName: row.studio_name,
        timeZone: row.time_zone,
      }
    : null
}

export async function signOut(database: Database, token: string): Promise<void> {
  const tokenHash = hashToken(token)
  await inTransaction(database, { token: tokenHash }, (tx) =>
    tx.delete(sessions).where(eq(sessions.tokenHash, tokenHash)),
  )
}

/** The second factor: six figures of an app, by time (RFC 6238), and codes that open once where the app is lost. */
import { randomBytes } from 'node:crypto'
import { and, eq, isNull, lt } from 'drizzle-orm'
import { Secret, TOTP } from 'otpauth'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import { Unsealable } from '../database/seal.ts'
import { people, recoveryCodes } from '../database/tables.ts'
import { Problem } from '../problem.ts'
import type { Person } from './accounts.ts'
import { fitsHash } from './passwords.ts'
import { sha256Of } from '../digest.ts'

/** The step of RFC 6238, 5.2: what apps expect where nothing else is said. */
export const stepSeconds = 30
/** One step to either side is taken for the way and for a clock a little off (RFC 6238, 5.2 and 6). */
const windowSteps = 1
/** A code of so many steps off is told as a clock that is wrong, and not taken. */
const toldSteps = 20
const codesGiven = 10

export type CodeTold =
  | { readonly is: 'right' }
  /** No code came. */
  | { readonly is: 'asked' }
  | { readonly is: 'wrong' }
  /** It was right, and was taken before. */
  | { readonly is: 'used' }
  /** It is right for another time: by so many seconds, below zero where the clock of the app is behind. */
  | { readonly is: 'clock'; readonly offSeconds: number }

type Who = { readonly studioId: string; readonly personId: string }

const totpOf = (secret: string, label = ''): TOTP =>
  new TOTP({
    issuer: 'Bonitas',
    label,
    algorithm: 'SHA1',
    digits: 6,
    period: stepSeconds,
    secret: Secret.fromBase32(secret),
  })

/** A sealed secret fits its own person alone. */
const about = ({ studioId, personId }: Who): string => `second factor ${studioId} ${personId}`

function opened(database: Database, sealed: string, who: Who): string {
  try {
    return database.seal.open(sealed, about(who))
  } catch (error) {
    if (!(error instanceof Unsealable)) throw error
    throw new Problem(
      500,
      'sealed',
      'Codes of apps cannot be read',
      `${error.message}: whoever runs Bonitas has to give it back. A recovery code still lets you in.`,
    )
  }
}

/** The code of a secret (base32) at a moment. */
export const codeAt = (secret: string, atMs: number): string => totpOf(secret).generate({ timestamp: atMs })

/** How a code stands to a secret now, whatever was taken before: the step it is of, or null. */
function stepOf(secret: string, code: string, nowMs: number, window: number): number | null {
  const delta = totpOf(secret).validate({ token: code, timestamp: nowMs, window })
  return delta === null ? null : Math.floor(nowMs / 1000 / stepSeconds) + delta
}

const asFigures = (code: string): string => code.replace(/\s+/g, '')
const asRecovery = (code: string): string => code.replace(/[\s-]+/g, '').toUpperCase()

/** Takes a code at the door, each once: two that come at the same moment do not both get in. */
export async function takeCode(database: Database, person: Person, code: string, nowMs: number): Promise<CodeTold> {
  if (code.trim() === '') return { is: 'asked' }
  const figures = asFigures(code)
  const { studioId, id: personId } = person
  if (/^\d{6}$/.test(figures) && person.totpSecret !== null) {
    const secret = opened(database, person.totpSecret, { studioId, personId })
    const step = stepOf(secret, figures, nowMs, windowSteps)
    if (step !== null) return { is: (await takeStep(database, { studioId, personId }, step)) ? 'right' : 'used' }
    const far = stepOf(secret, figures, nowMs, toldSteps)
    if (far === null) return { is: 'wrong' }
    return { is: 'clock', offSeconds: (far - Math.floor(nowMs / 1000 / stepSeconds)) * stepSeconds }
  }
  const used = await inTransaction(database, { studio: studioId }, (tx) =>
    tx
      .update(recoveryCodes)
      .set({ usedAt: new Date(nowMs) })
      .where(
        and(
          eq(recoveryCodes.personId, personId),
          eq(recoveryCodes.codeHash, sha256Of(asRecovery(code))),
          isNull(recoveryCodes.usedAt),
        ),
      )
      .returning({ hash: recoveryCodes.codeHash }),
  )
  return { is: used.length > 0 ? 'right' : 'wrong' }
}

async function takeStep(database: Database, { studioId, personId }: Who, step: number): Promise<boolean> {
  const taken = await inTransaction(database, { studio: studioId }, (tx) =>
    tx
      .update(people)
      .set({ totpStep: step })
      .where(and(eq(people.id, personId), lt(people.totpStep, step)))
      .returning({ id: people.id }),
  )
  return taken.length > 0
}

const personIn = async (tx: Transaction, personId: string): Promise<Person | undefined> =>
  (await tx.select().from(people).where(eq(people.id, personId)))[0]

/** Is it their password? Asked again before anything of the second factor changes. */
export async function isTheirs(
  database: Database,
  { studioId, personId }: Who,
  password: string,
): Promise<Person | null> {
  const person = await inTransaction(database, { studio: studioId }, (tx) => personIn(tx, personId))
  return person && (await fitsHash(person.passwordHash, password)) ? person : null
}

/** A new secret for an app, not asked for at the door before its first code was right. 'on' where there is one already. */
export async function beginSecondFactor(
  database: Database,
  who: Who,
  password: string,
): Promise<{ readonly secret: string; readonly uri: string } | 'password' | 'on'> {
  const person = await isTheirs(database, who, password)
  if (!person) return 'password'
  const secret = new Secret({ size: 20 }).base32
  const begun = await inTransaction(database, { studio: who.studioId }, (tx) =>
    tx
      .update(people)
      .set({ totpSecret: database.seal.close(secret, about(who)), totpStep: 0 })
      .where(and(eq(people.id, who.personId), eq(people.totpOn, false)))
      .returning({ id: people.id }),
  )
  return begun.length === 0 ? 'on' : { secret, uri: totpOf(secret, person.email).toString() }
}

/** Turns it on by its first code; answers with the codes for when the app is lost, which are told this once. */
export async function confirmSecondFactor(
  database: Database,
  who: Who,
  code: string,
  nowMs: number,
): Promise<CodeTold | { readonly is: 'on'; readonly codes: readonly string[] }> {
  const person = await inTransaction(database, { studio: who.studioId }, (tx) => personIn(tx, who.personId))
  if (!person?.totpSecret || person.totpOn || !/^\d{6}$/.test(asFigures(code))) return { is: 'wrong' }
  const told = await takeCode(database, person, code, nowMs)
  if (told.is !== 'right') return told
  const codes = await inTransaction(database, { studio: who.studioId }, async (tx) => {
    await tx.update(people).set({ totpOn: true }).where(eq(people.id, who.personId))
    return giveCodes(tx, who)
  })
  return { is: 'on', codes }
}

/** Takes it away. */
export const endSecondFactor = async (tx: Transaction, personId: string): Promise<void> => {
  await tx.update(people).set({ totpSecret: null, totpOn: false, totpStep: 0 }).where(eq(people.id, personId))
  await tx.delete(recoveryCodes).where(eq(recoveryCodes.personId, personId))
}

/** Takes one's own away, for one's password. False where that is not right. */
export async function turnOff(database: Database, who: Who, password: string): Promise<boolean> {
  if (!(await isTheirs(database, who, password))) return false
  await inTransaction(database, { studio: who.studioId }, (tx) => endSecondFactor(tx, who.personId))
  return true
}

/** Other recovery codes in place of the former; null where the password is not right, or there is no second factor. */
export async function newCodes(database: Database, who: Who, password: string): Promise<readonly string[] | null> {
  const person = await isTheirs(database, who, password)
  if (!person?.totpOn) return null
  return inTransaction(database, { studio: who.studioId }, (tx) => giveCodes(tx, who))
}

/** 80 random bits each, of which only the hash is kept. */
async function giveCodes(tx: Transaction, { studioId, personId }: Who): Promise<readonly string[]> {
  const codes = Array.from(
    { length: codesGiven },
    () => new Secret({ buffer: new Uint8Array(randomBytes(10)).buffer }).base32,
  )
  await tx.delete(recoveryCodes).where(eq(recoveryCodes.personId, personId))
  await tx
    .insert(recoveryCodes)
    .values(codes.map((code) => ({ studioId, personId, codeHash: sha256Of(code), usedAt: null })))
  return codes.map((code) => code.replace(/(.{4})(?=.)/g, '$1-'))
}

/** How many codes are left for when the app is lost. */
export const codesLeft = async (database: Database, { studioId, personId }: Who): Promise<number> =>
  (
    await inTransaction(database, { studio: studioId }, (tx) =>
      tx
        .select({ hash: recoveryCodes.codeHash })
        .from(recoveryCodes)
        .where(and(eq(recoveryCodes.personId, personId), isNull(recoveryCodes.usedAt))),
    )
  ).length

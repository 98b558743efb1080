/** Passkeys (W3C Web Authentication): a key of a device lets its person in, with no password and no code. */
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server'
import { and, asc, eq, gt, lt } from 'drizzle-orm'
import { inTransaction, type Database, type Transaction } from '../database/connection.ts'
import { challenges, passkeys, people } from '../database/tables.ts'
import type { Person, SignedIn } from './accounts.ts'
import { sha256Of } from '../digest.ts'

/** Where a browser is: a passkey is for one name, and for the address it was made at. */
export type At = { readonly name: string; readonly origin: string }
export type Passkey = {
  readonly id: string
  readonly name: string
  readonly madeAt: string
  readonly lastUsedAt: string | null
}

const challengeMs = 5 * 60_000
/** Keeps a challenge for a few minutes: it is answered once. */
async function keep(database: Database, challenge: string, nowMs: number): Promise<void> {
  await inTransaction(database, { sweep: 'yes' }, async (tx) => {
    await tx.delete(challenges).where(lt(challenges.expiresAt, new Date(nowMs)))
    await tx.insert(challenges).values({ hash: sha256Of(challenge), expiresAt: new Date(nowMs + challengeMs) })
  })
}
const take = async (tx: Transaction, challenge: string, nowMs: number): Promise<boolean> =>
  (
    await tx
      .delete(challenges)
      .where(and(eq(challenges.hash, sha256Of(challenge)), gt(challenges.expiresAt, new Date(nowMs))))
      .returning({ hash: challenges.hash })
  ).length > 0
const taken = (database: Database, nowMs: number) => (challenge: string) =>
  inTransaction(database, { link: sha256Of(challenge) }, (tx) => take(tx, challenge, nowMs))

export const passkeysOf = (database: Database, { studioId, personId }: SignedIn): Promise<Passkey[]> =>
  inTransaction(database, { studio: studioId }, async (tx) => {
    const all = await tx.select().from(passkeys).where(eq(passkeys.personId, personId)).orderBy(asc(passkeys.madeAt))
    return all.map(({ id, name, madeAt, lastUsedAt }) => ({
      id,
      name,
      madeAt: madeAt.toISOString(),
      lastUsedAt: lastUsedAt?.toISOString() ?? null,
    }))
  })

/** What a device is asked to make a key from. */
export async function offerKey(
  database: Database,
  who: SignedIn,
  at: At,
  nowMs: number,
): Promise<PublicKeyCredentialCreationOptionsJSON> {
  const known = await passkeysOf(database, who)
  const options = await generateRegistrationOptions({
    rpName: 'Bonitas',
    rpID: at.name,
    userName: who.email,
    userDisplayName: who.name,
    userID: new TextEncoder().encode(who.personId),
    attestationType: 'none',
    excludeCredentials: known.map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  })
  await keep(database, options.challenge, nowMs)
  return options
}

/** Keeps the key that a device made; false where its answer is not to what was asked. */
export async function keepKey(
  database: Database,
  { studioId, personId }: SignedIn,
  at: At,
  { response, name }: { readonly response: RegistrationResponseJSON; readonly name: string },
  nowMs: number,
): Promise<boolean> {
  const verified = await verifyRegistrationResponse({
    response,
    expectedChallenge: taken(database, nowMs),
    expectedOrigin: at.origin,
    expectedRPID: at.name,
    requireUserVerification: true,
  }).catch(() => null)
  if (!verified?.verified) return false
  const { id, publicKey, counter } = verified.registrationInfo.credential
  await inTransaction(database, { studio: studioId }, (tx) =>
    tx.insert(passkeys).values({
      studioId,
      personId,
      id,
      publicKey: Buffer.from(publicKey),
      counter,
      name,
      madeAt: new Date(nowMs),
      lastUsedAt: null,
    }),
  )
  return true
}

export const forgetKey = async (database: Database, { studioId, personId }: SignedIn, id: string): Promise<boolean> =>
  (
    await inTransaction(database, { studio: studioId }, (tx) =>
      tx
        .delete(passkeys)
        .where(and(eq(passkeys.personId, personId), eq(passkeys.id, id)))
        .returning({ id: passkeys.id }),
    )
  ).length > 0

/** What a device is asked at the door: whoever it knows may answer. */
export async function askKey(
  database: Database,
  at: At,
  nowMs: number,
): Promise<PublicKeyCredentialRequestOptionsJSON> {
  const options = await generateAuthenticationOptions({ rpID: at.name, userVerification: 'required' })
  await keep(database, options.challenge, nowMs)
  return options
}

/** Whose key answered; null where it is nobody's here, was answered before, or its counter went back as that of a copy would. */
export async function whoseKey(
  database: Database,
  at: At,
  response: AuthenticationResponseJSON,
  nowMs: number,
): Promise<Person | null> {
  const [key] = await inTransaction(database, { link: response.id }, (tx) =>
    tx.select().from(passkeys).where(eq(passkeys.id, response.id)),
  )
  if (!key) return null
  const verified = await verifyAuthenticationResponse({
    response,
    expectedChallenge: taken(database, nowMs),
    expectedOrigin: at.origin,
    expectedRPID: at.name,
    credential: { id: key.id, publicKey: new Uint8Array(key.publicKey), counter: key.counter },
    requireUserVerification: true,
  }).catch(() => null)
  if (!verified?.verified) return null
  const { newCounter } = verified.authenticationInfo
  return inTransaction(database, { studio: key.studioId }, async (tx) => {
    await tx
      .update(passkeys)
      .set({ counter: newCounter, lastUsedAt: new Date(nowMs) })
      .where(eq(passkeys.id, key.id))
    const [person] = await tx.select().from(people).where(eq(people.id, key.personId))
    return person && person.removedAt === null ? person : null
  })
}

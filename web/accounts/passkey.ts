/** Passkeys in this browser: whether there are any here, and a key of the device asked to answer. */
import { browserSupportsWebAuthn, startAuthentication, startRegistration } from '@simplewebauthn/browser'
import { request } from '../api.ts'
import type { Person } from '../stores/session.ts'

type AuthenticationOptions = Parameters<typeof startAuthentication>[0]['optionsJSON']
type RegistrationOptions = Parameters<typeof startRegistration>[0]['optionsJSON']
export type Passkey = {
  readonly id: string
  readonly name: string
  readonly madeAt: string
  readonly lastUsedAt: string | null
}

/** A passkey is for a name: at an address in figures there are none. */
export const hasPasskeys = (): boolean => browserSupportsWebAuthn() && !/^[\d.]+$|:/.test(location.hostname)

/** The device refused, or whoever sat there: what is said of it. */
export class KeyRefused extends Error {}
const orRefused = async <T>(work: Promise<T>): Promise<T> => {
  try {
    return await work
  } catch {
    throw new KeyRefused('The device gave no key: nothing was changed.')
  }
}

export async function enterByKey(): Promise<Person> {
  const optionsJSON = await request<AuthenticationOptions>('POST', '/session/passkey/options', {})
  return request<Person>('POST', '/session/passkey', {
    response: await orRefused(startAuthentication({ optionsJSON })),
  })
}

export async function makeKey(password: string, name: string): Promise<Passkey[]> {
  const optionsJSON = await request<RegistrationOptions>('POST', '/passkeys/options', { password })
  return request<Passkey[]>('POST', '/passkeys', {
    name,
    response: await orRefused(startRegistration({ optionsJSON })),
  })
}

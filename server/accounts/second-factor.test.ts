/** The second factor against RFC 6238: its published vectors, an independent implementation, and what it asks of a verifier. */
import { createHmac } from 'node:crypto'
import fc from 'fast-check'
import { generateSync } from 'otplib'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { inTransaction } from '../database/connection.ts'
import { helper, password, person, serve, serveAt, type Served, type Speaker } from '../testing/studio.ts'
import { codeAt } from './second-factor.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())

const base32 = (bytes: Uint8Array): string => {
  const alphabet = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567' // RFC 4648, 6
  const bits = [...bytes].map((byte) => byte.toString(2).padStart(8, '0')).join('')
  return (bits.match(/.{1,5}/g) ?? []).map((five) => alphabet[Number.parseInt(five.padEnd(5, '0'), 2)]).join('')
}
/** RFC 4226, 5.3 and RFC 6238, 4.2, written out here from their text. */
function plainTotp(secret: Uint8Array, atMs: number, digits: number): string {
  const counter = Buffer.alloc(8)
  counter.writeBigUInt64BE(BigInt(Math.floor(atMs / 30_000)))
  const mac = createHmac('sha1', secret).update(counter).digest()
  const offset = (mac[19] ?? 0) & 15
  return String((mac.readUInt32BE(offset) & 0x7fffffff) % 10 ** digits).padStart(digits, '0')
}

describe('a code', () => {
  // RFC 6238, appendix B, SHA1: eight digits; ours are the last six of them, as RFC 4226, 5.3 takes them modulo 10^digits
  it.each([
    [59, '94287082'],
    [1_111_111_109, '07081804'],
    [1_111_111_111, '14050471'],
    [1_234_567_890, '89005924'],
    [2_000_000_000, '69279037'],
    [20_000_000_000, '65353130'],
  ])('at %i s is that of RFC 6238, appendix B', (seconds, expected) => {
    const secret = Buffer.from('12345678901234567890')
    expect(plainTotp(secret, seconds * 1000, 8)).toBe(expected)
    expect(codeAt(base32(secret), seconds * 1000)).toBe(expected.slice(-6))
  })
  it('is what two other implementations make of any secret at any moment', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ minLength: 20, maxLength: 20 }),
        fc.integer({ min: 0, max: 4_000_000_000 }),
        (bytes, seconds) => {
          const secret = base32(bytes)
          const code = codeAt(secret, seconds * 1000)
          expect(code).toBe(plainTotp(bytes, seconds * 1000, 6))
          expect(code).toBe(generateSync({ secret, epoch: seconds }))
        },
      ),
      { numRuns: 60 },
    )
  })
})

const post = (who: Speaker, path: string, body: object) => who.post(path, body)
async function withFactor(who: Speaker): Promise<{ secret: string; codes: readonly string[] }> {
  const begun = await post(who, '/second-factor', { password })
  expect(begun.status).toBe(201)
  const { secret, uri } = begun.body as { secret: string; uri: string }
  expect(new URL(uri).searchParams.get('secret')).toBe(secret)
  const confirmed = await post(who, '/second-factor/confirm', { code: codeAt(secret, served.clock.time) })
  expect(confirmed.status).toBe(200)
  served.clock.time += 30_000
  return { secret, codes: (confirmed.body as { codes: string[] }).codes }
}
const signIn = (email: string, code?: string, said = password) =>
  request(served.application)
    .post('/api/session')
    .send({ email, password: said, ...(code === undefined ? {} : { code }) })

describe('at the door', () => {
  it('a code is asked for after the password, and each opens once', async () => {
    const who = await person(served)
    const { secret } = await withFactor(who)
    expect((await signIn(who.email)).body).toMatchObject({ status: 401, type: 'urn:bonitas:problem:code' })
    expect((await signIn(who.email, undefined, 'a wrong password')).body.type).toBe('urn:bonitas:problem:wrong')
    const code = codeAt(secret, served.clock.time)
    expect((await signIn(who.email, code, 'a wrong password')).status).toBe(401)
    expect((await signIn(who.email, code)).body).toMatchObject({ hasSecondFactor: true })
    expect((await signIn(who.email, code)).body.detail).toMatch(/used already/)
    expect(
      (await signIn(who.email, ` ${codeAt(secret, served.clock.time + 30_000).replace(/(...)/, '$1 ')} `)).status,
    ).toBe(200)
  })
  it('two with one code at the same moment: one comes in', async () => {
    const who = await person(served)
    const { secret } = await withFactor(who)
    const code = codeAt(secret, served.clock.time)
    const answers = await Promise.all(Array.from({ length: 6 }, () => signIn(who.email, code)))
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1)
  })
  it('a clock one step off is let in, one that is a minute off or more is told so, and a wrong code is only wrong', async () => {
    const who = await person(served)
    const { secret } = await withFactor(who)
    served.clock.time += 300_000
    const off = (ms: number) => signIn(who.email, codeAt(secret, served.clock.time + ms))
    expect((await off(-60_000)).body.detail).toMatch(/about a minute behind/)
    expect((await off(60_000)).body.detail).toMatch(/about a minute ahead/)
    expect((await off(240_000)).body.detail).toMatch(/4 minutes ahead/)
    expect((await off(3_600_000)).body.detail).toMatch(/is not right/)
    expect((await off(-30_000)).status).toBe(200)
  })
  it('a recovery code opens once, however it is typed; others in their place end them', async () => {
    const who = await person(served)
    const { codes } = await withFactor(who)
    expect(codes).toHaveLength(10)
    expect(new Set(codes).size).toBe(10)
    const [first = '', second = ''] = codes
    expect((await signIn(who.email, first.toLowerCase().replaceAll('-', ' '))).status).toBe(200)
    expect((await signIn(who.email, first)).status).toBe(401)
    expect((await who.get('/second-factor')).body).toEqual({ on: true, codesLeft: 9 })
    expect((await post(who, '/second-factor/codes', { password })).body.codes).toHaveLength(10)
    expect((await signIn(who.email, second)).status).toBe(401)
  })
  it('it is not asked for before its first code was right, and off only for the password', async () => {
    const who = await person(served)
    expect((await post(who, '/second-factor', { password: 'a wrong password' })).status).toBe(403)
    expect((await post(who, '/second-factor', { password })).status).toBe(201)
    expect((await post(who, '/second-factor/confirm', { code: '000000' })).status).toBe(422)
    expect((await signIn(who.email)).status).toBe(200)
    const { secret } = await withFactor(who)
    expect((await post(who, '/second-factor', { password })).status).toBe(409)
    expect((await post(who, '/second-factor/off', { password: 'a wrong password' })).status).toBe(403)
    expect((await signIn(who.email)).status).toBe(401)
    expect((await post(who, '/second-factor/off', { password })).status).toBe(204)
    expect((await signIn(who.email)).status).toBe(200)
    expect(secret).toMatch(/^[A-Z2-7]{32}$/) // 160 bits: RFC 4226, 4, R6 recommends so many
  })
  it('an owner takes it from somebody who lost it; nobody else does', async () => {
    const owner = await person(served)
    const [member, second] = [await helper(served, owner), await helper(served, owner)]
    await withFactor(second)
    expect((await post(member, `/people/${second.personId}/second-factor-off`, {})).status).toBe(403)
    expect((await signIn(second.email)).status).toBe(401)
    expect((await post(owner, `/people/${second.personId}/second-factor-off`, {})).status).toBe(204)
    expect((await signIn(second.email)).status).toBe(200)
  })
  it('lies sealed in the database, and where the key is gone a recovery code still opens', async () => {
    const sealed = await serve(inject('postgres'), { sealKey: 'a key of more than thirty-two characters' })
    const who = await person(sealed)
    const { secret } = (await who.post('/second-factor', { password })).body as { secret: string }
    const { codes } = (await who.post('/second-factor/confirm', { code: codeAt(secret, sealed.clock.time) })).body as {
      codes: string[]
    }
    const { rows } = await inTransaction(sealed.database, { studio: who.studioId }, (tx) =>
      tx.execute<{ secret: string }>('select totp_secret as secret from people'),
    )
    expect(rows[0]?.secret).toMatch(/^sealed\./)
    expect(rows[0]?.secret).not.toContain(secret)
    const signInAt = (at: Pick<Served, 'application'>, code: string) =>
      request(at.application).post('/api/session').send({ email: who.email, password, code })
    sealed.clock.time += 60_000
    expect((await signInAt(sealed, codeAt(secret, sealed.clock.time))).status).toBe(200)
    const keyless = serveAt(sealed.url)
    keyless.clock.time += 120_000
    const refused = await signInAt(keyless, codeAt(secret, keyless.clock.time))
    expect([refused.status, refused.body]).toMatchObject([
      500,
      { detail: expect.stringMatching(/SEAL_KEY is not set/) },
    ])
    expect((await signInAt(keyless, codes[0] ?? '')).status).toBe(200)
    await keyless.close()
    await sealed.close()
  })
})

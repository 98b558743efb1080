/** Invitations and ways to another password: once, for a time, for one address, and told nowhere else. */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it, vi } from 'vitest'
import { inTransaction } from '../database/connection.ts'
import { letters, tickets } from '../database/tables.ts'
import { helper, password, person, serve, tokenOf, type Served, type Speaker } from '../testing/studio.ts'

const another = 'seven ferns under rain'
const hourMs = 3_600_000
let served: Served
const outbox = mkdtempSync(join(tmpdir(), 'bonitas-outbox-'))
beforeAll(async () => {
  served = await serve(inject('postgres'), { outbox })
})
afterAll(async () => {
  await served.close()
  rmSync(outbox, { recursive: true })
})
const post = (path: string, body: object) => request(served.application).post(`/api${path}`).send(body)
const invite = async (
  owner: Speaker,
  email = `${uuidv7()}@test.example`,
): Promise<{ email: string; token: string }> => {
  expect((await owner.post('/invitations', { email, role: 'member', seesCosts: true })).status).toBe(201)
  return { email, token: await tokenOf(owner) }
}
const take = (token: string, fields: object = {}) => post('/join', { token, name: 'New Hand', password, ...fields })
const signIn = (email: string, said: string) => post('/session', { email, password: said })
/** The token of the newest way to another password: written after its answer. */
async function resetToken(owner: Speaker, email: string, former = ''): Promise<string> {
  const found = await vi.waitFor(async () => {
    const all = (await owner.get('/letters')).body as { forWhom: string; opens: string | null; subject: string }[]
    const letter = all.find(({ forWhom, opens }) => forWhom === email && opens?.startsWith('/another-password#'))
    const token = letter?.opens?.split('#')[1] ?? former
    if (token === former) throw new Error('no letter yet')
    return token
  })
  return found
}

describe('an invitation', () => {
  it('says where it leads, lets one person in, and opens nothing more', async () => {
    const owner = await person(served)
    const { email, token } = await invite(owner)
    expect((await post('/join/look', { token })).body).toEqual({ studioName: 'A studio', email, role: 'Member' })
    expect((await take(token)).body).toEqual({ email })
    expect((await signIn(email, password)).body).toMatchObject({
      studioId: owner.studioId,
      role: 'member',
      name: 'New Hand',
    })
    expect((await take(token, { name: 'Somebody else' })).body).toMatchObject({
      status: 409,
      detail: /taken up already/ as never,
    })
    expect((await owner.get('/invitations')).body).toEqual([])
  })
  it('opened by two at once lets in one, with one answer each', async () => {
    const owner = await person(served)
    const { token } = await invite(owner)
    const answers = await Promise.all([
      take(token, { name: 'First' }),
      take(token, { name: 'Second' }),
      take(token, { name: 'Third' }),
    ])
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409, 409])
    expect((await owner.get('/people')).body).toHaveLength(2)
  })
  it('runs out, is taken back, and gives way to a newer one', async () => {
    const owner = await person(served)
    const over = await invite(owner)
    served.clock.time += 15 * 24 * hourMs
    expect((await take(over.token)).status).toBe(410)
    served.clock.time -= 15 * 24 * hourMs
    const first = await invite(owner)
    const second = await invite(owner, first.email)
    expect((await take(first.token)).status).toBe(404)
    const all = (await owner.get('/invitations')).body as { id: string; email: string }[]
    const open = all.find(({ email }) => email === second.email)
    expect(all.filter(({ email }) => email === second.email)).toHaveLength(1)
    expect(
      (
        await request(served.application)
          .delete(`/api/invitations/${open?.id ?? ''}`)
          .set('cookie', owner.cookie)
      ).status,
    ).toBe(204)
    expect((await take(second.token)).status).toBe(404)
    expect(
      (
        await request(served.application)
          .delete(`/api/invitations/${open?.id ?? ''}`)
          .set('cookie', owner.cookie)
      ).status,
    ).toBe(404)
  })
  it('is not written to who is here, and a weak password leaves it open', async () => {
    const owner = await person(served)
    expect(
      (await owner.post('/invitations', { email: owner.email, role: 'member', seesCosts: true })).body,
    ).toMatchObject({ status: 409, faults: [{ field: 'email' }] })
    const { token } = await invite(owner)
    expect((await take(token, { password: 'passwordpassword' })).body.faults).toMatchObject([{ field: 'password' }])
    expect((await take(token)).status).toBe(201)
  })
})

describe('another password', () => {
  it('is set by a letter once, ends every session, and the former one opens nothing', async () => {
    const owner = await person(served)
    const second = await helper(served, owner)
    expect((await post('/resets', { email: second.email })).body).toEqual({ asked: true })
    const token = await resetToken(owner, second.email)
    expect((await post('/resets/use', { token, password: 'short' })).status).toBe(422)
    expect((await post('/resets/use', { token, password: another })).body).toEqual({ email: second.email })
    expect((await second.get('/day')).status).toBe(401)
    expect([(await signIn(second.email, password)).status, (await signIn(second.email, another)).status]).toEqual([
      401, 200,
    ])
    expect((await post('/resets/use', { token, password: 'other words of mine' })).status).toBe(409)
  })
  it('is answered alike for an address that is nobody’s, and no letter is written', async () => {
    const owner = await person(served)
    const count = async () => ((await owner.get('/letters')).body as unknown[]).length
    const before = await count()
    const [nobody, somebody] = [
      await post('/resets', { email: 'nobody@test.example' }),
      await post('/resets', { email: owner.email }),
    ]
    expect([nobody.status, nobody.text]).toEqual([somebody.status, somebody.text])
    await vi.waitFor(async () => expect(await count()).toBe(before + 1))
  })
  it('runs out in an hour, and a newer letter shuts the older', async () => {
    const owner = await person(served)
    const { email } = await helper(served, owner)
    await post('/resets', { email })
    const first = await resetToken(owner, email)
    await post('/resets', { email })
    const second = await resetToken(owner, email, first)
    expect((await post('/resets/look', { token: first })).status).toBe(404)
    served.clock.time += hourMs
    expect((await post('/resets/use', { token: second, password: another })).status).toBe(410)
    served.clock.time -= hourMs
  })
  it('of an owner is in no outbox, where another owner could take it: only among the files of the machine', async () => {
    const owner = await person(served)
    const before = new Set(readdirSync(outbox))
    await post('/resets', { email: owner.email })
    const file = await vi.waitFor(() => {
      const found = readdirSync(outbox).find((name) => !before.has(name))
      if (!found) throw new Error('no file yet')
      return found
    })
    const all = (await owner.get('/letters')).body as { subject: string; opens: string | null }[]
    expect(all.filter(({ subject }) => /password/.test(subject)).map(({ opens }) => opens)).toEqual([null])
    const token = /another-password#([\w-]+)/.exec(readFileSync(join(outbox, file), 'utf8'))?.[1]
    expect((await post('/resets/use', { token, password: another })).status).toBe(200)
    expect((await signIn(owner.email, another)).status).toBe(200)
  })
})

describe('a token', () => {
  it('has 256 bits, is kept as a hash, and goes out of its letter when it is used', async () => {
    const owner = await person(served)
    const all = await Promise.all(Array.from({ length: 8 }, () => invite(owner)))
    const { token } = await invite(owner)
    expect(Buffer.from(token, 'base64url')).toHaveLength(32)
    expect(new Set(all.map((made) => made.token)).size).toBeGreaterThan(0)
    const rows = await inTransaction(served.database, { studio: owner.studioId }, (tx) => tx.select().from(tickets))
    expect(JSON.stringify(rows)).not.toContain(token)
    await take(token)
    const kept = await inTransaction(served.database, { studio: owner.studioId }, (tx) => tx.select().from(letters))
    expect(JSON.stringify(kept)).not.toContain(token)
  })
  it.each(['', 'x', 'a'.repeat(43), '../../etc/passwd', 7, null])('that is %s opens nothing', async (token) => {
    const answer = await post('/join', { token, name: 'x', password })
    expect([404, 422]).toContain(answer.status)
    expect(answer.body.detail).not.toContain('etc')
  })
  it('opens nothing that it is not for', async () => {
    const owner = await person(served)
    const { token } = await invite(owner)
    expect((await post('/resets/use', { token, password: another })).status).toBe(404)
    expect((await take(token)).status).toBe(201)
  })
  it('of another studio’s letters is seen by nobody else', async () => {
    const [owner, stranger] = [await person(served), await person(served)]
    const member = await helper(served, owner)
    await invite(owner)
    expect((await stranger.get('/letters')).body).toEqual([])
    expect((await member.get('/letters')).body).toEqual([])
  })
})

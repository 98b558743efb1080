import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { add } from '#core/makeover/change.ts'
import { inTransaction } from '../database/connection.ts'
import { people, sessions } from '../database/tables.ts'
import { helper, makeover, password, person, serve, type Served } from '../testing/studio.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())
const signIn = (email: string, password: string) =>
  request(served.application).post('/api/session').send({ email, password })
const newStudio = (fields: object = {}) =>
  request(served.application)
    .post('/api/studios')
    .send({
      studioName: 'A studio',
      timeZone: 'UTC',
      name: 'A person',
      email: `${uuidv7()}@test.example`,
      password: 'a long enough password',
      ...fields,
    })

describe('signing in', () => {
  it('gives a cookie that scripts cannot read and other sites cannot send', async () => {
    const { email } = await person(served)
    const answer = await signIn(email.toUpperCase(), 'a long enough password')
    expect(answer.status).toBe(200)
    const [session, device] = answer.headers['set-cookie'] as unknown as string[]
    expect(session).toMatch(/^bonitas_session=[\w-]{43}; Max-Age=1209600; Path=\/; HttpOnly; SameSite=Strict$/)
    expect(device).toMatch(
      /^bonitas_device=\d+\.[\w-]{12}\.[\w-]{43}; Max-Age=15552000; Path=\/; HttpOnly; SameSite=Strict$/,
    )
  })
  it('keeps passwords as argon2id and of tokens only a hash', async () => {
    const who = await person(served)
    const token = /bonitas_session=([\w-]+)/.exec(who.cookie)?.[1] ?? ''
    const [row] = await inTransaction(served.database, { studio: who.studioId }, (tx) => tx.select().from(people))
    expect(row?.passwordHash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
    const kept = await inTransaction(served.database, { studio: who.studioId }, (tx) => tx.select().from(sessions))
    expect(kept).toHaveLength(1)
    expect(JSON.stringify(kept)).not.toContain(token)
  })
  it('answers a wrong password and an unknown email alike', async () => {
    const { email } = await person(served)
    const [wrong, unknown] = [
      await signIn(email, 'another password'),
      await signIn('nobody@test.example', 'another password'),
    ]
    expect([wrong.status, unknown.status]).toEqual([401, 401])
    expect(wrong.body).toEqual(unknown.body)
  })
  it('makes a new token each time, and signing out ends that one alone', async () => {
    const who = await person(served)
    const again = await signIn(who.email, 'a long enough password')
    const cookie = String(again.headers['set-cookie']).split(';')[0] ?? ''
    expect(cookie).not.toBe(who.cookie)
    await request(served.application).delete('/api/session').set('cookie', cookie)
    expect((await request(served.application).get('/api/day').set('cookie', cookie)).status).toBe(401)
    expect((await who.get('/day')).status).toBe(200)
  })
  it('runs out after fourteen days', async () => {
    const who = await person(served)
    const day = 86_400_000
    served.clock.time += 14 * day - 1000
    expect((await who.get('/day')).status).toBe(200)
    served.clock.time += 2000
    expect((await who.get('/day')).status).toBe(401)
    served.clock.time -= 14 * day + 1000
  })
  it('renews the session: the one that the browser came with opens nothing any more', async () => {
    const who = await person(served)
    const again = await request(served.application)
      .post('/api/session')
      .set('cookie', who.cookie)
      .send({ email: who.email, password })
    expect(again.status).toBe(200)
    expect((await who.get('/day')).status).toBe(401)
  })
  it('is held back after too many failures from one address, whatever account is tried', async () => {
    const strict = await serve(inject('postgres'), { failedSignIns: 3 })
    const attempt = (at: number) =>
      request(strict.application)
        .post('/api/session')
        .send({ email: `${at}@test.example`, password: 'x' })
    const answers = [await attempt(1), await attempt(2), await attempt(3), await attempt(4)]
    expect(answers.map((answer) => answer.status)).toEqual([401, 401, 401, 429])
    expect(answers[3]?.body).toMatchObject({ status: 429, detail: expect.stringMatching(/quarter of an hour/) })
    await strict.close()
  })
  it('is held back on one account from many addresses, and its owner still comes in where they came in before', async () => {
    const strict = await serve(inject('postgres'), { failedSignIns: 8, trustProxy: 1 })
    const owner = await person(strict)
    const askFrom = (address: number, secret: string, cookie = '') =>
      request(strict.application)
        .post('/api/session')
        .set('x-forwarded-for', `203.0.113.${address}`)
        .set('cookie', cookie)
        .send({ email: owner.email, password: secret })
    const guesses = []
    for (let address = 1; address <= 6; address++)
      guesses.push((await askFrom(address, 'a guess of a password')).status)
    expect(guesses).toEqual([401, 401, 401, 401, 429, 429])
    expect((await askFrom(7, password)).status).toBe(429) // not even with the right one, from a browser that nobody knows
    expect((await askFrom(7, password, owner.cookie)).status).toBe(200)
    // a mark that was made up, or made for another account, is no mark
    const stranger = await person(strict)
    expect((await askFrom(8, password, stranger.cookie)).status).toBe(429)
    expect((await askFrom(9, password, 'bonitas_device=99999.aaaaaaaaaaaa.bbbb')).status).toBe(429)
    await strict.close()
  })
})

describe('the people of a studio', () => {
  it('let each other in, and see the same makeovers', async () => {
    const [entry, stranger] = [await person(served), await person(served)]
    const world = await makeover(entry)
    const second = await helper(served, entry, 'Second Hand')
    expect(second.studioId).toBe(entry.studioId)
    expect((await second.open(world.ids.makeover)).makeover.id).toBe(world.ids.makeover)
    expect((await entry.get('/people')).body).toMatchObject([
      { id: entry.personId, name: 'A person', email: entry.email, role: 'owner' },
      { id: second.personId, name: 'Second Hand', email: second.email, role: 'member' },
    ])
    expect((await stranger.get('/people')).body).toHaveLength(1)
  })
})

describe('making a studio', () => {
  it.each([
    ['a short password', { password: 'elevenchars' }, 'password', /at least 12/],
    ['no email', { email: 'nobody' }, 'email', /email address/],
    ['a 300-character name', { studioName: 'x'.repeat(300) }, 'studioName', /this has 300/],
    ['no time zone', { timeZone: 'Atlantis/Deep' }, 'timeZone', /time zone/],
    ['a name that is a number', { name: 7 }, 'name', /expected text/],
  ])('%s is answered with where and what', async (_name, fields, field, message) => {
    const answer = await newStudio(fields)
    expect(answer.status).toBe(422)
    expect((answer.body as { faults: { field: string; message: string }[] }).faults).toEqual([
      { field, message: expect.stringMatching(message) as string },
    ])
  })
  it('with an email that is known says so, even when both come at once', async () => {
    const email = `${uuidv7()}@test.example`
    const answers = await Promise.all([newStudio({ email }), newStudio({ email: email.toUpperCase() })])
    expect(answers.map((answer) => answer.status).sort()).toEqual([201, 409])
  })
})

describe('another studio', () => {
  it('is not found, whatever is asked', async () => {
    const [left, right] = [await person(served), await person(served)]
    const world = await makeover(left)
    const { makeover: id } = world.ids
    const asked = await Promise.all([
      right.get(`/makeovers/${id}`),
      right.get(`/makeovers/${id}/changes`),
      right.change(id, [add('room', uuidv7(), { uses: '', name: 'x' })]),
      right.get(`/makeovers/${uuidv7()}`),
      right.get('/makeovers/nothing'),
    ])
    expect(asked.map((answer) => answer.status)).toEqual([404, 404, 404, 404, 404])
    expect(new Set(asked.map((answer) => JSON.stringify(answer.body))).size).toBe(1)
    expect(((await right.get('/day')).body as { makeovers: unknown[] }).makeovers).toEqual([])
    expect((await left.open(id)).makeover.rev).toBe(1)
  })
  it('cannot be reached through a seller of it', async () => {
    const [left, right] = [await person(served), await person(served)]
    const theirs = await makeover(left)
    const mine = await makeover(right)
    const piece = uuidv7()
    const answer = await right.change(mine.ids.makeover, [
      { op: 'put', kind: 'seller', id: theirs.ids.seller, base: theirs.ids.seller, fields: { name: 'Mine now' } },
      add('room', piece, { uses: '', name: 'x' }),
    ])
    expect(answer.status).toBe(409)
    expect(answer.body).toMatchObject({ conflicts: [{ current: null }] })
  })
  it.each(['/day', `/makeovers/${uuidv7()}`])('and nobody who is not signed in is let in to %s', async (path) => {
    expect((await request(served.application).get(`/api${path}`)).status).toBe(401)
    expect((await request(served.application).get(`/api${path}`).set('cookie', 'bonitas_session=made-up')).status).toBe(
      401,
    )
  })
  it('of the web cannot act for somebody signed in', async () => {
    const who = await person(served)
    const foreign = await request(served.application)
      .post('/api/studios')
      .set('cookie', who.cookie)
      .set('sec-fetch-site', 'cross-site')
      .send({})
    expect(foreign.status).toBe(403)
    const form = await request(served.application)
      .post('/api/session')
      .set('content-type', 'text/plain')
      .send('{"email":"a","password":"b"}')
    expect(form.status).toBe(415)
  })
})

describe('the day page', () => {
  it('lists what each makeover comes to, and reckons anew on another day', async () => {
    const who = await person(served)
    const world = await makeover(who)
    const day = async () =>
      (await who.get('/day')).body as {
        today: string
        makeovers: { id: string; clients: string[]; line: Record<string, unknown> }[]
      }
    expect(await day()).toMatchObject({
      today: '2027-03-01',
      makeovers: [{ id: world.ids.makeover, clients: ['A client'], line: { agreed: 6_000_00, paid: 0, signed: true } }],
    })
    served.clock.time += 86_400_000
    expect(await day()).toMatchObject({ today: '2027-03-02', makeovers: [{ id: world.ids.makeover }] })
    served.clock.time -= 86_400_000
  })
})

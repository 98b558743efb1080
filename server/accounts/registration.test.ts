import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { password, person, serve, tokenOf, type Served } from '../testing/studio.ts'

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

describe('an email', () => {
  it('tells nobody whether another studio knows it', async () => {
    const [owner, stranger] = [await person(served), await person(served)]
    const secret = 'four herons over slate'
    const letIn = async (email: string) => {
      await owner.post('/invitations', { email, role: 'member', seesCosts: true })
      const token = await tokenOf(owner)
      return request(served.application).post('/api/join').send({ token, name: 'A helper', password: secret })
    }
    const answers = [
      await letIn(stranger.email),
      await letIn(`${uuidv7()}@test.example`),
      await newStudio({ email: stranger.email, password: 'seven ferns under rain' }),
      await newStudio({ password: secret }),
    ]
    expect(answers.map((answer) => answer.status)).toEqual([201, 201, 201, 201])
    // each password opens its own
    expect((await signIn(stranger.email, password)).body).toMatchObject({ studioId: stranger.studioId })
    expect((await signIn(stranger.email, secret)).body).toMatchObject({ studioId: owner.studioId })
    // which a password opens is never in doubt
    expect((await newStudio({ email: stranger.email, password: secret })).status).toBe(409)
    expect((await newStudio({ email: stranger.email })).status).toBe(409)
  })
  it('of 100 000 letters is refused at once', async () => {
    const start = performance.now()
    const answer = await newStudio({ email: `a@${'a.'.repeat(64_000)}@` })
    expect(answer.status).toBe(422)
    expect(performance.now() - start).toBeLessThan(2000) // it took 18 s where a pattern went back and forth
  })
})

describe('a password', () => {
  it.each([
    ['twelve blanks', ' '.repeat(12)],
    ['the email', 'somebody@test.example'],
    ['a row of keys', 'qwertyuiop12'],
    ['one word twice', 'passwordpassword'],
    ['digits in their order', '123456789012'],
    ['the name of the studio', 'Heron and Larch'],
  ])('that is %s is refused', async (_name, weak) => {
    const answer = await newStudio({ email: 'somebody@test.example', studioName: 'Heron and Larch', password: weak })
    expect(answer.body).toMatchObject({
      status: 422,
      faults: [{ field: 'password', message: expect.stringMatching(/guessed/) }],
    })
  })
})

describe('who may make a studio', () => {
  it('is whoever comes first, where the installation says so', async () => {
    const own = await serve(inject('postgres'), { registration: 'first' })
    const asked = async () => (await request(own.application).get('/api/registration')).body as unknown
    expect(await asked()).toEqual({ open: true })
    await person(own)
    expect(await asked()).toEqual({ open: false })
    await expect(person(own)).rejects.toThrow(/not made here by whoever comes/)
    await own.close()
  })
  it('is counted by address, whether it comes to anything or not', async () => {
    const own = await serve(inject('postgres'), { failedSignIns: 2 })
    await person(own)
    await person(own)
    await expect(person(own)).rejects.toThrow(/Too many studios/)
    await own.close()
  })
  it('and an attacker at the same address locks out no browser that is known', async () => {
    const own = await serve(inject('postgres'), { failedSignIns: 4 })
    const owner = await person(own)
    for (let tries = 0; tries < 6; tries++)
      await request(own.application)
        .post('/api/session')
        .send({ email: `${tries}@test.example`, password: 'a guess' })
    const again = (cookie: string) =>
      request(own.application).post('/api/session').set('cookie', cookie).send({ email: owner.email, password })
    expect((await again('')).status).toBe(429)
    expect((await again(owner.cookie)).status).toBe(200)
    await own.close()
  })
})

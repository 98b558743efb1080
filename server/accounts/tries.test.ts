/** Tries are counted once for all processes, and forgotten after a quarter of an hour. */
import pg from 'pg'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it, vi } from 'vitest'
import { password, person, serve, serveAt, type Served } from '../testing/studio.ts'
import { forgetTries, quarterMs } from './tries.ts'

const failedSignIns = 6
let served: Served
let beside: ReturnType<typeof serveAt>
beforeAll(async () => {
  served = await serve(inject('postgres'), { failedSignIns })
  beside = serveAt(served.url, { failedSignIns })
})
afterAll(async () => {
  await beside.close()
  await served.close()
})

const signIn = async (at: Pick<Served, 'application'>, email: string, tried: string): Promise<number> =>
  (await request(at.application).post('/api/session').send({ email, password: tried })).status
async function rows(): Promise<{ hash: string; count: number }[]> {
  const client = new pg.Client({ connectionString: served.url })
  await client.connect()
  try {
    return (await client.query<{ hash: string; count: number }>('select hash, count from tries')).rows
  } finally {
    await client.end()
  }
}

describe('failed tries', () => {
  it('at one process are counted at every other, and in no name that could be read', async () => {
    const who = await person(served)
    const wrong = 'not the password of it'
    // three on one account is half of what one address may
    const answers = [
      await signIn(served, who.email, wrong),
      await signIn(beside, who.email, wrong),
      await signIn(served, who.email, wrong),
    ]
    expect(answers).toEqual([401, 401, 401])
    expect([await signIn(beside, who.email, wrong), await signIn(served, who.email, password)]).toEqual([429, 429])
    expect(JSON.stringify(await rows())).not.toContain(who.email)
    for (const at of [served, beside]) at.clock.time += quarterMs + 1000
    expect(await signIn(beside, who.email, password)).toBe(200)
    expect(await signIn(served, who.email, wrong)).toBe(401)
  })
  it('are what is counted: whoever signs in as often as they like is not held back', async () => {
    for (const at of [served, beside]) at.clock.time += quarterMs + 1000
    const who = await person(served)
    for (let time = 0; time < 3 * failedSignIns; time++) {
      expect(await signIn(time % 2 ? served : beside, who.email, password)).toBe(200)
      // it is taken back after the answer
      await vi.waitFor(async () => expect((await rows()).filter(({ count }) => count > 1)).toEqual([]))
    }
  })
  it('that ran out are cleared away', async () => {
    expect((await rows()).length).toBeGreaterThan(0)
    await forgetTries(served.database, served.clock.time + 2 * quarterMs)
    expect(await rows()).toEqual([])
  })
})

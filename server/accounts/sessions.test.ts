/** One's own browsers and password: seen, signed out at once, changed only by who knows the former one. */
import { once } from 'node:events'
import type { AddressInfo } from 'node:net'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { helper, password, person, serve, type Served } from '../testing/studio.ts'
import { browserFrom, type Session } from './sessions.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())

const firefox = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0'
/** A browser of its own, signed in. */
async function browser(email: string, agent = firefox, secret = password) {
  const answer = await request(served.application)
    .post('/api/session')
    .set('user-agent', agent)
    .send({ email, password: secret })
  const set: unknown = answer.headers['set-cookie']
  const cookie = (Array.isArray(set) ? set : []).map((text) => String(text).split(';')[0]).join('; ')
  const ask = (method: 'get' | 'delete' | 'post', path: string, body?: object) =>
    request(served.application)[method](`/api${path}`).set('cookie', cookie).send(body)
  return {
    status: answer.status,
    cookie,
    sessions: async () => (await ask('get', '/sessions')).body as Session[],
    stands: async () => (await ask('get', '/session')).body !== null,
    ask,
  }
}

describe('browsers', () => {
  it('are listed with what they are, the one that asks marked; no token and no hash of one leaves', async () => {
    const { email } = await person(served)
    const [first, second] = [await browser(email), await browser(email, 'curl/8')]
    const all = await second.sessions()
    expect(all.map((session) => session.browser)).toContain('Firefox on Linux')
    expect(all.filter(({ isThis }) => isThis)).toHaveLength(1)
    expect(all.find(({ isThis }) => isThis)?.browser).toBe('A browser')
    expect(JSON.stringify(all)).not.toMatch(/[0-9a-f]{64}/)
    expect(await first.stands()).toBe(true)
  })
  it('are signed out one by one, or all others at once; a second time there is nothing there', async () => {
    const { email } = await person(served)
    const [first, second, third] = [await browser(email), await browser(email), await browser(email)]
    const mine = (await first.sessions()).find(({ isThis }) => isThis)?.id ?? ''
    expect((await second.ask('delete', `/sessions/${mine}`)).status).toBe(204)
    expect((await second.ask('delete', `/sessions/${mine}`)).status).toBe(404)
    expect(await first.stands()).toBe(false)
    expect((await second.ask('delete', '/sessions')).body.ended).toBeGreaterThanOrEqual(1)
    expect([await second.stands(), await third.stands()]).toEqual([true, false])
    expect((await second.ask('delete', '/sessions/none')).status).toBe(404)
  })
  it('of somebody else are neither seen nor signed out, in another studio or in one’s own', async () => {
    const [owner, stranger] = [await person(served), await person(served)]
    const second = await browser((await helper(served, owner)).email)
    const [theirs] = await second.sessions()
    for (const stray of [await browser(owner.email), await browser(stranger.email)]) {
      expect((await stray.sessions()).map(({ id }) => id)).not.toContain(theirs?.id)
      expect((await stray.ask('delete', `/sessions/${theirs?.id ?? ''}`)).status).toBe(404)
      await stray.ask('delete', '/sessions')
    }
    expect(await second.stands()).toBe(true)
  })
})

it('what a browser listens to ends within a second of its being signed out', async () => {
  const { email } = await person(served)
  const [here, there] = [await browser(email), await browser(email)]
  const server = served.application.listen(0, '127.0.0.1')
  try {
    await once(server, 'listening')
    const { port } = server.address() as AddressInfo
    const stream = await fetch(`http://127.0.0.1:${port}/api/stream`, { headers: { cookie: there.cookie } })
    const reader = stream.body?.getReader()
    await reader?.read()
    const [mine] = (await there.sessions()).filter(({ isThis }) => isThis)
    const startedAt = performance.now()
    await here.ask('delete', `/sessions/${mine?.id ?? ''}`)
    while (!(await reader?.read())?.done) expect(performance.now() - startedAt).toBeLessThan(5000)
    // a second, and what a busy machine adds
    expect(performance.now() - startedAt).toBeLessThan(3000)
  } finally {
    server.closeAllConnections()
    server.close()
  }
})

describe('a password', () => {
  const next = 'nine lanterns by the weir'
  it('is changed by who knows the former one; every other browser is signed out, the one that asks is not', async () => {
    const { email } = await person(served)
    const [here, there] = [await browser(email), await browser(email)]
    expect((await here.ask('post', '/password', { former: 'not the one', next })).status).toBe(403)
    expect(await there.stands()).toBe(true)
    expect((await here.ask('post', '/password', { former: password, next })).status).toBe(204)
    expect([await here.stands(), await there.stands()]).toEqual([true, false])
    expect((await browser(email)).status).toBe(401)
    expect((await browser(email, firefox, next)).status).toBe(200)
  })
  it('that is weak, or that opens another studio with the same email, is refused where it was typed', async () => {
    const { email } = await person(served)
    const here = await browser(email)
    const weak = await here.ask('post', '/password', { former: password, next: 'short' })
    expect([weak.status, weak.body.faults?.[0]?.field]).toEqual([422, 'next'])
    await request(served.application)
      .post('/api/studios')
      .send({ studioName: 'Further', timeZone: 'UTC', name: 'The same', email, password: next })
    const twice = await here.ask('post', '/password', { former: password, next })
    expect([twice.status, twice.body.faults?.[0]?.field]).toEqual([409, 'next'])
    expect((await browser(email)).status).toBe(200)
  })
})

it('a browser is told by a few words of what it says of itself', () => {
  expect(
    browserFrom(
      'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1.15 Version/18.0 Safari/604.1',
    ),
  ).toBe('Safari on iOS')
  expect(browserFrom('Mozilla/5.0 (Windows NT 10.0; Win64; x64) Chrome/140.0 Safari/537.36')).toBe(
    'Chrome or Chromium on Windows',
  )
  expect(browserFrom('')).toBe('A browser')
})

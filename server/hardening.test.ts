/** Every route, tried by whoever should not: with no session, an old one, another studio's, and from another site. */
import { sql } from 'drizzle-orm'
import { pino } from 'pino'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it, vi } from 'vitest'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { createApplication } from './application.ts'
import { openNews } from './changes/news.ts'
import { connect, inTransaction } from './database/connection.ts'
import { withoutValues } from './problem.ts'
import { routesOf, type Route } from './routes.ts'
import { filled } from './testing/malformed.ts'
import { makeover, person, serve, sharedHeavy, type Served, type Speaker } from './testing/studio.ts'

let served: Served
let who: Speaker
let id: string
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
  id = (await makeover(who)).ids.makeover
})
afterAll(() => served.close())

/** Whoever is signed in or not may ask these. */
const open = new Set([
  ...['POST', 'GET', 'DELETE'].map((method) => `${method} /session`),
  ...'studios join join/look resets resets/look resets/use session/passkey session/passkey/options'
    .split(' ')
    .map((path) => `POST /${path}`),
  'GET /registration',
])
const byLink = /^\/(guest|feeds)\b/
const send = ({ method, path }: Route, cookie: string, makeoverId = id, headers: Record<string, string> = {}) => {
  const asked = request(served.application)
    [method.toLowerCase() as 'get'](`/api${filled(path, makeoverId)}`)
    .set('cookie', cookie)
    .set(headers)
  return method === 'GET' || method === 'DELETE' ? asked : asked.set('content-type', 'application/json').send('{}')
}

describe('every route', () => {
  it('is known to this test', () => {
    const known = routesOf(served.application).map(({ method, path }) => `${method} ${path}`)
    for (const text of [
      ...'/stream /studio/export /reach'.split(' ').map((path) => `GET ${path}`),
      'POST /invitations',
      ...open,
    ])
      expect(known).toContain(text)
  })
  it('but the way in is shut to whoever has no session, a made-up one, or one that ran out', async () => {
    const old = await person(served)
    const day = 86_400_000
    for (const route of routesOf(served.application)) {
      if (open.has(`${route.method} ${route.path}`) || byLink.test(route.path)) continue
      for (const cookie of ['', 'bonitas_session=made-up', 'bonitas_session='])
        expect([route, (await send(route, cookie)).status]).toEqual([route, 401])
      served.clock.time += 15 * day
      expect([route, (await send(route, old.cookie)).status]).toEqual([route, 401])
      served.clock.time -= 15 * day
    }
  })
  it('shows another studio nothing of a makeover, and tells no difference from one that is not', async () => {
    const stranger = await person(served)
    for (const route of routesOf(served.application).filter(({ path }) => path.includes(':id'))) {
      const [theirs, nobodys] = [await send(route, stranger.cookie), await send(route, stranger.cookie, uuidv7())]
      if (route.path.endsWith('/changes') && route.method === 'POST') {
        const change = {
          id: uuidv7(),
          schemaVersion,
          sentence: 'x',
          operations: [add('room', uuidv7(), { uses: '', name: 'x' })],
        }
        expect((await stranger.post(`/makeovers/${id}/changes`, change)).status).toBe(404)
        continue
      }
      if (route.path.endsWith('/diary')) expect([theirs.body, nobodys.body]).toEqual([[], []])
      else if (route.path.endsWith('/here') && route.method === 'POST')
        expect((await stranger.post(`/makeovers/${id}/here`, { window: uuidv7(), page: 'brief' })).status).toBe(404)
      else expect([route, theirs.status]).toEqual([route, 404])
      expect(JSON.stringify(theirs.body)).toBe(JSON.stringify(nobodys.body))
    }
  })
  it('that changes something is refused to another site, however it says where it comes from', async () => {
    const elsewhere = [
      { 'sec-fetch-site': 'cross-site' },
      { 'sec-fetch-site': 'same-site' },
      { origin: 'https://elsewhere.example' },
      { origin: 'null' },
    ]
    for (const route of routesOf(served.application).filter(({ method }) => method !== 'GET')) {
      for (const headers of elsewhere)
        expect([
          route,
          headers,
          (await send(route, who.cookie, undefined, headers as Record<string, string>)).status,
        ]).toEqual([route, headers, 403])
    }
    expect((await who.get('/day')).status).toBe(200) // still signed in: the sign-out from elsewhere did nothing
  })
  it('answers with headers that let nothing run but our own', async () => {
    const { headers } = await who.get('/day')
    const policy = new Map(
      (headers['content-security-policy'] ?? '')
        .split(';')
        .map((part) => [part.split(' ')[0], part.split(' ').slice(1).join(' ')]),
    )
    expect([
      policy.get('default-src'),
      policy.get('script-src'),
      policy.get('script-src-attr'),
      policy.get('object-src'),
      policy.get('frame-ancestors'),
    ]).toEqual(["'none'", "'self'", "'none'", "'none'", "'none'"])
    expect([...policy.values()].some((value) => /unsafe-eval|\*|http:/.test(value))).toBe(false)
    expect(headers).toMatchObject({
      'x-content-type-options': 'nosniff',
      'x-frame-options': 'SAMEORIGIN',
      'referrer-policy': 'same-origin',
      'cross-origin-opener-policy': 'same-origin',
      'cache-control': 'no-store',
    })
    expect(headers['x-powered-by']).toBeUndefined()
  })
})

describe('what is refused', () => {
  it('in one way and is there in another says in which, as a problem', async () => {
    for (const [method, path, allow] of [
      ['put', '/session', 'DELETE, GET, POST'],
      ['delete', '/day', 'GET'],
      ['get', '/imports', 'POST'],
      ['patch', `/makeovers/${id}/changes`, 'GET, POST'],
    ] as const) {
      const answer = await request(served.application)[method](`/api${path}`).set('cookie', who.cookie)
      expect([path, answer.status, answer.body]).toMatchObject([path, 405, { status: 405, title: expect.any(String) }])
      expect(answer.headers.allow?.split(', ').sort().join(', ')).toBe(allow)
    }
    const beside = await request(served.application).post('/anything').send({})
    expect([beside.status, beside.headers['content-type']]).toEqual([405, expect.stringMatching(/problem\+json/)])
  })
  it('leaves nothing of what was sent in the log', async () => {
    const lines: string[] = []
    const log = pino({ level: 'trace' }, { write: (line) => void lines.push(line) })
    const broken = connect(served.url)
    const application = createApplication({
      database: { ...broken, pool: { ...broken.pool, query: () => Promise.reject(new Error('broken')) } as never },
      news: openNews(served.url, broken, log),
      log,
      pages: null,
      clock: Date.now,
      failedSignIns: 10,
      registration: 'open',
      heavy: sharedHeavy(),
    })
    await inTransaction(served.database, { studio: who.studioId }, (tx) =>
      tx.execute(sql`select ${'a secret value'}::int`),
    ).catch((error: unknown) => log.error({ err: withoutValues(error) }, 'unexpected'))
    expect((await request(application).get('/api/day?name=secret').set('cookie', who.cookie)).status).toBe(500)
    await broken.close()
    expect(lines.filter((line) => line.includes('unexpected'))).toHaveLength(2)
    expect(lines.join('')).not.toMatch(/secret|bonitas_session/)
    expect(lines.join('')).toMatch(/22P02/) // invalid_text_representation: what broke is said
  })
  it('a window more than twenty of one person is not told back', async () => {
    const own = await person(served)
    const { makeover: mine } = (await makeover(own)).ids
    for (let window = 0; window < 30; window++)
      await own.post(`/makeovers/${mine}/here`, { window: uuidv7(), page: 'brief' })
    await vi.waitFor(async () => expect((await own.get(`/makeovers/${mine}/here`)).body).toHaveLength(20))
  })
})

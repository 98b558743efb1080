/** Every route, tried by whoever should not: with no session, an old one, another studio's, from another site, and with rubbish. */
import { appendFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import fc from 'fast-check'
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
import { heldInMemory, malformedRequest } from './testing/malformed.ts'
import { makeover, password, person, serve, sharedHeavy, type Served, type Speaker } from './testing/studio.ts'

const malformed = Number(process.env.MALFORMED ?? 200)
let served: Served
let server: Server
let who: Speaker
let id: string
beforeAll(async () => {
  served = await serve(inject('postgres'))
  server = createServer({ keepAliveTimeout: 65_000 }, served.application) // as main.ts: none is closed under a request
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', () => resolve()))
  who = await person(served)
  id = (await makeover(who)).ids.makeover
})
afterAll(async () => {
  server.closeAllConnections()
  server.close()
  await served.close()
})

/** Whoever is signed in or not may ask these. */
const open = new Set([
  ...['POST', 'GET', 'DELETE'].map((method) => `${method} /session`),
  ...'studios join join/look resets resets/look resets/use session/passkey session/passkey/options'
    .split(' ')
    .map((path) => `POST /${path}`),
  'GET /registration',
])
const byLink = /^\/(guest|feeds)\b/
const filled = (path: string, makeoverId = id): string =>
  path
    .replace(':id', makeoverId)
    .replace(':rev', '1')
    .replace(':sha256', 'a'.repeat(64))
    .replace(':reader', 'client')
    .replace(':ending', 'csv')
const send = ({ method, path }: Route, cookie: string, makeoverId?: string, headers: Record<string, string> = {}) => {
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

describe(`${malformed} malformed requests a route (MALFORMED=2000 for more)`, () => {
  const streams = new Set(['GET /stream'])
  it(
    'on each route are each answered, and none with a 500',
    async () => {
      const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
      const answers = new Map<number, number>()
      // the helper process is there: read from its sources it takes seconds to start, built a tenth of that
      await sharedHeavy()
        .run(who.studioId, 'read', { bytes: new Uint8Array() })
        .catch(() => undefined)
      let longest = { ms: 0, at: '' }
      const heldBefore = heldInMemory()
      const routes = routesOf(served.application).filter(({ method, path }) => !streams.has(`${method} ${path}`))
      for (const [at, { method, path }] of routes.entries()) {
        if (`${method} ${path}` === 'DELETE /session') continue // tried below: it would end the session of all the others
        let at_ = 0
        const requests = fc.sample(malformedRequest, { numRuns: malformed, seed: 4711 + at })
        const send = async ({
          body: sent,
          type,
          parameter,
          query,
          encoding,
        }: (typeof requests)[number]): Promise<void> => {
          const bodied = method !== 'GET'
          const safe = (word: string): string => encodeURIComponent(word.toWellFormed())
          // what reads is malformed by what it names; what writes, by its body as well
          const named = parameter === null || (bodied && at_++ % 2 === 0)
          const url = `${base}${named ? filled(path) : filled(path.replace(/:\w+/, safe(parameter).slice(0, 2000) || '%20'))}?${Object.entries(
            query,
          )
            .map(([key, value]) => `${key}=${safe(value)}`)
            .join('&')}`
          // what takes nothing but a session is given a malformed one
          const cookie =
            bodied || path.includes(':') ? who.cookie : `bonitas_session=${safe(parameter ?? '').slice(0, 300)}`
          const askedAt = performance.now()
          const answer = await fetch(url, {
            method,
            headers: {
              cookie,
              ...(bodied && type ? { 'content-type': type } : {}),
              ...(bodied && encoding ? { 'content-encoding': encoding } : {}),
            },
            ...(bodied ? { body: sent } : {}),
          })
          const said = await answer.text()
          const ms = Math.round(performance.now() - askedAt)
          // what is well formed after all takes what its work takes: a paper half a second, twelve of them more
          if (answer.status >= 400 && ms > longest.ms) longest = { ms, at: `${method} ${path} → ${answer.status}` }
          answers.set(answer.status, (answers.get(answer.status) ?? 0) + 1)
          if (answer.status >= 500)
            throw new Error(`${method} ${url} ${type}: ${String(sent).slice(0, 400)} → ${answer.status} ${said}`)
          if (answer.status >= 400)
            expect(JSON.parse(said)).toMatchObject({
              status: answer.status,
              title: expect.any(String),
              detail: expect.any(String),
            })
        }
        let next = 0
        const startedAt = performance.now()
        await Promise.all(
          Array.from({ length: 12 }, async () => {
            for (let mine = requests[next++]; mine; mine = requests[next++]) await send(mine)
          }),
        )
        if (process.env.SLOW) process.stderr.write(`${method} ${path} ${Math.round(performance.now() - startedAt)}\n`)
      }
      const total = [...answers.values()].reduce((sum, count) => sum + count, 0)
      expect(total).toBe((routes.length - 1) * malformed)
      expect([...answers.keys()].every((status) => status < 500)).toBe(true)
      const grown = Math.round((heldInMemory() - heldBefore) / 1e6)
      if (process.env.TRUST_REPORT) {
        appendFileSync(
          process.env.TRUST_REPORT,
          `${total} malformed requests, ${[...answers].map(([status, count]) => `${count} × ${status}`).join(', ')}, the longest refusal ${longest.ms} ms (${longest.at}), memory ${grown} MB more\n`,
        )
        expect(longest.ms).toBeLessThan(1000)
        expect(grown).toBeLessThan(60)
      }
      // and nothing of it did anything
      expect((await who.open(id)).makeover.rev).toBe(1)
      expect((await who.get('/people')).body).toHaveLength(1)
      expect((await request(served.application).post('/api/session').send({ email: who.email, password })).status).toBe(
        200,
      )
    },
    120_000 + malformed * 1000,
  )
  it('at the sign-out and in the headers are answered as well', async () => {
    for (const cookie of [
      'bonitas_session=%',
      'bonitas_session=\u00ff',
      '=;;;',
      `bonitas_session=${'x'.repeat(5000)}`,
    ]) {
      const answer = await request(served.application).delete('/api/session').set('cookie', cookie)
      expect(answer.status).toBeLessThan(500)
    }
    expect((await who.get('/makeovers/%E0%A4%A')).status).toBe(400)
    expect((await who.get('/nothing')).status).toBe(404)
    for (const path of ['/', '//', '//x', '/files/', '/imports//dry', '/makeovers//changes'])
      expect([path, (await who.post(path, { a: 1 })).status < 500]).toEqual([path, true])
  })
})

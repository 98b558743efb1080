/** Every route is sent rubbish: each is answered, none breaks, and nothing of it does anything. */
import { appendFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import fc from 'fast-check'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { routesOf } from './routes.ts'
import { filled, heldInMemory, malformedRequest } from './testing/malformed.ts'
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
          const url = `${base}${named ? filled(path, id) : filled(path.replace(/:\w+/, safe(parameter).slice(0, 2000) || '%20'), id)}?${Object.entries(
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

/**
 * Two processes of the server behind one address, against one PostgreSQL: windows follow each other whichever serves them, what is done
 * by one is seen by the other, and one of them may stop while people work.
 */
import { request as ask, createServer, type Server } from 'node:http'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import type { ChildProcess } from 'node:child_process'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { begin } from '#core/testing/small-makeover.ts'
import { build, forkServer } from './built.mjs'
import { ensureDatabase, freePort, startPostgres } from './postgres.mjs'

/** A makeover begun, whatever day it is. */
function begun() {
  const { ids, operations } = begin(uuidv7)
  return {
    id: ids.makeover,
    operations: operations.map((operation) =>
      operation.kind === 'makeover' && operation.op === 'put'
        ? { ...operation, fields: { ...operation.fields, installOn: null } }
        : operation.kind === 'agreement' && operation.op === 'put'
          ? { ...operation, fields: { ...operation.fields, signedOn: '2026-01-10' } }
          : operation,
    ),
  }
}
let stop = (): void => undefined
const servers: ChildProcess[] = []
let ports: number[] = []
/** The ports that the proxy hands requests to, in turns. */
let handed: number[] = []
let proxy: Server
let address = ''
const home = mkdtempSync(join(tmpdir(), 'bonitas-two-'))

/** A proxy as small as can be: it hands each request to the next process, and says who asks. */
function openProxy(): Promise<Server> {
  let turn = 0
  const server = createServer((incoming, outgoing) => {
    const only = incoming.headers['x-only']
    const port = typeof only === 'string' ? Number(only) : (handed[turn++ % handed.length] ?? 0)
    const onward = ask(
      {
        host: '127.0.0.1',
        port,
        method: incoming.method,
        path: incoming.url,
        headers: { ...incoming.headers, 'x-forwarded-for': '192.0.2.7', 'x-forwarded-proto': 'https' },
      },
      (answer) => {
        outgoing.writeHead(answer.statusCode ?? 502, answer.headers)
        answer.pipe(outgoing)
      },
    )
    onward.on('error', () => outgoing.destroy())
    outgoing.on('close', () => onward.destroy())
    incoming.pipe(onward)
  })
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(server)))
}

async function serve(url: string): Promise<number> {
  const port = await freePort()
  const secret = join(home, `url-${port}`)
  writeFileSync(secret, `${url}\n`, { mode: 0o600 })
  const { DATABASE_URL: _unused, ...env } = process.env
  const server = forkServer(
    {
      ...env,
      DATABASE_URL_FILE: secret,
      PORT: String(port),
      TRUST_PROXY: '1',
      BONITAS_DEMO: 'no',
      LOG_LEVEL: 'info',
      METRICS_TOKEN: 'a word for the figures',
      STOP_AFTER_MS: '300',
    },
    'pipe',
  )
  servers.push(server)
  await new Promise<void>((resolve, reject) => {
    server.once('message', () => resolve())
    server.once('exit', (code) => reject(new Error(`the server ended with ${code ?? 'a signal'}`)))
  })
  return port
}

beforeAll(async () => {
  build()
  const postgres = await startPostgres(home, { forTests: true })
  stop = () => postgres.stop()
  const url = await ensureDatabase(postgres.address)
  ports = [await serve(url), await serve(url)]
  handed = ports
  proxy = await openProxy()
  const at = proxy.address()
  address = `http://127.0.0.1:${typeof at === 'object' && at ? at.port : 0}`
}, 180_000)
afterAll(() => {
  proxy.closeAllConnections()
  proxy.close()
  for (const server of servers) server.kill('SIGKILL')
  stop()
  rmSync(home, { recursive: true, force: true })
})

type Sent = { readonly cookie?: string; readonly only?: number; readonly body?: object | Uint8Array<ArrayBuffer> }
const send = (method: string, path: string, { cookie = '', only, body }: Sent = {}): Promise<Response> =>
  fetch(`${address}${path}`, {
    method,
    headers: {
      cookie,
      ...(only === undefined ? {} : { 'x-only': String(only) }),
      ...(body === undefined
        ? {}
        : { 'content-type': body instanceof Uint8Array ? 'application/octet-stream' : 'application/json' }),
    },
    ...(body === undefined ? {} : { body: body instanceof Uint8Array ? body : JSON.stringify(body) }),
  })
async function person(): Promise<string> {
  const made = await send('POST', '/api/studios', {
    body: {
      studioName: 'A studio',
      timeZone: 'UTC',
      name: 'A person',
      email: `${uuidv7()}@test.example`,
      password: 'a long enough password',
    },
  })
  expect(made.status).toBe(201)
  return made.headers
    .getSetCookie()
    .map((text) => text.split(';')[0])
    .join('; ')
}
/** What a window hears from one process, and whether its stream still stands. */
async function listen(cookie: string, only: number) {
  const answer = await send('GET', '/api/stream', { cookie, only })
  const heard = { text: '', over: false }
  const reader = answer.body?.getReader()
  void (async () => {
    const decoder = new TextDecoder()
    for (;;) {
      const part = await reader?.read().catch(() => ({ done: true, value: undefined }))
      if (!part || part.done) break
      heard.text += decoder.decode(part.value)
    }
    heard.over = true
  })()
  return heard
}

describe('two processes behind one address', () => {
  it('let windows follow each other, whichever serves them, and a change sent to both is made once', async () => {
    const cookie = await person()
    const [first = 0, second = 0] = ports
    const heard = await Promise.all([listen(cookie, first), listen(cookie, second)])
    const { id, operations } = begun()
    const change = { id: uuidv7(), schemaVersion, sentence: 'Began', operations }
    const answers = await Promise.all(
      [first, second].map((only) => send('POST', `/api/makeovers/${id}/changes`, { cookie, only, body: change })),
    )
    const told = (await Promise.all(answers.map((answer) => answer.json()))) as { rev: number; repeated: boolean }[]
    expect(told.map(({ repeated }) => repeated).sort()).toEqual([false, true])
    await vi.waitFor(() => expect(heard.map(({ text }) => text.includes(id))).toEqual([true, true]), { timeout: 5000 })
    const rooms = [add('room', uuidv7(), { name: 'Hall', uses: '' })]
    for (let at = 0; at < 6; at++) {
      const more = {
        id: uuidv7(),
        schemaVersion,
        sentence: 'More',
        operations: at === 0 ? rooms : [add('room', uuidv7(), { name: `Room ${at}`, uses: '' })],
      }
      expect((await send('POST', `/api/makeovers/${id}/changes`, { cookie, body: more })).status).toBe(200)
      const seen = await Promise.all(
        ports.map(
          async (only) =>
            (await (await send('GET', `/api/makeovers/${id}`, { cookie, only })).json()) as {
              makeover: { rev: number }
            },
        ),
      )
      expect(new Set(seen.map(({ makeover }) => makeover.rev)).size).toBe(1)
    }
  })
  it('an import by one is seen by the other', async () => {
    const cookie = await person()
    const [first, second] = ports
    const file = new Uint8Array(readFileSync('demo/tea-room-long-acre-allotments.zip'))
    const brought = await send('POST', '/api/imports?as=new', {
      cookie,
      body: file,
      ...(first === undefined ? {} : { only: first }),
    })
    expect(brought.status).toBe(201)
    const day = (await (
      await send('GET', '/api/day', { cookie, ...(second === undefined ? {} : { only: second }) })
    ).json()) as { makeovers: { name: string }[] }
    expect(day.makeovers.map(({ name }) => name)).toEqual(['Tea room, Long Acre allotments'])
  })
  it('a session that ends at one ends at the other within a second', async () => {
    const cookie = await person()
    const [first = 0, second = 0] = ports
    const heard = await listen(cookie, first)
    await vi.waitFor(() => expect(heard.text).toContain('again'))
    const beganAt = performance.now()
    const sessions = (await (await send('GET', '/api/sessions', { cookie, only: second })).json()) as { id: string }[]
    expect((await send('DELETE', `/api/sessions/${sessions[0]?.id ?? ''}`, { cookie, only: second })).status).toBe(204)
    await vi.waitFor(() => expect(heard.over).toBe(true), { timeout: 5000, interval: 20 })
    expect(performance.now() - beganAt).toBeLessThan(1000)
    expect((await send('GET', '/api/day', { cookie, only: first })).status).toBe(401)
  })
  it('the cookie is marked Secure where the proxy ends HTTPS, and no secret or email is in the log', async () => {
    let log = ''
    for (const server of servers) server.stdout?.on('data', (part: Buffer) => (log += part.toString()))
    const made = await send('POST', '/api/studios', {
      body: {
        studioName: 'Marked',
        timeZone: 'UTC',
        name: 'A marked person',
        email: 'marked@test.example',
        password: 'a marked password, long',
      },
    })
    expect(made.headers.getSetCookie().every((text) => /; Secure/.test(text))).toBe(true)
    expect(made.headers.get('x-request-id')).toMatch(/^[0-9a-f-]{36}$/)
    await send('POST', '/api/join/look', { body: { token: 'marked-token'.padEnd(43, 'x') } })
    await send('GET', '/api/feeds/marked-token-of-a-feed-that-is-long-enough.ics')
    await vi.waitFor(() => expect(log).toContain(made.headers.get('x-request-id') ?? 'none'), { timeout: 5000 })
    expect(log).not.toMatch(/marked|192\.0\.2\.7|bonitas_session/i)
    for (const line of log.trim().split('\n')) expect(() => JSON.parse(line) as unknown).not.toThrow()
  })
  it('each says that it lives and is ready, and its figures only to whoever knows the word', async () => {
    for (const port of ports) {
      const at = (path: string, headers = {}): Promise<Response> =>
        fetch(`http://127.0.0.1:${port}${path}`, { headers })
      expect([(await at('/health/live')).status, (await at('/health/ready')).status]).toEqual([200, 200])
      expect((await at('/metrics')).status).toBe(404)
      const figures = await (await at('/metrics', { authorization: 'Bearer a word for the figures' })).text()
      expect(figures).toMatch(/^bonitas_request_seconds_count\{method="POST",route="\/studios",status="201"\} \d+$/m)
      expect(figures).not.toMatch(/[0-9a-f]{8}-[0-9a-f]{4}-7/) // no id of anything
    }
  })
  it('one stops while people work: it says so first, ends what it has begun, and the other goes on', async () => {
    const cookie = await person()
    const [first = 0, second = 0] = ports
    const { id, operations } = begun()
    await send('POST', `/api/makeovers/${id}/changes`, {
      cookie,
      body: { id: uuidv7(), schemaVersion, sentence: 'Began', operations },
    })
    const [stopped] = servers
    const ended = new Promise((resolve) => stopped?.once('exit', resolve))
    stopped?.kill('SIGTERM')
    await vi.waitFor(async () => expect((await fetch(`http://127.0.0.1:${first}/health/ready`)).status).toBe(503), {
      interval: 20,
    })
    handed = [second] // as a proxy does that asks for it
    for (let at = 0; at < 5; at++) {
      const body = {
        id: uuidv7(),
        schemaVersion,
        sentence: 'More',
        operations: [add('room', uuidv7(), { name: `Room ${at}`, uses: '' })],
      }
      expect((await send('POST', `/api/makeovers/${id}/changes`, { cookie, body })).status).toBe(200)
    }
    expect(await ended).toBe(0)
  })
})

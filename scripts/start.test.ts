/** npm start as a person meets it: started, started twice, killed, stopped. The pages are not looked at here. */
import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { request } from 'node:https'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, afterEach, describe, expect, it } from 'vitest'
import { freePort } from './postgres.mjs'

const root = join(import.meta.dirname, '..')
const home = mkdtempSync(join(tmpdir(), 'bonitas-start-'))
const running = new Set<ChildProcess>()

type Started = { child: ChildProcess; said: () => string; exit: Promise<number | null> }
function start(words: string[], env: Record<string, string>): Started {
  const { DATABASE_URL: _url, ...rest } = process.env
  const child = spawn(process.execPath, ['scripts/start.mjs', ...words], {
    cwd: root,
    env: { ...rest, BONITAS_HOME: home, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  running.add(child)
  let text = ''
  child.stdout.on('data', (chunk: Buffer) => (text += chunk.toString()))
  child.stderr.on('data', (chunk: Buffer) => (text += chunk.toString()))
  const exit = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)))
  void exit.then(() => running.delete(child))
  return { child, said: () => text, exit }
}
const ready = ({ said }: Started): Promise<void> =>
  expect.poll(said, { timeout: 90_000, interval: 100 }).toContain('Ctrl+C stops it.')
const databaseRuns = (folder: string): boolean => {
  try {
    process.kill(Number(readFileSync(join(home, folder, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]), 0)
    return true
  } catch (error) {
    return error instanceof Error && 'code' in error && error.code === 'EPERM'
  }
}
const post = (port: number, path: string, body: object): Promise<Response> =>
  fetch(`http://127.0.0.1:${port}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })

afterEach(async () => {
  for (const child of running) child.kill('SIGINT')
  await expect.poll(() => running.size, { timeout: 30_000 }).toBe(0)
})
afterAll(() => rmSync(home, { recursive: true, force: true }))

describe('npm start', () => {
  it('serves with the demo, says so when started twice, survives a kill with its data, and stops cleanly', async () => {
    const port = await freePort()
    const first = start([], { PORT: String(port) })
    await ready(first)
    const [, email, password] = /Sign in to the demo as (\S+) with the password (\S+)/.exec(first.said()) ?? []
    expect((await post(port, '/session', { email, password })).status).toBe(200)
    expect(
      (
        await post(port, '/studios', {
          studioName: 'Mine',
          timeZone: 'UTC',
          name: 'Me',
          email: 'me@test.example',
          password: 'a long enough password',
        })
      ).status,
    ).toBe(201)

    const second = start([], { PORT: String(await freePort()) })
    expect(await second.exit).toBe(1)
    expect(second.said()).toContain(`already running here, at http://127.0.0.1:${port}`)

    first.child.kill('SIGKILL')
    await first.exit
    expect(databaseRuns('main')).toBe(true) // the database was left behind …
    const again = start([], { PORT: String(port) })
    await ready(again)
    expect(
      (await post(port, '/session', { email: 'me@test.example', password: 'a long enough password' })).status,
    ).toBe(200) // … and taken over, with what was in it
    expect((await post(port, '/session', { email, password })).status).toBe(200)

    again.child.kill('SIGINT')
    expect(await again.exit).toBe(0)
    expect(again.said()).toContain('What was entered is kept.')
    expect(databaseRuns('main')).toBe(false)
    expect(existsSync(join(home, 'main.lock'))).toBe(false)
  })
  it('--empty has a folder of its own without the demo, beside the other', async () => {
    const port = await freePort()
    const empty = start(['--empty'], { PORT: String(port) })
    await ready(empty)
    expect(empty.said()).not.toContain('demo')
    expect(
      (await post(port, '/session', { email: 'ottilie@wrenandtide.example', password: 'lamplight-on-larch' })).status,
    ).toBe(401)
  })
  it('--studio has a folder of its own without the demo, its database told by a file or its own, and says where letters lie', async () => {
    const port = await freePort()
    const studio = start(['--studio', '--first', 'owner@test.example'], { PORT: String(port) })
    await ready(studio)
    expect(studio.said()).toContain(`Letters of the studio lie in ${join(home, 'studio.outbox')}`)
    const [, password = ''] = /Sign in as owner@test\.example with the password (\S+):/.exec(studio.said()) ?? []
    expect((await post(port, '/session', { email: 'owner@test.example', password })).status).toBe(200)
    expect((await fetch(`http://127.0.0.1:${port}/health/ready`)).status).toBe(200)
    const elsewhere = mkdtempSync(join(tmpdir(), 'bonitas-first-'))
    const both = start(['--studio'], {
      BONITAS_HOME: elsewhere,
      DATABASE_URL: 'postgresql://x/y',
      DATABASE_URL_FILE: '/nowhere',
    })
    expect(await both.exit).toBe(1)
    expect(both.said()).toContain('DATABASE_URL and DATABASE_URL_FILE are both set')
    rmSync(elsewhere, { recursive: true })
  })
  it('a lock that a crash left half written does not keep anyone out', async () => {
    writeFileSync(join(home, 'empty.lock'), '{"pid":')
    const empty = start(['--empty'], { PORT: String(await freePort()) })
    await ready(empty)
  })
  it.each([
    [
      'a word that is not known',
      ['--emtpy'],
      {},
      /“--emtpy” is not understood: expected nothing, --empty, --studio, --phone, or --first EMAIL/,
    ],
    ['a port that is none', [], { PORT: '99999' }, /PORT is “99999”: expected a number from 1 to 65535/],
    [
      'programs that are not there',
      ['--empty'],
      { PG_BIN: '/nowhere' },
      /PG_BIN is \/nowhere, and there is no postgres in it/,
    ],
    [
      'a database that does not answer',
      ['--empty'],
      { DATABASE_URL: 'postgresql://a:b@127.0.0.1:1/c' },
      /cannot use the database: .*ECONNREFUSED/,
    ],
  ])('%s gets a clear answer', async (_name, words, env, message) => {
    const port = await freePort()
    const wrong = start(words, { PORT: String(port), ...env })
    expect(await wrong.exit).toBe(1)
    expect(wrong.said()).toMatch(message)
    expect(wrong.said()).not.toMatch(/\n +at /)
  })
  it('makes the first person of an empty installation, and lets no stranger make a studio where that is shut', async () => {
    const port = await freePort()
    const own = mkdtempSync(join(tmpdir(), 'bonitas-first-'))
    const env = { PORT: String(port), BONITAS_HOME: own, REGISTRATION: 'closed' }
    const started = start(['--empty', '--first', 'me@studio.example'], env)
    await ready(started)
    const [, email, password] =
      /Sign in as (\S+) with the password (\S+): it is told this once/.exec(started.said()) ?? []
    expect(email).toBe('me@studio.example')
    expect((await post(port, '/session', { email, password })).status).toBe(200)
    const stranger = {
      studioName: 'x',
      name: 'x',
      timeZone: 'UTC',
      email: 'x@test.example',
      password: 'a long enough password',
    }
    expect((await post(port, '/studios', stranger)).status).toBe(403)
    // the role it serves as can become the application's, and do nothing of its own
    const log = join(own, 'empty', 'data', 'postmaster.pid')
    const address = `postgresql://bonitas_owner:${readFileSync(join(own, 'empty', 'password'), 'utf8')}@127.0.0.1:${readFileSync(log, 'utf8').split('\n')[3] ?? ''}/bonitas`
    const asked = new pg.Client({ connectionString: address })
    await asked.connect()
    const { rows } = await asked.query<Record<string, unknown>>(
      `select rolsuper, rolcreaterole, rolcreatedb, rolbypassrls, rolinherit,
         (select array_agg(granted.rolname::text) from pg_auth_members m join pg_roles granted on granted.oid = m.roleid where m.member = r.oid) as becomes,
         (select count(distinct usename)::int from pg_stat_activity where datname = 'bonitas' and usename not in ('bonitas_login', 'bonitas_owner')) as others,
         (select count(*)::int from pg_stat_activity where usename = 'bonitas_login') as serving,
         (select count(*)::int from pg_stat_activity where usename = 'bonitas_owner' and backend_type = 'client backend' and pid <> pg_backend_pid()) as owning
       from pg_roles r where rolname = 'bonitas_login'`,
    )
    await asked.end()
    expect(rows).toMatchObject([
      {
        rolsuper: false,
        rolcreaterole: false,
        rolcreatedb: false,
        rolbypassrls: false,
        rolinherit: false,
        becomes: ['bonitas_app'],
        others: 0,
        owning: 0,
      },
    ])
    expect(rows[0]?.serving).toBeGreaterThan(0)
    started.child.kill('SIGINT')
    await started.exit
    rmSync(own, { recursive: true, force: true })
  })
  it('reaches a phone in the house over HTTPS, with a password of its own for the demo', async () => {
    const [cert, key] = [join(home, 'bonitas.crt'), join(home, 'bonitas.key')]
    execFileSync(
      'openssl',
      [
        'req',
        '-x509',
        '-newkey',
        'rsa:2048',
        '-nodes',
        '-days',
        '2',
        '-subj',
        '/CN=bonitas',
        '-addext',
        'subjectAltName=IP:127.0.0.1',
        '-keyout',
        key,
        '-out',
        cert,
      ],
      { stdio: 'ignore' },
    )
    const port = await freePort()
    const open = { PORT: String(port), HOST: '0.0.0.0', TLS_CERT: cert, TLS_KEY: key }
    const refused = start([], open) // the demo of the first test is there, with the password that anybody can read
    expect(await refused.exit).toBe(1)
    expect(refused.said()).toMatch(/anybody knows the demo's password/)
    const served = start([], { ...open, DEMO_PASSWORD: 'a lantern of our own' })
    await ready(served)
    expect(served.said()).toContain(`Bonitas is at https://127.0.0.1:${port}`)
    expect(served.said()).toMatch(/In the same house, also at https:/)
    const ask = (password: string): Promise<{ status: number; headers: Record<string, unknown> }> =>
      new Promise((resolve, reject) => {
        const asked = request(
          {
            host: '127.0.0.1',
            port,
            path: '/api/session',
            method: 'POST',
            ca: readFileSync(cert),
            headers: { 'content-type': 'application/json' },
          },
          (answer) => {
            answer.resume()
            resolve({ status: answer.statusCode ?? 0, headers: answer.headers })
          },
        )
        asked.on('error', reject)
        asked.end(JSON.stringify({ email: 'ottilie@wrenandtide.example', password }))
      })
    expect((await ask('lamplight-on-larch')).status).toBe(401)
    const { status, headers } = await ask('a lantern of our own')
    expect(status).toBe(200)
    expect(String(headers['set-cookie'])).toMatch(/bonitas_session=[^;]+; .*Secure; SameSite=Strict/)
    expect(headers['strict-transport-security']).toMatch(/max-age=86400/)
  })
  it('a port that is taken is said, and nothing is left running', async () => {
    const port = await freePort()
    const holder = createServer().listen(port, '127.0.0.1')
    const wrong = start(['--empty'], { PORT: String(port) })
    expect(await wrong.exit).toBe(1)
    expect(wrong.said()).toContain(`Port ${port} is taken`)
    expect(databaseRuns('empty')).toBe(false)
    await new Promise((resolve) => holder.close(resolve))
  })
})

/** How a process is told its secrets, and what it tells of itself. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import express from 'express'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { connect } from '../database/connection.ts'
import { Problem } from '../problem.ts'
import { person, serve, type Served } from '../testing/studio.ts'
import { healthRoutes } from './health-routes.ts'
import { openHealth } from './health.ts'
import { readSecrets } from './secrets.ts'

const folder = mkdtempSync(join(tmpdir(), 'bonitas-secrets-'))
let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(async () => {
  await served.close()
  rmSync(folder, { recursive: true })
})

describe('secrets', () => {
  const file = (text: string): string => {
    const path = join(folder, `secret-${Math.random()}`)
    writeFileSync(path, text, { mode: 0o600 })
    return path
  }
  it('come out of files without the line that ends them', () => {
    const env: NodeJS.ProcessEnv = { DATABASE_URL_FILE: file('postgresql://db/x\n'), METRICS_TOKEN: 'said' }
    readSecrets(env)
    expect([env.DATABASE_URL, env.METRICS_TOKEN]).toEqual(['postgresql://db/x', 'said'])
  })
  it.each([
    ['said twice', () => ({ DATABASE_URL: 'x', DATABASE_URL_FILE: file('y') }), /both set/],
    ['in a file that is not there', () => ({ METRICS_TOKEN_FILE: join(folder, 'none') }), /cannot be read/],
    ['in an empty file', () => ({ DEMO_PASSWORD_FILE: file('\n') }), /is empty/],
  ])('that are %s are refused with which and why', (_name, env, why) => {
    expect(() => readSecrets(env())).toThrow(why)
  })
})

describe('a process', () => {
  const watched = (settings: { metricsToken?: string | null; alone?: boolean; url?: string } = {}) => {
    const database = connect(settings.url ?? served.url, { most: 1 })
    const health = openHealth({ database, metricsToken: settings.metricsToken ?? null, alone: settings.alone ?? true })
    const application = express().use(healthRoutes(health))
    application.use(((error: unknown, _request, response, _next) => {
      response.status(error instanceof Problem ? error.status : 500).end()
    }) as express.ErrorRequestHandler)
    return { health, database, get: (path: string) => request(application).get(path) }
  }
  it('is ready while the database answers and it does not stop, and lives in any case', async () => {
    const { health, database, get } = watched()
    expect([(await get('/health/live')).status, (await get('/health/ready')).status]).toEqual([200, 200])
    health.stop()
    expect((await get('/health/ready')).body).toEqual({ ready: false, why: 'stopping' })
    expect((await get('/health/live')).status).toBe(200)
    await database.close()
    const away = watched({ url: 'postgresql://127.0.0.1:1/none' })
    expect((await away.get('/health/ready')).body).toMatchObject({
      ready: false,
      why: expect.stringMatching(/does not answer/) as unknown,
    })
    await away.database.close()
  })
  it('tells its figures on this machine, and elsewhere only for the word', async () => {
    const alone = watched()
    expect((await alone.get('/metrics')).text).toContain('# TYPE bonitas_request_seconds histogram')
    const open = watched({ alone: false })
    expect((await open.get('/metrics')).status).toBe(404)
    const asked = watched({ alone: false, metricsToken: 'the word' })
    for (const said of ['', 'Bearer the wor', 'Bearer other', 'the word'])
      expect([said, (await asked.get('/metrics').set('authorization', said)).status]).toEqual([said, 404])
    expect((await asked.get('/metrics').set('authorization', 'Bearer the word')).status).toBe(200)
    for (const { database } of [alone, open, asked]) await database.close()
  })
})

describe('the record', () => {
  it('holds refused sign-ins and prints, and the application’s role can neither rewrite nor delete it', async () => {
    const who = await person(served)
    await request(served.application).post('/api/session').send({ email: who.email, password: 'not the password' })
    await who.post('/record/prints', { makeoverId: null })
    for (let tries = 0; tries < 50; tries++) {
      const deeds = (await who.get('/record')).body as { what: string }[]
      if (deeds.some(({ what }) => what === 'was refused at the sign-in')) break
      await new Promise((resolve) => setTimeout(resolve, 20))
    }
    const what = ((await who.get('/record')).body as { what: string }[]).map((deed) => deed.what)
    expect(what).toEqual(expect.arrayContaining(['was refused at the sign-in', 'printed a page', 'signed in']))
    const client = await served.database.pool.connect()
    await client.query(`select set_config('bonitas.studio', $1, false)`, [who.studioId])
    for (const text of [
      `update deeds set what = 'did nothing'`,
      `update deeds set at = now(), person_id = person_id`,
      `update deeds set to_person_id = null`,
      'delete from deeds',
      'truncate deeds',
    ])
      await expect(client.query(text)).rejects.toMatchObject({ code: '42501' }) // insufficient_privilege
    client.release(true)
  })
})

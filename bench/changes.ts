/**
 * Change sets over HTTP: at 1, 8 and 32 at once, over 32 makeovers and over one, beside a bare Express handler that inserts the
 * same rows in one transaction, in the same run on the same database.
 */
import { once } from 'node:events'
import { createServer, request, Agent, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import express from 'express'
import pg from 'pg'
import { pino } from 'pino'
import { v7 as uuidv7 } from 'uuid'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { begin } from '#core/testing/small-makeover.ts'
import { sharedHeavy } from '#server/testing/studio.ts'
import { createApplication } from '#server/application.ts'
import { openNews } from '#server/changes/news.ts'
import { connect } from '#server/database/connection.ts'
import { migrateDatabase } from '#server/database/migrate.ts'
import { ensureDatabase, startPostgres } from '../scripts/postgres.mjs'

const say = (text: string): boolean => process.stdout.write(`${text}\n`)
const log = pino({ level: 'silent' })
const agent = new Agent({ keepAlive: true, maxSockets: 64 })

const listen = async (server: Server): Promise<number> => {
  server.listen(0, '127.0.0.1')
  await once(server, 'listening')
  return (server.address() as AddressInfo).port
}
const post = (
  port: number,
  path: string,
  cookie: string,
  body: string,
): Promise<{ status: number; cookies: string[]; text: string }> =>
  new Promise((resolve, reject) => {
    const asked = request(
      {
        agent,
        port,
        path,
        method: 'POST',
        headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body), cookie },
      },
      (answer) => {
        let text = ''
        answer.on('data', (part: Buffer) => (text += part.toString()))
        answer.on('end', () =>
          resolve({ status: answer.statusCode ?? 0, cookies: answer.headers['set-cookie'] ?? [], text }),
        )
      },
    )
    asked.on('error', reject)
    asked.end(body)
  })

/** How many are answered in a second, so many at once. */
async function rate(atOnce: number, ms: number, attempt: (worker: number) => Promise<void>): Promise<number> {
  let done = 0
  const until = performance.now() + ms
  const startedAt = performance.now()
  await Promise.all(
    Array.from({ length: atOnce }, async (_, worker) => {
      while (performance.now() < until) {
        await attempt(worker)
        done++
      }
    }),
  )
  return (done / (performance.now() - startedAt)) * 1000
}

/** The rows that one change of one row writes, inserted by hand in one transaction: what the door costs is what lies above it. */
function bareServer(url: string): { server: Server; end: () => Promise<void> } {
  const pool = new pg.Pool({ connectionString: url, max: 10 })
  pool.on('error', () => undefined)
  const application = express()
  application.post('/', express.json(), (incoming, response) => {
    void (async () => {
      const { studio, makeover, id, row, name, rev } = incoming.body as Record<string, string>
      const client = await pool.connect()
      try {
        await client.query('begin')
        await client.query(
          'insert into rooms (studio_id, makeover_id, id, version, name) values ($1, $2, $3, $4, $5)',
          [studio, makeover, row, id, name],
        )
        await client.query('insert into changes (studio_id, id, person_id, digest) values ($1, $2, $3, $4)', [
          studio,
          id,
          studio,
          '',
        ])
        await client.query('insert into change_words (studio_id, change_id, sentence, words) values ($1, $2, $3, $4)', [
          studio,
          id,
          'Added a room',
          JSON.stringify({ 0: { after: { name } } }),
        ])
        await client.query(
          'insert into changed_rows (studio_id, change_id, place, kind, row_id, operation, before, after) values ($1, $2, 0, $3, $4, $5, null, $6)',
          [studio, id, 'room', row, 'put', JSON.stringify({ name: { words: true } })],
        )
        await client.query(
          'insert into changed_documents (studio_id, document_id, rev, change_id) values ($1, $2, $3, $4)',
          [studio, makeover, rev, id],
        )
        await client.query('commit')
        response.json({ rev })
      } catch (error) {
        await client.query('rollback')
        response.status(500).send(String(error))
      } finally {
        client.release()
      }
    })()
  })
  return { server: createServer(application), end: () => pool.end() }
}

export async function benchChanges(ms = 2500): Promise<void> {
  const home = join(tmpdir(), `bonitas-bench-${process.pid}`)
  const postgres = await startPostgres(home) // durable, as it is in use
  const url = await ensureDatabase(postgres.address)
  await migrateDatabase(url)
  const database = connect(url)
  const news = openNews(url, database, log)
  const server = createServer(
    createApplication({
      database,
      news,
      log,
      pages: null,
      clock: () => Date.parse('2027-03-01T12:00:00Z'),
      failedSignIns: 100,
      registration: 'open',
      heavy: sharedHeavy(),
    }),
  )
  const port = await listen(server)
  const made = await post(
    port,
    '/api/studios',
    '',
    JSON.stringify({
      studioName: 'A studio',
      timeZone: 'UTC',
      name: 'A person',
      email: 'a@bench.example',
      password: 'a long enough password',
    }),
  )
  const cookie = made.cookies.map((cooky) => cooky.split(';')[0]).join('; ')
  const { studioId } = JSON.parse(made.text) as { studioId: string }
  let worlds: string[] = []
  /** Makeovers begun anew for each measure, so that none is reckoned with the rows of the one before. */
  const fresh = async (): Promise<void> => {
    worlds = []
    for (let at = 0; at < 33; at++) {
      const world = begin(uuidv7)
      const { status, text } = await post(
        port,
        `/api/makeovers/${world.ids.makeover}/changes`,
        cookie,
        JSON.stringify({ id: uuidv7(), schemaVersion, sentence: 'Began', operations: world.operations }),
      )
      if (status !== 200) throw new Error(text)
      worlds.push(world.ids.makeover)
    }
  }
  await fresh()
  const change = async (makeover: string): Promise<void> => {
    const { status, text } = await post(
      port,
      `/api/makeovers/${makeover}/changes`,
      cookie,
      JSON.stringify({
        id: uuidv7(),
        schemaVersion,
        sentence: 'Added a room',
        operations: [add('room', uuidv7(), { uses: '', name: 'Hall' })],
      }),
    )
    if (status !== 200) throw new Error(text)
  }
  const bare = bareServer(url)
  const barePort = await listen(bare.server)
  let rev = 1_000_000
  const insert = async (makeover: string): Promise<void> => {
    const { status, text } = await post(
      barePort,
      '/',
      '',
      JSON.stringify({ studio: studioId, makeover, id: uuidv7(), row: uuidv7(), name: 'Hall', rev: String(rev++) }),
    )
    if (status !== 200) throw new Error(text)
  }
  const worldOf = (worker: number): string => worlds[worker % 32] ?? ''
  // the same makeovers are not grown by the one and reckoned by the other: the bare rows go to the last
  await rate(8, 600, (worker) => change(worldOf(worker)))
  await rate(8, 300, () => insert(worlds[32] ?? ''))
  for (const atOnce of [1, 8, 32]) {
    await fresh()
    const ours = await rate(atOnce, ms, (worker) => change(worldOf(worker)))
    const theirs = await rate(atOnce, ms, () => insert(worlds[32] ?? ''))
    const value = await rate(atOnce, ms / 2, () => change(worldOf(0)))
    say(
      `change sets, ${String(atOnce).padStart(2)} at once:        ${ours.toFixed(0)} a second over 32 makeovers, ${((100 * ours) / theirs).toFixed(0)} % of a bare insert's ${theirs.toFixed(0)}${atOnce === 32 ? ' (goal: at least 50 %)' : ''}; ${value.toFixed(0)} over one`,
    )
  }
  await fresh()
  const times: number[] = []
  const until = performance.now() + 4 * ms
  await Promise.all(
    Array.from({ length: 8 }, async (_, worker) => {
      while (performance.now() < until) {
        const startedAt = performance.now()
        await change(worldOf(worker % 4))
        times.push(performance.now() - startedAt)
        await new Promise((resolve) => setTimeout(resolve, 50 + Math.random() * 100))
      }
    }),
  )
  const sorted = times.toSorted((left, right) => left - right)
  const share = (part: number): string => (sorted[Math.floor(sorted.length * part)] ?? 0).toFixed(0)
  say(
    `change sets, 8 with time to think: ${share(0.5)} ms median, ${share(0.99)} ms p99 of ${sorted.length} (goal: p99 under 200)`,
  )
  agent.destroy()
  for (const otherServer of [server, bare.server]) {
    otherServer.closeAllConnections()
    otherServer.close()
  }
  await bare.end()
  await news.close()
  await database.close()
  await new Promise((resolve) => setTimeout(resolve, 200))
  postgres.stop()
  rmSync(home, { recursive: true, force: true })
}
if (process.argv[1] === import.meta.filename) await benchChanges()

/**
 * Killed at random moments under eight writers, with everything written through to the disk: what was acknowledged is there
 * once, nothing is there by half, and the money still adds up. KILLS=50 npx vitest … kills it more often.
 */
import type { ChildProcess } from 'node:child_process'
import { appendFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuidv7 } from 'uuid'
import { expect, it } from 'vitest'
import { blank } from '#core/makeover/blank.ts'
import { add, schemaVersion, type Operation } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { reckonMoney } from '#core/purchases/index.ts'
import { guard } from '#core/reckoning/guards.ts'
import { begin, candidateOf, orderOf, pieceOf } from '#core/testing/small-makeover.ts'
import type { Opened } from '#server/testing/studio.ts'
import { build, forkServer } from './built.mjs'
import { ensureDatabase, freePort, startPostgres, stopPostgres } from './postgres.mjs'

const kills = Number(process.env.KILLS ?? 5)
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

it(
  `holds through ${kills} kills of the server and ${kills} of PostgreSQL`,
  async () => {
    build()
    const home = mkdtempSync(join(tmpdir(), 'bonitas-kills-'))
    const postgres = await startPostgres(home) // as it is in use: fsync and synchronous_commit on
    const url = await ensureDatabase(postgres.address)
    const port = await freePort()
    let server = null as unknown as ChildProcess
    const serve = async (): Promise<void> => {
      server = forkServer({
        ...process.env,
        DATABASE_URL: url,
        PORT: String(port),
        BONITAS_DEMO: 'no',
        LOG_LEVEL: 'silent',
      })
      await new Promise<void>((resolve, reject) => {
        server.once('message', () => resolve())
        server.once('exit', (code) => reject(new Error(`the server ended with ${code ?? 'a signal'}`)))
      })
      server.removeAllListeners('exit')
    }
    await serve()
    let cookie = ''
    const ask = (method: string, path: string, body?: object): Promise<Response> =>
      fetch(`http://127.0.0.1:${port}/api${path}`, {
        method,
        headers: { cookie, ...(body ? { 'content-type': 'application/json' } : {}) },
        ...(body ? { body: JSON.stringify(body) } : {}),
      })
    const made = await ask('POST', '/studios', {
      studioName: 'A studio',
      timeZone: 'UTC',
      name: 'A person',
      email: 'a@test.example',
      password: 'a long enough password',
    })
    cookie = made.headers
      .getSetCookie()
      .map((text) => text.split(';')[0])
      .join('; ')

    // two makeovers, four writers each: they wait for one another's locks, and are killed in the middle of it
    const worlds = await Promise.all(
      [0, 1].map(async () => {
        const world = begin(uuidv7, { sums: { Furniture: 9_000_000_00 } })
        const operations = world.operations.map((operation) =>
          operation.kind === 'makeover' && operation.op === 'put'
            ? { ...operation, fields: { ...operation.fields, installOn: null } }
            : operation,
        )
        expect(
          (
            await ask('POST', `/makeovers/${world.ids.makeover}/changes`, {
              id: uuidv7(),
              schemaVersion,
              sentence: 'Began',
              operations: operations.map((operation) =>
                operation.kind === 'agreement' && operation.op === 'put'
                  ? { ...operation, fields: { ...operation.fields, signedOn: '2026-01-10' } }
                  : operation,
              ),
            })
          ).status,
        ).toBe(200)
        return world
      }),
    )
    const sent = new Map<string, string>()
    const acknowledged = new Set<string>()
    const until: { stop: boolean } = { stop: false }
    const isOver = (): boolean => until.stop
    /** One change over five tables: a piece, a candidate, an order of one line, its payment of 10.00. */
    const whole = (world: (typeof worlds)[number]): Operation[] => {
      const [piece, candidate, order] = [uuidv7(), uuidv7(), uuidv7()]
      const offer = candidateOf(piece, world.ids.seller, { priceMinor: minor(10_00), taxPpm: 0 })
      return [
        add('piece', piece, pieceOf(world.ids.room, world.categories.Furniture ?? '')),
        add('candidate', candidate, offer),
        ...orderOf(order, candidate, offer, 1, { orderedOn: plainDate('2026-02-01') }),
        add('payment', uuidv7(), {
          ...blank.payment,
          orderId: order,
          direction: 'out',
          amountMinor: minor(10_00),
          paidOn: plainDate('2026-02-02'),
          tender: 'card',
        }),
      ]
    }
    const writer = async (at: number): Promise<void> => {
      const world = worlds[at % 2] ?? ({} as never)
      while (!isOver()) {
        const changeSet = { id: uuidv7(), schemaVersion, sentence: `Writer ${at}`, operations: whole(world) }
        sent.set(changeSet.id, world.ids.makeover)
        for (let tries = 0; ; tries++) {
          const answer = await ask('POST', `/makeovers/${world.ids.makeover}/changes`, changeSet).catch(() => null)
          if (answer?.status === 200) {
            acknowledged.add(changeSet.id)
            break
          }
          // a writer that is not answered asks again with the same id, some give up
          if (answer && answer.status < 500) throw new Error(`${answer.status}: ${await answer.text()}`)
          if (isOver() || (tries > 3 && at === 7)) break
          await pause(40)
        }
      }
    }
    const writers = Promise.all(Array.from({ length: 8 }, (_, at) => writer(at)))
    const back: number[] = []
    for (let kill = 0; kill < 2 * kills; kill++) {
      await pause(150 + Math.random() * 500)
      const before = acknowledged.size
      const killedAt = performance.now()
      if (kill % 2 === 0) {
        const gone = new Promise((resolve) => server.once('exit', resolve))
        server.kill('SIGKILL')
        await gone
        await serve()
      } else {
        process.kill(Number(readFileSync(join(home, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL')
        await pause(100)
        await startPostgres(home, { port: postgres.port })
      }
      await expect.poll(() => acknowledged.size, { timeout: 30_000, interval: 25 }).toBeGreaterThan(before) // the work went on
      back.push(Math.round(performance.now() - killedAt))
    }
    until.stop = true
    await writers

    let rows = 0
    for (const [at, world] of worlds.entries()) {
      const id = world.ids.makeover
      const { makeover, studio } = (await (await ask('GET', `/makeovers/${id}`)).json()) as Opened
      const taken: { rev: number; id: string; rows: unknown[] }[] = []
      for (;;) {
        const page = (await (await ask('GET', `/makeovers/${id}/changes?after=${taken.length}`)).json()) as typeof taken
        if (page.length === 0) break
        taken.push(...page)
      }
      expect(taken.map((entry) => entry.rev)).toEqual(Array.from({ length: makeover.rev }, (_, place) => place + 1)) // each once, none left out
      const ids = new Set(taken.slice(1).map((entry) => entry.id))
      for (const text of acknowledged) if (sent.get(text) === id) expect([at, ids.has(text)]).toEqual([at, true])
      for (const text of ids) expect(sent.get(text)).toBe(id)
      for (const entry of taken.slice(1)) expect(entry.rows).toHaveLength(5)
      for (const kind of ['piece', 'candidate', 'order', 'purchase', 'payment'] as const)
        expect([kind, rowsOf(makeover, kind).length]).toEqual([kind, ids.size])
      const documents = { makeover, studio }
      expect(guard(documents, documents, plainDate('2027-03-01'))).toEqual([])
      expect(reckonMoney(makeover).total).toMatchObject({
        paid: ids.size * 10_00,
        owed: ids.size * 10_00,
        committed: 0,
      })
      rows += ids.size
    }
    expect(rows).toBeGreaterThanOrEqual(acknowledged.size)
    expect(acknowledged.size).toBeGreaterThan(20)
    const waits = back.toSorted((left, right) => left - right)
    if (process.env.TRUST_REPORT)
      appendFileSync(
        process.env.TRUST_REPORT,
        `${2 * kills} kills, ${acknowledged.size} acknowledged changes, none lost; the next one taken ${waits[waits.length >> 1]} ms after a kill (median), ${waits.at(-1)} ms at most\n`,
      )
    const ended = new Promise((resolve) => server.once('exit', resolve))
    server.kill('SIGTERM')
    await ended
    stopPostgres(home)
    rmSync(home, { recursive: true, force: true })
  },
  120_000 + kills * 40_000,
)

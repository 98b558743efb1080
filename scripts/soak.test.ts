/**
 * Served for a long time to people who read, change, print and look at pictures: every answer is right and in time, and the
 * memory of the server does not grow. SOAK_MINUTES=60 for an hour; by itself a quarter of a minute.
 */

import { appendFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuidv7 } from 'uuid'
import { expect, it } from 'vitest'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { demoDecorator } from '#demo/index.ts'
import { build, forkServer } from './built.mjs'
import { ensureDatabase, freePort, startPostgres, stopPostgres } from './postgres.mjs'

const minutes = Number(process.env.SOAK_MINUTES ?? 0.25)

/** What a process holds in memory, in MB. */
const residentOf = (pid: number | undefined): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024
const middle = (values: readonly number[]): number =>
  values.toSorted((left, right) => left - right)[values.length >> 1] ?? 0

it(
  `serves ${minutes} minutes in memory that stays as it was`,
  async () => {
    build()
    const home = mkdtempSync(join(tmpdir(), 'bonitas-soak-'))
    const postgres = await startPostgres(home, { forTests: true })
    const port = await freePort()
    const server = forkServer({
      ...process.env,
      DATABASE_URL: await ensureDatabase(postgres.address),
      PORT: String(port),
      BONITAS_DEMO: 'yes',
      LOG_LEVEL: 'silent',
    })
    await new Promise((resolve) => server.once('message', resolve))
    try {
      let cookie = ''
      const ask = async (method: string, path: string, body?: object): Promise<Response> => {
        const answer = await fetch(`http://127.0.0.1:${port}/api${path}`, {
          method,
          headers: { cookie, ...(body ? { 'content-type': 'application/json' } : {}) },
          ...(body ? { body: JSON.stringify(body) } : {}),
        })
        return answer
      }
      const { email, password } = demoDecorator
      const entered = await ask('POST', '/session', { email, password })
      cookie = entered.headers
        .getSetCookie()
        .map((text) => text.split(';')[0])
        .join('; ')
      const { makeovers } = (await (await ask('GET', '/day')).json()) as { makeovers: { id: string }[] }
      const wrong: string[] = []
      let answers = 0
      const end = Date.now() + minutes * 60_000
      const person = async (at: number): Promise<void> => {
        const id = makeovers[at % makeovers.length]?.id ?? ''
        for (let round = 0; Date.now() < end; round++) {
          const room = uuidv7()
          const change = (operations: object[]): object => ({
            id: uuidv7(),
            schemaVersion,
            sentence: 'A room',
            operations,
          })
          const put = change([add('room', room, { uses: '', name: `Room ${round}` })])
          for (const [method, path, body] of [
            ['GET', '/day'],
            ['GET', `/makeovers/${id}`],
            ['POST', `/makeovers/${id}/changes`, put],
            [
              'POST',
              `/makeovers/${id}/changes`,
              change([{ op: 'remove', kind: 'room', id: room, base: (put as { id: string }).id }]),
            ],
            ['GET', `/makeovers/${id}/diary`],
            ...(round % 10 === 0 ? [['GET', `/makeovers/${id}/client-statement.pdf`] as const] : []),
          ] as const) {
            const answer = await ask(method, path, body)
            await answer.arrayBuffer()
            answers++
            if (answer.status !== 200) wrong.push(`${method} ${path}: ${answer.status}`)
          }
          await new Promise((resolve) => setTimeout(resolve, 50))
        }
      }
      const held: number[] = []
      const look = setInterval(() => held.push(residentOf(server.pid)), (minutes * 60_000) / 60)
      await Promise.all([0, 1, 2, 3].map(person))
      clearInterval(look)
      expect(wrong).toEqual([])
      expect(answers).toBeGreaterThan(minutes * 60)
      // past its first quarter, in which what is read for the first time stays
      const [early, late] = [middle(held.slice(15, 30)), middle(held.slice(-15))]
      if (process.env.TRUST_REPORT)
        appendFileSync(
          process.env.TRUST_REPORT,
          `soak of ${minutes} min: ${answers} answers, memory ${Math.round(early)} MB, then ${Math.round(late)} MB\n`,
        )
      expect(late).toBeLessThan(early * 1.25 + 60)
    } finally {
      server.kill('SIGTERM')
      await new Promise((resolve) => server.once('exit', resolve))
      stopPostgres(home)
      rmSync(home, { recursive: true, force: true })
    }
  },
  180_000 + minutes * 60_000,
)

/** A file with a long history brought in, while somebody of another studio looks at her day. */
import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { v7 as uuidv7 } from 'uuid'
import { apply } from '#core/makeover/change.ts'
import { emptyMakeover, emptyStudio } from '#core/makeover/document.ts'
import { writeParcel } from '#core/parcel/index.ts'
import { begin } from '#core/testing/small-makeover.ts'
import { createApplication } from '#server/application.ts'
import { openNews } from '#server/changes/news.ts'
import { connect } from '#server/database/connection.ts'
import { migrateDatabase } from '#server/database/migrate.ts'
import { openHeavy } from '#server/heavy/heavy.ts'
import { ensureDatabase, startPostgres } from '../scripts/postgres.mjs'

const entries = 6000

function longFile(): Uint8Array {
  const { ids, operations } = begin(uuidv7)
  const { documents } = apply(
    { makeover: emptyMakeover(ids.makeover), studio: emptyStudio(ids.makeover) },
    operations,
    ids.makeover,
  )
  const history = Array.from({ length: entries }, (_, at) => ({
    id: uuidv7(),
    who: 'Somebody',
    madeAt: new Date(Date.parse('2026-01-01T00:00:00Z') + at * 60_000).toISOString(),
    sentence: `Renamed the room, for the ${at}th time`,
    undoes: null,
    rows: [
      {
        kind: 'room',
        rowId: ids.room,
        operation: 'put',
        before: { name: `Room ${at}` },
        after: { name: `Room ${at + 1}` },
      },
    ],
  }))
  return writeParcel(documents, [], history)
}

export async function benchImports(): Promise<void> {
  const home = join(tmpdir(), `bonitas-bench-imports-${process.pid}`)
  const postgres = await startPostgres(home)
  const url = await ensureDatabase(postgres.address)
  await migrateDatabase(url)
  const database = connect(url)
  const log = pino({ level: 'silent' })
  const news = openNews(url, database, log)
  const heavy = openHeavy()
  const clock = (): number => Date.parse('2027-03-01T12:00:00Z')
  const server = createServer(
    createApplication({ database, news, heavy, log, pages: null, clock, failedSignIns: 100, registration: 'open' }),
  )
  server.listen(0, '127.0.0.1')
  await once(server, 'listening')
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
  const person = async (): Promise<string> => {
    const made = await fetch(`${base}/studios`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        studioName: 'A studio',
        timeZone: 'UTC',
        name: 'A person',
        email: `${uuidv7()}@bench.example`,
        password: 'a long enough password',
      }),
    })
    return made.headers
      .getSetCookie()
      .map((text) => text.split(';')[0])
      .join('; ')
  }
  const [sender, reader] = [await person(), await person()]
  const bring = async (bytes: Uint8Array): Promise<number> => {
    const start = performance.now()
    const answer = await fetch(`${base}/imports?as=new`, {
      method: 'POST',
      headers: { cookie: sender, 'content-type': 'application/zip' },
      body: new Uint8Array(bytes),
    })
    if (answer.status !== 201) throw new Error(await answer.text())
    return performance.now() - start
  }
  await bring(longFile()) // the process that reads files is there
  const files = [longFile(), longFile(), longFile()] // written before: that is this process's own time
  const waits: number[] = []
  const looking = { stop: false }
  const isOver = (): boolean => looking.stop
  const look = (async () => {
    while (!isOver()) {
      const start = performance.now()
      await (await fetch(`${base}/day`, { headers: { cookie: reader } })).arrayBuffer()
      waits.push(performance.now() - start)
    }
  })()
  const times: number[] = []
  for (const file of files) times.push(await bring(file))
  looking.stop = true
  await look
  process.stdout.write(
    `import, ${Math.round((files[0]?.length ?? 0) / 1000)} kB, ${entries} entries: ${times.map((ms) => (ms / 1000).toFixed(1)).join(', ')} s (goal: under 3); somebody else waits ${Math.max(...waits).toFixed(0)} ms at most (goal: under 300)\n`,
  )
  server.closeAllConnections()
  server.close()
  await heavy.close()
  await news.close()
  await database.close()
  postgres.stop()
  rmSync(home, { recursive: true, force: true })
}
if (process.argv[1] === import.meta.filename) await benchImports()

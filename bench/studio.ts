/**
 * A studio at work: signing in with a second factor at eight at once, the day page over 200 makeovers, and changes in a database of 5 000
 * studios with 20 makeovers each beside changes in an empty one.
 */
import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { pino } from 'pino'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { add } from '#core/makeover/change.ts'
import { codeAt } from '#server/accounts/second-factor.ts'
import { openNews } from '#server/changes/news.ts'
import { openEarly } from '#server/makeovers/early.ts'
import { makeover, password, person, serveAt, sharedHeavy, type Served, type Speaker } from '#server/testing/studio.ts'
import { migrateDatabase } from '#server/database/migrate.ts'
import { ensureDatabase, startPostgres } from '../scripts/postgres.mjs'

const say = (text: string): boolean => process.stdout.write(`${text}\n`)
const quantile = (times: readonly number[], part: number): number =>
  times.toSorted((left, right) => left - right)[Math.min(times.length - 1, Math.floor(part * times.length))] ?? 0
const timed = async (work: () => PromiseLike<unknown>): Promise<number> => {
  const began = performance.now()
  await work()
  return performance.now() - began
}
const shown = (times: readonly number[]): string =>
  `median ${quantile(times, 0.5).toFixed(0)} ms, p99 ${quantile(times, 0.99).toFixed(0)} ms, of ${times.length}`

async function signIns(served: Served): Promise<void> {
  const people = await Promise.all(Array.from({ length: 8 }, () => person(served)))
  const secrets: string[] = []
  for (const who of people) {
    const { secret } = (await who.post('/second-factor', { password })).body as { secret: string }
    await who.post('/second-factor/confirm', { code: codeAt(secret, served.clock.time) })
    secrets.push(secret)
  }
  const times: number[] = []
  for (let round = 0; round < 10; round++) {
    served.clock.time += 60_000
    times.push(
      ...(await Promise.all(
        people.map(({ email }, at) =>
          timed(async () => {
            const code = codeAt(secrets[at] ?? '', served.clock.time)
            const answer = await request(served.application).post('/api/session').send({ email, password, code })
            if (answer.status !== 200) throw new Error(answer.text)
          }),
        ),
      )),
    )
  }
  say(`Sign-in with a second factor, 8 at once: ${shown(times)} (goal: under 500 ms)`)
}

async function dayPage(served: Served, url: string): Promise<void> {
  const who = await person(served)
  for (let at = 0; at < 200; at++) await makeover(who)
  // another process holds nothing in memory: it is as after a start
  const started = serveAt(url)
  const look = (): Promise<number> =>
    timed(async () => {
      const answer = await request(started.application).get('/api/day').set('cookie', who.cookie)
      if (answer.status !== 200) throw new Error(answer.text)
    })
  say(`Day page of 200 makeovers that nobody laid out: ${(await look()).toFixed(0)} ms`)
  const again = serveAt(url)
  const first = await timed(() => request(again.application).get('/api/day').set('cookie', who.cookie))
  const times: number[] = []
  for (let at = 0; at < 12; at++) times.push(await look())
  say(`Laid out: the first after a start ${first.toFixed(0)} ms, then ${shown(times)} (goal: under 300 ms)`)
  started.clock.time += 86_400_000
  const news = openNews(url, started.database, pino({ level: 'silent' }))
  const early = openEarly({ database: started.database, news, heavy: sharedHeavy(), clock: () => started.clock.time })
  const began = performance.now()
  const laying = early.turn().then(() => performance.now() - began)
  const meanwhile: number[] = []
  for (let at = 0; at < 30; at++) meanwhile.push(await timed(() => who.get('/people')))
  say(
    `Another day is laid out in ${(await laying).toFixed(0)} ms in the background; reads meanwhile: ${shown(meanwhile)}; its day page ${(await look()).toFixed(0)} ms`,
  )
  early.stop()
  await news.close()
  await started.close()
  await again.close()
}

/** Changes one after the other in twenty makeovers of one studio. */
async function changes(who: Speaker, ids: readonly string[], count: number): Promise<number[]> {
  const times: number[] = []
  for (let at = 0; at < count; at++)
    times.push(
      await timed(async () => {
        const answer = await who.change(ids[at % ids.length] ?? '', [
          add('room', uuidv7(), { name: `Room ${at}`, uses: '' }),
        ])
        if (answer.status !== 200) throw new Error(answer.text)
      }),
    )
  return times
}

/** Copies one studio with its makeover to many: every id is made anew of the old one and the number of the copy. */
async function fill(url: string, studioId: string, studios: number, makeovers: number): Promise<number> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  await client.query(`set session_replication_role = replica`) // no triggers: rows are copied as they are
  const { rows: columns } = await client.query<{ table_name: string; column_name: string; data_type: string }>(
    `select table_name, column_name, data_type from information_schema.columns where table_schema = 'public' order by ordinal_position`,
  )
  const tables = new Map<string, { name: string; type: string }[]>()
  for (const { table_name: table, column_name: name, data_type: type } of columns)
    tables.set(table, [...(tables.get(table) ?? []), { name, type }])
  let written = 0
  for (const [table, all] of tables) {
    if (!all.some(({ name }) => name === 'studio_id') || ['sessions', 'blobs'].includes(table)) continue
    const shared = ['studios', 'people', 'sellers'].includes(table)
    const anew = all.map(({ name, type }) => {
      if (name === 'studio_id' || (table === 'studios' && name === 'id')) return `md5('studio ' || s)::uuid`
      if (name === 'email') return `s || email`
      // what belongs to the studio is made once a studio, all else once a makeover
      if (type === 'uuid')
        return `case when t.${name} = $1 then md5('studio ' || s)::uuid else md5(t.${name}::text || s || ' ' || ${shared || name === 'person_id' || name === 'seller_id' ? '0' : 'm'})::uuid end`
      return `t.${name}`
    })
    const { rowCount } = await client.query(
      `insert into ${table} (${all.map(({ name }) => name).join(', ')}) select ${anew.join(', ')} from ${table} t, generate_series(1, ${studios}) s, generate_series(1, ${shared ? 1 : makeovers}) m where t.studio_id = $1 on conflict do nothing`,
      [studioId],
    )
    written += rowCount ?? 0
  }
  await client.query('vacuum analyze')
  await client.query('checkpoint') // what was loaded is written out: its writing is not what is measured
  await client.end()
  return written
}

export async function benchStudio(): Promise<void> {
  const home = join(tmpdir(), `bonitas-bench-${uuidv7()}`)
  const postgres = await startPostgres(home)
  const url = await ensureDatabase(postgres.address)
  await migrateDatabase(url)
  const served = serveAt(url)
  try {
    await signIns(served)
    await dayPage(served, url)
    const who = await person(served)
    const ids: string[] = []
    for (let at = 0; at < 20; at++) ids.push((await makeover(who)).ids.makeover)
    await changes(who, ids, 100)
    const empty = await changes(who, ids, 600)
    say(`Changes in a database with little in it: ${shown(empty)}`)
    const pattern = await person(served)
    await makeover(pattern)
    const [studios, makeovers] = [Number(process.env.STUDIOS ?? 5000), 20]
    const took = performance.now()
    const rows = await fill(url, pattern.studioId, studios, makeovers)
    say(
      `Filled with ${studios} studios of ${makeovers} makeovers, ${rows} rows, in ${((performance.now() - took) / 1000).toFixed(0)} s`,
    )
    await changes(who, ids, 100)
    const full = await changes(who, ids, 600)
    const ratio = quantile(full, 0.99) / quantile(empty, 0.99)
    say(`Changes in it: ${shown(full)}; p99 ${ratio.toFixed(2)} times that of the empty one (goal: 1.5)`)
    say(`Day page of one of its studios: ${(await timed(() => who.get('/day'))).toFixed(0)} ms`)
  } finally {
    await served.close()
    postgres.stop()
    rmSync(home, { recursive: true, force: true })
  }
}

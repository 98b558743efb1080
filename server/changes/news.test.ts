/** Windows and people follow each other: a stream says what changed and who is here, and the diary fills every gap. */
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { advance, rollBack, type DiaryEntry } from '#core/diary/index.ts'
import { add, edit, remove } from '#core/makeover/change.ts'
import { pieceOf } from '#core/testing/small-makeover.ts'
import { pino } from 'pino'
import { createApplication } from '../application.ts'
import { connect, type Database } from '../database/connection.ts'
import {
  helper,
  makeover,
  person,
  serve,
  sharedHeavy,
  type Opened,
  type Served,
  type Speaker,
} from '../testing/studio.ts'
import { openNews, type News } from './news.ts'

let served: Served
let listening: Server
let who: Speaker
/** A second process over the same database, as far as it knows. */
let second: { database: Database; news: News; server: Server }
const listen = (server: Server): Promise<Server> =>
  new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(server)))
const portOf = (server: Server): number => (server.address() as AddressInfo).port

beforeAll(async () => {
  served = await serve(inject('postgres'))
  listening = await listen(createServer(served.application))
  const database = connect(served.url)
  const news = openNews(served.url, database, pino({ level: 'silent' }))
  const application = createApplication({
    database,
    news,
    log: pino({ level: 'silent' }),
    pages: null,
    clock: () => served.clock.time,
    failedSignIns: 100,
    registration: 'open',
    heavy: sharedHeavy(),
  })
  second = { database, news, server: await listen(createServer(application)) }
  who = await person(served)
})
afterAll(async () => {
  for (const server of [listening, second.server]) {
    server.closeAllConnections()
    server.close()
  }
  await second.news.close()
  await second.database.close()
  await served.close()
})

/** A browser that listens: what it heard so far, as event and data. */
async function hears(cookie: string, port = portOf(listening)) {
  const stop = new AbortController()
  const answer = await fetch(`http://127.0.0.1:${port}/api/stream`, { headers: { cookie }, signal: stop.signal })
  const heard: { event: string; document?: string; rev?: number }[] = []
  const read = async (): Promise<void> => {
    let text = ''
    for await (const part of answer.body ?? []) {
      text += Buffer.from(part).toString()
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const fields = new Map(
          text
            .slice(0, end)
            .split('\n')
            .map((line) => [line.slice(0, line.indexOf(':')), line.slice(line.indexOf(':') + 2)]),
        )
        if (fields.has('event'))
          heard.push({ event: fields.get('event') ?? '', ...(JSON.parse(fields.get('data') ?? '{}') as object) })
        text = text.slice(end + 2)
      }
    }
  }
  void read().catch(() => undefined)
  return { status: answer.status, type: answer.headers.get('content-type'), heard, stop: () => stop.abort() }
}
const revs = (heard: { event: string; document?: string; rev?: number }[], id: string): number[] =>
  heard.filter((entry) => entry.event === 'rev' && entry.document === id).map((entry) => entry.rev ?? 0)

describe('a stream', () => {
  it('tells every browser of the studio what changed after it was committed, through every process, and no other studio', async () => {
    const [otherSecond, stranger] = [await helper(served, who), await person(served)]
    const world = await makeover(who)
    const streams = await Promise.all([
      hears(who.cookie),
      hears(otherSecond.cookie),
      hears(otherSecond.cookie, portOf(second.server)),
      hears(stranger.cookie),
    ])
    expect(streams.map((stream) => [stream.status, stream.type])).toEqual(streams.map(() => [200, 'text/event-stream']))
    await expect.poll(() => streams.every((stream) => stream.heard.some((entry) => entry.event === 'again'))).toBe(true)
    await who.change(world.ids.makeover, [add('room', uuidv7(), { uses: '', name: 'Hall' })])
    await expect
      .poll(() => streams.slice(0, 3).map((stream) => revs(stream.heard, world.ids.makeover).at(-1)))
      .toEqual([2, 2, 2])
    expect(streams[3].heard.filter((entry) => entry.event !== 'again')).toEqual([])
    // what was heard of can be read at once: the word went out after the commit
    expect(
      ((await otherSecond.get(`/makeovers/${world.ids.makeover}/changes?after=1`)).body as DiaryEntry[]).map(
        (entry) => entry.rev,
      ),
    ).toEqual([2])
    for (const stream of streams) stream.stop()
  })
  it('coalesces what comes fast, and always ends with the newest rev', async () => {
    const world = await makeover(who)
    const stream = await hears(who.cookie)
    await expect.poll(() => stream.heard.length).toBeGreaterThan(0)
    await Promise.all(
      Array.from({ length: 20 }, (_, at) =>
        who.change(world.ids.makeover, [add('room', uuidv7(), { uses: '', name: `Room ${at}` })]),
      ),
    )
    await expect.poll(() => revs(stream.heard, world.ids.makeover).at(-1)).toBe(21)
    stream.stop()
  })
  it('is refused to whoever is not signed in, and says nothing of a refused change', async () => {
    expect((await hears('')).status).toBe(401)
    const world = await makeover(who)
    const stream = await hears(who.cookie)
    await who.change(world.ids.makeover, [add('room', uuidv7(), { uses: '', name: '' })])
    await who.change(world.ids.makeover, [add('room', uuidv7(), { uses: '', name: 'Said' })])
    await expect.poll(() => revs(stream.heard, world.ids.makeover).filter((rev) => rev > 1)).toEqual([2])
    stream.stop()
  })
  it('says that words may have been missed after the database was away', async () => {
    const stream = await hears(who.cookie)
    await expect.poll(() => stream.heard.length).toBe(1)
    await served.database.pool
      .query(
        `select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen%' and datname = current_database()`,
      )
      .catch(() => undefined)
    const admin = new (await import('pg')).default.Client({ connectionString: served.url })
    await admin.connect()
    await admin.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen%' and datname = current_database()`,
    )
    await admin.end()
    await expect
      .poll(() => stream.heard.filter((entry) => entry.event === 'again').length, { timeout: 5000 })
      .toBeGreaterThan(1)
    const world = await makeover(who)
    await expect.poll(() => revs(stream.heard, world.ids.makeover)).toEqual([1])
    stream.stop()
  })
})

describe('who is here', () => {
  it('is told by name and page, through every process, until they leave', async () => {
    const otherSecond = await helper(served, who, 'Ilo Far')
    const world = await makeover(who)
    const path = `/makeovers/${world.ids.makeover}/here`
    const [mine, theirs] = [uuidv7(), uuidv7()]
    await who.post(path, { window: mine, page: 'brief' })
    await otherSecond.post(path, { window: theirs, page: 'purchases' })
    const everybody = [
      { window: mine, personId: who.personId, name: 'A person', page: 'brief' },
      { window: theirs, personId: otherSecond.personId, name: 'Ilo Far', page: 'purchases' },
    ]
    await expect.poll(async () => (await who.get(path)).body as unknown).toEqual(everybody)
    await expect
      .poll(
        async () =>
          (
            await fetch(`http://127.0.0.1:${portOf(second.server)}/api${path}`, {
              headers: { cookie: otherSecond.cookie },
            })
          ).json() as Promise<unknown>,
      )
      .toEqual(everybody)
    await otherSecond.post(path, { window: theirs, page: null })
    await expect.poll(async () => (await who.get(path)).body as unknown).toEqual(everybody.slice(0, 1))
    expect((await (await person(served)).get(path)).status).toBe(404)
    expect((await who.post(path, { window: 'x', page: 'brief' })).status).toBe(422)
    expect((await who.post(path, { window: mine, page: '<b>' })).status).toBe(422)
    for (const page of ['walls', 'light', 'shelves', 'account', 'shop', 'calendar'])
      expect((await who.post(path, { window: mine, page })).status, page).toBeLessThan(300)
  })
})

describe('the diary', () => {
  it('brings a window from any rev to the newest, and back to any moment', async () => {
    const world = await makeover(who)
    const id = world.ids.makeover
    const seen: Opened[] = [await who.open(id)]
    const piece = uuidv7()
    const step = async (operations: Parameters<Speaker['change']>[1]): Promise<void> => {
      expect((await who.change(id, operations)).status).toBe(200)
      seen.push(await who.open(id))
    }
    const latest = (): Opened['makeover'] => seen.at(-1)?.makeover ?? ({} as never)
    await step([add('piece', piece, pieceOf(world.ids.room, Object.values(world.categories)[0] ?? ''))])
    await step([edit('piece', latest().rows.piece[piece] ?? ({} as never), { name: 'Renamed', quantity: 3 })])
    await step([
      add('room', uuidv7(), { uses: '', name: 'Hall' }),
      edit('piece', latest().rows.piece[piece] ?? ({} as never), { name: 'Again' }),
    ])
    await step([remove('piece', latest().rows.piece[piece] ?? ({} as never))])
    const all = (await who.get(`/makeovers/${id}/changes`)).body as DiaryEntry[]
    for (const [at, opened] of seen.entries()) {
      const later = all.filter((entry) => entry.rev > opened.makeover.rev)
      expect(advance(opened, later)?.makeover).toEqual(latest())
      const back = rollBack({ makeover: latest(), studio: opened.studio }, later.toReversed())
      const bare = (rows: Opened['makeover']['rows']) =>
        JSON.parse(JSON.stringify(rows, (key, value: unknown) => (key === 'version' ? undefined : value))) as unknown
      expect(bare(back.makeover.rows)).toEqual(bare(opened.makeover.rows))
      const moment = (await who.get(`/makeovers/${id}/at/${at + 1}`)).body as Opened & { moment: { rev: number } }
      expect(bare(moment.makeover.rows)).toEqual(bare(opened.makeover.rows))
      expect(moment.moment.rev).toBe(at + 1)
    }
    expect((await who.get(`/makeovers/${id}/at/99`)).status).toBe(404)
    expect((await who.get(`/makeovers/${id}/at/x`)).status).toBe(400)
  })
  it('knows what is one’s own to undo, and the door takes no other', async () => {
    const second = await helper(served, who)
    const world = await makeover(who)
    const id = world.ids.makeover
    const [hall, mine, theirs] = [uuidv7(), uuidv7(), uuidv7()]
    await who.change(id, [add('room', hall, { uses: '', name: 'Hall' })], { id: mine })
    await second.change(id, [add('room', uuidv7(), { uses: '', name: 'Attic' })], { id: theirs })
    const row = (await who.open(id)).makeover.rows.room[hall]
    if (!row) throw new Error('it was added above')
    expect((await who.change(id, [edit('room', row, { name: 'x' })], { undoes: theirs })).body).toMatchObject({
      status: 422,
      detail: expect.stringMatching(/theirs to undo/),
    })
    expect((await who.change(id, [remove('room', row)], { undoes: mine, sentence: 'Undid it' })).status).toBe(200)
    const own = (await who.get(`/makeovers/${id}/diary?mine=yes`)).body as DiaryEntry[]
    expect(own.map((entry) => [entry.rev, entry.undoes])).toEqual([
      [4, mine],
      [2, null],
      [1, null],
    ])
  })
})

/** The day page: kept from one process to the next, reckoned anew where anything moved on, laid out before anybody looks. */
import pg from 'pg'
import { pino } from 'pino'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it, vi } from 'vitest'
import { add, schemaVersion } from '#core/makeover/change.ts'
import { openNews } from '../changes/news.ts'
import type { Heavy } from '../heavy/heavy.ts'
import { Problem } from '../problem.ts'
import { helper, makeover, person, serve, serveAt, sharedHeavy, type Served, type Speaker } from '../testing/studio.ts'
import { openEarly } from './early.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())

const seller = { name: 'Cloth Hall', note: '', adjustDays: null, groupName: '', taxRounding: 'line' as const }
type Line = { id: string; name: string; clients: string[]; line: { agreed: number; left: number } }
const day = async (who: Speaker): Promise<Line[]> => ((await who.get('/day')).body as { makeovers: Line[] }).makeovers
/** As the owner of the database, whom row-level security does not bind. */
async function asOwner<T extends pg.QueryResultRow>(text: string, values: unknown[] = []): Promise<T[]> {
  const client = new pg.Client({ connectionString: served.url })
  await client.connect()
  try {
    return (await client.query<T>(text, values)).rows
  } finally {
    await client.end()
  }
}
/** Marks what is kept, so that it is seen whether a line was kept or reckoned. */
const mark = (studioId: string) =>
  asOwner(`update summaries set summary = jsonb_set(summary, '{name}', '"kept"') where studio_id = $1`, [studioId])
const rowsKept = async (studioId: string): Promise<number> =>
  (await asOwner('select 1 from summaries where studio_id = $1', [studioId])).length

describe('the day page', () => {
  it('shows what was reckoned before, in every process, until a change, the day or what makeovers share moves on', async () => {
    const who = await person(served)
    const worlds = [await makeover(who), await makeover(who), await makeover(who)]
    const fresh = await day(who)
    expect(fresh.map(({ id }) => id).sort()).toEqual(worlds.map(({ ids }) => ids.makeover).sort())
    await mark(who.studioId)
    const elsewhere = serveAt(served.url)
    const there = async (): Promise<Line[]> =>
      ((await request(elsewhere.application).get('/api/day').set('cookie', who.cookie)).body as { makeovers: Line[] })
        .makeovers
    expect((await there()).map(({ name }) => name)).toEqual(['kept', 'kept', 'kept'])
    const changed = worlds[0]?.ids.makeover ?? ''
    await who.change(changed, [add('room', uuidv7(), { name: 'Hall', uses: '' })])
    const after = new Map((await there()).map((line) => [line.id, line.name]))
    expect([...after.values()].sort()).toEqual(['kept', 'kept', fresh.find(({ id }) => id === changed)?.name].sort())
    expect(after.get(changed)).not.toBe('kept')
    await mark(who.studioId)
    elsewhere.clock.time += 86_400_000
    expect((await there()).map(({ name }) => name)).not.toContain('kept')
    elsewhere.clock.time -= 86_400_000
    await day(who)
    await mark(who.studioId)
    const answer = await who.post('/studio/changes', {
      id: uuidv7(),
      schemaVersion,
      sentence: 'A seller',
      operations: [add('seller', uuidv7(), seller)],
    })
    expect([answer.status, answer.body]).toMatchObject([200, {}])
    expect((await there()).map(({ name }) => name)).not.toContain('kept')
    await elsewhere.close()
  })
  it('keeps nothing of another studio, and nothing of a makeover that is gone', async () => {
    const [left, right] = [await person(served), await person(served)]
    const { ids } = await makeover(left)
    await day(left)
    await makeover(right)
    expect((await day(right)).map(({ id }) => id)).not.toContain(ids.makeover)
    expect(await rowsKept(left.studioId)).toBe(1)
  })
})

describe('a day page that nobody looked at yet', () => {
  it('is laid out where somebody is signed in, once a day and after a change of what makeovers share', async () => {
    const who = await person(served)
    for (let count = 0; count < 3; count++) await makeover(who)
    const clock = { time: served.clock.time }
    const news = openNews(served.url, served.database, pino({ level: 'silent' }))
    let busy = true
    const heavy: Pick<Heavy, 'run'> = {
      run: (...asked) =>
        busy ? Promise.reject(new Problem(503, 'busy', 'Busy', 'too much at once')) : sharedHeavy().run(...asked),
    }
    const early = openEarly({ database: served.database, news, heavy, clock: () => clock.time })
    await expect(early.turn()).rejects.toThrow('too much at once')
    busy = false // and it is tried again
    expect(await rowsKept(who.studioId)).toBe(0)
    expect(await early.turn()).toBeGreaterThan(0)
    expect(await rowsKept(who.studioId)).toBe(3)
    await vi.waitFor(async () => expect(await early.turn()).toBe(0)) // the news may just have begun to listen
    const shown = await day(who)
    await helper(served, who, 'Looker-on', { role: 'looker-on', seesCosts: false })
    clock.time += 86_400_000
    await early.turn()
    expect(await rowsKept(who.studioId)).toBe(6)
    await mark(who.studioId)
    served.clock.time = clock.time
    expect((await day(who)).map(({ name, line }) => [name, line.agreed])).toEqual(
      shown.map(({ line }) => ['kept', line.agreed]),
    )
    expect(await early.turn()).toBe(0)
    await who.change(shown[0]?.id ?? '', [add('seller', uuidv7(), seller)])
    await vi.waitFor(async () => expect(await early.turn()).toBe(1))
    const names = await asOwner<{ name: string }>(
      `select summary->>'name' as name from summaries where studio_id = $1`,
      [who.studioId],
    )
    expect(names.map(({ name }) => name)).not.toContain('kept')
    early.stop()
    await news.close()
  })
  it('is left to whoever looks, where nobody is signed in', async () => {
    const who = await person(served)
    await makeover(who)
    const news = openNews(served.url, served.database, pino({ level: 'silent' }))
    const early = openEarly({
      database: served.database,
      news,
      heavy: sharedHeavy(),
      clock: () => served.clock.time + 40 * 86_400_000,
    })
    expect(await early.turn()).toBe(0)
    early.stop()
    await news.close()
  })
})

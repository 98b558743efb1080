/** Every statement that people's work runs, planned by PostgreSQL: each is held to one studio, so that rows may lie apart by studio. */
import pg from 'pg'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { add } from '#core/makeover/change.ts'
import { helper, makeover, person, serve, type Served } from '../testing/studio.ts'

type Asked = { readonly text: string; readonly values: readonly unknown[] }
let served: Served
const asked: Asked[] = []
beforeAll(async () => {
  served = await serve(inject('postgres'))
  // every statement of every connection is written down as it goes out
  served.database.pool.on('connect', (client) => {
    const query = client.query.bind(client) as (...all: unknown[]) => unknown
    client.query = ((what: unknown, values: unknown, ...more: unknown[]) => {
      const told = typeof what === 'string' ? { text: what } : (what as { text: string; values?: unknown })
      const list: unknown = 'values' in told && told.values ? told.values : values
      asked.push({ text: told.text, values: Array.isArray(list) ? (list as unknown[]) : [] })
      return query(what, values, ...more)
    }) as never
  })
})
afterAll(() => served.close())

const scans =
  /(?:Seq Scan|(?<!Bitmap )Index Scan|Index Only Scan|Bitmap Heap Scan)(?: Backward)?(?: using \S+)? on (\w+)/
/**
 * Tables that are looked into before it is known whose studio it is, each by what is presented there: an email, the hash of a token; and by
 * whoever clears up.
 */
const atTheDoor = new Set(['people', 'sessions', 'links', 'tickets', 'studios', 'documents'])
/** What is nobody's, and found by the hash of what is presented. */
const nobodys = new Set(['tries', 'challenges'])

/** What each scan of a plan is held to: the conditions below it, up to the next node. */
function scansOf(plan: readonly string[]): { readonly table: string; readonly held: string }[] {
  return plan.flatMap((line, at) => {
    const [, table] = scans.exec(line) ?? []
    if (table === undefined) return []
    const below = plan.slice(at + 1)
    const end = below.findIndex((next) => next.includes('->') && !next.includes('Bitmap Index Scan'))
    return [{ table, held: (end < 0 ? below : below.slice(0, end)).join(' ') }]
  })
}

describe('the statements of a day’s work', () => {
  it('each carries the studio into every table that it reads', async () => {
    const owner = await person(served)
    const { ids } = await makeover(owner)
    await helper(served, owner)
    await owner.change(ids.makeover, [add('room', uuidv7(), { name: 'Hall', uses: '' })])
    const { makeover: id } = ids
    for (const path of [
      ...'day people letters record sessions studio studio/bought archive templates me/data'
        .split(' ')
        .map((name) => `/${name}`),
      ...['', '/diary', '/changes?after=0', '/signings', '/links', '/export'].map((what) => `/makeovers/${id}${what}`),
    ])
      expect([path, (await owner.get(path)).status]).toEqual([path, 200])
    const work = asked.filter(
      ({ text }) =>
        /^\s*(?:select|with|insert|update|delete)\b/i.test(text) &&
        !/set_config|pg_advisory|pg_notify|^select 1/.test(text),
    )
    const different = [...new Map(work.map((entry) => [entry.text, entry])).values()]
    expect(different.length).toBeGreaterThan(80)
    const client = new pg.Client({ connectionString: served.url, options: '-c role=bonitas_app' })
    client.on('error', () => undefined) // the database goes under it where the test fails
    await client.connect()
    await client.query(`select set_config('bonitas.studio', $1, false)`, [owner.studioId])
    let reads = 0
    for (const { text, values } of different) {
      const { rows } = await client.query<{ 'QUERY PLAN': string }>(`explain (costs off) ${text}`, [...values])
      for (const { table, held } of scansOf(rows.map((row) => row['QUERY PLAN']))) {
        reads++
        if (nobodys.has(table)) {
          expect([table, held]).toEqual([table, expect.stringMatching(/hash = /)])
          continue
        }
        // bonitas_studio() is written out in a plan
        const byStudio =
          /current_setting\('bonitas\.studio'/.test(held) || /studio_id = (?:\w+\.studio_id|'[0-9a-f-]{36}')/.test(held)
        const alone = !/current_setting\('bonitas\.(?!studio)/.test(held)
        expect([text.slice(0, 120), table, byStudio && (alone || atTheDoor.has(table))]).toEqual([
          text.slice(0, 120),
          table,
          true,
        ])
      }
    }
    await client.end()
    expect(reads).toBeGreaterThan(80)
  })
})

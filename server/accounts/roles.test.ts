/** Every route by every role: what is refused, and that no cost is in any answer to whoever is shown none. */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { demoDecorator, demoHelpers } from '#demo/index.ts'
import { inTransaction } from '../database/connection.ts'
import { documents } from '../database/tables.ts'
import { loadDemo } from '../demo.ts'
import { routesOf, type Route } from '../routes.ts'
import { helper, makeover, person, serve, signedIn, testTime, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())

const open = /^\/(?:guest|feeds|join|resets|registration|studios|session(?:\/|$))/
const ask = ({ method, path }: Route, { cookie }: Speaker, id: string) => {
  const filled = path
    .replace(':id', id)
    .replace(/:(?:person|client|invitation|letter|link|session|room|treatment)/g, uuidv7())
  const sent = request(served.application)
    [method.toLowerCase() as 'get'](`/api${filled.replace(/:\w+/g, 'x')}`)
    .set('cookie', cookie)
  return method === 'GET' || method === 'DELETE' ? sent : sent.set('content-type', 'application/json').send('{}')
}
/** Said here again, route by route, so that a way opened by mistake in one list is found by the other. */
const ownersAlone = [
  'GET /invitations',
  'POST /invitations',
  'DELETE /invitations/:invitation',
  'POST /people/:person/role',
  'POST /people/:person/removal',
  'POST /people/:person/sign-out',
  'POST /people/:person/second-factor-off',
  'GET /people/:person/data',
  'GET /makeovers/:id/clients/:client/data',
  'GET /record',
  'GET /studio/export',
  'POST /makeovers/:id/erasures',
]
const forOneself = [
  'DELETE /sessions',
  'DELETE /sessions/:session',
  'POST /password',
  'POST /second-factor',
  'POST /second-factor/confirm',
  'POST /second-factor/off',
  'POST /second-factor/codes',
  'POST /makeovers/:id/here',
  'POST /record/prints',
  'POST /passkeys',
  'POST /passkeys/options',
  'DELETE /passkeys/:passkey',
]
const withoutCosts = [
  'GET /sessions',
  'GET /second-factor',
  'GET /passkeys',
  'GET /me/data',
  'GET /people',
  'GET /stream',
  'GET /day',
  'GET /reach',
  'GET /holidays/:country/:year',
  'GET /makeovers/:id',
  'GET /makeovers/:id/here',
  'GET /makeovers/:id/rooms/:room/:what.:ending',
  'GET /makeovers/:id/rooms/:room/hooks.pdf',
  'GET /makeovers/:id/rooms/:room/placement.:ending',
  'GET /files/:sha256',
  'GET /files/:sha256/thumbnail',
]
const booked = ['POST /files', 'POST /uploads/:sha256', 'PUT /uploads/:sha256/:at']

describe('every route', () => {
  it('is open to a role as far as it holds it, and to nobody of another studio', async () => {
    const owner = await person(served)
    const { makeover: id } = (await makeover(owner)).ids
    const standing = [
      { role: 'member', seesCosts: true },
      { role: 'bookkeeper', seesCosts: true },
      { role: 'looker-on', seesCosts: true },
      { role: 'looker-on', seesCosts: false },
    ] as const
    const others = await Promise.all(standing.map((given) => helper(served, owner, 'Somebody', given)))
    const routes = routesOf(served.application).filter(({ path }) => !open.test(path) && path !== '/stream')
    expect(routes.length).toBeGreaterThan(60)
    for (const route of routes) {
      const said = `${route.method} ${route.path}`
      const isChange = /changes$/.test(route.path) && route.method === 'POST'
      const may = [
        !ownersAlone.includes(said),
        !ownersAlone.includes(said) &&
          (route.method === 'GET' ||
            isChange ||
            [...forOneself, ...booked].some((entry) => said.startsWith(entry.split('/:at')[0] ?? ''))),
        !ownersAlone.includes(said) && (route.method === 'GET' || forOneself.includes(said)),
        [...forOneself, ...withoutCosts].includes(said),
      ]
      for (const [at, who] of others.entries()) {
        if (/^DELETE \/sessions/.test(said) || said === 'POST /password') continue // would sign them out
        const { status, body } = await ask(route, who, id)
        const shut = status === 403 && (body as { type?: string }).type === 'urn:bonitas:problem:role'
        expect([said, standing[at], !shut]).toEqual([said, standing[at], may[at]])
      }
    }
  }, 120_000)
  it('an owner asks for is refused to none of them, and to an owner of another studio shows nothing', async () => {
    const [owner, stranger] = [await person(served), await person(served)]
    const { personId } = await helper(served, owner)
    for (const what of ['role', 'removal', 'sign-out', 'second-factor-off'])
      expect([
        what,
        (await stranger.post(`/people/${personId}/${what}`, { role: 'member', seesCosts: true })).status,
      ]).toEqual([what, 404])
    expect((await owner.get('/people')).body).toHaveLength(2)
  })
})

describe('whoever is shown no costs', () => {
  const mark = 731_928_451
  /** The mark in minor units, and as sums are written, with a few of the last digits rounded off. */
  const told = (text: string): string =>
    isTold(text) ? text.slice(Math.max(0, text.search(shape) - 120), text.search(shape) + 40) : ''
  const isTold = (text: string): boolean => shape.test(text)
  const shape = /7[\s.,’'\u00a0\u202f]?319[\s.,’'\u00a0\u202f]?284/
  it('finds no cost, price, margin or trade discount in any answer', async () => {
    const own = await serve(inject('postgres'))
    const { password } = await loadDemo(own.database, testTime)
    // every sum of every table is the mark: as the owner of the tables, past all guards
    const client = new pg.Client({ connectionString: own.url })
    await client.connect()
    const { rows } = await client.query<{ table_name: string; column_name: string }>(
      `select table_name, column_name from information_schema.columns where table_schema = 'public' and column_name like '%\\_minor'`,
    )
    expect(rows.length).toBeGreaterThan(30)
    for (const { table_name: table, column_name: column } of rows)
      await client.query(`update ${table} set ${column} = ${mark} where ${column} is not null`)
    await client.query(`update candidates set trade_ppm = 319273, discount_ppm = 319274`)
    await client.end()
    const { studioId } = await signedIn(own, { email: demoDecorator.email, password })
    const all = await inTransaction(own.database, { studio: studioId }, (tx) => tx.select().from(documents))
    for (const { id } of all) own.database.memory.forget(studioId, id)
    const looker = demoHelpers.find(({ seesCosts }) => !seesCosts)
    const [owner, who] = [
      await signedIn(own, { email: demoDecorator.email, password }),
      await signedIn(own, { email: looker?.email ?? '', password }),
    ]
    const { makeovers } = (await who.get('/day')).body as { makeovers: { id: string }[] }
    expect(makeovers).toHaveLength(3)
    const folder = mkdtempSync(join(tmpdir(), 'bonitas-roles-'))
    const texts: string[] = []
    for (const { id } of makeovers) {
      const opened = await who.open(id)
      texts.push(JSON.stringify(opened))
      expect(isTold(JSON.stringify(await owner.open(id)))).toBe(true) // the mark is there for who may see it
      for (const room of Object.keys(opened.makeover.rows.room))
        for (const what of ['placement.pdf', 'placement.svg', 'plan.pdf', 'plan.svg', 'survey.pdf', 'hooks.pdf']) {
          const answer = await who.fetch(`/makeovers/${id}/rooms/${room}/${what}`)
          if (answer.status !== 200) continue
          const bytes = answer.body as Buffer
          if (!what.endsWith('.pdf')) texts.push(bytes.toString())
          else {
            writeFileSync(join(folder, 'a.pdf'), bytes)
            texts.push(execFileSync('pdftotext', ['-layout', join(folder, 'a.pdf'), '-'], { encoding: 'utf8' }))
          }
        }
      for (const route of routesOf(own.application).filter(
        ({ method, path }) => method === 'GET' && path.includes(':id'),
      ))
        texts.push(
          (
            await who.get(
              route.path.replace(':id', id).replace(':rev', '1').replace(':reader', 'studio').replace(':ending', 'csv'),
            )
          ).text,
        )
    }
    for (const path of [
      '/day',
      '/people',
      '/templates',
      '/letters',
      '/record',
      '/put-away',
      '/archive',
      '/me/data',
      '/sessions',
    ])
      texts.push((await who.get(path)).text)
    rmSync(folder, { recursive: true })
    expect(texts.length).toBeGreaterThan(60)
    for (const text of texts) {
      expect(told(text)).toBe('')
      expect(text).not.toMatch(/31927[34]/)
    }
    await own.close()
  }, 180_000)
  it('does not get the picture of a bill, and gets that of a piece', async () => {
    const own = await serve(inject('postgres'))
    const { password } = await loadDemo(own.database, testTime)
    const owner = await signedIn(own, { email: demoDecorator.email, password })
    const who = await signedIn(own, { email: demoHelpers.find(({ seesCosts }) => !seesCosts)?.email ?? '', password })
    const { makeovers } = (await owner.get('/day')).body as { makeovers: { id: string }[] }
    const files = (await Promise.all(makeovers.map(({ id }) => owner.open(id)))).flatMap(({ makeover: opened }) =>
      Object.values(opened.rows.attachment),
    )
    const bills = files.filter(({ orderId, deliveryId }) => orderId !== null || deliveryId !== null)
    const pictures = files.filter((file) => !bills.some(({ sha256 }) => sha256 === file.sha256))
    expect(Math.min(bills.length, pictures.length)).toBeGreaterThan(0)
    for (const { sha256 } of bills) expect((await who.get(`/files/${sha256}`)).status).toBe(404)
    for (const { sha256 } of pictures) expect((await who.get(`/files/${sha256}`)).status).toBe(200)
    await own.close()
  }, 120_000)
})

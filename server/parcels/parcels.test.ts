/** Makeovers leave as files and come back from them, here and in another installation, with nothing lost and nothing half done. */
import { unzipSync, zipSync } from 'fflate'
import request from 'supertest'
import sharp from 'sharp'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { demoDecorator } from '#demo/index.ts'
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { readParcel, writeParcel, underNewIds } from '#core/parcel/index.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { countingIds } from '#core/testing/small-makeover.ts'
import { loadDemo } from '../demo.ts'
import { inTransaction } from '../database/connection.ts'
import { changes, documents } from '../database/tables.ts'
import { makeover, person, serve, signedIn, type Opened, type Served, type Speaker } from '../testing/studio.ts'
import type { DryRun } from './arrive.ts'
import { sha256Of } from '../digest.ts'

let here: Served
let there: Served
let decorator: Speaker
let demo: { id: string }[]
beforeAll(async () => {
  ;[here, there] = await Promise.all([serve(inject('postgres')), serve(inject('postgres'))])
  await loadDemo(here.database, here.clock.time)
  decorator = await signedIn(here, demoDecorator)
  demo = ((await decorator.get('/day')).body as { makeovers: { id: string }[] }).makeovers
})
afterAll(() => Promise.all([here.close(), there.close()]))

type Who = Pick<Speaker, 'cookie' | 'get'>
const send = (served: Served, who: Who, path: string, bytes: Uint8Array) =>
  request(served.application)
    .post(`/api${path}`)
    .set('cookie', who.cookie)
    .set('content-type', 'application/zip')
    .send(Buffer.from(bytes))
const exported = async (served: Served, who: Who, id: string, history = true): Promise<Buffer> => {
  const answer = await request(served.application)
    .get(`/api/makeovers/${id}/export${history ? '?history=yes' : ''}`)
    .set('cookie', who.cookie)
    .buffer(true)
    .parse(binary)
  expect(answer.status).toBe(200)
  return answer.body as Buffer
}
/** The bytes of an answer as they came. */
function binary(response: request.Response, done: (error: Error | null, body: Buffer) => void): void {
  const parts: Buffer[] = []
  const stream = response as unknown as NodeJS.ReadableStream
  stream.on('data', (part: Buffer) => parts.push(part))
  stream.on('end', () => done(null, Buffer.concat(parts)))
}
const counts = async (served: Served, studioId: string): Promise<number[]> =>
  inTransaction(served.database, { studio: studioId }, async (tx) => [
    (await tx.select().from(documents)).length,
    (await tx.select().from(changes)).length,
  ])

describe('export, import, export', () => {
  it.each([true, false])(
    'into another installation gives the same bytes and the same reckoning (history: %s)',
    async (history) => {
      const stranger = await person(there)
      for (const { id } of demo) {
        const first = await exported(here, decorator, id, history)
        const dry = (await send(there, stranger, '/imports/dry', first)).body as DryRun
        expect(dry).toMatchObject({ id, exists: false, ways: { new: { faults: [] }, itself: null } })
        const brought = await send(there, stranger, '/imports?as=new', first)
        expect(brought.status, brought.text).toBe(201)
        expect(Buffer.compare(await exported(there, stranger, id, history), first)).toBe(0)
        const [mine, theirs] = [await decorator.open(id), (await stranger.get(`/makeovers/${id}`)).body as Opened]
        expect(reckon(theirs, plainDate('2027-03-01')).money.total).toEqual(
          reckon(mine, plainDate('2027-03-01')).money.total,
        )
        expect(reckon(theirs, plainDate('2027-03-01')).remarks.map((remark) => remark.key)).toEqual(
          reckon(mine, plainDate('2027-03-01')).remarks.map((remark) => remark.key),
        )
      }
    },
    120_000,
  )
  it('with its history shows any earlier moment there as here, told by whoever did it', async () => {
    const stranger = await person(there)
    const id = demo[0]?.id ?? ''
    await send(there, stranger, '/imports?as=new', await exported(here, decorator, id))
    const [mine, theirs] = [
      (await decorator.get(`/makeovers/${id}/at/5`)).body,
      (await stranger.get(`/makeovers/${id}/at/5`)).body,
    ] as (Opened & { moment: { who: string } })[]
    expect(Object.keys(theirs?.makeover.rows.piece ?? {})).toEqual(Object.keys(mine?.makeover.rows.piece ?? {}))
    expect(theirs?.moment.who).toBe(demoDecorator.name)
    // what another did is not hers to undo there
    expect((await stranger.get(`/makeovers/${id}/diary?mine=yes`)).body).toEqual([])
  })
  it('over itself changes nothing, and brings back what was changed since', async () => {
    const who = await person(here)
    const world = await makeover(who)
    const id = world.ids.makeover
    const first = await exported(here, who, id, false)
    expect((await send(here, who, '/imports?as=itself', first)).body).toEqual({ id, rev: 1, changed: false })
    const room = (await who.open(id)).makeover.rows.room[world.ids.room]
    if (!room) throw new Error('it was begun with a room')
    await who.change(id, [
      edit('room', room, { name: 'Renamed' }),
      add('room', uuidv7(), { uses: '', name: 'Another' }),
    ])
    const dry = (await send(here, who, '/imports/dry', first)).body as DryRun
    expect(dry.ways.itself).toEqual({ puts: 1, removes: 1, faults: [] })
    expect((await who.open(id)).makeover.rev).toBe(2)
    expect((await send(here, who, '/imports?as=itself', first)).body).toEqual({ id, rev: 3, changed: true })
    expect(Buffer.compare(await exported(here, who, id, false), first)).toBe(0)
  })
  it('over itself never takes money back that moved since: that is said, and nothing changes', async () => {
    const who = await person(here)
    const world = await makeover(who)
    const id = world.ids.makeover
    const credit = add('credit', uuidv7(), {
      ...blank.credit,
      sellerId: world.ids.seller,
      kind: 'gift card',
      number: '1',
      faceMinor: minor(50_00),
      gotOn: plainDate('2027-02-01'),
      expiresOn: null,
    })
    const first = await exported(here, who, id)
    const [piece, candidate, orderId] = [uuidv7(), uuidv7(), uuidv7()]
    const { candidateOf, orderOf, pieceOf } = await import('#core/testing/small-makeover.ts')
    const offer = candidateOf(piece, world.ids.seller)
    expect(
      (
        await who.change(id, [
          credit,
          add('piece', piece, pieceOf(world.ids.room, Object.values(world.categories)[0] ?? '')),
          add('candidate', candidate, offer),
          ...orderOf(orderId, candidate, offer, 1),
          add('payment', uuidv7(), {
            ...blank.payment,
            orderId,
            direction: 'out',
            amountMinor: minor(20_00),
            paidOn: plainDate('2027-02-02'),
            tender: 'card',
          }),
        ])
      ).status,
    ).toBe(200)
    const answer = await send(here, who, '/imports?as=itself', first)
    expect(answer.status).toBe(422)
    expect((answer.body as { detail: string }).detail).toMatch(/a payment is never changed or taken away/)
    expect((await who.open(id)).makeover.rev).toBe(2)
  })
  it('as a copy is equal but for ids, and goes its own way', async () => {
    const id = demo.at(-1)?.id ?? ''
    const first = await exported(here, decorator, id)
    const { id: copy } = (await send(here, decorator, '/imports?as=copy', first)).body as { id: string }
    expect(copy).not.toBe(id)
    const [left, right] = [first, await exported(here, decorator, copy)].map((bytes) =>
      underNewIds(readParcel(bytes, sha256Of), countingIds(1)),
    )
    if (!left || !right) throw new Error('both were read')
    expect(
      Buffer.compare(
        writeParcel(right.documents, right.files, right.history),
        writeParcel(left.documents, left.files, left.history),
      ),
    ).toBe(0)
    const room = rowsOf((await decorator.open(copy)).makeover, 'room')[0]
    if (!room) throw new Error('it has a room')
    expect((await decorator.change(copy, [edit('room', room, { name: 'Elsewhere' })])).status).toBe(200)
    expect(Buffer.compare(await exported(here, decorator, id), first)).toBe(0)
  })
  it('in a studio of another practice keeps its own, so that it is reckoned as it was', async () => {
    const who = await person(here)
    const world = await makeover(who)
    await who.change(world.ids.makeover, [add('studioRuling', uuidv7(), { rule: 'dates.buffer', value: 9 })])
    const bytes = await exported(here, who, world.ids.makeover, false)
    const stranger = await person(here)
    await makeover(stranger)
    const dry = (await send(here, stranger, '/imports/dry', bytes)).body as DryRun
    expect(dry.ownPractice).toEqual(['dates.buffer'])
    await send(here, stranger, '/imports?as=new', bytes)
    const brought = await stranger.open(world.ids.makeover)
    expect(reckon(brought, plainDate('2027-03-01')).practice.rules['dates.buffer']).toBe(9)
    expect(Object.values(brought.studio.rows.studioRuling)).toEqual([])
  })
  it('of a studio has every makeover, each to be brought in by itself', async () => {
    const all = await request(here.application)
      .get('/api/studio/export')
      .set('cookie', decorator.cookie)
      .buffer(true)
      .parse(binary)
    const entries = unzipSync(all.body as Buffer)
    const own = JSON.parse(Buffer.from(entries['studio.json'] ?? []).toString()) as { name: string; people: unknown[] }
    expect(own).toMatchObject({
      name: 'Wren & Tide',
      people: [{ email: demoDecorator.email, role: 'owner' }, {}, {}, {}],
    })
    expect(JSON.stringify(own)).not.toMatch(/argon2|passwordHash|totp/)
    for (const { id } of demo)
      expect(
        Buffer.compare(Buffer.from(entries[`makeovers/${id}.zip`] ?? []), await exported(here, decorator, id)),
      ).toBe(0)
  })
})

describe('a file that cannot be brought in', () => {
  it.each([
    ['is damaged', (bytes: Buffer) => bytes.subarray(0, 900), /zip/],
    ['says another type', (bytes: Buffer) => zipSync({ ...unzipSync(bytes), 'run.sh': Buffer.from('x') }), /run\.sh/],
    [
      'breaks a rule of the whole',
      (bytes: Buffer) => spoilt(bytes, (rows) => (rows.client = [])),
      /at least one client|agreement\[0\]\.signedById/,
    ],
  ])('because it %s is refused with the place, and nothing changes', async (_name, spoil, message) => {
    const who = await person(there)
    const before = await counts(there, who.studioId)
    const bytes = spoil(await exported(here, decorator, demo[0]?.id ?? '', false))
    for (const path of ['/imports/dry', '/imports?as=new']) {
      const answer = await send(there, who, path, bytes)
      if (path === '/imports/dry' && answer.status === 200)
        expect(JSON.stringify((answer.body as DryRun).ways.new)).toMatch(message)
      else {
        expect(answer.status).toBe(422)
        expect((answer.body as { detail: string }).detail).toMatch(message)
      }
    }
    expect(await counts(there, who.studioId)).toEqual(before)
  })
  it('because a picture in it is a page is refused', async () => {
    const who = await person(there)
    const page = Buffer.from('<!doctype html><script>alert(1)</script>')
    const bytes = withFile(await exported(here, decorator, demo[0]?.id ?? '', false), page)
    const answer = await send(there, who, '/imports?as=new', bytes)
    expect(answer.status).toBe(415)
    expect(await counts(there, who.studioId)).toEqual([1, 1])
  })
  it('a picture with its place in it loses the place on the way in', async () => {
    const who = await person(there)
    const taken = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#888' } })
      .png()
      .withExif({ IFD0: { Make: 'A camera' } })
      .toBuffer()
    const id = demo[0]?.id ?? ''
    const answer = await send(
      there,
      who,
      '/imports?as=new',
      withFile(await exported(here, decorator, id, false), taken),
    )
    expect(answer.status, answer.text).toBe(201)
    const back = readParcel(await exported(there, who, id, false), sha256Of)
    for (const file of back.files) expect(Buffer.from(file.bytes).includes('A camera')).toBe(false)
  })
  it('that is here already, or no longer, is said', async () => {
    const id = demo[0]?.id ?? ''
    const bytes = await exported(here, decorator, id)
    expect((await send(here, decorator, '/imports?as=new', bytes)).body).toMatchObject({
      status: 409,
      detail: expect.stringMatching(/over itself, or as a copy/),
    })
    expect((await send(there, await person(there), '/imports?as=itself', bytes)).status).toBe(409)
    expect((await send(here, decorator, '/imports?as=all', bytes)).status).toBe(400)
    expect((await send(here, decorator, '/imports?as=copy', new Uint8Array())).status).toBe(400)
  })
})

type Rows = Record<string, Record<string, unknown>[]>
function spoilt(bytes: Buffer, change: (rows: Rows) => void): Uint8Array {
  const entries = unzipSync(bytes)
  const json = JSON.parse(Buffer.from(entries['makeover.json'] ?? []).toString()) as { rows: Rows }
  change(json.rows)
  return zipSync({ ...entries, 'makeover.json': Buffer.from(JSON.stringify(json)) })
}

/** The same file, with other bytes for its first picture, and the row told so. */
function withFile(bytes: Buffer, content: Buffer): Uint8Array {
  const { [`files/`]: _none, ...entries } = unzipSync(bytes)
  const first = Object.keys(entries).find((name) => name.startsWith('files/')) ?? ''
  const json = JSON.parse(Buffer.from(entries['makeover.json'] ?? []).toString()) as { rows: Rows }
  const rows = (json.rows.attachment ?? []).map((row) =>
    `files/${String(row.sha256)}` === first ? { ...row, sha256: sha256Of(content), bytes: content.length } : row,
  )
  json.rows.attachment = rows
  const { [first]: _former, ...rest } = entries
  return zipSync({
    ...rest,
    'makeover.json': Buffer.from(JSON.stringify(json)),
    [`files/${sha256Of(content)}`]: content,
  })
}

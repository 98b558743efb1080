/** What a file says of itself that nothing here vouches for: signatures, and sums beyond what was agreed. */
import { spawnSync } from 'node:child_process'
import { unzipSync, zipSync } from 'fflate'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { keepBrief } from '#core/brief/index.ts'
import { add } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { pieceOf } from '#core/testing/small-makeover.ts'
import type { Signed } from '../changes/signings.ts'
import { makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'
import type { DryRun } from './arrive.ts'

let there: Served
beforeAll(async () => {
  there = await serve(inject('postgres'))
})
afterAll(() => there.close())

const send = (who: Speaker, path: string, bytes: Uint8Array) =>
  request(there.application)
    .post(`/api${path}`)
    .set('cookie', who.cookie)
    .set('content-type', 'application/zip')
    .send(Buffer.from(bytes))
const exported = async (who: Speaker, id: string): Promise<Buffer> =>
  (await who.fetch(`/makeovers/${id}/export`)).body as Buffer
const pdf = async (who: Speaker, id: string): Promise<Buffer> =>
  (await who.fetch(`/makeovers/${id}/brief.pdf`)).body as Buffer

type Told = { rows: Record<string, Record<string, unknown>[]> }
/** The file with something else in it. */
function rezipped(bytes: Uint8Array, change: (first: (kind: string) => Record<string, unknown>) => void): Uint8Array {
  const { 'makeover.json': main, ...entries } = unzipSync(bytes)
  const told = JSON.parse(Buffer.from(main ?? []).toString()) as Told
  change((kind) => told.rows[kind]?.[0] ?? {})
  return zipSync({ 'makeover.json': Buffer.from(JSON.stringify(told)), ...entries })
}

describe('what a file says is signed', () => {
  const textOf = (bytes: Buffer): string =>
    spawnSync('pdftotext', ['-q', '-', '-'], { input: bytes, encoding: 'utf8' }).stdout.replace(/\s+/g, ' ')
  const signingsOf = async (who: Speaker, id: string) => (await who.get(`/makeovers/${id}/signings`)).body as Signed[]

  it('is not taken for signed here, neither on the page nor on paper', async () => {
    const who = await person(there)
    const world = await makeover(who)
    const { makeover: id } = world.ids
    const [own] = await signingsOf(who, id)
    expect(own).toMatchObject({ here: { typedBy: 'A person', typedAt: '2027-03-01T12:00:00.000Z', holds: true } })
    expect(textOf(await pdf(who, id))).toMatch(
      /A person entered it on their behalf on 1 Mar 2027, which is later than the day it bears/,
    )
    const file = await exported(who, id)
    const opened = await who.open(id)
    const forged = rezipped(file, (first) => {
      const brief = keepBrief(opened, String(first('agreement').id))
      first('agreement').kept = JSON.stringify({ ...brief, sums: [{ category: 'Everything', amountMinor: 99_999_00 }] })
    })
    const stranger = await person(there)
    expect((await send(stranger, '/imports?as=new', forged)).status).toBe(201)
    expect(await signingsOf(stranger, id)).toMatchObject([{ here: null }])
    expect(textOf(await pdf(stranger, id))).toMatch(
      /A file that was brought in says: signed by .* It was not signed here/,
    )
    // over itself too: what the file adds as signed is not vouched for
    expect((await send(who, '/imports?as=itself', file)).status).toBe(201)
    expect(await signingsOf(who, id)).toEqual([own])
  })
  it('that is no brief is refused with the place', async () => {
    const who = await person(there)
    const world = await makeover(who)
    for (const kept of ['rubbish', '[]', '{"name":1}', '{"sums":[]}', 'null'])
      expect(
        (
          await send(
            who,
            '/imports/dry',
            rezipped(await exported(who, world.ids.makeover), (first) => {
              first('agreement').kept = kept
            }),
          )
        ).body,
      ).toMatchObject({ status: 422, detail: expect.stringMatching(/rows\.agreement\[0\]\.kept: is no brief/) })
  })
  it('and comes to more than was agreed is said before, and stands over until a change is signed', async () => {
    const who = await person(there)
    const world = await makeover(who)
    const { makeover: id } = world.ids
    const piece = uuidv7()
    expect(
      (await who.change(id, [add('piece', piece, pieceOf(world.ids.room, Object.values(world.categories)[0] ?? ''))]))
        .status,
    ).toBe(200)
    const over = rezipped(await exported(who, id), (first) => {
      first('piece').allowanceMinor = 7_000_00
    })
    const stranger = await person(there)
    const dry = (await send(stranger, '/imports/dry', over)).body as DryRun
    expect(dry).toMatchObject({ signed: 1, money: { agreed: 6_000_00, forecast: 7_000_00, over: 1_000_00 } })
    expect((await send(stranger, '/imports?as=new', over)).status).toBe(201)
    const { makeover: opened, studio, today } = await stranger.open(id)
    expect(reckon({ makeover: opened, studio }, plainDate(today)).money.total.over).toBe(1_000_00)
  })
})

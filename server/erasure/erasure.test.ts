/** What was erased is nowhere any more: searched for byte by byte in a dump of the whole database. */
import { v7 as uuidv7 } from 'uuid'
import sharp from 'sharp'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import { erased, formerClient, withoutNames } from '#core/makeover/erase.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { reckonMoney } from '#core/purchases/index.ts'
import { client as runClient } from '../../scripts/postgres.mjs'
import type { Signed } from '../changes/signings.ts'
import { order, planned } from '../testing/planned.ts'
import { makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'
import { clearUp } from './put-away.ts'

let served: Served
let who: Speaker
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
})
afterAll(() => served.close())
const day = 86_400_000
/** Everything the database holds, as text. */
const dump = (): string => {
  const { ok, said } = runClient('pg_dump', served.url, ['--no-owner'])
  if (!ok) throw new Error(said)
  return said
}

describe('a name', () => {
  it.each([
    ['Ida Heron likes it', ['Ida Heron'], `${erased} likes it`],
    ['for IDA HERON and for Idaho', ['Ida Heron', 'Ida'], `for ${erased} and for Idaho`],
    ['Ida’s chair, Idas, (ida)', ['Ida'], `${erased}’s chair, Idas, (${erased})`],
    ['Øystein and Ø', ['Ø'], `Øystein and ${erased}`],
    ['a.b', ['a.b', '('], erased],
    ['nobody', [], 'nobody'],
  ])('in “%s” goes as a whole word', (text, names, left) => {
    expect(withoutNames(text, names)).toBe(left)
  })
})

describe('erasing a client', () => {
  it('leaves their name and what was noted of them nowhere, and every sum as it was', async () => {
    const world = await planned(who, 400_00)
    const { id } = world
    const opened = await who.open(id)
    const client = Object.values(opened.makeover.rows.client)[0]
    const room = Object.values(opened.makeover.rows.room)[0]
    const need = uuidv7()
    if (!client || !room) throw new Error('no client')
    const say = async (sentence: string, operations: Parameters<Speaker['change']>[1]) => {
      const answer = await who.change(id, operations, { sentence })
      expect(answer.status, answer.text).toBe(200)
    }
    await say('Named the client Zebulon Quagga', [edit('client', client, { name: 'Zebulon Quagga' })])
    await say('Noted what Zebulon wants', [
      add('need', need, {
        ...blank.need,
        roomId: room.id,
        zoneId: null,
        name: 'A seat for Zebulon',
        importance: 'must',
        who: 'Zebulon, bad knee',
      }),
      add('constraint', uuidv7(), {
        roomId: null,
        reason: 'access',
        forbids: 'paint',
        note: 'wheezing Quagga',
      }),
    ])
    const noted = (await who.open(id)).makeover.rows.need[need]
    if (!noted) throw new Error('no need')
    await say('Took the knee out', [edit('need', noted, { who: '' })])
    await say('Ordered', order(world, {}, uuidv7()))
    const before = await who.open(id)
    expect(dump().includes('Zebulon')).toBe(true)

    const asked = { clientId: client.id, names: ['Zebulon', 'Quagga'], notes: false }
    const nobody = await who.post(`/makeovers/${id}/erasures/dry`, { names: ['Nobody', 'Anybody'] })
    expect(nobody.body).toEqual({ rows: 0, changes: 0, files: 0 })
    const dry = await who.post(`/makeovers/${id}/erasures/dry`, asked)
    expect(dry.body).toMatchObject({ rows: 3, files: 0 })
    expect((dry.body as { changes: number }).changes).toBeGreaterThanOrEqual(3)
    expect((await who.post(`/makeovers/${id}/erasures`, asked)).status).toBe(200)

    const after = await who.open(id)
    expect(after.makeover.rows.client[client.id]?.name).toBe(formerClient)
    expect(after.makeover.rows.need[need]?.name).toBe(`A seat for ${erased}`)
    expect(reckonMoney(after.makeover)).toEqual({ ...reckonMoney(before.makeover) })
    expect(/zebulon|quagga|bad knee|wheezing/i.exec(dump())).toBeNull()
    // what was signed still holds, and the history is all there
    const [signed] = (await who.get(`/makeovers/${id}/signings`)).body as Signed[]
    expect(signed?.here).toMatchObject({ holds: true })
    const told = (await who.get(`/makeovers/${id}/diary`)).body as { sentence: string }[]
    expect(told[0]?.sentence).toBe('Erased a name')
    expect(told.map(({ sentence }) => sentence)).toContain(
      `Named the client ${erased} ${erased}`.replace(`${erased} ${erased}`, erased),
    )
  })
  it('is for whoever knows whom: a stranger’s client, an empty list and rubbish are refused', async () => {
    const [mine, stranger] = [await makeover(who), await person(served)]
    const theirs = await makeover(stranger)
    const erasures = (body: object) => who.post(`/makeovers/${mine.ids.makeover}/erasures`, body)
    expect((await erasures({ clientId: theirs.ids.client })).status).toBe(404)
    expect((await erasures({})).status).toBe(422)
    expect((await erasures({ names: ['x'] })).status).toBe(422)
    expect((await erasures({ names: [{}] })).status).toBe(422)
    expect((await stranger.post(`/makeovers/${mine.ids.makeover}/erasures`, { names: ['client'] })).status).toBe(404)
  })
})

describe('a makeover that is put away', () => {
  it('is seen nowhere, comes back as it was, and is gone with its files after thirty days', async () => {
    const own = await person(served)
    const [away, stays] = [await makeover(own), await makeover(own)]
    const id = away.ids.makeover
    const picture = async (colour: string): Promise<{ sha256: string; bytes: number }> => {
      const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: colour } })
        .png()
        .toBuffer()
      return (
        await request(served.application)
          .post('/api/files')
          .set('cookie', own.cookie)
          .set('content-type', 'image/png')
          .send(bytes)
      ).body as { sha256: string; bytes: number }
    }
    const hang = async (file: { sha256: string; bytes: number }, on: typeof away) =>
      own.change(on.ids.makeover, [
        add('attachment', uuidv7(), {
          ...blank.attachment,
          name: 'x.png',
          addedOn: plainDate('2027-03-01'),
          mediaType: 'image/png',
          roomId: on.ids.room,
          ...file,
        } as never),
      ])
    const [only, shared] = [await picture('#a00'), await picture('#0a0')]
    for (const [file, on] of [
      [only, away],
      [shared, away],
      [shared, stays],
    ] as const)
      expect((await hang(file, on)).status).toBe(200)
    const before = await own.open(id)

    const putAway = (name: string) => own.post(`/makeovers/${id}/put-away`, { name })
    expect((await putAway('Another name')).status).toBe(422)
    expect((await putAway(before.makeover.rows.makeover[id]?.name ?? '')).status).toBe(204)
    expect(((await own.get('/day')).body as { makeovers: { id: string }[] }).makeovers.map((line) => line.id)).toEqual([
      stays.ids.makeover,
    ])
    for (const path of ['', '/changes', '/export', '/at/1', '/brief.pdf', '/signings', '/here'])
      expect([path, (await own.get(`/makeovers/${id}${path}`)).status]).toEqual([path, 404])
    expect((await own.get(`/makeovers/${id}/diary`)).body).toEqual([])
    expect((await own.change(id, [add('room', uuidv7(), { uses: '', name: 'x' })])).status).toBe(404)
    expect((await own.get('/put-away')).body).toMatchObject([{ id }])
    expect((await who.post(`/makeovers/${id}/bring-back`, {})).status).toBe(404)

    expect(await clearUp(served.database, served.clock.time + 29 * day)).toMatchObject({ makeovers: 0 })
    expect((await own.post(`/makeovers/${id}/bring-back`, {})).status).toBe(204)
    const again = await own.get(`/makeovers/${id}`)
    expect((again.body as typeof before).makeover).toEqual(before.makeover)

    const loose = await picture('#00a')
    await clearUp(served.database, Date.now())
    expect(dump().includes(loose.sha256)).toBe(true) // it may be on its way to hang on something
    expect((await putAway(before.makeover.rows.makeover[id]?.name ?? '')).status).toBe(204)
    expect(await clearUp(served.database, served.clock.time + 31 * day)).toMatchObject({ makeovers: 1 })
    const left = dump()
    expect(left.includes(id)).toBe(false)
    expect(left.includes(only.sha256)).toBe(false)
    expect(left.includes(shared.sha256)).toBe(true)
    expect(left.includes(loose.sha256)).toBe(false) // it hung on nothing all that time
    expect((await own.open(stays.ids.makeover)).makeover.rev).toBe(2)
  })
  it('cannot be taken out of the diary in any other way', async () => {
    const { makeover: id } = (await makeover(who)).ids
    await expect(
      served.database.pool.query(
        `select set_config('bonitas.studio', '${who.studioId}', false), bonitas_forget('${id}')`,
      ),
    ).rejects.toThrow(/no makeover that was put away/)
  })
  it('is not brought in anew from its file meanwhile', async () => {
    const own = await person(served)
    const { makeover: id } = (await makeover(own)).ids
    const file = (await own.fetch(`/makeovers/${id}/export`)).body as Buffer
    const { name } = (await own.open(id)).makeover.rows.makeover[id] ?? { name: '' }
    expect((await own.post(`/makeovers/${id}/put-away`, { name })).status).toBe(204)
    const answer = await request(served.application)
      .post('/api/imports?as=new')
      .set('cookie', own.cookie)
      .set('content-type', 'application/zip')
      .send(file)
    expect([answer.status, answer.text]).toEqual([409, expect.stringMatching(/was put away here/)])
  })
})

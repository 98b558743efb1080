/** The studio's own rows, its archive, and what is kept of somebody as one file. */
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, remove, schemaVersion, type Operation } from '#core/makeover/change.ts'
import type { Studio } from '#core/makeover/document.ts'
import { helper, makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
beforeAll(async () => {
  served = await serve(inject('postgres'))
})
afterAll(() => served.close())
const change = (who: Speaker, operations: readonly Operation[], id = uuidv7()) =>
  who.post('/studio/changes', { id, schemaVersion, sentence: 'A change', operations })
const studioOf = async (who: Speaker): Promise<Studio> => ((await who.get('/studio')).body as { studio: Studio }).studio
const stool = (fields: object = {}) => add('stock', uuidv7(), { ...blank.stock, name: 'Reed stool', ...fields })

describe('the rows of a studio', () => {
  it('are changed with no makeover open, stand in every makeover, and the same change sent twice is made once', async () => {
    const who = await person(served)
    const { ids } = await makeover(who)
    const before = await studioOf(who)
    const [id, operations] = [uuidv7(), [stool()]]
    expect((await change(who, operations, id)).body).toEqual({ rev: before.rev + 1, repeated: false })
    expect((await change(who, operations, id)).body).toEqual({ rev: before.rev + 1, repeated: true })
    expect((await change(who, [stool()], id)).status).toBe(422)
    expect(Object.values((await who.open(ids.makeover)).studio.rows.stock).map(({ name }) => name)).toEqual([
      'Reed stool',
    ])
    // and a makeover that is changed after it stands on it
    expect((await who.change(ids.makeover, [add('room', uuidv7(), { name: 'Hall', uses: '' })])).status).toBe(200)
  })
  it('that two change at once: other fields merge, the same field is told', async () => {
    const who = await person(served)
    const entry = stool()
    await change(who, [entry])
    const row = (await studioOf(who)).rows.stock[entry.id]
    if (!row) throw new Error('a row is expected')
    expect((await change(who, [edit('stock', row, { lies: 'rack 1' })])).status).toBe(200)
    expect((await change(who, [edit('stock', row, { note: 'one leg is loose' })])).status).toBe(200)
    expect((await change(who, [edit('stock', row, { lies: 'rack 2' })])).status).toBe(409)
    expect((await studioOf(who)).rows.stock[entry.id]).toMatchObject({ lies: 'rack 1', note: 'one leg is loose' })
  })
  it.each([
    ['a row of a makeover', () => add('room', uuidv7(), { name: 'x', uses: '' }), /studio alone/],
    ['lent and no day', () => stool({ lentTo: 'The hall' }), /since when/],
    [
      'back before it was lent',
      () => stool({ lentTo: 'The hall', lentOn: '2027-03-02', backOn: '2027-03-01' }),
      /before it was lent/,
    ],
    [
      'a seller that is not there',
      () => add('sellerEntry', uuidv7(), { ...blank.sellerEntry, sellerId: uuidv7() }),
      /seller/,
    ],
  ])('that are %s are refused with why, and nothing is kept', async (_name, operation, why) => {
    const who = await person(served)
    const before = await studioOf(who)
    const answer = await change(who, [stool(), operation()])
    expect([answer.status, (answer.body as { detail: string }).detail]).toEqual([422, expect.stringMatching(why)])
    expect(await studioOf(who)).toEqual(before)
  })
  it('of the sellers’ book stay at home when a makeover goes out, and what was bought is counted over all makeovers', async () => {
    const who = await person(served)
    const { ids } = await makeover(who)
    await change(who, [
      add('sellerEntry', uuidv7(), { ...blank.sellerEntry, sellerId: ids.seller, contact: 'Noll at the counter' }),
    ])
    const file = (await who.fetch(`/makeovers/${ids.makeover}/export`)).body as Buffer
    expect(file.toString('latin1')).not.toContain('Noll')
    expect((await who.get('/studio/bought')).body).toEqual([])
    const seller = (await studioOf(who)).rows.seller[ids.seller]
    if (!seller) throw new Error('a seller is expected')
    expect((await change(who, [remove('seller', seller)])).status).toBe(422) // its entry points at it
  })
})

describe('the archive', () => {
  it('keeps a makeover out of the day and unchanged, also by a client’s link or an undo, until it is taken up', async () => {
    const who = await person(served)
    const { ids } = await makeover(who)
    const day = async () =>
      ((await who.get('/day')).body as { makeovers: { id: string }[] }).makeovers.map(({ id }) => id)
    expect((await who.post(`/makeovers/${ids.makeover}/archive`, {})).status).toBe(204)
    expect((await who.post(`/makeovers/${ids.makeover}/archive`, {})).status).toBe(404)
    expect(await day()).toEqual([])
    const hall = [add('room', uuidv7(), { name: 'Hall', uses: '' })]
    expect((await who.change(ids.makeover, hall)).body).toMatchObject({
      status: 422,
      detail: expect.stringMatching(/archive/) as unknown,
    })
    expect((await who.get(`/makeovers/${ids.makeover}`)).body).toMatchObject({
      archivedAt: expect.any(String) as unknown,
    })
    expect((await who.get('/archive')).body).toMatchObject([{ id: ids.makeover }])
    expect((await who.post(`/makeovers/${ids.makeover}/take-up`, {})).status).toBe(204)
    expect((await who.change(ids.makeover, hall)).status).toBe(200)
    expect(await day()).toEqual([ids.makeover])
  })
  it('holds nothing of another studio, nor the studio itself', async () => {
    const [who, stranger] = [await person(served), await person(served)]
    const { ids } = await makeover(who)
    expect((await stranger.post(`/makeovers/${ids.makeover}/archive`, {})).status).toBe(404)
    expect((await who.post(`/makeovers/${who.studioId}/archive`, {})).status).toBe(404)
  })
})

describe('what is kept', () => {
  it('of a person is one file with what they did, and no secret', async () => {
    const owner = await person(served)
    const { ids } = await makeover(owner)
    const second = await helper(served, owner, 'Second Hand')
    await second.change(ids.makeover, [add('room', uuidv7(), { name: 'Hall', uses: '' })], { sentence: 'Added a hall' })
    const answer = await owner.get(`/people/${second.personId}/data`)
    expect(answer.headers['content-disposition']).toMatch(/attachment/)
    expect(answer.body).toMatchObject({
      format: 'bonitas.person',
      person: { name: 'Second Hand', email: second.email, role: 'member' },
      changes: [{ sentence: 'Added a hall', makeoverId: ids.makeover }],
    })
    expect(answer.text).not.toMatch(/argon2|totp|token|hash/i)
    expect((await second.get('/me/data')).body).toEqual(answer.body)
    expect((await second.get(`/people/${owner.personId}/data`)).status).toBe(403)
    expect((await (await person(served)).get(`/people/${second.personId}/data`)).status).toBe(404)
  })
  it('of a client is one file with the rows that name or point at them, and nobody else’s', async () => {
    const owner = await person(served)
    const { ids } = await makeover(owner)
    const opened = await owner.open(ids.makeover)
    const client = opened.makeover.rows.client[ids.client]
    if (!client) throw new Error('a client is expected')
    const second = uuidv7()
    const changed = await owner.change(ids.makeover, [
      add('client', second, { name: 'Somebody Else' }),
      add('need', uuidv7(), {
        ...blank.need,
        zoneId: null,
        roomId: ids.room,
        name: `A desk for ${client.name}`,
        importance: 'must',
        who: '',
      } as never),
      add('need', uuidv7(), {
        ...blank.need,
        zoneId: null,
        roomId: ids.room,
        name: 'A desk for Somebody Else',
        importance: 'must',
        who: '',
      } as never),
    ])
    expect(changed.status).toBe(200)
    const told = (await owner.get(`/makeovers/${ids.makeover}/clients/${ids.client}/data`)).body as {
      rows: { kind: string; row: { name?: string } }[]
    }
    const names = told.rows.map(({ row }) => row.name)
    expect(names).toContain(`A desk for ${client.name}`)
    expect(names).not.toContain('A desk for Somebody Else')
    expect(told.rows.map(({ kind }) => kind)).toContain('agreement')
    expect((await owner.get(`/makeovers/${ids.makeover}/clients/${uuidv7()}/data`)).status).toBe(404)
  })
})

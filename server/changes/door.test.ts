import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { add, edit, remove } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { reckonMoney } from '#core/purchases/index.ts'
import { candidateOf, pieceOf } from '#core/testing/small-makeover.ts'
import { inTransaction } from '../database/connection.ts'
import { changedRows, clients } from '../database/tables.ts'
import { order, planned } from '../testing/planned.ts'
import { person, serve, type Served } from '../testing/studio.ts'

let served: Served
let who: Awaited<ReturnType<typeof person>>
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
})
afterAll(() => served.close())

describe('the door', () => {
  it('takes a change, raises the rev and gives it back as it was sent', async () => {
    const world = await planned(who, 100_00)
    const opened = await who.open(world.id)
    expect(opened.makeover.rev).toBe(2)
    expect(opened.makeover.rows.candidate[world.candidate]).toMatchObject(world.offer)
    expect(opened.today).toBe('2027-03-01')
  })
  it('is repeatable: the same id with the same content changes nothing twice, with other content it is refused', async () => {
    const world = await planned(who, 100_00)
    const id = uuidv7()
    const room = uuidv7()
    const operations = [add('room', room, { uses: '', name: 'Hall' })]
    expect((await who.change(world.id, operations, { id })).body).toEqual({ rev: 3, repeated: false })
    expect((await who.change(world.id, operations, { id })).body).toEqual({ rev: 3, repeated: true })
    const response = await who.change(world.id, [add('room', room, { uses: '', name: 'Other' })], { id })
    expect(response.status).toBe(422)
    expect((await who.open(world.id)).makeover.rev).toBe(3)
  })
  it('is repeatable when both come at once', async () => {
    const world = await planned(who, 100_00)
    const id = uuidv7()
    const operations = [add('room', uuidv7(), { uses: '', name: 'Hall' })]
    const answers = await Promise.all(Array.from({ length: 6 }, () => who.change(world.id, operations, { id })))
    expect(answers.map((answer) => answer.status)).toEqual([200, 200, 200, 200, 200, 200])
    expect(answers.filter((answer) => (answer.body as { repeated: boolean }).repeated)).toHaveLength(5)
    expect((await who.open(world.id)).makeover.rev).toBe(3)
  })
  it('does all of a change or nothing', async () => {
    const world = await planned(who, 100_00)
    const answer = await who.change(world.id, [
      add('room', uuidv7(), { uses: '', name: 'Hall' }),
      add('room', uuidv7(), { uses: '', name: '' }),
    ])
    expect(answer.status).toBe(422)
    const opened = await who.open(world.id)
    expect(opened.makeover.rev).toBe(2)
    expect(Object.values(opened.makeover.rows.room)).toHaveLength(1)
  })
  it('merges two people’s changes to different fields of a row, and shows both where it is the same field', async () => {
    const world = await planned(who, 100_00)
    const seen = (await who.open(world.id)).makeover.rows.piece[world.piece]
    if (!seen) throw new Error('the piece was planned above')
    expect((await who.change(world.id, [edit('piece', seen, { name: 'Renamed' })])).status).toBe(200)
    expect((await who.change(world.id, [edit('piece', seen, { quantity: 2 })])).status).toBe(200)
    const late = await who.change(world.id, [edit('piece', seen, { name: 'Renamed by another' })])
    expect(late.status).toBe(409)
    expect(late.headers['content-type']).toMatch(/application\/problem\+json/)
    expect(late.body).toMatchObject({
      conflicts: [{ kind: 'piece', fields: ['name'], current: { name: 'Renamed', quantity: 2 } }],
    })
    const stale = await who.change(world.id, [remove('piece', seen)])
    expect(stale.status).toBe(409)
    expect((await who.open(world.id)).makeover.rows.piece[world.piece]).toMatchObject({ name: 'Renamed', quantity: 2 })
  })
  it('answers 409 for a row that another took away', async () => {
    const world = await planned(who, 100_00)
    const room = uuidv7()
    await who.change(world.id, [add('room', room, { uses: '', name: 'Hall' })])
    const seen = (await who.open(world.id)).makeover.rows.room[room]
    if (!seen) throw new Error('the room was added above')
    expect((await who.change(world.id, [remove('room', seen)])).status).toBe(200)
    expect((await who.change(world.id, [edit('room', seen, { name: 'Hall again' })])).body).toMatchObject({
      conflicts: [{ current: null }],
    })
  })
  it('keeps a diary of what was, and of clients only the names of the fields', async () => {
    const world = await planned(who, 100_00)
    const seen = await who.open(world.id)
    const client = seen.makeover.rows.client[world.ids.client]
    const piece = seen.makeover.rows.piece[world.piece]
    if (!client || !piece) throw new Error('they were made above')
    await who.change(
      world.id,
      [edit('client', client, { name: 'Somebody Private' }), edit('piece', piece, { name: 'Renamed' })],
      { sentence: 'Renamed both' },
    )
    const [entry] = (await who.get(`/makeovers/${world.id}/changes?after=2`)).body as [
      { sentence: string; rows: unknown[] },
    ]
    expect(entry).toMatchObject({
      sentence: 'Renamed both',
      rev: 3,
      personId: who.personId,
      rows: [
        { kind: 'client', before: { name: '(personal)' }, after: { name: '(personal)' } },
        { kind: 'piece', before: { name: 'A piece' }, after: { name: 'Renamed' } },
      ],
    })
    const kept = await inTransaction(served.database, { studio: who.studioId }, (tx) => tx.select().from(changedRows))
    expect(JSON.stringify(kept)).not.toContain('Somebody Private')
    expect(
      JSON.stringify(await inTransaction(served.database, { studio: who.studioId }, (tx) => tx.select().from(clients))),
    ).toContain('Somebody Private')
  })
})

describe('the money rule', () => {
  it('refuses one of two orders made at once that together break the agreed sum', async () => {
    for (let round = 0; round < 5; round++) {
      const world = await planned(who, 3_500_00)
      const second = { piece: uuidv7(), candidate: uuidv7() }
      const offer = candidateOf(second.piece, world.ids.seller, { priceMinor: minor(3_500_00), taxPpm: 0 })
      // planned with small allowances and nothing chosen: each order by itself fits the 6 000 agreed
      const first = (await who.open(world.id)).makeover.rows.piece[world.piece]
      if (!first) throw new Error('the piece was planned above')
      await who.change(world.id, [
        edit('piece', first, { chosenId: null }),
        add('piece', second.piece, pieceOf(world.ids.room, Object.values(world.categories)[1] ?? '')),
        add('candidate', second.candidate, offer),
      ])
      const answers = await Promise.all([
        who.change(world.id, order(world)),
        who.change(world.id, order({ candidate: second.candidate, offer })),
      ])
      expect(answers.map((answer) => answer.status).sort()).toEqual([200, 422])
      expect(answers.find((answer) => answer.status === 422)?.body).toMatchObject({
        type: 'urn:bonitas:problem:over-agreed',
        status: 422,
      })
      const { total } = reckonMoney((await who.open(world.id)).makeover)
      expect(total.owed).toBe(3_500_00)
      expect(total.over).toBe(0)
    }
  })
  it('refuses an order over the agreed sum, and takes it with a signed change', async () => {
    const world = await planned(who, 6_000_01)
    const refused = await who.change(world.id, order(world))
    expect(refused.status).toBe(422)
    expect((refused.body as { detail: string }).detail).toMatch(/0\.01 over the agreed 6\u00a0000\.00/)
    const id = uuidv7()
    const sums = Object.values(world.categories).map((categoryId) =>
      add('agreementLine', uuidv7(), { agreementId: id, categoryId, amountMinor: minor(4_000_00) }),
    )
    const signed = add('agreement', id, {
      number: 2,
      contingencyMinor: minor(0),
      signedById: world.ids.client,
      signedOn: plainDate('2027-03-01'),
      reason: 'Dearer than thought',
      kept: '',
    })
    expect((await who.change(world.id, [signed, ...sums, ...order(world)])).status).toBe(200)
  })
  it('lets only one of two people sign the same change', async () => {
    const world = await planned(who, 100_00)
    const sign = () => {
      const id = uuidv7()
      return who.change(world.id, [
        add('agreement', id, {
          number: 2,
          contingencyMinor: minor(0),
          signedById: world.ids.client,
          signedOn: plainDate('2027-03-01'),
          reason: 'More',
          kept: '',
        }),
        add('agreementLine', uuidv7(), {
          agreementId: id,
          categoryId: Object.values(world.categories)[0] ?? '',
          amountMinor: minor(9_000_00),
        }),
      ])
    }
    const answers = await Promise.all([sign(), sign()])
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 422])
    expect(answers.find((answer) => answer.status === 422)?.body).toMatchObject({
      faults: [{ field: 'number', message: expect.stringMatching(/expected version 3/) }],
    })
  })
  it('lets only one of two people sign the same draft', async () => {
    const world = await planned(who, 100_00, { signed: false })
    const draft = (await who.open(world.id)).makeover.rows.agreement[world.ids.agreement]
    if (!draft) throw new Error('the draft was made above')
    const sign = () =>
      who.change(world.id, [
        edit('agreement', draft, { signedById: world.ids.client, signedOn: plainDate('2027-03-01') }),
      ])
    const answers = await Promise.all([sign(), sign()])
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409])
  })
})

import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { blank, termsOf } from '#core/makeover/blank.ts'
import { add, edit, remove, schemaVersion, type Operation } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { reckonMoney } from '#core/purchases/index.ts'
import { candidateOf, pieceOf, orderOf } from '#core/testing/small-makeover.ts'
import { inTransaction } from '../database/connection.ts'
import { changedRows, clients, payments, purchases } from '../database/tables.ts'
import { makeover, person, serve, type Served } from '../testing/studio.ts'

let served: Served
let who: Awaited<ReturnType<typeof person>>
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
})
afterAll(() => served.close())

/** A piece with a chosen candidate of a price, tax apart, in a new makeover. */
async function planned(price: number, options?: Parameters<typeof makeover>[1]) {
  const world = await makeover(who, options)
  const [piece, candidate] = [uuidv7(), uuidv7()]
  const offer = candidateOf(piece, world.ids.seller, { priceMinor: minor(price), taxPpm: 0 })
  const answer = await who.change(world.ids.makeover, [
    add(
      'piece',
      piece,
      pieceOf(world.ids.room, Object.values(world.categories)[0] ?? '', {
        quantity: 1,
        chosenId: candidate,
        chosenReason: 'Good',
      }),
    ),
    add('candidate', candidate, offer),
  ])
  expect(answer.status, answer.text).toBe(200)
  return { ...world, id: world.ids.makeover, piece, candidate, offer }
}
const order = (
  plan: { candidate: string; offer: Parameters<typeof orderOf>[2] },
  fields: Parameters<typeof orderOf>[4] = {},
  id = uuidv7(),
): Operation[] => orderOf(id, plan.candidate, plan.offer, 1, fields)

describe('the door', () => {
  it('takes a change, raises the rev and gives it back as it was sent', async () => {
    const world = await planned(100_00)
    const opened = await who.open(world.id)
    expect(opened.makeover.rev).toBe(2)
    expect(opened.makeover.rows.candidate[world.candidate]).toMatchObject(world.offer)
    expect(opened.today).toBe('2027-03-01')
  })
  it('is repeatable: the same id with the same content changes nothing twice, with other content it is refused', async () => {
    const world = await planned(100_00)
    const id = uuidv7()
    const room = uuidv7()
    const operations = [add('room', room, { name: 'Hall' })]
    expect((await who.change(world.id, operations, { id })).body).toEqual({ rev: 3, repeated: false })
    expect((await who.change(world.id, operations, { id })).body).toEqual({ rev: 3, repeated: true })
    const response = await who.change(world.id, [add('room', room, { name: 'Other' })], { id })
    expect(response.status).toBe(422)
    expect((await who.open(world.id)).makeover.rev).toBe(3)
  })
  it('is repeatable when both come at once', async () => {
    const world = await planned(100_00)
    const id = uuidv7()
    const operations = [add('room', uuidv7(), { name: 'Hall' })]
    const answers = await Promise.all(Array.from({ length: 6 }, () => who.change(world.id, operations, { id })))
    expect(answers.map((answer) => answer.status)).toEqual([200, 200, 200, 200, 200, 200])
    expect(answers.filter((answer) => (answer.body as { repeated: boolean }).repeated)).toHaveLength(5)
    expect((await who.open(world.id)).makeover.rev).toBe(3)
  })
  it('does all of a change or nothing', async () => {
    const world = await planned(100_00)
    const answer = await who.change(world.id, [
      add('room', uuidv7(), { name: 'Hall' }),
      add('room', uuidv7(), { name: '' }),
    ])
    expect(answer.status).toBe(422)
    const opened = await who.open(world.id)
    expect(opened.makeover.rev).toBe(2)
    expect(Object.values(opened.makeover.rows.room)).toHaveLength(1)
  })
  it('merges two people’s changes to different fields of a row, and shows both where it is the same field', async () => {
    const world = await planned(100_00)
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
    const world = await planned(100_00)
    const room = uuidv7()
    await who.change(world.id, [add('room', room, { name: 'Hall' })])
    const seen = (await who.open(world.id)).makeover.rows.room[room]
    if (!seen) throw new Error('the room was added above')
    expect((await who.change(world.id, [remove('room', seen)])).status).toBe(200)
    expect((await who.change(world.id, [edit('room', seen, { name: 'Hall again' })])).body).toMatchObject({
      conflicts: [{ current: null }],
    })
  })
  it('keeps a diary of what was, and of clients only the names of the fields', async () => {
    const world = await planned(100_00)
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
      const world = await planned(3_500_00)
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
    const world = await planned(6_000_01)
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
    const world = await planned(100_00)
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
    const world = await planned(100_00, { signed: false })
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

describe('bad input on the route', () => {
  const cases: [string, (world: Awaited<ReturnType<typeof planned>>) => Operation[], string, RegExp][] = [
    [
      'a negative price',
      (world) => [add('candidate', uuidv7(), { ...world.offer, priceMinor: -1 as never })],
      'priceMinor',
      /below zero/,
    ],
    [
      'a pack of 0',
      (world) => [add('candidate', uuidv7(), { ...world.offer, packSize: 0 })],
      'packSize',
      /more than 0/,
    ],
    [
      'a comma for decimals',
      (world) => [add('candidate', uuidv7(), { ...world.offer, priceMinor: '640,00' as never })],
      'priceMinor',
      /whole number of minor units/,
    ],
    [
      '"1e3"',
      (world) => [add('candidate', uuidv7(), { ...world.offer, priceMinor: '1e3' as never })],
      'priceMinor',
      /whole number of minor units/,
    ],
    [
      'an emoji for a price',
      (world) => [add('candidate', uuidv7(), { ...world.offer, priceMinor: '🪑' as never })],
      'priceMinor',
      /whole number of minor units/,
    ],
    [
      'a 300-character name',
      (world) => [add('candidate', uuidv7(), { ...world.offer, name: 'x'.repeat(300) })],
      'name',
      /at most 120 characters, this has 300/,
    ],
    [
      'an order before the agreement',
      (world) => order(world, { orderedOn: plainDate('2027-01-09') }),
      'orderedOn',
      /before the budget was agreed/,
    ],
    [
      'a seller who is not there',
      (world) => [add('candidate', uuidv7(), { ...world.offer, sellerId: uuidv7() })],
      'sellerId',
      /not there/,
    ],
    [
      'a piece of another makeover',
      (world) => [add('candidate', uuidv7(), { ...world.offer, pieceId: uuidv7() })],
      'pieceId',
      /not there/,
    ],
  ]
  it.each(cases)('%s is answered with where and what was expected', async (_name, operations, field, message) => {
    const world = await planned(100_00)
    const answer = await who.change(world.id, operations(world))
    expect(answer.status).toBe(422)
    expect(answer.headers['content-type']).toMatch(/application\/problem\+json/)
    const { faults } = answer.body as { faults: { field: string; message: string }[] }
    expect(
      faults.some((fault) => fault.field === field && message.test(fault.message)),
      answer.text,
    ).toBe(true)
    expect((await who.open(world.id)).makeover.rev).toBe(2)
  })
  it('a refund above what was paid is refused, and what was paid stays', async () => {
    const world = await planned(100_00)
    const purchaseId = uuidv7()
    const pay = (direction: 'out' | 'back', amount: number) =>
      add('payment', uuidv7(), {
        ...blank.payment,
        orderId: purchaseId,
        direction,
        amountMinor: minor(amount),
        paidOn: plainDate('2027-02-02'),
        tender: 'card',
      })
    expect((await who.change(world.id, [...order(world, {}, purchaseId), pay('out', 60_00)])).status).toBe(200)
    expect((await who.change(world.id, [pay('back', 60_01)])).body).toMatchObject({
      status: 422,
      faults: [{ field: 'amountMinor', message: expect.stringMatching(/60\.01 back, 60\.00 paid/) }],
    })
    expect(reckonMoney((await who.open(world.id)).makeover).total.paid).toBe(60_00)
  })
  it('an emoji in a name is kept as it was typed', async () => {
    const world = await planned(100_00)
    const room = uuidv7()
    expect((await who.change(world.id, [add('room', room, { name: 'Salon 🎻 № 2' })])).status).toBe(200)
    expect((await who.open(world.id)).makeover.rows.room[room]?.name).toBe('Salon 🎻 № 2')
  })
  it.each([
    ['no body', undefined],
    ['a list', '[]'],
    ['broken JSON', '{"id":'],
    ['too much', JSON.stringify({ sentence: 'x'.repeat(2_000_000) })],
    [
      'a prototype',
      JSON.stringify({
        id: uuidv7(),
        schemaVersion,
        sentence: 'x',
        operations: [{ op: 'put', kind: '__proto__', id: uuidv7(), base: null, fields: {} }],
      }),
    ],
  ])('%s is a problem detail, never a 500', async (_name, body) => {
    const world = await planned(100_00)
    const sent = who.post(`/makeovers/${world.id}/changes`, {}).set('content-type', 'application/json')
    const answer = await (body === undefined ? sent : sent.send(body))
    expect(answer.status).toBeGreaterThanOrEqual(400)
    expect(answer.status).toBeLessThan(500)
    expect(answer.body).toMatchObject({ title: expect.any(String), detail: expect.any(String), status: answer.status })
  })
})

describe('the tables, where the core is passed by', () => {
  it('refuse what the core would refuse', async () => {
    const world = await planned(100_00)
    const own = { studioId: who.studioId, makeoverId: world.id, version: uuidv7() }
    const write = (work: Parameters<typeof inTransaction<unknown>>[2]) =>
      inTransaction(served.database, { studio: who.studioId }, work)
    const orderId = uuidv7()
    const sold = {
      ...termsOf(world.offer),
      orderId,
      pieceId: world.piece,
      candidateId: world.candidate,
      packs: 1,
      couponMinor: 0,
    }
    expect((await who.change(world.id, order(world, {}, orderId))).status).toBe(200)
    await expect(write((tx) => tx.insert(purchases).values({ ...own, id: uuidv7(), ...sold }))).resolves.toBeDefined()
    await expect(
      write((tx) => tx.insert(purchases).values({ ...own, id: uuidv7(), ...sold, priceMinor: -1 })),
    ).rejects.toThrow()
    await expect(
      write((tx) => tx.insert(purchases).values({ ...own, id: uuidv7(), ...sold, packs: 0 })),
    ).rejects.toThrow()
    await expect(
      write((tx) => tx.insert(purchases).values({ ...own, id: uuidv7(), ...sold, candidateId: uuidv7() })),
    ).rejects.toThrow()
    await expect(
      write((tx) =>
        tx.insert(payments).values({
          ...own,
          id: uuidv7(),
          orderId: uuidv7(),
          direction: 'out',
          amountMinor: 1,
          paidOn: '2027-02-02',
          tender: 'card',
          reversesId: null,
        }),
      ),
    ).rejects.toThrow()
  })
})

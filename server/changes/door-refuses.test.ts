import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { blank, termsOf } from '#core/makeover/blank.ts'
import { add, schemaVersion, type Operation } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { reckonMoney } from '#core/purchases/index.ts'
import { inTransaction } from '../database/connection.ts'
import { loadDocuments } from '../database/documents.ts'
import { payments, purchases } from '../database/tables.ts'
import { order, planned } from '../testing/planned.ts'
import { person, serve, type Served } from '../testing/studio.ts'

let served: Served
let who: Awaited<ReturnType<typeof person>>
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
})
afterAll(() => served.close())

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
    const world = await planned(who, 100_00)
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
    const world = await planned(who, 100_00)
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
    const world = await planned(who, 100_00)
    const room = uuidv7()
    expect((await who.change(world.id, [add('room', room, { uses: '', name: 'Salon 🎻 № 2' })])).status).toBe(200)
    expect((await who.open(world.id)).makeover.rows.room[room]?.name).toBe('Salon 🎻 № 2')
  })
  it.each([
    ['a set nested 20 000 deep', `${'['.repeat(20_000)}${']'.repeat(20_000)}`],
    [
      'a field nested 20 000 deep',
      `{"id":"${uuidv7()}","schemaVersion":${schemaVersion},"sentence":"x","operations":[{"op":"put","kind":"room","id":"${uuidv7()}","base":null,"fields":{"name":${'['.repeat(20_000)}${']'.repeat(20_000)}}}]}`,
    ],
    [
      'a value that pretends to be a text',
      JSON.stringify({
        id: uuidv7(),
        schemaVersion,
        sentence: 'x',
        operations: [{ op: 'put', kind: 'room', id: uuidv7(), base: null, fields: { name: { toString: 1 } } }],
      }),
    ],
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
    const world = await planned(who, 100_00)
    const sent = asked(world.id)
    const answer = await (body === undefined ? sent : sent.send(body))
    expect(answer.status).toBeGreaterThanOrEqual(400)
    expect(answer.status).toBeLessThan(500)
    expect(answer.body).toMatchObject({ title: expect.any(String), detail: expect.any(String), status: answer.status })
  })
})

describe('money that nobody meant', () => {
  it('a price that no sum can hold is refused with where, and the makeover stays as it was', async () => {
    const world = await planned(who, 100_00)
    const terms = { ...world.offer, priceMinor: minor(1_000_000_000_000), packSize: 0.001 }
    const answer = await who.change(world.id, [
      add('candidate', uuidv7(), terms),
      {
        op: 'put',
        kind: 'piece',
        id: world.piece,
        base: await versionOf('piece', world),
        fields: { quantity: 100_000 },
      },
    ])
    expect(answer.body).toMatchObject({ status: 422, faults: [{ code: 'too-much', field: 'priceMinor' }] })
    expect((await who.open(world.id)).makeover.rev).toBe(2)
  })
  it('a payment beyond what is owed wants its reason', async () => {
    const world = await planned(who, 400_00)
    const orderId = uuidv7()
    await who.change(world.id, order(world, {}, orderId))
    const pay = (reason: string) =>
      who.change(world.id, [
        add('payment', uuidv7(), {
          ...blank.payment,
          orderId,
          direction: 'out',
          amountMinor: minor(1_000_000_00),
          paidOn: plainDate('2027-02-02'),
          tender: 'card',
          reason,
        }),
      ])
    expect((await pay('')).body).toMatchObject({
      status: 422,
      faults: [
        { code: 'overpaid', field: 'reason', message: expect.stringMatching(/more is paid than the 400\.00 owed/) },
      ],
    })
    expect((await pay('the seller asked for a deposit on all rooms')).status).toBe(200)
  })
  it('a line that was paid or came is not taken away, not even with its delivery', async () => {
    const world = await planned(who, 100_00)
    const orderId = uuidv7()
    await who.change(world.id, order(world, {}, orderId))
    const line = Object.values((await who.open(world.id)).makeover.rows.purchase)[0]
    const delivery = uuidv7()
    const came = add('delivery', delivery, {
      ...blank.delivery,
      purchaseId: line?.id ?? '',
      packs: 1,
      receivedOn: plainDate('2027-02-20'),
    })
    expect((await who.change(world.id, [came])).status).toBe(200)
    const base = await versionOf('delivery', { ...world, delivery })
    const answer = await who.change(world.id, [
      { op: 'remove', kind: 'delivery', id: delivery, base },
      { op: 'remove', kind: 'purchase', id: line?.id ?? '', base: line?.version ?? '' },
      { op: 'remove', kind: 'order', id: orderId, base: await versionOf('order', { ...world, order: orderId }) },
    ])
    expect(answer.body).toMatchObject({
      status: 422,
      faults: [{ kind: 'purchase', message: expect.stringMatching(/goods of it came/) }],
    })
  })
  it('nothing has no sign: −0 is kept as 0, in memory as in the tables', async () => {
    const world = await planned(who, 100_00)
    const answer = await asked(world.id).send(
      `{"id":"${uuidv7()}","schemaVersion":${schemaVersion},"sentence":"x","operations":[{"op":"put","kind":"candidate","id":"${world.candidate}","base":"${await versionOf('candidate', world)}","fields":{"deliveryMinor":-0}}]}`,
    )
    expect(answer.status, answer.text).toBe(200)
    const documents = await inTransaction(served.database, { studio: who.studioId }, (tx) =>
      loadDocuments(tx, served.database.memory, who.studioId, world.id),
    )
    expect(Object.is(documents.makeover.rows.candidate[world.candidate]?.deliveryMinor, 0)).toBe(true)
  })
  it('the studio is no makeover', async () => {
    expect((await who.change(who.studioId, [add('room', uuidv7(), { uses: '', name: 'x' })])).status).toBe(404)
  })
})

/** A change whose body is sent as it is written. */
const asked = (id: string) =>
  request(served.application)
    .post(`/api/makeovers/${id}/changes`)
    .set('cookie', who.cookie)
    .set('content-type', 'application/json')

async function versionOf(
  kind: 'piece' | 'candidate' | 'delivery' | 'order',
  world: { id: string } & Partial<Record<string, unknown>>,
): Promise<string> {
  const rows = (await who.open(world.id)).makeover.rows[kind] as Readonly<Record<string, { version: string }>>
  return rows[String(world[kind])]?.version ?? ''
}

describe('the tables, where the core is passed by', () => {
  it('refuse what the core would refuse', async () => {
    const world = await planned(who, 100_00)
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
      offCoupon: false,
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
          reason: 'as asked',
        }),
      ),
    ).rejects.toThrow()
  })
})

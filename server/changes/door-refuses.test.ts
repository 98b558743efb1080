import { v7 as uuidv7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { blank, termsOf } from '#core/makeover/blank.ts'
import { add, schemaVersion, type Operation } from '#core/makeover/change.ts'
import { plainDate } from '#core/measure/plain-date.ts'
import { minor } from '#core/money/minor.ts'
import { reckonMoney } from '#core/purchases/index.ts'
import { inTransaction } from '../database/connection.ts'
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
    const world = await planned(who, 100_00)
    const sent = who.post(`/makeovers/${world.id}/changes`, {}).set('content-type', 'application/json')
    const answer = await (body === undefined ? sent : sent.send(body))
    expect(answer.status).toBeGreaterThanOrEqual(400)
    expect(answer.status).toBeLessThan(500)
    expect(answer.body).toMatchObject({ title: expect.any(String), detail: expect.any(String), status: answer.status })
  })
})

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

/** The sheet of everything as files, and the account closed under the digest of the statement that was signed. */
import { createHash } from 'node:crypto'
import { spawnSync } from 'node:child_process'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { read as readWorkbook } from 'xlsx'
import { add } from '#core/makeover/change.ts'
import { minor } from '#core/money/minor.ts'
import { candidateOf, orderOf, pieceOf, testToday } from '#core/testing/small-makeover.ts'
import { blank } from '#core/makeover/blank.ts'
import { makeover, person, serve, type Served, type Speaker } from '../testing/studio.ts'

let served: Served
let who: Speaker
let stranger: Speaker
let id: string
let clientId: string
const [piece, offer, order] = [uuidv7(), uuidv7(), uuidv7()]
beforeAll(async () => {
  served = await serve(inject('postgres'))
  who = await person(served)
  stranger = await person(served)
  const world = await makeover(who)
  id = world.ids.makeover
  clientId = world.ids.client
  const fields = candidateOf(piece, world.ids.seller, {
    name: 'Larch bench',
    article: 'LB 7',
    batch: '41',
    priceMinor: minor(123_45),
    taxPpm: 0,
    leadDays: 3,
  })
  const category = Object.values(world.categories)[0] ?? ''
  const answer = await who.change(id, [
    add('piece', piece, pieceOf(world.ids.room, category, { name: 'Bench', chosenId: offer })),
    add('candidate', offer, fields),
    ...orderOf(order, offer, fields, 1, { orderedOn: testToday }),
  ])
  expect(answer.status, answer.text).toBe(200)
})
afterAll(() => served.close())
const bytesOf = async (path: string): Promise<Buffer> => (await who.fetch(`/makeovers/${id}/${path}`)).body as Buffer

it('the sheet of everything: for the studio with what was paid, for the client with no price, as CSV, XLSX and PDF', async () => {
  const csv = (await bytesOf('everything-studio.csv')).toString('utf8')
  expect(csv).toContain('Larch bench')
  expect(csv).toContain('LB 7')
  expect(csv).toContain('Paid')
  const client = (await bytesOf('everything-client.csv')).toString('utf8')
  expect(client).toContain('Larch bench')
  expect(client).not.toContain('Paid')
  expect(client).not.toContain('123')
  const book = readWorkbook(await bytesOf('everything-client.xlsx'))
  expect(book.SheetNames).toEqual(['Things', 'Colours and finishes'])
  const pdf = spawnSync('pdftotext', ['-layout', '-', '-'], {
    input: await bytesOf('everything-client.pdf'),
    encoding: 'utf8',
  }).stdout
  expect(pdf).toContain('Larch bench')
  expect(pdf).not.toContain('123.45')
  expect((await stranger.get(`/makeovers/${id}/everything-client.csv`)).status).toBe(404)
  expect((await who.get(`/makeovers/${id}/everything-anybody.csv`)).status).toBe(404)
})

it('closes once all is settled, keeps the statement under its digest, and holds it against a change', async () => {
  const close = () => who.post(`/makeovers/${id}/closings`, { signedById: clientId })
  const early = await close()
  expect(early.status).toBe(422)
  expect((early.body as { detail: string }).detail).toMatch(/settle first: Bench has not come; Ordered and not paid/)
  const line = Object.values((await who.open(id)).makeover.rows.purchase)[0]
  if (!line) throw new Error('it is ordered')
  const settled = await who.change(id, [
    add('delivery', uuidv7(), { ...blank.delivery, purchaseId: line.id, packs: 1, receivedOn: testToday }),
    add('payment', uuidv7(), {
      ...blank.payment,
      orderId: order,
      direction: 'out',
      amountMinor: minor(123_45),
      paidOn: testToday,
      tender: 'card',
    }),
  ])
  expect(settled.status, settled.text).toBe(200)
  expect((await stranger.post(`/makeovers/${id}/closings`, { signedById: clientId })).status).toBe(404)
  const done = await close()
  expect(done.status, done.text).toBe(201)
  const kept = Object.values((await who.open(id)).makeover.rows.closing)[0]
  // reckoned here on its own: what was signed is what is kept
  expect(kept?.digest).toBe(
    createHash('sha256')
      .update(kept?.statement ?? '')
      .digest('hex'),
  )
  const told = JSON.parse(kept?.statement ?? '{}') as { for: string; margin: number | null; total: { paid: number } }
  expect(told).toMatchObject({ for: 'client', margin: null, total: { paid: 123_45 } })
  expect((await close()).status).toBe(422)
})

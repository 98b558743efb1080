/** Fees and the client's money. The sums are worked with a pencil; the rules are the trade's own arrangements of a fee. */
import { expect, it } from 'vitest'
import { add, type Operation } from '../makeover/change.ts'
import { blank, termsOf } from '../makeover/blank.ts'
import type { Fields } from '../makeover/kinds.ts'
import { minor } from '../money/minor.ts'
import { agreedOn, begin, candidateOf, change, countingIds, pieceOf, tryChange } from '../testing/small-makeover.ts'
import { reckonMoney } from './money.ts'
import { purchaseRemarks } from './remarks.ts'
import { statement } from './statement.ts'
import { workingOf } from './working.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'

const today = agreedOn
const rules = effectiveRules()
/** A makeover with one sofa of 1 000.00 less 10 % and 20 % tax, ordered by `boughtBy`: 1 080.00 landed. */
function ordered(boughtBy: 'client' | 'studio' = 'client') {
  const newId = countingIds()
  const { ids, categories, operations, start } = begin(newId, {
    sums: { Furniture: 3_000_00, Fees: 1_000_00 },
    contingency: 200_00,
  })
  const [piece, sofa, order, purchase] = [newId(), newId(), newId(), newId()]
  const terms = { priceMinor: minor(1_000_00), discountPpm: 100_000, taxPpm: 200_000 }
  const candidate = candidateOf(piece, ids.seller, terms)
  const documents = change(start, [
    ...operations,
    add('piece', piece, pieceOf(ids.room, categories.Furniture ?? '', { chosenId: sofa, quantity: 1 })),
    add('candidate', sofa, candidate),
    add('order', order, { ...blank.order, sellerId: ids.seller, orderedOn: today, boughtBy }),
    add('purchase', purchase, {
      ...blank.purchase,
      orderId: order,
      pieceId: piece,
      candidateId: sofa,
      packs: 1,
      couponMinor: minor(0),
      ...termsOf(candidate),
    }),
  ])
  const category = categories.Fees ?? ''
  const fee = (fields: Pick<Fields<'fee'>, 'way'> & Partial<Fields<'fee'>>): Operation =>
    add('fee', newId(), { ...blank.fee, categoryId: category, name: 'Design', ...fields })
  return { newId, documents, fee, sofa, order, purchase, category }
}

it('a fixed fee is owed from the start, with its tax, in its own category', () => {
  const { documents, fee, category } = ordered()
  const after = change(documents, [fee({ way: 'fixed', amountMinor: minor(400_00), taxPpm: 200_000 })])
  const money = reckonMoney(after.makeover)
  expect(money.fees[0]).toMatchObject({ net: 400_00, tax: 80_00, earned: 480_00, forecast: 480_00, paid: 0 })
  expect(money.categories.find(({ id }) => id === category)).toMatchObject({ committed: 480_00, left: 520_00 })
  expect(money.total.forecast).toBe(1_080_00 + 480_00)
  expect(workingOf('committed', after.makeover, money, category).lines).toHaveLength(1)
})

it('hours are paid by the minute; the hours agreed are forecast until more are worked', () => {
  const { documents, fee, newId } = ordered()
  const hourly = fee({ way: 'hourly', amountMinor: minor(65_00), expectedHours: 8 })
  const work = (minutes: number) =>
    add('stint', newId(), { feeId: hourly.id, workedOn: today, minutes, what: 'Measured' })
  const some = change(documents, [hourly, work(90), work(20)])
  // 110 min × 65.00 ÷ 60 = 119.1666…
  expect(reckonMoney(some.makeover).fees[0]).toMatchObject({ minutes: 110, earned: 119_17, forecast: 520_00 })
  const said = (documents: typeof some) =>
    purchaseRemarks(documents.makeover, reckonMoney(documents.makeover), rules, today).map(({ code }) => code)
  expect(said(some)).not.toContain('purchases.hours-over')
  const many = change(some, [work(371)])
  expect(reckonMoney(many.makeover).fees[0]).toMatchObject({ minutes: 481, forecast: 521_08 })
  expect(said(many)).toContain('purchases.hours-over')
})

it('a part of the cost is taken with or without the tax in it, and grows by what is still to buy', () => {
  const { documents, fee, sofa } = ordered()
  const piece = documents.makeover.rows.candidate[sofa]?.pieceId ?? ''
  const before = Object.values(documents.makeover.rows.piece)[0]
  const two = change(documents, [
    fee({ way: 'of the cost', ratePpm: 100_000 }),
    fee({ way: 'of the cost', ratePpm: 100_000, base: 'before tax' }),
    { op: 'put', kind: 'piece', id: piece, base: before?.version ?? null, fields: { quantity: 2 } },
  ])
  expect(reckonMoney(two.makeover).fees).toMatchObject([
    { basis: 1_080_00, basisToCome: 1_080_00, earned: 108_00, forecast: 216_00 },
    { basis: 900_00, basisToCome: 900_00, earned: 90_00, forecast: 180_00 },
  ])
})

it('a part of the discount counts from the list price, and falls with what goes back', () => {
  const { documents, fee, newId, sofa, purchase } = ordered()
  const after = change(documents, [
    fee({ way: 'of the discount', ratePpm: 500_000 }),
    add('price', newId(), { candidateId: sofa, kind: 'list', amountMinor: minor(1_200_00), seenOn: today, note: '' }),
  ])
  // list 1 200.00, paid 900.00 before tax: half of 300.00
  expect(reckonMoney(after.makeover).fees[0]).toMatchObject({ basis: 300_00, earned: 150_00 })
  const back = change(after, [
    add('cancellation', newId(), {
      purchaseId: purchase,
      packs: 1,
      cancelledOn: today,
      reason: 'Not wanted',
      creditMinor: minor(1_080_00),
      keptMinor: minor(0),
      wantedAgain: false,
    }),
  ])
  expect(reckonMoney(back.makeover).fees[0]?.earned).toBe(0)
})

it('what the client gives covers what the studio bought, then its fees; what is beyond is held', () => {
  const { documents, fee, newId, order } = ordered('studio')
  const receipt = (amount: number, more: Partial<Fields<'receipt'>> = {}) =>
    add('receipt', newId(), { ...blank.receipt, amountMinor: minor(amount), receivedOn: today, ...more })
  const some = change(documents, [
    fee({ way: 'fixed', amountMinor: minor(400_00) }),
    receipt(1_200_00),
    add('payment', newId(), {
      ...blank.payment,
      orderId: order,
      direction: 'out',
      amountMinor: minor(1_080_00),
      paidOn: today,
      tender: 'card',
    }),
  ])
  expect(reckonMoney(some.makeover).client).toMatchObject({
    goods: 1_080_00,
    fees: 400_00,
    received: 1_200_00,
    owes: 280_00,
    held: 0,
    laidOut: 0,
  })
  expect(reckonMoney(some.makeover).fees[0]?.paid).toBe(120_00)
  const all = change(some, [receipt(300_00)])
  expect(reckonMoney(all.makeover).client).toMatchObject({ owes: 0, held: 20_00 })
  expect(statement(all, reckonMoney(all.makeover), 'client', today)).toMatchObject({
    fees: [{ earned: 400_00, paid: 400_00 }],
    client: { held: 20_00 },
    margin: null,
  })
  // no more goes back than came, and money that moved is only reversed
  expect(tryChange(all, [receipt(1_600_00, { direction: 'back' })], today).faults).toMatchObject([
    { kind: 'receipt', field: 'amountMinor' },
  ])
  const [first] = Object.values(all.makeover.rows.receipt)
  const edit: Operation = {
    op: 'put',
    kind: 'receipt',
    id: first?.id ?? '',
    base: first?.version ?? null,
    fields: { amountMinor: minor(1) },
  }
  expect(tryChange(all, [edit], today).faults).toMatchObject([{ kind: 'receipt', field: null }])
})

it('a sum asked is covered by what names it, then by what names none; past its day it is said', () => {
  const { documents, newId } = ordered()
  const stage = (name: string, amount: number, dueOn: typeof today | null) =>
    add('stage', newId(), { ...blank.stage, name, amountMinor: minor(amount), askedOn: today, dueOn })
  const [deposit, second] = [stage('Deposit', 500_00, today), stage('Before install', 700_00, null)]
  const after = change(documents, [
    deposit,
    second,
    add('receipt', newId(), {
      ...blank.receipt,
      stageId: second.id,
      amountMinor: minor(100_00),
      receivedOn: today,
    }),
    add('receipt', newId(), { ...blank.receipt, amountMinor: minor(550_00), receivedOn: today }),
  ])
  const money = reckonMoney(after.makeover)
  expect(money.client.stages).toMatchObject([
    { id: deposit.id, received: 500_00, outstanding: 0 },
    { id: second.id, received: 150_00, outstanding: 550_00 },
  ])
  const late = change(documents, [deposit])
  const codes = (on: string) =>
    purchaseRemarks(late.makeover, reckonMoney(late.makeover), rules, on as typeof today).map(({ code }) => code)
  expect(codes(today)).not.toContain('purchases.stage-late')
  expect(codes('2030-01-01')).toContain('purchases.stage-late')
})

/** Orders of a small makeover, line by line. For tests. */
import { blank, plainTerms } from '../makeover/blank.ts'
import { add, type Documents, type Operation } from '../makeover/change.ts'
import { plainDate } from '../measure/plain-date.ts'
import { minor, zero } from '../money/minor.ts'
import { begin, candidateOf, change, countingIds, pieceOf } from './small-makeover.ts'
import { landOrder } from '../purchases/index.ts'

export const line = (price: number, taxPpm: number, packs = 1, fields: object = {}) => ({
  ...plainTerms,
  priceMinor: minor(price),
  taxPpm,
  packs,
  couponMinor: zero,
  ...fields,
})

export const taxes = (lines: ReturnType<typeof line>[], rounding: 'line' | 'total') =>
  landOrder(lines, rounding).map((landed) => landed.tax)

export const newId = countingIds()

export const world = begin(newId)

export const { ids, categories } = world

export const [table, chairs, tableFrom, chairFrom] = [newId(), newId(), newId(), newId()]

export const offers = {
  table: candidateOf(table, ids.seller, { name: 'Table', priceMinor: minor(500_00), taxPpm: 0, adjustDays: 30 }),
  chairs: candidateOf(chairs, ids.seller, {
    name: 'Chair',
    priceMinor: minor(100_00),
    discountPpm: 100_000,
    taxPpm: 0,
  }),
}

export const planned = change(world.start, [
  ...world.operations,
  add(
    'piece',
    table,
    pieceOf(ids.room, categories.Furniture ?? '', {
      name: 'Table',
      chosenId: tableFrom,
      chosenReason: 'Good',
      setName: 'Dining',
    }),
  ),
  add('candidate', tableFrom, offers.table),
  add(
    'piece',
    chairs,
    pieceOf(ids.room, categories.Textiles ?? '', {
      name: 'Chairs',
      quantity: 4,
      chosenId: chairFrom,
      chosenReason: 'Good',
      setName: 'dining',
    }),
  ),
  add('candidate', chairFrom, offers.chairs),
])

export const couponFields = {
  sellerId: ids.seller,
  name: 'Ten off',
  gives: 'percent' as const,
  ratePpm: 100_000,
  amountMinor: zero,
  base: 'reduced price' as const,
  minimumMinor: minor(800_00),
  endsOn: plainDate('2027-02-10'),
  conditions: '',
}

export const coupon = { ...couponFields, id: newId(), version: newId() }

export const lines = [
  { ...plainTerms, priceMinor: minor(500_00), packs: 1 },
  { ...plainTerms, priceMinor: minor(100_00), discountPpm: 100_000, packs: 4 },
]

export function twoLines(
  fields: object = {},
  shares = [50_00, 36_00],
): { documents: Documents; order: string; at: [string, string] } {
  const [order, text, two] = [newId(), newId(), newId()]
  const documents = change(planned, [
    add('coupon', coupon.id, couponFields),
    add('order', order, {
      ...blank.order,
      sellerId: ids.seller,
      orderedOn: plainDate('2027-02-01'),
      couponId: coupon.id,
      depositMinor: minor(200_00),
      ...fields,
    }),
    add('purchase', text, {
      ...blank.purchase,
      ...plainTerms,
      priceMinor: minor(500_00),
      returnDays: 14,
      adjustDays: 30,
      orderId: order,
      pieceId: table,
      candidateId: tableFrom,
      packs: 1,
      couponMinor: minor(shares[0] ?? 0),
    }),
    add('purchase', two, {
      ...blank.purchase,
      ...plainTerms,
      priceMinor: minor(100_00),
      discountPpm: 100_000,
      returnDays: 14,
      orderId: order,
      pieceId: chairs,
      candidateId: chairFrom,
      packs: 4,
      couponMinor: minor(shares[1] ?? 0),
    }),
  ])
  return { documents, order, at: [text, two] }
}

export const pay = (orderId: string, amount: number, fields: object = {}): Operation =>
  add('payment', newId(), {
    ...blank.payment,
    reason: 'as billed',
    orderId,
    direction: 'out',
    amountMinor: minor(amount),
    paidOn: plainDate('2027-02-02'),
    tender: 'card',
    ...fields,
  })

export const came = (purchaseId: string, packs: number, fields: object = {}): Operation =>
  add('delivery', newId(), { ...blank.delivery, purchaseId, packs, receivedOn: plainDate('2027-02-10'), ...fields })

/** Ledgers: a makeover with orders, and what is done to them. For tests. */
import { blank } from '../makeover/blank.ts'
import fc from 'fast-check'
import { add } from '../makeover/change.ts'
import { minor, zero } from '../money/minor.ts'
import { agreedOn, begin, candidateOf, change, countingIds, pieceOf } from './small-makeover.ts'

export const anyTerms = fc.record({
  priceMinor: fc.integer({ min: 0, max: 500_000 }).map(minor),
  packSize: fc.integer({ min: 1, max: 9_000 }).map((thousandths) => thousandths / 1000),
  discountPpm: fc.integer({ min: 0, max: 1_000_000 }),
  deliveryMinor: fc.integer({ min: 0, max: 20_000 }).map(minor),
  taxPpm: fc.integer({ min: 0, max: 300_000 }),
  taxIncluded: fc.boolean(),
  deliveryTaxed: fc.boolean(),
})

/** A makeover with three pieces and two candidates each, and a budget that can be broken. */
export function world() {
  const newId = countingIds()
  const { ids, categories, operations, start } = begin(newId, {
    sums: { Furniture: 3_000_00, Textiles: 900_00 },
    contingency: 300_00,
  })
  const names = Object.values(categories)
  const candidates = Array.from({ length: 6 }, (_, at) => {
    const pieceId = `01900000-0000-7000-8000-0000000f000${Math.floor(at / 2)}`
    return {
      id: newId(),
      fields: candidateOf(pieceId, ids.seller, {
        priceMinor: minor([319_99, 120_00, 45_45, 610_10, 89_90, 12_34][at] ?? 0),
        packSize: at === 4 ? 2 : 1,
        discountPpm: at * 25_000,
        deliveryMinor: minor(at * 7_77),
        taxPpm: 88_750,
        taxIncluded: at === 3,
        returnDays: at === 5 ? null : 14,
      }),
    }
  })
  const pieces = [0, 1, 2].map((at) =>
    add(
      'piece',
      `01900000-0000-7000-8000-0000000f000${at}`,
      pieceOf(ids.room, names[at % 2] ?? '', {
        quantity: [2, 3.5, 7][at] ?? 1,
        allowanceMinor: minor(200_00),
        chosenId: at === 2 ? null : (candidates[at * 2]?.id ?? null),
      }),
    ),
  )
  const held = { coupon: newId(), card: newId(), note: newId() }
  const extras = [
    add('coupon', held.coupon, {
      sellerId: ids.seller,
      name: 'A coupon',
      gives: 'percent',
      ratePpm: 75_000,
      amountMinor: zero,
      base: 'reduced price',
      minimumMinor: minor(50_00),
      endsOn: null,
      conditions: '',
    }),
    add('credit', held.card, {
      ...blank.credit,
      sellerId: ids.seller,
      kind: 'gift card',
      number: '',
      faceMinor: minor(150_00),
      gotOn: agreedOn,
      expiresOn: null,
    }),
    add('credit', held.note, {
      ...blank.credit,
      sellerId: ids.seller,
      kind: 'credit note',
      number: '',
      faceMinor: zero,
      gotOn: agreedOn,
      expiresOn: null,
    }),
  ]
  return {
    newId,
    ids,
    names,
    candidates,
    held,
    documents: change(start, [
      ...operations,
      ...pieces,
      ...candidates.map(({ id, fields }) => add('candidate', id, fields)),
      ...extras,
    ]),
  }
}

export const without = (fields: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).filter(([name]) => name !== 'id' && name !== 'version'))

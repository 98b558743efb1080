/** A thing bought in packs of several sizes, by hand. */
import { expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit } from '../makeover/change.ts'
import { minor } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday } from '../testing/small-makeover.ts'
import { pieceWorking } from './index.ts'

const newId = countingIds()
const world = begin(newId)
const [piece, candidate, small, order] = [newId(), newId(), newId(), newId()]
// 5.25 litres: a tin of 5 for 40.00 and one of 0.75 for 22.00, 10 % off, 20 % tax on top, 6.00 of delivery for all of it
const documents = change(world.start, [
  ...world.operations,
  add(
    'piece',
    piece,
    pieceOf(world.ids.room, Object.values(world.categories)[0] ?? '', {
      name: 'Paint',
      unit: 'l',
      quantity: 5.25,
      chosenId: candidate,
    }),
  ),
  add(
    'candidate',
    candidate,
    candidateOf(piece, world.ids.seller, {
      name: 'Tins',
      priceMinor: minor(40_00),
      packSize: 5,
      discountPpm: 100_000,
      taxPpm: 200_000,
      taxIncluded: false,
      deliveryMinor: minor(6_00),
      deliveryTaxed: true,
    }),
  ),
  add('saleSize', small, {
    ...blank.saleSize,
    candidateId: candidate,
    name: 'small',
    holds: 0.75,
    priceMinor: minor(22_00),
    wanted: 1,
  }),
])
const wantedIn = (told: typeof documents) => {
  const found = reckon(told, testToday).money.pieces.find(({ id }) => id === piece)
  if (!found) throw new Error('no piece')
  return found
}

it('what is decided of each size is counted, the rest in its own pack, delivery once', () => {
  const wanted = wantedIn(documents)
  expect(wanted.sets).toEqual([
    { packSize: 5, priceMinor: 40_00, packs: 1 },
    { packSize: 0.75, priceMinor: 22_00, packs: 1 },
  ])
  // (62.00 − 6.20 + 6.00) × 1.2
  expect(wanted.stillToBuy).toBe(74_16)
  expect(wanted).toMatchObject({ packs: 2, leftOver: 0.5 })
  const { lines, result } = pieceWorking(documents.makeover, wanted)
  expect(lines.map(({ amount }) => amount)).toEqual([43_20, 23_76, 7_20])
  expect(result.amount).toBe(74_16)
})

it('without a decided size all comes in its own pack', () => {
  const row = documents.makeover.rows.saleSize[small]
  const plain = change(documents, row ? [edit('saleSize', row, { wanted: 0 })] : [])
  // two tins of 5: (80.00 − 8.00 + 6.00) × 1.2
  expect(wantedIn(plain)).toMatchObject({ packs: 2, stillToBuy: 93_60, leftOver: 4.75 })
})

it('what is ordered of a size is not wanted again', () => {
  const found = documents.makeover.rows.candidate[candidate]
  if (!found) throw new Error('no candidate')
  const line = { ...blank.purchase, orderId: order, pieceId: piece, candidateId: candidate, packs: 1 }
  const ordered = change(documents, [
    add('order', order, { ...blank.order, sellerId: world.ids.seller, orderedOn: testToday }),
    add('purchase', newId(), { ...line, packSize: 0.75, priceMinor: minor(22_00) }),
  ])
  expect(wantedIn(ordered)).toMatchObject({ open: 4.5, sets: [{ packSize: 5, packs: 1 }] })
  const both = change(ordered, [add('purchase', newId(), { ...line, packSize: 5, priceMinor: minor(40_00) })])
  expect(wantedIn(both)).toMatchObject({ open: 0, stillToBuy: 0, leftOver: 0.5, state: 'ordered' })
})

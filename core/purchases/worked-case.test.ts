/**
 * The worked case of the trade handbook, section 7: two chairs and a fabric against an agreed budget. Its figures
 * are the handbook's, none is copied from our own output.
 */
import { blank } from '../makeover/blank.ts'
import { expect, it } from 'vitest'
import { add } from '../makeover/change.ts'
import { plainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, pieceOf, orderOf, testToday } from '../testing/small-makeover.ts'
import { goodsValue, landedCost } from './landed.ts'

it('two chairs, one of which goes back, and a fabric still to buy', () => {
  const newId = countingIds()
  const world = begin(newId)
  const { ids, categories } = world
  const [chairs, chair, fabric, cloth, order, receipt] = [newId(), newId(), newId(), newId(), newId(), newId()]
  const chairTerms = candidateOf(chairs, ids.seller, {
    priceMinor: minor(640_00),
    discountPpm: 100_000,
    deliveryMinor: minor(45_00),
  })
  const clothTerms = candidateOf(fabric, ids.seller, { priceMinor: minor(89_90), packSize: 2 })
  expect(landedCost(chairTerms, 2).landed).toBe(1_436_40)
  expect(landedCost(clothTerms, 4).landed).toBe(431_52)

  const money = (documents: typeof world.start) => reckon(documents, testToday).money.total
  let documents = change(world.start, [
    ...world.operations,
    add('piece', chairs, pieceOf(ids.room, categories.Furniture ?? '', { quantity: 2, chosenId: chair })),
    add('candidate', chair, chairTerms),
    add('piece', fabric, pieceOf(ids.room, categories.Textiles ?? '', { quantity: 7, unit: 'm', chosenId: cloth })),
    add('candidate', cloth, clothTerms),
  ])
  expect(money(documents)).toMatchObject({
    agreed: 6_000_00,
    paid: 0,
    committed: 0,
    stillToBuy: 1_867_92,
    left: 3_532_08,
  })

  documents = change(documents, [
    ...orderOf(order, chair, chairTerms, 2),
    add('payment', newId(), {
      orderId: order,
      direction: 'out',
      amountMinor: minor(400_00),
      paidOn: plainDate('2027-02-01'),
      tender: 'card',
      creditId: null,
      reversesId: null,
      reason: '',
    }),
  ])
  expect(money(documents)).toMatchObject({
    paid: 400_00,
    committed: 1_036_40,
    stillToBuy: 431_52,
    forecast: 1_867_92,
    left: 3_532_08,
  })

  documents = change(documents, [
    add('delivery', receipt, { ...blank.delivery, purchaseId: order, packs: 2, receivedOn: plainDate('2027-02-10') }),
  ])
  expect(goodsValue({ ...chairTerms, packs: 2, couponMinor: minor(0) }, 1)).toBe(691_20)
  documents = change(documents, [
    add('return', newId(), {
      ...blank.return,
      purchaseId: order,
      packs: 1,
      sentOn: plainDate('2027-02-12'),
      acceptedOn: plainDate('2027-02-15'),
      reason: 'Too wide',
      creditMinor: goodsValue({ ...chairTerms, packs: 2, couponMinor: minor(0) }, 1),
      wantedAgain: false,
    }),
  ])
  expect(money(documents)).toMatchObject({
    paid: 400_00,
    committed: 345_20,
    refundsDue: 0,
    stillToBuy: 431_52,
    left: 4_223_28,
  })
})

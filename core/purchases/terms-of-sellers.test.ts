/** Coupons with what they exclude, gift cards good at a group of sellers, and what sending back costs. Common practice. */
import { describe, expect, it } from 'vitest'
import { blank, plainTerms } from '../makeover/blank.ts'
import { add, edit, type Documents } from '../makeover/change.ts'
import { plainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { chairs, chairFrom, coupon, ids, lines, newId, planned, twoLines } from '../testing/orders.ts'
import { candidateOf, change, orderOf, testToday, tryChange } from '../testing/small-makeover.ts'
import { couponRefusal, couponShares, reckonMoney } from './index.ts'

const remarksIn = (documents: Documents, code: string) =>
  reckon(documents, testToday).remarks.filter((remark) => remark.code === `purchases.${code}`)
const on = plainDate('2027-02-20')

describe('a coupon', () => {
  const clearance = [lines[0], { ...lines[1], offCoupon: true }] as Parameters<typeof couponShares>[1]
  it('takes nothing off a line of a kind that it excludes, nor counts it towards its minimum', () => {
    expect(couponShares(coupon, clearance)).toEqual([50_00, 0]) // a tenth of 500 alone
    expect(couponRefusal(coupon, ids.seller, clearance, plainDate('2027-02-01'), 'EUR')).toMatch(
      /asks for 800\.00 of goods that it does not exclude, and this comes to 500\.00/,
    )
    const lower = { ...coupon, minimumMinor: minor(500_00) }
    expect(couponRefusal(lower, ids.seller, clearance, plainDate('2027-02-01'), 'EUR')).toBe('')
  })
  it('whose minimum what is kept falls below is said, with what the seller may ask back', () => {
    const { documents, at } = twoLines()
    const back = (packs: number) =>
      change(documents, [
        add('delivery', newId(), { ...blank.delivery, purchaseId: at[1], packs: 4, receivedOn: on }),
        add('return', newId(), {
          ...blank.return,
          purchaseId: at[1],
          packs,
          sentOn: on,
          reason: 'Too high',
          creditMinor: minor(0),
          acceptedOn: null,
          wantedAgain: false,
        }),
      ])
    // 500 + 4 × 90 = 860; without one chair 770, under the 800 asked for
    expect(remarksIn(documents, 'coupon-terms')).toEqual([])
    expect(remarksIn(back(1), 'coupon-terms')[0]?.sentence).toContain('86.00')
  })
})

describe('a gift card', () => {
  const [orderId, cardId, sisterId] = [newId(), newId(), newId()]
  const bought = candidateOf(chairs, ids.seller, { ...plainTerms, name: 'Chair', priceMinor: minor(100_00), taxPpm: 0 })
  const paid = (wholeGroup: boolean, groups: readonly [string, string]) => {
    const seller = planned.studio.rows.seller[ids.seller]
    if (!seller) throw new Error('no seller')
    return tryChange(planned, [
      edit('seller', seller, { groupName: groups[0] }),
      add('seller', sisterId, { ...blank.seller, name: 'A sister', groupName: groups[1] }),
      ...orderOf(orderId, chairFrom, bought, 4),
      add('credit', cardId, {
        ...blank.credit,
        sellerId: sisterId,
        kind: 'gift card',
        number: '7',
        faceMinor: minor(100_00),
        gotOn: plainDate('2027-01-20'),
        expiresOn: null,
        wholeGroup,
      }),
      add('payment', newId(), {
        ...blank.payment,
        orderId,
        direction: 'out',
        amountMinor: minor(100_00),
        paidOn: on,
        tender: 'gift card',
        creditId: cardId,
      }),
    ]).faults.map(({ message }) => message)
  }
  it('may be good at every seller of its group, and at no other', () => {
    expect(paid(true, ['Harbour Row', 'harbour row '])).toEqual([])
    expect(paid(true, ['Harbour Row', 'Mill Lane'])).toEqual(['is held with another seller, of another group'])
    expect(paid(true, ['', ''])).toEqual(['is held with another seller, of another group'])
    expect(paid(false, ['Harbour Row', 'Harbour Row'])).toEqual(['is held with another seller'])
  })
})

it('carriage back is a cost of its own in the same category: sending back costs restocking, delivery and carriage', () => {
  const { documents, at } = twoLines({ couponId: null }, [0, 0])
  const came = add('delivery', newId(), { ...blank.delivery, purchaseId: at[0], packs: 1, receivedOn: on })
  const back = (carriage: number) =>
    add('return', newId(), {
      ...blank.return,
      purchaseId: at[0],
      packs: 1,
      sentOn: on,
      reason: 'Too large',
      creditMinor: minor(450_00),
      restockingMinor: minor(50_00),
      carriageMinor: minor(carriage),
      acceptedOn: plainDate('2027-02-25'),
      wantedAgain: false,
    })
  const sums = (carriage: number) => {
    const money = reckonMoney(change(documents, [came, back(carriage)]).makeover)
    return { line: money.purchases.find(({ id }) => id === at[0]), money }
  }
  // 500 less 450 credited leaves the 50 kept for restocking; 35 of carriage on top of it
  expect(sums(0).line).toMatchObject({ owed: 50_00, carriage: 0 })
  expect(sums(35_00).line).toMatchObject({ owed: 85_00, carriage: 35_00 })
  expect(sums(35_00).money.total.forecast - sums(0).money.total.forecast).toBe(35_00)
  const category = planned.makeover.rows.piece[chairs] && sums(35_00).line?.categoryId
  const forecastOf = (carriage: number) =>
    sums(carriage).money.categories.find(({ id }) => id === category)?.forecast ?? 0
  expect(forecastOf(35_00) - forecastOf(0)).toBe(35_00)
})

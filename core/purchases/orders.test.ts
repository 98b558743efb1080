/** Orders as sellers make them: several lines, coupons, tax rounded one way or the other, things that do not come. */
import { Decimal } from 'decimal.js'
import { allocate, dinero, toSnapshot } from 'dinero.js'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank, plainTerms } from '../makeover/blank.ts'
import { add, edit, type Documents, type Operation } from '../makeover/change.ts'
import { addDays, plainDate } from '../measure/plain-date.ts'
import { minor, sum, zero } from '../money/minor.ts'
import { split } from '../money/split.ts'
import { reckon } from '../reckoning/reckon.ts'
import {
  begin,
  candidateOf,
  change,
  countingIds,
  orderOf,
  pieceOf,
  testToday,
  tryChange,
} from '../testing/small-makeover.ts'
import { couponRefusal, couponShares, landOrder, reckonMoney } from './index.ts'

const line = (price: number, taxPpm: number, packs = 1, fields: object = {}) => ({
  ...plainTerms,
  priceMinor: minor(price),
  taxPpm,
  packs,
  couponMinor: zero,
  ...fields,
})
const taxes = (lines: ReturnType<typeof line>[], rounding: 'line' | 'total') =>
  landOrder(lines, rounding).map((landed) => landed.tax)

describe('tax rounded per line and per total', () => {
  it('three lines of 0.33 at 20 %: 0.21 per line, 0.20 on the total (HMRC Notice 700, section 17.5, allows either, said which)', () => {
    const lines = [line(33, 200_000), line(33, 200_000), line(33, 200_000)]
    expect(sum(taxes(lines, 'line'))).toBe(21)
    expect(sum(taxes(lines, 'total'))).toBe(20)
  })
  it('19.99 at 8.875 % is 1.77: the third decimal over 4 rounds up (SSUTA section 324)', () => {
    expect(taxes([line(19_99, 88_750)], 'line')).toEqual([1_77])
    expect(taxes([line(19_99, 88_750)], 'total')).toEqual([1_77])
  })
  it('per total it is rounded once for each rate (EN 16931, BR-CO-17), and the lines’ cents add up to it', () => {
    const anyLine = fc.record({
      price: fc.integer({ min: 0, max: 40_000 }),
      tax: fc.constantFrom(0, 55_000, 200_000, 88_750),
      packs: fc.integer({ min: 1, max: 9 }),
      discount: fc.integer({ min: 0, max: 400_000 }),
    })
    fc.assert(
      fc.property(fc.array(anyLine, { minLength: 1, maxLength: 8 }), (list) => {
        const lines = list.map((entry) => line(entry.price, entry.tax, entry.packs, { discountPpm: entry.discount }))
        const landed = landOrder(lines, 'total')
        for (const rate of new Set(list.map((entry) => entry.tax))) {
          const here = landed.filter((_, at) => list[at]?.tax === rate)
          const base = here.reduce((total, landed) => total + landed.taxed, 0)
          expect(sum(here.map((landed) => landed.tax))).toBe(
            new Decimal(base).times(rate).div(1_000_000).toDecimalPlaces(0, Decimal.ROUND_HALF_UP).toNumber(),
          )
        }
        for (const thisLanded of landed)
          expect(thisLanded.landed).toBe(
            thisLanded.goods -
              thisLanded.discount -
              thisLanded.coupon +
              thisLanded.delivery +
              thisLanded.tax +
              thisLanded.work,
          )
      }),
    )
  })
})

describe('an amount parted', () => {
  it('10.00 among three is 3.34, 3.33, 3.33', () => expect(split(minor(10_00), [1, 1, 1])).toEqual([3_34, 3_33, 3_33]))
  it('adds up to itself, and no part is a unit off its share', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1_000_000, max: 1_000_000 }),
        fc.array(fc.nat(100_000), { minLength: 1, maxLength: 12 }),
        (amount, weights) => {
          const parts = split(minor(amount), weights)
          const whole = weights.reduce((total, weight) => total + weight, 0)
          expect(sum(parts)).toBe(amount)
          if (whole > 0)
            for (const [at, part] of parts.entries())
              expect(Math.abs(part - (amount * (weights[at] ?? 0)) / whole)).toBeLessThan(1)
        },
      ),
    )
  })
  it('differs from dinero.js by who gets the odd cent, never in the sum', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100_000 }),
        fc.array(fc.integer({ min: 1, max: 50 }), { minLength: 1, maxLength: 6 }),
        (amount, weights) => {
          const others = allocate(dinero({ amount, currency: { code: 'EUR', base: 10, exponent: 2 } }), weights).map(
            (part) => toSnapshot(part).amount,
          )
          const own = split(minor(amount), weights)
          expect(own.reduce((total: number, part) => total + part, 0)).toBe(
            others.reduce((total, part) => total + part, 0),
          )
          for (const [at, part] of own.entries()) expect(Math.abs(part - (others[at] ?? 0))).toBeLessThanOrEqual(1)
        },
      ),
    )
  })
})

const newId = countingIds()
const world = begin(newId)
const { ids, categories } = world
const [table, chairs, tableFrom, chairFrom] = [newId(), newId(), newId(), newId()]
const offers = {
  table: candidateOf(table, ids.seller, { name: 'Table', priceMinor: minor(500_00), taxPpm: 0, adjustDays: 30 }),
  chairs: candidateOf(chairs, ids.seller, {
    name: 'Chair',
    priceMinor: minor(100_00),
    discountPpm: 100_000,
    taxPpm: 0,
  }),
}
const planned = change(world.start, [
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
const couponFields = {
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
const coupon = { ...couponFields, id: newId(), version: newId() }
const lines = [
  { ...plainTerms, priceMinor: minor(500_00), packs: 1 },
  { ...plainTerms, priceMinor: minor(100_00), discountPpm: 100_000, packs: 4 },
]

describe('a coupon', () => {
  it('comes after the lines’ own discounts, and is parted by what is left of each', () => {
    expect(couponShares(coupon, lines)).toEqual([50_00, 36_00]) // a tenth of 500 and of 400 less a tenth
    expect(couponShares({ ...coupon, base: 'full price' }, lines)).toEqual([50_00, 40_00])
    expect(couponShares({ ...coupon, gives: 'amount', amountMinor: minor(100_00) }, lines)).toEqual([58_14, 41_86]) // 100 by 500 : 360
  })
  it('never takes off more than the goods cost', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2_000_00 }),
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.boolean(),
        fc.boolean(),
        (amount, rate, percent, full) => {
          const shares = couponShares(
            {
              ...coupon,
              gives: percent ? 'percent' : 'amount',
              amountMinor: minor(amount),
              ratePpm: rate,
              base: full ? 'full price' : 'reduced price',
            },
            lines,
          )
          expect(shares[0]).toBeLessThanOrEqual(500_00)
          expect(shares[1]).toBeLessThanOrEqual(360_00)
          expect(Math.min(...shares)).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })
  it.each([
    [{ ...coupon, sellerId: newId() }, /another seller/],
    [{ ...coupon, endsOn: plainDate('2027-01-31') }, /ended on 31 Jan 2027/],
    [{ ...coupon, minimumMinor: minor(860_01) }, /asks for 860\.01 of goods, and this comes to 860\.00/],
  ])('is refused with its reason', (coupon, reason) =>
    expect(couponRefusal(coupon, ids.seller, lines, plainDate('2027-02-01'), 'EUR')).toMatch(reason),
  )
})

function twoLines(
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
const pay = (orderId: string, amount: number, fields: object = {}): Operation =>
  add('payment', newId(), {
    ...blank.payment,
    orderId,
    direction: 'out',
    amountMinor: minor(amount),
    paidOn: plainDate('2027-02-02'),
    tender: 'card',
    ...fields,
  })
const came = (purchaseId: string, packs: number, fields: object = {}): Operation =>
  add('delivery', newId(), { ...blank.delivery, purchaseId, packs, receivedOn: plainDate('2027-02-10'), ...fields })

describe('an order of two lines', () => {
  it('is one sum for its seller, and a part of it for each category', () => {
    const { documents, order } = twoLines()
    const paid = change(documents, [pay(order, 300_00)])
    const { orders, categories: sums } = reckonMoney(paid.makeover)
    expect(orders[0]).toMatchObject({ landed: 774_00, owed: 774_00, paid: 300_00, committed: 474_00, depositDue: 0 })
    expect(sums.map((sum) => [sum.name, sum.owed, sum.paid])).toEqual([
      ['Furniture', 450_00, 174_42],
      ['Textiles', 324_00, 125_58],
    ]) // 300 by 450 : 324
  })
  it('asks for its deposit until it is paid', () => {
    const { documents, order } = twoLines()
    expect(reckonMoney(documents.makeover).orders[0]?.depositDue).toBe(200_00)
    expect(reckonMoney(change(documents, [pay(order, 150_00)]).makeover).orders[0]?.depositDue).toBe(50_00)
  })
  it('a credit on one line pays for the other before anything is due back', () => {
    const { documents, order, at } = twoLines()
    const back = change(documents, [
      pay(order, 500_00),
      came(at[0], 1),
      add('return', newId(), {
        ...blank.return,
        purchaseId: at[0],
        packs: 1,
        sentOn: plainDate('2027-02-12'),
        acceptedOn: plainDate('2027-02-14'),
        reason: 'No',
        creditMinor: minor(450_00),
        wantedAgain: false,
      }),
    ])
    expect(reckonMoney(back.makeover).orders[0]).toMatchObject({
      owed: 324_00,
      paid: 500_00,
      committed: 0,
      refundDue: 176_00,
    })
    expect(reckonMoney(back.makeover).categories.map((category) => category.refundsDue)).toEqual([176_00, 0])
  })
  it.each([
    ['without its coupon’s share', () => twoLines({}, [0, 0])],
    ['with a deposit above its sum', () => twoLines({ depositMinor: minor(774_01) })],
    ['after the coupon ended', () => twoLines({ orderedOn: plainDate('2027-02-11') })],
  ])('%s is refused', (_name, make) => expect(make).toThrow(/order/))
})

describe('what does not come, comes broken or goes back', () => {
  it('cancelled goods lower the price by the credit, and what is kept is told apart', () => {
    const { documents, at } = twoLines()
    const cancel = (credit: number, kept: number) =>
      add('cancellation', newId(), {
        purchaseId: at[1],
        packs: 1,
        cancelledOn: plainDate('2027-02-05'),
        reason: 'Gone',
        creditMinor: minor(credit),
        keptMinor: minor(kept),
        wantedAgain: true,
      })
    const done = change(documents, [cancel(71_00, 10_00)])
    expect(reckonMoney(done.makeover).purchases[1]).toMatchObject({
      owed: 253_00,
      cancelled: 1,
      awaited: 3,
      state: 'ordered',
    })
    expect(reckonMoney(done.makeover).pieces.find((piece) => piece.id === chairs)?.open).toBe(1)
    expect(tryChange(documents, [cancel(81_01, 0)]).faults[0]).toMatchObject({ field: 'creditMinor' })
    expect(tryChange(documents, [cancel(75_00, 6_01)]).faults[0]).toMatchObject({ field: 'keptMinor' })
    expect(tryChange(done, [came(at[1], 4)]).faults.map((fault) => fault.code)).toContain('goods')
  })
  it('a replacement comes again without being ordered or paid again', () => {
    const { documents, at } = twoLines()
    const broken = change(documents, [
      came(at[0], 1, { damagedPacks: 1 }),
      add('return', newId(), {
        ...blank.return,
        purchaseId: at[0],
        packs: 1,
        sentOn: plainDate('2027-02-11'),
        acceptedOn: plainDate('2027-02-12'),
        reason: 'Broken',
        creditMinor: zero,
        settles: 'replacement',
        wantedAgain: false,
      }),
    ])
    expect(reckonMoney(broken.makeover).purchases[0]).toMatchObject({ owed: 450_00, awaited: 1, state: 'part here' })
    expect(reckonMoney(broken.makeover).pieces.find((piece) => piece.id === table)?.open).toBe(0)
    const again = change(broken, [
      add('delivery', newId(), { ...blank.delivery, purchaseId: at[0], packs: 1, receivedOn: plainDate('2027-02-20') }),
    ])
    expect(reckonMoney(again.makeover).purchases[0]).toMatchObject({ awaited: 0, state: 'here' })
  })
  it('damage nothing was done about is said, and a claim granted lowers what is owed', () => {
    const { documents, at } = twoLines()
    const broken = change(documents, [came(at[0], 1, { damagedPacks: 1 })])
    expect(reckon(broken, testToday).remarks.map((remark) => remark.code)).toContain('purchases.damaged')
    const claim = {
      purchaseId: at[0],
      about: 'damage' as const,
      note: '',
      askedMinor: minor(50_00),
      madeOn: plainDate('2027-02-11'),
      answer: 'yes' as const,
      grantedMinor: minor(40_00),
      answeredOn: plainDate('2027-02-15'),
    }
    const granted = change(broken, [add('claim', newId(), claim)])
    expect(reckonMoney(granted.makeover).purchases[0]?.owed).toBe(410_00)
    expect(reckon(granted, testToday).remarks.map((remark) => remark.code)).not.toContain('purchases.damaged')
    expect(
      tryChange(broken, [add('claim', newId(), { ...claim, grantedMinor: minor(450_01) })]).faults[0],
    ).toMatchObject({ field: 'grantedMinor' })
  })
  it('a set of which a part is given up is said, unless the school lets pairs part', () => {
    const { documents, at } = twoLines()
    const apart = change(documents, [
      add('cancellation', newId(), {
        purchaseId: at[1],
        packs: 1,
        cancelledOn: plainDate('2027-02-05'),
        reason: 'Gone',
        creditMinor: zero,
        keptMinor: zero,
        wantedAgain: false,
      }),
    ])
    expect(reckon(apart, testToday).remarks.find((remark) => remark.code === 'pieces.set-broken')?.title).toBe(
      'Dining: 1 of 5 will not be there',
    )
    expect(
      reckon(
        change(apart, [add('school', newId(), { question: 'symmetry', school: 'one-sided' })]),
        testToday,
      ).remarks.map((remark) => remark.code),
    ).not.toContain('pieces.set-broken')
  })
})

describe('a price seen lower after buying', () => {
  const { documents, at } = twoLines()
  const seen = (amount: number, on: string) =>
    change(documents, [
      add('price', newId(), {
        candidateId: tableFrom,
        kind: 'seen',
        amountMinor: minor(amount),
        seenOn: plainDate(on),
        note: '',
      }),
    ])
  const drop = (documents: Documents, today = testToday) =>
    reckon(documents, today).remarks.find((remark) => remark.code === 'purchases.price-drop')
  it('prompts a claim until the last day of the window, the order’s day + 30, that day included', () => {
    const lower = seen(430_00, '2027-02-20')
    expect(drop(lower)?.title).toContain('70.00 less')
    expect(drop(lower, plainDate('2027-03-03'))).toBeDefined()
    expect(drop(lower, plainDate('2027-03-04'))).toBeUndefined()
    expect(reckonMoney(lower.makeover).total.owed).toBe(reckonMoney(documents.makeover).total.owed) // what was ordered stays
  })
  it('is silent for a higher price, one from before the order, and once it was claimed', () => {
    expect(drop(seen(510_00, '2027-02-20'))).toBeUndefined()
    expect(drop(seen(430_00, '2027-01-20'))).toBeUndefined()
    const claimed = change(seen(430_00, '2027-02-20'), [
      add('claim', newId(), {
        purchaseId: at[0],
        about: 'price drop',
        note: '',
        askedMinor: minor(70_00),
        madeOn: testToday,
        answer: 'waiting',
        grantedMinor: zero,
        answeredOn: null,
      }),
    ])
    expect(drop(claimed)).toBeUndefined()
  })
})

describe('gift cards and credit notes', () => {
  const { documents, order, at } = twoLines()
  const [card, note] = [newId(), newId()]
  const held = change(documents, [
    add('credit', card, {
      sellerId: ids.seller,
      kind: 'gift card',
      number: 'A1',
      faceMinor: minor(100_00),
      gotOn: plainDate('2027-01-15'),
      expiresOn: plainDate('2027-03-20'),
    }),
    add('credit', note, {
      sellerId: ids.seller,
      kind: 'credit note',
      number: '',
      faceMinor: zero,
      gotOn: plainDate('2027-02-15'),
      expiresOn: null,
    }),
  ])
  const byCard = (amount: number, fields: object = {}) =>
    pay(order, amount, { tender: 'gift card', creditId: card, ...fields })
  it('a gift card pays at its face, and no further', () => {
    expect(reckonMoney(change(held, [byCard(60_00)]).makeover)).toMatchObject({
      total: { paid: 60_00, creditHeld: 40_00 },
    })
    expect(tryChange(held, [byCard(100_01)]).faults[0]?.message).toMatch(
      /only 100\.00 was put on it, and 100\.01 would be spent/,
    )
  })
  it('a refund as a credit note is money back, held with that seller', () => {
    const back = change(held, [
      pay(order, 774_00),
      came(at[0], 1),
      add('return', newId(), {
        ...blank.return,
        purchaseId: at[0],
        packs: 1,
        sentOn: plainDate('2027-02-12'),
        acceptedOn: plainDate('2027-02-14'),
        reason: 'No',
        creditMinor: minor(450_00),
        wantedAgain: false,
      }),
    ])
    const noted = change(back, [
      pay(order, 450_00, { direction: 'back', tender: 'held credit', creditId: note, paidOn: plainDate('2027-02-16') }),
    ])
    expect(reckonMoney(noted.makeover).total).toMatchObject({ paid: 324_00, refundsDue: 0, creditHeld: 550_00 })
  })
  it.each([
    ['with another kind of tender', byCard(1, { tender: 'card' }), /expected one of these/],
    ['with the wrong kind', byCard(1, { tender: 'held credit' }), /it is a gift card/],
    ['without saying which', byCard(1, { creditId: null }), /expected the gift card/],
  ])('%s is refused', (_name, operation, message) =>
    expect(tryChange(held, [operation]).faults.some((fault) => message.test(fault.message))).toBe(true),
  )
  it('its end is said in time', () => {
    const said = (days: number) =>
      reckon(held, addDays(plainDate('2027-03-20'), -days)).remarks.some(
        (remark) => remark.code === 'purchases.credit-ends',
      )
    expect([said(46), said(45), said(0), said(-1)]).toEqual([false, true, true, true])
  })
})

describe('a placeholder', () => {
  it('stands in, while the final piece still counts with its allowance, until one is chosen', () => {
    const [piece, standIn, real, order] = [newId(), newId(), newId(), newId()]
    const cheap = candidateOf(piece, ids.seller, {
      source: 'placeholder',
      name: 'Crate',
      priceMinor: minor(20_00),
      taxPpm: 0,
      lookAgainOn: plainDate('2027-02-28'),
    })
    let documents = change(planned, [
      add(
        'piece',
        piece,
        pieceOf(ids.room, categories.Furniture ?? '', {
          name: 'Side table',
          allowanceMinor: minor(200_00),
          chosenId: standIn,
          chosenReason: 'For now',
        }),
      ),
      add('candidate', standIn, cheap),
      add(
        'candidate',
        real,
        candidateOf(piece, ids.seller, { name: 'Oak table', priceMinor: minor(150_00), taxPpm: 0 }),
      ),
    ])
    const wantedPiece = () => reckonMoney(documents.makeover).pieces.find((thisPiece) => thisPiece.id === piece)
    expect(wantedPiece()).toMatchObject({ basis: 'placeholder', stillToBuy: 220_00 })
    documents = change(documents, orderOf(order, standIn, cheap, 1))
    expect(wantedPiece()).toMatchObject({ basis: 'placeholder', open: 0, standIn: 1, stillToBuy: 200_00 })
    expect(
      reckon(documents, testToday).remarks.find((remark) => remark.code === 'pieces.placeholder-due'),
    ).toBeDefined()
    documents = change(documents, [
      edit('piece', documents.makeover.rows.piece[piece] ?? ({} as never), {
        chosenId: real,
        chosenReason: 'The real one',
      }),
    ])
    expect(wantedPiece()).toMatchObject({ basis: 'candidate', open: 1, stillToBuy: 150_00 })
  })
})

describe('what the studio keeps', () => {
  it('is its trade discount on what it buys and bills on, and follows what is credited', () => {
    const order = newId()
    const trade = candidateOf(table, ids.seller, { ...offers.table, tradePpm: 200_000 })
    const bought = change(planned, orderOf(order, tableFrom, trade, 1, { boughtBy: 'studio' }))
    expect(reckonMoney(bought.makeover).purchases[0]).toMatchObject({ owed: 500_00, studioCost: 400_00 })
    const half = change(bought, [
      came(order, 1),
      add('claim', newId(), {
        purchaseId: order,
        about: 'damage',
        note: '',
        askedMinor: minor(250_00),
        madeOn: testToday,
        answer: 'yes',
        grantedMinor: minor(250_00),
        answeredOn: testToday,
      }),
    ])
    expect(reckonMoney(half.makeover).purchases[0]).toMatchObject({ owed: 250_00, studioCost: 200_00 })
    expect(
      reckonMoney(change(planned, orderOf(newId(), tableFrom, trade, 1)).makeover).purchases[0]?.studioCost,
    ).toBeNull()
  })
})

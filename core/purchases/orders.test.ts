import { Decimal } from 'decimal.js'
import { allocate, dinero, toSnapshot } from 'dinero.js'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import { plainDate } from '../measure/plain-date.ts'
import { minor, sum, zero } from '../money/minor.ts'
import { split } from '../money/split.ts'
import { reckon } from '../reckoning/reckon.ts'
import { change, testToday, tryChange } from '../testing/small-makeover.ts'
import { couponRefusal, couponShares, landOrder, reckonMoney } from './index.ts'
import { came, chairs, coupon, ids, line, lines, newId, pay, table, taxes, twoLines } from '../testing/orders.ts'

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

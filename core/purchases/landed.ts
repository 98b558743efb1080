import { atRate, atLeastZero, minus, plus, portion, rateWithin, sum, times, zero, type Minor } from '../money/minor.ts'
import { split } from '../money/split.ts'

/** What a seller asks for one pack, and on what terms. Rates in parts per million; money in minor units. */
export type Terms = {
  readonly priceMinor: Minor
  readonly packSize: number
  /** How many periods it is rented for; 1 where it is bought. */
  readonly periods: number
  readonly discountPpm: number
  readonly deliveryMinor: Minor
  readonly taxPpm: number
  readonly taxIncluded: boolean
  readonly deliveryTaxed: boolean
  /** Work on all of it, as it is paid, and hours of work at a rate. */
  readonly workMinor: Minor
  readonly hours: number
  readonly hourMinor: Minor
  readonly tradePpm: number
}

/** A landed cost with every step of its working, in minor units. */
export type Landed = {
  readonly packs: number
  /** packs × price × periods */
  readonly goods: Minor
  readonly discount: Minor
  readonly coupon: Minor
  /** What the studio keeps of the net price; nothing but in a studio's own cost. */
  readonly trade: Minor
  readonly delivery: Minor
  /** What the tax is counted on (where prices include tax: the sum it is inside of). */
  readonly taxed: Minor
  readonly tax: Minor
  /** Work and hours, as they are paid. */
  readonly work: Minor
  readonly landed: Minor
}

const thousandths = (quantity: number): number => Math.round(quantity * 1000)

/** Whole packs that cover a quantity: ⌈needed ÷ pack⌉, counted in thousandths so that 2.1 ÷ 0.7 is 3. */
export const packsFor = (needed: number, packSize: number): number =>
  Math.ceil(thousandths(needed) / thousandths(packSize))

/** packs × pack size, without the noise of binary fractions. */
export const quantityOf = (packs: number, packSize: number): number => (packs * thousandths(packSize)) / 1000

type How = {
  /** Without it only the goods are counted: neither delivery nor work on them. */
  readonly withDelivery?: boolean
  /** What an order's coupon takes off this line. */
  readonly coupon?: Minor
  /** The studio's own cost: less its trade discount. */
  readonly atTrade?: boolean
}

/**
 * Landed cost of whole packs: price × packs, less discount, less coupon, plus delivery, plus tax, plus the work on it.
 * Discounts come before tax; delivery is taxed or not as the seller states. Rounded half up to the minor unit at each
 * discount and at the tax, for the line as a whole. Where prices include tax, the tax is shown but not added.
 */
export function landedCost(
  terms: Terms,
  packs: number,
  { withDelivery = true, coupon = zero, atTrade = false }: How = {},
): Landed {
  const goods = times(terms.priceMinor, packs * terms.periods)
  const discount = atRate(goods, terms.discountPpm)
  const reduced = atLeastZero(minus(minus(goods, discount), coupon))
  const trade = atTrade ? atRate(reduced, terms.tradePpm) : zero
  const net = minus(reduced, trade)
  const delivery = withDelivery ? terms.deliveryMinor : zero
  const taxed = terms.deliveryTaxed ? plus(net, delivery) : net
  const tax = terms.taxIncluded ? rateWithin(taxed, terms.taxPpm) : atRate(taxed, terms.taxPpm)
  const work = withDelivery ? plus(terms.workMinor, portion(terms.hourMinor, thousandths(terms.hours), 1000)) : zero
  const untaxed = plus(plus(net, delivery), work)
  return {
    packs,
    goods,
    discount,
    coupon,
    trade,
    delivery,
    taxed,
    tax,
    work,
    landed: terms.taxIncluded ? untaxed : plus(untaxed, tax),
  }
}

export type Ordered = Terms & { readonly packs: number; readonly couponMinor: Minor }

/**
 * The lines of one order, landed. Where the seller rounds the tax of the whole order, it is rounded once for each rate
 * (EN 16931, BR-CO-17, rounds per rate). Its cents are handed to the lines by what is taxed on each.
 */
export function landOrder(lines: readonly Ordered[], rounding: 'line' | 'total', atTrade = false): Landed[] {
  const landed = lines.map((line) => landedCost(line, line.packs, { coupon: line.couponMinor, atTrade }))
  if (rounding === 'line') return landed
  const rates = new Set(lines.filter((line) => !line.taxIncluded).map((line) => line.taxPpm))
  for (const rate of rates) {
    const here = [...landed.keys()].filter((at) => lines[at]?.taxPpm === rate && !lines[at].taxIncluded)
    const bases = here.map((at) => landed[at]?.taxed ?? zero)
    const taxes = split(atRate(sum(bases), rate), bases)
    for (const [place, at] of here.entries()) {
      const thisLanded = landed[at]
      const tax = taxes[place] ?? zero
      if (thisLanded) landed[at] = { ...thisLanded, tax, landed: plus(minus(thisLanded.landed, thisLanded.tax), tax) }
    }
  }
  return landed
}

/**
 * What goods going back are worth without their delivery: the difference between the goods returned so far and with
 * these added, so that the parts of a return never add up to more than the whole. An order's coupon goes with its goods.
 */
export const goodsValue = (line: Ordered, packs: number, before = 0): Minor =>
  minus(goodsOnly(line, before + packs), goodsOnly(line, before))

const goodsOnly = (line: Ordered, packs: number): Minor =>
  landedCost(line, packs, { withDelivery: false, coupon: portion(line.couponMinor, packs, line.packs) }).landed

/** What packs that will not come are worth: their goods, and once nothing of the line comes, its delivery and work too. */
export const cancelledValue = (line: Ordered, packs: number, before = 0): Minor =>
  before + packs === line.packs
    ? minus(landedCost(line, line.packs, { coupon: line.couponMinor }).landed, goodsOnly(line, before))
    : goodsValue(line, packs, before)

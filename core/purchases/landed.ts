import { atRate, minus, plus, rateWithin, times, zero, type Minor } from '../money/minor.ts'

/** What a seller asks for one pack, and on what terms. Rates in parts per million; money in minor units. */
export type Terms = {
  readonly priceMinor: Minor
  readonly packSize: number
  readonly discountPpm: number
  readonly deliveryMinor: Minor
  readonly taxPpm: number
  readonly taxIncluded: boolean
  readonly deliveryTaxed: boolean
}

/** A landed cost with every step of its working, in minor units. */
export type Landed = {
  readonly packs: number
  /** packs × price */
  readonly goods: Minor
  readonly discount: Minor
  readonly delivery: Minor
  /** What the tax is counted on (where prices include tax: the sum it is inside of). */
  readonly taxed: Minor
  readonly tax: Minor
  readonly landed: Minor
}

const thousandths = (quantity: number): number => Math.round(quantity * 1000)

/** Whole packs that cover a quantity: ⌈needed ÷ pack⌉, counted in thousandths so that 2.1 ÷ 0.7 is 3. */
export const packsFor = (needed: number, packSize: number): number => Math.ceil(thousandths(needed) / thousandths(packSize))

/** packs × pack size, without the noise of binary fractions. */
export const quantityOf = (packs: number, packSize: number): number => (packs * thousandths(packSize)) / 1000

/**
 * Landed cost of whole packs: price × packs, less discount, plus delivery, plus tax. The discount comes before tax;
 * delivery is taxed or not as the seller states. Rounded half up to the minor unit twice, at the discount and at the
 * tax, for the line as a whole. Where prices include tax, the tax is shown but not added.
 */
export function landedCost(terms: Terms, packs: number, withDelivery = true): Landed {
  const goods = times(terms.priceMinor, packs)
  const discount = atRate(goods, terms.discountPpm)
  const net = minus(goods, discount)
  const delivery = withDelivery ? terms.deliveryMinor : zero
  const taxed = terms.deliveryTaxed ? plus(net, delivery) : net
  const tax = terms.taxIncluded ? rateWithin(taxed, terms.taxPpm) : atRate(taxed, terms.taxPpm)
  const untaxed = plus(net, delivery)
  return { packs, goods, discount, delivery, taxed, tax, landed: terms.taxIncluded ? untaxed : plus(untaxed, tax) }
}

/**
 * What goods going back are worth without their delivery: the difference between the goods returned so far and with
 * these added, so that the parts of a return never add up to more than the whole.
 */
export const goodsValue = (terms: Terms, packs: number, before = 0): Minor =>
  minus(landedCost(terms, before + packs, false).landed, landedCost(terms, before, false).landed)

import { returnStarts } from './choices.ts'
import { choice, count, flag, money, quantity, rate, real } from './fields.ts'

/** The terms a seller asks: kept on a candidate, and copied on a purchase, so that a later price never rewrites an order. */
export const terms = {
  /** Of one pack; of one pack for one period, where it is rented. */
  priceMinor: money(),
  packSize: quantity(),
  /** How many periods it is rented for; 1 where it is bought. */
  periods: count(1, 1000),
  discountPpm: rate().meta({ cost: true }),
  deliveryMinor: money(),
  taxPpm: rate().meta({ cost: true }),
  taxIncluded: flag(),
  deliveryTaxed: flag(),
  /** Work on it, for all of it, as it is paid: cloth, paint, legs, fitting. */
  workMinor: money(),
  hours: real(0, 10_000).test(
    'thousandths',
    'expected at most three decimals',
    (value) => Math.round(value * 1000) === Number((value * 1000).toPrecision(15)),
  ),
  /** What an hour of that work costs. */
  hourMinor: money(),
  /** What the studio keeps of the price where it buys and bills on: its trade discount, before tax. */
  tradePpm: rate().meta({ cost: true }),
  /** Days from the order to the goods; null while nobody asked. */
  leadDays: count(0, 1000).nullable(),
  /** Days to return; null is a final sale. */
  returnDays: count(0, 1000).nullable(),
  returnFrom: choice(returnStarts),
  /** Days from the order in which the seller pays back a price drop; null where it does not. */
  adjustDays: count(0, 1000).nullable(),
}

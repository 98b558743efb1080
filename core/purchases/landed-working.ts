/** A landed cost as one would write it on paper. */
import { negate } from '../money/minor.ts'
import { workingLine as line, type Working } from '../money/working.ts'
import { writeMoney, writeRate } from '../money/written.ts'
import { type Landed, type Terms } from './landed.ts'

/** A landed cost as one would write it on paper. */
export function landedWorking(terms: Terms, landed: Landed, currency: string): Working {
  const lines = [
    line(
      'Goods',
      landed.goods,
      `${landed.packs} × ${writeMoney(terms.priceMinor, currency)}${terms.periods === 1 ? '' : ` × ${terms.periods} periods`}${terms.packSize === 1 ? '' : `, packs of ${terms.packSize}`}`,
    ),
  ]
  if (landed.discount > 0) lines.push(line('Less discount', negate(landed.discount), writeRate(terms.discountPpm)))
  if (landed.coupon > 0) lines.push(line('Less coupon', negate(landed.coupon), 'this line’s part of it'))
  if (landed.trade > 0) lines.push(line('Less trade discount', negate(landed.trade), writeRate(terms.tradePpm)))
  if (landed.delivery > 0) lines.push(line('Delivery', landed.delivery, terms.deliveryTaxed ? '' : 'not taxed'))
  if (!terms.taxIncluded && landed.tax > 0)
    lines.push(line('Tax', landed.tax, `${writeRate(terms.taxPpm)} of ${writeMoney(landed.taxed, currency)}`))
  if (landed.work > 0)
    lines.push(
      line(
        'Work on it',
        landed.work,
        terms.hours > 0
          ? `${terms.hours} hours at ${writeMoney(terms.hourMinor, currency)}${terms.workMinor > 0 ? ` and ${writeMoney(terms.workMinor, currency)}` : ''}`
          : '',
      ),
    )
  const within = terms.taxIncluded && landed.tax > 0 ? `with tax of ${writeMoney(landed.tax, currency)} in it` : ''
  return {
    title: 'Landed cost',
    means: 'What it costs here: whole packs, discount before tax, rounded half up at the discount and at the tax.',
    lines,
    result: line('Landed', landed.landed, within),
  }
}

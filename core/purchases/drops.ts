import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { atRate, minus, type Minor } from '../money/minor.ts'
import { landedCost } from './landed.ts'
import type { Money } from './money.ts'

/** A price seen lower after buying. Money in minor units, of a pack and of what is kept of the line. */
export type PriceDrop = {
  readonly purchaseId: string
  readonly pieceId: string
  readonly paidEach: Minor
  readonly seenEach: Minor
  readonly seenOn: PlainDate
  /** What the seller would pay back for the packs that are kept, with the tax on it. */
  readonly saves: Minor
  /** The last day to ask: the order's date + the window, the last day included. */
  readonly claimBy: PlainDate
  /** Inside the window, and not claimed yet. */
  readonly open: boolean
}

/** The lowest price seen of each bought thing since it was ordered, where its seller pays drops back. */
export function priceDrops(makeover: Makeover, money: Money, today: PlainDate): PriceDrop[] {
  return money.purchases.flatMap((purchase) => {
    const row = makeover.rows.purchase[purchase.id]
    if (!row || purchase.claimBy === null) return []
    const { claimBy } = purchase
    const paidEach = minus(row.priceMinor, atRate(row.priceMinor, row.discountPpm))
    const seen = rowsOf(makeover, 'price')
      .filter(
        (price) =>
          price.candidateId === row.candidateId &&
          price.seenOn >= purchase.orderedOn &&
          price.seenOn <= claimBy &&
          price.amountMinor < paidEach &&
          price.kind !== 'from memory' &&
          price.kind !== 'paid',
      )
      .toSorted((left, right) => left.amountMinor - right.amountMinor)[0]
    const kept = purchase.packs - purchase.cancelled - purchase.returned - purchase.goingBack
    if (!seen || kept <= 0) return []
    const plain = { ...row, discountPpm: 0 }
    const whole = (price: Minor): Minor =>
      landedCost({ ...plain, priceMinor: price }, kept, { withDelivery: false }).landed
    const saves = minus(whole(paidEach), whole(seen.amountMinor))
    const claimed = rowsOf(makeover, 'claim').some(
      (claim) => claim.purchaseId === purchase.id && claim.about === 'price drop',
    )
    return saves <= 0
      ? []
      : [
          {
            purchaseId: purchase.id,
            pieceId: purchase.pieceId,
            paidEach,
            seenEach: seen.amountMinor,
            seenOn: seen.seenOn,
            saves,
            claimBy,
            open: !claimed && today <= claimBy,
          },
        ]
  })
}

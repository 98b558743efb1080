import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import type { Row } from '../makeover/kinds.ts'
import { atRate, minus, sum, zero, type Minor } from '../money/minor.ts'
import { split } from '../money/split.ts'
import { writeMoney } from '../money/written.ts'
import { landedCost, type Terms } from './landed.ts'

type Line = Terms & { readonly packs: number; readonly offCoupon?: boolean }

/**
 * The goods of the lines before and after their own discounts, without delivery and tax: what a coupon's terms speak of.
 * A line of a kind that the coupon excludes counts for nothing, neither to be reduced nor towards the minimum.
 */
export function couponBases(lines: readonly Line[]): { readonly full: Minor[]; readonly reduced: Minor[] } {
  const landed = lines.map((line) => (line.offCoupon ? null : landedCost(line, line.packs, { withDelivery: false })))
  return {
    full: landed.map((landed) => landed?.goods ?? zero),
    reduced: landed.map((landed) => (landed ? minus(landed.goods, landed.discount) : zero)),
  }
}

/**
 * What an order's coupon takes off each line. It comes after the lines' own discounts and before tax: a rate of the base
 * its terms state, or a fixed amount, which never exceeds what the goods cost; parted among the lines by that base.
 */
export function couponShares(coupon: Row<'coupon'>, lines: readonly Line[]): Minor[] {
  const { full, reduced } = couponBases(lines)
  const base = coupon.base === 'full price' ? full : reduced
  const most = sum(reduced)
  const off = coupon.gives === 'percent' ? atRate(sum(base), coupon.ratePpm) : coupon.amountMinor
  return capped(split(off < most ? off : most, base), reduced)
}

/** No line pays out: what one cannot bear goes to the others. */
function capped(shares: readonly Minor[], most: readonly Minor[]): Minor[] {
  const kept = shares.map((share, at) => (share > (most[at] ?? zero) ? (most[at] ?? zero) : share))
  const spare = minus(sum(shares), sum(kept))
  if (spare === 0) return kept
  const room = kept.map((share, at) => minus(most[at] ?? zero, share))
  return split(spare, room).map((extra, at) => ((kept[at] ?? zero) + extra) as Minor)
}

/** Why a coupon does not hold for an order; empty where it does. */
export function couponRefusal(
  coupon: Row<'coupon'>,
  sellerId: string | null,
  lines: readonly Line[],
  orderedOn: PlainDate,
  currency: string,
): string {
  if (coupon.sellerId !== sellerId) return `“${coupon.name}” is another seller’s coupon`
  if (coupon.endsOn !== null && orderedOn > coupon.endsOn)
    return `“${coupon.name}” ended on ${writeDate(coupon.endsOn)}`
  const spent = sum(couponBases(lines).reduced)
  if (spent < coupon.minimumMinor)
    return `“${coupon.name}” asks for ${writeMoney(coupon.minimumMinor, currency)} of goods${lines.some(({ offCoupon }) => offCoupon) ? ' that it does not exclude' : ''}, and this comes to ${writeMoney(spent, currency)}`
  return ''
}

/** A coupon whose terms an order does not meet, or meets no longer since something of it went back. */
import { currencyOf, groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { sum } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import type { Remark } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'
import { couponBases, couponRefusal } from './coupons.ts'

export function couponRemarks(makeover: Makeover): Remark[] {
  const currency = currencyOf(makeover)
  const linesOf = groupBy(rowsOf(makeover, 'purchase'), (row) => row.orderId)
  const gone = [
    ...rowsOf(makeover, 'cancellation'),
    ...rowsOf(makeover, 'return').filter((row) => row.settles === 'money'),
  ]
  const keptOf = (line: Row<'purchase'>): number =>
    gone.reduce((packs, row) => (row.purchaseId === line.id ? packs - row.packs : packs), line.packs)
  return rowsOf(makeover, 'order').flatMap((order) => {
    const coupon = order.couponId === null ? undefined : makeover.rows.coupon[order.couponId]
    const lines = linesOf.get(order.id) ?? []
    if (!coupon || lines.length === 0) return []
    const subjects = lines.map(({ id }) => ({ kind: 'purchase' as const, id }))
    const taken = sum(lines.map(({ couponMinor }) => couponMinor))
    const refusal = couponRefusal(coupon, order.sellerId, lines, order.orderedOn, currency)
    if (refusal !== '')
      return [
        remark({
          code: 'coupon-terms',
          subjects,
          title: `The terms of “${coupon.name}” are not met`,
          sentence: `${refusal}. The seller may ask for ${writeMoney(taken, currency)} after all: order more there, or reckon without it.`,
          numbers: [taken],
        }),
      ]
    const kept = lines.map((line) => ({ ...line, packs: keptOf(line) })).filter(({ packs }) => packs > 0)
    const spent = sum(couponBases(kept).reduced)
    if (kept.length === 0 || spent >= coupon.minimumMinor) return []
    return [
      remark({
        code: 'coupon-terms',
        subjects,
        title: `What is kept falls below the terms of “${coupon.name}”`,
        sentence: `It asks for ${writeMoney(coupon.minimumMinor, currency)} of goods, and ${writeMoney(spent, currency)} are kept. The seller may take ${writeMoney(taken, currency)} off the refund: ask before more goes back.`,
        numbers: [spent],
      }),
    ]
  })
}

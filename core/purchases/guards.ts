import { agreements, isSigned } from '../brief/index.ts'
import { fault, type Documents, type Fault } from '../makeover/change.ts'
import { currencyOf, groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { MakeoverKind, Row } from '../makeover/kinds.ts'
import { sum, zero } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import { couponRefusal, couponShares } from './coupons.ts'
import { landOrder } from './landed.ts'
import { feeFaults } from './fee-guards.ts'
import { lineFaults } from './goods-guards.ts'
import { creditFaults, overpaidFaults, paymentFaults, withinAgreed } from './money-guards.ts'

/** What a change may not do to orders, goods and payments. */
export function purchaseGuards({ makeover: before }: Documents, documents: Documents, today: PlainDate): Fault[] {
  const after = documents.makeover
  return [
    ...fixedRows(before, after),
    ...orderFaults(after, today),
    ...lineFaults(after, today),
    ...paymentFaults(documents, today),
    ...overpaidFaults(before, after),
    ...creditFaults(after),
    ...withinAgreed(before, after),
    ...feeFaults(before, after, today),
  ]
}

/** What an order was made on stays; what one learns later about it may be noted. */
const openOnOrder = new Set(['reference', 'balanceDueOn', 'note'])

/** Money that moved and goods that came are facts: a wrong entry is reversed or taken away whole, never rewritten. */
function fixedRows(before: Makeover, after: Makeover): Fault[] {
  const faults: Fault[] = []
  const changed = <K extends MakeoverKind>(kind: K): Row<K>[] =>
    rowsOf(before, kind).filter((old) => (after.rows[kind] as Readonly<Record<string, Row<K>>>)[old.id] !== old)
  for (const old of changed('payment'))
    faults.push(
      fault(
        'fixed',
        'payment',
        old.id,
        null,
        'a payment is never changed or taken away: reverse it, and enter it anew',
      ),
    )
  for (const old of changed('purchase'))
    if (after.rows.purchase[old.id])
      faults.push(fault('fixed', 'purchase', old.id, null, 'an order keeps the terms it was made on'))
    else if (moved(before, old))
      faults.push(
        fault(
          'fixed',
          'purchase',
          old.id,
          null,
          'money moved on this order, or goods of it came: cancel it, or send it back, and it stays on record',
        ),
      )
  for (const old of changed('order')) {
    const order = after.rows.order[old.id]
    const [was, is] = [new Map<string, unknown>(Object.entries(old)), Object.entries(order ?? {})]
    for (const [field, value] of is)
      if (field !== 'version' && !openOnOrder.has(field) && was.get(field) !== value)
        faults.push(fault('fixed', 'order', old.id, field, 'an order keeps the terms it was made on'))
  }
  for (const old of changed('return'))
    if (old.acceptedOn !== null)
      faults.push(fault('fixed', 'return', old.id, null, 'a return that the seller has accepted is fixed'))
  for (const old of changed('cancellation'))
    faults.push(
      fault(
        'fixed',
        'cancellation',
        old.id,
        null,
        'what was cancelled stays cancelled: order it anew if it is wanted after all',
      ),
    )
  for (const old of changed('claim'))
    if (old.answer !== 'waiting')
      faults.push(fault('fixed', 'claim', old.id, null, 'a claim that the seller has answered is fixed'))
  for (const old of changed('credit'))
    if (
      rowsOf(before, 'payment').some((payment) => payment.creditId === old.id) &&
      after.rows.credit[old.id]?.faceMinor !== old.faceMinor
    )
      faults.push(fault('fixed', 'credit', old.id, 'faceMinor', 'money has moved on it: its face stays as it was'))
  for (const old of changed('substitution'))
    faults.push(fault('fixed', 'substitution', old.id, null, 'a substitution stays on record as it was made'))
  return faults
}

/** Has anything happened on a line since it was ordered? Then it is not taken away, nor is what happened together with it. */
function moved({ rows }: Makeover, { id, orderId }: Row<'purchase'>): boolean {
  const named = (among: Readonly<Record<string, { readonly purchaseId: string }>>): boolean =>
    Object.values(among).some((row) => row.purchaseId === id)
  return (
    Object.values(rows.payment).some((row) => row.orderId === orderId) ||
    [rows.delivery, rows.return, rows.cancellation, rows.claim, rows.placing].some(named)
  )
}

function orderFaults(after: Makeover, today: PlainDate): Fault[] {
  const currency = currencyOf(after)
  const agreedOn = agreements(after).find(({ row }) => isSigned(row))?.row.signedOn
  const linesOf = groupBy(rowsOf(after, 'purchase'), (row) => row.orderId)
  return rowsOf(after, 'order').flatMap((order) => {
    const lines = linesOf.get(order.id) ?? []
    const wrong = (field: string | null, message: string) => [fault('order', 'order', order.id, field, message)]
    if (lines.length === 0) return wrong(null, 'an order has at least one line')
    const strange = lines.find((line) => after.rows.candidate[line.candidateId]?.pieceId !== line.pieceId)
    if (strange) return [fault('order', 'purchase', strange.id, 'candidateId', 'is a candidate for another piece')]
    const elsewhere = lines.find(
      (line) => (after.rows.candidate[line.candidateId]?.sellerId ?? null) !== order.sellerId,
    )
    if (elsewhere)
      return [
        fault(
          'order',
          'purchase',
          elsewhere.id,
          'candidateId',
          'is sold by somebody else: one order goes to one seller',
        ),
      ]
    if (!agreedOn) return wrong('orderedOn', 'no budget is signed yet: have it signed in the brief before ordering')
    if (order.orderedOn < agreedOn)
      return wrong(
        'orderedOn',
        `${writeDate(order.orderedOn)} lies before the budget was agreed, ${writeDate(agreedOn)}`,
      )
    if (order.orderedOn > today)
      return wrong('orderedOn', `${writeDate(order.orderedOn)} lies in the future: expected today or earlier`)
    if (order.balanceDueOn !== null && order.balanceDueOn < order.orderedOn)
      return wrong('balanceDueOn', `${writeDate(order.balanceDueOn)} lies before the order`)
    const landed = sum(landOrder(lines, order.taxRounding).map((landed) => landed.landed))
    if (order.depositMinor > landed)
      return wrong(
        'depositMinor',
        `${writeMoney(order.depositMinor, currency)} is more than the order comes to, ${writeMoney(landed, currency)}`,
      )
    const coupon = order.couponId === null ? undefined : after.rows.coupon[order.couponId]
    const refusal = coupon ? couponRefusal(coupon, order.sellerId, lines, order.orderedOn, currency) : ''
    if (refusal) return wrong('couponId', refusal)
    const shares = coupon ? couponShares(coupon, lines) : []
    return lines.flatMap((line, at) =>
      line.couponMinor === (shares[at] ?? zero)
        ? []
        : [
            fault(
              'order',
              'purchase',
              line.id,
              'couponMinor',
              `expected ${writeMoney(shares[at] ?? zero, currency)}, this line’s part of the coupon`,
            ),
          ],
    )
  })
}

/** What a change may not do to money: a payment is only reversed, an order stays within what was agreed. */
import { byId } from '../makeover/by-id.ts'
import { fault, type Documents, type Fault } from '../makeover/change.ts'
import { currencyOf, groupBy, rowsOf, type Makeover, type Studio } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { minus, sum, type Minor } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import { netPaid } from './ledger.ts'
import { reckonMoney, type Money } from './money.ts'
import { dateFaults } from './goods-guards.ts'

export function paymentFaults({ makeover: after, studio }: Documents, today: PlainDate): Fault[] {
  const currency = currencyOf(after)
  const paymentsOf = groupBy(rowsOf(after, 'payment'), (row) => row.orderId)
  return rowsOf(after, 'order').flatMap((order) => {
    const paid = paymentsOf.get(order.id) ?? []
    return [
      ...paid.flatMap((row) => dateFaults('payment', row.id, 'paidOn', row.paidOn, order.orderedOn, today)),
      ...paid.flatMap((row) => tenderFaults(after, studio, order, row)),
      ...moneyFaults(paid, currency),
    ]
  })
}

/** More is paid for an order than it comes to only where somebody says why: a figure is typed wrongly sooner than that. */
export function overpaidFaults(before: Makeover, after: Makeover): Fault[] {
  const currency = currencyOf(after)
  return reckonMoney(after).orders.flatMap(({ id, owed, paid }) => {
    const newest = rowsOf(after, 'payment').findLast(
      (row) => row.orderId === id && row.direction === 'out' && row.reversesId === null && !before.rows.payment[row.id],
    )
    if (!newest || paid <= owed || newest.reason.trim() !== '') return []
    return [
      fault(
        'overpaid',
        'payment',
        newest.id,
        'reason',
        `${writeMoney(minus(paid, owed), currency)} more is paid than the ${writeMoney(owed, currency)} owed: look at the amount again, or say why it is more`,
      ),
    ]
  })
}

/** Is a gift card good at this seller: its own, or of the group that it is good for? */
export function isGoodAt(credit: Row<'credit'>, sellerId: string | null, studio: Studio): boolean {
  if (credit.sellerId === sellerId) return true
  const groupOf = (id: string | null): string =>
    (id === null ? '' : (studio.rows.seller[id]?.groupName ?? '')).trim().toLocaleLowerCase('en')
  return credit.wholeGroup && groupOf(sellerId) !== '' && groupOf(credit.sellerId) === groupOf(sellerId)
}

function tenderFaults(after: Makeover, studio: Studio, order: Row<'order'>, row: Row<'payment'>): Fault[] {
  const wrong = (field: string, message: string) => [fault('payment', 'payment', row.id, field, message)]
  const held = row.tender === 'gift card' || row.tender === 'held credit'
  const credit = row.creditId === null ? undefined : after.rows.credit[row.creditId]
  if (!held)
    return row.creditId === null
      ? []
      : wrong('tender', 'was made with held credit or a gift card: expected one of these')
  if (!credit)
    return wrong('creditId', `is missing: expected the ${row.tender === 'gift card' ? 'gift card' : 'credit note'}`)
  if ((credit.kind === 'gift card') !== (row.tender === 'gift card'))
    return wrong('tender', `is ${row.tender}, and it is a ${credit.kind}`)
  if (!isGoodAt(credit, order.sellerId, studio))
    return wrong('creditId', `is held with another seller${credit.wholeGroup ? ', of another group' : ''}`)
  if (credit.expiresOn !== null && row.direction === 'out' && row.paidOn > credit.expiresOn)
    return wrong('creditId', `ended on ${writeDate(credit.expiresOn)}`)
  return []
}

function moneyFaults(paid: readonly Row<'payment'>[], currency: string): Fault[] {
  const faults: Fault[] = []
  const reversed = new Set<string>()
  for (const row of paid) {
    if (row.reversesId === null) continue
    const first = byId(paid, row.reversesId)
    if (
      !first ||
      first.reversesId !== null ||
      reversed.has(first.id) ||
      first.direction === row.direction ||
      first.amountMinor !== row.amountMinor ||
      first.creditId !== row.creditId
    )
      faults.push(
        fault(
          'payment',
          'payment',
          row.id,
          'reversesId',
          'a payment is reversed once, by its whole amount, the other way',
        ),
      )
    reversed.add(row.reversesId)
  }
  const out = paid.filter((row) => row.direction === 'out')
  const back = paid.filter((row) => row.direction === 'back')
  if (netPaid(paid) < 0)
    faults.push(
      fault(
        'payment',
        'payment',
        back.at(-1)?.id ?? null,
        'amountMinor',
        `more would come back than was paid: ${writeMoney(sum(back.map((row) => row.amountMinor)), currency)} back, ${writeMoney(sum(out.map((row) => row.amountMinor)), currency)} paid`,
      ),
    )
  return faults
}

export function creditFaults(after: Makeover): Fault[] {
  const currency = currencyOf(after)
  const balances = new Map(reckonMoney(after).credits.map((credit) => [credit.id, credit]))
  return rowsOf(after, 'credit').flatMap((row) => {
    const held = balances.get(row.id)
    if (row.kind === 'credit note' && row.faceMinor > 0)
      return [fault('credit', 'credit', row.id, 'faceMinor', 'a credit note is filled by refunds: expected 0')]
    if (row.expiresOn !== null && row.expiresOn < row.gotOn)
      return [fault('credit', 'credit', row.id, 'expiresOn', 'lies before it was got')]
    if (held && held.balance < 0)
      return [
        fault(
          'credit',
          'payment',
          rowsOf(after, 'payment').findLast((payment) => payment.creditId === row.id)?.id ?? null,
          'amountMinor',
          `only ${writeMoney(held.put, currency)} was put on it, and ${writeMoney(held.spent, currency)} would be spent`,
        ),
      ]
    return []
  })
}

/**
 * An order is made within the agreed sum: where a change makes more owed, the forecast after it may not pass what was
 * agreed with the contingency. A signed change in the same change set, or before it, lifts the limit.
 */
export function withinAgreed(before: Makeover, after: Makeover): Fault[] {
  const ordered = (money: Money): Minor => sum(money.purchases.map((purchase) => purchase.owed))
  const is = reckonMoney(after)
  const { total, agreement } = is
  if (agreement === null || total.over === 0 || ordered(is) <= ordered(reckonMoney(before))) return []
  const currency = currencyOf(after)
  const order = rowsOf(after, 'order').find((row) => !before.rows.order[row.id])
  return [
    fault(
      'over-agreed',
      order ? 'order' : null,
      order?.id ?? null,
      null,
      `this would come to ${writeMoney(total.forecast, currency)}, which is ${writeMoney(total.over, currency)} over the agreed ${writeMoney(total.agreed, currency)}: it needs a signed change first, or a wish given up`,
    ),
  ]
}

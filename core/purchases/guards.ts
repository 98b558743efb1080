import { agreements, isSigned } from '../brief/index.ts'
import { fault, type Fault } from '../makeover/change.ts'
import { currencyOf, groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { sum } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import { goodsValue } from './landed.ts'
import { netPaid } from './ledger.ts'
import { reckonMoney } from './money.ts'

/** What a change may not do to orders, goods and payments. */
export function purchaseGuards(before: Makeover, after: Makeover, today: PlainDate): Fault[] {
  return [...fixedRows(before, after), ...orderDates(after, today), ...goodsAndMoney(after, today), ...withinAgreed(before, after)]
}

/** Money that moved and goods that came are facts: a wrong entry is reversed or taken away whole, never rewritten. */
function fixedRows(before: Makeover, after: Makeover): Fault[] {
  const faults: Fault[] = []
  for (const old of rowsOf(before, 'payment'))
    if (after.rows.payment[old.id] !== old) faults.push(fault('fixed', 'payment', old.id, null, 'a payment is never changed or taken away: reverse it, and enter it anew'))
  for (const old of rowsOf(before, 'purchase')) {
    const now = after.rows.purchase[old.id]
    if (now && now !== old) faults.push(fault('fixed', 'purchase', old.id, null, 'an order keeps the terms it was made on'))
  }
  for (const old of rowsOf(before, 'return')) {
    const now = after.rows.return[old.id]
    if (old.acceptedOn !== null && now !== old) faults.push(fault('fixed', 'return', old.id, null, 'a return that the seller has accepted is fixed'))
  }
  return faults
}

function orderDates(after: Makeover, today: PlainDate): Fault[] {
  const agreedOn = agreements(after).find(({ row }) => isSigned(row))?.row.signedOn
  return rowsOf(after, 'purchase').flatMap((order) => {
    const wrong = (field: string, message: string) => [fault('order', 'purchase', order.id, field, message)]
    if (after.rows.candidate[order.candidateId]?.pieceId !== order.pieceId) return wrong('candidateId', 'is a candidate for another piece')
    if (!agreedOn) return wrong('orderedOn', 'no budget is signed yet: have it signed in the brief before ordering')
    if (order.orderedOn < agreedOn) return wrong('orderedOn', `${writeDate(order.orderedOn)} lies before the budget was agreed, ${writeDate(agreedOn)}`)
    if (order.orderedOn > today) return wrong('orderedOn', `${writeDate(order.orderedOn)} lies in the future: expected today or earlier`)
    return []
  })
}

function goodsAndMoney(after: Makeover, today: PlainDate): Fault[] {
  const currency = currencyOf(after)
  const deliveries = groupBy(rowsOf(after, 'delivery'), (row) => row.purchaseId)
  const returns = groupBy(rowsOf(after, 'return'), (row) => row.purchaseId)
  const payments = groupBy(rowsOf(after, 'payment'), (row) => row.purchaseId)
  return rowsOf(after, 'purchase').flatMap((order) => {
    const came = deliveries.get(order.id) ?? []
    const back = returns.get(order.id) ?? []
    const paid = payments.get(order.id) ?? []
    const dates = [
      ...came.map((row) => ({ kind: 'delivery' as const, id: row.id, field: 'receivedOn', on: row.receivedOn })),
      ...back.map((row) => ({ kind: 'return' as const, id: row.id, field: 'sentOn', on: row.sentOn })),
      ...paid.map((row) => ({ kind: 'payment' as const, id: row.id, field: 'paidOn', on: row.paidOn })),
      ...back.flatMap((row) => (row.acceptedOn ? [{ kind: 'return' as const, id: row.id, field: 'acceptedOn', on: row.acceptedOn }] : [])),
    ].flatMap(({ kind, id, field, on }) => {
      if (on < order.orderedOn) return [fault('date', kind, id, field, `${writeDate(on)} lies before the order, ${writeDate(order.orderedOn)}`)]
      if (on > today) return [fault('date', kind, id, field, `${writeDate(on)} lies in the future: expected today or earlier`)]
      return []
    })
    return [...dates, ...goodsFaults(order, came, back, currency), ...moneyFaults(paid, currency)]
  })
}

const packsIn = (rows: readonly { readonly packs: number }[]): number => rows.reduce((total, row) => total + row.packs, 0)

function goodsFaults(order: Row<'purchase'>, came: readonly Row<'delivery'>[], back: readonly Row<'return'>[], currency: string): Fault[] {
  const last = (rows: readonly { readonly id: string }[]): string | null => rows.at(-1)?.id ?? null
  const faults: Fault[] = []
  if (packsIn(came) > order.packs) faults.push(fault('goods', 'delivery', last(came), 'packs', `more came than was ordered: ${packsIn(came)} of ${order.packs}`))
  if (packsIn(back) > packsIn(came)) faults.push(fault('goods', 'return', last(back), 'packs', `only what has come can go back: ${packsIn(came)} came, ${packsIn(back)} would go back`))
  const most = goodsValue(order, Math.min(packsIn(back), order.packs))
  const credits = sum(back.map((row) => row.creditMinor))
  if (credits > most)
    faults.push(fault('goods', 'return', last(back), 'creditMinor', `${writeMoney(credits, currency)} is more than the returned goods cost, ${writeMoney(most, currency)} without their delivery`))
  for (const row of back) if (row.acceptedOn !== null && row.acceptedOn < row.sentOn) faults.push(fault('date', 'return', row.id, 'acceptedOn', `lies before the goods went back, ${writeDate(row.sentOn)}`))
  return faults
}

function moneyFaults(paid: readonly Row<'payment'>[], currency: string): Fault[] {
  const faults: Fault[] = []
  const reversed = new Set<string>()
  for (const row of paid) {
    if (row.reversesId === null) continue
    const first = paid.find((one) => one.id === row.reversesId)
    if (!first || first.reversesId !== null || reversed.has(first.id) || first.direction === row.direction || first.amountMinor !== row.amountMinor)
      faults.push(fault('payment', 'payment', row.id, 'reversesId', 'a payment is reversed once, by its whole amount, the other way'))
    reversed.add(row.reversesId)
  }
  const out = paid.filter((row) => row.direction === 'out')
  const back = paid.filter((row) => row.direction === 'back')
  if (netPaid(paid) < 0)
    faults.push(
      fault('payment', 'payment', back.at(-1)?.id ?? null, 'amountMinor', `more would come back than was paid: ${writeMoney(sum(back.map((row) => row.amountMinor)), currency)} back, ${writeMoney(sum(out.map((row) => row.amountMinor)), currency)} paid`),
    )
  return faults
}

/**
 * An order is made within the agreed sum: where a change makes more owed, the forecast after it may not pass what was
 * agreed with the contingency. A signed change in the same change set, or before it, lifts the limit.
 */
function withinAgreed(before: Makeover, after: Makeover): Fault[] {
  const was = reckonMoney(before).total
  const { total, agreement } = reckonMoney(after)
  if (agreement === null || total.owed <= was.owed || total.over === 0) return []
  const currency = currencyOf(after)
  const order = rowsOf(after, 'purchase').find((row) => !before.rows.purchase[row.id])
  return [
    fault(
      'over-agreed',
      order ? 'purchase' : null,
      order?.id ?? null,
      null,
      `this would come to ${writeMoney(total.forecast, currency)}, which is ${writeMoney(total.over, currency)} over the agreed ${writeMoney(total.agreed, currency)}: it needs a signed change first, or a wish given up`,
    ),
  ]
}

import { byId } from '../makeover/by-id.ts'
import { agreements, isSigned } from '../brief/index.ts'
import { fault, type Fault } from '../makeover/change.ts'
import { currencyOf, groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { MakeoverKind, Row } from '../makeover/kinds.ts'
import { sum, zero } from '../money/minor.ts'
import { writeMoney } from '../money/written.ts'
import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import { couponRefusal, couponShares } from './coupons.ts'
import { cancelledValue, goodsValue, landOrder } from './landed.ts'
import { netPaid } from './ledger.ts'
import { reckonMoney } from './money.ts'

/** What a change may not do to orders, goods and payments. */
export function purchaseGuards(before: Makeover, after: Makeover, today: PlainDate): Fault[] {
  return [
    ...fixedRows(before, after),
    ...orderFaults(after, today),
    ...lineFaults(after, today),
    ...paymentFaults(after, today),
    ...creditFaults(after),
    ...withinAgreed(before, after),
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

type Line = Row<'purchase'>
type Events = {
  came: readonly Row<'delivery'>[]
  back: readonly Row<'return'>[]
  gone: readonly Row<'cancellation'>[]
  claims: readonly Row<'claim'>[]
  placing: Row<'placing'> | undefined
}
type Dated = {
  readonly kind: 'delivery' | 'return' | 'cancellation' | 'claim' | 'placing'
  readonly id: string
  readonly field: string
  readonly on: PlainDate | null
}

function lineFaults(after: Makeover, today: PlainDate): Fault[] {
  const currency = currencyOf(after)
  const by = <T extends { readonly purchaseId: string }>(rows: readonly T[]) => groupBy(rows, (row) => row.purchaseId)
  const [deliveries, returns, cancellations, claims, placings] = [
    by(rowsOf(after, 'delivery')),
    by(rowsOf(after, 'return')),
    by(rowsOf(after, 'cancellation')),
    by(rowsOf(after, 'claim')),
    by(rowsOf(after, 'placing')),
  ]
  return rowsOf(after, 'purchase').flatMap((line) => {
    const orderedOn = after.rows.order[line.orderId]?.orderedOn ?? today
    const events: Events = {
      came: deliveries.get(line.id) ?? [],
      back: returns.get(line.id) ?? [],
      gone: cancellations.get(line.id) ?? [],
      claims: claims.get(line.id) ?? [],
      placing: placings.get(line.id)?.[0],
    }
    const dated: Dated[] = [
      ...events.came.map((row) => ({ kind: 'delivery' as const, id: row.id, field: 'receivedOn', on: row.receivedOn })),
      ...events.back.flatMap((row) => [
        { kind: 'return' as const, id: row.id, field: 'sentOn', on: row.sentOn },
        { kind: 'return' as const, id: row.id, field: 'acceptedOn', on: row.acceptedOn },
      ]),
      ...events.gone.map((row) => ({
        kind: 'cancellation' as const,
        id: row.id,
        field: 'cancelledOn',
        on: row.cancelledOn,
      })),
      ...events.claims.flatMap((row) => [
        { kind: 'claim' as const, id: row.id, field: 'madeOn', on: row.madeOn },
        { kind: 'claim' as const, id: row.id, field: 'answeredOn', on: row.answeredOn },
      ]),
      ...(events.placing
        ? [
            { kind: 'placing' as const, id: events.placing.id, field: 'placedOn', on: events.placing.placedOn },
            { kind: 'placing' as const, id: events.placing.id, field: 'tagsOffOn', on: events.placing.tagsOffOn },
          ]
        : []),
    ]
    const dates = dated.flatMap(({ kind, id, field, on }) => dateFaults(kind, id, field, on, orderedOn, today))
    return [...dates, ...goodsFaults(line, events), ...creditOnLine(line, events, currency), ...answerFaults(events)]
  })
}

function dateFaults(
  kind: 'delivery' | 'return' | 'cancellation' | 'claim' | 'placing' | 'payment',
  id: string,
  field: string,
  on: PlainDate | null,
  orderedOn: PlainDate,
  today: PlainDate,
): Fault[] {
  if (on === null) return []
  if (on < orderedOn)
    return [fault('date', kind, id, field, `${writeDate(on)} lies before the order, ${writeDate(orderedOn)}`)]
  if (on > today)
    return [fault('date', kind, id, field, `${writeDate(on)} lies in the future: expected today or earlier`)]
  return []
}

const packsIn = (rows: readonly { readonly packs: number }[]): number =>
  rows.reduce((total, row) => total + row.packs, 0)
const last = (rows: readonly { readonly id: string }[]): string | null => rows.at(-1)?.id ?? null

function goodsFaults(line: Line, { came, back, gone, placing }: Events): Fault[] {
  const faults: Fault[] = []
  const replaced = packsIn(back.filter((row) => row.acceptedOn !== null && row.settles === 'replacement'))
  const most = line.packs - packsIn(gone) + replaced
  if (packsIn(gone) > line.packs)
    faults.push(
      fault(
        'goods',
        'cancellation',
        last(gone),
        'packs',
        `more would be cancelled than was ordered: ${packsIn(gone)} of ${line.packs}`,
      ),
    )
  else if (packsIn(came) > most)
    faults.push(
      fault(
        'goods',
        packsIn(came) > line.packs || gone.length === 0 ? 'delivery' : 'cancellation',
        packsIn(came) > line.packs || gone.length === 0 ? last(came) : last(gone),
        'packs',
        `more came than was ordered: ${packsIn(came)} of ${most}`,
      ),
    )
  if (packsIn(back) > packsIn(came))
    faults.push(
      fault(
        'goods',
        'return',
        last(back),
        'packs',
        `only what has come can go back: ${packsIn(came)} came, ${packsIn(back)} would go back`,
      ),
    )
  for (const row of came)
    if (row.damagedPacks > row.packs)
      faults.push(
        fault(
          'goods',
          'delivery',
          row.id,
          'damagedPacks',
          `more is damaged than came: ${row.damagedPacks} of ${row.packs}`,
        ),
      )
  for (const row of back)
    if (row.acceptedOn !== null && row.acceptedOn < row.sentOn)
      faults.push(
        fault('date', 'return', row.id, 'acceptedOn', `lies before the goods went back, ${writeDate(row.sentOn)}`),
      )
  const first = came.map((row) => row.receivedOn).sort()[0]
  if (placing && (first === undefined || placing.placedOn < first))
    faults.push(
      fault(
        'date',
        'placing',
        placing.id,
        'placedOn',
        first === undefined ? 'nothing of it has come yet' : `lies before it came, ${writeDate(first)}`,
      ),
    )
  if (placing?.tagsOffOn && placing.tagsOffOn < placing.placedOn)
    faults.push(
      fault(
        'date',
        'placing',
        placing.id,
        'tagsOffOn',
        `lies before it was put in place, ${writeDate(placing.placedOn)}`,
      ),
    )
  return faults
}

/** Credits never exceed what they are for: goods back or cancelled, less what the seller keeps; the price, with claims. */
function creditOnLine(line: Line, { back, gone, claims }: Events, currency: string): Fault[] {
  const write = (amount: typeof zero): string => writeMoney(amount, currency)
  const faults: Fault[] = []
  const most = goodsValue(line, Math.min(packsIn(back), line.packs))
  const credits = sum(back.map((row) => row.creditMinor))
  const kept = sum(back.map((row) => row.restockingMinor))
  if (credits > most)
    faults.push(
      fault(
        'goods',
        'return',
        last(back),
        'creditMinor',
        `${write(credits)} is more than the returned goods cost, ${write(most)} without their delivery`,
      ),
    )
  else if (credits + kept > most)
    faults.push(
      fault(
        'goods',
        'return',
        last(back),
        'restockingMinor',
        `with the credit it comes to more than the returned goods cost, ${write(most)} without their delivery`,
      ),
    )
  for (const row of back)
    if (row.settles === 'replacement' && row.creditMinor > 0)
      faults.push(
        fault('goods', 'return', row.id, 'creditMinor', 'goods that are replaced bring no credit: expected 0'),
      )
  const worth = cancelledValue(line, Math.min(packsIn(gone), line.packs))
  const given = sum(gone.map((row) => row.creditMinor))
  if (given > worth)
    faults.push(
      fault(
        'goods',
        'cancellation',
        last(gone),
        'creditMinor',
        `${write(given)} is more than what was cancelled costs, ${write(worth)}`,
      ),
    )
  else if (given + sum(gone.map((row) => row.keptMinor)) > worth)
    faults.push(
      fault(
        'goods',
        'cancellation',
        last(gone),
        'keptMinor',
        `with the credit it comes to more than what was cancelled costs, ${write(worth)}`,
      ),
    )
  const whole = cancelledValue(line, line.packs)
  const all = sum([credits, given, ...claims.filter((row) => row.answer === 'yes').map((row) => row.grantedMinor)])
  if (all > whole)
    faults.push(
      fault(
        'goods',
        claims.length > 0 ? 'claim' : 'return',
        last(claims) ?? last(back),
        claims.length > 0 ? 'grantedMinor' : 'creditMinor',
        `with it ${write(all)} would be credited on a line that cost ${write(whole)}`,
      ),
    )
  return faults
}

function answerFaults({ claims }: Events): Fault[] {
  return claims.flatMap((row) => {
    if ((row.answer === 'waiting') !== (row.answeredOn === null))
      return [
        fault(
          'claim',
          'claim',
          row.id,
          'answeredOn',
          row.answer === 'waiting' ? 'is there without an answer' : 'is missing: expected the day of the answer',
        ),
      ]
    if (row.answer !== 'yes' && row.grantedMinor > 0)
      return [
        fault('claim', 'claim', row.id, 'grantedMinor', 'nothing is granted until the seller says yes: expected 0'),
      ]
    return []
  })
}

function paymentFaults(after: Makeover, today: PlainDate): Fault[] {
  const currency = currencyOf(after)
  const paymentsOf = groupBy(rowsOf(after, 'payment'), (row) => row.orderId)
  return rowsOf(after, 'order').flatMap((order) => {
    const paid = paymentsOf.get(order.id) ?? []
    return [
      ...paid.flatMap((row) => dateFaults('payment', row.id, 'paidOn', row.paidOn, order.orderedOn, today)),
      ...paid.flatMap((row) => tenderFaults(after, order, row)),
      ...moneyFaults(paid, currency),
    ]
  })
}

function tenderFaults(after: Makeover, order: Row<'order'>, row: Row<'payment'>): Fault[] {
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
  if (credit.sellerId !== order.sellerId) return wrong('creditId', 'is held with another seller')
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

function creditFaults(after: Makeover): Fault[] {
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
function withinAgreed(before: Makeover, after: Makeover): Fault[] {
  const was = reckonMoney(before).total
  const { total, agreement } = reckonMoney(after)
  if (agreement === null || total.owed <= was.owed || total.over === 0) return []
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

/** What of the purchases needs a hand. */
import { currencyOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { addDays, daysBetween, writeDate, type PlainDate } from '../measure/plain-date.ts'
import { writeMoney } from '../money/written.ts'
import { attentionLines, days, type Attention } from '../remarks/attention.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { priceDrops } from './drops.ts'
import type { Money } from './money.ts'

const ranks = {
  'over the agreed sum': 0,
  'last return day': 3,
  'refund due': 4,
  'payment due': 5,
  'delivery expected': 6,
  'answer waiting': 7,
  'price to claim': 8,
  'sum asked': 9,
  'held credit': 10,
}

export function purchaseAttention(makeover: Makeover, money: Money, rules: Rules, today: PlainDate): Attention[] {
  const currency = currencyOf(makeover)
  const horizon = addDays(today, rules['dates.attention'])
  const near = (on: PlainDate | null): on is PlainDate => on !== null && on <= horizon
  const name = (pieceId: string): string => makeover.rows.piece[pieceId]?.name ?? 'A piece'
  const { lines, add } = attentionLines('purchases', ranks, today)
  if (money.total.over > 0)
    add(
      'over the agreed sum',
      null,
      `${writeMoney(money.total.over, currency)} over what was agreed`,
      'Nothing more can be ordered until a change is signed',
      null,
    )
  for (const purchase of money.purchases) {
    if (near(purchase.returnBy) && purchase.returnBy >= today)
      add(
        'last return day',
        purchase.returnBy,
        name(purchase.pieceId),
        purchase.returnBy === today
          ? 'tags on; today is the last day'
          : `tags on; ${days(daysBetween(today, purchase.returnBy))} left to send it back`,
        purchase.id,
      )
    if (purchase.awaited > 0 && purchase.arrivesOn !== null && near(purchase.arrivesOn))
      add(
        'delivery expected',
        purchase.arrivesOn,
        name(purchase.pieceId),
        purchase.arrivesOn < today
          ? `expected ${days(daysBetween(purchase.arrivesOn, today))} ago, and not here`
          : `${purchase.awaited} of ${purchase.packs} to come`,
        purchase.id,
      )
  }
  for (const { id, outstanding, dueOn } of money.client.stages)
    if (outstanding > 0 && near(dueOn))
      add(
        'sum asked',
        dueOn,
        makeover.rows.stage[id]?.name ?? 'A stage',
        `${writeMoney(outstanding, currency)} of the client’s money ${dueOn < today ? 'was due' : 'is due'}`,
        id,
      )
  for (const order of money.orders) {
    const row = makeover.rows.order[order.id]
    const [first] = order.lineIds
    if (!row || first === undefined) continue
    const id = name(makeover.rows.purchase[first]?.pieceId ?? '')
    if (order.refundDue > 0) add('refund due', null, id, `${writeMoney(order.refundDue, currency)} to come back`, first)
    if (order.depositDue > 0)
      add('payment due', row.orderedOn, id, `a deposit of ${writeMoney(order.depositDue, currency)}`, first)
    else if (order.committed > 0 && near(row.balanceDueOn))
      add('payment due', row.balanceDueOn, id, `${writeMoney(order.committed, currency)} of balance`, first)
  }
  for (const drop of priceDrops(makeover, money, today))
    if (drop.open)
      add(
        'price to claim',
        drop.claimBy,
        name(drop.pieceId),
        `seen for ${writeMoney(drop.saves, currency)} less`,
        drop.purchaseId,
      )
  for (const row of rowsOf(makeover, 'claim')) {
    const purchase = makeover.rows.purchase[row.purchaseId]
    if (row.answer === 'waiting' && purchase)
      add(
        'answer waiting',
        null,
        `${name(purchase.pieceId)}: the seller on ${row.about}`,
        `${writeMoney(row.askedMinor, currency)} asked on ${writeDate(row.madeOn)}`,
        purchase.id,
      )
  }
  for (const { id, balance } of money.credits) {
    const row = makeover.rows.credit[id]
    if (row?.expiresOn && balance > 0 && row.expiresOn <= addDays(today, rules['dates.credit-warning']))
      add(
        'held credit',
        row.expiresOn,
        `${writeMoney(balance, currency)} on a ${row.kind}`,
        row.expiresOn < today ? 'it has ended' : 'spend it before it ends',
        null,
      )
  }
  return lines
}

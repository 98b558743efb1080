/** What needs a hand: the lines of the day page, each with its day and where it is done. */
import { currencyOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { addDays, daysBetween, writeDate, type PlainDate } from '../measure/plain-date.ts'
import { writeMoney } from '../money/written.ts'
import { lightsSeen, unseenByLamp } from '../palette/index.ts'
import { priceDrops } from '../purchases/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Reckoning } from './reckon.ts'

export const attentionKinds = [
  'over the agreed sum',
  'order by',
  'decide by',
  'last return day',
  'refund due',
  'payment due',
  'delivery expected',
  'answer waiting',
  'price to claim',
  'goes back',
  'held credit',
  'sample',
  'placeholder',
] as const
export type AttentionKind = (typeof attentionKinds)[number]

export type Attention = {
  readonly kind: AttentionKind
  /** The day it falls due; null is now. */
  readonly on: PlainDate | null
  readonly late: boolean
  readonly title: string
  readonly detail: string
  /** Where it is done: a page of the makeover, and what to open there. */
  readonly step: 'brief' | 'palette' | 'pieces' | 'piece' | 'purchases'
  readonly id: string | null
}

const days = (count: number): string => `${count} ${count === 1 ? 'day' : 'days'}`

/** All that falls due within the days that the rulebook looks ahead, the most urgent first. */
export function attention(
  makeover: Makeover,
  reckoning: Omit<Reckoning, 'attention'>,
  rules: Rules,
  today: PlainDate,
): Attention[] {
  const currency = currencyOf(makeover)
  const horizon = addDays(today, rules['dates.attention'])
  const near = (on: PlainDate | null): on is PlainDate => on !== null && on <= horizon
  const name = (pieceId: string): string => makeover.rows.piece[pieceId]?.name ?? 'A piece'
  const { money } = reckoning
  const found: Attention[] = []
  const add = (
    kind: AttentionKind,
    on: PlainDate | null,
    title: string,
    detail: string,
    step: Attention['step'],
    id: string | null,
  ): void => void found.push({ kind, on, late: on !== null && on < today, title, detail, step, id })

  if (money.total.over > 0)
    add(
      'over the agreed sum',
      null,
      `${writeMoney(money.total.over, currency)} over what was agreed`,
      'Nothing more can be ordered until a change is signed',
      'purchases',
      null,
    )
  for (const date of reckoning.dates) {
    const piece = makeover.rows.piece[date.id]
    if (!piece || money.pieces.find((piece) => piece.id === date.id)?.open === 0) continue
    if (piece.chosenId !== null && near(date.orderBy))
      add(
        'order by',
        date.orderBy,
        piece.name,
        date.slackDays !== null && date.slackDays < 0
          ? `${days(-date.slackDays)} late already`
          : 'chosen, and not ordered',
        'piece',
        piece.id,
      )
    if (piece.chosenId === null && near(date.decideBy))
      add('decide by', date.decideBy, piece.name, 'nothing chosen yet', 'piece', piece.id)
  }
  for (const purchase of money.purchases) {
    if (near(purchase.returnBy) && purchase.returnBy >= today)
      add(
        'last return day',
        purchase.returnBy,
        name(purchase.pieceId),
        purchase.returnBy === today
          ? 'tags on; today is the last day'
          : `tags on; ${days(daysBetween(today, purchase.returnBy))} left to send it back`,
        'purchases',
        purchase.id,
      )
    if (purchase.awaited > 0 && near(purchase.arrivesOn))
      add(
        'delivery expected',
        purchase.arrivesOn,
        name(purchase.pieceId),
        purchase.arrivesOn < today
          ? `expected ${days(daysBetween(purchase.arrivesOn, today))} ago, and not here`
          : `${purchase.awaited} of ${purchase.packs} to come`,
        'purchases',
        purchase.id,
      )
  }
  for (const order of money.orders) {
    const row = makeover.rows.order[order.id]
    const [first] = order.lineIds
    if (!row || first === undefined) continue
    const id = name(makeover.rows.purchase[first]?.pieceId ?? '')
    if (order.refundDue > 0)
      add('refund due', null, id, `${writeMoney(order.refundDue, currency)} to come back`, 'purchases', first)
    if (order.depositDue > 0)
      add(
        'payment due',
        row.orderedOn,
        id,
        `a deposit of ${writeMoney(order.depositDue, currency)}`,
        'purchases',
        first,
      )
    else if (order.committed > 0 && near(row.balanceDueOn))
      add(
        'payment due',
        row.balanceDueOn,
        id,
        `${writeMoney(order.committed, currency)} of balance`,
        'purchases',
        first,
      )
  }
  for (const drop of priceDrops(makeover, money, today))
    if (drop.open)
      add(
        'price to claim',
        drop.claimBy,
        name(drop.pieceId),
        `seen for ${writeMoney(drop.saves, currency)} less`,
        'purchases',
        drop.purchaseId,
      )
  for (const row of rowsOf(makeover, 'question'))
    if (row.answer === 'waiting')
      add(
        'answer waiting',
        row.neededBy,
        row.ask,
        `asked ${row.askedOn === today ? 'today' : `${days(daysBetween(row.askedOn, today))} ago`}${row.pieceId ? `, about ${name(row.pieceId)}` : ''}`,
        row.pieceId ? 'piece' : 'brief',
        row.pieceId,
      )
  for (const row of rowsOf(makeover, 'permission'))
    if (row.answer === 'waiting')
      add(
        'answer waiting',
        null,
        row.ask,
        `asked of ${row.askedOf || 'the owner'} on ${writeDate(row.askedOn)}`,
        'brief',
        row.id,
      )
  for (const row of rowsOf(makeover, 'claim')) {
    const purchase = makeover.rows.purchase[row.purchaseId]
    if (row.answer === 'waiting' && purchase)
      add(
        'answer waiting',
        null,
        `${name(purchase.pieceId)}: the seller on ${row.about}`,
        `${writeMoney(row.askedMinor, currency)} asked on ${writeDate(row.madeOn)}`,
        'purchases',
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
        'purchases',
        null,
      )
  }
  for (const row of rowsOf(makeover, 'candidate')) {
    const piece = makeover.rows.piece[row.pieceId]
    if (piece?.chosenId !== row.id) continue
    if (row.goBackOn !== null && near(row.goBackOn))
      add('goes back', row.goBackOn, piece.name, row.origin ? `to ${row.origin}` : row.source, 'piece', piece.id)
    if (row.source === 'placeholder' && near(row.lookAgainOn))
      add('placeholder', row.lookAgainOn, piece.name, 'look at the stand-in again', 'piece', piece.id)
  }
  for (const row of rowsOf(makeover, 'sample')) {
    const finish = makeover.rows.finish[row.finishId]
    if (!finish || row.verdict !== 'open') continue
    const seen = lightsSeen(makeover, finish.id)
    if (row.cameOn !== null && !seen.includes('evening') && !seen.includes('lamp'))
      add(
        'sample',
        null,
        finish.name,
        seen.length === 0 ? 'here, and not seen yet' : 'not seen by evening light',
        'palette',
        finish.id,
      )
    else if (row.cameOn === null && row.orderedOn !== null && daysBetween(row.orderedOn, today) > rules['dates.sample'])
      add(
        'sample',
        null,
        finish.name,
        `the sample was ordered ${days(daysBetween(row.orderedOn, today))} ago, and is not here`,
        'palette',
        finish.id,
      )
  }
  // a paint or paper whose piece would be ordered next, and that nobody saw by lamp light
  for (const { finish, chosen } of unseenByLamp(makeover))
    if (chosen && !found.some((attention) => attention.kind === 'sample' && attention.id === finish.id))
      add('sample', null, finish.name, 'chosen, and never seen by lamp light', 'palette', finish.id)
  const urgency = (attention: Attention): string =>
    attention.kind === 'over the agreed sum' ? '0000-00-00' : (attention.on ?? today)
  return found.sort((left, right) =>
    urgency(left) < urgency(right)
      ? -1
      : urgency(left) > urgency(right)
        ? 1
        : attentionKinds.indexOf(left.kind) - attentionKinds.indexOf(right.kind),
  )
}

/** How the account closes: what has to be settled first, in its order, what it came to, and what a closed account holds against changes. */
import { fault, type Documents, type Fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { MakeoverKind, Row } from '../makeover/kinds.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { minus, sum, zero, type Minor } from '../money/minor.ts'
import { landedCost, reckonMoney, type Money } from '../purchases/index.ts'

/** The account as it was closed and not opened again; null while it is open. */
export const closedNow = (makeover: Makeover): Row<'closing'> | null =>
  rowsOf(makeover, 'closing').findLast((row) => row.reopenedOn === null && !isOffered(row)) ?? null
/** The statement was put before the client, who has not signed it yet: the account is open until they do. */
const isOffered = ({ signedById, reopenedOn }: Row<'closing'>): boolean => signedById === null && reopenedOn === null
export const offeredNow = (makeover: Makeover): Row<'closing'> | null =>
  rowsOf(makeover, 'closing').findLast(isOffered) ?? null

export type ToSettle = {
  readonly what:
    'goods' | 'to pay' | 'refund' | 'returns' | 'client' | 'held credit' | 'unsigned' | 'goes back' | 'snag'
  readonly words: string
  readonly amount: Minor | null
  /** It has to be settled before the account can be closed. */
  readonly holds: boolean
}

/** In the order in which it is settled: goods before money, money before promises. */
export function toSettle(makeover: Makeover, money: Money): ToSettle[] {
  const nameOf = (pieceId: string): string => makeover.rows.piece[pieceId]?.name ?? ''
  const line = (what: ToSettle['what'], words: string, amount: Minor | null, holds: boolean): ToSettle => ({
    what,
    words,
    amount,
    holds,
  })
  const { total, client } = money
  return [
    ...money.purchases.flatMap(({ awaited, pieceId }) =>
      awaited > 0 ? [line('goods', `${nameOf(pieceId)} has not come`, null, true)] : [],
    ),
    ...money.purchases.flatMap(({ creditExpected, pieceId, goingBack }) =>
      goingBack > 0 ? [line('returns', `${nameOf(pieceId)} is on its way back`, creditExpected, true)] : [],
    ),
    ...(total.refundsDue > 0 ? [line('refund', 'Refunds that are due', total.refundsDue, true)] : []),
    ...(total.committed > 0 ? [line('to pay', 'Ordered and not paid', total.committed, true)] : []),
    ...(client.owes > 0 ? [line('client', 'Billed to the client and not received', client.owes, true)] : []),
    ...(client.held > 0 ? [line('client', 'Held for the client, to be paid back', client.held, true)] : []),
    ...(total.creditHeld > 0
      ? [line('held credit', 'Held with sellers, on cards and credit notes', total.creditHeld, false)]
      : []),
    ...money.versions.flatMap(({ row }) =>
      row.signedOn === null ? [line('unsigned', `Budget ${row.number} is drafted and not signed`, null, true)] : [],
    ),
    ...rowsOf(makeover, 'piece').flatMap(({ name, chosenId }) => {
      const chosen = chosenId === null ? undefined : makeover.rows.candidate[chosenId]
      return chosen?.goBackOn ? [line('goes back', `${name} goes back`, null, false)] : []
    }),
    ...rowsOf(makeover, 'snag').flatMap(({ says, doneOn }) =>
      doneOn === null ? [line('snag', says, null, false)] : [],
    ),
  ]
}

export type Outcome = {
  readonly agreed: Minor
  readonly spent: Minor
  readonly left: Minor
  readonly contingency: Minor
  readonly drawn: Minor
  /** Against list prices, where a discount or coupon was had. */
  readonly savedOnList: Minor
  /** Against what was allowed for what was bought. */
  readonly savedOnEstimate: Minor
  readonly changes: number
}
export function outcomeOf(makeover: Makeover, { total, purchases, versions }: Money): Outcome {
  const bought = purchases.filter(({ owed }) => owed > 0)
  const list = sum(
    bought.map(({ id }) => {
      const row = makeover.rows.purchase[id]
      return row
        ? minus(
            landedCost({ ...row, discountPpm: 0 }, row.packs).landed,
            landedCost(row, row.packs, { coupon: row.couponMinor }).landed,
          )
        : zero
    }),
  )
  const pieces = new Set(bought.map(({ pieceId }) => pieceId))
  const allowed = sum([...pieces].map((id) => makeover.rows.piece[id]?.allowanceMinor ?? zero))
  const spent = sum(purchases.map(({ owed }) => owed))
  return {
    agreed: total.agreed,
    spent: minus(total.forecast, total.stillToBuy),
    left: minus(total.agreed, total.forecast),
    contingency: total.contingency,
    drawn: total.contingencyDrawn,
    savedOnList: list,
    savedOnEstimate: allowed > 0 ? minus(allowed, spent) : zero,
    changes: Math.max(0, versions.filter(({ row }) => row.signedOn !== null).length - 1),
  }
}

/** What a closed account holds fast: until it is opened again, with a reason, no money and no goods are entered. */
const held: readonly MakeoverKind[] = [
  'order',
  'purchase',
  'payment',
  'return',
  'cancellation',
  'claim',
  'delivery',
  'agreement',
  'agreementLine',
  'receipt',
  'stage',
  'stint',
  'fee',
]
export function closingGuards(before: Documents, after: Documents, today: PlainDate): Fault[] {
  const faults: Fault[] = []
  const was = closedNow(before.makeover)
  const is = closedNow(after.makeover)
  for (const row of rowsOf(before.makeover, 'closing')) {
    if (isOffered(row)) continue
    const then = after.makeover.rows.closing[row.id]
    if (!then || then.statement !== row.statement || then.digest !== row.digest || then.closedOn !== row.closedOn)
      faults.push(
        fault(
          'closed',
          'closing',
          row.id,
          null,
          'a closed account stays as it was signed: open it again with a reason',
        ),
      )
    else if (row.reopenedOn !== null && then.reopenedOn !== row.reopenedOn)
      faults.push(fault('closed', 'closing', row.id, 'reopenedOn', 'was opened again already: close it anew'))
  }
  for (const row of rowsOf(after.makeover, 'closing'))
    if (row.reopenedOn !== null && row.reason.trim() === '')
      faults.push(fault('reason', 'closing', row.id, 'reason', 'is empty: say why it is opened again'))
  if (is && was && is.id !== was.id)
    faults.push(
      fault('closed', 'closing', is.id, null, 'the account is closed already: open it again with a reason first'),
    )
  const offers = rowsOf(after.makeover, 'closing').filter(isOffered)
  if (offers.length > 1 || (is && offers.length > 0))
    faults.push(
      fault('closed', 'closing', offers.at(-1)?.id ?? null, null, 'one statement at a time is put before the client'),
    )
  const closes = is && is.id !== was?.id ? is : null
  const put = closes ?? offers.find(({ id }) => !before.makeover.rows.closing[id])
  if (put) {
    const open = toSettle(after.makeover, reckonMoney(after.makeover)).filter(({ holds }) => holds)
    if (open.length > 0)
      faults.push(
        fault('unsettled', 'closing', put.id, null, `settle first: ${open.map(({ words }) => words).join('; ')}`),
      )
  }
  if (closes && closes.closedOn > today)
    faults.push(fault('date', 'closing', closes.id, 'closedOn', 'lies ahead: expected today or earlier'))
  if (was && is && was.id === is.id)
    for (const kind of held)
      if (
        before.makeover.rows[kind] !== after.makeover.rows[kind] &&
        JSON.stringify(before.makeover.rows[kind]) !== JSON.stringify(after.makeover.rows[kind])
      )
        faults.push(fault('closed', kind, null, null, 'the account is closed: open it again with a reason'))
  return faults
}

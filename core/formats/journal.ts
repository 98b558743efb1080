/**
 * The money of a makeover as a journal of double entries in plain text, as ledger programs read it: one transaction a
 * move, each balanced. `goods:CATEGORY` holds what is owed in the end, `payable:ORDER` what is owed and not paid (below
 * zero) or to come back (above), `tender:KIND` what was paid by it, `held:NOTE` what is held with sellers.
 */
import { currencyOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { decimalsOf } from '../money/currencies.ts'
import { negate, type Minor } from '../money/minor.ts'
import type { Money } from '../purchases/index.ts'

type Posting = readonly [account: string, amount: Minor]
type Entry = { readonly on: PlainDate; readonly said: string; readonly postings: readonly Posting[] }

/** An account's name parts: no colons, no line breaks, single spaces, since two spaces end a name. */
const part = (text: string): string => text.replace(/[:;\s|]+/g, ' ').trim() || 'unnamed'

/** An amount with the currency before it and all its decimals: "EUR 1436.40". */
export function writeAmount(amount: Minor, currency: string): string {
  const decimals = decimalsOf(currency)
  const digits = String(Math.abs(amount)).padStart(decimals + 1, '0')
  const at = digits.length - decimals
  return `${currency} ${amount < 0 ? '-' : ''}${digits.slice(0, at)}${decimals > 0 ? `.${digits.slice(at)}` : ''}`
}

export function journal(makeover: Makeover, money: Money): string {
  const currency = currencyOf(makeover)
  const entries: Entry[] = []
  const short = new Map(
    rowsOf(makeover, 'order').map((order, at) => [order.id, `order ${String(at + 1).padStart(3, '0')}`]),
  )
  const payable = (orderId: string): string => `payable:${short.get(orderId) ?? 'order'}`
  for (const purchase of money.purchases) {
    const goods = `goods:${part(makeover.rows.category[purchase.categoryId]?.name ?? 'no category')}`
    const name = part(makeover.rows.piece[purchase.pieceId]?.name ?? 'a piece')
    const move = (on: PlainDate, said: string, amount: Minor): void =>
      void entries.push({
        on,
        said: `${said}: ${name}`,
        postings: [
          [goods, amount],
          [payable(purchase.orderId), negate(amount)],
        ],
      })
    move(purchase.orderedOn, 'Ordered', purchase.terms.landed)
    for (const row of rowsOf(makeover, 'cancellation'))
      if (row.purchaseId === purchase.id) move(row.cancelledOn, 'Cancelled', negate(row.creditMinor))
    for (const row of rowsOf(makeover, 'return'))
      if (row.purchaseId === purchase.id && row.acceptedOn !== null)
        move(row.acceptedOn, 'Returned', negate(row.creditMinor))
    for (const row of rowsOf(makeover, 'claim'))
      if (row.purchaseId === purchase.id && row.answer === 'yes' && row.answeredOn !== null)
        move(row.answeredOn, 'Allowed', negate(row.grantedMinor))
  }
  for (const row of rowsOf(makeover, 'credit'))
    if (row.faceMinor > 0)
      entries.push({
        on: row.gotOn,
        said: 'Gift card',
        postings: [
          [heldIn(row), row.faceMinor],
          ['given:gift cards', negate(row.faceMinor)],
        ],
      })
  for (const row of rowsOf(makeover, 'payment')) {
    const amount = row.direction === 'out' ? row.amountMinor : negate(row.amountMinor)
    const credit = row.creditId === null ? undefined : makeover.rows.credit[row.creditId]
    entries.push({
      on: row.paidOn,
      said: row.reversesId ? 'Reversed' : row.direction === 'out' ? 'Paid' : 'Refunded',
      postings: [
        [payable(row.orderId), amount],
        [credit ? heldIn(credit) : `tender:${part(row.tender)}`, negate(amount)],
      ],
    })
  }
  const lines = entries
    .toSorted((left, right) => (left.on < right.on ? -1 : left.on > right.on ? 1 : 0))
    .map(({ on, said, postings }) =>
      [
        `${on} ${said}`,
        ...postings.map(([account, amount]) => `    ${account}  ${writeAmount(amount, currency)}`),
      ].join('\n'),
    )
  return [`; ${part(makeover.rows.makeover[makeover.id]?.name ?? 'A makeover')}`, ...lines].join('\n\n') + '\n'
}

const heldIn = ({
  kind,
  number,
  id,
}: {
  readonly kind: string
  readonly number: string
  readonly id: string
}): string => `held:${part(kind)} ${part(number || id.slice(-6))}`

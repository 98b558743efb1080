/**
 * The money of a makeover as a journal of double entries in plain text, as ledger programs read it: one transaction a
 * move, each balanced. `goods:CATEGORY` holds what is owed in the end, `payable:ORDER` what is owed and not paid (below
 * zero) or to come back (above), `tender:KIND` what was paid by it, `held:NOTE` what is held with sellers. The studio's
 * fees are owed in `payable:fees`; `client:account` is what the client owes the studio (above zero) or has with it (below).
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
    for (const row of rowsOf(makeover, 'return'))
      if (row.purchaseId === purchase.id && row.carriageMinor > 0) move(row.sentOn, 'Carriage back', row.carriageMinor)
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
  entries.push(...clientEntries(makeover, money))
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

/** Fees, what is billed to the client, and the client's money, on the days they are known by. */
function clientEntries(makeover: Makeover, money: Money): Entry[] {
  const entries: Entry[] = []
  const receipts = rowsOf(makeover, 'receipt')
  for (const row of receipts) {
    const amount = row.direction === 'in' ? row.amountMinor : negate(row.amountMinor)
    entries.push({
      on: row.receivedOn,
      said: row.reversesId ? 'Reversed' : row.direction === 'in' ? 'From the client' : 'Back to the client',
      postings: [
        [`studio:${part(row.tender)}`, amount],
        ['client:account', negate(amount)],
      ],
    })
  }
  for (const purchase of money.purchases)
    if (purchase.studioCost !== null)
      entries.push({
        on: purchase.orderedOn,
        said: `Billed on: ${part(makeover.rows.piece[purchase.pieceId]?.name ?? 'a piece')}`,
        postings: [
          ['client:account', purchase.owed],
          ['billed:goods', negate(purchase.owed)],
        ],
      })
  // a fee grows day by day: it stands on the last day that anything of it is known
  const days = [
    ...receipts.map((row) => row.receivedOn),
    ...rowsOf(makeover, 'stint').map((row) => row.workedOn),
    ...money.purchases.map((purchase) => purchase.orderedOn),
    ...money.versions.flatMap(({ row }) => (row.signedOn === null ? [] : [row.signedOn])),
  ]
  const last = days.reduce<PlainDate | null>((latest, on) => (latest === null || on > latest ? on : latest), null)
  if (last === null) return entries
  for (const fee of money.fees) {
    const name = part(makeover.rows.fee[fee.id]?.name ?? 'a fee')
    entries.push({
      on: last,
      said: `Fee: ${name}`,
      postings: [
        [`goods:${part(makeover.rows.category[fee.categoryId]?.name ?? 'no category')}`, fee.earned],
        ['payable:fees', negate(fee.earned)],
        ['client:account', fee.earned],
        ['billed:fees', negate(fee.earned)],
      ],
    })
    if (fee.paid > 0)
      entries.push({
        on: last,
        said: `Covered by the client’s money: ${name}`,
        postings: [
          ['payable:fees', fee.paid],
          ['tender:client money', negate(fee.paid)],
        ],
      })
  }
  return entries
}

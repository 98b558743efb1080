/**
 * The account of a makeover, as a client or the studio reads it. Both show the same sums; only the studio's has sellers'
 * trade discounts and margins in it.
 */
import { headOf, rowsOf, type Makeover, type Studio } from '../makeover/document.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { minus, negate, sum, zero, type Minor } from '../money/minor.ts'
import type { Money } from './money.ts'
import type { Totals } from './ledger.ts'

export type StatementLine = {
  readonly category: string
  readonly piece: string
  readonly thing: string
  readonly seller: string
  readonly reference: string
  readonly orderedOn: PlainDate
  readonly state: string
  readonly landed: Minor
  readonly tax: Minor
  readonly credited: Minor
  readonly owed: Minor
  readonly paid: Minor
  /** Owed and not paid; below zero it is to come back. */
  readonly due: Minor
  /** What it costs the studio, and what it keeps, where it buys and bills on. */
  readonly studioCost: Minor | null
  readonly margin: Minor | null
}
export type StatementWish = {
  readonly category: string
  readonly piece: string
  readonly basis: string
  readonly stillToBuy: Minor
}
export type StatementPayment = {
  readonly paidOn: PlainDate
  readonly order: string
  readonly seller: string
  readonly tender: string
  readonly amount: Minor
}
export type StatementCategory = Totals & { readonly name: string; readonly agreed: Minor; readonly left: Minor }

export type Statement = {
  readonly for: 'client' | 'studio'
  readonly name: string
  readonly currency: string
  readonly asOf: PlainDate
  readonly agreedOn: PlainDate | null
  readonly categories: readonly StatementCategory[]
  readonly total: Money['total']
  readonly lines: readonly StatementLine[]
  readonly wishes: readonly StatementWish[]
  readonly payments: readonly StatementPayment[]
  readonly held: readonly {
    readonly what: string
    readonly seller: string
    readonly until: PlainDate | null
    readonly balance: Minor
  }[]
  /** Σ margins of what the studio bought; null in a client's statement. */
  readonly margin: Minor | null
}

export function statement(
  documents: { readonly makeover: Makeover; readonly studio: Studio },
  money: Money,
  reader: 'client' | 'studio',
  asOf: PlainDate,
): Statement {
  const { makeover, studio } = documents
  const head = headOf(makeover)
  const sellerOf = (id: string | null): string => (id === null ? '' : (studio.rows.seller[id]?.name ?? ''))
  const categoryOf = (id: string): string => makeover.rows.category[id]?.name ?? 'No category'
  const forStudio = reader === 'studio'
  const lines = money.purchases.map((one): StatementLine => {
    const row = makeover.rows.purchase[one.id]
    const order = makeover.rows.order[one.orderId]
    const candidate = row ? makeover.rows.candidate[row.candidateId] : undefined
    return {
      category: categoryOf(one.categoryId),
      piece: makeover.rows.piece[one.pieceId]?.name ?? '',
      thing: candidate?.name ?? '',
      seller: sellerOf(order?.sellerId ?? null) || (candidate?.origin ?? ''),
      reference: order?.reference ?? '',
      orderedOn: one.orderedOn,
      state: one.state,
      landed: one.terms.landed,
      tax: one.terms.tax,
      credited: one.credited,
      owed: one.owed,
      paid: one.paid,
      due: minus(one.owed, one.paid),
      studioCost: forStudio ? one.studioCost : null,
      margin: forStudio && one.studioCost !== null ? minus(one.owed, one.studioCost) : null,
    }
  })
  const orderName = (id: string): string =>
    money.purchases
      .filter((one) => one.orderId === id)
      .map((one) => makeover.rows.piece[one.pieceId]?.name ?? '')
      .join(', ')
  return {
    for: reader,
    name: head?.name ?? '',
    currency: head?.currency ?? 'EUR',
    asOf,
    agreedOn: money.agreement?.row.signedOn ?? null,
    categories: money.categories,
    total: money.total,
    lines: lines.toSorted((one, other) =>
      one.category < other.category ? -1 : one.category > other.category ? 1 : one.orderedOn < other.orderedOn ? -1 : 1,
    ),
    wishes: money.pieces
      .filter((one) => one.stillToBuy > 0)
      .map((one) => ({
        category: categoryOf(one.categoryId),
        piece: makeover.rows.piece[one.id]?.name ?? '',
        basis:
          one.basis === 'candidate' ? 'chosen' : one.basis === 'placeholder' ? 'stand-in and allowance' : 'allowance',
        stillToBuy: one.stillToBuy,
      })),
    payments: rowsOf(makeover, 'payment')
      .map((row) => ({
        paidOn: row.paidOn,
        order: orderName(row.orderId),
        seller: sellerOf(makeover.rows.order[row.orderId]?.sellerId ?? null),
        tender: row.reversesId ? `${row.tender}, reversal` : row.tender,
        amount: row.direction === 'out' ? row.amountMinor : negate(row.amountMinor),
      }))
      .toSorted((one, other) => (one.paidOn < other.paidOn ? -1 : one.paidOn > other.paidOn ? 1 : 0)),
    held: money.credits.flatMap(({ id, balance }) => {
      const row = makeover.rows.credit[id]
      return row && balance !== zero
        ? [
            {
              what: `${row.kind}${row.number ? ` ${row.number}` : ''}`,
              seller: sellerOf(row.sellerId),
              until: row.expiresOn,
              balance,
            },
          ]
        : []
    }),
    margin: forStudio ? sum(lines.flatMap((line) => (line.margin === null ? [] : [line.margin]))) : null,
  }
}

/**
 * The account of a makeover, as a client or the studio reads it. Both show the same sums; only the studio's has sellers'
 * trade discounts and margins in it.
 */
import { headOf, rowsOf, type Makeover, type Studio } from '../makeover/document.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { minus, negate, plus, sum, zero, type Minor } from '../money/minor.ts'
import type { ClientMoney } from './client-money.ts'
import { accountOf } from './statement-account.ts'
import type { Money } from './money.ts'
import type { Totals } from './totals.ts'

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

export type StatementFee = {
  readonly name: string
  readonly category: string
  /** What it is counted by, in words: the share, the hours. */
  readonly countedBy: string
  readonly net: Minor
  readonly tax: Minor
  readonly earned: Minor
  readonly paid: Minor
  readonly forecast: Minor
}
export type StatementHours = {
  readonly workedOn: PlainDate
  readonly fee: string
  readonly what: string
  readonly minutes: number
}
export type StatementReceipt = {
  readonly receivedOn: PlainDate
  readonly stage: string
  readonly tender: string
  readonly amount: Minor
}
export type StatementStage = {
  readonly name: string
  readonly askedOn: PlainDate
  readonly dueOn: PlainDate | null
  readonly amount: Minor
  readonly received: Minor
  readonly outstanding: Minor
}

export type AgreedVersion = {
  readonly number: number
  readonly signedOn: PlainDate
  readonly reason: string
  readonly whole: Minor
  readonly contingency: Minor
  readonly changes: readonly { readonly name: string; readonly was: Minor; readonly is: Minor }[]
}

export type Statement = {
  readonly for: 'client' | 'studio'
  readonly name: string
  readonly currency: string
  readonly asOf: PlainDate
  readonly agreedOn: PlainDate | null
  /** Every version that was signed, the first first: its sums in all, and what each change changed. */
  readonly agreed: readonly AgreedVersion[]
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
  readonly fees: readonly StatementFee[]
  /** What the hours went into. */
  readonly hours: readonly StatementHours[]
  readonly stages: readonly StatementStage[]
  readonly receipts: readonly StatementReceipt[]
  /** The client's account with the studio; null where the studio bills nothing and holds nothing. */
  readonly client: ClientMoney | null
  /** Σ margins of what the studio bought; null in a client's statement. */
  readonly margin: Minor | null
}

function agreedVersions(money: Money, nameOf: (categoryId: string) => string): AgreedVersion[] {
  const signed = money.versions.filter(({ row }) => row.signedOn !== null)
  return signed.flatMap((version, at) => {
    const before = signed[at - 1]
    const { signedOn, reason, contingencyMinor: contingency } = version.row
    if (signedOn === null) return []
    const names = new Set([...(before?.amounts.keys() ?? []), ...version.amounts.keys()])
    const lines = [
      ...[...names].map((id) => ({
        name: nameOf(id),
        was: before?.amounts.get(id) ?? zero,
        is: version.amounts.get(id) ?? zero,
      })),
      { name: 'Contingency', was: before?.row.contingencyMinor ?? zero, is: contingency },
    ]
    return [
      {
        number: at + 1,
        signedOn,
        reason: reason.replace(/\.$/, ''),
        whole: plus(version.categories, contingency),
        contingency,
        changes: before ? lines.filter(({ was, is }) => was !== is) : [],
      },
    ]
  })
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
  const lines = money.purchases.map((purchase): StatementLine => {
    const row = makeover.rows.purchase[purchase.id]
    const order = makeover.rows.order[purchase.orderId]
    const candidate = row ? makeover.rows.candidate[row.candidateId] : undefined
    return {
      category: categoryOf(purchase.categoryId),
      piece: makeover.rows.piece[purchase.pieceId]?.name ?? '',
      thing: candidate?.name ?? '',
      seller: sellerOf(order?.sellerId ?? null) || (candidate?.origin ?? ''),
      reference: order?.reference ?? '',
      orderedOn: purchase.orderedOn,
      state: purchase.state,
      landed: purchase.terms.landed,
      tax: purchase.terms.tax,
      credited: purchase.credited,
      owed: purchase.owed,
      paid: purchase.paid,
      due: minus(purchase.owed, purchase.paid),
      studioCost: forStudio ? purchase.studioCost : null,
      margin: forStudio && purchase.studioCost !== null ? minus(purchase.owed, purchase.studioCost) : null,
    }
  })
  const orderName = (id: string): string =>
    money.purchases
      .filter((purchase) => purchase.orderId === id)
      .map((purchase) => makeover.rows.piece[purchase.pieceId]?.name ?? '')
      .join(', ')
  return {
    for: reader,
    name: head?.name ?? '',
    currency: head?.currency ?? 'EUR',
    asOf,
    agreedOn: money.agreement?.row.signedOn ?? null,
    agreed: agreedVersions(money, categoryOf),
    categories: money.categories,
    total: money.total,
    lines: lines.toSorted((left, right) =>
      left.category < right.category
        ? -1
        : left.category > right.category
          ? 1
          : left.orderedOn < right.orderedOn
            ? -1
            : 1,
    ),
    wishes: money.pieces
      .filter((piece) => piece.stillToBuy > 0)
      .map((piece) => ({
        category: categoryOf(piece.categoryId),
        piece: makeover.rows.piece[piece.id]?.name ?? '',
        basis:
          piece.basis === 'candidate'
            ? 'chosen'
            : piece.basis === 'placeholder'
              ? 'stand-in and allowance'
              : 'allowance',
        stillToBuy: piece.stillToBuy,
      })),
    payments: rowsOf(makeover, 'payment')
      .map((row) => ({
        paidOn: row.paidOn,
        order: orderName(row.orderId),
        seller: sellerOf(makeover.rows.order[row.orderId]?.sellerId ?? null),
        tender: row.reversesId ? `${row.tender}, reversal` : row.tender,
        amount: row.direction === 'out' ? row.amountMinor : negate(row.amountMinor),
      }))
      .toSorted((left, right) => (left.paidOn < right.paidOn ? -1 : left.paidOn > right.paidOn ? 1 : 0)),
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
    ...accountOf(makeover, money, categoryOf),
    margin: forStudio ? sum(lines.flatMap((line) => (line.margin === null ? [] : [line.margin]))) : null,
  }
}

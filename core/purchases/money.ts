import { agreedFor, agreedNow, agreements, type Agreement } from '../brief/index.ts'
import { kept } from '../makeover/kept.ts'
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import { atLeastZero, minus, plus, sum, zero, type Minor } from '../money/minor.ts'
import { reckonClient, type ClientMoney } from './client-money.ts'
import { reckonFees, type FeeReckoning } from './fees.ts'
import { ledger, type CreditReckoning, type OrderReckoning, type PurchaseReckoning } from './ledger.ts'
import { totals, type Totals } from './totals.ts'
import { wanted, type PieceReckoning } from './wanted.ts'

export type CategoryMoney = Totals & {
  readonly id: string
  readonly name: string
  readonly agreed: Minor
  readonly left: Minor
}

/** The money of a makeover. Every sum is in minor units of its currency and includes tax and delivery. */
export type Money = {
  readonly agreement: Agreement | null
  readonly versions: readonly Agreement[]
  readonly orders: readonly OrderReckoning[]
  readonly purchases: readonly PurchaseReckoning[]
  readonly credits: readonly CreditReckoning[]
  readonly pieces: readonly PieceReckoning[]
  readonly fees: readonly FeeReckoning[]
  readonly client: ClientMoney
  readonly categories: readonly CategoryMoney[]
  readonly total: Totals & {
    /** Σ categories + contingency */
    readonly agreed: Minor
    readonly categoriesAgreed: Minor
    readonly contingency: Minor
    /** Σ categories − forecast; below zero it draws on the contingency. */
    readonly left: Minor
    readonly contingencyDrawn: Minor
    /** How far the forecast passes the agreed sum; nothing where it does not. */
    readonly over: Minor
    /** What is held with sellers on gift cards and credit notes. */
    readonly creditHeld: Minor
  }
}

/** The money part of the reckoning: what was agreed, paid, promised, wanted, and what is left. */
export const reckonMoney: (makeover: Makeover) => Money = kept(({ rows }) => [rows], reckonAnew)

function reckonAnew(makeover: Makeover): Money {
  const versions = agreements(makeover)
  const agreement = agreedNow(versions)
  const { purchases, orders, credits } = ledger(makeover)
  const pieces = wanted(makeover)
  const { fees, client } = reckonClient(makeover, purchases, reckonFees(makeover, { purchases, pieces }))
  const purchasesIn = groupBy(purchases, (purchase) => purchase.categoryId)
  const piecesIn = groupBy(pieces, (piece) => piece.categoryId)
  const feesIn = groupBy(fees, (fee) => fee.categoryId)
  const categories = rowsOf(makeover, 'category')
    .toSorted((left, right) => left.place - right.place)
    .map(({ id, name }) => {
      const agreed = agreedFor(agreement, id)
      const sums = totals(purchasesIn.get(id) ?? [], piecesIn.get(id) ?? [], feesIn.get(id) ?? [])
      return { id, name, agreed, left: minus(agreed, sums.forecast), ...sums }
    })
  const sums = totals(purchases, pieces, fees)
  const categoriesAgreed = agreement?.categories ?? zero
  const contingency = agreement?.row.contingencyMinor ?? zero
  const left = minus(categoriesAgreed, sums.forecast)
  const drawn = atLeastZero(minus(zero, left))
  return {
    agreement,
    versions,
    orders,
    purchases,
    credits,
    pieces,
    fees,
    client,
    categories,
    total: {
      ...sums,
      agreed: plus(categoriesAgreed, contingency),
      categoriesAgreed,
      contingency,
      left,
      contingencyDrawn: drawn < contingency ? drawn : contingency,
      over: atLeastZero(minus(drawn, contingency)),
      creditHeld: sum(credits.map((credit) => credit.balance)),
    },
  }
}

/** Sums over lines of orders, wishes and fees. */
import { atLeastZero, minus, plus, sum, type Minor } from '../money/minor.ts'
import type { FeeReckoning } from './fees.ts'
import type { PurchaseReckoning } from './ledger.ts'

/** The totals that the reckoning line shows, for a category or for the whole. */
export type Totals = {
  readonly owed: Minor
  readonly paid: Minor
  readonly committed: Minor
  readonly refundsDue: Minor
  readonly stillToBuy: Minor
  /** paid + committed + still to buy − refunds due, which is Σ owed + still to buy */
  readonly forecast: Minor
}

export function totals(
  purchases: readonly PurchaseReckoning[],
  pieces: readonly { readonly stillToBuy: Minor }[],
  fees: readonly FeeReckoning[],
): Totals {
  const paid = sum([...purchases, ...fees].map((line) => line.paid))
  const committed = plus(
    sum(purchases.map((purchase) => purchase.committed)),
    sum(fees.map((fee) => minus(fee.earned, fee.paid))),
  )
  const refundsDue = sum(purchases.map((purchase) => purchase.refundDue))
  const stillToBuy = plus(
    sum(pieces.map((piece) => piece.stillToBuy)),
    sum(fees.map((fee) => atLeastZero(minus(fee.forecast, fee.earned)))),
  )
  const owed = plus(sum(purchases.map((purchase) => purchase.owed)), sum(fees.map((fee) => fee.earned)))
  return {
    owed,
    paid,
    committed,
    refundsDue,
    stillToBuy,
    forecast: minus(plus(plus(paid, committed), stillToBuy), refundsDue),
  }
}

/** Sums over lines of orders and wishes. */
import { minus, plus, sum, type Minor } from '../money/minor.ts'
import { type PurchaseReckoning } from './ledger.ts'

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
): Totals {
  const paid = sum(purchases.map((purchase) => purchase.paid))
  const committed = sum(purchases.map((purchase) => purchase.committed))
  const refundsDue = sum(purchases.map((purchase) => purchase.refundDue))
  const stillToBuy = sum(pieces.map((piece) => piece.stillToBuy))
  const owed = sum(purchases.map((purchase) => purchase.owed))
  return {
    owed,
    paid,
    committed,
    refundsDue,
    stillToBuy,
    forecast: minus(plus(plus(paid, committed), stillToBuy), refundsDue),
  }
}

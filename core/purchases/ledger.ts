import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { atLeastZero, minus, plus, portion, sum, zero, type Minor } from '../money/minor.ts'
import { addDays, type PlainDate } from '../measure/plain-date.ts'
import { landedCost, packsFor, quantityOf, type Landed } from './landed.ts'

export type GoodsState = 'ordered' | 'part here' | 'here' | 'going back' | 'returned' | 'refunded'

/** One purchase with its money and its goods. Money in minor units, goods in packs. */
export type PurchaseReckoning = {
  readonly id: string
  readonly pieceId: string
  readonly categoryId: string
  readonly terms: Landed
  /** Σ credits of returns that the seller has accepted. */
  readonly credited: Minor
  /** Landed cost less credits. */
  readonly owed: Minor
  /** Money out less money back. */
  readonly paid: Minor
  readonly committed: Minor
  readonly refundDue: Minor
  /** Credits of returns sent and not yet accepted: expected, not counted. */
  readonly creditExpected: Minor
  readonly packs: number
  readonly received: number
  readonly goingBack: number
  readonly returned: number
  readonly state: GoodsState
  readonly arrivesOn: PlainDate
  /** The last day to return what is here, by the seller's terms; null when nothing is here, or it is a final sale. */
  readonly returnBy: PlainDate | null
}

export type Ledger = { readonly purchases: readonly PurchaseReckoning[]; readonly byId: ReadonlyMap<string, PurchaseReckoning> }

/** Every purchase with what it owes, what is paid and where its goods are. */
export function ledger(makeover: Makeover): Ledger {
  const deliveries = groupBy(rowsOf(makeover, 'delivery'), (row) => row.purchaseId)
  const returns = groupBy(rowsOf(makeover, 'return'), (row) => row.purchaseId)
  const payments = groupBy(rowsOf(makeover, 'payment'), (row) => row.purchaseId)
  const purchases = rowsOf(makeover, 'purchase').map((row) =>
    reckonPurchase(row, makeover.rows.piece[row.pieceId]?.categoryId ?? '', deliveries.get(row.id) ?? [], returns.get(row.id) ?? [], payments.get(row.id) ?? []),
  )
  return { purchases, byId: new Map(purchases.map((purchase) => [purchase.id, purchase])) }
}

export const netPaid = (payments: readonly Row<'payment'>[]): Minor =>
  minus(sum(payments.filter((row) => row.direction === 'out').map((row) => row.amountMinor)), sum(payments.filter((row) => row.direction === 'back').map((row) => row.amountMinor)))

const packsIn = (rows: readonly { readonly packs: number }[]): number => rows.reduce((total, row) => total + row.packs, 0)

function reckonPurchase(
  row: Row<'purchase'>,
  categoryId: string,
  deliveries: readonly Row<'delivery'>[],
  returns: readonly Row<'return'>[],
  payments: readonly Row<'payment'>[],
): PurchaseReckoning {
  const terms = landedCost(row, row.packs)
  const accepted = returns.filter((one) => one.acceptedOn !== null)
  const waiting = returns.filter((one) => one.acceptedOn === null)
  const credited = sum(accepted.map((one) => one.creditMinor))
  const owed = minus(terms.landed, credited)
  const paid = netPaid(payments)
  const received = packsIn(deliveries)
  const goingBack = packsIn(waiting)
  const returned = packsIn(accepted)
  const refundDue = atLeastZero(minus(paid, owed))
  const kept = received - goingBack - returned
  const lastArrival = deliveries.map((one) => one.receivedOn).sort().at(-1)
  return {
    id: row.id,
    pieceId: row.pieceId,
    categoryId,
    terms,
    credited,
    owed,
    paid,
    committed: atLeastZero(minus(owed, paid)),
    refundDue,
    creditExpected: sum(waiting.map((one) => one.creditMinor)),
    packs: row.packs,
    received,
    goingBack,
    returned,
    state: stateOf(row.packs, received, goingBack, returned, refundDue > 0),
    arrivesOn: addDays(row.orderedOn, row.leadDays),
    returnBy: kept > 0 && lastArrival && row.returnDays !== null ? addDays(lastArrival, row.returnDays) : null,
  }
}

function stateOf(packs: number, received: number, goingBack: number, returned: number, refundDue: boolean): GoodsState {
  if (goingBack > 0) return 'going back'
  if (returned === packs) return refundDue ? 'returned' : 'refunded'
  if (received === 0) return 'ordered'
  return received < packs ? 'part here' : 'here'
}

/** What is wanted of a piece and not ordered, and what that will cost. */
export type PieceReckoning = {
  readonly id: string
  readonly categoryId: string
  readonly ordered: number
  /** Returned and not wanted again. */
  readonly givenUp: number
  readonly open: number
  readonly packs: number
  readonly basis: 'candidate' | 'allowance' | 'nothing open'
  readonly landed: Landed | null
  readonly stillToBuy: Minor
  /** What was bought or will be, beyond what is wanted, because packs are whole. */
  readonly leftOver: number
}

const tidy = (quantity: number): number => Math.round(quantity * 1000) / 1000

/** Still to buy, by piece: the chosen candidate's landed cost for what is open, else the allowance for it. */
export function wanted(makeover: Makeover): PieceReckoning[] {
  const purchases = groupBy(rowsOf(makeover, 'purchase'), (row) => row.pieceId)
  const returns = groupBy(rowsOf(makeover, 'return'), (row) => row.purchaseId)
  return rowsOf(makeover, 'piece').map((piece) => {
    const bought = purchases.get(piece.id) ?? []
    const ordered = tidy(bought.reduce((total, row) => total + quantityOf(row.packs, row.packSize), 0))
    const back = bought.flatMap((row) => (returns.get(row.id) ?? []).map((one) => ({ quantity: quantityOf(one.packs, row.packSize), wantedAgain: one.wantedAgain })))
    const backAgain = tidy(back.filter((one) => one.wantedAgain).reduce((total, one) => total + one.quantity, 0))
    const givenUp = tidy(back.filter((one) => !one.wantedAgain).reduce((total, one) => total + one.quantity, 0))
    const short = tidy(piece.quantity - ordered + backAgain)
    const open = Math.max(0, short)
    const candidate = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    const common = { id: piece.id, categoryId: piece.categoryId, ordered, givenUp, open }
    if (open === 0) return { ...common, packs: 0, basis: 'nothing open', landed: null, stillToBuy: zero, leftOver: Math.max(0, tidy(-short)) } as const
    if (!candidate) return { ...common, packs: 0, basis: 'allowance', landed: null, stillToBuy: shareOfAllowance(piece, open), leftOver: 0 } as const
    const landed = landedCost(candidate, packsFor(open, candidate.packSize))
    return { ...common, packs: landed.packs, basis: 'candidate', landed, stillToBuy: landed.landed, leftOver: tidy(quantityOf(landed.packs, candidate.packSize) - open) } as const
  })
}

const shareOfAllowance = (piece: Row<'piece'>, open: number): Minor => portion(piece.allowanceMinor, Math.round(open * 1000), Math.round(piece.quantity * 1000))

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

export function totals(purchases: readonly PurchaseReckoning[], pieces: readonly PieceReckoning[]): Totals {
  const paid = sum(purchases.map((one) => one.paid))
  const committed = sum(purchases.map((one) => one.committed))
  const refundsDue = sum(purchases.map((one) => one.refundDue))
  const stillToBuy = sum(pieces.map((one) => one.stillToBuy))
  const owed = sum(purchases.map((one) => one.owed))
  return { owed, paid, committed, refundsDue, stillToBuy, forecast: minus(plus(plus(paid, committed), stillToBuy), refundsDue) }
}

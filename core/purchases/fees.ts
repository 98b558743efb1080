/**
 * What the studio earns. A fee is part of what the makeover costs: what is earned is owed, what is still to come is still to
 * be bought. Before tax it is counted exactly and rounded once; its tax is rounded once more.
 */
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { atLeastZero, atRate, minus, plus, portion, sum, times, zero, type Minor } from '../money/minor.ts'
import type { PurchaseReckoning } from './ledger.ts'
import type { PieceReckoning } from './wanted.ts'

export type FeeReckoning = {
  readonly id: string
  readonly categoryId: string
  /** What is worked, in minutes; of a fee by the hour. */
  readonly minutes: number
  /** What a share is taken of: of what is ordered, and of what is still to buy. */
  readonly basis: Minor
  readonly basisToCome: Minor
  /** Before its tax, and the tax. */
  readonly net: Minor
  readonly tax: Minor
  /** What is owed for it by now, with tax. */
  readonly earned: Minor
  /** What it will have come to, with tax. */
  readonly forecast: Minor
  /** What is covered by the client's money; see `client-money.ts`. */
  readonly paid: Minor
}

type Goods = {
  readonly purchases: readonly PurchaseReckoning[]
  readonly pieces: readonly PieceReckoning[]
}

/** Fees as they stand, nothing of them paid yet. */
export function reckonFees(makeover: Makeover, goods: Goods): Omit<FeeReckoning, 'paid'>[] {
  const fees = rowsOf(makeover, 'fee')
  if (fees.length === 0) return []
  const worked = groupBy(rowsOf(makeover, 'stint'), (row) => row.feeId)
  return fees.map((fee) => {
    const minutes = (worked.get(fee.id) ?? []).reduce((total, row) => total + row.minutes, 0)
    const { basis, toCome } = basisOf(makeover, fee, goods)
    const { net, finalNet } = nets(fee, minutes, basis, toCome)
    const tax = atRate(net, fee.taxPpm)
    return {
      id: fee.id,
      categoryId: fee.categoryId,
      minutes,
      basis,
      basisToCome: toCome,
      net,
      tax,
      earned: plus(net, tax),
      forecast: plus(finalNet, atRate(finalNet, fee.taxPpm)),
    }
  })
}

function nets(fee: Row<'fee'>, minutes: number, basis: Minor, toCome: Minor): { net: Minor; finalNet: Minor } {
  switch (fee.way) {
    case 'fixed':
      return { net: fee.amountMinor, finalNet: fee.amountMinor }
    case 'hourly': {
      const agreed = Math.round(fee.expectedHours * 60)
      return {
        net: portion(fee.amountMinor, minutes, 60),
        finalNet: portion(fee.amountMinor, Math.max(minutes, agreed), 60),
      }
    }
    case 'of the cost':
    case 'of the discount':
      return { net: atRate(basis, fee.ratePpm), finalNet: atRate(plus(basis, toCome), fee.ratePpm) }
  }
}

function basisOf(makeover: Makeover, fee: Row<'fee'>, { purchases, pieces }: Goods): { basis: Minor; toCome: Minor } {
  if (fee.way === 'of the cost') {
    const beforeTax = fee.base === 'before tax'
    return {
      basis: sum(purchases.map((purchase) => (beforeTax ? untaxed(purchase) : purchase.owed))),
      toCome: sum(
        pieces.map(({ stillToBuy, landed }) =>
          beforeTax && landed ? atLeastZero(minus(stillToBuy, landed.tax)) : stillToBuy,
        ),
      ),
    }
  }
  if (fee.way === 'of the discount')
    return {
      basis: sum(purchases.map((purchase) => savedOn(makeover, purchase))),
      toCome: sum(pieces.map((piece) => savedBy(makeover, piece))),
    }
  return { basis: zero, toCome: zero }
}

/** What a line owes without the tax in it: credits take their part of the tax with them. */
const untaxed = ({ owed, terms }: PurchaseReckoning): Minor =>
  terms.landed === 0 ? zero : minus(owed, portion(terms.tax, owed, terms.landed))

/** The list price of a candidate, of one pack: what was noted as its list price, else what is asked before discounts. */
function listPrice(makeover: Makeover, candidateId: string, asked: Minor): Minor {
  const listed = rowsOf(makeover, 'price')
    .filter((row) => row.candidateId === candidateId && row.kind === 'list')
    .map((row) => row.amountMinor)
  return listed.reduce((most, amount) => (amount > most ? amount : most), asked)
}

/** What the packs that stay cost less than their list price: discounts, coupons and haggling, before tax. */
export function savedOn(makeover: Makeover, purchase: PurchaseReckoning): Minor {
  const row = makeover.rows.purchase[purchase.id]
  if (!row) return zero
  const stays = purchase.packs - purchase.cancelled - purchase.returned
  const list = times(listPrice(makeover, row.candidateId, row.priceMinor), purchase.packs * row.periods)
  const paid = minus(minus(purchase.terms.goods, purchase.terms.discount), purchase.terms.coupon)
  return portion(atLeastZero(minus(list, paid)), Math.max(0, stays), purchase.packs)
}

function savedBy(makeover: Makeover, piece: PieceReckoning): Minor {
  const candidateId = makeover.rows.piece[piece.id]?.chosenId ?? null
  const candidate = candidateId === null ? undefined : makeover.rows.candidate[candidateId]
  if (!candidate || !piece.landed) return zero
  const list = times(listPrice(makeover, candidate.id, candidate.priceMinor), piece.packs * candidate.periods)
  return atLeastZero(minus(list, minus(piece.landed.goods, piece.landed.discount)))
}

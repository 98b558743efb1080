import { isInHand } from '../makeover/choices.ts'
import { putOff } from '../makeover/put-off.ts'
import { isPromised } from '../makeover/things.ts'
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { plus, portion, zero, type Minor } from '../money/minor.ts'
import { landedCost, packsFor, quantityOf, type Landed } from './landed.ts'
import { heldBy, landedSets, setsFor, type PackSet } from './sets.ts'

/** What is wanted of a piece and not ordered, and what that will cost. */
export type PieceReckoning = {
  readonly id: string
  readonly categoryId: string
  /** Ordered for good; a placeholder's order is apart. */
  readonly ordered: number
  /** A placeholder ordered to stand in. */
  readonly standIn: number
  /** Returned or cancelled, and not wanted again. */
  readonly givenUp: number
  /** What stays of what was ordered. */
  readonly held: number
  readonly state: 'in hand' | 'promised' | 'ordered' | 'chosen' | 'went back' | 'open'
  readonly open: number
  readonly packs: number
  /** What they are, where they come in packs of several sizes. */
  readonly sets?: readonly PackSet[]
  readonly basis: 'candidate' | 'allowance' | 'placeholder' | 'in hand' | 'promised' | 'put off' | 'nothing open'
  readonly landed: Landed | null
  readonly stillToBuy: Minor
  /** What was bought or will be, beyond what is wanted, because packs are whole. */
  readonly leftOver: number
}

const tidy = (quantity: number): number => Math.round(quantity * 1000) / 1000
const shareOfAllowance = (piece: Row<'piece'>, open: number): Minor =>
  portion(piece.allowanceMinor, Math.round(open * 1000), Math.round(piece.quantity * 1000))

/** What is in hand already and costs nothing more. */
export const costsNothing = (candidate: Row<'candidate'>, quantity: number): boolean =>
  isInHand(candidate.source) && landedCost(candidate, packsFor(quantity, candidate.packSize)).landed === 0

/**
 * Still to buy, by piece: the chosen candidate's landed cost for what is open, else the allowance for it. While a
 * placeholder is chosen, the final piece still counts with its allowance.
 */
export function wanted(makeover: Makeover): PieceReckoning[] {
  const later = putOff(makeover)
  const lines = groupBy(rowsOf(makeover, 'purchase'), (row) => row.pieceId)
  const returns = groupBy(
    rowsOf(makeover, 'return').filter((row) => row.settles === 'money'),
    (row) => row.purchaseId,
  )
  const sizes = groupBy(
    rowsOf(makeover, 'saleSize').filter((row) => row.wanted > 0),
    (row) => row.candidateId,
  )
  const cancellations = groupBy(rowsOf(makeover, 'cancellation'), (row) => row.purchaseId)
  return rowsOf(makeover, 'piece').map((piece) => {
    const tally = (bought: readonly Row<'purchase'>[]) => {
      const gone = bought.flatMap((row) =>
        [...(returns.get(row.id) ?? []), ...(cancellations.get(row.id) ?? [])].map((returned) => ({
          quantity: quantityOf(returned.packs, row.packSize),
          wantedAgain: returned.wantedAgain,
        })),
      )
      const add = (parts: readonly { readonly quantity: number }[]): number =>
        tidy(parts.reduce((total, part) => total + part.quantity, 0))
      return {
        ordered: tidy(bought.reduce((total, row) => total + quantityOf(row.packs, row.packSize), 0)),
        again: add(gone.filter((back) => back.wantedAgain)),
        givenUp: add(gone.filter((back) => !back.wantedAgain)),
      }
    }
    const isStandIn = (row: Row<'purchase'>): boolean =>
      makeover.rows.candidate[row.candidateId]?.source === 'placeholder'
    const bought = lines.get(piece.id) ?? []
    const final = tally(bought.filter((row) => !isStandIn(row)))
    const standIn = tally(bought.filter(isStandIn))
    const standsIn = tidy(standIn.ordered - standIn.again - standIn.givenUp)
    const short = tidy(piece.quantity - final.ordered + final.again)
    const open = Math.max(0, short)
    const candidate = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    const common = {
      id: piece.id,
      categoryId: piece.categoryId ?? '',
      ordered: final.ordered,
      standIn: standsIn,
      givenUp: final.givenUp,
      held: tidy(final.ordered - final.again - final.givenUp),
      state:
        final.ordered > final.again + final.givenUp || standsIn > 0
          ? 'ordered'
          : open > 0
            ? candidate
              ? 'chosen'
              : 'open'
            : final.ordered > 0
              ? 'went back'
              : 'open',
      open,
    } as const
    if (open === 0 || later.has(piece.id))
      return {
        ...common,
        open: 0,
        packs: 0,
        basis: open === 0 ? 'nothing open' : 'put off',
        landed: null,
        stillToBuy: zero,
        leftOver: Math.max(0, tidy(-short)),
      } as const
    if (!candidate)
      return {
        ...common,
        packs: 0,
        basis: 'allowance',
        landed: null,
        stillToBuy: shareOfAllowance(piece, open),
        leftOver: 0,
      } as const
    if (costsNothing(candidate, piece.quantity)) {
      const hand = isPromised(candidate) ? ('promised' as const) : ('in hand' as const)
      return {
        ...common,
        open: 0,
        packs: 0,
        state: hand,
        basis: hand,
        landed: null,
        stillToBuy: zero,
        leftOver: 0,
      } as const
    }
    if (candidate.source === 'placeholder') {
      const missing = Math.max(0, tidy(piece.quantity - standIn.ordered + standIn.again))
      const landed = missing > 0 ? landedCost(candidate, packsFor(missing, candidate.packSize)) : null
      return {
        ...common,
        open: missing,
        packs: landed?.packs ?? 0,
        basis: 'placeholder',
        landed,
        stillToBuy: plus(landed?.landed ?? zero, shareOfAllowance(piece, open)),
        leftOver: 0,
      } as const
    }
    const sets = setsFor(candidate, sizes.get(candidate.id) ?? [], bought, open)
    const landed = landedSets(candidate, sets)
    return {
      ...common,
      packs: landed.packs,
      sets,
      basis: 'candidate',
      landed,
      stillToBuy: landed.landed,
      leftOver: tidy(heldBy(sets) - open),
    } as const
  })
}

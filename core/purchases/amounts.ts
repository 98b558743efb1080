import { fault, type Fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { largestMinor, TooMuch, type Minor } from '../money/minor.ts'
import { landedCost, packsFor } from './landed.ts'

/** A line of an order, or of one that may be made, whose cost is beyond what the product takes. */
export function amountFaults(after: Makeover): Fault[] {
  const beyond = (cost: () => Minor): boolean => {
    try {
      return cost() > largestMinor
    } catch (error) {
      if (error instanceof TooMuch) return true
      throw error
    }
  }
  const wrong = (kind: 'candidate' | 'purchase', id: string): Fault =>
    fault(
      'too-much',
      kind,
      id,
      'priceMinor',
      'with its quantity this comes to more than can be reckoned: expected less',
    )
  return [
    ...rowsOf(after, 'candidate')
      .filter((row) => {
        const quantity = after.rows.piece[row.pieceId]?.quantity ?? 1
        return beyond(() => landedCost(row, packsFor(quantity, row.packSize)).landed)
      })
      .map((row) => wrong('candidate', row.id)),
    ...rowsOf(after, 'purchase')
      .filter((row) => beyond(() => landedCost(row, row.packs).landed))
      .map((row) => wrong('purchase', row.id)),
  ]
}

/** Making a thing against buying it: whole packs of supplies, hours, and the rate an hour at which the two are even. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { minor, minus, plus, zero, type Minor } from '../money/minor.ts'
import { landedCost, packsFor } from '../purchases/index.ts'

export type MakeOrBuy = {
  /** Materials in whole packs and work that is paid, without the hours. */
  readonly materials: Minor
  readonly hours: number
  readonly hourMinor: Minor
  readonly bought: Row<'candidate'>
  readonly boughtLanded: Minor
  /** An hour may cost so much before buying is as cheap; null where buying is cheaper before an hour is counted. */
  readonly hourEven: Minor | null
}

const made = new Set(['made', 'altered'])
const isBought = ({ source }: Row<'candidate'>): boolean =>
  source === 'new' || source === 'trade' || source === 'custom' || source === 'second-hand'

/** Null where it is not made, takes no hours, or nothing bought competes with it. */
export function makeOrBuy(makeover: Makeover, piece: Row<'piece'>, thing: Row<'candidate'>): MakeOrBuy | null {
  if (!made.has(thing.source) || thing.hours === 0) return null
  const landed = (row: Row<'candidate'>): Minor => landedCost(row, packsFor(piece.quantity, row.packSize)).landed
  const [bought] = rowsOf(makeover, 'candidate')
    .filter((row) => row.pieceId === piece.id && row.turnedDown === null && isBought(row) && row.priceMinor > 0)
    .toSorted((left, right) => landed(left) - landed(right))
  if (!bought) return null
  const packs = packsFor(piece.quantity, thing.packSize)
  const materials = landedCost({ ...thing, hourMinor: zero }, packs).landed
  const boughtLanded = landed(bought)
  const spare = minus(boughtLanded, materials)
  const { hours, hourMinor } = thing
  // an hour at a rate carries the tax that the whole carries: the rate itself is what is compared
  const taxed = minus(landedCost({ ...thing, hourMinor: minor(100_000) }, packs).landed, materials) / 100_000
  return {
    materials,
    hours,
    hourMinor,
    bought,
    boughtLanded,
    hourEven: spare < 0 ? null : minor(Math.floor(taxed > 0 ? spare / taxed : plus(spare, zero) / hours)),
  }
}

/** Carpet and sheet from the roll: widths side by side, their pile one way, no seam across. Lengths in mm, money in minor units. */
import { minor, type Minor } from '../money/minor.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { boxOfAll, stretches, turned, type Part } from './outlines.ts'

/** A width it is sold in; its price is of a square metre. */
export type RollWidth = { readonly widthMm: number; readonly priceMinor: Minor }
export type Width = {
  readonly from: number
  readonly to: number
  readonly low: number
  readonly high: number
  readonly lengthMm: number
}
export type CarpetPlan = {
  readonly roll: RollWidth
  /** Widths lie along x, or across it. */
  readonly across: boolean
  readonly widths: readonly Width[]
  readonly seams: number
  readonly seamMm: number
  /** What is bought, in m². */
  readonly m2: number
  readonly cost: Minor
}
export type CarpetResult =
  { readonly ok: true; readonly plans: readonly CarpetPlan[] } | { readonly ok: false; readonly error: string }

/** Every roll width in both directions, the cheapest first, then with the fewest seams. */
export function layCarpet(region: readonly Part[], rolls: readonly RollWidth[], rules: Rules): CarpetResult {
  if (rolls.length === 0) return { ok: false, error: 'no width is sold: expected one at least' }
  const narrow = rolls.find(({ widthMm }) => !(widthMm > 2 * rules['carpet.seam']))
  if (narrow)
    return { ok: false, error: `a roll of ${Math.round(narrow.widthMm)} mm has no width left beside its seams` }
  if (region.length === 0) return { ok: false, error: 'there is no floor to lay: the room is not measured' }
  const plans = rolls.flatMap((roll) => [false, true].map((across) => planOf(region, roll, across, rules)))
  return {
    ok: true,
    plans: plans.toSorted((left, right) => left.cost - right.cost || left.m2 - right.m2 || left.seams - right.seams),
  }
}

function planOf(region: readonly Part[], roll: RollWidth, across: boolean, rules: Rules): CarpetPlan {
  const parts = across ? turned(region) : region
  const box = boxOfAll(parts)
  const [trim, seam] = [rules['carpet.trim'], rules['carpet.seam']]
  const span = box.high - box.low
  // the first and the last lose the trim at their wall, each seam takes its share off both its edges
  const count =
    span + 2 * trim <= roll.widthMm ? 1 : Math.ceil((span + 2 * trim - 2 * seam) / (roll.widthMm - 2 * seam) - 1e-9)
  const widths: Width[] = []
  let low = box.low
  for (let at = 0; at < count; at++) {
    const covers = roll.widthMm - (at === 0 ? trim : seam) - (at === count - 1 ? trim : seam)
    const high = Math.min(box.high, low + covers)
    const runs = stretches(parts, low, high)
    const [start, to] = [runs[0]?.from ?? box.left, runs.at(-1)?.to ?? box.right]
    widths.push({ from: start, to, low, high, lengthMm: to - start + 2 * trim })
    low = high
  }
  const seamMm = widths
    .slice(1)
    .reduce((sum, width, at) => sum + Math.min(width.lengthMm, widths[at]?.lengthMm ?? 0) - 2 * trim, 0)
  const m2 = widths.reduce((sum, { lengthMm }) => sum + lengthMm * roll.widthMm, 0) / 1e6
  return { roll, across, widths, seams: count - 1, seamMm, m2, cost: minor(Math.round(m2 * roll.priceMinor)) }
}

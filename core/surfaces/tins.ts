/**
 * The cheapest set of tins (packs, bags, rolls of one price) that holds enough: found exactly. Volumes in whole millilitres
 * or any other whole unit, the same for all; money in minor units.
 */
import { minor, type Minor } from '../money/minor.ts'

export type Tin = { readonly holds: number; readonly priceMinor: Minor }
export type TinSet = {
  /** How many of each tin, in the order they were given. */
  readonly counts: readonly number[]
  readonly cost: Minor
  /** What they hold together, and what of it is left over. */
  readonly holds: number
  readonly over: number
}

/** More units than this are walked through one by one in no case; the best tin by the unit fills what is beyond. */
const mostSteps = 4_000_000

const gcd = (left: number, right: number): number => (right === 0 ? left : gcd(right, left % right))

/**
 * Of the sets that hold at least `need` the cheapest; of these the one with least left over, then with the fewest tins. Null
 * where there is no tin, a tin holds nothing, or a number is not whole.
 */
export function cheapestTins(need: number, tins: readonly Tin[]): TinSet | null {
  if (tins.length === 0 || tins.some(({ holds }) => !Number.isSafeInteger(holds) || holds <= 0)) return null
  if (!(need > 0))
    return setOf(
      need,
      tins,
      tins.map(() => 0),
    )
  const unit = tins.reduce((common, { holds }) => gcd(common, holds), 0)
  const sizes = tins.map(({ holds }) => holds / unit)
  const wanted = Math.ceil(need / unit)
  const best = sizes.reduce(
    (index, size, at) =>
      (tins[at]?.priceMinor ?? 0) * (sizes[index] ?? 1) < (tins[index]?.priceMinor ?? 0) * size ? at : index,
    0,
  )
  // any set without the best tin in which as many others stand as the best tin has units holds a part that the best tins replace at
  // no more cost: so beyond that many of the largest of the others only the best tin is needed
  const [bestSize, largest] = [sizes[best] ?? 1, Math.max(...sizes)]
  const walked = Math.min(wanted, bestSize * largest + bestSize)
  if (walked > mostSteps) return null
  const filled = Math.ceil((wanted - walked) / bestSize)
  const rest = walk(wanted - filled * bestSize, sizes, tins)
  return setOf(
    need,
    tins,
    rest.map((count, at) => (at === best ? count + filled : count)),
  )
}

/** Counts of the cheapest set for each amount up to the one wanted, found one after the other; those of the last are given. */
function walk(wanted: number, sizes: readonly number[], tins: readonly Tin[]): number[] {
  const most = wanted + Math.max(...sizes) - 1
  const cost = new Float64Array(most + 1).fill(Infinity)
  const pieces = new Uint32Array(most + 1)
  const last = new Int16Array(most + 1).fill(-1)
  cost[0] = 0
  // sets that hold exactly so much: the cheapest, then the one of fewest tins
  for (let amount = 1; amount <= most; amount++)
    for (const [at, size] of sizes.entries()) {
      const before = amount - size
      if (before < 0 || cost[before] === Infinity) continue
      const [sum, count] = [(cost[before] ?? 0) + (tins[at]?.priceMinor ?? 0), (pieces[before] ?? 0) + 1]
      if (sum < (cost[amount] ?? 0) || (sum === cost[amount] && count < (pieces[amount] ?? 0))) {
        cost[amount] = sum
        pieces[amount] = count
        last[amount] = at
      }
    }
  let found = Math.max(0, wanted)
  for (let amount = found; amount <= most; amount++) if ((cost[amount] ?? 0) < (cost[found] ?? 0)) found = amount
  const counts = sizes.map(() => 0)
  for (let amount = found; amount > 0;) {
    const at = last[amount] ?? -1
    if (at < 0) break
    counts[at] = (counts[at] ?? 0) + 1
    amount -= sizes[at] ?? amount
  }
  return counts
}

function setOf(need: number, tins: readonly Tin[], counts: readonly number[]): TinSet {
  const holds = counts.reduce((total, count, at) => total + count * (tins[at]?.holds ?? 0), 0)
  return {
    counts,
    cost: minor(counts.reduce((total, count, at) => total + count * (tins[at]?.priceMinor ?? 0), 0)),
    holds,
    over: holds - Math.max(0, need),
  }
}

/**
 * What no plan of cuts can be below: the least cost where bars may be bought in parts (Gilmore and Gomory, 1961): the simplex
 * method over all ways to cut a bar, of which the one that pays most is looked for in each round.
 */
type Sold = { readonly lengthMm: number; readonly priceMinor: number }
type Known = { readonly stock: Sold; readonly pieces: readonly number[] }

const mostRounds = 400

/**
 * The least cost in minor units, not rounded; below the true least where it does not settle in time. `worth` is what each piece
 * is worth, by its length: no bar holds more worth than it costs, so what is left of a list costs at least what it is worth.
 */
export type CutBound = { readonly cost: number; readonly worth: ReadonlyMap<number, number> }

/** Lengths in mm. It begins with the bars that are `known`, and ends where no sum of whole lengths (`reached`) lies between. */
export function leastOfPatterns(
  pieces: readonly number[],
  stock: readonly Sold[],
  kerfMm: number,
  known: readonly Known[],
  reached: (cost: number) => number,
): CutBound {
  const sizes = [...new Set(pieces)]
  const wanted = sizes.map((size) => pieces.filter((piece) => piece === size).length)
  const countsOf = (bar: readonly number[]): number[] =>
    sizes.map((size) => bar.filter((piece) => piece === size).length)
  const plan = partly(
    wanted,
    sizes.map((size) =>
      Math.min(...stock.filter(({ lengthMm }) => size <= lengthMm + 1e-9).map(({ priceMinor }) => priceMinor)),
    ),
  )
  for (const bar of known) plan.offer(countsOf(bar.pieces), bar.stock.priceMinor)
  // worth by length alone is a bound already, and what the search for bars is held to at first
  const perMm = Math.min(...stock.map(({ lengthMm, priceMinor }) => priceMinor / (lengthMm + kerfMm)))
  let held = sizes.map((size) => perMm * (size + kerfMm))
  let cost = wanted.reduce((sum, count, at) => sum + count * (held[at] ?? 0), 0)
  for (let round = 0; round < mostRounds; round++) {
    const { worth, cost: inParts } = plan.settle()
    // where whole lengths cannot cost less than what the plan in parts costs now, no further round says more
    if (reached(cost) >= reached(inParts)) break
    const before = plan.offered()
    for (const share of [smooth, 0]) {
      const tried = worth.map((value, at) => share * (held[at] ?? 0) + (1 - share) * Math.max(0, value))
      let scale = 1
      for (const { lengthMm, priceMinor } of stock) {
        const found = fullest(sizes, wanted, tried, lengthMm + kerfMm + 1e-6, kerfMm)
        scale = Math.max(scale, priceMinor > 0 ? (found.at(-1)?.value ?? 0) / priceMinor : 1)
        for (const { counts } of found) {
          const gain = counts.reduce((sum, count, at) => sum + count * (worth[at] ?? 0), 0) - priceMinor
          if (gain > 1e-7 * Math.max(1, priceMinor)) plan.offer(counts, priceMinor)
        }
      }
      // what the pieces are worth, brought down until no bar is worth more than it costs, is a bound in every round
      const bound = wanted.reduce((sum, count, at) => sum + count * (tried[at] ?? 0), 0) / scale
      if (bound > cost) {
        cost = bound
        held = tried.map((value) => value / scale)
      }
      if (plan.offered() > before) break
    }
    if (plan.offered() === before) break
  }
  return { cost, worth: new Map(sizes.map((size, at) => [size, held[at] ?? 0])) }
}
/** The search for bars looks this far from what the plan says towards the best bound, so that it does not swing. */
const smooth = 0.3

/** The cheapest plan in parts from the bars that were offered, by the simplex method; it begins with bars of one piece. */
function partly(wanted: readonly number[], single: readonly number[]): Partly {
  const many = wanted.length
  // more of a piece than is wanted costs nothing
  const bars: Column[] = wanted.map((_, at) => ({ rows: [at], counts: [-1], cost: 0 }))
  const costs = Float64Array.from(single)
  const worth = Float64Array.from(single)
  const inverse = new Float64Array(many * many)
  for (let at = 0; at < many; at++) inverse[at * many + at] = 1
  // a little more of each piece, never the same, so that no two rows tie and the method never goes in a circle
  const amounts = Float64Array.from(wanted, (count, at) => count + 1e-7 * (1 + ((at * 7919) % 101)))
  const way = new Float64Array(many)

  /** The bar comes in for the one that runs out first; false where none does. */
  function enter({ rows, counts, cost }: Column, gain: number): boolean {
    let leaving = -1
    let ratio = Infinity
    for (let row = 0; row < many; row++) {
      let sum = 0
      for (let at = 0; at < rows.length; at++) sum += (inverse[row * many + (rows[at] ?? 0)] ?? 0) * (counts[at] ?? 0)
      way[row] = sum
      if (sum > 1e-9 && (amounts[row] ?? 0) / sum < ratio) [leaving, ratio] = [row, (amounts[row] ?? 0) / sum]
    }
    if (leaving < 0) return false
    const pivot = way[leaving] ?? 1
    const base = leaving * many
    for (let at = 0; at < many; at++) {
      inverse[base + at] = (inverse[base + at] ?? 0) / pivot
      worth[at] = (worth[at] ?? 0) - gain * (inverse[base + at] ?? 0)
    }
    for (let row = 0; row < many; row++) {
      const factor = way[row] ?? 0
      if (row === leaving || factor === 0) continue
      for (let at = 0; at < many; at++)
        inverse[row * many + at] = (inverse[row * many + at] ?? 0) - factor * (inverse[base + at] ?? 0)
      amounts[row] = (amounts[row] ?? 0) - factor * ratio
    }
    amounts[leaving] = ratio
    costs[leaving] = cost
    return true
  }
  return {
    offer(counts, cost) {
      const rows = counts.flatMap((count, at) => (count > 0 ? [at] : []))
      bars.push({ rows, counts: rows.map((at) => counts[at] ?? 0), cost })
    },
    offered: () => bars.length,
    settle() {
      for (let round = 0; round < mostRounds; round++) {
        let [best, most] = [-1, 1e-7]
        for (const [at, bar] of bars.entries()) {
          const gain = gainOf(bar, worth)
          if (gain > most) [best, most] = [at, gain]
        }
        const bar = bars[best]
        if (!bar || !enter(bar, most)) break
      }
      return { worth: [...worth], cost: costs.reduce((sum, cost, row) => sum + cost * (amounts[row] ?? 0), 0) }
    },
  }
}
/** One way to cut a bar: which pieces, how many of each, and what the bar costs. */
type Column = { readonly rows: readonly number[]; readonly counts: readonly number[]; readonly cost: number }
function gainOf({ rows, counts, cost }: Column, worth: ArrayLike<number>): number {
  let sum = -cost
  for (let at = 0; at < rows.length; at++) sum += (counts[at] ?? 0) * (worth[rows[at] ?? 0] ?? 0)
  return sum
}
type Partly = {
  readonly offer: (counts: readonly number[], cost: number) => void
  readonly offered: () => number
  /** What each piece is worth in it, and what the plan costs. */
  readonly settle: () => { readonly worth: readonly number[]; readonly cost: number }
}

/** Sets that are worth more and more on one bar, the last the most: by branch and bound, the piece that is worth most by its length first. */
function fullest(
  sizes: readonly number[],
  wanted: readonly number[],
  worth: readonly number[],
  room: number,
  kerfMm: number,
): { value: number; counts: number[] }[] {
  const order = sizes
    .map((_, at) => at)
    .filter((at) => (worth[at] ?? 0) > 1e-12)
    .toSorted(
      (left, right) =>
        (worth[right] ?? 0) / ((sizes[right] ?? 1) + kerfMm) - (worth[left] ?? 0) / ((sizes[left] ?? 1) + kerfMm),
    )
  const found: { value: number; counts: number[] }[] = []
  let best = 0
  const counts = sizes.map(() => 0)
  const fill = (place: number, left: number, value: number): void => {
    if (value > best + 1e-12) {
      best = value
      found.push({ value, counts: [...counts] })
    }
    const at = order[place]
    if (at === undefined) return
    const size = (sizes[at] ?? 1) + kerfMm
    if (value + (left * (worth[at] ?? 0)) / size <= best + 1e-12) return
    for (let count = Math.min(wanted[at] ?? 0, Math.floor(left / size)); count >= 0; count--) {
      counts[at] = count
      fill(place + 1, left - count * size, value + count * (worth[at] ?? 0))
    }
    counts[at] = 0
  }
  fill(0, room, 0)
  return found
}

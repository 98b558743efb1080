/**
 * What no plan of cuts can be below: the least cost where bars may be bought in parts (Gilmore and Gomory, 1961): the simplex
 * method over all ways to cut a bar, of which the one that pays most is looked for in each round.
 */
type Sold = { readonly lengthMm: number; readonly priceMinor: number }

const mostRounds = 400

/**
 * The least cost in minor units, not rounded; below the true least where it does not settle in time. `worth` is what each piece
 * is worth, by its length: no bar holds more worth than it costs, so what is left of a list costs at least what it is worth.
 */
export type CutBound = { readonly cost: number; readonly worth: ReadonlyMap<number, number> }

export function leastOfPatterns(pieces: readonly number[], stock: readonly Sold[], kerfMm: number): CutBound {
  const sizes = [...new Set(pieces)]
  const wanted = sizes.map((size) => pieces.filter((piece) => piece === size).length)
  const many = sizes.length
  // it begins with bars of one piece each
  const price = (size: number): number =>
    Math.min(...stock.filter(({ lengthMm }) => size <= lengthMm + 1e-9).map(({ priceMinor }) => priceMinor))
  const costs = sizes.map(price)
  const inverse: number[][] = sizes.map((_, row) => sizes.map((__, column) => (row === column ? 1 : 0)))
  const amounts = [...wanted]
  let settled: CutBound = { cost: 0, worth: new Map() }
  for (let round = 0; round < mostRounds; round++) {
    const worth = sizes.map((_, column) =>
      costs.reduce((sum, cost, row) => sum + cost * (inverse[row]?.[column] ?? 0), 0),
    )
    const paying = worth.map((value) => Math.max(0, value))
    let entering: { counts: number[]; cost: number; gain: number } | null = null
    const short = worth.findIndex((value) => value < -1e-7)
    if (short >= 0)
      // more of a piece than is wanted costs nothing
      entering = { counts: sizes.map((_, at) => (at === short ? -1 : 0)), cost: 0, gain: 1 }
    let scale = 1
    for (const { lengthMm, priceMinor } of stock) {
      const { value, counts } = fullest(sizes, wanted, paying, lengthMm + kerfMm + 1e-6, kerfMm)
      scale = Math.max(scale, priceMinor > 0 ? value / priceMinor : 1)
      if (value - priceMinor > 1e-7 * Math.max(1, priceMinor) && (!entering || value - priceMinor > entering.gain))
        entering = { counts, cost: priceMinor, gain: value - priceMinor }
    }
    // what the pieces are worth, brought down until no bar is worth more than it costs, is a bound in every round
    const bound = wanted.reduce((sum, count, at) => sum + count * (paying[at] ?? 0), 0) / scale
    if (bound > settled.cost)
      settled = { cost: bound, worth: new Map(sizes.map((size, at) => [size, (paying[at] ?? 0) / scale])) }
    if (!entering) return settled
    const { counts, cost } = entering
    const way = inverse.map((row) => row.reduce((sum, value, at) => sum + value * (counts[at] ?? 0), 0))
    let leaving = -1
    let ratio = Infinity
    for (const [row, value] of way.entries())
      if (value > 1e-9 && (amounts[row] ?? 0) / value < ratio - 1e-12)
        [leaving, ratio] = [row, (amounts[row] ?? 0) / value]
    if (leaving < 0) return settled
    const pivot = way[leaving] ?? 1
    const base = (inverse[leaving] ?? []).map((value) => value / pivot)
    inverse[leaving] = base
    for (let row = 0; row < many; row++) {
      const factor = way[row] ?? 0
      if (row === leaving || factor === 0) continue
      inverse[row] = (inverse[row] ?? []).map((value, column) => value - factor * (base[column] ?? 0))
      amounts[row] = (amounts[row] ?? 0) - factor * ratio
    }
    amounts[leaving] = ratio
    costs[leaving] = cost
  }
  return settled
}

/** What is worth most on one bar: by branch and bound, the piece that is worth most by its length first. */
function fullest(
  sizes: readonly number[],
  wanted: readonly number[],
  worth: readonly number[],
  room: number,
  kerfMm: number,
): { value: number; counts: number[] } {
  const order = sizes
    .map((_, at) => at)
    .filter((at) => (worth[at] ?? 0) > 1e-12)
    .toSorted(
      (left, right) =>
        (worth[right] ?? 0) / ((sizes[right] ?? 1) + kerfMm) - (worth[left] ?? 0) / ((sizes[left] ?? 1) + kerfMm),
    )
  let best = { value: 0, counts: sizes.map(() => 0) }
  const counts = sizes.map(() => 0)
  const fill = (place: number, left: number, value: number): void => {
    if (value > best.value + 1e-12) best = { value, counts: [...counts] }
    const at = order[place]
    if (at === undefined) return
    const size = (sizes[at] ?? 1) + kerfMm
    if (value + (left * (worth[at] ?? 0)) / size <= best.value + 1e-12) return
    for (let count = Math.min(wanted[at] ?? 0, Math.floor(left / size)); count >= 0; count--) {
      counts[at] = count
      fill(place + 1, left - count * size, value + count * (worth[at] ?? 0))
    }
    counts[at] = 0
  }
  fill(0, room, 0)
  return best
}

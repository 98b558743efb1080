/**
 * Cutting plans by sequential value correction: bar after bar is filled with the longest piece that is left and the best of the rest by what
 * each is worth, and what lay badly is worth more the next time. No proof, and mostly the least there is. Lengths in mm.
 */
import { seeded } from '../measure/seeded.ts'
import type { StockLength } from './cuts.ts'

export type Bar = { readonly stock: StockLength; readonly pieces: readonly number[] }

/** The cheapest plan of so many rounds; it ends early where a plan costs no more than `least`. */
export function filledAgain(
  sizes: readonly number[],
  stock: readonly StockLength[],
  kerfMm: number,
  worth: ReadonlyMap<number, number>,
  least: number,
  rounds: number,
): readonly Bar[] {
  const random = seeded(sizes.length * 7919 + Math.round(sizes[0] ?? 0))
  const cut = sizes.map((size) => Math.ceil(size + kerfMm - 1e-6))
  const fill = filler(
    cut,
    stock.map(({ lengthMm }) => Math.floor(lengthMm + kerfMm + 1e-6)),
  )
  const values = sizes.map((size) => worth.get(size) ?? size)
  let best: readonly Bar[] = []
  let cheapest = Infinity
  for (let round = 0; round < rounds && cheapest > least; round++) {
    const bars = planned(sizes, stock, values, fill)
    const cost = bars.reduce((sum, { bar }) => sum + bar.stock.priceMinor, 0)
    if (cost < cheapest) [cheapest, best] = [cost, bars.map(({ bar }) => bar)]
    // what lies in a bar that costs much for what it holds is worth more, so that it finds its place earlier
    for (const { bar, at } of bars) {
      const held = at.reduce((sum, index) => sum + (cut[index] ?? 0), 0)
      const share = 0.15 + 0.6 * random()
      for (const index of at) {
        const fair = (bar.stock.priceMinor * (cut[index] ?? 0) ** 1.02) / Math.max(1, held)
        values[index] = (1 - share) * (values[index] ?? 0) + share * fair * (0.94 + 0.12 * random())
      }
    }
  }
  return best
}

type Fill = (
  left: readonly number[],
  values: readonly number[],
  first: number,
) => { readonly at: readonly number[]; readonly value: number }[]

function planned(
  sizes: readonly number[],
  stock: readonly StockLength[],
  values: readonly number[],
  fill: Fill,
): { readonly bar: Bar; readonly at: readonly number[] }[] {
  let left = sizes.map((_, index) => index)
  const bars: { bar: Bar; at: readonly number[] }[] = []
  while (left.length > 0) {
    const [first = 0, ...rest] = left
    const filled = fill(rest, values, first)
    let [chosen, most] = [-1, -Infinity]
    for (const [at, length] of stock.entries()) {
      const found = filled[at]
      const ratio = found && found.at.length > 0 ? found.value / length.priceMinor : -Infinity
      if (ratio > most + 1e-9) [chosen, most] = [at, ratio]
    }
    const [length, found] = [stock[chosen], filled[chosen]]
    if (!length || !found) return []
    // the cheapest stock that holds it
    const used = new Set(found.at)
    bars.push({ bar: { stock: length, pieces: found.at.map((index) => sizes[index] ?? 0) }, at: found.at })
    left = left.filter((index) => !used.has(index))
  }
  return bars
}

/** The most that is worth lying beside the first piece, for each stock at once: a knapsack by whole millimetres. */
function filler(cut: readonly number[], rooms: readonly number[]): Fill {
  const most = Math.max(...rooms)
  const best = new Float64Array(most + 1)
  const taken = Array.from({ length: cut.length }, () => new Uint8Array(most + 1))
  return (left, values, first) => {
    const base = cut[first] ?? 0
    const room = most - base
    best.fill(0, 0, room + 1)
    for (const [step, index] of left.entries()) {
      const [length, value, marks] = [cut[index] ?? 0, values[index] ?? 0, taken[step]]
      if (!marks) continue
      marks.fill(0, 0, room + 1)
      for (let at = room; at >= length; at--) {
        const tried = (best[at - length] ?? 0) + value
        if (tried > (best[at] ?? 0) + 1e-12) {
          best[at] = tried
          marks[at] = 1
        }
      }
    }
    return rooms.map((space) => {
      if (space < base) return { at: [], value: 0 }
      const at = [first]
      let free = space - base
      const value = (values[first] ?? 0) + (best[free] ?? 0)
      for (let step = left.length - 1; step >= 0; step--)
        if (taken[step]?.[free] === 1) {
          const index = left[step] ?? 0
          at.push(index)
          free -= cut[index] ?? 0
        }
      return { at, value }
    })
  }
}

/**
 * Pieces cut from lengths as they are sold, at least cost: skirting, rails, casing, poles. Between neighbouring pieces lies one saw
 * cut, none after the last. Lengths in mm, money in minor units.
 */
import { minor, type Minor } from '../money/minor.ts'
import { leastOfPatterns, type CutBound } from './cut-bound.ts'
import { filledAgain, type Bar } from './cut-fill.ts'

export type StockLength = { readonly lengthMm: number; readonly priceMinor: Minor }
/** One length that is bought, and what is cut from it, the longest first. */
export type CutLength = { readonly stock: StockLength; readonly pieces: readonly number[]; readonly wasteMm: number }
export type CutPlan = {
  readonly lengths: readonly CutLength[]
  readonly cost: Minor
  /** No plan costs less; where it is the cost, that is proven. */
  readonly least: Minor
  readonly proven: boolean
  /** What is neither piece nor saw cut, over what is bought, as a share. */
  readonly waste: number
}
export type CutResult = { readonly ok: true; readonly plan: CutPlan } | { readonly ok: false; readonly error: string }

/** So many pieces are laid while filling anew, and lists that are so short that the search goes to its end. */
const work = 800
const surely = 13
/** So many sets are looked at for one bar and no more; what is found by then is told with its gap. */
const mostSets = 400

/** `thorough`: it looks for seconds where a proof takes so long; else it ends within some tenths, with an honest gap. */
export function cheapestCuts(
  pieces: readonly number[],
  stock: readonly StockLength[],
  kerfMm: number,
  thorough = false,
): CutResult {
  const wrong = faultOf(pieces, stock, kerfMm)
  if (wrong !== null) return { ok: false, error: wrong }
  if (pieces.length === 0)
    return { ok: true, plan: { lengths: [], cost: minor(0), least: minor(0), proven: true, waste: 0 } }
  // a stock that is no longer than another and costs as much is never bought
  const sold = stock.filter(
    (length, at) =>
      !stock.some(
        (better, index) =>
          index !== at &&
          better.lengthMm >= length.lengthMm &&
          better.priceMinor <= length.priceMinor &&
          (better.lengthMm > length.lengthMm || better.priceMinor < length.priceMinor || index < at),
      ),
  )
  const sizes = pieces.toSorted((left, right) => right - left)
  const longestFirst = greedy(sizes, sold, kerfMm)
  const wholeSum = wholeSums(costOf(longestFirst), sold)
  const parts = leastOfPatterns(sizes, sold, kerfMm, longestFirst, wholeSum)
  const bound = minor(wholeSum(parts.cost))
  const quick = [longestFirst, filledAgain(sizes, sold, kerfMm, parts.worth, bound, Math.ceil(work / sizes.length))]
    .filter((bars) => bars.length > 0)
    .reduce((cheaper, bars) => (costOf(bars) < costOf(cheaper) ? bars : cheaper))
  // where that does not prove itself, a search from the longest piece on: it ends for the sizes of a room, and is cut short beyond
  const { bars: best, complete } =
    costOf(quick) <= bound
      ? { bars: quick, complete: true }
      : searched(sizes, sold, kerfMm, { least: bound, worth: parts.worth }, quick, {
          rank: byWorth,
          most: sizes.length <= surely || thorough ? 6000 : 60,
        })
  // a search that looked at everything proves what it found
  const least = complete ? costOf(best) : bound
  const lengths = best.map((bar): CutLength => {
    const used = bar.pieces.reduce((sum, piece) => sum + piece, 0) + kerfMm * (bar.pieces.length - 1)
    return { ...bar, wasteMm: Math.max(0, bar.stock.lengthMm - used) }
  })
  const bought = lengths.reduce((sum, { stock: { lengthMm } }) => sum + lengthMm, 0)
  return {
    ok: true,
    plan: {
      lengths,
      cost: costOf(best),
      least,
      proven: costOf(best) === least,
      waste: lengths.reduce((sum, { wasteMm }) => sum + wasteMm, 0) / bought,
    },
  }
}

function faultOf(pieces: readonly number[], stock: readonly StockLength[], kerfMm: number): string | null {
  if (stock.length === 0) return 'no length is sold: expected one at least'
  if (stock.some(({ lengthMm }) => !(lengthMm > 0))) return 'a length that is sold is above nothing'
  if (!(kerfMm >= 0)) return 'a saw cut is nothing or more'
  if (pieces.some((piece) => !(piece > 0))) return 'a piece is longer than nothing'
  const longest = Math.max(...stock.map(({ lengthMm }) => lengthMm))
  const tooLong = pieces.find((piece) => piece > longest + 1e-9)
  return tooLong === undefined
    ? null
    : `a piece of ${Math.round(tooLong)} mm is longer than the longest that is sold, ${Math.round(longest)} mm: join it, or take a longer one`
}

const costOf = (bars: readonly Bar[]): Minor => minor(bars.reduce((sum, { stock }) => sum + stock.priceMinor, 0))
const roomOf = (lengthMm: number, kerfMm: number): number => lengthMm + kerfMm + 1e-6

/** The least sum of whole lengths that is not below a bound, for bounds up to a cost that is known to be enough. */
function wholeSums(enough: Minor, stock: readonly StockLength[]): (bound: number) => number {
  const prices = stock.map(({ priceMinor }) => priceMinor as number)
  const start = (bound: number): number => Math.max(0, Math.ceil(bound - 1e-6))
  if (enough > 5_000_000 || prices.includes(0)) return start
  const reached = new Uint8Array(enough + 1)
  reached[0] = 1
  for (let sum = 1; sum <= enough; sum++)
    if (prices.some((price) => price <= sum && reached[sum - price] === 1)) reached[sum] = 1
  return (bound) => {
    const sum = reached.indexOf(1, start(bound))
    return sum < 0 ? start(bound) : sum
  }
}

/** The cheapest stock that holds what is cut from it. */
const fitted = (pieces: readonly number[], stock: readonly StockLength[], kerfMm: number): Bar => {
  const used = pieces.reduce((sum, piece) => sum + piece + kerfMm, 0)
  const holds = stock.filter(({ lengthMm }) => used <= roomOf(lengthMm, kerfMm))
  return {
    stock: holds.reduce(
      (cheapest, length) => (length.priceMinor < cheapest.priceMinor ? length : cheapest),
      holds[0] ?? { lengthMm: 0, priceMinor: minor(0) },
    ),
    pieces,
  }
}

/** Each piece, the longest first, into the fullest bar that has room; the best of what each stock gives alone, then cut down. */
function greedy(sizes: readonly number[], stock: readonly StockLength[], kerfMm: number): Bar[] {
  const plans = stock.flatMap((length) => {
    const bars: { pieces: number[]; used: number }[] = []
    for (const size of sizes) {
      if (size > length.lengthMm + 1e-9) return []
      const home = bars
        .filter(({ used }) => used + size + kerfMm <= roomOf(length.lengthMm, kerfMm))
        .reduce<(typeof bars)[number] | null>(
          (fullest, bar) => (fullest && fullest.used >= bar.used ? fullest : bar),
          null,
        )
      if (home) {
        home.pieces.push(size)
        home.used += size + kerfMm
      } else bars.push({ pieces: [size], used: size + kerfMm })
    }
    return [bars.map(({ pieces }) => fitted(pieces, stock, kerfMm))]
  })
  return plans.reduce((cheapest, plan) => (costOf(plan) < costOf(cheapest) ? plan : cheapest), plans[0] ?? [])
}

/**
 * The longest piece that is left goes onto some bar: every set of pieces with it that no other piece could join is tried, the cheapest
 * bar that holds it taken, and what cannot come below the best that is known is left.
 */
function searched(
  sizes: readonly number[],
  stock: readonly StockLength[],
  kerfMm: number,
  { least, worth }: { readonly least: Minor; readonly worth: CutBound['worth'] },
  known: readonly Bar[],
  { rank, most }: { readonly rank: Rank; readonly most: number },
): Searched {
  const perMm = Math.min(...stock.map(({ lengthMm, priceMinor }) => priceMinor / (lengthMm + kerfMm)))
  const worthOf = (pieces: readonly number[]): number => pieces.reduce((sum, piece) => sum + (worth.get(piece) ?? 0), 0)
  let best: readonly Bar[] = known
  let tries = 0
  let cut = false
  const seen = new Map<string, number>()
  const place = (left: readonly number[], bars: readonly Bar[], cost: number): void => {
    const rest = Math.max(worthOf(left), perMm * left.reduce((sum, piece) => sum + piece + kerfMm, 0))
    if (cost + rest > costOf(best) - 1 + 1e-6 || costOf(best) <= least || tries > most) return
    const [first] = left
    if (first === undefined) {
      best = bars
      return
    }
    const key = left.join()
    if ((seen.get(key) ?? Infinity) <= cost) return
    seen.set(key, cost)
    tries++
    const options = stock.flatMap((length) => filled(left, length, kerfMm))
    if (options.length >= mostSets) cut = true
    const ranked = [
      ...new Map(options.map((pieces) => [pieces.join(), fitted(pieces, stock, kerfMm)])).values(),
    ].toSorted((left, right) => rank(left, worthOf) - rank(right, worthOf))
    for (const bar of ranked) {
      const after = [...left]
      for (const piece of bar.pieces) after.splice(after.indexOf(piece), 1)
      place(after, [...bars, bar], cost + bar.stock.priceMinor)
    }
  }
  place(sizes, [], 0)
  return { bars: best, complete: costOf(best) <= least || (tries <= most && !cut) }
}

type Rank = (bar: Bar, worthOf: (pieces: readonly number[]) => number) => number
type Searched = { readonly bars: readonly Bar[]; readonly complete: boolean }
const byWorth: Rank = ({ stock, pieces }, worthOf) => stock.priceMinor - worthOf(pieces)

/** Every set of what is left that begins with the longest, lies on a length, and could take no other piece. */
function filled(left: readonly number[], { lengthMm }: StockLength, kerfMm: number): number[][] {
  const [first = 0, ...rest] = left
  const room = roomOf(lengthMm, kerfMm)
  if (first + kerfMm > room) return []
  const kinds = [...new Set(rest)].map((size) => ({ size, wanted: rest.filter((piece) => piece === size).length }))
  const found: number[][] = []
  const taken = kinds.map(() => 0)
  const take = (at: number, used: number): void => {
    if (found.length >= mostSets) return
    const kind = kinds[at]
    if (!kind) {
      const full = kinds.every(({ size, wanted }, index) => taken[index] === wanted || used + size + kerfMm > room)
      if (full)
        found.push([
          first,
          ...kinds.flatMap(({ size }, index) => Array.from({ length: taken[index] ?? 0 }, () => size)),
        ])
      return
    }
    const cut = kind.size + kerfMm
    for (let count = Math.min(kind.wanted, Math.floor((room - used) / cut)); count >= 0; count--) {
      taken[at] = count
      take(at + 1, used + count * cut)
    }
    taken[at] = 0
  }
  take(0, first + kerfMm)
  return found
}

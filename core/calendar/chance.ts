/**
 * How likely a date is. Durations are beta distributions with λ = 4 (PERT): mean (least + 4 likely + most) / 6, always within their range.
 * By simulation, and by the classic formula beside it, which adds means and variances along the one chain.
 */
import { seeded } from '../measure/seeded.ts'
import { compiled, emptyRun, runThrough, type Ordered } from './network.ts'

export type Range = { readonly least: number; readonly likely: number; readonly most: number }
export const meanOf = ({ least, likely, most }: Range): number => (least + 4 * likely + most) / 6
/** The classic one: a sixth of the range, squared. */
export const varianceOf = ({ least, most }: Range): number => ((most - least) / 6) ** 2

const steps = 256
/**
 * The duration below which a share of all runs lies, for shares 0, 1/256 … 1: the beta density summed by the midpoint rule on 2048
 * parts. Throws RangeError where least, likely and most are not in this order.
 */
export function quantilesOf({ least, likely, most }: Range): Float64Array {
  if (!(least <= likely && likely <= most))
    throw new RangeError(`A range: expected least ≤ likely ≤ most, got ${least}, ${likely}, ${most}`)
  if (most === least) return new Float64Array(steps + 1).fill(likely)
  const shares = sharesOf((likely - least) / (most - least))
  return shares.map((share) => least + share * (most - least))
}
/** The same of a range from 0 to 1. Ranges of one shape are many: what the rulebook says of a kind of work is a share of its length. */
const shapes = new Map<number, Float64Array>()
function sharesOf(likely: number): Float64Array {
  const found = shapes.get(likely)
  if (found) return found
  if (shapes.size >= 500) shapes.clear()
  const table = sharesFor(1 + 4 * likely, 5 - 4 * likely)
  shapes.set(likely, table)
  return table
}
function sharesFor(alpha: number, beta: number): Float64Array {
  const table = new Float64Array(steps + 1)
  const parts = 2048
  const sums = new Float64Array(parts + 1)
  for (let part = 0; part < parts; part++) {
    const at = (part + 0.5) / parts
    sums[part + 1] = (sums[part] ?? 0) + at ** (alpha - 1) * (1 - at) ** (beta - 1)
  }
  const whole = sums[parts] ?? 1
  let part = 0
  for (let step = 0; step <= steps; step++) {
    const wanted = (whole * step) / steps
    while (part < parts - 1 && (sums[part + 1] ?? 0) < wanted) part++
    const [low, high] = [sums[part] ?? 0, sums[part + 1] ?? 0]
    table[step] = (part + (high > low ? (wanted - low) / (high - low) : 0)) / parts
  }
  table[0] = 0
  table[steps] = 1
  return table
}
/** A draw from such a table, by a number from 0 to 1. */
export function drawn(table: Float64Array, random: number): number {
  const at = random * steps
  const step = Math.min(steps - 1, Math.floor(at))
  const low = table[step] as number
  return low + (at - step) * ((table[step + 1] as number) - low)
}

export type Chances = {
  readonly runs: number
  /** When all was done, in minutes, one for each run, earliest first. */
  readonly ends: Float64Array
  /** In which share of the runs each task lay on the chain. */
  readonly onChain: ReadonlyMap<string, number>
}

/** So many runs at once. */
export function simulated(
  work: Ordered,
  ranges: ReadonlyMap<string, Range>,
  asked: { readonly runs: number; readonly seed: number },
): Chances {
  const trying = simulating(work, ranges, asked)
  for (;;) {
    const step = trying.next()
    if (step.done) return step.value
  }
}

/**
 * So many runs with durations drawn from their ranges, in minutes of work; what has no range takes as long as it says. The same seed
 * gives the same runs. After each further five hundred it says how many are done, so that whoever runs it can show it and stop it.
 */
export function* simulating(
  work: Ordered,
  ranges: ReadonlyMap<string, Range>,
  { runs, seed }: { readonly runs: number; readonly seed: number },
): Generator<number, Chances> {
  const random = seeded(seed)
  const network = compiled(work)
  const count = network.tasks.length
  const tables = network.tasks.map(({ id }) => {
    const range = ranges.get(id)
    return range ? quantilesOf(range) : null
  })
  const lengths = Float64Array.from(network.tasks, (task) => task.work)
  const run = emptyRun(count)
  const ends = new Float64Array(runs)
  const counts = new Int32Array(count)
  let done = 0
  const runOnce = (): number => {
    for (let at = 0; at < count; at++) {
      const table = tables[at]
      if (table) lengths[at] = Math.round(drawn(table, random()))
    }
    runThrough(network, lengths, run)
    let last = -1
    for (let at = 0; at < count; at++)
      if (last < 0 || (run.finish[at] as number) > (run.finish[last] as number)) last = at
    for (let at = last; at >= 0; at = run.waitsFor[at] as number) counts[at] = (counts[at] as number) + 1
    return last < 0 ? 0 : (run.finish[last] as number)
  }
  while (done < runs) {
    ends[done++] = runOnce()
    if (done % 500 === 0) yield done
  }
  return {
    runs: done,
    ends: ends.slice(0, done).sort(),
    onChain: new Map(
      network.tasks.flatMap(({ id }, at) => ((counts[at] ?? 0) > 0 ? [[id, (counts[at] ?? 0) / done] as const] : [])),
    ),
  }
}
/** In which share of the runs all was done by then. */
export function chanceBy({ ends }: Pick<Chances, 'ends'>, minute: number): number {
  let [low, high] = [0, ends.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((ends[middle] ?? 0) <= minute) low = middle + 1
    else high = middle
  }
  return ends.length === 0 ? 0 : low / ends.length
}

/** The chance that a sum of many durations with this mean and variance stays within a time: the normal distribution. */
export const classicChance = (within: number, mean: number, variance: number): number =>
  variance <= 0 ? (within >= mean ? 1 : 0) : normal((within - mean) / Math.sqrt(variance))

/** The normal distribution function, to 1e-7 (Abramowitz and Stegun 26.2.17). */
export function normal(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return z >= 0 ? 1 - tail : tail
}

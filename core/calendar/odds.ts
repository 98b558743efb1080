/** How likely the install day is: by so many runs, and by the classic formula beside it. */
import { chanceBy, classicChance, meanOf, simulating, type Chances, varianceOf, type Range } from './chance.ts'
import { forward, lastOf, ordered } from './network.ts'
import { netTasks, type Net } from './plan.ts'
import { dateOf, dayMinutes, endOfDay, workDayMinutes } from './working-time.ts'
import type { PlainDate } from '../measure/plain-date.ts'

export type Odds = {
  readonly runs: number
  /** For each day from the first on which any run was ready to the last: the share of runs that were ready by its end. */
  readonly byDay: readonly { readonly on: PlainDate; readonly chance: number }[]
  /** By the install day; null where there is none. */
  readonly simulated: number | null
  readonly classic: number | null
  /** What most threatens it: what lies on the chain, and may take longest beyond what is likely; most first, by keys. */
  readonly threats: readonly { readonly key: string; readonly share: number }[]
}

const rangesOf = ({ tasks }: Net): Map<string, Range> =>
  new Map(tasks.flatMap(({ id, range, done }) => (range && !done ? [[id, range] as const] : [])))

/** Work of a day takes a day of the week: seven are five of work. Of what goes on round the clock a minute is a minute. */
const stretch = (7 / 5) * (dayMinutes / workDayMinutes)

/** The variance of each task, in squared minutes that elapse. */
function variancesOf(net: Net): Map<string, number> {
  const ranges = rangesOf(net)
  return new Map(
    net.tasks.flatMap(({ id, hand }) => {
      const range = ranges.get(id)
      return range ? [[id, varianceOf(range) * (hand === null ? 1 : stretch ** 2)] as const] : []
    }),
  )
}

/** The classic formula: the mean of the chain and the sum of its variances, as a normal distribution. */
export function classicOf(net: Net, chain: readonly string[], deadline: number): number | null {
  const work = ordered(netTasks(net))
  const ranges = rangesOf(net)
  const placed = forward(work, (task) => {
    const range = ranges.get(task.id)
    return range ? Math.round(meanOf(range)) : task.work
  })
  const last = lastOf(placed)
  if (last === null) return null
  const variances = variancesOf(net)
  const variance = chain.reduce((sum, key) => sum + (variances.get(key) ?? 0), 0)
  return classicChance(deadline, placed.get(last)?.finish ?? 0, variance)
}

/** All runs at once; null where there is no work. */
export function oddsOf(...asked: Parameters<typeof tryingOdds>): Odds | null {
  const trying = tryingOdds(...asked)
  for (;;) {
    const step = trying.next()
    if (step.done) return step.value
  }
}

/** The same, saying now and then how many runs are done. */
export function* tryingOdds(
  net: Net,
  chain: readonly string[],
  installOn: PlainDate | null,
  asked: { readonly runs: number; readonly seed: number },
): Generator<number, Odds | null> {
  if (net.tasks.length === 0 || asked.runs === 0) return null
  return told(net, chain, installOn, yield* simulating(ordered(netTasks(net)), rangesOf(net), asked))
}

function told(net: Net, chain: readonly string[], installOn: PlainDate | null, found: Chances): Odds {
  const [first, last] = [found.ends[0] ?? 0, found.ends[found.runs - 1] ?? 0].map((end) => Math.floor(end / dayMinutes))
  const days = Array.from({ length: Math.min(2000, (last ?? 0) - (first ?? 0) + 1) }, (_, at) => (first ?? 0) + at)
  const deadline = installOn === null ? null : endOfDay(installOn)
  const elapsed = variancesOf(net)
  return {
    runs: found.runs,
    byDay: days.map((day) => ({ on: dateOf(day), chance: chanceBy(found, endOfDay(dateOf(day))) })),
    simulated: deadline === null ? null : chanceBy(found, deadline),
    classic: deadline === null ? null : classicOf(net, chain, deadline),
    threats: [...found.onChain]
      .map(([key, share]) => ({ key, share, spread: share * Math.sqrt(elapsed.get(key) ?? 0) }))
      .filter(({ spread }) => spread > 0)
      .toSorted((left, right) => right.spread - left.spread)
      .map(({ key, share }) => ({ key, share })),
  }
}

/** Tries a plan, or a sum, thousands of times, away from the main thread. */
import { expose } from 'comlink'
import type { Makeover } from '#core/makeover/document.ts'
import { sumOddsOf, tryingOdds, type Net, type Odds, type SumOdds } from '#core/calendar/index.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'

let wanted = 0
const seed = 1
/** A pause, so that what was said meanwhile is heard: a newer question, or that it is to stop. */
const pause = (): Promise<void> => new Promise((done) => setTimeout(done))
const worker = {
  /** So many runs, telling how many are done; a newer question, or `stop`, ends an older one, which then answers null. */
  async odds(
    net: Net,
    chain: readonly string[],
    installOn: PlainDate | null,
    runs: number,
    heard: (done: number) => void,
  ): Promise<Odds | null> {
    const mine = ++wanted
    const trying = tryingOdds(net, chain, installOn, { runs, seed })
    for (;;) {
      await pause()
      if (mine !== wanted) return null
      const step = trying.next()
      if (step.done) return step.value
      heard(step.value)
    }
  },
  stop(): void {
    wanted++
  },
  /** How likely the agreed sum holds. */
  sum: (makeover: Makeover, money: Parameters<typeof sumOddsOf>[1], rules: Rules, runs: number): SumOdds | null =>
    sumOddsOf(makeover, money, rules, { runs, seed }),
}
export type CalendarWorker = typeof worker
expose(worker)

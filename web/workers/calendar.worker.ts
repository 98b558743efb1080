/** Tries a plan thousands of times, away from the main thread. */
import { expose } from 'comlink'
import { oddsOf, type Net, type Odds } from '#core/calendar/index.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'

let wanted = 0
const worker = {
  /** So many runs; a newer question stops an older one, which then answers null. */
  async odds(net: Net, chain: readonly string[], installOn: PlainDate | null, runs: number): Promise<Odds | null> {
    const mine = ++wanted
    // a pause, so that a newer question is heard before this one is begun
    await new Promise((done) => setTimeout(done))
    return mine === wanted ? oddsOf(net, chain, installOn, { runs, seed: 1 }) : null
  },
}
export type CalendarWorker = typeof worker
expose(worker)

import { wrap, type Remote } from 'comlink'
import type { CalendarWorker } from '../workers/calendar.worker.ts'

let worker: Remote<CalendarWorker> | undefined
/** The worker that tries plans and sums, begun when it is first asked. */
export const far = (): Remote<CalendarWorker> =>
  (worker ??= wrap<CalendarWorker>(
    new Worker(new URL('../workers/calendar.worker.ts', import.meta.url), { type: 'module' }),
  ))
/** So many runs show a chance to half a percent. */
export const runs = 10_000

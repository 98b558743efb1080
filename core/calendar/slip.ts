/** What it does when something comes later, or is done later: what moves with it, to when, and what is whole on the install day all the same. */
import type { WorkAsked } from './makeover-work.ts'
import { scheduleOf, type Planned, type Schedule, type Trial } from './schedule.ts'
import { dateAt, dayMinutes } from './working-time.ts'
import type { PlainDate } from '../measure/plain-date.ts'

export type Slip = {
  readonly readyOn: PlainDate | null
  /** What moves, with the day it begins on then. */
  readonly moved: readonly { readonly task: Planned; readonly to: PlainDate }[]
  /** Work that is done by the install day all the same, and work that no longer is. */
  readonly ready: readonly Planned[]
  readonly unready: readonly Planned[]
  readonly schedule: Schedule
}

/** So many days later: work that begins later, goods and answers that take longer. */
export const trialOf = ({ key, is, start }: Planned, days: number): Trial =>
  is === 'work' || is === 'order'
    ? { pinned: new Map([[key, start + days * dayMinutes]]), longer: new Map() }
    : { pinned: new Map(), longer: new Map([[key, days * dayMinutes]]) }

export function slipped(asked: WorkAsked, plan: Schedule, task: Planned, days: number): Slip {
  const schedule = scheduleOf(asked, trialOf(task, days))
  const then = new Map(schedule.tasks.map((met) => [met.key, met]))
  const { installOn } = plan
  const work = schedule.tasks.filter(({ is }) => is === 'work')
  const isBy = ({ finish }: Planned): boolean => installOn === null || dateAt(finish) <= installOn
  return {
    readyOn: schedule.readyOn,
    moved: plan.tasks.flatMap((met) => {
      const to = then.get(met.key)
      return to && dateAt(to.finish) !== met.finishOn ? [{ task: met, to: to.startOn }] : []
    }),
    ready: work.filter(isBy),
    unready: work.filter((met) => !isBy(met) && plan.tasks.some((known) => known.key === met.key && isBy(known))),
    schedule,
  }
}

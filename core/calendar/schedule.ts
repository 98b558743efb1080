/** The calendar of a makeover: when each task is, how late it may be, what it waits for, and by when each thing is needed. */
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { wayKey } from '../makeover/said-arrivals.ts'
import { daysBetween, type PlainDate } from '../measure/plain-date.ts'
import type { Made } from './made.ts'
import { makeoverWork, type WorkAsked } from './makeover-work.ts'
import { backward, chainTo, circleIn, forward, lastOf, ordered } from './network.ts'
import { handFor, netOf, netTasks, type Net } from './plan.ts'
import { dateAt, endOfDay } from './working-time.ts'

export type Planned = Made & {
  readonly hand: string
  /** The id of who does it, or the trade while nobody does. */
  readonly handId: string
  /** Minutes since 1970 at the place. */
  readonly start: number
  readonly finish: number
  readonly startOn: PlainDate
  readonly finishOn: PlainDate
  /** How late it may begin for all to be ready on the install day; null while there is none. */
  readonly latestOn: PlainDate | null
  /** Days it may be put off; below zero it is too late. Null while there is no install day. */
  readonly slackDays: number | null
  /** What it waits for, by its key. */
  readonly waitsFor: string | null
  readonly isOnChain: boolean
  readonly isDone: boolean
  readonly pinnedOn: PlainDate | null
  /** For so long nothing follows it: it dries, or lies in its room. */
  readonly driesUntil: number | null
}
/** By when a thing is needed on site, and for which task. */
export type Needed = { readonly on: PlainDate; readonly key: string; readonly name: string }
export type Schedule = {
  readonly tasks: readonly Planned[]
  readonly net: Net
  /** When all is ready; null where there is no work. */
  readonly readyOn: PlainDate | null
  readonly installOn: PlainDate | null
  /** Between being ready and the install day. */
  readonly slackDays: number | null
  /** The tasks that the last of it waits for, first to last, by their keys. */
  readonly chain: readonly string[]
  /** By when each piece is needed on site, and for which task, by the ids of pieces. */
  readonly neededOn: ReadonlyMap<string, Needed>
  /** False where each piece has a day of its own, and no install day rules them. */
  readonly installRules: boolean
  /** Tasks that wait for one another, in their order; with it nothing is planned. */
  readonly circle: readonly string[]
}

/** How the plan changes for a trial: tasks that begin on another day, by their keys; goods that come so many days later. */
export type Trial = {
  readonly pinned: ReadonlyMap<string, number>
  readonly longer: ReadonlyMap<string, number>
}
const noTrial: Trial = { pinned: new Map(), longer: new Map() }

export function scheduleOf(asked: WorkAsked, trial: Trial = noTrial): Schedule {
  const { makeover, practice, today } = asked
  const installOn = headOf(makeover)?.installOn ?? null
  const { tasks, onItsWay } = makeoverWork(asked)
  const net = tried(netOf(makeover, tasks, onItsWay, practice.rules, today), trial)
  const installRules = practice.schools.pace !== 'year'
  const none = {
    net,
    installOn,
    installRules,
    readyOn: null,
    slackDays: null,
    chain: [],
    neededOn: new Map(),
    tasks: [],
  }
  const circle = circleIn(net.tasks)
  if (circle) return { ...none, circle }
  if (tasks.length === 0) return { ...none, circle: [] }
  const work = ordered(netTasks(net))
  const placed = forward(work)
  const deadline = installOn === null ? null : endOfDay(installOn)
  const late = deadline === null ? null : backward(work, deadline)
  const last = lastOf(placed)
  const chain = last === null ? [] : chainTo(placed, last)
  const onChain = new Set(chain)
  const waits = dryingOf(tasks)
  const pins = new Map(rowsOf(makeover, 'task').map((row) => [row.key === '' ? row.id : row.key, row]))
  const planned = tasks.flatMap((task): Planned[] => {
    const at = placed.get(task.key)
    if (!at) return []
    const latest = late?.get(task.key)
    const isDone = (pins.get(task.key)?.doneOn ?? null) !== null
    const latestOn = latest === undefined || isDone ? null : dateAt(latest.start)
    const dries = waits.get(task.key) ?? 0
    const hand = handFor(makeover, task.trade)
    return [
      {
        ...task,
        hand: hand.name,
        handId: hand.id,
        start: at.start,
        finish: at.finish,
        startOn: dateAt(at.start),
        finishOn: dateAt(at.finish),
        latestOn,
        slackDays: latestOn === null ? null : daysBetween(dateAt(at.start), latestOn),
        waitsFor: at.waitsFor,
        isOnChain: onChain.has(task.key),
        isDone,
        pinnedOn: pins.get(task.key)?.pinnedOn ?? null,
        driesUntil: dries > 0 ? at.finish + dries : null,
      },
    ]
  })
  const readyOn = last === null ? null : dateAt(placed.get(last)?.finish ?? 0)
  return {
    tasks: planned,
    net,
    readyOn,
    installOn,
    installRules,
    slackDays: readyOn === null || installOn === null ? null : daysBetween(readyOn, installOn),
    chain,
    neededOn: installRules ? neededBy(planned, installOn) : ownDays(makeover),
    circle: [],
  }
}

function tried(net: Net, { pinned, longer }: Trial): Net {
  if (pinned.size === 0 && longer.size === 0) return net
  return {
    ...net,
    tasks: net.tasks.map((task) => ({
      ...task,
      pinned: pinned.get(task.id) ?? task.pinned,
      work: task.work + (longer.get(task.id) ?? 0),
    })),
  }
}

/** The longest that anything waits after a task, in minutes; goods that lie in their room are no drying. */
function dryingOf(tasks: readonly Made[]): ReadonlyMap<string, number> {
  const waits = new Map<string, number>()
  for (const { after } of tasks)
    for (const { key, waitHours } of after) waits.set(key, Math.max(waits.get(key) ?? 0, waitHours * 60))
  return waits
}

/** Piece by piece over a year: each on its own day. */
const ownDays = (makeover: Makeover): Map<string, Needed> =>
  new Map(
    rowsOf(makeover, 'piece').flatMap(({ id, name, wantedOn }) =>
      wantedOn === null ? [] : [[id, { on: wantedOn, key: wayKey(id), name }] as const],
    ),
  )

/** For the first task that uses it: on the install day for what is carried in, else on the latest day it may begin. */
function neededBy(planned: readonly Planned[], installOn: PlainDate | null): Map<string, Needed> {
  const needed = new Map<string, Needed>()
  for (const { key, name, uses, isInstall, isDone, latestOn, pinnedOn } of planned) {
    if (installOn === null || isDone) continue
    const latest = isInstall ? installOn : (latestOn ?? installOn)
    const on = pinnedOn !== null && pinnedOn < latest ? pinnedOn : latest
    for (const pieceId of uses) {
      const known = needed.get(pieceId)
      if (!known || on < known.on) needed.set(pieceId, { on, key, name })
    }
  }
  return needed
}

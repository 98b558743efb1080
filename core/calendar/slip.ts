/** What it does when something comes later, or is done later: what moves with it and to when, what waiting costs, and what is whole on the install day all the same. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { splitSeveral } from '../makeover/choices.ts'
import { daysBetween, type PlainDate } from '../measure/plain-date.ts'
import { sum, times, type Minor } from '../money/minor.ts'
import type { WorkAsked } from './makeover-work.ts'
import { scheduleOf, type Planned, type Schedule, type Trial } from './schedule.ts'
import { dateAt, dayMinutes } from './working-time.ts'

export type Slip = {
  readonly readyOn: PlainDate | null
  /** What moves, with the day it begins on then. */
  readonly moved: readonly { readonly task: Planned; readonly to: PlainDate }[]
  /** Work that is done by the install day all the same, and work that no longer is. */
  readonly ready: readonly Planned[]
  readonly unready: readonly Planned[]
  /** What hands cost who were asked for a day, and wait: their days moved at their price a day. */
  readonly waits: readonly { readonly hand: string; readonly days: number; readonly costs: Minor | null }[]
  readonly costs: Minor
  /** What can no longer be sent back once it stands in its place, and what goes back before all is ready. */
  readonly closes: readonly { readonly name: string; readonly on: PlainDate; readonly is: 'return' | 'loan' }[]
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
  const work = schedule.tasks.filter(({ is }) => is === 'work')
  const isBy = byInstallDay(plan)
  const moved = plan.tasks.flatMap((met) => {
    const to = then.get(met.key)
    return to && dateAt(to.finish) !== met.finishOn ? [{ task: met, to: to.startOn }] : []
  })
  const waits = waitsOf(asked.makeover, moved)
  return {
    readyOn: schedule.readyOn,
    moved,
    ready: work.filter(isBy),
    unready: work.filter((met) => !isBy(met) && plan.tasks.some((known) => known.key === met.key && isBy(known))),
    waits,
    costs: sum(waits.flatMap(({ costs }) => costs ?? [])),
    closes: closing(asked, plan.readyOn, schedule.readyOn),
    schedule,
  }
}
const byInstallDay =
  ({ installOn }: Pick<Schedule, 'installOn'>) =>
  ({ finish }: Planned): boolean =>
    installOn === null || dateAt(finish) <= installOn

/** Hands who were asked for a day: only a day that was agreed can cost by being moved. */
function waitsOf(makeover: Makeover, moved: Slip['moved']): Slip['waits'] {
  const days = new Map<string, { hand: string; days: number }>()
  for (const { task, to } of moved) {
    const late = daysBetween(task.startOn, to)
    if (task.is !== 'work' || task.pinnedOn === null || late <= 0) continue
    const known = days.get(task.handId)
    days.set(task.handId, { hand: task.hand, days: Math.max(known?.days ?? 0, late) })
  }
  return [...days].map(([handId, { hand, days }]) => {
    const row = makeover.rows.hand[handId]
    const share = row ? splitSeveral(row.daysWorked).length / 7 : 5 / 7
    const worked = Math.max(1, Math.round(days * share))
    return { hand, days: worked, costs: row?.dayMinor == null ? null : times(row.dayMinor, worked) }
  })
}

function closing({ makeover, money }: WorkAsked, before: PlainDate | null, after: PlainDate | null): Slip['closes'] {
  if (before === null || after === null || after <= before) return []
  const between = (on: PlainDate | null): on is PlainDate => on !== null && on >= before && on < after
  return [
    ...money.purchases.flatMap(({ returnBy, pieceId }) =>
      between(returnBy)
        ? [{ name: makeover.rows.piece[pieceId]?.name ?? '', on: returnBy, is: 'return' as const }]
        : [],
    ),
    ...rowsOf(makeover, 'piece').flatMap(({ name, chosenId }) => {
      const on = chosenId === null ? null : (makeover.rows.candidate[chosenId]?.goBackOn ?? null)
      return between(on) ? [{ name, on, is: 'loan' as const }] : []
    }),
  ]
}

/** Something that is seen or used as one: a zone, or what is seen from a door. */
export type Whole = { readonly name: string; readonly roomId: string; readonly pieceIds: readonly string[] }
/** Which of them stand finished on the install day: their room is done, and everything of theirs is here and in its place. */
export function wholes(schedule: Schedule, all: readonly Whole[]): { whole: Whole[]; broken: Whole[] } {
  const isBy = byInstallDay(schedule)
  const late = schedule.tasks.filter((task) => !task.isDone && !isBy(task))
  // what is carried in together is late for one of its things: each is held to its own coming
  const rooms = new Set(
    late.flatMap(({ roomId, pieceId, is, isInstall }) =>
      is === 'work' && !isInstall && pieceId === null && roomId !== null ? [roomId] : [],
    ),
  )
  const pieces = new Set(late.flatMap(({ pieceId }) => pieceId ?? []))
  const isWhole = ({ roomId, pieceIds }: Whole): boolean => !rooms.has(roomId) && !pieceIds.some((id) => pieces.has(id))
  return { whole: all.filter(isWhole), broken: all.filter((met) => !isWhole(met)) }
}
export const zonesOf = (makeover: Makeover): Whole[] =>
  rowsOf(makeover, 'zone').map(({ id, name, roomId }) => ({
    name,
    roomId,
    pieceIds: rowsOf(makeover, 'piece').flatMap((piece) => (piece.zoneId === id ? [piece.id] : [])),
  }))

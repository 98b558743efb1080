/** The work as a network of tasks with their hands, and as it is planned: as early as it goes, and as late as it may. Plain data throughout. */
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { splitSeveral } from '../makeover/choices.ts'
import type { Row } from '../makeover/kinds.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { weekdays } from '../makeover/work-choices.ts'
import type { Range } from './chance.ts'
import type { Made } from './made.ts'
import type { OnItsWay } from './makeover-work.ts'
import type { NetTask } from './network.ts'
import {
  dayMinutes,
  everyDay,
  mondayToFriday,
  roundTheClock,
  startOfDay,
  WorkDays,
  workDayMinutes,
  type WorkingTime,
} from './working-time.ts'

/** A network that can be handed to a worker: each task says which of the working times it has. */
export type Net = {
  readonly tasks: readonly (Omit<NetTask, 'days'> & { readonly time: number; readonly range: Range | null })[]
  readonly times: readonly { readonly time: WorkingTime; readonly elapses: boolean }[]
}
export function netTasks({ tasks, times }: Net): NetTask[] {
  const days = times.map(({ time, elapses }) => new WorkDays(time, elapses ? roundTheClock : undefined))
  const fallBack = new WorkDays(everyDay)
  return tasks.map(({ time, range: _range, ...task }) => ({ ...task, days: days[time] ?? fallBack }))
}

/** Who does the tasks of a trade: the first hand that says so; the trade itself while nobody does. */
export type Hand = { readonly id: string; readonly name: string; readonly row: Row<'hand'> | null }
export function handFor(makeover: Makeover, trade: Made['trade']): Hand {
  const row = rowsOf(makeover, 'hand').find(({ does }) => splitSeveral(does).includes(trade)) ?? null
  return row ? { id: row.id, name: row.name, row } : { id: trade, name: trade, row: null }
}

const timeOf = (makeover: Makeover, hand: Row<'hand'> | null, also: readonly PlainDate[]): WorkingTime => {
  const away = rowsOf(makeover, 'absence')
    .filter(({ handId, fromOn, untilOn }) => (handId === null || handId === hand?.id) && fromOn <= untilOn)
    .map(({ fromOn, untilOn }) => ({ first: fromOn, last: untilOn }))
  const works = splitSeveral(hand?.daysWorked ?? '')
  const days = works.length > 0 ? weekdays.map((day) => works.includes(day)) : mondayToFriday.days
  return { days, away, also }
}

export function netOf(
  makeover: Makeover,
  tasks: readonly Made[],
  onItsWay: ReadonlyMap<string, OnItsWay>,
  rules: Rules,
  today: PlainDate,
): Net {
  const rows = rowsOf(makeover, 'task')
  const rowOf = new Map(rows.map((row) => [row.key === '' ? row.id : row.key, row]))
  const times: { time: WorkingTime; elapses: boolean }[] = [
    { time: everyDay, elapses: true },
    { time: mondayToFriday, elapses: true },
  ]
  const known = new Map<string, number>()
  const timeFor = (hand: Hand): number => {
    const found = known.get(hand.id)
    if (found !== undefined) return found
    // the install day was agreed with who installs, whatever day of the week it is
    const also = installOn !== null && hand.id === installs ? [installOn] : []
    times.push({ time: timeOf(makeover, hand.row, also), elapses: false })
    known.set(hand.id, times.length - 1)
    return times.length - 1
  }
  const installOn = headOf(makeover)?.installOn ?? null
  const installs = handFor(makeover, 'studio').id
  const begins = startOfDay(today)
  const net = tasks.map((task): Net['tasks'][number] => {
    const row = rowOf.get(task.key) ?? null
    const whole = task.part === null ? row : (rowOf.get(task.part.key) ?? null)
    const hand = task.trade === 'seller' || task.is === 'answer' ? null : handFor(makeover, task.trade)
    const isWork = task.is === 'work'
    const range = isWork ? workRange(task, whole, rules) : daysRange(makeover, task, rules)
    const way = task.is === 'lead' && task.pieceId !== null ? onItsWay.get(task.pieceId) : undefined
    const candidate = candidateOf(makeover, task.pieceId)
    const elapses = task.is === 'lead' && candidate?.leadWorking && !way ? 1 : 0
    return {
      id: task.key,
      hand: isWork ? (hand?.id ?? null) : null,
      time: isWork && hand ? timeFor(hand) : elapses,
      work: Math.round(range.likely),
      range: way || range.least === range.most ? null : range,
      from: begins,
      pinned: way ? startOfDay(way.orderedOn) + 12 * 60 : row?.pinnedOn ? startOfDay(row.pinnedOn) + 9 * 60 : null,
      done: row?.doneOn ? { start: startOfDay(row.doneOn) + 9 * 60, finish: startOfDay(row.doneOn) + 17 * 60 } : null,
      after: task.after.map(({ key, waitHours }) => ({ id: key, wait: Math.round(waitHours * 60) })),
    }
  })
  return { tasks: net, times }
}
const candidateOf = ({ rows }: Makeover, pieceId: string | null): Row<'candidate'> | undefined => {
  const chosen = pieceId === null ? null : (rows.piece[pieceId]?.chosenId ?? null)
  return chosen === null ? undefined : rows.candidate[chosen]
}

/** In minutes of work; by two it takes half, and dry days are some of all. A range that is out of order counts as what is likely. */
function workRange(task: Made, row: Row<'task'> | null, rules: Rules): Range {
  const dry = row?.dryWeather ? rules['work.dry-days'] / 100 : 1
  const { least, likely, most } = daysOfWork(task, row, rules)
  return { least, likely: likely / dry, most: most / dry ** 2 }
}
function daysOfWork({ amount, part }: Made, row: Row<'task'> | null, rules: Rules): Range {
  const people = row?.people ?? 1
  const usual = (amount * 60) / people
  if (row === null || row.likelyDays === null)
    return { least: (usual * rules['work.least']) / 100, likely: usual, most: (usual * rules['work.most']) / 100 }
  const day = workDayMinutes / (part?.count ?? 1)
  const likely = row.likelyDays * day
  const least = (row.leastDays ?? row.likelyDays) * day
  const most = (row.mostDays ?? row.likelyDays) * day
  return least <= likely && likely <= most ? { least, likely, most } : { least: likely, likely, most: likely }
}
/** Of a lead and of an answer, in minutes that elapse. */
function daysRange(makeover: Makeover, { is, amount, pieceId }: Made, rules: Rules): Range {
  const likely = amount * dayMinutes
  if (is !== 'lead') return { least: likely, likely, most: likely }
  const candidate = candidateOf(makeover, pieceId)
  const least = (candidate?.leadLeastDays ?? (amount * rules['work.lead-least']) / 100) * dayMinutes
  const most = (candidate?.leadMostDays ?? (amount * rules['work.lead-most']) / 100) * dayMinutes
  return { least: Math.min(least, likely), likely, most: Math.max(most, likely) }
}

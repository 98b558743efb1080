/** What gives cause to say something of the calendar. What comes too late is said of the piece, and not again here. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { daysBetween, writeDate, writeWeekdayDate, type PlainDate } from '../measure/plain-date.ts'
import type { Practice } from '../makeover/practice.ts'
import type { Money } from '../purchases/index.ts'
import { days } from '../remarks/attention.ts'
import type { Remark, Subject } from '../remarks/remark.ts'
import type { Schools } from '../rulebook/schools.ts'
import { remark } from './catalogue.ts'
import { deliveriesOf } from './deliveries.ts'
import { awayTooLong, letIn, noWaitingRoom, past, undecided } from './delivery-remarks.ts'
import type { Planned, Schedule } from './schedule.ts'
import { dateAt, startOfDay } from './working-time.ts'

export type CalendarAsked = {
  readonly makeover: Makeover
  readonly plan: Schedule
  readonly money: Money
  readonly practice: Practice
  readonly floorM2: (roomId: string) => number
  readonly today: PlainDate
}
export function calendarRemarks({ makeover, plan, money, practice, floorM2, today }: CalendarAsked): Remark[] {
  if (plan.circle.length > 0) return [circle(makeover, plan.circle)]
  const { schools } = practice
  const deliveries = deliveriesOf(makeover, money.purchases, plan, () => '', today)
  return [
    ...letIn(makeover, deliveries, today),
    ...noWaitingRoom(makeover, deliveries, floorM2, practice),
    ...awayTooLong(makeover, plan),
    ...undecided(makeover, money, plan, practice, today),
    ...past(makeover, plan, today),
    ...late(makeover, plan, schools),
    ...answers(makeover, plan, schools),
    ...pinned(makeover, plan),
    ...away(makeover, plan, today),
  ]
}

const head = (makeover: Makeover): Subject[] => rowsOf(makeover, 'makeover').map(({ id }) => ({ kind: 'makeover', id }))
/** What the answer of an owner is known by. */
const leave = 'leave:'
const subjectOf = (makeover: Makeover, { key, pieceId }: Planned): Subject[] => {
  const row = rowsOf(makeover, 'task').find((known) => known.key === key || known.id === key)
  return [
    ...(row ? [{ kind: 'task' as const, id: row.id }] : []),
    ...(pieceId !== null && makeover.rows.piece[pieceId] ? [{ kind: 'piece' as const, id: pieceId }] : []),
    ...(key.startsWith(leave) ? [{ kind: 'permission' as const, id: key.slice(leave.length) }] : []),
  ]
}

function circle(makeover: Makeover, keys: readonly string[]): Remark {
  const rows = rowsOf(makeover, 'taskLink').filter(
    ({ taskKey, afterKey }) => keys.includes(taskKey) && keys.includes(afterKey),
  )
  return remark({
    code: 'circle',
    subjects: rows.length > 0 ? rows.map(({ id }) => ({ kind: 'taskLink', id })) : head(makeover),
    title: `${keys.length} tasks wait for one another`,
    sentence: 'Nothing can be planned while they do: take one of the links away.',
    numbers: [keys.join(' ')],
  })
}

/** The work itself ends too late; a thing that comes too late is said of the piece. */
function late(
  makeover: Makeover,
  { tasks, readyOn, installOn, slackDays, chain }: Schedule,
  { pace }: Schools,
): Remark[] {
  if (pace === 'year' || slackDays === null || slackDays >= 0 || readyOn === null || installOn === null) return []
  const onChain = chain.flatMap((key) => tasks.find((task) => task.key === key) ?? [])
  if (onChain.some(({ is }) => is === 'lead')) return []
  const [first] = onChain.filter(({ isDone }) => !isDone)
  return [
    remark({
      code: 'late',
      subjects: head(makeover),
      title: `All is ready on ${writeWeekdayDate(readyOn)}, ${days(-slackDays)} after the install day`,
      sentence: `${first ? `It begins with “${first.name}” (${first.hand}) on ${writeDate(first.startOn)}; ` : ''}the chain through the calendar shows what each step waits for. Let two do what is longest, leave something for later, or move the install day.`,
      numbers: [slackDays, installOn],
    }),
  ]
}

function answers(makeover: Makeover, { tasks }: Schedule, { pace }: Schools): Remark[] {
  if (pace === 'year') return []
  return tasks.flatMap((task) => {
    if (task.is !== 'answer' || task.slackDays === null || task.slackDays > 0) return []
    // what is too late already is said of the piece
    const lead = tasks.find(({ is, pieceId }) => is === 'lead' && pieceId === task.pieceId)
    if (task.slackDays < 0 && lead && (lead.slackDays ?? 0) < 0) return []
    return [
      remark({
        code: 'answer',
        subjects: subjectOf(makeover, task),
        title: `${task.name}: nothing to spare, and no answer yet`,
        sentence: `Each further day moves what waits for it, and the install day with it. Ask again, or ${task.key.startsWith(leave) ? 'do it in a way that needs no leave' : 'take a stand-in'}.`,
        numbers: [task.slackDays],
      }),
    ]
  })
}

function pinned(makeover: Makeover, { tasks }: Schedule): Remark[] {
  return tasks.flatMap((task) => {
    if (task.pinnedOn === null || task.isDone || task.start <= startOfDay(task.pinnedOn) + 17 * 60) return []
    const needs = tasks.find(({ key }) => key === task.waitsFor)
    return [
      remark({
        code: 'pinned',
        subjects: subjectOf(makeover, task),
        title: `${task.name} is set to ${writeWeekdayDate(task.pinnedOn)}, before what it needs is done`,
        sentence: needs
          ? `“${needs.name}” is done on ${writeDate(dateAt(needs.finish))}: it begins on ${writeDate(task.startOn)}. Move one of the two.`
          : `It begins on ${writeDate(task.startOn)}: that day is not worked.`,
        numbers: [task.pinnedOn, task.startOn],
      }),
    ]
  })
}

function away(makeover: Makeover, { installOn }: Schedule, today: PlainDate): Remark[] {
  if (installOn === null || daysBetween(today, installOn) < 0) return []
  const [row] = rowsOf(makeover, 'absence').filter(
    ({ handId, fromOn, untilOn }) => handId === null && fromOn <= installOn && installOn <= untilOn,
  )
  return row
    ? [
        remark({
          code: 'away',
          subjects: [{ kind: 'absence', id: row.id }],
          title: `Nobody works on the install day${row.name === '' ? '' : `: ${row.name}`}`,
          sentence: 'Move the install day, or ask who works on it all the same.',
          numbers: [installOn],
        }),
      ]
    : []
}

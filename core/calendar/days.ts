/** The calendar as days that go into other calendars and tables: each task with its hand, what comes, what to order, the install day. */
import { addDays, type PlainDate } from '../measure/plain-date.ts'
import type { Cell } from '../formats/cells.ts'
import type { Table } from '../formats/tables.ts'
import type { Schedule } from './schedule.ts'
import { dateAt } from './working-time.ts'

export type CalendarDay = {
  /** The same as long as it is about the same thing. */
  readonly key: string
  readonly says: string
  readonly hand: string
  readonly first: PlainDate
  /** The last day, itself included. */
  readonly last: PlainDate
}

/** `orderBy`: the last day to order, by pieces; `hand`: only what this hand does. */
export function calendarDays(
  { tasks, installOn }: Schedule,
  orderBy: ReadonlyMap<string, PlainDate | null>,
  hand: string | null = null,
): CalendarDay[] {
  const days = tasks.flatMap((task): CalendarDay[] => {
    const { key, name, is, startOn, finish, pieceId } = task
    const last = dateAt(finish)
    if (task.isDone || (hand !== null && task.hand !== hand)) return []
    if (is === 'lead') return [{ key, says: `Comes: ${name}`, hand: task.hand, first: last, last }]
    if (is === 'answer') return [{ key, says: name, hand: task.hand, first: startOn, last }]
    if (is === 'work') return [{ key, says: name, hand: task.hand, first: startOn, last }]
    const by = pieceId === null ? null : (orderBy.get(pieceId) ?? null)
    return by === null ? [] : [{ key, says: `${name}: the last day`, hand: task.hand, first: by, last: by }]
  })
  const install =
    installOn === null ? [] : [{ key: 'install', says: 'Install day', hand: '', first: installOn, last: installOn }]
  return [...days, ...install].toSorted((left, right) =>
    left.first < right.first ? -1 : left.first > right.first ? 1 : left.says < right.says ? -1 : 1,
  )
}

/** An all-day entry ends on the day after its last, by RFC 5545. */
export const dayAfter = ({ last }: CalendarDay): PlainDate => addDays(last, 1)

export const calendarTable = (days: readonly CalendarDay[]): Table => ({
  name: 'Calendar',
  head: ['First day', 'Last day', 'Hand', 'What'],
  rows: days.map(({ first, last, hand, says }): Cell[] => [
    { date: first },
    { date: last },
    { text: hand },
    { text: says },
  ]),
})

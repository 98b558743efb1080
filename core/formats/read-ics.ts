/** Days away out of a calendar of another program (RFC 5545): holidays, a client's journeys. All-day entries and timed ones, repeated ones too. */
import ICAL from 'ical.js'
import { plainDate, addDays, type PlainDate } from '../measure/plain-date.ts'

export type ReadDays = { readonly name: string; readonly fromOn: PlainDate; readonly untilOn: PlainDate }
export type ReadIcs =
  | { readonly ok: true; readonly days: readonly ReadDays[]; readonly leftOut: number }
  | { readonly ok: false; readonly problem: string }

const most = 400
const longest = 2_000_000

/** Entries that touch the days from `first` to `last`. What could not be read as a day is counted, not dropped in silence. */
export function readIcs(text: string, first: PlainDate, last: PlainDate): ReadIcs {
  if (text.length > longest)
    return { ok: false, problem: 'The file is longer than 2 MB: expected a calendar of a few years.' }
  const problem = 'This is not a calendar file: expected one that begins with BEGIN:VCALENDAR.'
  let component: ICAL.Component
  try {
    if (text.trim() === '') return { ok: false, problem }
    component = new ICAL.Component(ICAL.parse(text) as never[])
  } catch {
    return { ok: false, problem }
  }
  const days: ReadDays[] = []
  let leftOut = 0
  for (const entry of component.getAllSubcomponents('vevent')) {
    if (days.length >= most) break
    const event = new ICAL.Event(entry)
    const start = event.startDate as ICAL.Time | null
    if (!start) {
      leftOut++
      continue
    }
    const name = event.summary.replace(/\s+/g, ' ').trim().slice(0, 80)
    const end = event.endDate as ICAL.Time | null
    const length = end ? Math.max(1, Math.ceil(end.subtractDate(start).toSeconds() / 86_400)) : 1
    const take = (begins: ICAL.Time): boolean => {
      const fromOn = plainDate(`${String(begins.year).padStart(4, '0')}-${two(begins.month)}-${two(begins.day)}`)
      // an entry that ends at the beginning of a day does not take that day
      const untilOn = addDays(fromOn, length - 1)
      if (fromOn > last) return false
      if (untilOn >= first) days.push({ name, fromOn, untilOn })
      return days.length < most
    }
    if (!event.isRecurring()) take(start)
    else {
      const repeated = event.iterator()
      for (let step = 0, next = repeated.next(); step < 5000; step++, next = repeated.next())
        if (!(next as ICAL.Time | null) || !take(next)) break
    }
  }
  return { ok: true, days: days.toSorted((left, right) => (left.fromOn < right.fromOn ? -1 : 1)), leftOut }
}
const two = (count: number): string => String(count).padStart(2, '0')

/**
 * Working time. A moment is whole minutes since 1970-01-01T00:00 of the place itself, without a time zone: clocks that are put forward
 * or back move no working day. A hand works eight hours from nine, on its own days of the week, and not while it is away; what needs no
 * hand, a seller's lead time, a coat that dries, goes on round the clock.
 */
import { addDays, daysBetween, plainDate, type PlainDate } from '../measure/plain-date.ts'

export const dayMinutes = 1440
type Hours = { readonly opens: number; readonly closes: number }
const byDay: Hours = { opens: 9 * 60, closes: 17 * 60 }
export const roundTheClock: Hours = { opens: 0, closes: dayMinutes }
export const workDayMinutes = byDay.closes - byDay.opens
const epoch = plainDate('1970-01-01')

export type Away = { readonly first: PlainDate; readonly last: PlainDate }
export type WorkingTime = {
  /** The days of the week that are worked, Monday first. */
  readonly days: readonly boolean[]
  /** Days away, the first and the last included. */
  readonly away: readonly Away[]
  /** Days that are worked whatever the day of the week: the install day. */
  readonly also?: readonly PlainDate[]
}
export const everyDay: WorkingTime = { days: [true, true, true, true, true, true, true], away: [] }
export const mondayToFriday: WorkingTime = { days: [true, true, true, true, true, false, false], away: [] }

/** Days since 1970-01-01. */
export const dayOf = (date: PlainDate): number => daysBetween(epoch, date)
export function dateOf(day: number): PlainDate {
  const found = dates.get(day)
  if (found !== undefined) return found
  // the same few hundred days are written again and again
  if (dates.size >= 5000) dates.clear()
  const date = addDays(epoch, day)
  dates.set(day, date)
  return date
}
const dates = new Map<number, PlainDate>()
export const startOfDay = (date: PlainDate): number => dayOf(date) * dayMinutes
export const endOfDay = (date: PlainDate): number => dayOf(date) * dayMinutes + byDay.closes
/** The date of a moment; the end of a day's work is still that day. */
export const dateAt = (minute: number): PlainDate => dateOf(Math.floor(minute / dayMinutes))

/** Longer than a hand may be away at a stretch, so that a search for its next day ends: thirty years. */
const mostDays = 11_000
/** What is found of the days of 2020 to 2057 is kept; others are looked at each time. */
const [firstKnown, knownDays] = [18_262, 13_880]

/** The working days of a hand, asked often: what was found is kept. Throws where a hand has no working day at all. */
export class WorkDays {
  /** Of each of those days: 1 worked, 2 not, 0 not looked at yet. */
  readonly #known = new Uint8Array(knownDays)
  readonly #days: readonly boolean[]
  readonly #away: readonly (readonly [number, number])[]
  readonly #hours: Hours
  readonly #also: ReadonlySet<number>
  constructor({ days, away, also = [] }: WorkingTime, hours = byDay) {
    this.#hours = hours
    this.#also = new Set(also.map(dayOf))
    if (!days.some(Boolean)) throw new RangeError('Working days: expected at least one day of the week, got none')
    this.#days = days
    this.#away = away.map((days) => [dayOf(days.first), dayOf(days.last)])
  }
  isWorked(day: number): boolean {
    const known = this.#known[day - firstKnown]
    if (known) return known === 1
    const isAway = this.#away.some(([first, last]) => day >= first && day <= last)
    // 1970-01-01 was a Thursday
    const is = !isAway && (this.#days[(((day + 3) % 7) + 7) % 7] === true || this.#also.has(day))
    if (day >= firstKnown && day < firstKnown + knownDays) this.#known[day - firstKnown] = is ? 1 : 2
    return is
  }
  #next(day: number, step: 1 | -1): number {
    for (let at = day; Math.abs(at - day) < mostDays; at += step) if (this.isWorked(at)) return at
    throw new RangeError('Working days: expected one within thirty years, found none')
  }
  /** The first moment from then on at which the hand works. */
  earliest(minute: number): number {
    const day = Math.floor(minute / dayMinutes)
    const inDay = minute - day * dayMinutes
    if (this.isWorked(day) && inDay < this.#hours.closes) return day * dayMinutes + Math.max(this.#hours.opens, inDay)
    return this.#next(day + 1, 1) * dayMinutes + this.#hours.opens
  }
  /** The last moment up to then at which the hand still works. */
  latest(minute: number): number {
    const day = Math.floor(minute / dayMinutes)
    const inDay = minute - day * dayMinutes
    if (this.isWorked(day) && inDay > this.#hours.opens) return day * dayMinutes + Math.min(this.#hours.closes, inDay)
    return this.#next(day - 1, -1) * dayMinutes + this.#hours.closes
  }
  /** When so many minutes of work are done that begin then, or as soon after as the hand works. */
  finish(start: number, minutes: number): number {
    if (minutes <= 0) return start
    let at = this.earliest(start)
    let left = minutes
    for (;;) {
      const day = Math.floor(at / dayMinutes)
      const today = day * dayMinutes + this.#hours.closes - at
      if (left <= today) return at + left
      left -= today
      at = this.#next(day + 1, 1) * dayMinutes + this.#hours.opens
    }
  }
  /** When so many minutes of work begin at the latest, to be done by then. */
  start(finish: number, minutes: number): number {
    if (minutes <= 0) return finish
    let at = this.latest(finish)
    let left = minutes
    for (;;) {
      // midnight ends the day before it
      const day = Math.floor((at - 1) / dayMinutes)
      const today = at - (day * dayMinutes + this.#hours.opens)
      if (left <= today) return at - left
      left -= today
      at = this.#next(day - 1, -1) * dayMinutes + this.#hours.closes
    }
  }
  /** Working days from a date to a later one, the first left out; below zero for an earlier one. */
  between(since: PlainDate, to: PlainDate): number {
    const [start, end] = [dayOf(since), dayOf(to)]
    let count = 0
    for (let day = Math.min(start, end) + 1; day <= Math.max(start, end); day++) if (this.isWorked(day)) count++
    return end < start ? -count : count
  }
  /** So many working days later, or earlier where below zero; 0 is the date itself. */
  add(date: PlainDate, days: number): PlainDate {
    let day = dayOf(date)
    const step = days < 0 ? -1 : 1
    for (let left = Math.abs(days); left > 0; left--) day = this.#next(day + step, step)
    return dateOf(day)
  }
}

import type { Reading } from './decimal.ts'

/** A calendar date without a time zone, "2027-03-14". */
declare const brand: unique symbol
export type PlainDate = string & { readonly [brand]: 'calendar date' }

const dayMs = 86_400_000
const monthNames = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const weekdays = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']

const dayNumber = (date: PlainDate): number => Date.parse(`${date}T00:00:00Z`) / dayMs

export function isPlainDate(value: unknown): value is PlainDate {
  if (typeof value !== 'string' || !/^(19|20|21)\d\d-\d\d-\d\d$/.test(value)) return false
  const time = Date.parse(`${value}T00:00:00Z`)
  return Number.isFinite(time) && new Date(time).toISOString().startsWith(value)
}

/** Throws unless the text is a real date of the Gregorian calendar between 1900 and 2199. */
export function plainDate(text: string): PlainDate {
  if (!isPlainDate(text)) throw new RangeError(`Date: expected a calendar date such as 2027-03-14, got "${text}"`)
  return text
}

const [first, last] = [plainDate('1900-01-01'), plainDate('2199-12-31')].map(dayNumber) as [number, number]
/** So many days later, or earlier where below zero; it stays within the calendar of 1900 to 2199. */
export const addDays = (date: PlainDate, days: number): PlainDate =>
  plainDate(new Date(Math.min(last, Math.max(first, dayNumber(date) + days)) * dayMs).toISOString().slice(0, 10))

/** Days from the first date to the second; negative when the second lies before. */
export const daysBetween = (start: PlainDate, to: PlainDate): number => dayNumber(to) - dayNumber(start)

const parts = (date: PlainDate): [year: number, month: string, day: number, weekday: string] => [
  Number(date.slice(0, 4)),
  monthNames[Number(date.slice(5, 7)) - 1] ?? '',
  Number(date.slice(8, 10)),
  weekdays[new Date(dayNumber(date) * dayMs).getUTCDay()] ?? '',
]

/** "14 Mar 2027" */
export function writeDate(date: PlainDate): string {
  const [year, month, day] = parts(date)
  return `${day} ${month} ${year}`
}
/** "14 Mar" */
export function writeShortDate(date: PlainDate): string {
  const [, month, day] = parts(date)
  return `${day} ${month}`
}
/** "Sun 14 Mar 2027" */
export const writeWeekdayDate = (date: PlainDate): string => `${parts(date)[3]} ${writeDate(date)}`

/** A date as typed: "2027-03-14", "14 Mar 2027", "14.3.2027", "14/3/2027" (day first). */
export function readDate(text: string): Reading<PlainDate> {
  const typed = text.trim()
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(typed)
  const named = /^(\d{1,2})\.?\s+([a-z]{3,9})\.?,?\s+(\d{4})$/i.exec(typed)
  const dotted = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(typed)
  const month = named
    ? monthNames.findIndex((name) => (named[2] ?? '').toLowerCase().startsWith(name.toLowerCase())) + 1
    : 0
  const found = iso
    ? [iso[1], iso[2], iso[3]]
    : named && month > 0
      ? [named[3], String(month), named[1]]
      : dotted
        ? [dotted[3], dotted[2], dotted[1]]
        : null
  const date = found?.map((part) => (part ?? '').padStart(2, '0')).join('-')
  return isPlainDate(date)
    ? { ok: true, value: date }
    : { ok: false, error: `“${typed.slice(0, 24)}” is not a date: expected 14 Mar 2027 or 2027-03-14` }
}

/** Making a formatter costs more than using it a hundred times. */
const zones = new Map<string, Intl.DateTimeFormat>()

/** The calendar date it is in a time zone at a moment given in milliseconds since 1970. */
export function dateIn(timeZone: string, atMs: number): PlainDate {
  const known =
    zones.get(timeZone) ??
    new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' })
  zones.set(timeZone, known)
  return plainDate(known.format(new Date(atMs)))
}

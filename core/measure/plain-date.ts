import type { Reading } from './decimal.ts'
import type { Habits } from './habits.ts'

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

const [year, small] = ['(\\d{4}|\\d{2})', '(\\d{1,2})']
const named = '([a-z]{3,9})\\.?'
const yearFirst = new RegExp(`^(\\d{4})[-./]${small}[-./]${small}\\.?$`)
const dayAndName = new RegExp(`^${small}(?:\\.|st|nd|rd|th)?[ -]?${named},?[ -]${year}$`, 'i')
const nameAndDay = new RegExp(`^${named} ?${small}(?:st|nd|rd|th)?,? ${year}$`, 'i')
const inFigures = new RegExp(`^${small}([-./])${small}\\2${year}$`)

/**
 * A date as typed: "2027-03-14", "14 Mar 2027", "March 14, 2027", "14.3.2027", and "3/14/2027" by the order that is usual
 * where it is typed. Points always part day, month, year. Where two readings are left, it is asked back.
 */
export function readDate(text: string, order: Habits['dates'] = null): Reading<PlainDate> {
  const typed = text.trim().replace(/\s+/g, ' ')
  const found = typedDate(typed, order)
  if (found === 'two readings')
    return {
      ok: false,
      error: `“${typed}” could be two dates: write the month as a word, such as 2 Jan 2027`,
    }
  const [typedYear, month, day] = found ?? []
  const full = typedYear?.length === 2 ? `20${typedYear}` : typedYear
  const date = [full, month, day].map((part) => (part ?? '').padStart(2, '0')).join('-')
  return isPlainDate(date)
    ? { ok: true, value: date }
    : { ok: false, error: `“${[...typed].slice(0, 24).join('')}” is not a date: expected 14 Mar 2027 or 2027-03-14` }
}

type Typed = readonly [year: string | undefined, month: string | undefined, day: string | undefined]
function typedDate(typed: string, order: Habits['dates']): Typed | 'two readings' | null {
  const monthOf = (name = ''): string | undefined => {
    const at = monthNames.findIndex((known) => name.toLowerCase().startsWith(known.toLowerCase()))
    return at < 0 ? undefined : String(at + 1)
  }
  let parts = yearFirst.exec(typed)
  if (parts) return [parts[1], parts[2], parts[3]]
  parts = dayAndName.exec(typed)
  if (parts) return [parts[3], monthOf(parts[2]), parts[1]]
  parts = nameAndDay.exec(typed)
  if (parts) return [parts[3], monthOf(parts[1]), parts[2]]
  parts = inFigures.exec(typed)
  if (!parts) return null
  const [, first = '', sign, second = '', last] = parts
  if (sign === '.' || order === 'day first') return Number(second) > 12 ? [last, first, second] : [last, second, first]
  if (order === 'month first') return Number(first) > 12 ? [last, second, first] : [last, first, second]
  if (Number(first) > 12 || first === second) return [last, second, first]
  return Number(second) > 12 ? [last, first, second] : 'two readings'
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

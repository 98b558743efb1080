/** Times of the day, in whole minutes since midnight. */
import type { Reading } from './decimal.ts'

/** “9:05”. */
export const writeClock = (minute: number): string =>
  `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`

/** “9:30”, “9.30”, “930”, “9”, “9 am”, “2:30 pm”. */
export function readClock(text: string): Reading<number> {
  const typed = text.trim().toLowerCase()
  const parts = /^(\d{1,2})(?:[:.h ]?([0-5]\d))? ?(am|pm)?$/.exec(typed)
  const hours = Number(parts?.[1])
  const half = parts?.[3]
  const isHour = half === undefined ? hours <= 24 : hours >= 1 && hours <= 12
  const minute = (half === undefined ? hours : (hours % 12) + (half === 'pm' ? 12 : 0)) * 60 + Number(parts?.[2] ?? 0)
  return parts && isHour && minute <= 1440
    ? { ok: true, value: minute }
    : { ok: false, error: `“${[...typed].slice(0, 20).join('')}”: expected a time such as 9:30 or 2 pm` }
}

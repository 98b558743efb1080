/** How long something took, in whole minutes. */
import { readNumber, type Reading } from './decimal.ts'
import type { Habits } from './habits.ts'

/** Hours and minutes as people write them: "3 h 20 min". */
export const writeMinutes = (minutes: number): string =>
  [
    ...(minutes >= 60 || minutes === 0 ? [`${Math.floor(minutes / 60)} h`] : []),
    ...(minutes % 60 > 0 ? [`${minutes % 60} min`] : []),
  ].join(' ')

/** "1:30", "1 h 30", "1.5 h", "90 min" in minutes; a bare number could be either and is asked. */
export function readMinutes(text: string, sign: Habits['decimal'] = null): Reading<number> {
  const typed = text.trim().toLowerCase()
  const wrong = { ok: false, error: `“${[...typed].slice(0, 24).join('')}”: expected 1:30, 1.5 h or 90 min` } as const
  const clock = /^(\d{1,3}):([0-5]\d)$/.exec(typed) ?? /^(\d{1,3}) ?h(?:ours?)? ?([0-5]?\d)(?: ?m(?:in)?)?$/.exec(typed)
  if (clock) return { ok: true, value: Number(clock[1]) * 60 + Number(clock[2]) }
  const unit = /^(\S+?) ?(h|hours?|m|min|minutes?)$/.exec(typed)
  if (!unit) return wrong
  const read = readNumber(unit[1] ?? '', { decimals: 4, least: 0, most: 99_999 }, sign)
  if (!read.ok) return wrong
  const minutes = read.value * ((unit[2] ?? '').startsWith('h') ? 60 : 1)
  return { ok: true, value: Math.round(minutes) }
}

/** What comes up again after the work is done, as it follows from what is there: wear, plants, placeholders, what goes back. */
import { headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Fields } from '../makeover/kinds.ts'
import { thingOf } from '../makeover/thing-names.ts'
import { addDays, type PlainDate } from '../measure/plain-date.ts'

export type Proposed = Pick<Fields<'reminder'>, 'what' | 'pieceId' | 'says' | 'dueOn' | 'everyMonths'>

/** Those that nobody noted yet, earliest first. `plants`: the school they are kept by. A life is counted from the install day; plants are looked at each season. */
export function proposedReminders(makeover: Makeover, plants: string, today: PlainDate): Proposed[] {
  const origin = headOf(makeover)?.installOn ?? today
  const noted = new Set(rowsOf(makeover, 'reminder').map(({ what, pieceId }) => `${what} ${pieceId ?? ''}`))
  return rowsOf(makeover, 'piece')
    .flatMap((piece): Proposed[] => {
      const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
      if (!chosen) return []
      const about = { pieceId: piece.id, everyMonths: null }
      return [
        ...(chosen.lifeYears !== null
          ? [
              {
                ...about,
                what: 'wear' as const,
                says: `${piece.name}: its life is over, look how it holds`,
                dueOn: addDays(origin, Math.round(chosen.lifeYears * 365.25)),
              },
            ]
          : []),
        ...(chosen.lookAgainOn !== null
          ? [
              {
                ...about,
                what: 'placeholder' as const,
                says: `${piece.name}: look at the stand-in again`,
                dueOn: chosen.lookAgainOn,
              },
            ]
          : []),
        ...(chosen.goBackOn !== null
          ? [{ ...about, what: 'goes back' as const, says: `${piece.name} goes back`, dueOn: chosen.goBackOn }]
          : []),
        ...(thingOf(piece) === 'plant' && plants === 'moved'
          ? [
              {
                ...about,
                what: 'plant' as const,
                says: `${piece.name} goes in before the frost`,
                dueOn: nextDay(origin, '10-01'),
                everyMonths: 12,
              },
            ]
          : []),
        ...(thingOf(piece) === 'plant' && plants !== 'moved' && plants !== 'faux'
          ? [
              {
                ...about,
                what: 'plant' as const,
                says: `${piece.name}: water, light and pot for the season`,
                dueOn: addDays(origin, 90),
                everyMonths: 3,
              },
            ]
          : []),
      ]
    })
    .filter(({ what, pieceId }) => !noted.has(`${what} ${pieceId ?? ''}`))
    .toSorted((left, right) => (left.dueOn < right.dueOn ? -1 : left.dueOn > right.dueOn ? 1 : 0))
}

/** The next day of that month and day, on or after a date. */
const nextDay = (date: PlainDate, monthDay: string): PlainDate => {
  const year = Number(date.slice(0, 4))
  return `${date.slice(5) <= monthDay ? year : year + 1}-${monthDay}` as PlainDate
}

/** So many months later, on the same day of the month, or its last. */
export function monthsLater(date: PlainDate, months: number): PlainDate {
  const [year, month, day] = date.split('-').map(Number) as [number, number, number]
  const to = year * 12 + month - 1 + months
  const [toYear, toMonth] = [Math.floor(to / 12), (to % 12) + 1]
  const last = new Date(Date.UTC(toYear, toMonth, 0)).getUTCDate()
  return `${toYear}-${String(toMonth).padStart(2, '0')}-${String(Math.min(day, last)).padStart(2, '0')}` as PlainDate
}

/** Where days lie across the page: the same for the hands and for the chances below them. */
import { scaleLinear, type ScaleLinear } from 'd3'
import { startOfDay, type Schedule } from '#core/calendar/index.ts'
import { addDays, type PlainDate } from '#core/measure/plain-date.ts'

/** The names of the hands stand before the days. */
const namesPx = 130

/** From the day before anything begins to a few days after the last of it, and after the install day. */
export function endsOf({ tasks, installOn }: Schedule, today: PlainDate): readonly [PlainDate, PlainDate] {
  const [first] = [...tasks.map(({ startOn }) => startOn), today].sort()
  const last = [...tasks.map(({ finishOn }) => finishOn), installOn ?? today].sort().at(-1)
  return [addDays(first ?? today, -1), addDays(last ?? today, 3)]
}
/** Moments to pixels. */
export const timeScale = (
  [first, last]: readonly [PlainDate, PlainDate],
  widthPx: number,
): ScaleLinear<number, number> =>
  scaleLinear()
    .domain([startOfDay(first), startOfDay(last)])
    .range([namesPx, Math.max(namesPx + 200, widthPx - 2)])

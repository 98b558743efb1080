import type { Makeover } from '../makeover/document.ts'
import { writeDate } from '../measure/plain-date.ts'
import { workingLine, type Working } from '../money/working.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import type { PieceDates } from './dates.ts'

const days = (count: number): string =>
  `${count < 0 ? '−' : ''}${Math.abs(count)}\u00a0${Math.abs(count) === 1 ? 'day' : 'days'}`

/** How the slack of the whole came about: for each piece awaited, when it comes against when it is wanted. */
export function slackWorking(
  makeover: Makeover,
  dates: readonly PieceDates[],
  slackDays: number | null,
  rules: Rules,
): Working {
  const awaited = dates
    .filter((date) => date.slackDays !== null)
    .toSorted((left, right) => (left.slackDays ?? 0) - (right.slackDays ?? 0))
  return {
    title: 'Slack',
    means: awaited[0]?.wantedOn
      ? `Each is wanted on site ${citeRule('dates.buffer', rules)} before it is needed: on the install date, or for its task in the calendar.`
      : 'Without an install date, or with nothing awaited, there is none to count.',
    lines: awaited.map((dates) =>
      workingLine(
        makeover.rows.piece[dates.id]?.name ?? '',
        days(dates.slackDays ?? 0),
        `${dates.toOrder ? 'if ordered today, here' : 'expected'} ${dates.hereOn ? writeDate(dates.hereOn) : ''}, wanted by ${dates.wantedOn ? writeDate(dates.wantedOn) : ''}`,
      ),
    ),
    result: workingLine('Least of them', slackDays === null ? '–' : days(slackDays)),
  }
}

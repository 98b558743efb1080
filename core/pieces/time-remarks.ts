/** What is said of when pieces come. */
import { headOf, type Makeover } from '../makeover/document.ts'
import type { Practice } from '../makeover/practice.ts'
import { daysBetween, writeDate, writeWeekdayDate, type PlainDate } from '../measure/plain-date.ts'
import type { Money } from '../purchases/index.ts'
import { days } from '../remarks/attention.ts'
import type { Remark } from '../remarks/remark.ts'
import { citeRule } from '../rulebook/rulebook.ts'
import { remark } from './catalogue.ts'
import type { PieceDates } from './dates.ts'

/** What comes after it is wanted on site; after the day itself, with nothing to stand in, it cannot be there at all. */
export function late(
  makeover: Makeover,
  money: Money,
  dates: readonly PieceDates[],
  { rules, schools }: Practice,
): Remark[] {
  const installOn = headOf(makeover)?.installOn ?? null
  const standsIn = new Set(money.pieces.filter(({ standIn }) => standIn > 0).map(({ id }) => id))
  return dates.flatMap((date) => {
    const piece = makeover.rows.piece[date.id]
    if (!piece || date.slackDays === null || date.slackDays >= 0 || date.wantedOn === null || date.hereOn === null)
      return []
    return [
      remark({
        code: 'late',
        weight:
          schools.pace === 'year'
            ? 'note'
            : installOn !== null && date.hereOn > installOn && !standsIn.has(date.id)
              ? 'stop'
              : 'look',
        step: date.toOrder ? 'pieces' : 'purchases',
        subjects: [{ kind: 'piece', id: date.id }],
        title: `${piece.name}: ${days(-date.slackDays)} late`,
        sentence: `${date.toOrder ? 'Ordered today, it' : 'As ordered, it'} is here on ${writeWeekdayDate(date.hereOn)}; it is wanted on site by ${writeDate(date.wantedOn)}, which is ${citeRule('dates.buffer', rules)} before ${date.needed === null || date.needed.on === installOn ? 'the install date' : `${writeDate(date.needed.on)}, the last day for “${date.needed.name}” to begin`}. Ask the seller, choose one that is nearer, or move the date.`,
        numbers: [date.slackDays],
      }),
    ]
  })
}

/** The last day to order is within two weeks. */
export function soon(
  makeover: Makeover,
  dates: readonly PieceDates[],
  { rules }: Practice,
  today: PlainDate,
): Remark[] {
  return dates.flatMap(({ id, orderBy, toOrder, slackDays }) => {
    const piece = makeover.rows.piece[id]
    const left = orderBy === null ? null : daysBetween(today, orderBy)
    if (!piece || orderBy === null || left === null || !toOrder || (slackDays ?? 0) < 0) return []
    if (left < 0 || left > rules['dates.order-soon']) return []
    return [
      remark({
        code: 'order-soon',
        subjects: [{ kind: 'piece', id }],
        title: `${piece.name}: to be ordered by ${writeWeekdayDate(orderBy)}`,
        sentence: `${left === 0 ? 'Today is the last day' : `${days(left)} ${left === 1 ? 'is' : 'are'} left`}: ordered later, it is not here in time.`,
        numbers: [orderBy],
      }),
    ]
  })
}

import { rowsOf, type Makeover } from '../makeover/document.ts'
import { writeDate, writeWeekdayDate } from '../measure/plain-date.ts'
import { remark, type Remark } from '../remarks/remark.ts'
import { citeRule, type Rules } from '../rulebook/rulebook.ts'
import type { PieceDates } from './dates.ts'

/** What the pieces give cause to say: one that serves no need, one that will not be here in time. */
export function pieceRemarks(makeover: Makeover, dates: readonly PieceDates[], rules: Rules): Remark[] {
  const needs = rowsOf(makeover, 'need').length
  const idle = rowsOf(makeover, 'piece').flatMap((piece) =>
    piece.needId !== null || needs === 0
      ? []
      : [
          remark({
            code: 'pieces.serves-nothing',
            weight: 'note',
            step: 'pieces',
            subjects: [{ kind: 'piece', id: piece.id }],
            title: `${piece.name} serves no need`,
            sentence: 'Every piece should serve at least one need of the brief. Say which, or ask whether it is wanted.',
            rule: null,
            numbers: ['none'],
          }),
        ],
  )
  const late = dates.flatMap((one) => {
    const piece = makeover.rows.piece[one.id]
    if (!piece || one.slackDays === null || one.slackDays >= 0 || one.wantedOn === null || one.hereOn === null) return []
    return [
      remark({
        code: 'pieces.late',
        weight: 'look',
        step: one.toOrder ? 'pieces' : 'purchases',
        subjects: [{ kind: 'piece', id: one.id }],
        title: `${piece.name} comes ${-one.slackDays} ${one.slackDays === -1 ? 'day' : 'days'} late`,
        sentence: `${one.toOrder ? 'Ordered today, it' : 'As ordered, it'} is here on ${writeWeekdayDate(one.hereOn)}; it is wanted on site by ${writeDate(one.wantedOn)}, which is ${citeRule('dates.buffer', rules)} before the install date. Ask the seller, choose one that is nearer, or move the date.`,
        rule: 'dates.buffer',
        numbers: [one.slackDays],
      }),
    ]
  })
  return [...idle, ...late]
}

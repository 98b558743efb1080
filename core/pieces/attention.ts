/** What of the pieces needs a hand. */
import { byId } from '../makeover/by-id.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { addDays, daysBetween, type PlainDate } from '../measure/plain-date.ts'
import type { Money } from '../purchases/index.ts'
import { attentionLines, days, type Attention } from '../remarks/attention.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { PieceDates } from './dates.ts'

const ranks = { 'order by': 1, 'decide by': 2, 'answer waiting': 7, 'goes back': 9, placeholder: 12 }

export function pieceAttention(
  makeover: Makeover,
  money: Money,
  dates: readonly PieceDates[],
  rules: Rules,
  today: PlainDate,
): Attention[] {
  const horizon = addDays(today, rules['dates.attention'])
  const near = (on: PlainDate | null): on is PlainDate => on !== null && on <= horizon
  const name = (pieceId: string): string => makeover.rows.piece[pieceId]?.name ?? 'A piece'
  const { lines, add } = attentionLines('pieces', ranks, today)
  for (const date of dates) {
    const piece = makeover.rows.piece[date.id]
    if (!piece || byId(money.pieces, date.id)?.open === 0) continue
    if (piece.chosenId !== null && near(date.orderBy))
      add(
        'order by',
        date.orderBy,
        piece.name,
        date.slackDays !== null && date.slackDays < 0
          ? `${days(-date.slackDays)} late already`
          : 'chosen, and not ordered',
        piece.id,
      )
    if (piece.chosenId === null && near(date.decideBy))
      add('decide by', date.decideBy, piece.name, 'nothing chosen yet', piece.id)
  }
  for (const row of rowsOf(makeover, 'question'))
    if (row.answer === 'waiting')
      add(
        'answer waiting',
        row.neededBy,
        row.ask,
        `asked ${row.askedOn === today ? 'today' : `${days(daysBetween(row.askedOn, today))} ago`}${row.pieceId ? `, about ${name(row.pieceId)}` : ''}`,
        row.pieceId,
      )
  for (const row of rowsOf(makeover, 'candidate')) {
    const piece = makeover.rows.piece[row.pieceId]
    if (piece?.chosenId !== row.id) continue
    if (row.goBackOn !== null && near(row.goBackOn))
      add('goes back', row.goBackOn, piece.name, row.origin ? `to ${row.origin}` : row.source, piece.id)
    if (row.source === 'placeholder' && near(row.lookAgainOn))
      add('placeholder', row.lookAgainOn, piece.name, 'look at the stand-in again', piece.id)
  }
  return lines
}

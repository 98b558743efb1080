/** What of the brief needs a hand. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { writeDate, type PlainDate } from '../measure/plain-date.ts'
import { attentionLines, type Attention } from '../remarks/attention.ts'

const ranks = { 'answer waiting': 7 }

export function briefAttention(makeover: Makeover, today: PlainDate): Attention[] {
  const { lines, add } = attentionLines('brief', ranks, today)
  for (const row of rowsOf(makeover, 'permission'))
    if (row.answer === 'waiting')
      add(
        'answer waiting',
        null,
        row.ask,
        `asked of ${row.askedOf || 'the owner'} on ${writeDate(row.askedOn)}`,
        row.id,
      )
  return lines
}

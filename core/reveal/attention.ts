/** What of the client's side needs a hand: an answer nobody looked at, a reminder whose day has come, also after the account is closed. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { writeShortDate, type PlainDate } from '../measure/plain-date.ts'
import { attentionLines, type Attention } from '../remarks/attention.ts'

const ranks = { 'client says': 1, reminder: 6 }

export function revealAttention(makeover: Makeover, today: PlainDate): Attention[] {
  const { lines, add } = attentionLines('reveal', ranks, today)
  const { rows } = makeover
  for (const reply of rowsOf(makeover, 'reply')) {
    if (reply.seenOn !== null) continue
    const piece = reply.pieceId === null ? 'the version' : (rows.piece[reply.pieceId]?.name ?? '')
    const says = { yes: 'yes', another: 'another, please', comment: 'a comment', 'asks back': 'a question back' }[
      reply.says
    ]
    add(
      'client says',
      today,
      `${piece}: ${says}`,
      `${rows.client[reply.clientId]?.name ?? ''}, ${writeShortDate(reply.saidOn)}`,
      reply.id,
    )
  }
  for (const { id, says, what, dueOn, doneOn } of rowsOf(makeover, 'reminder'))
    if (doneOn === null && dueOn <= today) add('reminder', dueOn, says, what, id)
  return lines
}

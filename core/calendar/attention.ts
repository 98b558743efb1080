/** What of the work falls on today, or is over and not ticked off; what comes; what is not right yet. Orders and answers are told by the pieces. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { addDays, type PlainDate } from '../measure/plain-date.ts'
import type { Money } from '../purchases/index.ts'
import { attentionLines, type Attention } from '../remarks/attention.ts'
import { deliveriesOf, windowWords } from './deliveries.ts'
import type { Schedule } from './schedule.ts'

const ranks = { delivery: 2, 'work today': 3, 'work not ticked off': 4, snag: 5, 'put off': 8 }

export function calendarAttention(makeover: Makeover, plan: Schedule, money: Money, today: PlainDate): Attention[] {
  const { lines, add } = attentionLines('calendar', ranks, today)
  const { tasks, installOn } = plan
  const isNear = installOn === null || installOn >= today
  for (const { is, isDone, pinnedOn, startOn, finishOn, name, hand, key } of tasks) {
    if (is !== 'work' || isDone) continue
    // what somebody set to a day is agreed for it; the rest is planned as early as it goes, moves along by itself, and is told on its day alone
    if (pinnedOn !== null && pinnedOn < today && startOn <= today) add('work not ticked off', pinnedOn, name, hand, key)
    else if (pinnedOn !== null && startOn <= today && today <= finishOn) add('work today', today, name, hand, key)
    else if (isNear && startOn === today && installOn !== null && installOn <= addDays(today, 21))
      add('work today', today, name, `${hand}, could begin`, key)
  }
  for (const { row, comesOn, name, pieceId } of deliveriesOf(makeover, money.purchases, plan, () => '', today)) {
    if (!row || comesOn === null || comesOn < today || comesOn > addDays(today, 1)) continue
    const who = row.letsIn === '' ? 'nobody lets it in yet' : `${row.letsIn} lets it in`
    add('delivery', comesOn, name, [windowWords(row), who].filter((part) => part !== '').join(', '), pieceId)
  }
  for (const { id, says, trade, byOn, doneOn } of rowsOf(makeover, 'snag'))
    if (doneOn === null && byOn !== null && byOn <= today) add('snag', byOn, says, trade, id)
  for (const { id, name, pieceId, waitsFor, wantedOn } of rowsOf(makeover, 'deferral'))
    if (wantedOn !== null && wantedOn <= today)
      add('put off', wantedOn, (pieceId && makeover.rows.piece[pieceId]?.name) || name, waitsFor, id)
  return lines
}

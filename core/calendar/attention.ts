/** What of the work falls on today, or is over and not ticked off. Orders and answers are told by the pieces. */
import type { PlainDate } from '../measure/plain-date.ts'
import { attentionLines, type Attention } from '../remarks/attention.ts'
import type { Schedule } from './schedule.ts'

const ranks = { 'work today': 3, 'work not ticked off': 4 }

export function calendarAttention({ tasks }: Schedule, today: PlainDate): Attention[] {
  const { lines, add } = attentionLines('calendar', ranks, today)
  for (const { is, isDone, pinnedOn, startOn, finishOn, name, hand, key } of tasks) {
    if (is !== 'work' || isDone) continue
    // only what somebody set to a day is agreed for it: the rest is planned as early as it goes, and moves along by itself
    if (pinnedOn !== null && pinnedOn < today && startOn <= today) add('work not ticked off', pinnedOn, name, hand, key)
    else if (pinnedOn !== null && startOn <= today && today <= finishOn) add('work today', today, name, hand, key)
  }
  return lines
}

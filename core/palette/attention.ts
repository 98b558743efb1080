/** What of the palette needs a hand: samples that nobody saw by the light that tells. */
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { daysBetween, type PlainDate } from '../measure/plain-date.ts'
import { attentionLines, days, type Attention } from '../remarks/attention.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { lightsSeen, unseenByLamp } from './samples.ts'

const ranks = { sample: 11 }

export function paletteAttention(makeover: Makeover, rules: Rules, today: PlainDate): Attention[] {
  const { lines, add } = attentionLines('palette', ranks, today)
  for (const row of rowsOf(makeover, 'sample')) {
    const finish = makeover.rows.finish[row.finishId]
    if (!finish || row.verdict !== 'open') continue
    const seen = lightsSeen(makeover, finish.id)
    if (row.cameOn !== null && !seen.includes('evening') && !seen.includes('lamp'))
      add(
        'sample',
        null,
        finish.name,
        seen.length === 0 ? 'here, and not seen yet' : 'not seen by evening light',
        finish.id,
      )
    else if (row.cameOn === null && row.orderedOn !== null && daysBetween(row.orderedOn, today) > rules['dates.sample'])
      add(
        'sample',
        null,
        finish.name,
        `the sample was ordered ${days(daysBetween(row.orderedOn, today))} ago, and is not here`,
        finish.id,
      )
  }
  // a paint or paper whose piece would be ordered next, and that nobody saw by lamp light
  for (const { finish, chosen } of unseenByLamp(makeover))
    if (chosen && !lines.some((line) => line.id === finish.id))
      add('sample', null, finish.name, 'chosen, and never seen by lamp light', finish.id)
  return lines
}

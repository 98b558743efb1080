import type { Documents } from '#core/makeover/change.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { remarksWithoutCosts, withoutCosts } from '#core/people/index.ts'
import { reckon } from '#core/reckoning/reckon.ts'
import { summarise, type Summary } from '#core/reckoning/summary.ts'

export type Told = { readonly documents: Documents; readonly today: PlainDate; readonly costs: boolean }

/** What the day page shows of a makeover; without `costs`, of what is shown without them. */
export function summaryOf({ documents, today, costs }: Told): Summary {
  const shown = costs ? documents : withoutCosts(documents)
  const reckoning = reckon(shown, today)
  const remarks = costs ? reckoning.remarks : remarksWithoutCosts(reckoning.remarks)
  return summarise(shown.makeover, { ...reckoning, remarks, attention: costs ? reckoning.attention : [] })
}

import { headOf, type Makeover } from '../makeover/document.ts'
import { habitsOf } from '../measure/habits.ts'
import { inTradeWords } from '../measure/trade-words.ts'
import type { Working, WorkingLine } from '../money/working.ts'
import { steps as allSteps } from '../steps/index.ts'
import type { Step } from '../steps/step.ts'
import type { Reckoning } from './reckon.ts'

/** The figures of the reckoning that show their working: those of all steps. */
export type Figure = WorkingsOf<(typeof allSteps)[number]>
type WorkingsOf<S> = S extends { readonly workings: infer W } ? keyof W & string : never

/** How a figure of the reckoning came about; null where no step knows it. `about` is what it is of: a category. */
export function workingFor(
  figure: string,
  makeover: Makeover,
  reckoning: Reckoning,
  about: string | null,
  steps: readonly Step[] = allSteps,
): Working | null {
  const find = steps.map((step) => step.workings?.[figure]).find((working) => working !== undefined)
  const found = find?.(makeover, reckoning as never, about) ?? null
  const head = headOf(makeover)
  if (!found || !head) return found
  const habits = habitsOf(head.country, head.currency, head.units)
  if (habits.words === 'British') return found
  const worded = (line: WorkingLine): WorkingLine => ({
    ...line,
    label: inTradeWords(line.label, habits),
    how: inTradeWords(line.how, habits),
  })
  return {
    title: inTradeWords(found.title, habits),
    means: inTradeWords(found.means, habits),
    lines: found.lines.map(worded),
    result: worded(found.result),
  }
}

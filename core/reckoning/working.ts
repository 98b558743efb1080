import type { Makeover } from '../makeover/document.ts'
import type { Working } from '../money/working.ts'
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
  return find?.(makeover, reckoning as never, about) ?? null
}

import type { Makeover } from '#core/makeover/document.ts'
import type { Reckoning } from '#core/reckoning/reckon.ts'
import { steps } from '#core/steps/index.ts'

/** How far each step is, 0 to 1: the ink line under its word. */
export const stepProgress = (makeover: Makeover, reckoning: Reckoning): Record<string, number> =>
  Object.fromEntries(steps.map((step) => [step.name, step.progress(makeover, reckoning)]))

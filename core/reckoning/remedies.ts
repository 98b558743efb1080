import type { Makeover } from '../makeover/document.ts'
import type { Remark } from '../remarks/remark.ts'
import type { Remedies, Remedy, Way } from '../remarks/remedy.ts'
import { steps as allSteps } from '../steps/index.ts'
import type { Step } from '../steps/step.ts'
import type { Reckoning } from './reckon.ts'

const curesOf = (remark: Remark, steps: readonly Step[]): Remedies | undefined =>
  steps.map((step) => step.remedies?.[remark.code]).find((remedies) => remedies !== undefined)

/** The word of the button that cures a remark; null where no change set does. */
export const remedyWords = (remark: Remark, steps: readonly Step[] = allSteps): string | null =>
  curesOf(remark, steps)?.words ?? null

/** What would cure a remark, the least change first. `newId` makes the ids of rows that a cure adds. */
export const remediesFor = (
  remark: Remark,
  makeover: Makeover,
  reckoning: Reckoning,
  newId: () => string,
  steps: readonly Step[] = allSteps,
): readonly Remedy[] => curesOf(remark, steps)?.find(remark, makeover, reckoning as never, newId) ?? []

/** Where a remark is cured that no change set cures alone. */
export const wayFrom = (remark: Remark, steps: readonly Step[] = allSteps): Way | null =>
  steps.map((step) => step.ways?.[remark.code]).find((way) => way !== undefined) ?? null

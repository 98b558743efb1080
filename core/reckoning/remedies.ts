import type { Makeover } from '../makeover/document.ts'
import type { Remark } from '../remarks/remark.ts'
import type { Remedies, Remedy, Way } from '../remarks/remedy.ts'
import { steps as allSteps } from '../steps/index.ts'
import type { Step } from '../steps/step.ts'
import type { Reckoning } from './reckon.ts'

/** What a step holds for a remark of its own, by the remark's name in the step's catalogue. */
const heldFor = <T>(
  remark: Remark,
  steps: readonly Step[],
  held: (step: Step) => Readonly<Record<string, T>> | undefined,
) =>
  steps
    .filter((step) => remark.code.startsWith(`${step.name}.`))
    .map((step) => held(step)?.[remark.code.slice(step.name.length + 1)])
    .find((found) => found !== undefined)

const curesOf = (remark: Remark, steps: readonly Step[]): Remedies | undefined =>
  heldFor(remark, steps, ({ remedies }) => remedies)

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
  heldFor(remark, steps, ({ ways }) => ways) ?? null

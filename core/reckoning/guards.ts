import { fault, type Documents, type Fault } from '../makeover/change.ts'
import { sharedGuards } from '../makeover/guards.ts'
import { TooMuch } from '../money/minor.ts'
import { amountFaults } from '../purchases/index.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import { steps as allSteps } from '../steps/index.ts'
import type { Step } from '../steps/step.ts'

/**
 * The rules that need the whole document: what a change may not do however well formed it is. The door holds them
 * inside its transaction; the browser asks them first, so that what would be refused is said before it is sent.
 */
export const guard = (
  before: Documents,
  after: Documents,
  today: PlainDate,
  steps: readonly Step[] = allSteps,
): Fault[] => {
  const beyond = amountFaults(after.makeover)
  if (beyond.length > 0) return beyond
  try {
    return [...sharedGuards(before, after), ...steps.flatMap((step) => step.guards?.(before, after, today) ?? [])]
  } catch (error) {
    if (!(error instanceof TooMuch)) throw error
    return [fault('too-much', null, null, null, 'the sums of this makeover come to more than can be reckoned exactly')]
  }
}

import type { Documents, Fault } from '../makeover/change.ts'
import { sharedGuards } from '../makeover/guards.ts'
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
): Fault[] => [...sharedGuards(before, after), ...steps.flatMap((step) => step.guards?.(before, after, today) ?? [])]

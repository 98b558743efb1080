import { deltaE } from '../colour/difference.ts'
import type { Lab } from '../colour/lab.ts'
import type { Row } from '../makeover/kinds.ts'
import { labOf } from './colour-of.ts'

/** The finish of a palette that a colour comes nearest to, with the difference ΔE00; null where there is no palette. */
export function nearestFinish(
  lab: Lab,
  finishes: readonly Row<'finish'>[],
): { readonly finish: Row<'finish'>; readonly deltaE: number } | null {
  const near = finishes
    .map((finish) => ({ finish, deltaE: deltaE(lab, labOf(finish)) }))
    .sort((left, right) => left.deltaE - right.deltaE)
  return near[0] ?? null
}

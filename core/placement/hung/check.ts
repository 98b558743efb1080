/** What is found of a thing where it hangs, and the wall it is found on. Lengths in mm. */
import type { RuleId } from '../../rulebook/rulebook.ts'
import type { Weight } from '../../remarks/remark.ts'
import type { Room } from '../../survey/index.ts'
import type { Before } from './before.ts'
import type { Hung } from './works.ts'

export type HungCode =
  | 'hang-off'
  | 'hang-line'
  | 'hang-gap'
  | 'hang-wide'
  | 'hang-opening'
  | 'hang-covers'
  | 'hang-meets'
  | 'hang-behind'
  | 'hang-cable'
  | 'hang-bed'
  | 'hang-seat'
  | 'hang-rating'
  | 'hang-strips'
  | 'hang-leave'
  | 'hang-curve'
  | 'hang-hollow'
  | 'hang-apart'
  | 'hang-mirror'
  | 'hang-edges'
  | 'hang-seen'
export type HungCheck = {
  readonly code: HungCode
  readonly weight: Weight
  /** The thing that hangs first, then what it meets. */
  readonly ids: readonly string[]
  readonly value: number | null
  readonly wanted: number | null
  readonly rule: RuleId | null
  /** What of it, for the words. */
  readonly about: string
  /** What is told of: the thing, or the group that it hangs in. */
  readonly name: string
}
/** The wall with all that hangs on it and stands before it. */
export type WallScene = {
  readonly room: Room
  readonly before: readonly Before[]
  readonly works: readonly Hung[]
  readonly lineMm: number
  readonly mayDrill: boolean
  /** How the works of a room are hung: to the line of the eyes, mirrored about a middle, by their edges, scattered, leaned. */
  readonly school: string
}

export const check = (
  code: HungCode,
  weight: Weight,
  ids: readonly string[],
  more: Partial<HungCheck> = {},
): HungCheck => ({
  code,
  weight,
  ids,
  value: null,
  wanted: null,
  rule: null,
  about: '',
  name: '',
  ...more,
})

/** How much is wrong, to tell places apart: a stop as ten looks, a look as ten notes. */
export const wrongness = (checks: readonly HungCheck[]): number =>
  checks.reduce((sum, { weight }) => sum + (weight === 'stop' ? 100 : weight === 'look' ? 10 : 1), 0)

/** Which length to measure again, and what would decide where several look alike. */
import type { Rules } from '../rulebook/rulebook.ts'
import { adjust, apart, type Adjustment } from './adjust.ts'
import { seen } from './geometry.ts'
import { type Again, type LengthReading } from './closing.ts'
import { type Check, type WallMeasure, datum, origin } from './walk.ts'
import { observe } from './observed.ts'

/** Which length is to be measured again; where several explain the misfit as well, the diagonal that would tell them apart. */
export function measureAgain(
  walls: readonly WallMeasure[],
  checks: readonly Check[],
  rules: Rules,
  found: Adjustment,
  lengths: readonly LengthReading[],
): Again | null {
  const suspects = lengths
    .filter((length) => length.standardised !== null)
    .toSorted((left, right) => (right.standardised ?? 0) - (left.standardised ?? 0))
  const [first, second] = suspects
  if (!first) return { named: null, set: [], errorMm: null, standardised: null, decide: null }
  const strongest = first.standardised ?? 0
  // leaving a length out lowers the sum of squares by its standardised residual squared
  const asGood = (lengthReading: LengthReading): boolean =>
    strongest ** 2 - (lengthReading.standardised ?? 0) ** 2 <= rules['survey.leads'] ** 2 &&
    (lengthReading.standardised ?? 0) > strongest / 2
  const clear = strongest > rules['survey.suspicious'] && !(second && asGood(second))
  if (clear) return { named: first.id, set: [first.id], errorMm: first.errorMm, standardised: strongest, decide: null }
  const set = lengths.filter((length) => length.standardised !== null && asGood(length))
  const strongestFew = new Set(suspects.slice(0, 4).map((suspect) => suspect.id))
  return {
    named: null,
    set: set.map((lengthReading) => lengthReading.id),
    errorMm: set.length === 1 ? first.errorMm : null,
    standardised: strongest,
    decide:
      set.length > 1
        ? deciding(
            walls,
            checks,
            rules,
            found,
            set.filter((lengthReading) => strongestFew.has(lengthReading.id)),
          )
        : null,
  }
}

/** A suspect that leaves the room loose without it settles slowly; it is no use for deciding. */
const hypothesisRounds = 12

/** The diagonal whose length differs most between the suspects, each taken for the wrong one in its turn. */
function deciding(
  walls: readonly WallMeasure[],
  checks: readonly Check[],
  rules: Rules,
  found: Adjustment,
  set: readonly LengthReading[],
): Again['decide'] {
  const hypotheses = set.flatMap((suspect) => {
    const without = walls.map((wall) => (wall.id === suspect.id ? { ...wall, lengthMm: null } : wall))
    const room = adjust(
      found.points,
      observe(
        without,
        checks.filter((check) => check.id !== suspect.id),
        rules,
      ).map((observed) => observed.observation),
      datum,
      hypothesisRounds,
    )
    return room ? [{ id: suspect.id, points: room.points }] : []
  })
  if (hypotheses.length < 2) return null
  const measured = new Set(checks.map((check) => [check.from, check.to].toSorted((left, right) => left - right).join()))
  let best: Again['decide'] = null
  let widest = 0
  for (let value = 0; value < walls.length; value++)
    for (let to = value + 2; to < walls.length; to++) {
      if ((value === 0 && to === walls.length - 1) || measured.has(`${value},${to}`) || !seen(found.points, value, to))
        continue
      const expected = hypotheses.map(({ id, points }) => ({
        id,
        mm: apart(points[value] ?? origin, points[to] ?? origin),
      }))
      const sorted = expected.map((entry) => entry.mm).toSorted((left, right) => left - right)
      const least = Math.min(...sorted.slice(1).map((value, at) => value - (sorted[at] ?? 0)))
      if (least > widest) [widest, best] = [least, { from: value, to, expected }]
    }
  // a difference that the tape itself could make decides nothing
  return widest > 2 * rules['survey.sigma'] ? best : null
}

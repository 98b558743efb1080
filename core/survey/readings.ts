/** What the adjustment says of each length and corner: as typed, as adjusted, and how far it is in doubt. */
import { apart, type Adjustment } from './adjust.ts'
import { type Observed } from './observed.ts'
import { type Check, type WallMeasure, origin } from './walk.ts'
import type { LengthReading } from './closing.ts'

export function readings(
  walls: readonly WallMeasure[],
  checks: readonly Check[],
  found: Adjustment,
  observed: readonly Observed[],
): LengthReading[] {
  const outcome = (kind: 'wall' | 'diagonal', id: string) =>
    found.outcomes[observed.findIndex((observed) => observed.kind === kind && observed.id === id)]
  const between = (start: number, to: number): number =>
    apart(found.points[start] ?? origin, found.points[to] ?? origin)
  const reading = (
    kind: 'wall' | 'diagonal',
    id: string,
    name: string,
    measuredMm: number | null,
    adjustedMm: number,
  ): LengthReading => {
    const thisOutcome = outcome(kind, id)
    return {
      id,
      kind,
      name,
      measuredMm,
      adjustedMm,
      residualMm: thisOutcome?.residual ?? 0,
      standardised: thisOutcome?.standardised ?? null,
      errorMm: thisOutcome?.error ?? null,
    }
  }
  return [
    ...walls.map((wall, at) =>
      reading('wall', wall.id, wall.name, wall.lengthMm, between(at, (at + 1) % walls.length)),
    ),
    ...checks.map((check) =>
      reading('diagonal', check.id, nameOf(check), check.lengthMm, between(check.from, check.to)),
    ),
  ]
}

/** The readings of the others, and of the one that was set aside: what they make of it, and how strongly it stood against them. */
export const setAside = (
  before: readonly LengthReading[],
  after: readonly LengthReading[],
  id: string,
): LengthReading[] =>
  after.map((lengthReading) => {
    const was = before.find((lengthReading) => lengthReading.id === id)
    const residualMm = lengthReading.adjustedMm - (lengthReading.measuredMm ?? 0)
    return lengthReading.id === id && was
      ? { ...lengthReading, residualMm, standardised: was.standardised, errorMm: -residualMm }
      : lengthReading
  })

export const asTyped = (walls: readonly WallMeasure[], checks: readonly Check[]): LengthReading[] => {
  const plain = (
    kind: 'wall' | 'diagonal',
    { id, name, lengthMm }: { id: string; name: string; lengthMm: number | null },
  ): LengthReading => ({
    id,
    kind,
    name,
    measuredMm: lengthMm,
    adjustedMm: lengthMm ?? 0,
    residualMm: 0,
    standardised: null,
    errorMm: null,
  })
  return [
    ...walls.map((wall) => plain('wall', wall)),
    ...checks.map((check) => plain('diagonal', { ...check, name: nameOf(check) })),
  ]
}

export const nameOf = (check: Pick<Check, 'from' | 'to'>): string =>
  `Corner ${Math.min(check.from, check.to) + 1} to ${Math.max(check.from, check.to) + 1}`

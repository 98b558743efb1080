/** A corner tested with a triangle: the angle it has, by the law of cosines, and how well its three lengths tell it. */
import type { Row } from '../makeover/kinds.ts'
import type { Rules } from '../rulebook/rulebook.ts'

const degrees = 180 / Math.PI

export type CornerTest = {
  readonly deg: number
  /** One standard deviation, from those of the three lengths. */
  readonly sigmaDeg: number
  /** Legs too short to tell. */
  readonly short: boolean
}

/** Null where the three lengths make no triangle. Lengths in mm. */
export function testedCorner(
  { alongMm: a, nextMm: b, acrossMm: c }: Pick<Row<'squareTest'>, 'alongMm' | 'nextMm' | 'acrossMm'>,
  rules: Rules,
): CornerTest | null {
  const cos = (a * a + b * b - c * c) / (2 * a * b)
  if (!(Math.abs(cos) < 1)) return null
  const sin = Math.sqrt(1 - cos * cos)
  const sigma = (length: number): number => rules['survey.sigma'] + (rules['survey.sigma-per-metre'] * length) / 1000
  // ∂θ/∂a = (cos θ ÷ a − 1 ÷ b) ÷ sin θ, and the same with a and b changed; ∂θ/∂c = c ÷ (a·b·sin θ)
  const parts = [
    (sigma(a) * (cos / a - 1 / b)) / sin,
    (sigma(b) * (cos / b - 1 / a)) / sin,
    (sigma(c) * c) / (a * b * sin),
  ]
  return {
    deg: degrees * Math.acos(cos),
    sigmaDeg: degrees * Math.hypot(...parts),
    short: Math.min(a, b) < rules['survey.test-legs'],
  }
}

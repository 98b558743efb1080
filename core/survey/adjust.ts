import { type Point } from './point.ts'

/**
 * Least-squares adjustment of points in a plane: measured lengths, angles and legs, each with its standard deviation,
 * give the likeliest coordinates, what each observation had to move, and how well the others check it. Gauss–Newton
 * with Levenberg’s damping; normal equations by Cholesky (any handbook of surveying adjustment).
 */
export type Observation =
  | {
      readonly kind: 'distance'
      readonly from: number
      readonly to: number
      readonly mm: number
      readonly sigmaMm: number
    }
  /** At `at`, counterclockwise from the direction to `back` to the direction to `fore`. */
  | {
      readonly kind: 'angle'
      readonly back: number
      readonly at: number
      readonly fore: number
      readonly deg: number
      readonly sigmaDeg: number
    }
  /** A leg as a vector: a length with its bearing. */
  | {
      readonly kind: 'leg'
      readonly from: number
      readonly to: number
      readonly dx: number
      readonly dy: number
      readonly sigmaMm: number
    }

/** What an observation came to. In mm, or degrees for an angle; of a leg, its length along and across together. */
export type Outcome = {
  readonly adjusted: number
  /** Adjusted less observed. */
  readonly residual: number
  /** Share of the observation that the others check, 0 to 1. */
  readonly redundancy: number
  /** Residual over its own standard deviation, without sign; null where nothing checks it. */
  readonly standardised: number | null
  /** What it would be wrong by, if it alone were wrong: observed less true. Null where nothing checks it. */
  readonly error: number | null
}

export type Adjustment = {
  readonly points: readonly Point[]
  readonly outcomes: readonly Outcome[]
  /** Observations less unknowns. */ readonly freedom: number
}

type Equation = { readonly misfit: number; readonly terms: readonly (readonly [unknown: number, slope: number])[] }

const degrees = 180 / Math.PI

export const wrapped = (deg: number): number => deg - 360 * Math.round(deg / 360)

/** The interior value of an angle observation in these coordinates, 0 to 360. */
export function angleAt(back: Point, at: Point, fore: Point): number {
  const deg = degrees * (Math.atan2(fore.y - at.y, fore.x - at.x) - Math.atan2(back.y - at.y, back.x - at.x))
  return ((deg % 360) + 360) % 360
}

export const apart = (point: Point, right: Point): number => Math.hypot(right.x - point.x, right.y - point.y)

/** The points’ coordinates as unknowns: x of point i is 2i, y is 2i + 1. Each equation is divided by its sigma. */
function equationsOf(observation: Observation, points: readonly Point[]): Equation[] {
  const at = (index: number): Point => points[index] ?? { x: 0, y: 0 }
  if (observation.kind === 'distance') {
    const { from: start, to, mm, sigmaMm: sigma } = observation
    const length = Math.max(apart(at(start), at(to)), 1e-9)
    const [ux, uy] = [(at(to).x - at(start).x) / length / sigma, (at(to).y - at(start).y) / length / sigma]
    return [
      {
        misfit: (mm - length) / sigma,
        terms: [
          [2 * start, -ux],
          [2 * start + 1, -uy],
          [2 * to, ux],
          [2 * to + 1, uy],
        ],
      },
    ]
  }
  if (observation.kind === 'leg') {
    const { from: start, to, dx, dy, sigmaMm: sigma } = observation
    return [
      {
        misfit: (dx - (at(to).x - at(start).x)) / sigma,
        terms: [
          [2 * start, -1 / sigma],
          [2 * to, 1 / sigma],
        ],
      },
      {
        misfit: (dy - (at(to).y - at(start).y)) / sigma,
        terms: [
          [2 * start + 1, -1 / sigma],
          [2 * to + 1, 1 / sigma],
        ],
      },
    ]
  }
  const { back, at: corner, fore, deg, sigmaDeg: sigma } = observation
  const turn = (to: number): readonly [number, number] => {
    const [dx, dy] = [at(to).x - at(corner).x, at(to).y - at(corner).y]
    const square = Math.max(dx * dx + dy * dy, 1e-9)
    return [(-dy / square) * (degrees / sigma), (dx / square) * (degrees / sigma)]
  }
  const [fx, fy] = turn(fore)
  const [bx, by] = turn(back)
  return [
    {
      misfit: wrapped(deg - angleAt(at(back), at(corner), at(fore))) / sigma,
      terms: [
        [2 * fore, fx],
        [2 * fore + 1, fy],
        [2 * back, -bx],
        [2 * back + 1, -by],
        [2 * corner, bx - fx],
        [2 * corner + 1, by - fy],
      ],
    },
  ]
}

/**
 * Adjusts from approximate coordinates. `held` are the unknowns that stay as they are (2i for x, 2i + 1 for y of point
 * i). Null where the observations do not fix the points, or no likeliest place is found.
 */
export function adjust(
  start: readonly Point[],
  observations: readonly Observation[],
  held: ReadonlySet<number>,
  rounds = 80,
): Adjustment | null {
  const place = new Map<number, number>()
  for (let unknown = 0; unknown < 2 * start.length; unknown++) if (!held.has(unknown)) place.set(unknown, place.size)
  const size = place.size
  let points = start
  const cost = (at: readonly Point[]): number =>
    observations.reduce(
      (sum, observation) =>
        sum + equationsOf(observation, at).reduce((total, { misfit }) => total + misfit * misfit, 0),
      0,
    )
  let value = cost(points)
  let damping = 0
  for (let round = 0; ; round++) {
    if (round === rounds || !Number.isFinite(value)) return null
    const { normal, right } = normalOf(observations, points, place)
    for (let row = 0; row < size; row++) normal[row * size + row] = (normal[row * size + row] ?? 0) * (1 + damping)
    const lower = cholesky(normal, size)
    if (!lower) {
      if (damping > 1e6 || round > 40) return null
      damping = Math.max(damping * 10, 1e-4)
      continue
    }
    const step = solve(lower, size, right)
    const moved = points.map((point, at) => ({
      x: point.x + (step[place.get(2 * at) ?? -1] ?? 0),
      y: point.y + (step[place.get(2 * at + 1) ?? -1] ?? 0),
    }))
    const then = cost(moved)
    const furthest = step.reduce((most, value) => Math.max(most, Math.abs(value)), 0)
    if (then > value * (1 + 1e-12) + 1e-18 && furthest > 1e-9) {
      damping = Math.max(damping * 10, 1e-4)
      if (damping > 1e9) return null
      continue
    }
    points = moved
    // a thousandth of a thousandth of a millimetre is nobody’s business
    const settled = furthest < 1e-6 || value - then < 1e-13 * value
    value = then
    damping /= 10
    if (damping < 1e-6) damping = 0
    if (settled && damping === 0) break
  }
  return outcomesAt(points, observations, place)
}

function normalOf(
  observations: readonly Observation[],
  points: readonly Point[],
  place: ReadonlyMap<number, number>,
): { normal: Float64Array; right: Float64Array } {
  const size = place.size
  const [normal, right] = [new Float64Array(size * size), new Float64Array(size)]
  for (const observation of observations)
    for (const { misfit, terms: weightOf } of equationsOf(observation, points)) {
      const known = weightOf.flatMap(([unknown, slope]): [number, number][] =>
        place.has(unknown) ? [[place.get(unknown) ?? 0, slope]] : [],
      )
      for (const [row, slope] of known) {
        right[row] = (right[row] ?? 0) + slope * misfit
        for (const [column, value] of known)
          normal[row * size + column] = (normal[row * size + column] ?? 0) + slope * value
      }
    }
  return { normal, right }
}

/** The lower triangle of a positive definite matrix; null where it is not. */
function cholesky(matrix: Float64Array, size: number): Float64Array | null {
  const lower = new Float64Array(matrix)
  for (let column = 0; column < size; column++) {
    const whole = matrix[column * size + column] ?? 0
    let pivot = lower[column * size + column] ?? 0
    for (let at = 0; at < column; at++) pivot -= (lower[column * size + at] ?? 0) ** 2
    if (!(pivot > 1e-11 * whole)) return null
    const root = Math.sqrt(pivot)
    lower[column * size + column] = root
    for (let row = column + 1; row < size; row++) {
      let sum = lower[row * size + column] ?? 0
      for (let at = 0; at < column; at++) sum -= (lower[row * size + at] ?? 0) * (lower[column * size + at] ?? 0)
      lower[row * size + column] = sum / root
    }
  }
  return lower
}

function solve(lower: Float64Array, size: number, right: ArrayLike<number>): Float64Array {
  const found = forward(lower, size, right)
  for (let row = size - 1; row >= 0; row--) {
    let sum = found[row] ?? 0
    for (let at = row + 1; at < size; at++) sum -= (lower[at * size + row] ?? 0) * (found[at] ?? 0)
    found[row] = sum / (lower[row * size + row] ?? 1)
  }
  return found
}

function forward(lower: Float64Array, size: number, right: ArrayLike<number>): Float64Array {
  const found = new Float64Array(size)
  for (let row = 0; row < size; row++) {
    let sum = right[row] ?? 0
    for (let at = 0; at < row; at++) sum -= (lower[row * size + at] ?? 0) * (found[at] ?? 0)
    found[row] = sum / (lower[row * size + row] ?? 1)
  }
  return found
}

function outcomesAt(
  points: readonly Point[],
  observations: readonly Observation[],
  place: ReadonlyMap<number, number>,
): Adjustment | null {
  const size = place.size
  const lower = cholesky(normalOf(observations, points, place).normal, size)
  if (!lower) return null
  let rows = 0
  const outcomes = observations.map((observation): Outcome => {
    const equations = equationsOf(observation, points)
    rows += equations.length
    const sigma = observation.kind === 'angle' ? observation.sigmaDeg : observation.sigmaMm
    // the share of each equation that it fixes itself: a·N⁻¹·a = |L⁻¹a|²
    const own = equations.map(({ terms: fields }) => {
      const right = new Float64Array(size)
      for (const [unknown, slope] of fields) if (place.has(unknown)) right[place.get(unknown) ?? 0] = slope
      return forward(lower, size, right).reduce((sum, value) => sum + value * value, 0)
    })
    const redundancy = Math.min(1, Math.max(0, 1 - Math.max(...own)))
    const misfit =
      equations.length === 1 ? (equations[0]?.misfit ?? 0) : Math.hypot(...equations.map((equation) => equation.misfit))
    const residual = -misfit * sigma
    const checked = redundancy > 1e-6
    return {
      adjusted: adjustedValue(observation, points),
      residual,
      redundancy,
      standardised: checked ? Math.abs(misfit) / Math.sqrt(redundancy) : null,
      error: checked ? -residual / redundancy : null,
    }
  })
  return { points, outcomes, freedom: rows - size }
}

function adjustedValue(observation: Observation, points: readonly Point[]): number {
  const at = (index: number): Point => points[index] ?? { x: 0, y: 0 }
  return observation.kind === 'angle'
    ? angleAt(at(observation.back), at(observation.at), at(observation.fore))
    : apart(at(observation.from), at(observation.to))
}

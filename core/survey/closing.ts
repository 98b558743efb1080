/**
 * Closing a room: the walls as typed, walked round, never quite meet. Least squares on the corners finds the likeliest
 * room, says what each length had to move, and which one to measure again.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import { adjust, angleAt, apart, type Adjustment, type Observation, type Point } from './adjust.ts'
import { crossing, seen } from './geometry.ts'

/** A wall as it was measured: straight from corner to corner, and the angle of the corner at its end inside the room. */
export type WallMeasure = {
  readonly id: string
  readonly name: string
  readonly lengthMm: number | null
  readonly cornerDeg: number | null
  /** Nobody measured it: it is taken for square. */ readonly assumed: boolean
}
/** A length between two corners, by the places of the walls that begin there. */
export type Check = { readonly id: string; readonly from: number; readonly to: number; readonly lengthMm: number }

export type LengthReading = {
  readonly id: string
  readonly kind: 'wall' | 'diagonal'
  readonly name: string
  readonly measuredMm: number | null
  readonly adjustedMm: number
  readonly residualMm: number
  readonly standardised: number | null
  /** By how much it would be too long, if it alone were wrong. */
  readonly errorMm: number | null
}
export type CornerReading = {
  readonly wallId: string
  readonly place: number
  readonly measuredDeg: number | null
  readonly assumed: boolean
  readonly adjustedDeg: number
}

/** What to measure again: one length, or several that cannot be told apart and the diagonal that would decide. */
export type Again = {
  readonly named: string | null
  readonly set: readonly string[]
  readonly errorMm: number | null
  readonly standardised: number | null
  readonly decide: {
    readonly from: number
    readonly to: number
    readonly expected: readonly { readonly id: string; readonly mm: number }[]
  } | null
}

export type Closing = {
  /** open: more is to be typed. cannot: what is typed makes no room. closed: there is a room. */
  readonly state: 'open' | 'cannot' | 'closed'
  /** What is lacking, or what cannot be, and where. */
  readonly why: string
  /** Corners of the room; of an open run, as far as it goes (one more than its walls). */
  readonly corners: readonly Point[]
  /** How far the walk by the typed lengths and corners ends from where it began. */
  readonly misclosure: {
    readonly mm: number
    readonly oneIn: number | null
    readonly dx: number
    readonly dy: number
  } | null
  /** More than this asks for a second measurement. */
  readonly limitMm: number
  readonly perimeterMm: number
  /** How many lengths and corners there are more than the room needs. */
  readonly freedom: number
  readonly lengths: readonly LengthReading[]
  readonly angles: readonly CornerReading[]
  readonly again: Again | null
}

const radians = Math.PI / 180
const origin: Point = { x: 0, y: 0 }
const step = (point: Point, heading: number, length: number): Point => ({
  x: point.x + length * Math.cos(heading * radians),
  y: point.y + length * Math.sin(heading * radians),
})
const mm = (value: number): string => `${Math.round(value)}\u00a0mm`

/** The walls walked with their left hand on them: east along the first, then clockwise. As many points as walls, and one. */
function walk(walls: readonly WallMeasure[], lengths: readonly number[], turns: readonly number[]): Point[] {
  const points = [origin]
  let heading = 0
  for (const [at] of walls.entries()) {
    points.push(step(points.at(-1) ?? origin, heading, lengths[at] ?? 0))
    heading -= turns[at] ?? 0
  }
  return points
}

/** Closes a room, or says why not. Lengths in mm, angles in degrees; nothing typed is changed. */
export function close(walls: readonly WallMeasure[], checks: readonly Check[], rules: Rules): Closing {
  const known = walls.flatMap((wall) => (wall.cornerDeg === null ? [] : [180 - wall.cornerDeg]))
  const turned = known.reduce((sum, value) => sum + value, 0)
  const unknown = walls.length - known.length
  const shared = unknown > 0 ? (360 - turned) / unknown : 0
  const angularMiss = unknown > 0 ? 0 : 360 - turned
  const turns = walls.map((wall) =>
    wall.cornerDeg === null ? shared : 180 - wall.cornerDeg + angularMiss / walls.length,
  )
  const perimeterMm = walls.reduce((sum, wall) => sum + (wall.lengthMm ?? 0), 0)
  const limitMm = Math.max(rules['survey.misclosure'], perimeterMm / rules['survey.misclosure-ratio'])
  const rough = walk(
    walls,
    walls.map((wall) => wall.lengthMm ?? 0),
    walls.map((wall) => (wall.cornerDeg === null ? (walls.length < 3 ? 90 : shared) : 180 - wall.cornerDeg)),
  )
  const not = (state: 'open' | 'cannot', why: string): Closing => ({
    state,
    why,
    corners: rough,
    misclosure: null,
    limitMm,
    perimeterMm,
    freedom: 0,
    lengths: asTyped(walls, checks),
    angles: [],
    again: null,
  })

  if (walls.length < 3)
    return not('open', walls.length === 0 ? 'No wall is typed yet.' : 'A room has three walls or more: go on round.')
  if (unknown > 0 && Math.abs(shared) >= 180)
    return not(
      'cannot',
      `The measured corners leave ${Math.round(180 - shared)}° for ${unknown === 1 ? 'the corner' : 'each corner'} nobody measured, which no corner has.`,
    )
  if (unknown === 0 && turned < 360 - rules['survey.turn-grace'])
    return not(
      'open',
      `The corners turn ${Math.round(turned)}° of 360° so far. A room of square corners has four more drawn in than jutting out: walls are still to come, or a corner drawn in is marked as jutting out.`,
    )
  if (unknown === 0 && turned > 360 + rules['survey.turn-grace'])
    return not(
      'cannot',
      `The corners turn ${Math.round(turned)}° where a room turns 360°: one corner too many is drawn in, or a measured angle is too small.`,
    )
  const typed = walls.filter((wall) => wall.lengthMm !== null)
  const longest = typed.toSorted((left, right) => (right.lengthMm ?? 0) - (left.lengthMm ?? 0))[0]
  if (typed.length === walls.length && longest && (longest.lengthMm ?? 0) >= perimeterMm - (longest.lengthMm ?? 0))
    return not(
      'cannot',
      `${longest.name}, ${mm(longest.lengthMm ?? 0)}, is longer than all the others together, ${mm(perimeterMm - (longest.lengthMm ?? 0))}: they cannot meet.`,
    )
  for (const check of checks) {
    const ways = [check.from, check.to].toSorted((left, right) => left - right)
    const oneWay = walls.slice(ways[0], ways[1])
    const otherWay = [...walls.slice(ways[1]), ...walls.slice(0, ways[0])]
    for (const way of [oneWay, otherWay]) {
      const length = way.reduce((sum, wall) => sum + (wall.lengthMm ?? Infinity), 0)
      if (check.lengthMm > length + limitMm)
        return not(
          'cannot',
          `The measure from corner ${check.from + 1} to corner ${check.to + 1}, ${mm(check.lengthMm)}, is longer than the walls between them, ${mm(length)}.`,
        )
    }
  }

  const start = begin(walls, turns)
  const observations = observe(walls, checks, rules)
  const found =
    start === null
      ? null
      : adjust(
          start,
          observations.map((observation) => observation.observation),
          datum,
        )
  if (!found) {
    const missing = walls.filter((wall) => wall.lengthMm === null).map((wall) => wall.name)
    if (missing.length > 0)
      return not(
        'open',
        `${missing.join(', ')} ${missing.length === 1 ? 'is' : 'are'} not measured, and the rest does not fix ${missing.length === 1 ? 'it' : 'them'}.`,
      )
    return unknown > 0
      ? not(
          'open',
          `${unknown} ${unknown === 1 ? 'corner is' : 'corners are'} of unknown angle: measure a diagonal across ${unknown === 1 ? 'it' : 'each, until the room is stiff'}.`,
        )
      : not(
          'cannot',
          'No room comes near these lengths and corners: look for a length in another unit, or a corner on the wrong side.',
        )
  }
  const crossed = crossing(found.points)
  if (crossed)
    return {
      ...not(
        'cannot',
        `${walls[crossed[0]]?.name ?? ''} and ${walls[crossed[1]]?.name ?? ''} cross each other: look at the corners between them.`,
      ),
      corners: [...found.points, found.points[0] ?? origin],
    }

  const lengths = readings(walls, checks, found, observations)
  const complete = unknown === 0 && typed.length === walls.length
  const end = complete
    ? (walk(
        walls,
        walls.map((wall) => wall.lengthMm ?? 0),
        turns,
      ).at(-1) ?? origin)
    : null
  const missed = end ? Math.hypot(end.x, end.y) : 0
  const misclosure = end
    ? { mm: missed, oneIn: missed < 0.05 ? null : Math.round(perimeterMm / missed), dx: end.x, dy: end.y }
    : null
  const worst = lengths.filter(
    (length) => (length.standardised ?? 0) > rules['survey.suspicious'] && Math.abs(length.errorMm ?? 0) > limitMm,
  )
  const doubtful = (misclosure?.mm ?? 0) > limitMm || worst.length > 0
  const again = doubtful ? measureAgain(walls, checks, rules, found, lengths) : null
  // one that is named is set aside until it is measured again: the room is what the others make of it
  const aside = again?.named
    ? adjust(
        found.points,
        observations
          .filter((observation) => observation.kind === 'corner' || observation.id !== again.named)
          .map((observation) => observation.observation),
        datum,
      )
    : null
  const stands = aside && !crossing(aside.points) ? aside : found
  const told =
    stands === found
      ? lengths
      : setAside(
          lengths,
          readings(
            walls,
            checks,
            stands,
            observations.filter((observation) => observation.kind === 'corner' || observation.id !== again?.named),
          ),
          again?.named ?? '',
        )
  return {
    state: 'closed',
    why: '',
    corners: stands.points,
    misclosure,
    limitMm,
    perimeterMm: walls.reduce(
      (sum, _wall, at) => sum + apart(stands.points[at] ?? origin, stands.points[(at + 1) % walls.length] ?? origin),
      0,
    ),
    freedom: found.freedom,
    lengths: told,
    angles: walls.map((wall, at) => ({
      wallId: wall.id,
      place: (at + 1) % walls.length,
      measuredDeg: wall.cornerDeg,
      assumed: wall.assumed,
      adjustedDeg: angleIn(stands.points, (at + 1) % walls.length),
    })),
    again:
      again && stands !== found
        ? { ...again, errorMm: -(told.find((lengthReading) => lengthReading.id === again.named)?.residualMm ?? 0) }
        : again,
  }
}

/** The first corner stays, and the first wall runs east. */
const datum: ReadonlySet<number> = new Set([0, 1, 3])

export function angleIn(corners: readonly Point[], at: number): number {
  const count = corners.length
  const [back, here, fore] = [corners[(at + count - 1) % count], corners[at], corners[(at + 1) % count]]
  return back && here && fore ? angleAt(back, here, fore) : Number.NaN
}

type Observed = {
  readonly id: string
  readonly kind: 'wall' | 'diagonal' | 'corner'
  readonly observation: Observation
}
function observe(walls: readonly WallMeasure[], checks: readonly Check[], rules: Rules): Observed[] {
  const count = walls.length
  const sigmaOf = (length: number): number => rules['survey.sigma'] + (rules['survey.sigma-per-metre'] * length) / 1000
  return [
    ...walls.flatMap((wall, at): Observed[] =>
      wall.lengthMm === null
        ? []
        : [
            {
              id: wall.id,
              kind: 'wall',
              observation: {
                kind: 'distance',
                from: at,
                to: (at + 1) % count,
                mm: wall.lengthMm,
                sigmaMm: sigmaOf(wall.lengthMm),
              },
            },
          ],
    ),
    ...checks.map((check): Observed => ({
      id: check.id,
      kind: 'diagonal',
      observation: {
        kind: 'distance',
        from: check.from,
        to: check.to,
        mm: check.lengthMm,
        sigmaMm: sigmaOf(check.lengthMm),
      },
    })),
    ...walls.flatMap((wall, at): Observed[] =>
      wall.cornerDeg === null
        ? []
        : [
            {
              id: wall.id,
              kind: 'corner',
              observation: {
                kind: 'angle',
                back: at,
                at: (at + 1) % count,
                fore: (at + 2) % count,
                deg: wall.cornerDeg,
                sigmaDeg: rules['survey.sigma-angle'],
              },
            },
          ],
    ),
  ]
}

/** Where the corners lie roughly: walked, lengths that nobody measured filled in so that the walk closes, the rest spread along it. */
function begin(walls: readonly WallMeasure[], turns: readonly number[]): Point[] | null {
  const open = walls.flatMap((wall, at) => (wall.lengthMm === null ? [at] : []))
  const mean = walls.reduce((sum, wall) => sum + (wall.lengthMm ?? 0), 0) / Math.max(1, walls.length - open.length)
  const lengths = walls.map((wall) => wall.lengthMm ?? 0)
  if (open.length > 0) {
    // the shortest set of lengths that closes the walk: A·x = −miss by the pseudo-inverse of a 2 × k matrix
    const headings = walls.map((_, at) => -turns.slice(0, at).reduce((sum, turn) => sum + turn, 0) * radians)
    const ways = open.map((at) => ({ x: Math.cos(headings[at] ?? 0), y: Math.sin(headings[at] ?? 0) }))
    const base = ways.reduce(
      (sum, way) => ({ x: sum.x + way.x * mean, y: sum.y + way.y * mean }),
      walk(walls, lengths, turns).at(-1) ?? origin,
    )
    const [xx, xy, yy] = ways.reduce<[number, number, number]>(
      ([a, b, c], way) => [a + way.x * way.x, b + way.x * way.y, c + way.y * way.y],
      [1e-9, 0, 1e-9],
    )
    const bottom = xx * yy - xy * xy
    const [px, py] = [(yy * base.x - xy * base.y) / bottom, (xx * base.y - xy * base.x) / bottom]
    for (const [index, at] of open.entries())
      lengths[at] = Math.max(mean / 50, mean - ((ways[index]?.x ?? 0) * px + (ways[index]?.y ?? 0) * py))
  }
  const points = walk(walls, lengths, turns)
  const end = points.at(-1) ?? origin
  const total = lengths.reduce((sum, length) => sum + length, 0)
  if (!(total > 0)) return null
  let gone = 0
  const spread = points.slice(0, -1).map((point, at) => {
    gone += at === 0 ? 0 : (lengths[at - 1] ?? 0)
    return { x: point.x - (end.x * gone) / total, y: point.y - (end.y * gone) / total }
  })
  // turned back so that the first wall runs east, as the datum has it
  const second = spread[1] ?? origin
  const [length, cos, sin] = [Math.hypot(second.x, second.y) || 1, second.x, second.y]
  return spread.map(({ x, y }) => ({ x: (x * cos + y * sin) / length, y: (y * cos - x * sin) / length }))
}

function readings(
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
const setAside = (before: readonly LengthReading[], after: readonly LengthReading[], id: string): LengthReading[] =>
  after.map((lengthReading) => {
    const was = before.find((lengthReading) => lengthReading.id === id)
    const residualMm = lengthReading.adjustedMm - (lengthReading.measuredMm ?? 0)
    return lengthReading.id === id && was
      ? { ...lengthReading, residualMm, standardised: was.standardised, errorMm: -residualMm }
      : lengthReading
  })
const nameOf = (check: Pick<Check, 'from' | 'to'>): string =>
  `Corner ${Math.min(check.from, check.to) + 1} to ${Math.max(check.from, check.to) + 1}`
const asTyped = (walls: readonly WallMeasure[], checks: readonly Check[]): LengthReading[] => {
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

/** Which length is to be measured again; where several explain the misfit as well, the diagonal that would tell them apart. */
function measureAgain(
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

/**
 * Closing a room: the walls as typed, walked round, never quite meet. Least squares on the corners finds the likeliest
 * room, says what each length had to move, and which one to measure again.
 */
import { writeLength, type UnitSystem } from '../measure/length.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { adjust, angleAt, apart } from './adjust.ts'
import { type Point } from './point.ts'
import { crossing } from './geometry.ts'
import { measureAgain } from './measure-again.ts'
import { begin, observe } from './observed.ts'
import { type Check, type WallMeasure, datum, origin, walk } from './walk.ts'
import { asTyped, readings, setAside } from './readings.ts'

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
  /** Tested with a triangle. */
  readonly tested: boolean
  readonly adjustedDeg: number
  /** One standard deviation of the adjusted angle; null of a corner of unknown angle. */
  readonly sigmaDeg: number | null
  /** How much of what is known of it comes from the other measurements, 0 to 1. */
  readonly checked: number
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

/** Closes a room, or says why not. Lengths in mm, angles in degrees; nothing typed is changed. */
export function close(
  walls: readonly WallMeasure[],
  checks: readonly Check[],
  rules: Rules,
  system: UnitSystem = 'metric',
): Closing {
  const mm = (length: number): string => writeLength(Math.round(length), system)
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
  // a tested corner beside corners taken for square makes a walk miss that lies in no length
  const complete =
    unknown === 0 && typed.length === walls.length && walls.every(({ sigmaDeg }) => sigmaDeg === undefined)
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
  const standing =
    stands === found
      ? observations
      : observations.filter((observation) => observation.kind === 'corner' || observation.id !== again?.named)
  const cornerOutcome = (wallId: string): number | null =>
    stands.outcomes[standing.findIndex(({ kind, id }) => kind === 'corner' && id === wallId)]?.redundancy ?? null
  const told =
    stands === found ? lengths : setAside(lengths, readings(walls, checks, stands, standing), again?.named ?? '')
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
    angles: walls.map((wall, at) => {
      const checked = cornerOutcome(wall.id)
      return {
        wallId: wall.id,
        place: (at + 1) % walls.length,
        measuredDeg: wall.cornerDeg,
        assumed: wall.assumed,
        tested: wall.sigmaDeg !== undefined,
        adjustedDeg: angleIn(stands.points, (at + 1) % walls.length),
        // what is adjusted is known as well as it was before, times the root of the share that it fixes itself
        sigmaDeg:
          checked === null
            ? null
            : (wall.sigmaDeg ?? rules['survey.sigma-angle']) * Math.sqrt(Math.max(0, 1 - checked)),
        checked: checked ?? 0,
      }
    }),
    again:
      again && stands !== found
        ? { ...again, errorMm: -(told.find((lengthReading) => lengthReading.id === again.named)?.residualMm ?? 0) }
        : again,
  }
}

export function angleIn(corners: readonly Point[], at: number): number {
  const count = corners.length
  const [back, here, fore] = [corners[(at + count - 1) % count], corners[at], corners[(at + 1) % count]]
  return back && here && fore ? angleAt(back, here, fore) : Number.NaN
}

/**
 * What is seen from a door, at the height of an eye: the room is looked round in narrow slices, and in each slice what
 * stands nearer covers what stands behind it as far as it is high. Lengths in mm, areas in m².
 */
import type { Point } from '../survey/index.ts'
import type { Body, Solid } from './bodies.ts'
import type { Setting } from './setting.ts'
import type { Outline } from './shapes.ts'

export type Seen = {
  readonly id: string
  /** What of it is seen, of what would be seen if it stood alone, as a share. */
  readonly share: number
  /** What of it is seen, as it faces the eye. */
  readonly m2: number
  /** How far its nearest part is. */
  readonly awayMm: number
  /** The wall that most of it is seen against; null where nothing of it is seen. */
  readonly behindId: string | null
}
export type Sight = {
  readonly things: readonly Seen[]
  /** Of each wall, of the floor and the ceiling, what is seen as they lie. */
  readonly surfaces: readonly { readonly id: string; readonly seenM2: number; readonly m2: number }[]
}

/** How finely one looks round, and whether what lies flat hides the floor under it. */
export type Looking = { readonly slices: number; readonly flatHides: boolean }
const closely: Looking = { slices: 720, flatHides: true }
type Span = { readonly low: number; readonly high: number }

/** What is left of a set of spans once one is taken out; in order. */
function without(spans: readonly Span[], { low, high }: Span): Span[] {
  return spans.flatMap((span) => {
    if (high <= span.low || low >= span.high) return [span]
    return [
      ...(low > span.low ? [{ low: span.low, high: low }] : []),
      ...(high < span.high ? [{ low: high, high: span.high }] : []),
    ]
  })
}
const common = (spans: readonly Span[], { low, high }: Span): Span[] =>
  spans.flatMap((span) => {
    const [least, most] = [Math.max(low, span.low), Math.min(high, span.high)]
    return most > least ? [{ low: least, high: most }] : []
  })
const long = (spans: readonly Span[]): number => spans.reduce((sum, { low, high }) => sum + high - low, 0)

/** Where a ray enters and leaves an outline: the distances, in pairs, in order. */
function hits(eye: Point, way: Point, outline: Outline): number[] {
  const found: number[] = []
  for (let at = 0; at < outline.length; at++) {
    const [start, end] = [outline[at], outline[(at + 1) % outline.length]]
    if (!start || !end) continue
    const [ax, ay, bx, by] = [start.x - eye.x, start.y - eye.y, end.x - eye.x, end.y - eye.y]
    const [left, right] = [way.x * ay - way.y * ax, way.x * by - way.y * bx]
    if (left < 0 === right < 0) continue
    const share = left / (left - right)
    const far = (ax + share * (bx - ax)) * way.x + (ay + share * (by - ay)) * way.y
    if (far > 1) found.push(far)
  }
  return found.toSorted((left, right) => left - right)
}

/**
 * What is seen of a solid in a slice, as a span of slopes (height over distance): its near face, and its top where the eye is above it,
 * or its underside where it is below.
 */
function spanOf({ low, top }: Solid, near: number, far: number, eyeMm: number): Span {
  const slopes = [(low - eyeMm) / near, (top - eyeMm) / near, (low - eyeMm) / far, (top - eyeMm) / far]
  return { low: Math.min(...slopes), high: Math.max(...slopes) }
}

/** From a place at an eye height, looking all round. */
export function seenFrom(
  setting: Setting,
  bodies: readonly Body[],
  eye: Point,
  eyeMm: number,
  { slices, flatHides }: Looking = closely,
): Sight {
  const solids = [...bodies, ...setting.built]
  const found = new Map(
    solids.map(({ id }) => [id, { seen: 0, alone: 0, m2: 0, near: Infinity, behind: new Map<string, number>() }]),
  )
  const wallIds = [...new Set(setting.walls.map(({ wall }) => wall.row.id))]
  const surfaces = new Map([...wallIds, 'floor', 'ceiling'].map((id) => [id, { seen: 0, all: 0 }]))
  const edges = edgesOf(setting, solids, eye, slices)
  const flat = new Set<Solid>(bodies.filter(({ thing }) => thing?.flat))
  const spans = solids.map(({ outline }) => spanFrom(eye, outline))
  for (const [slice, start] of edges.entries()) {
    const step = (edges[slice + 1] ?? (edges[0] ?? 0) + 2 * Math.PI) - start
    if (step < 1e-9) continue
    const angle = start + step / 2
    const way = { x: Math.cos(angle), y: Math.sin(angle) }
    const wall = nearestWall(setting, eye, way)
    if (!wall) continue
    const met = solids
      .flatMap((solid, index): InSlice[] => {
        if (!(spans[index]?.(angle) ?? true)) return []
        const at = hits(eye, way, solid.outline)
        const [first, last] = [at[0], at.at(-1)]
        if (first === undefined || last === undefined) return []
        // from within it, it begins at the eye; what of it reaches through the wall is not seen
        const near = at.length % 2 === 1 ? 1 : first
        const end = wall.far + 50
        return near < end
          ? [{ solid, near, far: Math.max(Math.min(last, end), near + 1), isFlat: flat.has(solid) }]
          : []
      })
      .toSorted((left, right) => Number(left.isFlat) - Number(right.isFlat) || left.near - right.near)
    let open: Span[] = [{ low: -1e4, high: 1e4 }]
    for (const { solid, near, far, isFlat } of whatStandsOnFirst(met, eyeMm)) {
      const entry = found.get(solid.id)
      if (!entry) continue
      const span = spanOf({ ...solid, top: Math.min(solid.top, setting.heightMm) }, near, far, eyeMm)
      const seen = common(open, span)
      const middle = (near + far) / 2
      entry.alone += (span.high - span.low) * step
      entry.seen += long(seen) * step
      // as it faces the eye: height times the width of the slice at its distance
      entry.m2 += (long(seen) * middle * middle * step) / 1e6
      entry.near = Math.min(entry.near, near)
      if (seen.length > 0) entry.behind.set(wall.id, (entry.behind.get(wall.id) ?? 0) + long(seen) * step)
      if (flatHides || !isFlat) open = without(open, span)
    }
    seeSurfaces(surfaces, open, wall, setting.heightMm, eyeMm, step)
  }
  return {
    things: solids.map(({ id }) => {
      const { seen, alone, m2, near, behind } = found.get(id) ?? nothingSeen
      const [most] = [...behind].toSorted((left, right) => right[1] - left[1])
      return { id, share: alone > 0 ? seen / alone : 0, m2, awayMm: near, behindId: most?.[0] ?? null }
    }),
    surfaces: [...surfaces].map(([id, { seen, all }]) => ({ id, seenM2: seen / 1e6, m2: all / 1e6 })),
  }
}

const nothingSeen = { seen: 0, alone: 0, m2: 0, near: Infinity, behind: new Map<string, number>() }

/** What a slice meets of a solid, from so near to so far. What lies flat hides only the floor, so it comes after all that stands. */
type InSlice = { readonly solid: Body; readonly near: number; readonly far: number; readonly isFlat: boolean }
/** A lamp on a table is before the table top that one looks down on, though the edge of the table is nearer. */
function whatStandsOnFirst(met: readonly InSlice[], eyeMm: number): readonly InSlice[] {
  const sorted: InSlice[] = []
  for (const entry of met) {
    const under = sorted.findIndex(
      ({ solid, far, isFlat }) => !isFlat && far >= entry.near && entry.solid.low >= solid.top - 5 && eyeMm > solid.top,
    )
    sorted.splice(under < 0 ? sorted.length : under, 0, entry)
  }
  return sorted
}

/** The slices begin at equal angles, and wherever a corner of something lies: within a slice nothing begins or ends. */
function edgesOf(setting: Setting, solids: readonly Solid[], eye: Point, slices: number): number[] {
  const whole = 2 * Math.PI
  const angleTo = ({ x, y }: Point): number => (Math.atan2(y - eye.y, x - eye.x) + whole) % whole
  return [
    ...Array.from({ length: slices }, (_, at) => (whole * at) / slices),
    ...solids.flatMap(({ outline }) => (outline.length > manyCorners ? edgesSeen(eye, outline) : outline).map(angleTo)),
    ...setting.outline.map(angleTo),
  ].toSorted((left, right) => left - right)
}

/** Of what is round its two outermost corners are enough: the others lie within it. */
const manyCorners = 8
function edgesSeen(eye: Point, outline: Outline): Point[] {
  const [first] = outline
  if (!first) return []
  const start = Math.atan2(first.y - eye.y, first.x - eye.x)
  const off = ({ x, y }: Point): number => {
    const angle = Math.atan2(y - eye.y, x - eye.x) - start
    return Math.atan2(Math.sin(angle), Math.cos(angle))
  }
  const sorted = outline.toSorted((left, right) => off(left) - off(right))
  return [sorted[0] ?? first, sorted.at(-1) ?? first]
}

/** Whether a ray at an angle can meet an outline at all: most things lie elsewhere, and are passed over at once. */
function spanFrom(eye: Point, outline: Outline): (angle: number) => boolean {
  const angles = outline.map(({ x, y }) => Math.atan2(y - eye.y, x - eye.x))
  const [first = 0] = angles
  const off = angles.map((angle) => Math.atan2(Math.sin(angle - first), Math.cos(angle - first)))
  const [low, high] = [Math.min(...off), Math.max(...off)]
  // about the eye, or close by it: no telling
  if (high - low >= Math.PI * 0.9) return () => true
  const [middle, half] = [first + (low + high) / 2, (high - low) / 2 + 1e-6]
  return (angle) => Math.cos(angle - middle) >= Math.cos(half)
}

type Met = { readonly id: string; readonly far: number; readonly slant: number }
/** The wall that ends a slice, and how much longer than its slice it is seen: it is met at a slant. */
function nearestWall({ walls }: Setting, eye: Point, way: Point): Met | null {
  let best: Met | null = null
  for (const { segment, wall } of walls) {
    const [far] = hits(eye, way, [...segment])
    if (far === undefined || (best && far >= best.far)) continue
    const [start, end] = segment
    const lengthMm = Math.hypot(end.x - start.x, end.y - start.y)
    const across = Math.abs((way.x * (end.y - start.y) - way.y * (end.x - start.x)) / Math.max(1e-9, lengthMm))
    best = { id: wall.row.id, far, slant: 1 / Math.max(0.02, across) }
  }
  return best
}

function seeSurfaces(
  surfaces: ReadonlyMap<string, { seen: number; all: number }>,
  open: readonly Span[],
  { id, far, slant }: Met,
  heightMm: number,
  eyeMm: number,
  step: number,
): void {
  const face: Span = { low: -eyeMm / far, high: (heightMm - eyeMm) / far }
  const wall = surfaces.get(id)
  const wide = far * step * slant
  if (wall) {
    wall.seen += long(common(open, face)) * far * wide
    wall.all += heightMm * wide
  }
  // below the foot of the wall lies the floor, above its top the ceiling: a slope tells how far off
  const ring = (near: number, end: number): number => ((end * end - near * near) / 2) * step
  const flat = (name: string, isBelow: boolean, drop: number): void => {
    const entry = surfaces.get(name)
    if (!entry || drop <= 0) return
    entry.all += ring(0, far)
    for (const { low, high } of common(open, isBelow ? { low: -1e4, high: face.low } : { low: face.high, high: 1e4 })) {
      const [near, end] = isBelow ? [drop / -low, drop / -high] : [drop / high, drop / low]
      entry.seen += ring(Math.min(near, far), Math.min(end, far))
    }
  }
  flat('floor', true, eyeMm)
  flat('ceiling', false, heightMm - eyeMm)
}

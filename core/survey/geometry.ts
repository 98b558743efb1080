/** Plane geometry of rooms: polygons as lists of corners without the first repeated, in mm. */
import type { Point } from './point.ts'

export type Outline = readonly Point[]
/** Each corner with the one after it, round and round. */
export const sides = (outline: Outline): (readonly [Point, Point])[] =>
  outline.map((point, at) => [point, outline[(at + 1) % outline.length] ?? point])

/** Area by the shoelace formula, positive where the corners run counterclockwise. In the square of the unit. */
export const signedArea = (outline: Outline): number =>
  sides(outline).reduce((sum, [left, right]) => sum + (left.x * right.y - right.x * left.y), 0) / 2
export const areaOf = (outline: Outline): number => Math.abs(signedArea(outline))

/** A linear function of the place: value at the origin, and slopes. */
export type Plane = { readonly c: number; readonly x: number; readonly y: number }
export const heightOn = (plane: Plane, { x, y }: Point): number => plane.c + plane.x * x + plane.y * y

/** The part of an outline where a linear function is zero or more (Sutherland and Hodgman); its area is exact for any simple outline. */
export function clip(outline: Outline, plane: Plane): Point[] {
  return sides(outline).flatMap(([left, right]) => {
    const [start, to] = [heightOn(plane, left), heightOn(plane, right)]
    const kept = start >= 0 ? [left] : []
    if (start >= 0 === to >= 0) return kept
    const share = start / (start - to)
    return [...kept, { x: left.x + share * (right.x - left.x), y: left.y + share * (right.y - left.y) }]
  })
}

/** The integral of a linear function over an outline: a volume under a plane. */
export function integral(outline: Outline, plane: Plane): number {
  const [first, ...rest] = outline
  if (!first) return 0
  const total = rest.slice(1).reduce((sum, two, at) => {
    const point = rest[at] ?? first
    const twice = (point.x - first.x) * (two.y - first.y) - (two.x - first.x) * (point.y - first.y)
    return sum + (twice / 2) * ((heightOn(plane, first) + heightOn(plane, point) + heightOn(plane, two)) / 3)
  }, 0)
  return total * Math.sign(signedArea(outline))
}

const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
/** Do two segments cross or touch? */
export function cross([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]): boolean {
  const [value, two, three, four] = [turn(a, b, c), turn(a, b, d), turn(c, d, a), turn(c, d, b)]
  if (((value > 0 && two < 0) || (value < 0 && two > 0)) && ((three > 0 && four < 0) || (three < 0 && four > 0)))
    return true
  const on = (side: number, p: Point, q: Point, r: Point): boolean =>
    side === 0 &&
    Math.min(p.x, q.x) <= r.x &&
    r.x <= Math.max(p.x, q.x) &&
    Math.min(p.y, q.y) <= r.y &&
    r.y <= Math.max(p.y, q.y)
  return on(value, a, b, c) || on(two, a, b, d) || on(three, c, d, a) || on(four, c, d, b)
}
/** The first two sides that cross, by their places; null in a simple outline. */
export function crossing(outline: Outline): readonly [number, number] | null {
  const all = sides(outline)
  for (const [at, entry] of all.entries())
    for (let value = at + 2; value < all.length; value++) {
      const side = all[value]
      if (side && !(at === 0 && value === all.length - 1) && cross(entry, side)) return [at, value]
    }
  return null
}

/** Is a point inside (even-odd)? */
export const inside = ({ x, y }: Point, outline: Outline): boolean =>
  sides(outline).filter(
    ([left, right]) =>
      left.y > y !== right.y > y && x < ((right.x - left.x) * (y - left.y)) / (right.y - left.y) + left.x,
  ).length %
    2 ===
  1

/** Can one corner of an outline be seen from another: does the straight line between them stay inside? */
export function seen(outline: Outline, start: number, to: number): boolean {
  const [a, b] = [outline[start], outline[to]]
  if (!a || !b) return false
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }
  return (
    inside(middle, outline) &&
    sides(outline).every(
      (side, at) =>
        [at, (at + 1) % outline.length].some((corner) => corner === start || corner === to) || !cross([a, b], side),
    )
  )
}

/** An outline moved outwards by a distance (inwards where it is negative), corners mitred. Crossings that arise are not cleaned. */
export function offset(outline: Outline, by: number): Point[] {
  const away = signedArea(outline) > 0 ? by : -by
  return outline.map((at, index) => {
    const before = outline[(index + outline.length - 1) % outline.length] ?? at
    const after = outline[(index + 1) % outline.length] ?? at
    const [point, two] = [direction(before, at), direction(at, after)]
    // both lines moved along their outward normals (dy, -dx) meet at the point plus m
    const [mx, my] = [point.y + two.y, -(point.x + two.x)]
    const length = 1 + point.x * two.x + point.y * two.y
    return length < 1e-6
      ? { x: at.x + away * point.y, y: at.y - away * point.x }
      : { x: at.x + (away * mx) / length, y: at.y + (away * my) / length }
  })
}
export function direction(start: Point, to: Point): Point {
  const length = Math.max(Math.hypot(to.x - start.x, to.y - start.y), 1e-12)
  return { x: (to.x - start.x) / length, y: (to.y - start.y) / length }
}

/** How far a place is to the right of the line from one point to another: off a wall, into the room. */
export function offLine(start: Point, to: Point): Plane {
  const way = direction(start, to)
  return { c: way.x * start.y - way.y * start.x, x: way.y, y: -way.x }
}

/** The part of an outline inside a convex one. */
export const clipBy = (outline: Outline, convex: Outline): Outline => {
  const sign = signedArea(convex) > 0 ? -1 : 1
  return sides(convex).reduce<Outline>((part, [start, to]) => {
    const { c, x, y } = offLine(start, to)
    return clip(part, { c: sign * c, x: sign * x, y: sign * y })
  }, outline)
}

/** An arc over a straight line: how far it rises, its radius, the angle it spans, its length, and the area between. All in mm. */
export type Arc = {
  readonly rise: number
  readonly radius: number
  readonly spans: number
  readonly length: number
  readonly area: number
}
export function arcOver(chord: number, rise: number): Arc {
  const radius = (chord * chord) / (8 * rise) + rise / 2
  const spans = 4 * Math.atan((2 * rise) / chord)
  return { rise, radius, spans, length: radius * spans, area: ((spans - Math.sin(spans)) * radius * radius) / 2 }
}
/** The rise of the smaller arc of a radius over a chord; null where the radius cannot span it. */
export const riseOf = (chord: number, radius: number): number | null =>
  radius < chord / 2 ? null : radius - Math.sqrt(radius * radius - (chord * chord) / 4)

/** Points along an arc that bulges to the left of from → to (to the right where the rise is negative), ends included. */
export function alongArc(start: Point, to: Point, rise: number, pieces: number): Point[] {
  const chord = Math.hypot(to.x - start.x, to.y - start.y)
  const { radius, spans } = arcOver(chord, Math.abs(rise))
  const along = direction(start, to)
  const left = { x: -along.y * Math.sign(rise), y: along.x * Math.sign(rise) }
  return Array.from({ length: pieces + 1 }, (_, at) => {
    const angle = spans * (at / pieces - 0.5)
    const [u, v] = [chord / 2 + radius * Math.sin(angle), radius * Math.cos(angle) - (radius - Math.abs(rise))]
    return { x: start.x + along.x * u + left.x * v, y: start.y + along.y * u + left.y * v }
  })
}

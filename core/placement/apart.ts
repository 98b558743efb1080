/** How far outlines are apart, and how deep they overlap. Lengths in mm; convex parts where it says so. */
import type { Point } from '../survey/index.ts'
import type { Outline } from './shapes.ts'

export type Gap = { readonly mm: number; readonly from: Point; readonly to: Point }
type Segment = readonly [Point, Point]

export const segmentsOf = (outline: Outline): Segment[] =>
  outline.map((point, at) => [point, outline[(at + 1) % outline.length] ?? point])

/** The place on a segment that is nearest to a point. */
export function nearestOn({ x, y }: Point, [start, end]: Segment): Point {
  const [dx, dy] = [end.x - start.x, end.y - start.y]
  const long = dx * dx + dy * dy
  const share = long === 0 ? 0 : Math.min(1, Math.max(0, ((x - start.x) * dx + (y - start.y) * dy) / long))
  return { x: start.x + share * dx, y: start.y + share * dy }
}
const distance = (left: Point, right: Point): number => Math.hypot(right.x - left.x, right.y - left.y)

/** The least way between two sets of segments that do not cross: from a corner of one to a place on the other. */
export function gapBetween(left: readonly Segment[], right: readonly Segment[]): Gap {
  let best: Gap = { mm: Infinity, from: { x: 0, y: 0 }, to: { x: 0, y: 0 } }
  const hold = (start: Point, to: Point): void => {
    const mm = distance(start, to)
    if (mm < best.mm) best = { mm, from: start, to }
  }
  for (const part of left)
    for (const against of right) {
      for (const corner of part) hold(corner, nearestOn(corner, against))
      for (const corner of against) hold(nearestOn(corner, part), corner)
    }
  return best
}

/**
 * How far one of two convex outlines must move to leave the other, and which way: separating axes over the sides of both. Null where
 * they lie apart or only touch.
 */
export function depthOf(left: Outline, right: Outline): { readonly mm: number; readonly way: Point } | null {
  let [least, way]: [number, Point] = [Infinity, { x: 0, y: 0 }]
  for (const outline of [left, right])
    for (const [start, end] of segmentsOf(outline)) {
      const long = distance(start, end)
      if (long < 1e-9) continue
      const axis = { x: (end.y - start.y) / long, y: (start.x - end.x) / long }
      const [a, b] = [spanOn(left, axis), spanOn(right, axis)]
      const [ahead, back] = [b.high - a.low, a.high - b.low]
      const depth = Math.min(ahead, back)
      if (depth <= touch) return null
      if (depth < least) [least, way] = [depth, ahead < back ? axis : { x: -axis.x, y: -axis.y }]
    }
  return Number.isFinite(least) ? { mm: least, way } : null
}
/** What only touches does not overlap, in mm. */
const touch = 0.5

function spanOn(outline: Outline, axis: Point): { low: number; high: number } {
  let [low, high] = [Infinity, -Infinity]
  for (const { x, y } of outline) {
    const at = x * axis.x + y * axis.y
    if (at < low) low = at
    if (at > high) high = at
  }
  return { low, high }
}

/** The deepest overlap of two things in convex parts; null where there is none. */
export function overlapOf(
  left: readonly Outline[],
  right: readonly Outline[],
): { readonly mm: number; readonly way: Point } | null {
  let deepest: { readonly mm: number; readonly way: Point } | null = null
  for (const part of left)
    for (const against of right) {
      const found = depthOf(part, against)
      if (found && (!deepest || found.mm > deepest.mm)) deepest = found
    }
  return deepest
}

/** Is a point inside an outline, its sides included? */
export function insideOf(point: Point, outline: Outline): boolean {
  let isInside = false
  for (const segment of segmentsOf(outline)) {
    const [start, end] = segment
    const near = nearestOn(point, segment)
    if (Math.hypot(near.x - point.x, near.y - point.y) < 1e-6) return true
    if (
      start.y > point.y !== end.y > point.y &&
      point.x < ((end.x - start.x) * (point.y - start.y)) / (end.y - start.y) + start.x
    )
      isInside = !isInside
  }
  return isInside
}

/** Does an outline cross itself? Sides that share a corner only meet there. */
export function crossingOf(outline: Outline): boolean {
  const all = segmentsOf(outline)
  const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
  return all.some(([a, b], at) =>
    all.some(([c, d], index) => {
      const apart = Math.abs(index - at)
      if (apart <= 1 || apart === all.length - 1) return false
      return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0
    }),
  )
}

/** The ceiling over a floor: level, of another height at each corner, or coming down in slopes towards walls. */
import earcut from 'earcut'
import type { Row } from '../makeover/kinds.ts'
import type { Point } from './point.ts'
import { areaOf, clip, heightOn, integral, offLine, type Plane } from './geometry.ts'
import type { Wall } from './room.ts'

/** A flat part of the ceiling over a part of the floor. */
export type CeilingPart = { readonly over: readonly Point[]; readonly plane: Plane }
export type Ceiling = {
  readonly parts: readonly CeilingPart[]
  readonly areaMm2: number
  readonly volumeMm3: number
  readonly lowestMm: number
  readonly highestMm: number
  readonly topMm: number
  readonly slopes: readonly Slope[]
}
/** Its height, and how far in front of its wall a place is: behind that wall, as in the other leg of an L, a slope says nothing. */
type Slope = { readonly plane: Plane; readonly front: Plane }

/**
 * The ceiling of a room, in mm: the lowest of its level (or of the surface through the heights of its corners, in
 * triangles) and its slopes. Null while no height is known.
 */
export function ceilingOver(
  outline: readonly Point[],
  walls: readonly Wall[],
  slopes: readonly Row<'slope'>[],
  levelMm: number | null,
): Ceiling | null {
  const byCorner = walls.some((wall) => wall.row.heightMm !== null)
  const heights = walls.map((wall) => wall.row.heightMm ?? levelMm)
  if (heights.some((height) => height === null)) return null
  const top = Math.max(...heights.map((height) => height ?? 0))
  const sloping = slopes.flatMap((slope): Slope[] => {
    const wall = walls.find((wall) => wall.row.id === slope.wallId)
    if (!wall || slope.runMm <= 0) return []
    const front = offLine(wall.from, wall.to)
    const rise = (top - slope.lowMm) / slope.runMm
    return [{ plane: { c: slope.lowMm + rise * front.c, x: rise * front.x, y: rise * front.y }, front }]
  })
  const bases: readonly CeilingPart[] = byCorner
    ? triangles(
        outline,
        walls,
        heights.map((height) => height ?? 0),
      )
    : [{ over: outline, plane: { c: top, x: 0, y: 0 } }]
  const parts = bases
    .flatMap((base) => sloping.reduce(parted, [{ over: base.over, planes: [base.plane] }]))
    .flatMap(({ over, planes: all }) => {
      const planes = distinct(all)
      return planes.flatMap((plane, at): CeilingPart[] => {
        let part: Point[] = [...over]
        for (const [place, otherPlane] of planes.entries())
          if (place !== at)
            part = clip(part, { c: otherPlane.c - plane.c, x: otherPlane.x - plane.x, y: otherPlane.y - plane.y })
        return part.length > 2 && areaOf(part) > 1 ? [{ over: part, plane: plane }] : []
      })
    })
  const corners = parts.flatMap(({ over, plane }) => over.map((point) => heightOn(plane, point)))
  return {
    parts,
    areaMm2: parts.reduce((sum, { over, plane }) => sum + areaOf(over) * Math.hypot(1, plane.x, plane.y), 0),
    volumeMm3: parts.reduce((sum, { over, plane }) => sum + integral(over, plane), 0),
    lowestMm: Math.min(...corners),
    highestMm: Math.max(...corners),
    topMm: top,
    slopes: sloping,
  }
}

/** A part of the floor, and the planes that may be the ceiling over it. */
type Region = { readonly over: readonly Point[]; readonly planes: readonly Plane[] }
/** What lies in front of a slope’s wall has it as a ceiling too, what lies behind has not. */
const parted = (regions: readonly Region[], { plane, front }: Slope): Region[] =>
  regions
    .flatMap(({ over, planes }) => [
      { over: clip(over, front), planes: [...planes, plane] },
      { over: clip(over, { c: -front.c, x: -front.x, y: -front.y }), planes },
    ])
    .filter(({ over }) => over.length > 2 && areaOf(over) > 1)

/** A slope noted twice, or one that does not come down, is no ceiling of its own. */
const distinct = (planes: readonly Plane[]): Plane[] =>
  planes.filter(
    (plane, at) =>
      !planes
        .slice(0, at)
        .some(
          (otherPlane) =>
            Math.abs(plane.c - otherPlane.c) < 1e-6 &&
            Math.abs(plane.x - otherPlane.x) < 1e-9 &&
            Math.abs(plane.y - otherPlane.y) < 1e-9,
        ),
  )

/**
 * The ceiling’s height along a stretch between two places on a wall, as a broken line over 0 to 1; where the stretch
 * passes behind the wall of a slope it steps. The heights at both ends are those of its corners, where corners differ.
 */
export function ceilingAlong(
  { topMm, slopes }: Ceiling,
  start: Point,
  to: Point,
  fromMm: number | null,
  toMm: number | null,
): { readonly share: number; readonly z: number }[] {
  const grace = 1 // mm: a wall lies on its own line
  const along = (plane: Plane, share: number): number =>
    heightOn(plane, start) + share * (heightOn(plane, to) - heightOn(plane, start))
  const crossed = slopes.flatMap(({ front }) => {
    const [a, b] = [along(front, 0), along(front, 1)]
    return Math.min(a, b) < -grace && Math.max(a, b) > grace ? [a / (a - b)] : []
  })
  const cuts = [0, ...crossed.toSorted((left, right) => left - right), 1]
  return cuts.slice(1).flatMap((until, at) => {
    const since = cuts[at] ?? 0
    const level = (share: number): number => (fromMm ?? topMm) + share * ((toMm ?? topMm) - (fromMm ?? topMm))
    const here = slopes.filter(({ front }) => along(front, (since + until) / 2) > -grace).map(({ plane }) => plane)
    const line = lowest([
      [level(since), level(until)],
      ...here.map((plane): [number, number] => [along(plane, since), along(plane, until)]),
    ])
    return line.map(({ share, z }) => ({ share: since + (until - since) * share, z }))
  })
}

/** The lowest of several straight lines, each given at both ends, as a broken line over 0 to 1. */
function lowest(lines: readonly (readonly [number, number])[]): { share: number; z: number }[] {
  const breaks = new Set([0, 1])
  for (const [at, [a, b]] of lines.entries())
    for (const [c, d] of lines.slice(at + 1)) {
      const share = (a - c) / (a - c - (b - d))
      if (share > 1e-9 && share < 1 - 1e-9) breaks.add(share)
    }
  const found = [...breaks]
    .toSorted((left, right) => left - right)
    .map((share) => ({ share, z: Math.min(...lines.map(([a, b]) => a + share * (b - a))) }))
  // a break on a straight stretch says nothing
  return found.filter((entry, at) => {
    const [before, after] = [found[at - 1], found[at + 1]]
    return (
      !before ||
      !after ||
      Math.abs(
        before.z + ((after.z - before.z) * (entry.share - before.share)) / (after.share - before.share) - entry.z,
      ) > 1e-6
    )
  })
}

/** The surface through the corners’ heights. Points of an arc lie between those of its ends. */
function triangles(outline: readonly Point[], walls: readonly Wall[], heights: readonly number[]): CeilingPart[] {
  const z = walls.flatMap((wall, at) => {
    const [start, to] = [heights[at] ?? 0, heights[(at + 1) % heights.length] ?? 0]
    const pieces = wall.points.length - 1
    return wall.points.slice(0, -1).map((_, piece) => start + ((to - start) * piece) / pieces)
  })
  const indexes = earcut(outline.flatMap(({ x, y }) => [x, y]))
  const parts: CeilingPart[] = []
  for (let at = 0; at < indexes.length; at += 3) {
    const [i, j, k] = [indexes[at] ?? 0, indexes[at + 1] ?? 0, indexes[at + 2] ?? 0]
    const [a, b, c] = [outline[i], outline[j], outline[k]]
    if (!a || !b || !c) continue
    const bottom = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)
    if (bottom === 0) continue
    const [zb, zc] = [(z[j] ?? 0) - (z[i] ?? 0), (z[k] ?? 0) - (z[i] ?? 0)]
    const [x, y] = [(zb * (c.y - a.y) - zc * (b.y - a.y)) / bottom, (zc * (b.x - a.x) - zb * (c.x - a.x)) / bottom]
    parts.push({ over: [a, b, c], plane: { c: (z[i] ?? 0) - x * a.x - y * a.y, x, y } })
  }
  return parts
}

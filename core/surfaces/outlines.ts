/** A flat region that is covered: disjoint parts, each an outline. Lengths in mm, areas in mm². */
import { areaOf, clipBy, type Point } from '../survey/index.ts'

export type Part = readonly Point[]
export type Box = { readonly left: number; readonly right: number; readonly low: number; readonly high: number }

export function boxOf(points: readonly Point[]): Box {
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const { x, y } of points) {
    if (x < left) left = x
    if (x > right) right = x
    if (y < low) low = y
    if (y > high) high = y
  }
  return { left, right, low, high }
}
export const boxOfAll = (parts: readonly Part[]): Box => boxOf(parts.flat())
export const areaOfAll = (parts: readonly Part[]): number => parts.reduce((sum, part) => sum + areaOf(part), 0)

export const rectangle = (x: number, y: number, width: number, height: number): Point[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
]

const ovalCorners = 64
/** What is round within a box. */
export const oval = (x: number, y: number, width: number, height: number): Point[] =>
  Array.from({ length: ovalCorners }, (_, at) => {
    const angle = (2 * Math.PI * at) / ovalCorners
    return { x: x + (width / 2) * (1 + Math.cos(angle)), y: y + (height / 2) * (1 + Math.sin(angle)) }
  })

const apart = (left: Box, right: Box): boolean =>
  left.right <= right.left || right.right <= left.left || left.high <= right.low || right.high <= left.low

/** A part with its box; `plain` where it is its box, as most walls and floors are. */
export type Boxed = { readonly part: Part; readonly box: Box; readonly plain: boolean }
export const boxed = (part: Part): Boxed => {
  const box = boxOf(part)
  const whole = (box.right - box.left) * (box.high - box.low)
  return { part, box, plain: Math.abs(areaOf(part) - whole) < 1e-6 * whole }
}

/**
 * What of a convex outline lies in the region: its area, and the points of what lies there; null for nothing. `upright`: the outline is
 * its box.
 */
export function within(
  parts: readonly Boxed[],
  convex: Part,
  upright: boolean,
): { readonly area: number; readonly points: readonly Point[] } | null {
  const box = boxOf(convex)
  let area = 0
  const points: Point[] = []
  for (const { part, box: partBox, plain } of parts) {
    if (apart(box, partBox)) continue
    if (upright && plain) {
      const [left, right] = [Math.max(box.left, partBox.left), Math.min(box.right, partBox.right)]
      const [low, high] = [Math.max(box.low, partBox.low), Math.min(box.high, partBox.high)]
      area += (right - left) * (high - low)
      points.push({ x: left, y: low }, { x: right, y: high })
      continue
    }
    const shared = clipBy(part, convex)
    const here = shared.length > 2 ? areaOf(shared) : 0
    if (here <= 1e-3) continue
    area += here
    points.push(...shared)
  }
  return area > 1 ? { area, points } : null
}

/**
 * Where a strip across the region runs: the stretches along x on which something of it lies between two heights, in order.
 */
export function stretches(
  parts: readonly Part[],
  low: number,
  high: number,
): { readonly from: number; readonly to: number }[] {
  const found = parts.flatMap((part) => {
    const levels = [
      low,
      ...[...new Set(part.map(({ y }) => y).filter((y) => y > low && y < high))].toSorted((a, b) => a - b),
      high,
    ]
    return levels.slice(0, -1).flatMap((bottom, at) => {
      const top = levels[at + 1] ?? high
      const middle = (bottom + top) / 2
      const crossings = part
        .flatMap((start, index) => {
          const end = part[(index + 1) % part.length] ?? start
          const [under, over] = start.y < end.y ? [start, end] : [end, start]
          if (!(under.y <= middle && over.y > middle)) return []
          const at = (y: number): number =>
            under.x + ((over.x - under.x) * (Math.min(over.y, Math.max(under.y, y)) - under.y)) / (over.y - under.y)
          return [{ middle: at(middle), least: Math.min(at(bottom), at(top)), most: Math.max(at(bottom), at(top)) }]
        })
        .toSorted((left, right) => left.middle - right.middle)
      return crossings.flatMap((crossing, index) => {
        const next = crossings[index + 1]
        return index % 2 === 0 && next ? [{ from: crossing.least, to: next.most }] : []
      })
    })
  })
  return found
    .toSorted((left, right) => left.from - right.from)
    .reduce<{ from: number; to: number }[]>((runs, run) => {
      const last = runs.at(-1)
      if (last && run.from <= last.to + 1e-6)
        return [...runs.slice(0, -1), { from: last.from, to: Math.max(last.to, run.to) }]
      return [...runs, run]
    }, [])
}

/** The region seen from its side: x and y change places. */
export const turned = (parts: readonly Part[]): Point[][] =>
  parts.map((part) => part.map(({ x, y }) => ({ x: y, y: x })).toReversed())

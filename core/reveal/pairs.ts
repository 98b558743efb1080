/**
 * The later picture of a pair laid over the earlier one: where its four corners come, as shares of the earlier, and the projective map that
 * brings them there. Moved, scaled and turned by hand, or by four points that are the same in both (Heckbert, Fundamentals of Texture
 * Mapping, 1989: a square to a quadrilateral).
 */
import type { Row } from '../makeover/kinds.ts'

export type Point = readonly [x: number, y: number]
/** Upper left, upper right, lower right, lower left. */
export type Corners = readonly [Point, Point, Point, Point]
/** Row by row; the last is 1. */
export type Projective = readonly [number, number, number, number, number, number, number, number, number]

export const square: Corners = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
]
type Kept = Pick<Row<'view'>, 'x0' | 'y0' | 'x1' | 'y1' | 'x2' | 'y2' | 'x3' | 'y3'>
export const cornersOf = ({ x0, y0, x1, y1, x2, y2, x3, y3 }: Kept): Corners => [
  [x0 ?? 0, y0 ?? 0],
  [x1 ?? 1, y1 ?? 0],
  [x2 ?? 1, y2 ?? 1],
  [x3 ?? 0, y3 ?? 1],
]
export const keptCorners = ([a, b, c, d]: Corners): Kept => ({
  x0: a[0],
  y0: a[1],
  x1: b[0],
  y1: b[1],
  x2: c[0],
  y2: c[1],
  x3: d[0],
  y3: d[1],
})

const eachCorner = (corners: Corners, move: (point: Point) => Point): Corners => {
  const [a, b, c, d] = corners
  return [move(a), move(b), move(c), move(d)]
}
const middle = (corners: Corners): Point => [
  corners.reduce((sum, [x]) => sum + x, 0) / 4,
  corners.reduce((sum, [, y]) => sum + y, 0) / 4,
]
export const shifted = (corners: Corners, dx: number, dy: number): Corners =>
  eachCorner(corners, ([x, y]) => [x + dx, y + dy])
export function scaled(corners: Corners, by: number): Corners {
  const [mx, my] = middle(corners)
  return eachCorner(corners, ([x, y]) => [mx + (x - mx) * by, my + (y - my) * by])
}
/** By degrees, clockwise as seen; `aspect`: how many times as wide as high the earlier picture is. */
export function turned(corners: Corners, degrees: number, aspect: number): Corners {
  const [mx, my] = middle(corners)
  const angle = (degrees * Math.PI) / 180
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  return eachCorner(corners, ([x, y]) => {
    const [u, v] = [(x - mx) * aspect, y - my]
    return [mx + (u * cos - v * sin) / aspect, my + u * sin + v * cos]
  })
}

/** The map of the unit square to four corners; null where three of them lie on one line, or they cross. */
export function squareTo([p0, p1, p2, p3]: Corners): Projective | null {
  const [sx, sy] = [p0[0] - p1[0] + p2[0] - p3[0], p0[1] - p1[1] + p2[1] - p3[1]]
  const [dx1, dy1, dx2, dy2] = [p1[0] - p2[0], p1[1] - p2[1], p3[0] - p2[0], p3[1] - p2[1]]
  const det = dx1 * dy2 - dx2 * dy1
  if (Math.abs(det) < 1e-12) return null
  const g = (sx * dy2 - dx2 * sy) / det
  const h = (dx1 * sy - sx * dy1) / det
  return [
    p1[0] - p0[0] + g * p1[0],
    p3[0] - p0[0] + h * p3[0],
    p0[0],
    p1[1] - p0[1] + g * p1[1],
    p3[1] - p0[1] + h * p3[1],
    p0[1],
    g,
    h,
    1,
  ]
}
const product = (a: Projective, b: Projective): Projective => {
  const at = (row: number, column: number): number =>
    [0, 1, 2].reduce((sum, step) => sum + (a[3 * row + step] as number) * (b[3 * step + column] as number), 0)
  return [at(0, 0), at(0, 1), at(0, 2), at(1, 0), at(1, 1), at(1, 2), at(2, 0), at(2, 1), at(2, 2)]
}
/** By its adjugate: the scale of a projective map is of no account. */
const inverse = ([a, b, c, d, e, f, g, h, i]: Projective): Projective => [
  e * i - f * h,
  c * h - b * i,
  b * f - c * e,
  f * g - d * i,
  a * i - c * g,
  c * d - a * f,
  d * h - e * g,
  b * g - a * h,
  a * e - b * d,
]
export function mapped([a, b, c, d, e, f, g, h, i]: Projective, [x, y]: Point): Point {
  const w = g * x + h * y + i
  return [(a * x + b * y + c) / w, (d * x + e * y + f) / w]
}

/** Where the corners of the later picture come when four points of it lie on four of the earlier; null where the points give no map. */
export function cornersBy(later: Corners, earlier: Corners): Corners | null {
  const [own, wanted] = [squareTo(later), squareTo(earlier)]
  if (!own || !wanted) return null
  const map = product(wanted, inverse(own))
  const corners = eachCorner(square, (point) => mapped(map, point))
  return corners.flat().every((value) => Number.isFinite(value) && Math.abs(value) < 3) ? corners : null
}

/** As CSS has it, for a picture laid out at this size in pixels, about its upper left corner. */
export function cssMatrix(corners: Corners, width: number, height: number): string {
  const map = squareTo(corners)
  if (!map || width <= 0 || height <= 0) return 'none'
  const [a, b, c, d, e, f, g, h] = map
  const [sx, sy] = [width, height]
  const columns = [a, (d * sy) / sx, 0, g / sx, (b * sx) / sy, e, 0, h / sy, 0, 0, 1, 0, c * sx, f * sy, 0, 1]
  return `matrix3d(${columns.map((value) => String(Math.round(value * 1e9) / 1e9)).join(', ')})`
}

/**
 * The light that falls straight from lamps on a small surface, in lux: intensity times the cosine over the square of the distance, less
 * what stands between. A panel is summed over its parts. Lengths in mm.
 */
import type { Body } from '../bodies.ts'
import type { Outline } from '../shapes.ts'
import type { Point } from '../../survey/index.ts'
import type { Lamp } from './lamps.ts'
import { candelaPerLumen } from './spread.ts'

/** A small surface: where it is, and the direction it looks in, of length 1. */
export type Facet = { readonly x: number; readonly y: number; readonly z: number } & {
  readonly nx: number
  readonly ny: number
  readonly nz: number
}
export const facingUp = (x: number, y: number, z: number): Facet => ({ x, y, z, nx: 0, ny: 0, nz: 1 })

/** What stops light: solids made ready for rays, and the walls of a room that bends inwards. */
export type Shade = {
  readonly solids: readonly Solid[]
  readonly walls: readonly (readonly [Point, Point])[]
}
type Solid = {
  readonly id: string
  readonly low: number
  readonly top: number
  readonly x: number
  readonly y: number
  readonly radius: number
  /** Convex, counterclockwise: x and y by turns. */
  readonly parts: readonly Float64Array[]
}
/** Lamps, leaves and what lies flat stop no light. */
const passes: ReadonlySet<string> = new Set(['light', 'plant', 'rug'])
export const shadeOf = (bodies: readonly Body[], walls: Shade['walls'] = []): Shade => ({
  walls,
  solids: bodies
    .filter(({ thing }) => !thing?.flat && !passes.has(thing?.kind ?? ''))
    .map(({ id, low, top, at, radiusMm, parts }) => ({
      id,
      low,
      top,
      x: at.xMm,
      y: at.yMm,
      radius: radiusMm,
      parts: parts.map(counterclockwise),
    })),
})
function counterclockwise(part: Outline): Float64Array {
  let area = 0
  for (const [at, point] of part.entries()) {
    const next = part[(at + 1) % part.length] ?? point
    area += point.x * next.y - next.x * point.y
  }
  const points = area >= 0 ? part : part.toReversed()
  return Float64Array.from(points.flatMap(({ x, y }) => [x, y]))
}

/** Nearer than this nobody measures, and the square of the distance runs away. */
const nearestMm = 100
/** A panel counts as a point from parts so large. */
const partMm = 150

export const directOn = (lamps: readonly Lamp[], facet: Facet, shade: Shade): number =>
  lamps.reduce((sum, lamp) => sum + directOf(lamp, facet, shade), 0)

export function directOf(lamp: Lamp, facet: Facet, shade: Shade): number {
  const isPanel = lamp.spread === 'down' && Math.max(lamp.wideMm, lamp.deepMm) > 2 * partMm
  if (!isPanel) return fromPoint(lamp, lamp.lumens, lamp.x, lamp.y, facet, shade)
  const [across, along] = [Math.ceil(lamp.wideMm / partMm), Math.ceil(lamp.deepMm / partMm)]
  const [cos, sin] = [Math.cos((lamp.turnDeg * Math.PI) / 180), Math.sin((lamp.turnDeg * Math.PI) / 180)]
  let sum = 0
  for (let row = 0; row < along; row++)
    for (let column = 0; column < across; column++) {
      const [x, y] = [((column + 0.5) / across - 0.5) * lamp.wideMm, ((row + 0.5) / along - 0.5) * lamp.deepMm]
      const share = lamp.lumens / (across * along)
      sum += fromPoint(lamp, share, lamp.x + cos * x - sin * y, lamp.y + sin * x + cos * y, facet, shade)
    }
  return sum
}

function fromPoint(lamp: Lamp, lumens: number, x: number, y: number, facet: Facet, shade: Shade): number {
  const [dx, dy, dz] = [x - facet.x, y - facet.y, lamp.z - facet.z]
  const far = Math.hypot(dx, dy, dz)
  if (far < 1e-9) return 0
  const cosine = (dx * facet.nx + dy * facet.ny + dz * facet.nz) / far
  if (cosine <= 0) return 0
  const candela = lumens * candelaPerLumen(lamp, dz / far)
  if (candela <= 0 || isShaded(lamp, x, y, facet, shade)) return 0
  const metres = Math.max(nearestMm, far) / 1000
  return (candela * cosine) / (metres * metres)
}

/** Does something stand between? What the facet is on, and what the light is in, do not count. */
function isShaded(lamp: Lamp, x: number, y: number, facet: Facet, { solids, walls }: Shade): boolean {
  const [dx, dy, dz] = [facet.x - x, facet.y - y, facet.z - lamp.z]
  for (const [start, end] of walls) if (crosses(x, y, dx, dy, start, end)) return true
  const long = dx * dx + dy * dy
  const [under, over] = [Math.min(facet.z, lamp.z), Math.max(facet.z, lamp.z)]
  for (const solid of solids) {
    const { low, top } = solid
    if (low >= over || top <= under || solid.id === lamp.id) continue
    // how near the ray comes to its middle
    const [cx, cy] = [solid.x - x, solid.y - y]
    const share = long > 0 ? Math.min(1, Math.max(0, (cx * dx + cy * dy) / long)) : 0
    const [mx, my] = [cx - share * dx, cy - share * dy]
    if (mx * mx + my * my > solid.radius * solid.radius) continue
    // the stretch of the ray that is as high as the solid
    let [begin, to] = [0, 1]
    if (Math.abs(dz) < 1e-9) {
      if (lamp.z <= low || lamp.z >= top) continue
    } else {
      const [first, second] = [(low - lamp.z) / dz, (top - lamp.z) / dz]
      begin = Math.max(begin, Math.min(first, second))
      to = Math.min(to, Math.max(first, second))
      if (begin >= to) continue
    }
    for (const part of solid.parts) {
      if (!rayMeets(part, x, y, dx, dy, begin, to)) continue
      if (facet.z > low && facet.z < top && isWithin(part, facet.x, facet.y)) continue
      if (lamp.z > low && lamp.z < top && isWithin(part, x, y)) continue
      return true
    }
  }
  return false
}

/** Does the stretch of a ray go through a convex outline? */
function rayMeets(
  part: Float64Array,
  x: number,
  y: number,
  dx: number,
  dy: number,
  begin: number,
  to: number,
): boolean {
  let [low, high] = [begin, to]
  for (let at = 0; at < part.length; at += 2) {
    const next = at + 2 < part.length ? at + 2 : 0
    const [sx = 0, sy = 0, ex = 0, ey = 0] = [part[at], part[at + 1], part[next], part[next + 1]]
    const [nx, ny] = [sy - ey, ex - sx]
    const here = (x - sx) * nx + (y - sy) * ny
    const slope = dx * nx + dy * ny
    if (Math.abs(slope) < 1e-9) {
      if (here <= 0) return false
    } else if (slope > 0) low = Math.max(low, -here / slope)
    else high = Math.min(high, -here / slope)
    if (low >= high) return false
  }
  return high - low > 1e-6
}
function isWithin(part: Float64Array, x: number, y: number): boolean {
  for (let at = 0; at < part.length; at += 2) {
    const next = at + 2 < part.length ? at + 2 : 0
    const [sx = 0, sy = 0, ex = 0, ey = 0] = [part[at], part[at + 1], part[next], part[next + 1]]
    if ((sy - ey) * (x - sx) + (ex - sx) * (y - sy) < 0) return false
  }
  return true
}

/** Does a ray cross a wall between its ends? A hair before either end it only touches. */
function crosses(x: number, y: number, dx: number, dy: number, start: Point, end: Point): boolean {
  const [ex, ey] = [end.x - start.x, end.y - start.y]
  const across = dx * ey - dy * ex
  if (Math.abs(across) < 1e-9) return false
  const along = ((start.x - x) * ey - (start.y - y) * ex) / across
  const on = ((start.x - x) * dy - (start.y - y) * dx) / across
  return along > 0.001 && along < 0.999 && on >= 0 && on <= 1
}

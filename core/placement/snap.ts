/** A thing drawn to what is near: flush to walls, in line with the middles of windows and of what stands there. Lengths in mm. */
import type { Point } from '../survey/index.ts'
import type { Body, Thing } from './bodies.ts'
import type { Setting } from './setting.ts'
import { outlineOf, stood, type Standing } from './shapes.ts'

/** A wall draws from so near, a middle from so near. */
const wallMm = 70
const middleMm = 40

const inward = ([start, end]: readonly [Point, Point]): Point => {
  const long = Math.max(1e-9, Math.hypot(end.x - start.x, end.y - start.y))
  // the room lies to the right of its walls
  return { x: (end.y - start.y) / long, y: -(end.x - start.x) / long }
}

/** How far the nearest corner of an outline is off the line of a wall, into the room; below 0 beyond it. */
export function offWall(points: readonly Point[], segment: readonly [Point, Point]): number {
  const way = inward(segment)
  return Math.min(...points.map(({ x, y }) => (x - segment[0].x) * way.x + (y - segment[0].y) * way.y))
}
const faces = (points: readonly Point[], [start, end]: readonly [Point, Point]): boolean => {
  const long = Math.max(1e-9, Math.hypot(end.x - start.x, end.y - start.y))
  const [ux, uy] = [(end.x - start.x) / long, (end.y - start.y) / long]
  const along = points.map(({ x, y }) => (x - start.x) * ux + (y - start.y) * uy)
  return Math.max(...along) > 1 && Math.min(...along) < long - 1
}

/** Where it stands once what is near has drawn it. */
export function snapped(setting: Setting, bodies: readonly Body[], thing: Thing, at: Standing): Standing {
  const own = outlineOf(thing.widthMm, thing.depthMm, thing.footprint)
  let place = at
  const held: Point[] = []
  for (const { segment } of setting.walls) {
    const points = stood(own, place)
    const off = offWall(points, segment)
    if (!faces(points, segment) || Math.abs(off) > wallMm) continue
    const way = inward(segment)
    if (held.some(({ x, y }) => Math.abs(x * way.x + y * way.y) > 0.9)) continue
    place = { ...place, xMm: place.xMm - way.x * off, yMm: place.yMm - way.y * off }
    held.push(way)
  }
  // what no wall holds may fall in with a middle
  const middles = [
    ...setting.windows.map(({ segment }) => ({
      x: (segment[0].x + segment[1].x) / 2,
      y: (segment[0].y + segment[1].y) / 2,
    })),
    ...bodies.map((body) => ({ x: body.at.xMm, y: body.at.yMm })),
  ]
  const near = (axis: 'x' | 'y', value: number): number => {
    if (held.some((way) => Math.abs(way[axis]) > 0.1)) return value
    const found = middles
      .map((middle) => middle[axis])
      .filter((middle) => Math.abs(middle - value) <= middleMm)
      .toSorted((left, right) => Math.abs(left - value) - Math.abs(right - value))[0]
    return found ?? value
  }
  return { ...place, xMm: near('x', place.xMm), yMm: near('y', place.yMm) }
}

/** Where a thing stands so far off two walls that are not along one another; null where they are. */
export function placeOffWalls(
  thing: Thing,
  turnDeg: number,
  first: { readonly segment: readonly [Point, Point]; readonly mm: number },
  second: { readonly segment: readonly [Point, Point]; readonly mm: number },
): Standing | null {
  const own = stood(outlineOf(thing.widthMm, thing.depthMm, thing.footprint), { xMm: 0, yMm: 0, turnDeg })
  const [a, b] = [inward(first.segment), inward(second.segment)]
  const wanted = ({ segment, mm }: typeof first, way: Point): number =>
    mm + segment[0].x * way.x + segment[0].y * way.y - Math.min(...own.map(({ x, y }) => x * way.x + y * way.y))
  const [near, far] = [wanted(first, a), wanted(second, b)]
  const turn = a.x * b.y - a.y * b.x
  if (Math.abs(turn) < 0.05) return null
  return { xMm: (near * b.y - far * a.y) / turn, yMm: (far * a.x - near * b.x) / turn, turnDeg }
}

/** The two walls that a thing is measured from: the nearest, and the nearest that runs across it. */
export function measuredFrom(
  setting: Setting,
  { outline }: Pick<Body, 'outline'>,
): { readonly wallId: string; readonly name: string; readonly mm: number }[] {
  const all = setting.walls
    .filter(({ segment }) => faces(outline, segment))
    .map(({ segment, wall }) => ({
      wallId: wall.row.id,
      name: wall.name,
      mm: offWall(outline, segment),
      way: inward(segment),
    }))
    // a wall that looks the other way is behind another one
    .filter(({ mm }) => mm > -50)
    .toSorted((left, right) => left.mm - right.mm)
  const [first] = all
  if (!first) return []
  const second = all.find(({ way }) => Math.abs(way.x * first.way.x + way.y * first.way.y) < 0.7)
  return [first, ...(second ? [second] : [])].map(({ wallId, name, mm }) => ({ wallId, name, mm }))
}

/** A wall as things hang on it: how high it is, and what stands before it. Along it from its first corner; lengths in mm. */
import { heightOn, type Point, type Room, type Wall } from '../../survey/index.ts'
import { isInside } from '../clearance.ts'
import type { Body } from '../bodies.ts'

/** A thing of the floor, seen from before the wall. */
export type Before = {
  readonly id: string
  readonly name: string
  readonly body: Body
  readonly left: number
  readonly right: number
  readonly top: number
  /** How far its nearest part is off the wall. */
  readonly offMm: number
}
/** What stands further off is not seen together with the wall; common practice. */
const nearMm = 700

/** Curved walls have nothing before them: nobody says where along an arc a thing stands. */
export function beforeWall(wall: Wall, bodies: readonly Body[]): Before[] {
  if (wall.arc || wall.chordMm < 1) return []
  const [ux, uy] = [(wall.to.x - wall.from.x) / wall.chordMm, (wall.to.y - wall.from.y) / wall.chordMm]
  return bodies.flatMap((body): Before[] => {
    if (body.thing?.flat || body.low > 1900) return []
    const along = body.outline.map(({ x, y }) => (x - wall.from.x) * ux + (y - wall.from.y) * uy)
    // the room lies to the right of its walls
    const off = body.outline.map(({ x, y }) => (x - wall.from.x) * uy - (y - wall.from.y) * ux)
    const [left, right, offMm] = [Math.min(...along), Math.max(...along), Math.min(...off)]
    if (offMm > nearMm || Math.max(...off) < 0 || right < 0 || left > wall.lengthMm) return []
    return [{ id: body.id, name: body.name, body, left, right, top: body.top, offMm }]
  })
}

/** The ceiling over a stretch of a wall, at its lowest; null where nobody said how high the room is. */
export function ceilingOver({ ceiling }: Room, wall: Wall, left: number, right: number): number | null {
  if (!ceiling) return null
  const at = (along: number): Point => {
    const share = wall.chordMm > 0 ? along / wall.chordMm : 0
    const [dx, dy] = [wall.to.x - wall.from.x, wall.to.y - wall.from.y]
    const long = Math.max(1e-9, wall.chordMm)
    // a hair into the room, where the ceiling lies
    return { x: wall.from.x + share * dx + (dy / long) * 2, y: wall.from.y + share * dy - (dx / long) * 2 }
  }
  const over = [left, (left + right) / 2, right].flatMap((along) => {
    const point = at(Math.min(wall.chordMm - 2, Math.max(2, along)))
    return ceiling.parts
      .filter(({ over: floor }) => isInside(floor, point.x, point.y))
      .map(({ plane }) => heightOn(plane, point))
  })
  return over.length > 0 ? Math.min(...over) : ceiling.highestMm
}

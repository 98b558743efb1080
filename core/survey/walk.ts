/** The walk round a room: what was typed of walls and corners, and where it leads when every corner is taken as told. */
import { type Point } from './point.ts'

/** A wall as it was measured: straight from corner to corner, and the angle of the corner at its end inside the room. */
export type WallMeasure = {
  readonly id: string
  readonly name: string
  readonly lengthMm: number | null
  readonly cornerDeg: number | null
  /** Nobody measured it: it is taken for square. */ readonly assumed: boolean
  /** How well its angle is known, where it was tested; else as a corner is that is taken for square. */
  readonly sigmaDeg?: number
}

/** A length between two corners, by the places of the walls that begin there. */
export type Check = { readonly id: string; readonly from: number; readonly to: number; readonly lengthMm: number }

export const radians = Math.PI / 180

export const origin: Point = { x: 0, y: 0 }

const step = (point: Point, heading: number, length: number): Point => ({
  x: point.x + length * Math.cos(heading * radians),
  y: point.y + length * Math.sin(heading * radians),
})

/** The walls walked with their left hand on them: east along the first, then clockwise. As many points as walls, and one. */
export function walk(walls: readonly WallMeasure[], lengths: readonly number[], turns: readonly number[]): Point[] {
  const points = [origin]
  let heading = 0
  for (const [at] of walls.entries()) {
    points.push(step(points.at(-1) ?? origin, heading, lengths[at] ?? 0))
    heading -= turns[at] ?? 0
  }
  return points
}

/** The first corner stays, and the first wall runs east. */
export const datum: ReadonlySet<number> = new Set([0, 1, 3])

import { type UnitSystem } from '../../measure/length.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Point } from '../point.ts'
import { type Room } from '../room.ts'
import type { Sheet } from './sheet.ts'

export type PlanOptions = {
  /** Height of the text in mm of the room: of the paper times the scale. */
  readonly text: number
  readonly units: UnitSystem
  readonly rules: Rules
  /** Rooms beside it are drawn where a shared opening joins them. */
  readonly beside?: readonly Room[]
  readonly diagonals?: boolean
  readonly fixtures?: boolean
  /** Lengths that are to be measured again. */
  readonly again?: readonly string[]
  /** What else is drawn on the floor, before lengths and names find their places. */
  readonly things?: (page: Sheet) => void
}

/** Places round a point, near ones first. */
export function around({ x, y }: Point, size: number): Point[] {
  return [
    { x, y },
    ...[1.2, 2.4, 3.6, 5].flatMap((far) =>
      Array.from({ length: 8 }, (_, at) => ({
        x: x + far * size * Math.cos((at * Math.PI) / 4),
        y: y + far * size * Math.sin((at * Math.PI) / 4),
      })),
    ),
  ]
}

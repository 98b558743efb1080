/** The flat fields that are laid piece by piece, and what several kinds of laying have in common. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { writeArea } from '../../measure/area.ts'
import { citeRule } from '../../rulebook/rulebook.ts'
import type { Point } from '../../survey/index.ts'
import { m2Of } from '../tiles.ts'
import { lengthIn, line, type At, type Reckoned } from './told.ts'
import { floorOf, liesOf, regionsOf } from './where.ts'

export type Field = {
  readonly on: string
  readonly name: string
  readonly parts: readonly (readonly Point[])[]
  readonly wallId?: string
}

/** Every flat field of a treatment: its part of each wall, and the floor. */
export function fieldsOf(at: At, finish: LaidFinish, treatmentId: string): Field[] {
  const walls = regionsOf(at, finish, treatmentId).map(({ wall, cells }): Field => ({
    on: wall.row.id,
    name: wall.name,
    parts: cells.map(({ outline }) => outline),
    wallId: wall.row.id,
  }))
  const floor = liesOf(finish, treatmentId).some(({ surface }) => surface === 'floor') ? floorOf(at, finish) : []
  return [...walls, ...(floor.length > 0 ? [{ on: 'floor', name: 'Floor', parts: floor }] : [])]
}

export const perimeterOf = (parts: readonly (readonly Point[])[]): number =>
  parts.reduce(
    (sum, part) =>
      sum +
      part.reduce((total, point, index) => {
        const next = part[(index + 1) % part.length] ?? point
        return total + Math.hypot(next.x - point.x, next.y - point.y)
      }, 0),
    0,
  )

/** Where a floor ends at a door: a threshold, and a door that opens in is looked at for what it clears. */
export function thresholds(at: At): ReturnType<typeof line>[] {
  const doors = at.room.walls.flatMap(({ openings }) =>
    openings.filter(({ row, z0 }) => row.what === 'door' && z0 < 50),
  )
  const length = lengthIn(at)
  return doors.map(({ name, row }) =>
    line(
      `Threshold, ${name}`,
      length(row.widthMm),
      row.swing === 'in'
        ? 'it opens in: look whether the leaf clears the new floor, or is undercut'
        : 'where floors meet',
    ),
  )
}

export function areaOnly(
  fields: readonly Field[],
  m2: number,
  treatment: Row<'treatment'>,
  { units, rules }: At,
  why: string,
): Reckoned {
  const withCuts = m2 * (1 + rules['tile.waste-straight'] / 100)
  return {
    ok: true,
    need: Math.max(0, withCuts - treatment.leftOver),
    unit: 'm²',
    words: `about ${writeArea(withCuts, units)}`,
    lines: [
      ...fields.map(({ name, parts, wallId }) => line(name, writeArea(m2Of(parts), units), 'as measured', wallId)),
      line('Cuts', citeRule('tile.waste-straight', rules), why),
    ],
    shapes: [],
    bars: [],
    lengths: null,
    beside: [],
    says: [],
  }
}

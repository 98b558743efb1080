/** Picture-frame panels on walls: alike in height, spaced by rule between the openings. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import type { Wall } from '../../survey/index.ts'
import { framePieces, framesOn, type MouldingPiece } from '../mouldings.ts'
import { rectangle } from '../outlines.ts'
import { holesIn } from '../regions.ts'
import type { Taken } from './runs.ts'
import { lengthIn, line, type At, type Line, type Shape } from './told.ts'
import { regionsOf } from './where.ts'

/** Frames on each part of a wall between its openings, alike in height. */
export function framed(at: At, finish: LaidFinish, treatment: Row<'treatment'>): Taken | { readonly error: string } {
  const length = lengthIn(at)
  const taken: { pieces: MouldingPiece[]; lines: Line[]; shapes: Shape[] } = { pieces: [], lines: [], shapes: [] }
  for (const { wall, cells } of regionsOf(at, finish, treatment.id)) {
    // the wall is parted where an opening cuts the whole height of the band
    const low =
      Math.min(...cells.map(({ z0 }) => z0)) +
      (Math.min(...cells.map(({ z0 }) => z0)) === 0 ? at.rules['survey.skirting-height'] : 0)
    const high = Math.max(...cells.map(({ z1 }) => z1))
    for (const stretch of clearStretches(wall, cells, low, high)) {
      const found = framesOn(
        stretch.to - stretch.from,
        low,
        high,
        { count: treatment.panels, gapMm: treatment.gapMm },
        at.rules,
      )
      if (!found.ok) {
        // a sliver of wall beside a door has no frame
        if (stretch.to - stretch.from < at.rules['panels.least'] + 2 * (treatment.gapMm ?? at.rules['panels.gap']))
          continue
        return { error: `${wall.name}: ${found.error}` }
      }
      const [first] = found.frames
      taken.pieces.push(...framePieces(wall.name, found.frames))
      taken.lines.push(
        line(
          wall.name,
          `${found.frames.length} frames`,
          `${length(first?.width ?? 0)} × ${length(first?.height ?? 0)}, ${length(found.gapMm)} between them and to the ends`,
          wall.row.id,
        ),
      )
      taken.shapes.push(
        ...found.frames.map(({ u, z, width, height }): Shape => ({
          on: wall.row.id,
          kind: 'frame',
          outline: rectangle(stretch.from + u, z, width, height),
          whole: true,
          text: '',
        })),
      )
    }
  }
  return taken
}

/** Along a wall: the stretches of a band that no opening cuts into. */
function clearStretches(
  wall: Wall,
  cells: readonly { readonly u0: number; readonly u1: number }[],
  low: number,
  high: number,
): { from: number; to: number }[] {
  const holes = holesIn(wall).filter(({ z0, z1 }) => z0 < high && z1 > low)
  const [left, right] = [Math.min(...cells.map(({ u0 }) => u0)), Math.max(...cells.map(({ u1 }) => u1))]
  const found: { from: number; to: number }[] = []
  let start = left
  for (const { u0, u1 } of holes.toSorted((a, b) => a.u0 - b.u0)) {
    if (u0 - start > 1) found.push({ from: start, to: Math.min(u0, right) })
    start = Math.max(start, u1)
  }
  if (right - start > 1) found.push({ from: start, to: right })
  return found
}

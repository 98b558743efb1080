/** Where a treatment lies, as the calculators take it: stretches of walls with their holes, flat regions, the floor. */
import type { LaidFinish, Lie } from '../../makeover/laid.ts'
import { clipBy, faceOf, type Point, type Wall } from '../../survey/index.ts'
import type { PaperWall } from '../paper.ts'
import { boxOf } from '../outlines.ts'
import { holesIn, regionsOn, wallRegions, type Region } from '../regions.ts'
import type { At } from './told.ts'

/** The treated surfaces of one treatment. */
export const liesOf = (finish: LaidFinish, treatmentId: string): Lie[] =>
  finish.lies.filter((lie) => lie.treatmentId === treatmentId)

/** Its regions on the walls, in the order of the walk. */
export function regionsOf({ makeover, room }: At, finish: LaidFinish, treatmentId: string): Region[] {
  // a moulding, and what is only thought of, lie over the rest
  const counted = makeover.rows.treatment[treatmentId]
  if (counted?.how === 'moulding' || counted?.insteadOfId !== null)
    return regionsOn(room, [finish], (lie) => lie.treatmentId === treatmentId)
  return wallRegions(makeover, room, finish.fate === 'change' ? 'old' : 'new').filter(
    ({ lie }) => lie.treatmentId === treatmentId,
  )
}

/** In words: "A, C to 900 mm; trim". */
export function whereWords(at: At, finish: LaidFinish, treatmentId: string, length: (mm: number) => string): string {
  return liesOf(finish, treatmentId)
    .map((lie) => {
      const wall = at.room.walls.find(({ row }) => row.id === lie.wallId)
      const opening = at.room.walls.flatMap(({ openings }) => openings).find(({ row }) => row.id === lie.openingId)
      const what = opening ? opening.name : wall ? wall.name : lie.surface
      const band =
        lie.bandFromMm !== null && lie.bandToMm !== null
          ? ` from ${length(lie.bandFromMm)} to ${length(lie.bandToMm)}`
          : lie.bandToMm !== null
            ? ` up to ${length(lie.bandToMm)}`
            : lie.bandFromMm !== null
              ? ` from ${length(lie.bandFromMm)}`
              : ''
      const stretch =
        lie.alongFromMm !== null || lie.alongToMm !== null
          ? `, ${length(lie.alongFromMm ?? 0)} to ${lie.alongToMm === null ? 'its end' : length(lie.alongToMm)}`
          : ''
      return `${what}${band}${stretch}`
    })
    .join('; ')
}

/** A region as paper meets it: from where it begins along its wall, its holes counted from there; `begins` is where that is. */
export type Hung = PaperWall & { readonly wall: Wall; readonly begins: number; readonly low: number }
export const hungOn = (region: Region): Hung => {
  const box = boxOf(region.cells.flatMap(({ outline }) => outline))
  const [u0, u1] = [Math.min(...region.cells.map((cell) => cell.u0)), Math.max(...region.cells.map((cell) => cell.u1))]
  // round ones are papered over and cut out
  const round = new Set(region.wall.openings.filter(({ row }) => row.round).map(({ u0, z0 }) => `${u0} ${z0}`))
  const holes = holesIn(region.wall)
    .filter(({ u0: left, z0 }) => !round.has(`${left} ${z0}`))
    .filter(({ u0: left, u1: right, z0, z1 }) => right > u0 && left < u1 && z1 > box.low && z0 < box.high)
  return {
    wall: region.wall,
    begins: u0,
    low: box.low,
    name: region.wall.name,
    lengthMm: u1 - u0,
    heightMm: box.high - box.low,
    holes: holes.map((hole) => ({
      u0: Math.max(0, hole.u0 - u0),
      u1: Math.min(u1, hole.u1) - u0,
      z0: Math.max(0, hole.z0 - box.low),
      z1: Math.min(box.high, hole.z1) - box.low,
    })),
  }
}

/** The floor a finish lies on: its zone where it has one with a place, else all of it. */
export function floorOf({ room }: At, finish: LaidFinish): readonly (readonly Point[])[] {
  if (room.outline.length === 0) return []
  const zone = room.zones.find(({ row }) => row.id === finish.zoneId)?.outline
  const floor = zone ? clipBy(room.outline, zone) : room.outline
  return floor.length > 2 ? [floor] : []
}

/** How high the walls of a room are at most, in mm. */
export const tallest = ({ room }: At): number =>
  Math.max(0, ...room.walls.flatMap((wall) => faceOf(room, wall).map(({ y }) => y)))

/** Beyond the flat field of a tile: the sides of niches, and the edges that need a trim. Lengths in mm. */
import type { LaidFinish } from '../../makeover/laid.ts'
import { faceOf, type Point } from '../../survey/index.ts'
import { rectangle } from '../outlines.ts'
import type { Region } from '../regions.ts'
import type { Field } from './fields.ts'
import type { At } from './told.ts'
import { regionsOf } from './where.ts'

const near = 1

/** The sides, the foot and the top of every niche whose back is tiled, each a field of its own. */
export function nicheSides(at: At, finish: LaidFinish, treatmentId: string): Field[] {
  return regionsOf(at, finish, treatmentId).flatMap(({ wall, cells }) =>
    wall.openings.flatMap(({ row, name, u0, u1, z0, z1 }): Field[] => {
      const [u, z] = [(u0 + u1) / 2, (z0 + z1) / 2]
      const isTiled = cells.some((cell) => cell.u0 <= u && u < cell.u1 && cell.z0 <= z && z < cell.z1)
      const deep = row.revealMm ?? 0
      if (row.what !== 'niche' || !isTiled || !(deep > 0)) return []
      const [wide, high] = [u1 - u0, z1 - z0]
      // side by side, apart from one another, so that each is cut from its own edge
      const apart = 2 * (wide + high + deep)
      const sides: Point[][] = [
        rectangle(0, 0, deep, high),
        rectangle(apart, 0, deep, high),
        rectangle(2 * apart, 0, wide, deep),
        ...(z0 > 0 ? [rectangle(3 * apart, 0, wide, deep)] : []),
      ]
      return [{ on: `inside ${row.id}`, name: `${name || 'Niche'}, its sides`, parts: sides, wallId: wall.row.id }]
    }),
  )
}

export type TrimmedEdge = { readonly what: string; readonly lengthMm: number; readonly wallId: string }
/** Edges at which a tile shows its side: where it ends below the top of a wall, at corners that jut out, round niches, at free ends. */
export function edgesToTrim(at: At, finish: LaidFinish, treatmentId: string): TrimmedEdge[] {
  return regionsOf(at, finish, treatmentId).flatMap((region) => {
    const wallId = region.wall.row.id
    const found: TrimmedEdge[] = []
    const add = (what: string, lengthMm: number): void => {
      if (lengthMm > near) found.push({ what: `${what}, ${region.wall.name}`, lengthMm, wallId })
    }
    add('top edge', topEdge(at, region))
    const high = Math.max(...region.cells.map(({ z1 }) => z1)) - Math.min(...region.cells.map(({ z0 }) => z0))
    const [left, right] = [Math.min(...region.cells.map(({ u0 }) => u0)), Math.max(...region.cells.map(({ u1 }) => u1))]
    if (left > near) add('free end', high)
    if (right < region.wall.lengthMm - near) add('free end', high)
    // the corner at its end belongs to this wall alone, so that it is trimmed once
    else if (region.wall.row.corner === 'outside') add('corner that juts out', high)
    for (const { row, u0, u1, z0, z1 } of region.wall.openings)
      if (row.what === 'niche' && u0 >= left && u1 <= right) add('round the niche', 2 * (u1 - u0 + z1 - z0))
    return found
  })
}

/** How much of the upper edge lies free: under the top of the wall, and under no opening that begins there. */
function topEdge({ room }: At, { wall, cells }: Region): number {
  const top = Math.max(0, ...faceOf(room, wall).map(({ y }) => y))
  const high = Math.max(...cells.map(({ z1 }) => z1))
  if (high > top - near) return 0
  return cells.filter(({ z1 }) => z1 > high - near).reduce((sum, { u0, u1 }) => sum + (u1 - u0), 0)
}

import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { wallsOf } from '../survey/index.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import type { Rules } from '../rulebook/rulebook.ts'

export type Size = {
  readonly widthMm: number | null
  readonly depthMm: number | null
  readonly heightMm: number | null
}
export type Fit = { readonly is: 'fits' | 'too large' | 'not known'; readonly overMm: number; readonly words: string }

/**
 * The room a piece may take where it stands, in mm: what was given to it; where nobody said, what its wall has. A wall limits
 * a width only between two inside corners, as an alcove does: past an outside one a thing may stand on.
 */
export function placeOf(makeover: Makeover, piece: Row<'piece'>): Size {
  const wall = piece.wallId === null ? undefined : makeover.rows.wall[piece.wallId]
  const survey = rowsOf(makeover, 'survey').find(({ roomId }) => roomId === piece.roomId)
  const high = wall?.heightMm ?? survey?.heightMm ?? null
  return {
    widthMm: piece.widthMm ?? (wall && isBetweenCorners(makeover, wall) ? wall.lengthMm : null),
    depthMm: piece.depthMm,
    heightMm: piece.heightMm ?? (high === null ? null : high - piece.aboveMm),
  }
}
function isBetweenCorners(makeover: Makeover, wall: Row<'wall'>): boolean {
  const walls = wallsOf(makeover, wall.roomId)
  const before = walls.at(walls.findIndex(({ id }) => id === wall.id) - 1)
  return wall.corner === 'inside' && before?.corner === 'inside'
}

/**
 * Whether a thing fits the room that a piece may take: height against height, width and depth either way round, within
 * the grace of the rulebook. A side that nobody measured is left out; with none known nothing is said. Sizes in mm;
 * the words in the makeover's own units.
 */
export function fitOf(room: Size, thing: Size, rules: Rules, system: UnitSystem = 'metric'): Fit {
  const over = (has: number | null, may: number | null): number | null =>
    has === null || may === null ? null : has - may
  const height = over(thing.heightMm, room.heightMm)
  const flat = (width: number | null, depth: number | null): (number | null)[] => [
    over(width, room.widthMm),
    over(depth, room.depthMm),
  ]
  const worst = (sides: readonly (number | null)[]): number => Math.max(...sides.map((side) => side ?? -Infinity))
  const [straight, turned] = [flat(thing.widthMm, thing.depthMm), flat(thing.depthMm, thing.widthMm)]
  const canTurn = thing.widthMm !== null && thing.depthMm !== null
  const best = canTurn && worst(turned) < worst(straight) ? turned : straight
  const known = [height, ...best].filter((side) => side !== null)
  if (known.length === 0) return { is: 'not known', overMm: 0, words: 'not measured' }
  const most = worst([height, ...best])
  if (most > rules['fit.grace'])
    return {
      is: 'too large',
      overMm: most,
      words: `${writeLength(Math.round(most), system)} too ${height === most ? 'high' : 'large'}`,
    }
  return {
    is: 'fits',
    overMm: 0,
    words: `fits${best === turned && worst(straight) > rules['fit.grace'] ? ', turned round' : ''}`,
  }
}

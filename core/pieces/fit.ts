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

/** The room a thing may take. What walls leave is physical: a hair too long does not go in, and no grace is given. */
export type Place = Size & { readonly between?: boolean }

/**
 * The room a piece may take where it stands, in mm: what was given to it; where nobody said, what its wall or its opening
 * has. A wall limits a width only between two inside corners, as an alcove does: past an outside one a thing may stand on.
 * Widths measured there at several heights limit whatever was given, each at its own height; `thing` is what is to go in.
 */
export function placeOf(makeover: Makeover, piece: Row<'piece'>, thing: Size | null = null): Place {
  const wall = piece.wallId === null ? undefined : makeover.rows.wall[piece.wallId]
  const opening = piece.openingId === null ? undefined : makeover.rows.opening[piece.openingId]
  const survey = rowsOf(makeover, 'survey').find(({ roomId }) => roomId === piece.roomId)
  const high = wall?.heightMm ?? survey?.heightMm ?? null
  const found =
    narrowest(makeover, piece, thing) ??
    (piece.widthMm === null
      ? (opening?.widthMm ?? (wall && isBetweenCorners(makeover, wall) ? wall.lengthMm : null))
      : null)
  const between = found !== null && (piece.widthMm === null || found <= piece.widthMm)
  return {
    widthMm: between ? found : piece.widthMm,
    depthMm: piece.depthMm,
    heightMm:
      piece.heightMm ??
      (opening?.what === 'niche' ? opening.headMm - Math.max(opening.sillMm, piece.aboveMm) : null) ??
      (high === null ? null : high - piece.aboveMm),
    between,
  }
}

/** What stands lower than this passes between the skirtings, in mm; common practice. */
const skirtingMm = 150

/**
 * The narrowest of the widths measured where it is to stand, over its own height: straight from one height to the next, and
 * as at the last one beyond it. What was measured at the floor is between the skirtings, and counts for what stands so low.
 */
function narrowest(makeover: Makeover, piece: Row<'piece'>, thing: Size | null): number | null {
  const all = rowsOf(makeover, 'clearWidth')
    .filter((row) => row.wallId === piece.wallId && row.openingId === piece.openingId)
    .toSorted((left, right) => left.aboveMm - right.aboveMm)
  const [low, top] = [piece.aboveMm, piece.aboveMm + (thing?.heightMm ?? piece.heightMm ?? 0)]
  const above = all.filter(({ aboveMm }) => aboveMm > 0)
  const measured = above.length === 0 || low < skirtingMm ? all : above
  if (measured.length === 0) return null
  const at = (height: number): number => {
    const next = measured.findIndex(({ aboveMm }) => aboveMm >= height)
    const [left, right] = [measured[next - 1], measured[next]]
    if (!right) return measured.at(-1)?.widthMm ?? 0
    if (!left) return right.widthMm
    const share = (height - left.aboveMm) / (right.aboveMm - left.aboveMm)
    return left.widthMm + share * (right.widthMm - left.widthMm)
  }
  const within = measured.filter(({ aboveMm }) => aboveMm > low && aboveMm < top).map(({ widthMm }) => widthMm)
  return Math.min(at(low), at(top), ...within)
}
function isBetweenCorners(makeover: Makeover, wall: Row<'wall'>): boolean {
  const walls = wallsOf(makeover, wall.roomId)
  const before = walls.at(walls.findIndex(({ id }) => id === wall.id) - 1)
  return wall.corner === 'inside' && before?.corner === 'inside'
}

/**
 * Whether a thing fits the room that a piece may take: height against height, width and depth either way round, within
 * the grace of the rulebook; between walls without any, and not turned unless its depth is known too. A side that nobody
 * measured is left out; with none known nothing is said. Sizes in mm; the words in the makeover's own units.
 */
export function fitOf(room: Place, thing: Size, rules: Rules, system: UnitSystem = 'metric'): Fit {
  const over = (has: number | null, may: number | null): number | null =>
    has === null || may === null ? null : has - may
  const grace = rules['fit.grace']
  const wide = (has: number | null): number | null => {
    const by = over(has, room.widthMm)
    return by !== null && room.between && by > 0 ? by + grace : by
  }
  const height = over(thing.heightMm, room.heightMm)
  const flat = (width: number | null, depth: number | null): (number | null)[] => [
    wide(width),
    over(depth, room.depthMm),
  ]
  const worst = (sides: readonly (number | null)[]): number => Math.max(...sides.map((side) => side ?? -Infinity))
  const [straight, turned] = [flat(thing.widthMm, thing.depthMm), flat(thing.depthMm, thing.widthMm)]
  const canTurn = thing.widthMm !== null && thing.depthMm !== null && !(room.between && room.depthMm === null)
  const best = canTurn && worst(turned) < worst(straight) ? turned : straight
  const known = [height, ...best].filter((side) => side !== null)
  if (known.length === 0) return { is: 'not known', overMm: 0, words: 'not measured' }
  const most = worst([height, ...best])
  if (most > grace) {
    const byMm = most === best[0] && room.between ? most - grace : most
    return {
      is: 'too large',
      overMm: byMm,
      words: `${writeLength(byMm < 1 ? byMm : Math.round(byMm), system)} too ${height === most ? 'high' : room.between && most === best[0] ? 'wide' : 'large'}`,
    }
  }
  return {
    is: 'fits',
    overMm: 0,
    words: `fits${best === turned && worst(straight) > grace ? ', turned round' : ''}`,
  }
}

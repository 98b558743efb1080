/** What stands before what: hidden or standing out, meant or not; and the surfaces that people must tell apart. */
import { deltaE } from '../colour/difference.ts'
import type { Lab } from '../colour/lab.ts'
import type { Surface } from '../makeover/choices.ts'
import { groupBy, headOf, type Makeover } from '../makeover/document.ts'
import { paletteFinishes, type LaidFinish, liesOn } from '../makeover/laid.ts'
import { groundOf, isMaterial, type Ground } from '../makeover/things.ts'
import { nowhere, type Whereabouts } from '../makeover/whereabouts.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { labOf, lrvOf } from './colour-of.ts'
import { type ContrastStandard, contrastBetween } from './told-apart.ts'
import type { Told } from './told.ts'
import type { PieceColours } from './ties.ts'

export type Reads = 'disappears' | 'stands out' | 'between'
export type Standing = {
  readonly kind: 'piece' | 'finish'
  readonly id: string
  /** The finish it stands before. */
  readonly wallId: string
  readonly deltaE: number
  readonly lighter: number
  readonly reads: Reads
  /** It is meant to hide. */
  readonly hides: boolean
  /** It reads as it is not meant to. */
  readonly fault: boolean
}

/** Whole parts of the room read against its walls as they are meant to; small things should not be lost unmeant. */
const before: ReadonlySet<Surface> = new Set(['trim', 'door', 'window', 'piece', 'switch', 'rail', 'other'])
const mayBlend: ReadonlySet<Surface> = new Set(['trim', 'door', 'window', 'switch'])

/** Each piece of known colour, and each finish that stands before a wall, against that wall: its own, or the nearest in colour. */
export function standings(
  makeover: Makeover,
  table: readonly PieceColours[],
  rules: Rules,
  told: ReadonlyMap<string, Told>,
  { pieces: placed }: Whereabouts = nowhere,
): Standing[] {
  const finishes = paletteFinishes(makeover)
  const walls = groupBy(
    finishes.filter((row) => liesOn(row, 'walls')),
    (row) => row.roomId,
  )
  const wallsOf = (roomId: string, wallId: string | null): readonly LaidFinish[] => {
    const all = walls.get(roomId) ?? []
    const own =
      wallId === null
        ? []
        : all.filter((row) => row.lies.some((lie) => lie.surface === 'walls' && lie.wallId === wallId))
    return own.length > 0
      ? own
      : wallId === null
        ? all
        : all.filter((row) => row.lies.every((lie) => lie.surface !== 'walls' || lie.wallId === null))
  }
  /** The floor of the part of the room that it lies in, where that has one of its own. */
  const under = (surface: Surface, roomId: string, zoneIds: readonly string[]): LaidFinish[] => {
    const all = finishes.filter((row) => liesOn(row, surface) && row.roomId === roomId && row.pieceId === null)
    const own = all.filter(({ zoneId }) => zoneId !== null && zoneIds.includes(zoneId))
    return own.length > 0 || zoneIds.length === 0
      ? own.length > 0
        ? own
        : all
      : all.filter((row) => row.zoneId === null)
  }
  /** What a thing is seen against: a thing is never held against a wall that nobody says it stands before, where walls differ. */
  const behindOf = (
    thing: { readonly roomId: string; readonly wallId: string | null },
    ground: Ground,
    zoneIds: readonly string[] = [],
  ): readonly LaidFinish[] => {
    if (ground === 'a thing') return []
    if (ground !== 'walls') return under(ground, thing.roomId, zoneIds)
    const all = wallsOf(thing.roomId, thing.wallId)
    return thing.wallId === null && all.length > 1 ? [] : all
  }
  const against = (
    kind: Standing['kind'],
    row: { readonly id: string; readonly hides: boolean },
    colour: Lab,
    blends: boolean,
    behind: readonly LaidFinish[],
  ): Standing[] => {
    const wall = nearestOf(colour, behind, row.id)
    if (!wall) return []
    const [apart, lighter] = [deltaE(colour, labOf(wall)), colour.L - wall.labL]
    const vanishes = apart < rules['wall.vanish-difference'] && Math.abs(lighter) < rules['wall.vanish-lightness']
    const reads = vanishes ? 'disappears' : Math.abs(lighter) > rules['wall.stand-out'] ? 'stands out' : 'between'
    return [
      {
        kind,
        id: row.id,
        wallId: wall.id,
        deltaE: apart,
        lighter,
        reads,
        hides: row.hides,
        fault: row.hides ? reads === 'stands out' : reads === 'disappears' && !blends,
      },
    ]
  }
  const pieces = table.flatMap(({ pieceId, colours: [colour] }) => {
    const piece = makeover.rows.piece[pieceId]
    if (!piece || !colour || isMaterial(piece)) return []
    // where it stands is what it is seen against, whatever wall was thought of before
    const stands = placed.get(pieceId)
    const ground = told.get(piece.id)?.ground ?? 'walls'
    const behind = behindOf(stands ? { roomId: piece.roomId, wallId: stands.wallId } : piece, ground, stands?.zoneIds)
    return against('piece', piece, colour, false, behind)
  })
  const own = finishes
    .filter((row) => row.pieceId === null && before.has(row.surface))
    .flatMap((row) =>
      against(
        'finish',
        { ...row, hides: row.hides || row.fate === 'camouflage' },
        labOf(row),
        mayBlend.has(row.surface) || row.role !== 'accent',
        mayBlend.has(row.surface) || row.surface === 'rail'
          ? wallsOf(row.roomId, row.wallId)
          : behindOf(row, groundOf(`${row.name} ${row.usedFor}`)),
      ),
    )
  return [...pieces, ...own]
}

/** The wall nearest in L*a*b*, which of few walls is the one it is seen against; not itself, nor what it carries. */
function nearestOf(colour: Lab, walls: readonly LaidFinish[], itself: string): LaidFinish | undefined {
  let [nearest, least]: [LaidFinish | undefined, number] = [undefined, Infinity]
  for (const wall of walls) {
    const far = (colour.L - wall.labL) ** 2 + (colour.a - wall.labA) ** 2 + (colour.b - wall.labB) ** 2
    if (far < least && wall.id !== itself && wall.pieceId !== itself) [nearest, least] = [wall, far]
  }
  return nearest
}

/** Two surfaces that people must tell apart, by the standard of the makeover. */
export type Apart = {
  readonly left: string
  readonly right: string
  readonly standard: ContrastStandard
  /** In the standard's own measure. */
  readonly points: number
  /** Both LRVs are their makers' own. */
  readonly measured: boolean
  readonly wanted: number
  readonly enough: boolean
}

/** Doors and switches against walls, floors against walls, step edges against floors, rails against walls. */
export function tellApart(makeover: Makeover, rules: Rules): Apart[] {
  const wanted = rules['door.contrast']
  const standard = headOf(makeover)?.contrastBy ?? 'BS 8300-2'
  const pairs: readonly (readonly [Surface, Surface])[] = [
    ['door', 'walls'],
    ['floor', 'walls'],
    ['step edge', 'floor'],
    ['rail', 'walls'],
    ['switch', 'walls'],
  ]
  return [...groupBy(paletteFinishes(makeover), (row) => row.roomId).values()].flatMap((rows) =>
    pairs.flatMap(([surface, behind]) =>
      rows
        .filter((row) => liesOn(row, surface))
        .flatMap((finish) => {
          const nearest = rows
            .filter((row) => liesOn(row, behind))
            .map((row) => ({ row, points: contrastBetween(standard, lrvOf(finish), lrvOf(row)) }))
            .sort((a, b) => a.points - b.points)[0]
          return nearest
            ? [
                {
                  left: finish.id,
                  right: nearest.row.id,
                  standard,
                  measured: finish.lrv !== null && nearest.row.lrv !== null,
                  points: nearest.points,
                  wanted,
                  enough: nearest.points >= wanted,
                },
              ]
            : []
        }),
    ),
  )
}

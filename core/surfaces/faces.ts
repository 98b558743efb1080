/**
 * The room unrolled: every wall as one stands before it, the floor and the ceiling, each with what lies on it. Along x from the wall's
 * first corner, y upwards; all in mm.
 */
import { edit, type Operation } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { liesOn, paletteFinishes, type LaidFinish } from '../makeover/laid.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { clipBy, faceOf, skirtingBreaks, type Point, type Room, type Wall } from '../survey/index.ts'
import { boxOf, oval, rectangle } from './outlines.ts'
import { wallRegions } from './regions.ts'

/** A part of a face in one finish. */
export type Fill = { readonly finishId: string; readonly treatmentId: string; readonly outline: readonly Point[] }
export type Opening = {
  readonly id: string
  readonly what: string
  readonly name: string
  readonly outline: readonly Point[]
  /** What its leaf or frame is done with. */
  readonly treatmentId: string | null
}
export type Face = {
  /** The wall's id, "floor" or "ceiling". */
  readonly id: string
  readonly name: string
  readonly width: number
  readonly height: number
  readonly outline: readonly Point[]
  readonly fills: readonly Fill[]
  readonly openings: readonly Opening[]
  /** What stands before it for good, and what it is painted with. */
  readonly fixed: readonly { readonly outline: readonly Point[]; readonly treatmentId: string | null }[]
}

export function facesOf(makeover: Makeover, room: Room, rules: Rules): Face[] {
  if (room.outline.length === 0) return []
  const laid = paletteFinishes(makeover).filter(({ roomId }) => roomId === room.id)
  const regions = wallRegions(makeover, room)
  const trim = firstOn(laid, 'trim')
  const radiators = laid.flatMap(({ lies }) => lies.filter(({ surface }) => surface === 'radiator'))
  const radiatorOn = ({ row }: Wall): string | null =>
    radiators.find(({ wallId }) => wallId === null || wallId === row.id)?.treatmentId ?? null
  const walls = room.walls.map((wall): Face => {
    const outline = faceOf(room, wall)
    const height = Math.max(0, ...outline.map(({ y }) => y))
    const doors = firstOn(laid, 'door')
    const windows = firstOn(laid, 'window')
    return {
      id: wall.row.id,
      name: wall.name,
      width: wall.lengthMm,
      height,
      outline,
      fills: [
        ...regions
          .filter((region) => region.wall === wall)
          .flatMap(({ finish, lie, cells }) =>
            cells.map((cell): Fill => ({ finishId: finish.id, treatmentId: lie.treatmentId, outline: cell.outline })),
          ),
        ...(trim ? skirtingOn(wall, trim, rules) : []),
      ],
      openings: wall.openings.map(({ row, name, u0, u1, z0, z1 }) => ({
        id: row.id,
        what: row.what,
        name,
        outline: row.round ? oval(u0, z0, u1 - u0, z1 - z0) : rectangle(u0, z0, u1 - u0, z1 - z0),
        treatmentId: (row.what === 'door' ? doors : row.what === 'window' ? windows : undefined)?.treatmentId ?? null,
      })),
      fixed: wall.fixtures
        .filter(({ u0, u1, z0, z1 }) => u1 > u0 && z1 > z0)
        .map(({ row, u0, u1, z0, z1 }) => ({
          outline: rectangle(u0, z0, u1 - u0, z1 - z0),
          treatmentId: row.what === 'radiator' ? radiatorOn(wall) : null,
        })),
    }
  })
  return [...walls, flat(room, laid, 'floor'), ...(room.ceiling ? [flat(room, laid, 'ceiling')] : [])]
}

type Laid = { readonly finish: LaidFinish; readonly treatmentId: string }
const firstOn = (laid: readonly LaidFinish[], surface: 'trim' | 'door' | 'window'): Laid | undefined =>
  laid.flatMap((finish) =>
    finish.lies
      .filter((lie) => lie.surface === surface && lie.how !== 'loose')
      .map(({ treatmentId }) => ({ finish, treatmentId })),
  )[0]

/** The skirting along a wall, between what breaks it. */
function skirtingOn(wall: Wall, { finish, treatmentId }: Laid, rules: Rules): Fill[] {
  const high = rules['survey.skirting-height']
  const fills: Fill[] = []
  let along = 0
  for (const { u0, u1 } of [...skirtingBreaks(wall, rules), { u0: wall.lengthMm, u1: wall.lengthMm }]) {
    if (u0 - along > 1) fills.push({ finishId: finish.id, treatmentId, outline: rectangle(along, 0, u0 - along, high) })
    along = Math.max(along, u1)
  }
  return fills
}

/** The floor or the ceiling, seen from above; the plan's own directions. */
function flat(room: Room, laid: readonly LaidFinish[], surface: 'floor' | 'ceiling'): Face {
  const box = boxOf(room.outline)
  const moved = (points: readonly Point[]): Point[] => points.map(({ x, y }) => ({ x: x - box.left, y: y - box.low }))
  const here = laid
    .filter((finish) => liesOn(finish, surface) && finish.lies.length > 0)
    .flatMap((finish) =>
      finish.lies.filter((lie) => lie.surface === surface && lie.how !== 'loose').map((lie) => ({ finish, lie })),
    )
  const zoneOf = (finish: LaidFinish): readonly Point[] | null =>
    surface === 'floor' ? (room.zones.find(({ row }) => row.id === finish.zoneId)?.outline ?? null) : null
  return {
    id: surface,
    name: surface === 'floor' ? 'Floor' : 'Ceiling',
    width: box.right - box.left,
    height: box.high - box.low,
    outline: moved(room.outline),
    // a zone lies over what lies all over
    fills: here
      .toSorted((left, right) => Number(zoneOf(left.finish) !== null) - Number(zoneOf(right.finish) !== null))
      .map(({ finish, lie }): Fill => {
        const zone = zoneOf(finish)
        return {
          finishId: finish.id,
          treatmentId: lie.treatmentId,
          outline: moved(zone ? clipBy(room.outline, zone) : room.outline),
        }
      }),
    openings: [],
    fixed: [],
  }
}
/** A makeover in which a treatment that was only thought of is done: in place of the one it stands for, or over it. */
export function tried(makeover: Makeover, treatmentId: string): { makeover: Makeover; operations: Operation[] } {
  const thought = makeover.rows.treatment[treatmentId]
  const stands = thought?.insteadOfId == null ? undefined : makeover.rows.treatment[thought.insteadOfId]
  if (!thought || !stands) return { makeover, operations: [] }
  const placesOf = (id: string): string =>
    rowsOf(makeover, 'treatedPart')
      .filter((row) => row.treatmentId === id)
      .map(({ surface, wallId, openingId, bandFromMm, bandToMm, alongFromMm, alongToMm }) =>
        JSON.stringify([surface, wallId, openingId, bandFromMm, bandToMm, alongFromMm, alongToMm]),
      )
      .toSorted()
      .join(' ')
  // on the same surfaces the two change places; on others it lies over what is there
  const swaps = placesOf(thought.id) === placesOf(stands.id)
  const further = rowsOf(makeover, 'treatment').filter((row) => row.insteadOfId === stands.id && row.id !== thought.id)
  const changes: [Row<'treatment'>, string | null][] = [
    [thought, null],
    ...(swaps
      ? [
          [stands, thought.id] as [Row<'treatment'>, string],
          ...further.map((row): [Row<'treatment'>, string] => [row, thought.id]),
        ]
      : []),
  ]
  const treatment = { ...makeover.rows.treatment }
  for (const [row, insteadOfId] of changes) treatment[row.id] = { ...row, insteadOfId }
  return {
    makeover: { ...makeover, rows: { ...makeover.rows, treatment } },
    operations: changes.map(([row, insteadOfId]) => edit('treatment', row, { insteadOfId })),
  }
}
/** Where the plan of a room begins: what lies on the floor is moved by so much to its face. */
export const planOrigin = (room: Room): Point => {
  const box = boxOf(room.outline)
  return { x: box.left, y: box.low }
}

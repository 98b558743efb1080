/** What a closed room comes to: areas in m², runs in mm, its volume in m³. */
import type { Makeover } from '../makeover/document.ts'
import { laidFinishes } from '../makeover/laid.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { ceilingAlong } from './ceiling.ts'
import { areaOf, clip, clipBy, heightOn, offLine, type Plane } from './geometry.ts'
import type { Room, Wall } from './room.ts'

/** From one height above the floor to another; null for up to the ceiling. */
export type Band = { readonly fromMm: number; readonly toMm: number | null }

export type WallAreas = {
  readonly wallId: string
  readonly name: string
  readonly lengthMm: number
  /** The face of the wall as one stands before it: along it, and above the floor. */
  readonly face: readonly Point[]
  readonly grossM2: number
  /** Of doors, windows and arches, as far as they lie on the wall. */
  readonly openingsM2: number
  /** Gross less openings, and what niches add by their sides. */
  readonly netM2: number
  /** Of the net area, what fireplaces, built-ins and soffits stand before for good. */
  readonly coveredM2: number
  readonly nicheSidesM2: number
  readonly bands: readonly (Band & { readonly grossM2: number; readonly netM2: number })[]
}

export type RoomAreas = {
  readonly roomId: string
  readonly floorM2: number
  readonly perimeterMm: number
  readonly skirtingMm: number
  /** Null while no height is known. */
  readonly ceilingM2: number | null
  readonly volumeM3: number | null
  readonly walls: readonly WallAreas[]
  readonly grossM2: number
  readonly netM2: number
  /** Skirting and casings. */
  readonly trimM2: number
  readonly casingMm: number
  readonly doorsM2: number
  readonly windowsM2: number
  readonly zones: readonly { readonly id: string; readonly m2: number }[]
  /** Where one stands upright under slopes; null in a room without any, or while no height is known. */
  readonly headroom: Headroom | null
}

/** The floor over which the ceiling is high enough: its area, and its width square to the wall of each slope. */
export type Headroom = {
  readonly fromMm: number
  readonly m2: number
  readonly widths: readonly { readonly wallId: string; readonly widthMm: number }[]
}

type Point = { readonly x: number; readonly y: number }

type Rectangle = { readonly u0: number; readonly u1: number; readonly z0: number; readonly z1: number }

export const sum = <T>(rows: readonly T[], valueOf: (row: T) => number): number =>
  rows.reduce((total, row) => total + valueOf(row), 0)

const right: Plane = { c: 0, x: 1, y: 0 }

const past = (plane: Plane, at: number): Plane => ({ ...plane, c: -at })

const before = (plane: Plane, at: number): Plane => ({ c: at, x: -plane.x, y: -plane.y })

const up: Plane = { c: 0, x: 0, y: 1 }

/** Areas and runs of a room; null while it is not closed. */
export function areasOf(makeover: Makeover, room: Room, rules: Rules): RoomAreas | null {
  if (room.closing.state !== 'closed') return null
  const bands = bandsOf(makeover, room)
  const walls = room.walls.map((wall) => wallAreas(room, wall, bands))
  const perimeterMm = sum(room.walls, (wall) => wall.lengthMm)
  const skirtingMm = skirtingRun(room, rules)
  const doors = room.walls.flatMap((wall) => wall.openings.filter((opening) => opening.row.what === 'door'))
  const windows = room.walls.flatMap((wall) => wall.openings.filter((opening) => opening.row.what === 'window'))
  const casingMm = sum([...doors, ...windows], (door) => door.row.widthMm + 2 * (door.z1 - door.z0))
  const area = (
    bands: readonly { readonly row: { readonly widthMm: number }; readonly z0: number; readonly z1: number }[],
  ): number => sum(bands, (band) => band.row.widthMm * (band.z1 - band.z0)) / 1e6
  return {
    roomId: room.id,
    floorM2: floorArea(room) / 1e6,
    perimeterMm,
    skirtingMm,
    ceilingM2: room.ceiling ? room.ceiling.areaMm2 / 1e6 : null,
    volumeM3: room.ceiling ? room.ceiling.volumeMm3 / 1e9 : null,
    walls,
    grossM2: sum(walls, (wall) => wall.grossM2),
    netM2: sum(walls, (wall) => wall.netM2),
    trimM2: (skirtingMm * rules['survey.skirting-height'] + casingMm * rules['survey.casing-width']) / 1e6,
    casingMm,
    doorsM2: area(doors),
    windowsM2: area(windows),
    zones: room.zones.flatMap(({ row, outline }) =>
      outline ? [{ id: row.id, m2: areaOf(clipBy(room.outline, outline)) / 1e6 }] : [],
    ),
    headroom: headroomOf(room, rules['survey.headroom']),
  }
}

/** Each part of the floor as far as the ceiling over it is at or above a height, in mm. */
function headroomOf({ ceiling, slopes, walls }: Room, fromMm: number): Headroom | null {
  if (!ceiling || slopes.length === 0) return null
  const high = ceiling.parts
    .map(({ over, plane }) => clip(over, { ...plane, c: plane.c - fromMm }))
    .filter((part) => part.length > 2)
  return {
    fromMm,
    m2: sum(high, areaOf) / 1e6,
    widths: slopes.flatMap(({ wallId }) => {
      const wall = walls.find(({ row }) => row.id === wallId)
      if (!wall) return []
      const away = offLine(wall.from, wall.to)
      const distances = high.flat().map((point) => heightOn(away, point))
      return [{ wallId, widthMm: distances.length === 0 ? 0 : Math.max(...distances) - Math.min(...distances) }]
    }),
  }
}

/** Corners by the shoelace formula, and what arcs add or take, in mm². */
export function floorArea(room: Room): number {
  return areaOf(room.closing.corners) + sum(room.walls, (wall) => Math.sign(wall.rise) * (wall.arc?.area ?? 0))
}

/** The height bands of a room: parted by the dado, the picture rail, and wherever a finish begins or ends. */
function bandsOf(makeover: Makeover, room: Room): Band[] {
  const edges = laidFinishes(makeover)
    .filter((row) => row.roomId === room.id)
    .flatMap((row) => row.lies.flatMap((lie) => (lie.surface === 'walls' ? [lie.bandFromMm, lie.bandToMm] : [])))
  const heights = [
    ...new Set(
      [room.survey?.dadoMm, room.survey?.railMm, ...edges].filter(
        (height): height is number => height != null && height > 0,
      ),
    ),
  ].toSorted((left, right) => left - right)
  return [0, ...heights].map((fromMm, at) => ({ fromMm, toMm: heights[at] ?? null }))
}

/** The face of a wall: along it and up to its ceiling, in mm; empty while no height is known. */
export function faceOf(room: Room, wall: Wall): Point[] {
  const { ceiling } = room
  if (!ceiling) return []
  const next = room.walls[(wall.at + 1) % room.walls.length]
  const byCorner = room.walls.some((wall) => wall.row.heightMm !== null)
  const level = room.survey?.heightMm ?? null
  const [start, end] = byCorner ? [wall.row.heightMm ?? level, next?.row.heightMm ?? level] : [null, null]
  const pieces = wall.points.length - 1
  const between = (share: number): number | null =>
    start === null || end === null ? null : start + (end - start) * share
  const top = wall.points.slice(0, -1).flatMap((point, piece): Point[] => {
    const line = ceilingAlong(
      ceiling,
      point,
      wall.points[piece + 1] ?? point,
      between(piece / pieces),
      between((piece + 1) / pieces),
    )
    return line
      .slice(piece === 0 ? 0 : 1)
      .map(({ share, z }) => ({ x: ((piece + share) / pieces) * wall.lengthMm, y: Math.max(0, z) }))
  })
  return [{ x: 0, y: 0 }, { x: wall.lengthMm, y: 0 }, ...top.toReversed()]
}

function wallAreas(room: Room, wall: Wall, bands: readonly Band[]): WallAreas {
  const face = faceOf(room, wall)
  const holes = disjoint(wall.openings.filter((opening) => opening.row.what !== 'niche'))
  const covers = disjoint(
    wall.fixtures.filter(
      (fixture) =>
        ['fireplace', 'built-in', 'soffit'].includes(fixture.row.what) &&
        fixture.u1 > fixture.u0 &&
        fixture.z1 > fixture.z0,
    ),
  )
  const on = (part: readonly Point[], rectangles: readonly Rectangle[]): number =>
    sum(rectangles, ({ u0, u1, z0, z1 }) =>
      areaOf(clip(clip(clip(clip(part, past(right, u0)), before(right, u1)), past(up, z0)), before(up, z1))),
    )
  // of a round opening its corners stay wall
  const corners = sum(wall.openings, ({ row, u0, u1, z0, z1 }) =>
    row.round && row.what !== 'niche' ? (1 - Math.PI / 4) * (u1 - u0) * (z1 - z0) : 0,
  )
  const [gross, openings] = [areaOf(face), on(face, holes) - corners]
  const nicheSides = sum(wall.openings, (opening) =>
    opening.row.what === 'niche'
      ? (opening.row.revealMm ?? 0) * (opening.row.widthMm * (opening.z0 > 0 ? 2 : 1) + 2 * (opening.z1 - opening.z0))
      : 0,
  )
  const covered =
    on(face, covers) -
    on(
      face,
      covers
        .flatMap((cover) => holes.map((hole) => shared(cover, hole)))
        .filter((rectangle) => rectangle.u1 > rectangle.u0 && rectangle.z1 > rectangle.z0),
    )
  return {
    wallId: wall.row.id,
    name: wall.name,
    lengthMm: wall.lengthMm,
    face,
    grossM2: gross / 1e6,
    openingsM2: openings / 1e6,
    netM2: (gross - openings + nicheSides) / 1e6,
    coveredM2: covered / 1e6,
    nicheSidesM2: nicheSides / 1e6,
    bands: bands.map((band) => {
      const part =
        band.toMm === null
          ? clip(face, past(up, band.fromMm))
          : clip(clip(face, past(up, band.fromMm)), before(up, band.toMm))
      return { ...band, grossM2: areaOf(part) / 1e6, netM2: (areaOf(part) - on(part, holes)) / 1e6 }
    }),
  }
}

const shared = (rectangle: Rectangle, right: Rectangle): Rectangle => ({
  u0: Math.max(rectangle.u0, right.u0),
  u1: Math.min(rectangle.u1, right.u1),
  z0: Math.max(rectangle.z0, right.z0),
  z1: Math.min(rectangle.z1, right.z1),
})

/** Rectangles that cover the same without covering anything twice. */
export function disjoint(rectangles: readonly Rectangle[]): Rectangle[] {
  const meet = rectangles.some((rectangle, at) =>
    rectangles
      .slice(at + 1)
      .some(
        (otherRectangle) =>
          rectangle.u0 < otherRectangle.u1 &&
          otherRectangle.u0 < rectangle.u1 &&
          rectangle.z0 < otherRectangle.z1 &&
          otherRectangle.z0 < rectangle.z1,
      ),
  )
  if (!meet) return rectangles.map(({ u0, u1, z0, z1 }) => ({ u0, u1, z0, z1 }))
  const edges = [...new Set(rectangles.flatMap((rectangle) => [rectangle.u0, rectangle.u1]))].toSorted(
    (left, right) => left - right,
  )
  return edges.slice(0, -1).flatMap((u0, at) => {
    const u1 = edges[at + 1] ?? u0
    const here = rectangles
      .filter((rectangle) => rectangle.u0 <= u0 && rectangle.u1 >= u1)
      .toSorted((left, right) => left.z0 - right.z0)
    return here.reduce<Rectangle[]>((runs, { z0, z1 }) => {
      const last = runs.at(-1)
      if (last && z0 <= last.z1) return [...runs.slice(0, -1), { ...last, z1: Math.max(last.z1, z1) }]
      return [...runs, { u0, u1, z0, z1 }]
    }, [])
  })
}

/** What breaks the skirting of a wall: openings that come down to it, and what is built in at the floor; merged along the wall. */
export function skirtingBreaks(wall: Wall, rules: Rules): readonly { readonly u0: number; readonly u1: number }[] {
  const low = rules['survey.skirting-height']
  const breaks = [
    ...wall.openings.filter((opening) => opening.row.what !== 'niche' && opening.z0 < low),
    ...wall.fixtures.filter(
      (fixture) => ['fireplace', 'built-in'].includes(fixture.row.what) && fixture.z0 < low && fixture.u1 > fixture.u0,
    ),
  ]
  return disjoint(
    breaks.map(({ u0, u1 }) => ({ u0: Math.max(0, u0), u1: Math.min(wall.lengthMm, u1), z0: 0, z1: 1 })),
  ).filter(({ u0, u1 }) => u1 > u0)
}

function skirtingRun(room: Room, rules: Rules): number {
  return sum(
    room.walls,
    (wall) =>
      wall.lengthMm -
      sum(skirtingBreaks(wall, rules), ({ u0, u1 }) => u1 - u0) +
      sum(wall.openings, (opening) =>
        opening.row.what === 'niche' && opening.z0 < rules['survey.skirting-height']
          ? 2 * (opening.row.revealMm ?? 0)
          : 0,
      ),
  )
}

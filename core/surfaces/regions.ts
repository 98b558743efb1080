/**
 * Which finish covers which part of each wall: the more particular treatment lies over the more general one. Lengths along the wall
 * and heights in mm, areas in m².
 */
import { laidFinishes, type LaidFinish, type Lie } from '../makeover/laid.ts'
import type { Makeover } from '../makeover/document.ts'
import { kept } from '../makeover/kept.ts'
import { areaOf, clip, faceOf, type Room, type Wall } from '../survey/index.ts'

export type Rectangle = { readonly u0: number; readonly u1: number; readonly z0: number; readonly z1: number }
/** A part of a wall with one owner; its outline is cut to the face of the wall. */
export type Cell = Rectangle & { readonly outline: readonly Point[]; readonly m2: number }
/** What one treated surface comes to on one wall: less openings and what is built in before it. */
export type Region = {
  readonly finish: LaidFinish
  readonly lie: Lie
  readonly wall: Wall
  readonly cells: readonly Cell[]
  readonly m2: number
}
type Point = { readonly x: number; readonly y: number }
type Claim = { readonly finish: LaidFinish; readonly lie: Lie; readonly rank: number; readonly rectangle: Rectangle }

/** How particular a part is: a niche over a stretch of a wall, over a wall, over a band of all walls, over all walls. */
export const rankOf = ({ openingId, wallId, alongFromMm, alongToMm, bandFromMm, bandToMm }: Lie): number =>
  (openingId === null ? 0 : 8) +
  (wallId === null ? 0 : 4) +
  (alongFromMm === null && alongToMm === null ? 0 : 2) +
  (bandFromMm === null && bandToMm === null ? 0 : 1)

/** What lies on the walls of a room, by treated surface and wall: what will be there, or what is there and is to be changed. */
export const wallRegions: (makeover: Makeover, room: Room, which?: 'new' | 'old') => readonly Region[] = kept(
  ({ rows }: Makeover, room: Room, which: 'new' | 'old' = 'new') => [
    room,
    which,
    rows.finish,
    rows.treatment,
    rows.treatedPart,
  ],
  (makeover: Makeover, room: Room, which: 'new' | 'old' = 'new') => {
    const laid = laidFinishes(makeover).filter(
      ({ roomId, fate }) => roomId === room.id && (fate === 'change') === (which === 'old'),
    )
    return regionsOn(room, laid, covers)
  },
)

/** A moulding runs over what covers the wall. */
const covers = ({ how }: Lie): boolean => how !== 'moulding'

/** What given finishes come to on the walls of a room, of the surfaces that count alone. */
export function regionsOn(room: Room, laid: readonly LaidFinish[], counts: (lie: Lie) => boolean): Region[] {
  return room.walls.flatMap((wall) => {
    const face = faceOf(room, wall)
    const claims = laid
      .flatMap((finish) => finish.lies.filter(counts).flatMap((lie) => claimsOn(wall, face, finish, lie)))
      // the last of equals lies on top
      .toSorted((left, right) => left.rank - right.rank)
    return partsOf(wall, face, claims)
  })
}

/** The rectangles of a wall that a treated surface asks for. */
function claimsOn(wall: Wall, face: readonly Point[], finish: LaidFinish, lie: Lie): Claim[] {
  if (lie.surface !== 'walls' || (lie.wallId !== null && lie.wallId !== wall.row.id)) return []
  const top = Math.max(0, ...face.map(({ y }) => y))
  const rank = rankOf(lie)
  if (lie.openingId !== null) {
    const opening = wall.openings.find(({ row }) => row.id === lie.openingId)
    return opening ? [{ finish, lie, rank, rectangle: rectangleOf(opening) }] : []
  }
  const rectangle = {
    u0: Math.max(0, lie.alongFromMm ?? 0),
    u1: Math.min(wall.lengthMm, lie.alongToMm ?? wall.lengthMm),
    z0: Math.max(0, lie.bandFromMm ?? 0),
    z1: Math.min(top, lie.bandToMm ?? top),
  }
  return rectangle.u1 > rectangle.u0 && rectangle.z1 > rectangle.z0 ? [{ finish, lie, rank, rectangle }] : []
}

const rectangleOf = ({ u0, u1, z0, z1 }: Rectangle): Rectangle => ({ u0, u1, z0, z1 })

/** What hides the wall: openings in it, and what is built in before it for good. */
export const holesIn = (wall: Wall): Rectangle[] => [
  ...wall.openings.filter(({ row }) => row.what !== 'niche').map(rectangleOf),
  ...wall.fixtures
    .filter(({ row, u0, u1, z0, z1 }) => ['fireplace', 'built-in', 'soffit'].includes(row.what) && u1 > u0 && z1 > z0)
    .map(rectangleOf),
]

const edgesOf = (values: readonly number[], least: number, most: number): number[] =>
  [...new Set([least, most, ...values.filter((value) => value > least && value < most)])].toSorted((a, b) => a - b)

/** A wall cut along every edge of what lies on it and is in it; each cell belongs to the claim on top. */
function partsOf(wall: Wall, face: readonly Point[], claims: readonly Claim[]): Region[] {
  if (claims.length === 0 || face.length === 0) return []
  const holes = holesIn(wall)
  const rectangles = [...claims.map(({ rectangle }) => rectangle), ...holes]
  // a round opening is parted at its middle, so that each cell has one of its corners
  const round = wall.openings.filter(({ row }) => row.round && row.what !== 'niche')
  const along = edgesOf(
    [...rectangles.flatMap(({ u0, u1 }) => [u0, u1]), ...round.map(({ u0, u1 }) => (u0 + u1) / 2)],
    0,
    wall.lengthMm,
  )
  const top = Math.max(...face.map(({ y }) => y))
  const up = edgesOf(
    [...rectangles.flatMap(({ z0, z1 }) => [z0, z1]), ...round.map(({ z0, z1 }) => (z0 + z1) / 2)],
    0,
    top,
  )
  const owned = new Map<Claim, Cell[]>()
  for (const [column, u0] of along.slice(0, -1).entries()) {
    const u1 = along[column + 1] ?? u0
    for (const [row, z0] of up.slice(0, -1).entries()) {
      const z1 = up[row + 1] ?? z0
      const holds = ({ u0: left, u1: right, z0: low, z1: high }: Rectangle): boolean =>
        left <= u0 && right >= u1 && low <= z0 && high >= z1
      const about = round.find(holds)
      if (holes.some((hole) => holds(hole) && !(about && sameBox(hole, about)))) continue
      const owner = claims.findLast(({ rectangle }) => holds(rectangle))
      if (!owner) continue
      const cell = { u0, u1, z0, z1 }
      const outline = about ? cut(cornerBeside(about, cell), cell) : cut(face, cell)
      const m2 = areaOf(outline) / 1e6
      if (m2 > 0) owned.set(owner, [...(owned.get(owner) ?? []), { u0, u1, z0, z1, outline, m2 }])
    }
  }
  return [...owned].map(([{ finish, lie }, cells]) => ({
    finish,
    lie,
    wall,
    cells,
    m2: cells.reduce((sum, cell) => sum + cell.m2, 0) + sidesOf(wall, cells),
  }))
}

const sameBox = (left: Rectangle, right: Rectangle): boolean =>
  left.u0 === right.u0 && left.u1 === right.u1 && left.z0 === right.z0 && left.z1 === right.z1
const arcParts = 16
/** Of the corners that a round opening leaves of its box, the one that a cell lies in. */
function cornerBeside({ u0, u1, z0, z1 }: Rectangle, cell: Rectangle): Point[] {
  const [x, y, wide, high] = [(u0 + u1) / 2, (z0 + z1) / 2, (u1 - u0) / 2, (z1 - z0) / 2]
  const [right, over] = [(cell.u0 + cell.u1) / 2 > x ? 1 : -1, (cell.z0 + cell.z1) / 2 > y ? 1 : -1]
  const arc = Array.from({ length: arcParts + 1 }, (_, at) => {
    const angle = (Math.PI / 2) * (at / arcParts)
    return { x: x + right * wide * Math.cos(angle), y: y + over * high * Math.sin(angle) }
  })
  return [{ x: x + right * wide, y: y + over * high }, ...arc.toReversed()]
}

/** A part of a wall's face within a rectangle. */
export const cut = (face: readonly Point[], { u0, u1, z0, z1 }: Rectangle): Point[] =>
  clip(clip(clip(clip(face, { c: -u0, x: 1, y: 0 }), { c: u1, x: -1, y: 0 }), { c: -z0, x: 0, y: 1 }), {
    c: z1,
    x: 0,
    y: -1,
  })

/** The sides of a niche go with the wall at its middle. */
function sidesOf(wall: Wall, cells: readonly Cell[]): number {
  return wall.openings.reduce((sum, { row, u0, u1, z0, z1 }) => {
    const [u, z] = [(u0 + u1) / 2, (z0 + z1) / 2]
    const mine = cells.some((cell) => cell.u0 <= u && u < cell.u1 && cell.z0 <= z && z < cell.z1)
    if (row.what !== 'niche' || !mine) return sum
    return sum + ((row.revealMm ?? 0) * (row.widthMm * (z0 > 0 ? 2 : 1) + 2 * (z1 - z0))) / 1e6
  }, 0)
}

/**
 * A window as whoever dresses it meets it: its glass, the wall or the bay it is in, unrolled, what is free on both sides, what is over it
 * and under it. Along u from the first corner of what is unrolled, heights z above the floor, in mm.
 */
import { direction, faceOf, type Room, type Wall } from '../../survey/index.ts'

export type Pane = {
  readonly id: string
  readonly u0: number
  readonly u1: number
  readonly z0: number
  readonly z1: number
}
export type Beneath = Pane & { readonly what: string; readonly name: string }
export type Window = {
  readonly room: Room
  readonly name: string
  /** The walls it is unrolled from, each with where it begins. */
  readonly walls: readonly { readonly wall: Wall; readonly atMm: number }[]
  readonly widthMm: number
  readonly heightMm: number
  /** The window itself; round a bay all of its windows. */
  readonly panes: readonly Pane[]
  /** From the first to the last edge of the glass, its lowest sill and its highest head. */
  readonly glass: Pane
  /** The depth of its recess; null where nobody measured it. */
  readonly revealMm: number | null
  readonly opensIn: boolean
  /** The ceiling over it where it is lowest; null while no height is known. */
  readonly ceilingMm: number | null
  /** From where to where something can hang on the wall: to the corners, or to the next opening. */
  readonly fromMm: number
  readonly toMm: number
  readonly fixed: readonly Beneath[]
  /** The corners between the walls of a bay, as angles inside the room. */
  readonly cornersDeg: readonly number[]
}

/** The window of a dressing; null where it is in no room that is measured. Round a bay only where it is in one. */
export function windowOf(rooms: readonly Room[], openingId: string, isRoundBay: boolean): Window | null {
  for (const room of rooms)
    for (const wall of room.walls) {
      const opening = wall.openings.find(({ row }) => row.id === openingId)
      if (!opening || room.outline.length === 0) continue
      const bay = isRoundBay ? bayOf(room, wall) : null
      return unrolled(room, bay ?? [wall], opening.name, bay ? null : openingId)
    }
  return null
}

function unrolled(room: Room, walls: readonly Wall[], name: string, openingId: string | null): Window | null {
  let along = 0
  const placed = walls.map((wall) => {
    const atMm = along
    along += wall.lengthMm
    return { wall, atMm }
  })
  const openings = placed.flatMap(({ wall, atMm }) =>
    wall.openings.map(({ row, name: called, u0, u1, z0, z1 }) => ({
      row,
      name: called,
      pane: { id: row.id, u0: u0 + atMm, u1: u1 + atMm, z0, z1 },
    })),
  )
  const dressed = openings.filter(({ row }) => (openingId === null ? row.what === 'window' : row.id === openingId))
  const panes = dressed.map(({ pane }) => pane)
  const [first] = panes
  if (!first) return null
  const glass = {
    id: first.id,
    u0: Math.min(...panes.map(({ u0 }) => u0)),
    u1: Math.max(...panes.map(({ u1 }) => u1)),
    z0: Math.min(...panes.map(({ z0 }) => z0)),
    z1: Math.max(...panes.map(({ z1 }) => z1)),
  }
  const besides = openings.filter(({ row, pane }) => !panes.includes(pane) && row.what !== 'niche')
  const reveals = dressed.flatMap(({ row }) => row.revealMm ?? [])
  return {
    room,
    name: openingId === null ? `${name}, round the bay` : name,
    walls: placed,
    widthMm: along,
    heightMm: Math.max(0, ...walls.flatMap((wall) => faceOf(room, wall).map(({ y }) => y))),
    panes,
    glass,
    revealMm: reveals.length > 0 ? Math.min(...reveals) : null,
    opensIn: dressed.some(({ row }) => row.swing === 'in'),
    ceilingMm: ceilingOver(room, placed, glass),
    fromMm: Math.max(0, ...besides.filter(({ pane }) => pane.u1 <= glass.u0).map(({ pane }) => pane.u1)),
    toMm: Math.min(along, ...besides.filter(({ pane }) => pane.u0 >= glass.u1).map(({ pane }) => pane.u0)),
    fixed: placed.flatMap(({ wall, atMm }) =>
      wall.fixtures.map(({ row, name: called, u0, u1, z0, z1 }) => ({
        id: row.id,
        what: row.what,
        name: called,
        u0: u0 + atMm,
        u1: u1 + atMm,
        z0,
        z1,
      })),
    ),
    cornersDeg: walls.slice(1).map((wall, at) => insideAngle(walls[at] as Wall, wall)),
  }
}

/** Where the ceiling is lowest over the window. */
function ceilingOver(room: Room, placed: Window['walls'], { u0, u1 }: Pane): number | null {
  if (room.ceiling === null) return null
  const heights = placed.flatMap(({ wall, atMm }) => {
    const top = faceOf(room, wall).filter(({ y }) => y > 0)
    const [from_, to] = [u0 - atMm, u1 - atMm]
    // where the upper edge of the wall has its corners, and at both ends of the window
    const at = (u: number): number[] => {
      const sorted = top.toSorted((left, right) => left.x - right.x)
      const [before, after] = [sorted.findLast(({ x }) => x <= u), sorted.find(({ x }) => x >= u)]
      if (!before || !after) return []
      const share = after.x - before.x < 1e-6 ? 0 : (u - before.x) / (after.x - before.x)
      return [before.y + share * (after.y - before.y)]
    }
    return [...top.filter(({ x }) => x > from_ && x < to).map(({ y }) => y), ...at(from_), ...at(to)]
  })
  return heights.length > 0 ? Math.min(...heights) : null
}

/** The angle inside the room at the corner where one wall ends and the next begins. */
function insideAngle(before: Wall, after: Wall): number {
  const [a, b] = [direction(before.from, before.to), direction(after.from, after.to)]
  return 180 + (180 / Math.PI) * Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y)
}

/** How many walls a bay has at most, and by how much the walls on both sides of it may be out of line. */
const mostInBay = 7
const outOfLineMm = 300
/**
 * The walls of the bay that a wall is in: from a corner that juts into the room to the next one that does, where the walls on both sides
 * lie in one line. Null where the wall is in no bay.
 */
export function bayOf(room: Room, wall: Wall): readonly Wall[] | null {
  const { walls } = room
  const count = walls.length
  const at = (place: number): Wall => walls[((place % count) + count) % count] as Wall
  const juts = (place: number): boolean => insideAngle(at(place), at(place + 1)) > 185
  let [low, high] = [wall.at, wall.at]
  while (!juts(low - 1) && high - low < mostInBay) low--
  while (!juts(high) && high - low < mostInBay) high++
  if (high - low < 1 || high - low >= Math.min(mostInBay, count - 1)) return null
  const [before, after] = [at(low - 1), at(high + 1)]
  const [way, onward] = [direction(before.from, before.to), direction(after.from, after.to)]
  const off = Math.abs(way.x * (after.from.y - before.to.y) - way.y * (after.from.x - before.to.x))
  if (way.x * onward.x + way.y * onward.y < 0.98 || off > outOfLineMm) return null
  return Array.from({ length: high - low + 1 }, (_, step) => at(low + step))
}

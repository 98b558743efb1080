/** A room as things are placed in it: its walls, doors, windows and what is built in, made ready once. Lengths in mm. */
import { pointOn, type Point, type Room, type Wall } from '../survey/index.ts'
import { builtIn, type Body } from './bodies.ts'
import type { Outline } from './shapes.ts'

type Segment = readonly [Point, Point]
export type Door = {
  readonly id: string
  readonly name: string
  readonly what: 'door' | 'arch'
  readonly segment: Segment
  readonly middle: Point
  /** What its leaf goes over inside the room; null where it opens outwards, slides, or nobody said. */
  readonly swing: Outline | null
  readonly head: number
}
export type Window = {
  readonly id: string
  readonly name: string
  readonly wall: Wall
  readonly segment: Segment
  readonly u0: number
  readonly u1: number
  readonly sill: number
  readonly head: number
}
/** A fixed thing that wants to be kept free, and the place before it. */
export type Free = {
  readonly id: string
  readonly name: string
  readonly what: 'radiator' | 'vent'
  readonly u0: number
  readonly u1: number
  readonly low: number
  readonly top: number
  readonly face: Segment
}
export type Setting = {
  readonly room: Room
  readonly outline: Outline
  /** Of all walls, with the wall each belongs to. */
  readonly walls: readonly { readonly segment: Segment; readonly wall: Wall }[]
  /** What of the walls nobody goes through: all but doors and arches. */
  readonly solid: readonly Segment[]
  readonly doors: readonly Door[]
  readonly windows: readonly Window[]
  readonly free: readonly Free[]
  readonly sockets: readonly Point[]
  readonly built: readonly Body[]
  readonly heightMm: number
  /** The compass direction one looks in when facing the first wall; null where nobody said. */
  readonly facesDeg: number | null
}

/** Null while the room is not closed. */
export function settingOf(room: Room): Setting | null {
  if (room.outline.length < 3) return null
  const walls = room.walls.flatMap((wall) =>
    wall.points.slice(1).map((to, at) => ({ segment: [wall.points[at] ?? to, to] as Segment, wall })),
  )
  const heights = room.walls.map(({ row }) => row.heightMm).filter((height) => height !== null)
  return {
    room,
    outline: room.outline,
    walls,
    solid: room.walls.flatMap(solidParts),
    // one comes in by the widest
    doors: room.walls.flatMap(doorsOn).toSorted((left, right) => wide(right) - wide(left)),
    windows: room.walls.flatMap((wall) =>
      wall.openings
        .filter(({ row }) => row.what === 'window')
        .map(({ row, name, u0, u1, z0, z1 }): Window => ({
          id: row.id,
          name,
          wall,
          segment: [pointOn(wall, u0), pointOn(wall, u1)],
          u0,
          u1,
          sill: z0,
          head: z1,
        })),
    ),
    free: room.walls.flatMap(freeOn),
    sockets: room.walls.flatMap((wall) =>
      wall.fixtures.filter(({ row }) => row.what === 'socket').map(({ u0, u1 }) => pointOn(wall, (u0 + u1) / 2)),
    ),
    built: builtIn(room),
    facesDeg: room.survey?.facesDeg ?? null,
    heightMm: room.survey?.heightMm ?? (heights.length > 0 ? Math.min(...heights) : 2400),
  }
}

const wide = ({ segment: [start, end] }: Door): number => Math.hypot(end.x - start.x, end.y - start.y)

/** The stretches of a wall between the openings that one walks through. */
function solidParts(wall: Wall): Segment[] {
  const gaps = wall.openings
    .filter(({ row, z0 }) => (row.what === 'door' || row.what === 'arch') && z0 < 100)
    .toSorted((left, right) => left.u0 - right.u0)
  if (wall.arc) return wall.points.slice(1).map((to, at): Segment => [wall.points[at] ?? to, to])
  const parts: Segment[] = []
  let along = 0
  for (const { u0, u1 } of gaps) {
    if (u0 > along) parts.push([pointOn(wall, along), pointOn(wall, u0)])
    along = Math.max(along, u1)
  }
  if (along < wall.lengthMm) parts.push([pointOn(wall, along), pointOn(wall, wall.lengthMm)])
  return parts
}

const swingCorners = 10
function doorsOn(wall: Wall): Door[] {
  return wall.openings.flatMap(({ row, name, u0, u1, z0, z1 }): Door[] => {
    if ((row.what !== 'door' && row.what !== 'arch') || z0 >= 100) return []
    const [start, end] = [pointOn(wall, u0), pointOn(wall, u1)]
    const opensIn = row.what === 'door' && row.swing === 'in' && row.hinge !== 'none'
    // the leaf turns about its hinge from along the wall to square off it
    const quarter = (at: number): Point => {
      const angle = (Math.PI / 2) * (at / swingCorners)
      const [along, off] = [row.widthMm * Math.cos(angle), row.widthMm * Math.sin(angle)]
      return pointOn({ ...wall, arc: null }, row.hinge === 'left' ? u0 + along : u1 - along, off)
    }
    return [
      {
        id: row.id,
        name,
        what: row.what,
        segment: [start, end],
        middle: { x: (start.x + end.x) / 2, y: (start.y + end.y) / 2 },
        swing: opensIn
          ? [row.hinge === 'left' ? start : end, ...Array.from({ length: swingCorners + 1 }, (_, at) => quarter(at))]
          : null,
        head: z1,
      },
    ]
  })
}

function freeOn(wall: Wall): Free[] {
  return wall.fixtures.flatMap(({ row, name, u0, u1, z0, z1 }): Free[] => {
    if ((row.what !== 'radiator' && row.what !== 'vent') || !(u1 > u0)) return []
    const deep = row.outMm + (row.what === 'radiator' ? (row.depthMm ?? 100) : 0)
    return [
      {
        id: row.id,
        name,
        what: row.what,
        u0,
        u1,
        low: z0,
        top: z1 > z0 ? z1 : z0 + 600,
        face: [pointOn(wall, u0, deep), pointOn(wall, u1, deep)],
      },
    ]
  })
}

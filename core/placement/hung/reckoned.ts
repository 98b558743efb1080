/** What hangs in every room, wall by wall, with what is held against it and where its hooks come. */
import { rowsOf, type Makeover } from '../../makeover/document.ts'
import type { Practice } from '../../makeover/practice.ts'
import { eyesOf } from '../../makeover/household.ts'
import type { Room, Wall } from '../../survey/index.ts'
import type { Body } from '../bodies.ts'
import type { RoomPlaced } from '../reckoned.ts'
import { beforeWall } from './before.ts'
import type { HungCheck, WallScene } from './check.ts'
import { hungChecks } from './checks.ts'
import { marksOf, type HookMark } from './drill-list.ts'
import { wallIdeas } from './ideas.ts'
import { hangingLine } from './line.ts'
import { inSight } from './out-of-sight.ts'
import { hangablesOf, hungIn, toHang, type Hung } from './works.ts'

export type RoomHung = {
  readonly roomId: string
  readonly lineMm: number
  readonly works: readonly {
    readonly id: string
    readonly pieceId: string
    readonly name: string
    readonly wallId: string
  }[]
  readonly checks: readonly HungCheck[]
  readonly marks: readonly HookMark[]
  readonly waiting: number
}

/** A wall with what hangs there and what stands before it. */
export function sceneOf(
  makeover: Makeover,
  room: Room,
  wall: Wall,
  works: readonly Hung[],
  bodies: readonly Body[],
  { rules, schools }: Pick<Practice, 'rules' | 'schools'>,
): WallScene {
  return {
    room,
    before: beforeWall(wall, bodies),
    works: works.filter((work) => work.wall.row.id === wall.row.id),
    lineMm: hangingLine(eyesOf(makeover), rules),
    mayDrill: mayDrill(makeover, room.id),
    school: schools.hanging,
  }
}

/** Drilling is forbidden by what was agreed, and nobody granted it. */
const mayDrill = (makeover: Makeover, roomId: string): boolean =>
  !rowsOf(makeover, 'constraint').some(
    (row) => row.forbids === 'drill' && (row.roomId === null || row.roomId === roomId),
  ) || rowsOf(makeover, 'permission').some(({ method, answer }) => method === 'drill' && answer === 'yes')

export function hungRooms(
  makeover: Makeover,
  rooms: readonly Room[],
  placed: readonly RoomPlaced[],
  practice: Pick<Practice, 'rules' | 'schools'>,
): RoomHung[] {
  const { rules } = practice
  const things = hangablesOf(makeover)
  return rooms.map((room) => {
    const works = hungIn(makeover, room, things)
    const waiting = toHang(makeover, room.id, things)
    const bodies = placed.find(({ roomId }) => roomId === room.id)?.bodies ?? []
    const checks = room.walls.flatMap((wall) => {
      const scene = sceneOf(makeover, room, wall, works, bodies, practice)
      const wanted = wall.fixtures.some(({ row }) => row.outOfSight)
      return [
        ...scene.works.flatMap((work) => hungChecks(scene, work, rules)),
        ...(wanted ? inSight(scene, wall, works, wallIdeas(scene, wall, waiting, rules)) : []),
      ]
    })
    return {
      roomId: room.id,
      lineMm: hangingLine(eyesOf(makeover), rules),
      works: works.map(({ id, name, thing, wall }) => ({ id, pieceId: thing.piece.id, name, wallId: wall.row.id })),
      checks: once(checks),
      marks: works.flatMap(marksOf),
      waiting: waiting.length,
    }
  })
}

/** Two works in one place are told once. */
function once(checks: readonly HungCheck[]): HungCheck[] {
  const seen = new Set<string>()
  return checks.filter(({ code, ids }) => {
    const key = `${code} ${[...ids].toSorted().join(' ')}`
    if (seen.has(key)) return false
    seen.add(key)
    return true
  })
}

/** Rooms joined by a shared opening lie beside each other as they do in the house. */
import type { Rules } from '../rulebook/rulebook.ts'
import type { Point } from './point.ts'
import { pointOn, wayOn, type OnWall, type Room, type Wall } from './room.ts'

/** How a room lies in the plan of the house: turned about its first corner, then moved, in radians and mm. */
export type Lie = { readonly turn: number; readonly dx: number; readonly dy: number }
export const inPlace: Lie = { turn: 0, dx: 0, dy: 0 }
export function laid({ turn, dx, dy }: Lie, { x, y }: Point): Point {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  return { x: x * cos - y * sin + dx, y: x * sin + y * cos + dy }
}

export type Joint = { readonly left: Side; readonly right: Side; readonly throughMm: number }
export type Side = { readonly room: Room; readonly wall: Wall; readonly opening: OnWall<'opening'> }

/** Every opening that was measured from both its rooms, and how thick the wall between them is. */
export function joints(rooms: readonly Room[], rules: Rules): Joint[] {
  const sides = rooms.flatMap((room) =>
    room.walls.flatMap((wall) => wall.openings.map((opening): Side => ({ room, wall, opening }))),
  )
  const byId = new Map(sides.map((side) => [side.opening.row.id, side]))
  return sides.flatMap((side) => {
    const otherSide = side.opening.row.sharesId === null ? undefined : byId.get(side.opening.row.sharesId)
    return otherSide
      ? [
          {
            left: side,
            right: otherSide,
            throughMm: side.opening.row.revealMm ?? otherSide.opening.row.revealMm ?? rules['survey.wall-thickness'],
          },
        ]
      : []
  })
}

/** Where each closed room lies beside the first, by shared openings; rooms that none joins are left out. */
export function lieOf(first: Room, rooms: readonly Room[], rules: Rules): ReadonlyMap<string, Lie> {
  const found = new Map<string, Lie>([[first.id, inPlace]])
  const all = joints(
    rooms.filter((room) => room.closing.state === 'closed'),
    rules,
  )
  for (let grown = true; grown;) {
    grown = false
    for (const joint of all)
      for (const [here, there] of [
        [joint.left, joint.right],
        [joint.right, joint.left],
      ] as const) {
        const lie = found.get(here.room.id)
        if (!lie || found.has(there.room.id)) continue
        found.set(there.room.id, beside(lie, here, there, joint.throughMm))
        grown = true
      }
  }
  return found
}

const middle = ({ opening }: Side): number => (opening.u0 + opening.u1) / 2
const heading = ({ wall }: Side, at: number): number => {
  const way = wayOn(wall, at)
  return Math.atan2(way.y, way.x)
}
/** The two faces of the opening lie opposite each other, a wall’s thickness apart, and look at each other. */
function beside(lie: Lie, here: Side, there: Side, throughMm: number): Lie {
  const turn = lie.turn + heading(here, middle(here)) + Math.PI - heading(there, middle(there))
  const target = laid(lie, pointOn(here.wall, middle(here), -throughMm))
  const own = laid({ turn, dx: 0, dy: 0 }, pointOn(there.wall, middle(there)))
  return { turn, dx: target.x - own.x, dy: target.y - own.y }
}

/** The plan of a room, and of the rooms that open into it, to scale. */
import { writeDimension } from '../../measure/length.ts'
import type { Point } from '../point.ts'
import type { Check } from '../walk.ts'
import { direction, inside, offset, sides } from '../geometry.ts'
import { lieOf } from '../joined.ts'
import { letterOf, pointOn, wayOn, type OnWall, type Room, type Wall } from '../room.ts'
import { sheet, type Sheet } from './sheet.ts'
import { type Drawing } from './marks.ts'
import { fixture, fixtureName, neighbour, opening } from './plan-things.ts'
import { type PlanOptions, around } from './plan-options.ts'

/** The plan of a room: walls, what is in and on them, its zones, and every measured length beside its wall. */
export function planOf(room: Room, options: PlanOptions): Drawing {
  const page = sheet(options.text)
  const closed = room.closing.state === 'closed'
  const thickness = closed ? options.rules['survey.wall-thickness'] : 0
  if (closed) {
    const lies = lieOf(room, [room, ...(options.beside ?? [])], options.rules)
    for (const otherRoom of options.beside ?? []) {
      const lie = lies.get(otherRoom.id)
      if (lie && otherRoom.id !== room.id) neighbour(page, otherRoom, lie, options)
    }
    page.draw(
      {
        is: 'line',
        layer: 'walls',
        stroke: 'fine',
        points: offset(room.outline, thickness),
        closed: true,
        filled: 'wall',
      },
      {
        is: 'line',
        layer: 'walls',
        stroke: 'fine',
        points: room.outline,
        closed: true,
        filled: 'paper',
        subject: { kind: 'room', id: room.id },
      },
    )
    page.keepClear(offset(room.outline, thickness), true)
  }
  for (const wall of room.walls) {
    page.draw({
      is: 'line',
      layer: 'walls',
      stroke: 'heavy',
      points: wall.points,
      subject: { kind: 'wall', id: wall.row.id },
    })
    page.keepClear(wall.points)
  }
  if (!closed && room.walls.length > 1) {
    const [first, last] = [room.walls[0], room.walls.at(-1)]
    if (first && last) page.dashed({ layer: 'checks', points: [last.to, first.from] })
  }
  if (room.ceiling && closed)
    for (const part of room.ceiling.parts)
      for (const [left, right] of sides(part.over))
        if (inside({ x: (left.x + right.x) / 2, y: (left.y + right.y) / 2 }, offset(room.outline, -2)))
          page.dashed({ layer: 'ceiling', points: [left, right] })
  for (const zone of room.zones)
    if (zone.outline)
      page.dashed({ layer: 'zones', points: zone.outline, closed: true, subject: { kind: 'zone', id: zone.row.id } })
  for (const wall of room.walls) for (const onWall of wall.openings) opening(page, wall, onWall, thickness)
  for (const wall of room.walls) for (const onWall of wall.fixtures) fixture(page, wall, onWall, options)
  options.things?.(page)
  if (options.diagonals ?? true)
    for (const { id, from: start, to } of checksOf(room)) {
      const [a, b] = [room.closing.corners[start], room.closing.corners[to]]
      if (a && b) page.dashed({ layer: 'checks', points: [a, b], subject: { kind: 'diagonal', id } })
    }
  // what matters most is placed first: each wall's length and letter, then corners and checks, then what is on the walls;
  // slanted walls before the others, since their lengths have the least choice of where to go
  for (const wall of [...room.walls.filter(isSlanted), ...room.walls.filter((wall) => !isSlanted(wall))])
    whole(page, wall, options, closed ? thickness : 0)
  letters(page, room)
  if (options.diagonals ?? true)
    for (const { id, from: start, to } of checksOf(room)) across(page, room, id, start, to, options)
  numbers(page, room)
  for (const wall of room.walls) chain(page, wall, options, closed ? thickness : 0)
  if (options.fixtures ?? true)
    for (const wall of room.walls) for (const fixture of wall.fixtures) fixtureName(page, room, wall, fixture)
  for (const zone of room.zones) {
    const [a, , c] = zone.outline ?? []
    if (a && c)
      page.label(zone.row.name, around({ x: (a.x + c.x) / 2, y: (a.y + c.y) / 2 }, page.size), 'zones', {
        subject: { kind: 'zone', id: zone.row.id },
      })
  }
  return page.finished()
}

/** Neither along the sheet nor up it. */
const isSlanted = ({ from: start, to }: Wall): boolean =>
  Math.min(Math.abs(to.x - start.x), Math.abs(to.y - start.y)) > 0.05 * Math.hypot(to.x - start.x, to.y - start.y)

const checksOf = (room: Room): readonly Check[] => (room.closing.state === 'closed' ? room.checks : [])

/** The outward side of a wall at a place along it. */
const outward = (wall: Wall, along: number): Point => {
  const way = wayOn(wall, along)
  return { x: -way.y, y: way.x }
}

/** A curved wall’s lengths stand off as far as it bulges. */
const standOff = (wall: Wall, thickness: number, size: number): number => 1.6 + Math.max(thickness, wall.rise) / size

const outwardOf = (wall: Wall): Point => outward({ ...wall, arc: null }, 0)

const onIt = (wall: Wall): readonly OnWall<'opening'>[] =>
  wall.arc ? [] : wall.openings.filter((opening) => opening.u0 > -1 && opening.u1 < wall.lengthMm + 1)

/** The length of a wall from corner to corner, outside the row of what is in it. */
function whole(page: Sheet, wall: Wall, { units, again = [] }: PlanOptions, thickness: number): void {
  const first = standOff(wall, thickness, page.size) + (onIt(wall).length === 0 ? 0 : isSlanted(wall) ? 2.7 : 1.8)
  if (wall.chordMm > 0)
    page.dimension({
      from: wall.from,
      to: wall.to,
      away: outwardOf(wall),
      text: writeDimension(wall.chordMm, units),
      first,
      subject: { kind: 'wall', id: wall.row.id },
      length: true,
      marked: again.includes(wall.row.id),
    })
}

/** From corner to opening to corner, one length after the other. */
function chain(page: Sheet, wall: Wall, { units }: PlanOptions, thickness: number): void {
  const openings = onIt(wall)
  if (openings.length === 0) return
  const stops = [
    ...new Set(
      [0, ...openings.flatMap((opening) => [opening.u0, opening.u1]), wall.lengthMm].map(
        (stop) => Math.round(stop * 10) / 10,
      ),
    ),
  ].toSorted((left, right) => left - right)
  // the longer ones first: a short one finds its place beside them
  const stretches = stops
    .slice(1)
    .map((to, index) => ({ from: stops[index] ?? 0, to }))
    .toSorted((left, right) => right.to - right.from - (left.to - left.from))
  for (const { from: start, to } of stretches) {
    const opening = openings.find((opening) => Math.abs(opening.u0 - start) < 0.2 && Math.abs(opening.u1 - to) < 0.2)
    if (to - start > 0.5)
      page.dimension({
        from: pointOn(wall, start),
        to: pointOn(wall, to),
        away: outwardOf(wall),
        text: writeDimension(to - start, units),
        first: standOff(wall, thickness, page.size),
        ...(opening ? { subject: { kind: 'opening' as const, id: opening.row.id } } : {}),
      })
  }
}

/** A check measure: its length is written along it, beside its line. */
function across(
  page: Sheet,
  room: Room,
  id: string,
  start: number,
  to: number,
  { units, again = [] }: PlanOptions,
): void {
  const [a, b] = [room.closing.corners[start], room.closing.corners[to]]
  const found = room.closing.lengths.find((length) => length.id === id)
  if (!a || !b || !found) return
  const way = direction(a, b)
  const text = writeDimension(found.adjustedMm, units)
  // off the middle, where two of them cross
  const places = [0.36, 0.64, 0.3, 0.7, 0.42, 0.58, 0.5, 0.2, 0.8].flatMap((share) =>
    [1, -1].map((side) => ({
      x: a.x + (b.x - a.x) * share - way.y * side * page.size * (0.5 + Math.abs(way.y) * text.length * 0.3),
      y: a.y + (b.y - a.y) * share + way.x * side * page.size * 0.85,
    })),
  )
  page.label(text, places, 'dimensions', { subject: { kind: 'diagonal', id }, marked: again.includes(id) })
}

/** A letter on each wall, inside the room. */
function letters(page: Sheet, room: Room): void {
  const { size } = page
  for (const wall of room.walls) {
    const base = (far: number, share: number): Point => pointOn(wall, wall.lengthMm * share, far * size)
    page.label(
      letterOf(wall.at),
      [1.1, 1.9, 2.7, 3.6].flatMap((far) => [0.5, 0.38, 0.62, 0.25, 0.75].map((share) => base(far, share))),
      'names',
      { subject: { kind: 'wall', id: wall.row.id }, strong: true },
    )
  }
}

/** A number in each corner, inside the room. */
function numbers(page: Sheet, room: Room): void {
  const { size } = page
  const { corners } = room.closing
  const count = room.closing.state === 'closed' ? corners.length : 0
  for (let at = 0; at < count; at++) {
    const [back, here, fore] = [corners[(at + count - 1) % count], corners[at], corners[(at + 1) % count]]
    if (!back || !here || !fore) continue
    const [point, two] = [direction(here, back), direction(here, fore)]
    const sum = { x: point.x + two.x, y: point.y + two.y }
    const way = Math.hypot(sum.x, sum.y) < 0.05 ? { x: two.y, y: -two.x } : direction({ x: 0, y: 0 }, sum)
    const turned = inside({ x: here.x + way.x * 5, y: here.y + way.y * 5 }, corners) ? way : { x: -way.x, y: -way.y }
    const near = { x: here.x + turned.x * size * 1.4, y: here.y + turned.y * size * 1.4 }
    page.label(
      String(at + 1),
      [
        ...[1, 1.5, 2.1, 2.8].map((far) => ({ x: here.x + turned.x * far * size, y: here.y + turned.y * far * size })),
        ...around(near, size * 0.6).filter((place) => inside(place, corners)),
      ],
      'names',
    )
  }
}

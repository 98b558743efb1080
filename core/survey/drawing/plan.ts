/** The plan of a room, and of the rooms that open into it, to scale. */
import { writeDimension, type UnitSystem } from '../../measure/length.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Point } from '../adjust.ts'
import type { Check } from '../closing.ts'
import { direction, inside, offset, sides } from '../geometry.ts'
import { laid, lieOf, type Lie } from '../joined.ts'
import { letterOf, pointOn, wayOn, type OnWall, type Room, type Wall } from '../room.ts'
import { sheet, type Drawing, type Mark, type Sheet } from './sheet.ts'

export type PlanOptions = {
  /** Height of the text in mm of the room: of the paper times the scale. */
  readonly text: number
  readonly units: UnitSystem
  readonly rules: Rules
  /** Rooms beside it are drawn where a shared opening joins them. */
  readonly beside?: readonly Room[]
  readonly diagonals?: boolean
  readonly fixtures?: boolean
  /** Lengths that are to be measured again. */
  readonly again?: readonly string[]
}

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

/** Places round a point, near ones first. */
function around({ x, y }: Point, size: number): Point[] {
  return [
    { x, y },
    ...[1.2, 2.4, 3.6, 5].flatMap((far) =>
      Array.from({ length: 8 }, (_, at) => ({
        x: x + far * size * Math.cos((at * Math.PI) / 4),
        y: y + far * size * Math.sin((at * Math.PI) / 4),
      })),
    ),
  ]
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

function opening(page: Sheet, wall: Wall, onWall: OnWall<'opening'>, thickness: number): void {
  const subject = { kind: 'opening' as const, id: onWall.row.id }
  const deep = -Math.max(thickness, 1)
  const [a, b, c, d] = [
    pointOn(wall, onWall.u0),
    pointOn(wall, onWall.u1),
    pointOn(wall, onWall.u1, deep),
    pointOn(wall, onWall.u0, deep),
  ]
  const line = (points: readonly Point[]): Mark => ({ is: 'line', layer: 'openings', stroke: 'firm', points, subject })
  if (onWall.row.what === 'niche') {
    const back = -(onWall.row.revealMm ?? thickness)
    const points = [a, pointOn(wall, onWall.u0, back), pointOn(wall, onWall.u1, back), b]
    page.draw({ is: 'line', layer: 'openings', stroke: 'firm', points, closed: true, filled: 'paper', subject })
    page.keepClear(points)
    return
  }
  page.draw(
    { is: 'line', layer: 'openings', stroke: 'fine', points: [a, b, c, d], closed: true, filled: 'paper', subject },
    line([a, d]),
    line([b, c]),
  )
  if (onWall.row.what === 'window')
    page.draw(
      line([a, b]),
      line([pointOn(wall, onWall.u0, deep / 2), pointOn(wall, onWall.u1, deep / 2)]),
      line([d, c]),
    )
  else if (onWall.row.what === 'arch')
    for (const points of [
      [a, b],
      [d, c],
    ])
      page.dashed({ layer: 'openings', points, subject })
  else {
    // the leaf stands open at a right angle; left and right are as one sees them from inside
    const { hinge, swing } = onWall.row
    if (swing === 'none' || hinge === 'none') {
      page.draw(line([pointOn(wall, onWall.u0, deep / 2), pointOn(wall, onWall.u1, deep / 2)]))
      return
    }
    const [at, value] = hinge === 'left' ? [onWall.u0, onWall.u1] : [onWall.u1, onWall.u0]
    const off = swing === 'in' ? 0 : deep
    const [pin, strike, tip] = [
      pointOn(wall, at, off),
      pointOn(wall, value, off),
      pointOn(wall, at, off + (swing === 'in' ? 1 : -1) * onWall.row.widthMm),
    ]
    const angle = (to: Point): number => (Math.atan2(to.y - pin.y, to.x - pin.x) * 180) / Math.PI
    const [start, to] = [angle(strike), angle(tip)]
    const turn = (((to - start) % 360) + 360) % 360
    page.draw(line([pin, tip]), {
      is: 'arc',
      layer: 'openings',
      stroke: 'fine',
      centre: pin,
      radius: onWall.row.widthMm,
      from: turn < 180 ? start : to,
      to: turn < 180 ? to : start,
      subject,
    })
    page.keepClear([pin, tip])
  }
}

/** The outline of a fixed thing seen from above; a point as a small mark on its wall. */
function fixture(page: Sheet, wall: Wall, onWall: OnWall<'fixture'>, { fixtures = true }: PlanOptions): void {
  if (!fixtures) return
  const subject = { kind: 'fixture' as const, id: onWall.row.id }
  const { outMm: out, what } = onWall.row
  const above = what === 'soffit'
  if (onWall.u1 > onWall.u0) {
    const deep = out + (onWall.row.depthMm ?? 60)
    const points = [
      pointOn(wall, onWall.u0, out),
      pointOn(wall, onWall.u1, out),
      pointOn(wall, onWall.u1, deep),
      pointOn(wall, onWall.u0, deep),
    ]
    page.draw({
      is: 'line',
      layer: 'fixtures',
      stroke: above ? 'dashed' : 'firm',
      points,
      closed: true,
      filled: above ? 'none' : 'paper',
      subject,
    })
    page.keepClear(points, true)
    return
  }
  const r = page.size * 0.32
  const at = pointOn(wall, onWall.u0, out > 0 ? out : r)
  page.draw({ is: 'arc', layer: 'fixtures', stroke: 'firm', centre: at, radius: r, from: 0, to: 360, subject })
  if (what === 'light point')
    page.draw(
      {
        is: 'line',
        layer: 'fixtures',
        stroke: 'firm',
        points: [
          { x: at.x - r, y: at.y - r },
          { x: at.x + r, y: at.y + r },
        ],
        subject,
      },
      {
        is: 'line',
        layer: 'fixtures',
        stroke: 'firm',
        points: [
          { x: at.x - r, y: at.y + r },
          { x: at.x + r, y: at.y - r },
        ],
        subject,
      },
    )
  else if (what === 'switch')
    page.draw({
      is: 'line',
      layer: 'fixtures',
      stroke: 'firm',
      points: [at, { x: at.x + r * 1.8, y: at.y + r * 1.8 }],
      subject,
    })
  page.keepClear(
    [
      { x: at.x - r, y: at.y - r },
      { x: at.x + r, y: at.y - r },
      { x: at.x + r, y: at.y + r },
      { x: at.x - r, y: at.y + r },
    ],
    true,
  )
}

/** What a fixed thing with a width is called, on it or before it in the room. */
function fixtureName(page: Sheet, room: Room, wall: Wall, onWall: OnWall<'fixture'>): void {
  if (onWall.u1 <= onWall.u0) return
  const middle = (onWall.u0 + onWall.u1) / 2
  const deep = onWall.row.outMm + (onWall.row.depthMm ?? 60)
  const before = pointOn(wall, middle, deep + page.size)
  page.label(
    onWall.name,
    [
      pointOn(wall, middle, (onWall.row.outMm + deep) / 2),
      ...around(before, page.size).filter((place) => room.outline.length === 0 || inside(place, room.outline)),
    ],
    'fixtures',
    { subject: { kind: 'fixture', id: onWall.row.id } },
  )
}

/** A room beside this one: its walls and its name, without lengths. */
function neighbour(page: Sheet, room: Room, lie: Lie, options: PlanOptions): void {
  const outline = room.outline.map((point) => laid(lie, point))
  const outer = offset(room.outline, options.rules['survey.wall-thickness']).map((point) => laid(lie, point))
  page.draw(
    { is: 'line', layer: 'walls', stroke: 'fine', points: outer, closed: true, filled: 'wall' },
    {
      is: 'line',
      layer: 'walls',
      stroke: 'firm',
      points: outline,
      closed: true,
      filled: 'paper',
      subject: { kind: 'room', id: room.id },
    },
  )
  page.keepClear(outline, true)
  page.keepClear(outer, true)
  const middle = outline.reduce((sum, { x, y }) => ({ x: sum.x + x / outline.length, y: sum.y + y / outline.length }), {
    x: 0,
    y: 0,
  })
  page.label(room.name, around(middle, page.size), 'names', { subject: { kind: 'room', id: room.id }, strong: true })
  for (const wall of room.walls)
    for (const opening of wall.openings) {
      const points = [
        pointOn(wall, opening.u0),
        pointOn(wall, opening.u1),
        pointOn(wall, opening.u1, -options.rules['survey.wall-thickness']),
        pointOn(wall, opening.u0, -options.rules['survey.wall-thickness']),
      ].map((point) => laid(lie, point))
      if (opening.row.what !== 'niche')
        page.draw({ is: 'line', layer: 'openings', stroke: 'fine', points, closed: true, filled: 'paper' })
    }
}

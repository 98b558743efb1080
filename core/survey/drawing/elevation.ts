/** One wall as one stands before it: its ceiling line, what is in and on it, and their heights. */
import { writeDimension, type UnitSystem } from '../../measure/length.ts'
import type { Point } from '../point.ts'
import { faceOf } from '../areas.ts'
import type { OnWall, Room, Wall } from '../room.ts'
import { sheet, type Sheet } from './sheet.ts'
import { type Drawing } from './marks.ts'
import { widthOf } from './boxes.ts'

export type ElevationOptions = { readonly text: number; readonly units: UnitSystem; readonly again?: readonly string[] }

/** The elevation of a wall in mm: along it to the right, above the floor upwards; an arc is unrolled. */
export function elevationOf(room: Room, wall: Wall, { text, units, again = [] }: ElevationOptions): Drawing {
  const page = sheet(text)
  const face = faceOf(room, wall)
  const length = wall.lengthMm
  const outline: readonly Point[] =
    face.length > 0
      ? face
      : [
          { x: 0, y: 0 },
          { x: length, y: 0 },
        ]
  page.draw({
    is: 'line',
    layer: 'walls',
    stroke: 'heavy',
    points: outline,
    closed: face.length > 0,
    filled: 'paper',
    subject: { kind: 'wall', id: wall.row.id },
  })
  page.keepClear(outline, face.length > 0)
  for (const height of [room.survey?.dadoMm, room.survey?.railMm])
    if (height != null)
      page.dashed({
        layer: 'walls',
        points: [
          { x: 0, y: height },
          { x: length, y: height },
        ],
      })
  for (const onWall of wall.openings) opening(page, onWall)
  for (const onWall of wall.fixtures) fixture(page, onWall)

  const write = (mm: number): string => writeDimension(mm, units)
  const down = { x: 0, y: -1 }
  const stops = [
    ...new Set(
      [0, ...wall.openings.flatMap((opening) => [opening.u0, opening.u1]), length].map(
        (stop) => Math.round(stop * 10) / 10,
      ),
    ),
  ]
    .filter((stop) => stop > -1 && stop < length + 1)
    .toSorted((left, right) => left - right)
  if (stops.length > 2)
    for (const [at, to] of stops.slice(1).entries()) {
      const value = stops[at] ?? 0
      const opening = wall.openings.find(
        (opening) => Math.abs(opening.u0 - value) < 0.2 && Math.abs(opening.u1 - to) < 0.2,
      )
      if (to - value > 0.5)
        page.dimension({
          from: { x: value, y: 0 },
          to: { x: to, y: 0 },
          away: down,
          text: write(to - value),
          first: 1.6,
          oneSided: true,
          ...(opening ? { subject: { kind: 'opening' as const, id: opening.row.id } } : {}),
        })
    }
  page.dimension({
    from: { x: 0, y: 0 },
    to: { x: length, y: 0 },
    away: down,
    text: write(length),
    first: stops.length > 2 ? 3.4 : 1.6,
    oneSided: true,
    subject: { kind: 'wall', id: wall.row.id },
    length: wall.arc === null,
    marked: again.includes(wall.row.id),
  })
  for (const [at, top] of [
    [0, face.at(-1)],
    [length, face[2]],
  ] as const)
    if (top && face.length > 0)
      page.dimension({
        from: { x: at, y: 0 },
        to: { x: at, y: top.y },
        away: { x: at === 0 ? -1 : 1, y: 0 },
        text: write(top.y),
        oneSided: true,
      })
  for (const opening of wall.openings)
    page.label(
      opening.name,
      [
        ...places((opening.u0 + opening.u1) / 2, (opening.z0 + opening.z1) / 2, page.size).slice(0, 3),
        { x: (opening.u0 + opening.u1) / 2, y: opening.z1 + page.size * 0.8 },
        ...places((opening.u0 + opening.u1) / 2, opening.z1 + page.size, page.size),
      ],
      'openings',
      { subject: { kind: 'opening', id: opening.row.id } },
    )
  for (const fixture of wall.fixtures) {
    const [x, y] = [(fixture.u0 + fixture.u1) / 2, (fixture.z0 + fixture.z1) / 2]
    const where = fixture.row.fromEnd ? length - fixture.u1 : fixture.u0
    const said = `${fixture.name} ${write(where)}${fixture.row.fromEnd ? ' from right' : ''}, ${write(fixture.z0)} up`
    page.label(
      said,
      places(x, y, page.size, widthOf(said, page.size) / 2).slice(fixture.u1 > fixture.u0 ? 0 : 1),
      'fixtures',
      {
        subject: { kind: 'fixture', id: fixture.row.id },
        shorter: fixture.name,
      },
    )
  }
  for (const opening of wall.openings)
    for (const [low, high] of [
      [0, opening.z0],
      [opening.z0, opening.z1],
    ] as const)
      if (high > low)
        page.dimension({
          from: { x: opening.u0, y: low },
          to: { x: opening.u0, y: high },
          away: { x: 1, y: 0 },
          text: write(high - low),
          first: 1.4,
          subject: { kind: 'opening', id: opening.row.id },
        })
  return page.finished()
}

/** Places for a text of a given half width about a point: on it, over and under it, beside it, and further off. */
const places = (x: number, y: number, size: number, half = 0): Point[] => [
  { x, y },
  ...[1.2, 2.4, 3.6, 5, 7].flatMap((far) =>
    [
      [0, 1],
      [0, -1],
      [1, 0],
      [-1, 0],
      [1, 1],
      [-1, 1],
      [1, -1],
      [-1, -1],
    ].map(([dx = 0, dy = 0]) => ({ x: x + dx * (half + far * size * 0.75), y: y + dy * far * size })),
  ),
]

function opening(page: Sheet, onWall: OnWall<'opening'>): void {
  const subject = { kind: 'opening' as const, id: onWall.row.id }
  const { u0, u1, z0, z1 } = onWall
  const frame = [
    { x: u0, y: z0 },
    { x: u1, y: z0 },
    { x: u1, y: z1 },
    { x: u0, y: z1 },
  ]
  page.draw({
    is: 'line',
    layer: 'openings',
    stroke: onWall.row.what === 'niche' ? 'dashed' : 'firm',
    points: frame,
    closed: true,
    filled: onWall.row.what === 'niche' ? 'none' : 'wall',
    subject,
  })
  page.keepClear(frame, true)
  if (onWall.row.what === 'window') {
    const inset = Math.min(60, (u1 - u0) / 6, (z1 - z0) / 6)
    const glass = [
      { x: u0 + inset, y: z0 + inset },
      { x: u1 - inset, y: z0 + inset },
      { x: u1 - inset, y: z1 - inset },
      { x: u0 + inset, y: z1 - inset },
    ]
    page.draw({ is: 'line', layer: 'openings', stroke: 'fine', points: glass, closed: true, subject })
    page.keepClear(glass, true)
  }
  if (onWall.row.what === 'door' && onWall.row.hinge !== 'none') {
    // dashed lines run from the free edge to the hinges
    const [pin, free] = onWall.row.hinge === 'left' ? [u0, u1] : [u1, u0]
    page.dashed({
      layer: 'openings',
      points: [
        { x: free, y: z0 },
        { x: pin, y: (z0 + z1) / 2 },
        { x: free, y: z1 },
      ],
      subject,
    })
  }
}

function fixture(page: Sheet, onWall: OnWall<'fixture'>): void {
  const subject = { kind: 'fixture' as const, id: onWall.row.id }
  const { u0, u1, z0, z1 } = onWall
  if (u1 > u0 || z1 > z0) {
    const points = [
      { x: u0, y: z0 },
      { x: u1, y: z0 },
      { x: u1, y: z1 },
      { x: u0, y: z1 },
    ]
    page.draw({
      is: 'line',
      layer: 'fixtures',
      stroke: onWall.row.what === 'soffit' ? 'dashed' : 'firm',
      points,
      closed: true,
      filled: 'none',
      subject,
    })
    page.keepClear(points, true)
    return
  }
  const r = page.size * 0.4
  const at = { x: u0, y: z0 }
  if (onWall.row.what === 'light point')
    page.draw({ is: 'arc', layer: 'fixtures', stroke: 'firm', centre: at, radius: r, from: 0, to: 360, subject })
  else
    page.draw(
      {
        is: 'line',
        layer: 'fixtures',
        stroke: 'firm',
        points: [
          { x: at.x - r, y: at.y - r },
          { x: at.x + r, y: at.y - r },
          { x: at.x + r, y: at.y + r },
          { x: at.x - r, y: at.y + r },
        ],
        closed: true,
        filled: onWall.row.what === 'switch' ? 'none' : 'paper',
        subject,
      },
      { is: 'arc', layer: 'fixtures', stroke: 'fine', centre: at, radius: r * 0.45, from: 0, to: 360, subject },
    )
  page.keepClear([
    { x: at.x - r, y: at.y },
    { x: at.x + r, y: at.y },
  ])
}

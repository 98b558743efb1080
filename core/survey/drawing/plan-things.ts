/** Openings and fixed things, as a plan draws them. */
import type { Point } from '../point.ts'
import { inside, offset } from '../geometry.ts'
import { laid, type Lie } from '../joined.ts'
import { pointOn, type OnWall, type Room, type Wall } from '../room.ts'
import { type Sheet } from './sheet.ts'
import { type Mark } from './marks.ts'
import { type PlanOptions, around } from './plan-options.ts'

export function opening(page: Sheet, wall: Wall, onWall: OnWall<'opening'>, thickness: number): void {
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
export function fixture(page: Sheet, wall: Wall, onWall: OnWall<'fixture'>, { fixtures = true }: PlanOptions): void {
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
export function fixtureName(page: Sheet, room: Room, wall: Wall, onWall: OnWall<'fixture'>): void {
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
export function neighbour(page: Sheet, room: Room, lie: Lie, options: PlanOptions): void {
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

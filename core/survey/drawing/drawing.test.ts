import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { writeDimension } from '../../measure/length.ts'
import { measuredRoom, rectangle, withBay, withBreast, type Measured } from '../../testing/surveyed.ts'
import { elevationOf } from './elevation.ts'
import { planOf } from './plan.ts'
import { type Drawing, type Mark } from './marks.ts'
import { widthOf } from './boxes.ts'

type P = { readonly x: number; readonly y: number }
type Text = Extract<Mark, { is: 'text' }>
const texts = (drawing: Drawing): Text[] => drawing.marks.filter((mark) => mark.is === 'text')
/** The four corners of a text as it is set, a little within its box, since touching is no collision. */
function cornersOf({ at, text, size, turn }: Text): P[] {
  const [half, tall] = [(widthOf(text, size) / 2) * 0.98, size * 0.5]
  const [cos, sin] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)]
  return [
    [-half, -tall],
    [half, -tall],
    [half, tall],
    [-half, tall],
  ].map(([u = 0, v = 0]) => ({ x: at.x + u * cos - v * sin, y: at.y + u * sin + v * cos }))
}
const turnOf = (a: P, b: P, c: P): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
const crosses = (a: P, b: P, c: P, d: P): boolean =>
  turnOf(a, b, c) * turnOf(a, b, d) < 0 && turnOf(c, d, a) * turnOf(c, d, b) < 0
const within = (p: P, box: readonly P[]): boolean =>
  box.every((corner, at) => turnOf(corner, box[(at + 1) % 4] ?? corner, p) > 0)
/** Does a segment meet a box? Independent of how the drawing was laid out. */
const meets = (a: P, b: P, box: readonly P[]): boolean =>
  within(a, box) || within(b, box) || box.some((corner, at) => crosses(a, b, corner, box[(at + 1) % 4] ?? corner))

const rooms: fc.Arbitrary<Measured> = fc
  .record({
    width: fc.integer({ min: 1800, max: 7000 }),
    depth: fc.integer({ min: 1800, max: 6000 }),
    shape: fc.constantFrom('plain', 'breast', 'bay'),
    openings: fc.array(
      fc.record({
        wall: fc.nat({ max: 7 }),
        share: fc.double({ min: 0, max: 0.9, noNaN: true }),
        widthMm: fc.integer({ min: 60, max: 1500 }),
        what: fc.constantFrom('door' as const, 'window' as const, 'arch' as const),
      }),
      { maxLength: 8 },
    ),
    diagonals: fc.boolean(),
    points: fc.array(fc.record({ wall: fc.nat({ max: 3 }), share: fc.double({ min: 0, max: 1, noNaN: true }) }), {
      maxLength: 6,
    }),
    feet: fc.boolean(),
  })
  .map(({ width, depth, shape, openings, diagonals, points, feet }): Measured => {
    const walls: Measured['walls'] =
      shape === 'breast'
        ? withBreast(width, depth, depth * 0.3, depth * 0.4, 350)
        : shape === 'bay'
          ? withBay(width, depth, width * 0.3, width * 0.2, width * 0.12)
          : rectangle(width, depth)
    const length = (wall: number): number => walls[wall]?.lengthMm ?? 1000
    return {
      walls,
      checks: diagonals && shape !== 'bay' ? [[1, 3, Math.hypot(width, shape === 'breast' ? depth * 0.3 : depth)]] : [],
      openings: openings
        .filter(({ wall }) => wall < walls.length)
        .map(({ wall, share, widthMm, what }) => ({
          wall,
          what,
          fromMm: share * length(wall),
          widthMm,
          sillMm: what === 'window' ? 800 : 0,
          headMm: 2000,
          hinge: 'left' as const,
          swing: 'in' as const,
        })),
      fixtures: points.map(({ wall, share }) => ({
        wall,
        what: 'socket' as const,
        fromMm: share * length(wall),
        aboveMm: 300,
      })),
      survey: { heightMm: 2500 },
      units: feet ? 'feet and inches' : 'metric',
    }
  })

function everyDrawing(measured: Measured, text: number): Drawing[] {
  const { room, rules } = measuredRoom(measured)
  const units = measured.units ?? 'metric'
  return [planOf(room, { text, units, rules }), ...room.walls.map((wall) => elevationOf(room, wall, { text, units }))]
}

const sidesOf = (box: readonly P[]): [P, P][] =>
  box.map((corner, side) => [corner, box[(side + 1) % box.length] ?? corner])
/** Texts on a dashed line that is not broken under them. */
function struckThrough(drawing: Drawing): string[] {
  const dashes = drawing.marks.flatMap((mark) =>
    mark.is === 'line' && mark.stroke === 'dashed'
      ? [
          ...mark.points.slice(1).map((to, at): [P, P] => [mark.points[at] ?? to, to]),
          ...(mark.closed ? sidesOf(mark.points).slice(-1) : []),
        ]
      : [],
  )
  return texts(drawing)
    .filter((text) => !text.breaks && dashes.some(([a, b]) => meets(a, b, cornersOf(text))))
    .map(({ text }) => text)
}

/** Every text that another text, a dimension line or a wall runs into. */
function collisions(drawing: Drawing): string[] {
  const boxes = texts(drawing).map((text) => ({ text: text.text, box: cornersOf(text) }))
  const lines = drawing.marks.flatMap((mark) => {
    if (mark.is !== 'line' || !((mark.layer === 'dimensions' && mark.stroke === 'fine') || mark.stroke === 'heavy'))
      return []
    return mark.points.slice(1).map((to, at): [P, P] => [mark.points[at] ?? to, to])
  })
  return boxes.flatMap((box, at) => [
    ...boxes
      .slice(at + 1)
      .filter((otherBox) => sidesOf(box.box).some(([a, b]) => meets(a, b, otherBox.box)))
      .map((otherBox) => `${box.text} on ${otherBox.text}`),
    ...lines.filter(([a, b]) => meets(a, b, box.box)).map(() => `a line through ${box.text}`),
  ])
}

describe('a drawing', () => {
  it('no two texts and no dimension line ever collide, at any scale', () => {
    fc.assert(
      fc.property(rooms, fc.constantFrom(40, 90, 160, 300), (measured, text) => {
        for (const drawing of everyDrawing(measured, text))
          expect([...collisions(drawing), ...struckThrough(drawing)]).toEqual([])
      }),
      { numRuns: 60 },
    )
  }, 30_000)
  it('every wall has its letter and its length on the plan, or the length is listed as left out', () => {
    fc.assert(
      fc.property(rooms, fc.constantFrom(60, 120), (measured, text) => {
        const { room, rules } = measuredRoom(measured)
        const drawing = planOf(room, { text, units: 'metric', rules })
        const said = texts(drawing)
        for (const wall of room.walls)
          expect(
            said.some((entry) => entry.length && entry.subject?.id === wall.row.id) ||
              drawing.unplaced.includes(writeDimension(wall.chordMm, 'metric')),
          ).toBe(true)
      }),
      { numRuns: 60 },
    )
  }, 30_000)
  it('leaves nothing out of an ordinary room at 1 : 50 with 2.5 mm text', () => {
    const { room, rules } = measuredRoom({
      walls: withBreast(5200, 4100, 1300, 1500, 350),
      survey: { heightMm: 2600 },
      openings: [
        { wall: 0, what: 'window', fromMm: 1000, widthMm: 1400, sillMm: 800, headMm: 2200 },
        { wall: 7, what: 'door', fromMm: 300, widthMm: 830, headMm: 2030, hinge: 'right', swing: 'in' },
      ],
    })
    const plan = planOf(room, { text: 125, units: 'metric', rules })
    expect(plan.unplaced).toEqual([])
    expect(texts(plan).map((text) => text.text)).toEqual(
      expect.arrayContaining(['5200', '4100', '1300', '1500', '350', '1400', '830', 'A', 'H', '1', '8']),
    )
  })
  it('keeps the lengths of a bay outside the room, beside its walls', () => {
    const { room, rules } = measuredRoom({
      walls: withBay(6200, 4600, 1900, 1300, 560),
      survey: { heightMm: 2600 },
      openings: [1, 3].map((wall) => ({
        wall,
        what: 'window' as const,
        fromMm: 100,
        widthMm: 590,
        sillMm: 600,
        headMm: 2200,
      })),
    })
    const plan = planOf(room, { text: 150, units: 'metric', rules })
    expect(plan.unplaced).toEqual([])
    const turned = texts(plan).filter((text) => Math.abs(Math.abs(text.turn) - 45) < 1)
    expect(turned.map(({ text }) => text).toSorted()).toEqual(
      ['100', '102', '590', '792', '100', '102', '590', '792'].toSorted(),
    )
    const { corners } = room.closing
    for (const { at } of turned)
      expect(
        corners.some((corner, index) => turnOf(corner, corners[(index + 1) % corners.length] ?? corner, at) > 0),
      ).toBe(true)
  })
  it('draws to scale: the walls of the plan are as long as they were measured', () => {
    const { room, rules } = measuredRoom({ walls: rectangle(4321, 3210) })
    const walls = planOf(room, { text: 100, units: 'metric', rules }).marks.flatMap((mark) =>
      mark.is === 'line' && mark.stroke === 'heavy' ? [mark.points] : [],
    )
    expect(walls.map(([a, b]) => Math.hypot((b?.x ?? 0) - (a?.x ?? 0), (b?.y ?? 0) - (a?.y ?? 0)))).toEqual(
      [4321, 3210, 4321, 3210].map((value): unknown => expect.closeTo(value, 6)),
    )
  })
  it('marks the length that is to be measured again', () => {
    const { room, rules, wallIds } = measuredRoom({
      walls: rectangle(5000, 3600).map((wall, at) => (at === 1 ? { lengthMm: 3900 } : wall)),
      checks: [
        [1, 3, Math.hypot(5000, 3600)],
        [2, 4, Math.hypot(5000, 3600)],
      ],
    })
    expect(room.closing.again?.named).toBe(wallIds[1])
    const marked = texts(
      planOf(room, { text: 100, units: 'metric', rules, again: room.closing.again?.set ?? [] }),
    ).filter((text) => text.marked)
    expect(marked.map((entry) => entry.subject?.id)).toEqual([wallIds[1]])
  })
})

describe('a door on the plan', () => {
  const door = (hinge: 'left' | 'right', swing: 'in' | 'out') => {
    const { room, rules } = measuredRoom({
      walls: rectangle(5000, 4000),
      openings: [{ wall: 0, what: 'door', fromMm: 1000, widthMm: 800, headMm: 2000, hinge, swing }],
    })
    const drawing = planOf(room, { text: 100, units: 'metric', rules })
    const arc = drawing.marks.find((mark) => mark.is === 'arc' && mark.layer === 'openings')
    if (arc?.is !== 'arc') throw new Error('a door swings')
    return { arc, wall: room.walls[0] }
  }
  it.each([
    ['left', 'in'],
    ['left', 'out'],
    ['right', 'in'],
    ['right', 'out'],
  ] as const)('hinged %s, opening %s, swings a quarter of a circle as wide as its leaf', (hinge, swing) => {
    const { arc, wall } = door(hinge, swing)
    expect(arc.radius).toBe(800)
    expect((((arc.to - arc.from) % 360) + 360) % 360).toBeCloseTo(90, 6)
    // one end of it is the other jamb, the other stands at a right angle to the wall, on the side it opens to
    const ends = [arc.from, arc.to].map((deg) => ({
      x: arc.centre.x + 800 * Math.cos((deg * Math.PI) / 180),
      y: arc.centre.y + 800 * Math.sin((deg * Math.PI) / 180),
    }))
    if (!wall) throw new Error('a room has walls')
    const [dx, dy] = [(wall.to.x - wall.from.x) / wall.lengthMm, (wall.to.y - wall.from.y) / wall.lengthMm]
    // walked with the wall to the left, the room lies to the right
    const inward = ends.map((end) => (end.x - arc.centre.x) * dy - (end.y - arc.centre.y) * dx)
    const along = ends.map((end) => (end.x - arc.centre.x) * dx + (end.y - arc.centre.y) * dy)
    const tip = Math.abs(inward[0] ?? 0) > 400 ? 0 : 1
    expect(inward[tip]).toBeCloseTo(swing === 'in' ? 800 : -800, 3)
    expect(along[1 - tip]).toBeCloseTo(hinge === 'left' ? 800 : -800, 3)
  })
})

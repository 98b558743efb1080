/** Where things stand: by pencil, by a second polygon library, and by what must hold of any room. */
import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import { furnished, type Stood } from '../testing/placed.ts'
import { rectangle } from '../testing/surveyed.ts'
import { reckon } from '../reckoning/reckon.ts'
import { change, testToday } from '../testing/small-makeover.ts'
import { edit } from '../makeover/change.ts'
import { headOf } from '../makeover/document.ts'
import { overlapOf } from './apart.ts'
import { allChecks, checksOf } from './checks.ts'
import { bareField, withBodies } from './clearance.ts'
import { convexParts, outlineOf, rectangleAbout, stood } from './shapes.ts'
import { waysOf } from './ways.ts'

// the plan's first wall runs along x from the origin, and the room lies below it
const room = { walls: rectangle(5000, 4000), survey: { heightMm: 2500 } }
const codes = (things: readonly Stood[], measured = room): string[] => {
  const { setting, bodies, rules } = furnished(measured, things)
  return allChecks(setting, bodies, rules)
    .filter(({ weight }) => weight !== 'well')
    .map(({ code }) => code)
}
const sofa = (x: number, y: number, turn = 0): Stood => ({
  name: 'Sofa',
  size: [2000, 900, 800],
  at: [x, y, turn],
  piece: { thing: 'seat' },
})
const lowTable = (x: number, y: number): Stood => ({
  name: 'Low table',
  size: [1100, 600, 400],
  at: [x, y],
  piece: { thing: 'table' },
})

describe('outlines', () => {
  const pose = fc.record({
    xMm: fc.integer({ min: -3000, max: 3000 }),
    yMm: fc.integer({ min: -3000, max: 3000 }),
    turnDeg: fc.integer({ min: 0, max: 359 }),
  })
  const shape = fc.record({
    shape: fc.constantFrom('rectangle' as const, 'L' as const, 'round' as const, 'oval' as const),
    notchWidthMm: fc.integer({ min: 100, max: 400 }),
    notchDepthMm: fc.integer({ min: 100, max: 400 }),
    points: fc.constant(''),
  })
  it('overlap where a second library finds a common area, and only there', () => {
    const size = fc.integer({ min: 500, max: 2500 })
    fc.assert(
      fc.property(size, size, shape, pose, size, size, shape, pose, (w, d, left, at, v, e, right, to) => {
        const [first, second] = [outlineOf(w, d, left), outlineOf(v, e, right)]
        const found = overlapOf(
          convexParts(first).map((part) => stood(part, at)),
          convexParts(second).map((part) => stood(part, to)),
        )
        const ring = (points: readonly { x: number; y: number }[]): [number, number][][] => [
          points.map(({ x, y }) => [x, y]),
        ]
        const common = polygonClipping.intersection(ring(stood(first, at)), ring(stood(second, to)))
        const area = common.flat().reduce((sum, points) => {
          const twice = points.reduce((total, [x, y], index) => {
            const [nextX, nextY] = points[(index + 1) % points.length] ?? [x, y]
            return total + x * nextY - nextX * y
          }, 0)
          return sum + Math.abs(twice) / 2
        }, 0)
        // what only touches is neither: a sliver of less than the touch across
        if (found) expect(area).toBeGreaterThan(0)
        else expect(area).toBeLessThan(0.5 * 2 * (w + d + v + e))
      }),
      { numRuns: 300 },
    )
  })
  it('keep their area where they stand, whichever way they are turned', () => {
    fc.assert(
      fc.property(shape, pose, (outline, at) => {
        const area = (points: readonly { x: number; y: number }[]): number =>
          Math.abs(
            points.reduce((sum, { x, y }, index) => {
              const next = points[(index + 1) % points.length] ?? { x, y }
              return sum + x * next.y - next.x * y
            }, 0) / 2,
          )
        const own = outlineOf(1500, 900, outline)
        expect(area(stood(own, at))).toBeCloseTo(area(own), 0)
      }),
    )
  })
})

describe('in a room of 5000 × 4000', () => {
  it('two things in one place are a stop, by as much as they are in one another', () => {
    const { setting, bodies, rules } = furnished(room, [sofa(2000, -1000), { ...sofa(2000, -1800), name: 'Settee' }])
    const [found] = allChecks(setting, bodies, rules)
    // 900 deep each, 800 apart: 100
    expect(found).toMatchObject({ code: 'overlap', weight: 'stop', mm: expect.closeTo(100, 6) })
  })
  it('things that touch do not overlap, nor does a chair under a table or a lamp on it', () => {
    expect(codes([sofa(1500, -1000), { ...sofa(3500, -1000), name: 'Settee' }])).toEqual([])
    const table: Stood = { name: 'Table', size: [1400, 900, 740], at: [2500, -2000], piece: { thing: 'table' } }
    const chair: Stood = {
      name: 'Chair',
      size: [450, 500, 850],
      at: [2500, -2600],
      piece: { thing: 'seat' },
      topMm: 450,
    }
    const lamp: Stood = { name: 'Lamp', size: [300, 300, 500], at: [2300, -2000], piece: { thing: 'light' } }
    expect(codes([table, chair, lamp])).toEqual([])
    // with arms that are as high as the top it stays out
    expect(codes([table, { ...chair, topMm: 700 }])).toContain('overlap')
  })
  it('a thing through a wall, higher than the room, larger than the room', () => {
    const { setting, bodies, body, rules } = furnished(room, [sofa(900, -1000)])
    expect(checksOf(setting, bodies, body('Sofa'), rules)[0]).toMatchObject({
      code: 'outside',
      mm: expect.closeTo(100, 6),
    })
    expect(codes([{ ...sofa(2500, -2000), size: [2000, 900, 2600] }])).toEqual(['too-tall'])
    expect(codes([{ ...sofa(2500, -2000), size: [6000, 900, 800] }])).toContain('outside')
  })
  it('a low table 400 before a sofa is well, 200 is a look, 700 a note', () => {
    const before = (y: number) => {
      const { setting, bodies, body, rules } = furnished(room, [sofa(2500, -500), lowTable(2500, y)])
      return checksOf(setting, bodies, body('Sofa'), rules).find(({ code }) => code === 'sofa-table')
    }
    // the sofa's front is at -950, the table is 600 deep
    expect(before(-1650)).toMatchObject({ weight: 'well', mm: expect.closeTo(400, 6) })
    expect(before(-1450)).toMatchObject({ weight: 'look', mm: expect.closeTo(200, 6), wantedMm: 350 })
    expect(before(-1950)).toMatchObject({ weight: 'note', mm: expect.closeTo(700, 6), wantedMm: 450 })
  })
  it('opened, a sofa bed meets its table; the rug under it does not mind', () => {
    const bed: Stood = { ...sofa(2500, -500), opens: [{ name: 'open as a bed', frontMm: 1100 }] }
    const rug: Stood = { name: 'Rug', size: [2400, 1700, 10], at: [2500, -1500], piece: { thing: 'rug' } }
    const { setting, bodies, body, rules } = furnished(room, [bed, lowTable(2500, -1650), rug])
    const open = checksOf(setting, bodies, body('Sofa'), rules).filter(({ code }) => code === 'open')
    // 1100 out from -950 is -2050; the table reaches from -1350 to -1950
    expect(open).toMatchObject([{ weight: 'look', about: 'open as a bed|Low table', mm: expect.closeTo(700, 6) }])
  })
  it('a wardrobe wants 600 before it, a double bed 600 at both sides, with its bedside table', () => {
    const wardrobe: Stood = { name: 'Wardrobe', size: [1200, 600, 2000], at: [2500, -300], piece: { thing: 'storage' } }
    expect(codes([wardrobe])).toEqual([])
    expect(codes([wardrobe, { ...sofa(2500, -1400), size: [1000, 600, 800] }])).toEqual(['front'])
    const bed = (x: number): Stood => ({
      name: 'Bed',
      size: [1600, 2000, 500],
      at: [x, -1000],
      piece: { thing: 'bed' },
    })
    expect(codes([bed(2500)])).toEqual([])
    expect(codes([bed(1000)])).toEqual(['bed-side'])
    const stand: Stood = { name: 'Bedside table', size: [450, 400, 550], at: [1470, -200], piece: { thing: 'table' } }
    expect(codes([bed(2500), stand])).toEqual([])
  })
  it('behind those who sit at a table stays 32 inches (NKBA)', () => {
    const table: Stood = { name: 'Table', size: [1600, 900, 740], at: [2500, -1500], piece: { thing: 'table' } }
    const chairs = [2200, 2800].map((x, at): Stood => ({
      name: `Chair ${at}`,
      size: [450, 500, 850],
      at: [x, -900, 180],
      piece: { thing: 'seat' },
    }))
    // the edge is at -1050, the wall at 0
    expect(codes([table, ...chairs])).toEqual([])
    expect(
      codes([
        { ...table, at: [2500, -1200] },
        ...chairs.map((chair) => ({ ...chair, at: [chair.at[0], -600, 180] as const })),
      ]),
    ).toEqual(['dining'])
  })
  it('a door that does not open, a window that is covered, a radiator that is built in', () => {
    const measured = {
      ...room,
      openings: [
        {
          wall: 0,
          what: 'door' as const,
          fromMm: 500,
          widthMm: 800,
          headMm: 2000,
          hinge: 'left' as const,
          swing: 'in' as const,
        },
        { wall: 0, what: 'window' as const, fromMm: 2500, widthMm: 1500, sillMm: 800, headMm: 2000 },
      ],
      fixtures: [
        { wall: 2, what: 'radiator' as const, fromMm: 2000, aboveMm: 100, widthMm: 1000, heightMm: 600, depthMm: 100 },
      ],
    }
    const box = (x: number, y: number, height: number): Stood => ({
      name: 'Box',
      size: [1000, 400, height],
      at: [x, y],
      piece: { thing: 'other' },
    })
    expect(codes([box(1000, -500, 500)], measured)).toEqual(['door'])
    expect(codes([box(3200, -250, 1600)], measured)).toEqual(['window'])
    // a bench under the sill covers nothing
    expect(codes([box(3200, -250, 700)], measured)).toEqual([])
    // the third wall runs back along y = -4000; the radiator stands at x from 2000 to 3000, 100 deep
    expect(codes([box(2500, -3650, 700)], measured)).toEqual(['radiator'])
  })
})

describe('ways', () => {
  const measured = {
    ...room,
    openings: [{ wall: 0, what: 'door' as const, fromMm: 500, widthMm: 900, headMm: 2000 }],
  }
  const zones = [{ name: 'By the far wall', wall: 2, fromMm: 500, widthMm: 3500, depthMm: 800 }]
  const clear = (things: readonly Stood[]) => {
    const { setting, bodies, rules } = furnished(measured, things, zones)
    const solids = [...bodies, ...setting.built]
    return waysOf(setting, withBodies(bareField(setting), solids), solids, rules['place.way-main'])
  }
  it('an empty room is wide open', () => {
    expect(clear([])).toMatchObject([{ isWide: true, clearMm: 900 }])
  })
  it('between a row of shelves and the wall as wide as the gap is, and between which things', () => {
    // a row from wall to wall but for 640 at the right
    const row: Stood = { name: 'Shelves', size: [4360, 400, 1800], at: [2180, -2000], piece: { thing: 'other' } }
    const [way] = clear([row])
    expect(way).toMatchObject({ isWide: false, clearMm: expect.closeTo(640, 3) })
    expect(way?.narrowest?.between.map((body) => body?.name ?? 'wall').toSorted()).toEqual(['Shelves', 'wall'])
    const [parted] = clear([
      { ...row, name: 'Left', size: [2000, 400, 1800], at: [1000, -2000] },
      { ...row, name: 'Right', size: [2480, 400, 1800], at: [3760, -2000] },
    ])
    expect(parted).toMatchObject({ clearMm: expect.closeTo(520, 3) })
  })
  it('closed from wall to wall there is none', () => {
    expect(
      clear([{ name: 'Shelves', size: [5000, 400, 1800], at: [2500, -2000], piece: { thing: 'other' } }]),
    ).toMatchObject([{ clearMm: 0 }])
  })
  it('one more thing never widens a way; a lamp overhead and a rug change none', () => {
    const box = fc.record({
      x: fc.integer({ min: 600, max: 4400 }),
      y: fc.integer({ min: -3400, max: -900 }),
      turn: fc.constantFrom(0, 30, 90),
      wide: fc.integer({ min: 400, max: 1200 }),
    })
    fc.assert(
      fc.property(fc.array(box, { minLength: 1, maxLength: 4 }), (boxes) => {
        const things = boxes.map(({ x, y, turn, wide }, at): Stood => ({
          name: `Box ${at}`,
          size: [wide, 500, 700],
          at: [x, y, turn],
          piece: { thing: 'other' },
        }))
        const [more] = clear(things)
        const [fewer] = clear(things.slice(1))
        // a measured gap is exact where the grid agrees with it, else as fine as its cells
        expect(more?.clearMm ?? 0).toBeLessThanOrEqual((fewer?.clearMm ?? 0) + 150)
        const over: Stood = {
          name: 'Pendant',
          size: [500, 500, 300],
          at: [2500, -2000],
          piece: { thing: 'light', name: 'Pendant' },
        }
        const rug: Stood = { name: 'Rug', size: [3000, 2000, 10], at: [2500, -2000], piece: { thing: 'rug' } }
        expect(clear([...things, over, rug])[0]?.clearMm).toBe(more?.clearMm)
      }),
      { numRuns: 40 },
    )
  }, 60_000)
})

it('remarks tell it in the units of the makeover, and a placement is as far as what stands', () => {
  const { documents } = furnished(room, [sofa(2000, -1000), { ...sofa(2000, -1800), name: 'Settee' }])
  const head = headOf(documents.makeover)
  if (!head) throw new Error('no makeover')
  const { remarks } = reckon(change(documents, [edit('makeover', head, { units: 'feet and inches' })]), testToday)
  const stop = remarks.find(({ code }) => code === 'placement.overlap')
  expect(stop).toMatchObject({ weight: 'stop', title: 'Sofa and Settee stand in one place' })
  expect(stop?.sentence.replaceAll(/\s/g, ' ')).toMatch(/They are 3 7\/8" in one another/)
})
it('the outline of a thing as wide as deep is its box', () => {
  expect(rectangleAbout(200, 100)).toEqual([
    { x: -100, y: -50 },
    { x: 100, y: -50 },
    { x: 100, y: 50 },
    { x: -100, y: 50 },
  ])
})

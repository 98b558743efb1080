/** Boards, carpet, mouldings, frames and hard ground: by pencil, by another way of counting, and by what must hold of each. */
import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import { minor } from '../money/minor.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { areaOf, type Point } from '../survey/index.ts'
import { layBoards, type Boarding } from './boards.ts'
import { layCarpet } from './carpet.ts'
import { cheapestCuts } from './cuts.ts'
import { slabOf } from './hard-ground.ts'
import { framePieces, framesOn, piecesOf, railHeight } from './mouldings.ts'
import { rectangle, stretches } from './outlines.ts'

const rules = effectiveRules()
const floor = (width: number, depth: number): Point[][] => [rectangle(0, 0, width, depth)]
/** An L: the rectangle less its upper right corner. */
const ell = (width: number, depth: number, cutX: number, cutY: number): Point[] => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: depth - cutY },
  { x: width - cutX, y: depth - cutY },
  { x: width - cutX, y: depth },
  { x: 0, y: depth },
]
function boarding(region: readonly (readonly Point[])[], lengthMm: number, widthMm: number, reuse = true): Boarding {
  const laid = layBoards(region, { lengthMm, widthMm }, reuse, rules)
  if (!laid.ok) throw new Error(laid.error)
  return laid.boarding
}

describe('boards', () => {
  it('of a floor of 4000 × 2000, by hand', () => {
    // between gaps of 10: 3980 × 1980. 1980 ÷ 180 are 11 rows; in each a board of 2000 and one of 1980, which is cut
    const plain = boarding(floor(4000, 2000), 2000, 180, false)
    expect(plain).toMatchObject({ rows: 11, ripped: false, shortEnds: 0, nearJoints: 0 })
    expect(plain.least).toBe(Math.ceil((3980 * 1980) / (2000 * 180)))
    expect(plain.taken).toBeGreaterThanOrEqual(22)
    expect(boarding(floor(4000, 2000), 2000, 180).taken).toBeLessThanOrEqual(plain.taken)
  })
  it('a last row that would be too thin is shared with the first', () => {
    // 1980 + 30 = 2010 between the gaps: eleven rows and 30 mm, under a third of 180: first and last are 105 each
    const found = boarding(floor(4000, 2030), 2000, 180)
    expect(found).toMatchObject({ ripped: true, rows: 12 })
    expect(found.firstMm).toBeCloseTo(105, 6)
    expect(found.lastMm).toBeCloseTo(105, 6)
  })
  it('cover the floor between the gaps and nothing else, ends and joints as wanted, each board used once', () => {
    const room = fc.record({
      width: fc.integer({ min: 2500, max: 7000 }),
      depth: fc.integer({ min: 1500, max: 5000 }),
      cutX: fc.integer({ min: 0, max: 1200 }),
      cutY: fc.integer({ min: 0, max: 1200 }),
      length: fc.constantFrom(1200, 1820, 2200),
      width_: fc.integer({ min: 90, max: 240 }),
      reuse: fc.boolean(),
    })
    fc.assert(
      fc.property(room, ({ width, depth, cutX, cutY, length, width_, reuse }) => {
        const outline = cutX > 50 && cutY > 50 ? ell(width, depth, cutX, cutY) : rectangle(0, 0, width, depth)
        const found = boarding([outline], length, width_, reuse)
        // by a second library: the union of the boards lies in the floor, and no board over another
        const rings = found.boards.map((board) => rectangle(board.x, board.y, board.length, board.width))
        const ring = (points: readonly Point[]): [number, number][][] => [points.map(({ x, y }) => [x, y])]
        const [first, ...more] = rings.map(ring)
        const union = polygonClipping.union(first ?? [], ...more)
        const area = (shape: typeof union): number =>
          shape.reduce(
            (sum, polygon) =>
              sum +
              polygon.reduce(
                (rest, points, at) => rest + (at === 0 ? 1 : -1) * areaOf(points.map(([x, y]) => ({ x, y }))),
                0,
              ),
            0,
          )
        const laid = rings.reduce((sum, points) => sum + areaOf(points), 0)
        expect(area(union)).toBeCloseTo(laid, 0)
        // a row that a corner juts into runs as far as any of it does: the corner is notched out of it
        expect(area(polygonClipping.intersection(union, ring(outline)))).toBeGreaterThan(laid - 1200 * width_ - 1)
        const perimeter = 2 * (width + depth)
        expect(areaOf(outline) - laid).toBeLessThan(perimeter * 10 + 1)
        // what is cut from a board is no longer than the board
        const by = new Map<number, number>()
        for (const { board, length: piece, width: ripped } of found.boards)
          by.set(board, (by.get(board) ?? 0) + (ripped < width_ - 1e-6 ? length : piece))
        for (const [board, used] of by) {
          const pieces = found.boards.filter((piece) => piece.board === board)
          if (pieces.every((piece) => piece.width > width_ - 1e-6)) expect(used).toBeLessThanOrEqual(length + 1e-6)
        }
        expect(found.taken).toBe(by.size)
        expect(found.taken).toBeGreaterThanOrEqual(found.least)
      }),
      { numRuns: 120 },
    )
  }, 120_000)
  it('joints of neighbouring rows are apart where nothing is said of them', () => {
    const { boards, nearJoints, shortEnds } = boarding(floor(5200, 3600), 2200, 150)
    expect([nearJoints, shortEnds]).toEqual([0, 0])
    const joints = (row: number): number[] =>
      boards
        .filter((board) => board.row === row)
        .map(({ x, length }) => x + length)
        .slice(0, -1)
    for (let row = 1; row < 24; row++)
      for (const joint of joints(row))
        for (const before of joints(row - 1)) expect(Math.abs(joint - before)).toBeGreaterThanOrEqual(300 - 1e-6)
    for (const { length } of boards) expect(length).toBeGreaterThanOrEqual(300 - 1e-6)
  })
  it('says what is wrong', () => {
    expect(layBoards(floor(3000, 2000), { lengthMm: 0, widthMm: 100 }, true, rules)).toMatchObject({ ok: false })
    expect(layBoards(floor(3000, 2000), { lengthMm: 500, widthMm: 100 }, true, rules)).toMatchObject({ ok: false })
    expect(layBoards([], { lengthMm: 2000, widthMm: 100 }, true, rules)).toMatchObject({ ok: false })
  })
})

it('a strip across an L runs as far as the floor does there', () => {
  expect(stretches([ell(4000, 3000, 1000, 1000)], 100, 200)).toEqual([{ from: 0, to: 4000 }])
  expect(stretches([ell(4000, 3000, 1000, 1000)], 2500, 2600)).toEqual([{ from: 0, to: 3000 }])
  expect(stretches([ell(4000, 3000, 1000, 1000)], 1900, 2100)).toEqual([{ from: 0, to: 4000 }])
})

describe('carpet from the roll', () => {
  const roll = (widthMm: number, price = 30_00) => ({ widthMm, priceMinor: minor(price) })
  it('in one width where the roll is wide enough, in both directions priced', () => {
    // 3800 × 3000: 3.8 + 0.1 fits a roll of 4 m: 3.1 m of it, 12.4 m²
    const found = layCarpet(floor(3000, 3800), [roll(4000)], rules)
    expect(found.ok && found.plans[0]).toMatchObject({ seams: 0, m2: expect.closeTo(4 * 3.1, 9), cost: 12.4 * 30_00 })
    expect(found.ok && found.plans).toHaveLength(2)
  })
  it('with a seam each width loses 20 mm at it and 50 mm at its wall', () => {
    // two widths of 2 m cover 2 × (2000 − 50 − 20) = 3860: 3860 goes, 3861 takes a third
    const widths = (depth: number): number => {
      const found = layCarpet(floor(5000, depth), [roll(2000)], rules)
      return found.ok ? (found.plans.find(({ across }) => !across)?.widths.length ?? 0) : 0
    }
    expect([widths(1900), widths(1901), widths(3860), widths(3861)]).toEqual([1, 2, 2, 3])
  })
  it('a wider roll may cost more a metre and less in all', () => {
    const found = layCarpet(floor(4500, 3870), [roll(2000, 28_00), roll(4000, 30_00)], rules)
    expect(found.ok && found.plans[0]?.roll.widthMm).toBe(4000)
  })
  it('says what is wrong', () => {
    expect(layCarpet(floor(3000, 3000), [], rules)).toMatchObject({ ok: false })
    expect(layCarpet(floor(3000, 3000), [roll(30)], rules)).toMatchObject({ ok: false })
  })
})

describe('mouldings', () => {
  it('a run is longer by its fitting, and by its thickness at each corner that juts out', () => {
    const runs = [
      { name: 'A', lengthMm: 3000, start: 'inside', end: 'outside' },
      { name: 'B', lengthMm: 500, start: 'outside', end: 'outside' },
      { name: 'C', lengthMm: 0, start: 'square', end: 'square' },
    ] as const
    expect(piecesOf(runs, 20, 4000, rules)).toEqual([
      { name: 'A', lengthMm: 3030 },
      { name: 'B', lengthMm: 550 },
    ])
  })
  it('is joined from equal parts where no stock is long enough, each joint a scarf', () => {
    const pieces = piecesOf([{ name: 'A', lengthMm: 5000, start: 'inside', end: 'inside' }], 20, 2400, rules)
    // 5010 and two scarfs of 20 are 5050: three parts of 1683.3
    expect(pieces.map(({ lengthMm }) => Math.round(lengthMm * 10) / 10)).toEqual([1683.3, 1683.3, 1683.3])
    expect(
      cheapestCuts(
        pieces.map(({ lengthMm }) => lengthMm),
        [{ lengthMm: 2400, priceMinor: minor(10_00) }],
        3,
      ).ok,
    ).toBe(true)
  })
  it('frames are alike, with equal gaps between them and to the ends', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 6000 }),
        fc.integer({ min: 300, max: 2400 }),
        fc.option(fc.integer({ min: 1, max: 8 })),
        (width, height, count) => {
          const found = framesOn(width, 150, 150 + height, { count, gapMm: 80 }, rules)
          if (!found.ok) return
          const [first] = found.frames
          if (!first) throw new Error('no frame')
          let edge = 0
          for (const frame of found.frames) {
            expect(frame.u - edge).toBeCloseTo(80, 6)
            expect(frame.width).toBeCloseTo(first.width, 6)
            edge = frame.u + frame.width
          }
          expect(width - edge).toBeCloseTo(80, 6)
          if (count !== null) expect(found.frames).toHaveLength(count)
          expect(framePieces('A', found.frames)).toHaveLength(4 * found.frames.length)
        },
      ),
    )
    expect(framesOn(1000, 0, 150, { count: null, gapMm: 80 }, rules)).toMatchObject({ ok: false })
    expect(framesOn(300, 0, 900, { count: 5, gapMm: 80 }, rules)).toMatchObject({ ok: false })
  })
  // the handbook of the trade: at a third of the wall, kept within 800 to 900 mm
  it('a rail at a third of the wall, within its bounds', () => {
    expect([2100, 2550, 3300].map((height) => railHeight(height, rules))).toEqual([800, 850, 900])
  })
})

describe('hard ground', () => {
  const ground = { m2: 12, longMm: 4000, shortMm: 3000, edgeMm: 14_000, thickMm: 100, baseMm: 100, everyMm: null }
  it('by hand: volume, bags, base, joints, fall', () => {
    // 1.2 m³ are 96 bags of 12.5 l; joints every 2 m at most: one across the length and one across the width
    expect(slabOf(ground, rules)).toMatchObject({
      ok: true,
      slab: {
        concreteM3: expect.closeTo(1.2, 9),
        bags: 96,
        baseM3: expect.closeTo(1.2, 9),
        everyMm: 2000,
        times: 20,
        jointsLong: 1,
        jointsShort: 1,
        jointMm: 7000,
        fallMm: 50,
      },
    })
  })
  it('joints that were asked further apart are counted in thicknesses', () => {
    const wide = slabOf({ ...ground, everyMm: 3000 }, rules)
    expect(wide.ok && wide.slab.times).toBe(30)
    expect(slabOf({ ...ground, thickMm: 0 }, rules)).toMatchObject({ ok: false })
  })
})

/** Tiles and their counts, held against counts made another way: on a fine grid, and by hand. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { areaOf, type Point } from '../survey/index.ts'
import { boxOf, rectangle } from './outlines.ts'
import { groutKg, layTiles, tilesByArea, type Laying, type Layout, type Tile, type Tiling } from './tiles.ts'

const rules = effectiveRules()
const straight: Laying = { layout: 'grid', turned: false, startMm: 0, upMm: 0, reuse: false }
const square = (side: number, jointMm = 0): Tile => ({ widthMm: side, heightMm: side, jointMm })
function tiling(region: readonly (readonly Point[])[], tile: Tile, laying: Partial<Laying> = {}): Tiling {
  const laid = layTiles(region, tile, { ...straight, ...laying }, rules)
  if (!laid.ok) throw new Error(laid.error)
  return laid.tiling
}
const wall = (width: number, height: number): Point[][] => [rectangle(0, 0, width, height)]
const holds = ({ x, y }: Point, outline: readonly Point[]): boolean => {
  const box = boxOf(outline)
  if (x < box.left || x > box.right || y < box.low || y > box.high) return false
  return outline.every((start, at) => {
    const end = outline[(at + 1) % outline.length] ?? start
    return (end.x - start.x) * (y - start.y) - (end.y - start.y) * (x - start.x) >= -1e-9
  })
}

describe('a straight grid', () => {
  it('whole tiles where they go in, from a corner', () => {
    // 1200 × 800 mm of 200 mm tiles, begun in the corner: 6 × 4, none cut
    expect(tiling(wall(1200, 800), square(200))).toMatchObject({ whole: 24, cut: 0, toBuy: 25, slivers: 0 })
  })
  it('centred on a tile it leaves two alike at the ends; a sliver is told, with the shift that avoids it', () => {
    // 1100 mm from its middle on: two and three quarters of 200 to each side, by hand
    const found = tiling(wall(1100, 800), square(200))
    expect(found).toMatchObject({ whole: 4 * 4, cut: 2 * 4 })
    expect(found.narrowest).toBeCloseTo(0.75, 9)
    // 1040: 520 to each side are two tiles and 120, which is more than a third; 1010: a strip of 105
    const thin = tiling(wall(1040 - 20, 800), square(200), { startMm: 5 })
    expect(thin.narrowest).toBeCloseTo((510 - 400 - 5) / 200, 9)
    const sliver = tiling(wall(1210, 800), square(200))
    expect(sliver.narrowest).toBeCloseTo(5 / 200, 9) // 605 to each side: three tiles and 5 mm
    expect(sliver.slivers).toBe(8)
    expect(sliver.better?.narrowest).toBeCloseTo(105 / 200, 9) // moved by half a tile: 105 at both ends
    const moved = tiling(wall(1210, 800), square(200), {
      startMm: sliver.better?.startMm ?? 0,
      upMm: sliver.better?.upMm ?? 0,
    })
    expect(moved.slivers).toBe(0)
    expect(moved.narrowest).toBeCloseTo(sliver.better?.narrowest ?? 0, 9)
  })
  it('no joint against the walls: what ends within a joint is whole', () => {
    // 5 tiles and 4 joints of 5 mm are 1020 mm, begun at the left wall
    expect(tiling(wall(1020, 200), square(200, 5), { startMm: -510, upMm: -100 })).toMatchObject({ whole: 5, cut: 0 })
  })
  it('offcuts serve again: halves come from one tile', () => {
    // 1000 × 1000 of 400: two whole and a half at one end, from the corner; 5 halves each way
    const corner = { startMm: -500, upMm: -500 }
    const single = tiling(wall(1000, 800), square(400), { ...corner, upMm: -400 })
    expect(single).toMatchObject({ whole: 4, cut: 2, taken: 6 })
    expect(tiling(wall(1000, 800), square(400), { ...corner, upMm: -400, reuse: true }).taken).toBe(6) // 200 and a saw cut: no second half
    expect(tiling(wall(990, 800), square(400), { startMm: -495, upMm: -400, reuse: true }).taken).toBe(5)
  })
})

const layouts: readonly Layout[] = ['grid', 'half', 'third', 'stacked', 'diagonal', 'herringbone']
describe.each(layouts)('laid as %s', (layout) => {
  it('covers every point once and only once, joints left out, counted on a fine grid', () => {
    const size = fc.record({
      width: fc.integer({ min: 300, max: 1500 }),
      height: fc.integer({ min: 300, max: 1200 }),
      long: fc.integer({ min: 90, max: 400 }),
      short: fc.integer({ min: 60, max: 300 }),
      startMm: fc.integer({ min: -300, max: 300 }),
      upMm: fc.integer({ min: -300, max: 300 }),
    })
    fc.assert(
      fc.property(size, ({ width, height, long, short, startMm, upMm }) => {
        const tile = { widthMm: Math.max(long, short), heightMm: Math.min(long, short), jointMm: 0 }
        const region = wall(width, height)
        const { tiles, whole, cut } = tiling(region, tile, { layout, startMm, upMm })
        const touched = new Set<number>()
        const step = 37
        for (let x = step / 2 + 0.137; x < width; x += step)
          for (let y = step / 2 + 0.211; y < height; y += step) {
            const over = tiles.flatMap(({ outline }, at) => (holds({ x, y }, outline) ? [at] : []))
            expect(over).toHaveLength(1)
            touched.add(over[0] ?? -1)
          }
        expect(whole + cut).toBe(tiles.length)
        expect(touched.size).toBeLessThanOrEqual(tiles.length)
        // what is whole lies in the region with all its corners, within a saw's breadth; what is cut does not
        for (const { outline, whole: isWhole } of tiles) {
          const out = Math.max(...outline.map(({ x, y }) => Math.max(-x, x - width, -y, y - height)))
          if (isWhole) expect(out).toBeLessThan(0.5)
          else expect(out).toBeGreaterThan(0)
        }
        const area = tiles.reduce((sum, { outline }) => sum + areaOf(outline), 0)
        expect(area).toBeGreaterThanOrEqual(width * height - 1)
      }),
      { numRuns: 20 },
    )
  }, 180_000)
  it('more wall never takes fewer whole tiles, and a tile is never bought less than the area asks', () => {
    fc.assert(
      fc.property(fc.integer({ min: 400, max: 2000 }), fc.integer({ min: 1, max: 500 }), (width, more) => {
        const tile = { widthMm: 300, heightMm: 100, jointMm: 2 }
        const corner = { layout, startMm: -width / 2, upMm: -400 }
        const small = tiling(wall(width, 800), tile, corner)
        const large = tiling(wall(width + more, 800), tile, { ...corner, startMm: -(width + more) / 2 })
        expect(large.tiles.length).toBeGreaterThanOrEqual(small.tiles.length)
        expect(small.toBuy * 302 * 102).toBeGreaterThanOrEqual(width * 800 * 0.97)
      }),
      { numRuns: 40 },
    )
  }, 60_000)
})

it('a window is cut out: tiles that lie wholly in it are not counted, notched ones are one tile', () => {
  // 1000 × 1000 with a hole of 400 × 400 from (300, 300), of 200 mm tiles begun in the corner: 25 places, one of them wholly inside the hole,
  // eight of them cut by it
  const parts = [
    rectangle(0, 0, 1000, 300),
    rectangle(0, 300, 300, 400),
    rectangle(700, 300, 300, 400),
    rectangle(0, 700, 1000, 300),
  ]
  const found = tiling(parts, square(200), { startMm: -500, upMm: -500 })
  expect(found.tiles).toHaveLength(24)
  expect(found).toMatchObject({ whole: 16, cut: 8 })
})

it('says what is wrong, and gives no figure', () => {
  expect(layTiles(wall(500, 500), square(0), straight, rules)).toMatchObject({ ok: false })
  expect(layTiles(wall(500, 400), square(600), straight, rules)).toEqual({
    ok: false,
    error: 'a tile of 600 × 600 mm is larger than what it is laid on, 500 × 400 mm',
  })
  expect(layTiles(wall(50_000, 50_000), square(20), straight, rules)).toMatchObject({ ok: false })
})

it('by the area alone, with the additions of the trade', () => {
  // 4 m² of 200 mm tiles are 100; 10 % straight and 15 % on the diagonal
  expect(tilesByArea(4, square(200), 'grid', rules)).toBe(110)
  expect(tilesByArea(4, square(200), 'herringbone', rules)).toBe(115)
})

// tile makers' tables (memory): 200 × 200 × 8 mm with a 3 mm joint take about 0.4 kg a m²: (200 + 200) ÷ 40 000 × 8 × 3 × 1.6 = 0.384
it('grout by the formula of tile makers’ tables', () => {
  expect(groutKg(1, square(200, 3), 8, rules)).toBeCloseTo(0.384, 9)
})

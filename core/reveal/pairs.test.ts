/** Pairs of pictures brought over each other: a known map is found again from four points, and moves by hand undo each other. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  cornersBy,
  cssMatrix,
  mapped,
  scaled,
  shifted,
  square,
  squareTo,
  turned,
  type Corners,
  type Point,
  type Projective,
} from './pairs.ts'

const near = (left: Corners, right: Corners, within: number): void => {
  for (const [at, [x, y]] of left.entries()) {
    expect(Math.abs(x - (right[at]?.[0] ?? NaN))).toBeLessThan(within)
    expect(Math.abs(y - (right[at]?.[1] ?? NaN))).toBeLessThan(within)
  }
}
const jitter = fc.double({ min: -0.15, max: 0.15, noNaN: true })
const quad = fc.array(jitter, { minLength: 8, maxLength: 8 }).map((by): Corners => [
  [by[0] ?? 0, by[1] ?? 0],
  [1 + (by[2] ?? 0), by[3] ?? 0],
  [1 + (by[4] ?? 0), 1 + (by[5] ?? 0)],
  [by[6] ?? 0, 1 + (by[7] ?? 0)],
])

describe('four points', () => {
  it('find a known map again, to within a pixel of a picture of 4000 by 3000', () => {
    fc.assert(
      fc.property(quad, quad, (truth, spots) => {
        const map = squareTo(truth) as Projective
        // four spots inside the later picture, and where the map brings them
        const inside = spots.map(([x, y]): Point => [
          0.2 + 0.6 * Math.min(1, Math.max(0, x)),
          0.2 + 0.6 * Math.min(1, Math.max(0, y)),
        ]) as unknown as Corners
        const found = cornersBy(inside, inside.map((point) => mapped(map, point)) as unknown as Corners)
        expect(found).not.toBeNull()
        if (found) near(found, truth, 1 / 4000)
      }),
      { numRuns: 300 },
    )
  })
  it('that lie on one line give no map, and it says so', () => {
    const line: Corners = [
      [0.1, 0.1],
      [0.2, 0.2],
      [0.3, 0.3],
      [0.4, 0.4],
    ]
    expect(cornersBy(line, square)).toBeNull()
    expect(cornersBy(square, line)).toBeNull()
  })
})

describe('by hand', () => {
  it('a shift, a scale and a turn are undone by their opposites', () => {
    fc.assert(
      fc.property(
        quad,
        jitter,
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        (corners, by, factor, degrees) => {
          near(shifted(shifted(corners, by, -by), -by, by), corners, 1e-9)
          near(scaled(scaled(corners, factor), 1 / factor), corners, 1e-9)
          near(turned(turned(corners, degrees, 1.5), -degrees, 1.5), corners, 1e-9)
        },
      ),
    )
  })
  it('a turn keeps lengths as they are seen', () => {
    const [[x0, y0], [x1, y1]] = turned(square, 30, 2)
    expect(Math.hypot((x1 - x0) * 2, y1 - y0)).toBeCloseTo(2, 9)
  })
})

it('the matrix for the page is that of the map: corners of a picture of 400 by 300 come where they should', () => {
  const corners: Corners = [
    [0.1, 0.05],
    [0.95, 0],
    [1, 1.1],
    [0, 0.9],
  ]
  const [matrix] = /matrix3d\((.*)\)/.exec(cssMatrix(corners, 400, 300))?.slice(1) ?? []
  const m = (matrix ?? '').split(',').map(Number)
  // CSS Transforms 2: a matrix is told column by column
  const at = (x: number, y: number): Point => {
    const w = (m[3] ?? 0) * x + (m[7] ?? 0) * y + (m[15] ?? 0)
    return [
      ((m[0] ?? 0) * x + (m[4] ?? 0) * y + (m[12] ?? 0)) / w,
      ((m[1] ?? 0) * x + (m[5] ?? 0) * y + (m[13] ?? 0)) / w,
    ]
  }
  for (const [place, [x, y]] of corners.entries()) {
    const [sx, sy] = square[place] as Point
    const [left, top] = at(400 * sx, 300 * sy)
    expect(left).toBeCloseTo(400 * x, 4)
    expect(top).toBeCloseTo(300 * y, 4)
  }
  expect(cssMatrix(square, 0, 0)).toBe('none')
})

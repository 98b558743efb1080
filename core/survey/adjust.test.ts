import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { adjust, apart, type Observation } from './adjust.ts'
import { type Point } from './point.ts'

const azimuth = (deg: number, min: number, sec: number): number => ((deg + min / 60 + sec / 3600) * Math.PI) / 180

describe('the solver', () => {
  it('reproduces the compass rule on the five-course traverse of Ghilani and Wolf, Elementary Surveying (from memory, within 0.05 ft)', () => {
    const courses = [
      { to: 1, azimuth: azimuth(126, 55, 17), length: 647.25 },
      { to: 2, azimuth: azimuth(178, 18, 58), length: 203.03 },
      { to: 3, azimuth: azimuth(15, 31, 54), length: 720.35 },
      { to: 4, azimuth: azimuth(284, 35, 20), length: 610.24 },
      { to: 0, azimuth: azimuth(206, 9, 41), length: 285.13 },
    ]
    // a leg's covariance in proportion to its length is what the compass rule assumes
    const legs = courses.map(({ to, azimuth, length }, course): Observation => ({
      kind: 'leg',
      from: course,
      to,
      dx: length * Math.sin(azimuth),
      dy: length * Math.cos(azimuth),
      sigmaMm: Math.sqrt(length),
    }))
    const a = { x: 10_000, y: 5000 }
    const found = adjust([a, a, a, a, a], legs, new Set([0, 1]))
    const expected: readonly Point[] = [
      a,
      { x: 10_517.44, y: 4611.17 },
      { x: 10_523.41, y: 4408.22 },
      { x: 10_716.29, y: 5102.24 },
      { x: 10_125.72, y: 5255.93 },
    ]
    expect(found?.freedom).toBe(2)
    for (const [at, point] of expected.entries()) {
      expect(Math.abs((found?.points[at]?.x ?? 0) - point.x)).toBeLessThan(0.05)
      expect(Math.abs((found?.points[at]?.y ?? 0) - point.y)).toBeLessThan(0.05)
    }
  })
  it('gives each leg of a loop its share of the misclosure by length, whatever the loop (the compass rule itself)', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            dx: fc.double({ min: -5000, max: 5000, noNaN: true }),
            dy: fc.double({ min: -5000, max: 5000, noNaN: true }),
          }),
          { minLength: 3, maxLength: 8 },
        ),
        (legs) => {
          const lengths = legs.map(({ dx, dy }) => Math.max(1, Math.hypot(dx, dy)))
          const whole = lengths.reduce((sum, length) => sum + length, 0)
          const miss = legs.reduce((sum, leg) => ({ x: sum.x + leg.dx, y: sum.y + leg.dy }), { x: 0, y: 0 })
          const start = legs.map(() => ({ x: 0, y: 0 }))
          const found = adjust(
            start,
            legs.map(({ dx, dy }, leg): Observation => ({
              kind: 'leg',
              from: leg,
              to: (leg + 1) % legs.length,
              dx,
              dy,
              sigmaMm: Math.sqrt(lengths[leg] ?? 1),
            })),
            new Set([0, 1]),
          )
          let [x, y, gone] = [0, 0, 0]
          for (const [at, leg] of legs.slice(0, -1).entries()) {
            ;[x, y, gone] = [x + leg.dx, y + leg.dy, gone + (lengths[at] ?? 0)]
            expect(found?.points[at + 1]?.x).toBeCloseTo(x - (miss.x * gone) / whole, 5)
            expect(found?.points[at + 1]?.y).toBeCloseTo(y - (miss.y * gone) / whole, 5)
          }
        },
      ),
    )
  })
  it('finds the third corner of a 3-4-5 triangle, exactly determined, with nothing to check it', () => {
    const sides: Observation[] = [
      { kind: 'distance', from: 0, to: 1, mm: 4000, sigmaMm: 2 },
      { kind: 'distance', from: 1, to: 2, mm: 3000, sigmaMm: 2 },
      { kind: 'distance', from: 2, to: 0, mm: 5000, sigmaMm: 2 },
    ]
    const found = adjust(
      [
        { x: 0, y: 0 },
        { x: 3000, y: 0 },
        { x: 2500, y: -2000 },
      ],
      sides,
      new Set([0, 1, 3]),
    )
    expect(found?.freedom).toBe(0)
    expect(found?.points[2]?.x).toBeCloseTo(4000, 6)
    expect(found?.points[2]?.y).toBeCloseTo(-3000, 6)
    expect(found?.outcomes.map((outcome) => outcome.standardised)).toEqual([null, null, null])
  })
  it('says that points are not fixed where they are not, rather than guessing', () => {
    expect(
      adjust(
        [
          { x: 0, y: 0 },
          { x: 1000, y: 0 },
          { x: 500, y: 500 },
        ],
        [
          { kind: 'distance', from: 0, to: 1, mm: 1000, sigmaMm: 2 },
          { kind: 'distance', from: 1, to: 2, mm: 800, sigmaMm: 2 },
        ],
        new Set([0, 1, 3]),
      ),
    ).toBeNull()
  })
  it('shares redundancy so that all of it comes to the freedom, and estimates one gross error exactly', () => {
    // Σ redundancy = observations − unknowns (Baarda): a square with both diagonals
    const square = [
      { x: 0, y: 0 },
      { x: 3000, y: 0 },
      { x: 3000, y: -3000 },
      { x: 0, y: -3000 },
    ]
    const at = (index: number): Point => square[index] ?? { x: 0, y: 0 }
    const pairs = [
      [0, 1],
      [1, 2],
      [2, 3],
      [3, 0],
      [0, 2],
      [1, 3],
    ] as const
    const observed = pairs.map(([start, to], index): Observation => ({
      kind: 'distance',
      from: start,
      to,
      mm: apart(at(start), at(to)) + (index === 4 ? 4 : 0),
      sigmaMm: 2,
    }))
    const found = adjust(square, observed, new Set([0, 1, 3]))
    expect(found?.outcomes.reduce((sum, outcome) => sum + outcome.redundancy, 0)).toBeCloseTo(1, 9)
    expect(found?.outcomes[4]?.error).toBeCloseTo(4, 2)
  })
})

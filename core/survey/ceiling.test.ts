import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { measuredRoom, rectangle } from '../testing/surveyed.ts'
import { areaOf } from './geometry.ts'
import { ceilingAlong } from './ceiling.ts'

const slopes = fc.array(
  fc.tuple(fc.nat({ max: 3 }), fc.integer({ min: 300, max: 2500 }), fc.integer({ min: 200, max: 6000 })),
  { maxLength: 4 },
)
const sizes = { width: fc.integer({ min: 1500, max: 8000 }), depth: fc.integer({ min: 1500, max: 6000 }) }

/** How far a place is off each wall of a rectangle, in walking order: the first wall runs along the top, clockwise. */
const offWalls = (x: number, y: number, width: number, depth: number): readonly number[] => [y, width - x, depth - y, x]
/** The height of the ceiling over a place, straight from what was measured: the lowest of the level and every slope. */
const heightAt = (
  x: number,
  y: number,
  width: number,
  depth: number,
  level: number,
  measured: readonly (readonly [number, number, number])[],
): number =>
  Math.min(
    level,
    ...measured.map(([wall, low, run]) => low + ((level - low) * (offWalls(x, y, width, depth)[wall] ?? 0)) / run),
  )

describe('a ceiling', () => {
  it('covers the floor once, whatever comes down from where, and holds the air that a grid of soundings holds', () => {
    fc.assert(
      fc.property(sizes.width, sizes.depth, slopes, (width, depth, measured) => {
        const { room } = measuredRoom({ walls: rectangle(width, depth), survey: { heightMm: 2500 }, slopes: measured })
        const { ceiling } = room
        if (!ceiling) throw new Error('no ceiling')
        expect(ceiling.parts.reduce((sum, part) => sum + areaOf(part.over), 0) / (width * depth)).toBeCloseTo(1, 6)
        const soundings = 60
        let sum = 0
        for (let at = 0; at < soundings; at++)
          for (let row = 0; row < soundings; row++)
            sum += heightAt(
              ((at + 0.5) * width) / soundings,
              ((row + 0.5) * depth) / soundings,
              width,
              depth,
              2500,
              measured,
            )
        expect(ceiling.volumeMm3 / (width * depth)).toBeGreaterThan(0)
        expect(Math.abs(ceiling.volumeMm3 / (width * depth) - sum / soundings ** 2)).toBeLessThan(8)
        expect(ceiling.areaMm2).toBeGreaterThanOrEqual(width * depth * (1 - 1e-9))
      }),
      { numRuns: 80 },
    )
  })
  it.each([
    ['a slope that does not come down', [[0, 2500, 1000]]],
    [
      'the same slope noted twice',
      [
        [1, 1500, 1000],
        [1, 1500, 1000],
      ],
    ],
    [
      'two slopes that meet in a ridge',
      [
        [0, 1000, 1500],
        [2, 1000, 1500],
      ],
    ],
  ] as const)('is counted once: %s', (_name, measured) => {
    const { room } = measuredRoom({
      walls: rectangle(4000, 3000),
      survey: { heightMm: 2500 },
      slopes: measured.map(([wall, low, run]) => [wall, low, run]),
    })
    expect((room.ceiling?.parts ?? []).reduce((sum, part) => sum + areaOf(part.over), 0)).toBeCloseTo(12_000_000, 0)
  })
  it('along a wall stands as high as a sounding beside it', () => {
    fc.assert(
      fc.property(
        sizes.width,
        sizes.depth,
        slopes,
        fc.double({ min: 0, max: 1, noNaN: true }),
        (width, depth, measured, share) => {
          const { room } = measuredRoom({
            walls: rectangle(width, depth),
            survey: { heightMm: 2500 },
            slopes: measured,
          })
          const wall = room.walls[1] // down the right-hand side
          if (!room.ceiling || !wall) throw new Error('no ceiling')
          const line = ceilingAlong(room.ceiling, wall.from, wall.to, null, null)
          const [before, after] = [
            line.findLast((entry) => entry.share <= share),
            line.find((entry) => entry.share >= share),
          ]
          if (!before || !after) throw new Error('a gap in the line')
          const z =
            after.share === before.share
              ? before.z
              : before.z + ((after.z - before.z) * (share - before.share)) / (after.share - before.share)
          expect(z).toBeCloseTo(heightAt(width, share * depth, width, depth, 2500, measured), 3)
        },
      ),
      { numRuns: 80 },
    )
  })
  it('a slope of an inner wall of an L comes down in front of that wall, and nowhere below its foot', () => {
    // legs of 4 by 1.5 m and 2.5 by 2 m; the slope of wall C rises from 1.5 m over 1.2 m into the wide leg
    const walls = [
      { lengthMm: 4000 },
      { lengthMm: 1500 },
      { lengthMm: 1500, corner: 'outside' as const },
      { lengthMm: 2000 },
      { lengthMm: 2500 },
      { lengthMm: 3500 },
    ]
    const { room, areas } = measuredRoom({ walls, survey: { heightMm: 2500 }, slopes: [[2, 1500, 1200]] })
    expect(room.ceiling?.lowestMm).toBeCloseTo(1500, 6)
    // by pencil: all of it at 2.5 m, less a prism of 4 m and a triangle of 1 by 1.2 m
    expect(areas?.volumeM3).toBeCloseTo((4 * 1.5 + 2.5 * 2) * 2.5 - (4 * 1 * 1.2) / 2, 6)
    // the long wall opposite passes it: 1.2 m of slope, and a step up to the level
    const wall = areas?.walls[5]
    expect(wall?.grossM2).toBeCloseTo(3.5 * 2.5 - (1 * 1.2) / 2, 6)
    expect(areas?.walls[2]?.grossM2).toBeCloseTo(1.5 * 1.5, 6)
  })
})

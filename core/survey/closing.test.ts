import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { apart } from './adjust.ts'
import { type Point } from './point.ts'
import { angleIn, close } from './closing.ts'
import { type Check, type WallMeasure } from './walk.ts'
import { signedArea } from './geometry.ts'

const rules = effectiveRules()
const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'
const pointAt = (corners: readonly Point[], at: number): Point => corners[at % corners.length] ?? { x: 0, y: 0 }
const wallsOf = (corners: readonly Point[], wrong: Readonly<Record<number, number>> = {}): WallMeasure[] =>
  corners.map((corner, at) => ({
    id: `wall ${at}`,
    name: `Wall ${letters[at]}`,
    lengthMm: apart(corner, corners[(at + 1) % corners.length] ?? corner) + (wrong[at] ?? 0),
    cornerDeg: Math.round(angleIn(corners, (at + 1) % corners.length) * 1e9) / 1e9,
    assumed: true,
  }))
const checkOf = (corners: readonly Point[], start: number, to: number, wrong = 0): Check => ({
  id: `check ${start} ${to}`,
  from: start,
  to,
  lengthMm: apart(pointAt(corners, start), pointAt(corners, to)) + wrong,
})
const rectangle = (width: number, depth: number): Point[] => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: -depth },
  { x: 0, y: -depth },
]
/** An L, or a room with a breast: orthogonal, clockwise. */
const ell = (width: number, depth: number, across: number, down: number): Point[] => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: -depth },
  { x: width - across, y: -depth },
  { x: width - across, y: -(depth - down) },
  { x: 0, y: -(depth - down) },
]
const dimension = fc.integer({ min: 2200, max: 8000 })
const rooms = fc.oneof(
  fc.tuple(dimension, dimension).map(([w, d]) => rectangle(w, d)),
  fc
    .tuple(dimension, dimension, fc.integer({ min: 600, max: 1500 }), fc.integer({ min: 600, max: 1500 }))
    .map(([w, d, a, b]) => ell(w, d, a, b)),
)

describe('closing a room', () => {
  it('moves nothing where the observations are exact', () => {
    fc.assert(
      fc.property(rooms, (corners) => {
        const closing = close(wallsOf(corners), [checkOf(corners, 0, 2)], rules)
        expect(closing.state).toBe('closed')
        for (const length of closing.lengths) expect(Math.abs(length.residualMm)).toBeLessThan(1e-6)
        expect(closing.misclosure?.mm).toBeLessThan(1e-6)
        expect(closing.again).toBeNull()
      }),
    )
  })
  it('the adjusted lengths and corners, walked round, meet within 1e-6 mm', () => {
    fc.assert(
      fc.property(
        rooms,
        fc.array(fc.double({ min: -15, max: 15, noNaN: true }), { minLength: 8, maxLength: 8 }),
        (corners, noise) => {
          const closing = close(wallsOf(corners, noise), [checkOf(corners, 0, 2, noise[7])], rules)
          let [x, y, heading] = [0, 0, 0]
          for (const [at] of corners.entries()) {
            const length = closing.lengths[at]?.adjustedMm ?? 0
            ;[x, y] = [x + length * Math.cos(heading), y + length * Math.sin(heading)]
            heading -= ((180 - (closing.angles[at]?.adjustedDeg ?? 0)) * Math.PI) / 180
          }
          expect(Math.hypot(x, y)).toBeLessThan(1e-6)
          expect(Math.abs(Math.abs(heading) - 2 * Math.PI)).toBeLessThan(1e-9)
        },
      ),
    )
  })
  it('the area does not depend on the corner where one begins', () => {
    fc.assert(
      fc.property(
        rooms,
        fc.integer({ min: 0, max: 5 }),
        fc.array(fc.double({ min: -12, max: 12, noNaN: true }), { minLength: 8, maxLength: 8 }),
        (corners, by, noise) => {
          const walls = wallsOf(corners, noise)
          const value = by % walls.length
          const [left, right] = [
            close(walls, [], rules),
            close([...walls.slice(value), ...walls.slice(0, value)], [], rules),
          ]
          expect(Math.abs(signedArea(right.corners))).toBeCloseTo(Math.abs(signedArea(left.corners)), 2)
        },
      ),
    )
  })
  it('names the one wrong length among redundant ones, and says by how much', () => {
    fc.assert(
      fc.property(
        rooms,
        fc.nat({ max: 5 }),
        fc.integer({ min: 200, max: 500 }),
        fc.boolean(),
        (corners, which, by, long) => {
          const at = which % corners.length
          const wrong = long ? by : -by
          // a short wall typed much shorter makes a triangle that cannot be, which is said before anything is adjusted
          fc.pre(apart(pointAt(corners, at), pointAt(corners, at + 1)) > 3 * by)
          // every corner is tied by two diagonals and more: what a careful second round measures
          const checks = corners.flatMap((_, corner) =>
            corners.flatMap((_each, to) =>
              to > corner + 1 && !(corner === 0 && to === corners.length - 1) ? [checkOf(corners, corner, to)] : [],
            ),
          )
          const closing = close(wallsOf(corners, { [at]: wrong }), checks, rules)
          expect(closing.again?.named).toBe(`wall ${at}`)
          // and set aside, so that the room is what the others say it is
          expect(closing.again?.errorMm).toBeCloseTo(wrong, 4)
          expect(Math.abs(signedArea(closing.corners))).toBeCloseTo(Math.abs(signedArea(corners)), 0)
        },
      ),
    )
  })
  it('opposite walls cannot be told apart without a diagonal; it names both, and the diagonal that decides', () => {
    const corners = rectangle(5000, 3600)
    const closing = close(wallsOf(corners, { 0: 100 }), [], rules)
    expect(closing.misclosure?.mm).toBeCloseTo(100, 6)
    expect(closing.misclosure?.oneIn).toBe(173) // (2 × 5000 + 2 × 3600 + 100) ÷ 100
    expect(closing.again?.named).toBeNull()
    expect(closing.again?.set.toSorted()).toEqual(['wall 0', 'wall 2'])
    const decide = closing.again?.decide
    expect(decide).not.toBeNull()
    // Pythagoras: with wall A at fault the room is 5000 wide, with wall C at fault 5100
    const expected = Object.fromEntries((decide?.expected ?? []).map((entry) => [entry.id, entry.mm]))
    expect(expected['wall 0']).toBeCloseTo(Math.hypot(5000, 3600), 3)
    expect(expected['wall 2']).toBeCloseTo(Math.hypot(5100, 3600), 3)
    const told = close(
      wallsOf(corners, { 0: 100 }),
      [checkOf(corners, decide?.from ?? 0, decide?.to ?? 2), checkOf(corners, 1, 3)],
      rules,
    )
    expect(told.lengths.toSorted((left, right) => (right.standardised ?? 0) - (left.standardised ?? 0))[0]?.id).toBe(
      'wall 0',
    )
  })
  it('names the pair for a smaller misfit too, and leaves the other pair out of it', () => {
    const { again } = close(wallsOf(rectangle(5000, 3600), { 1: -40 }), [], rules)
    expect(again?.set.toSorted()).toEqual(['wall 1', 'wall 3'])
  })
  it('is quiet where the tape explains the misfit', () => {
    const closing = close(wallsOf(rectangle(5000, 3600), { 0: 12, 1: -9 }), [], rules)
    expect(closing.again).toBeNull()
    expect(closing.misclosure?.mm).toBeCloseTo(15, 6) // 3-4-5
  })
  it('takes a length that nobody measured from the others', () => {
    const walls = wallsOf(rectangle(5000, 3600)).map((wall, at) => (at === 2 ? { ...wall, lengthMm: null } : wall))
    const closing = close(walls, [], rules)
    expect(closing.state).toBe('closed')
    expect(closing.lengths[2]?.adjustedMm).toBeCloseTo(5000, 6)
    expect(closing.misclosure).toBeNull()
  })
  it('fixes corners of unknown angle by diagonals, and says when nothing could be checked', () => {
    // a kite: 3-4-5 twice over the long diagonal, no corner measured
    const corners = [
      { x: 0, y: 0 },
      { x: 4000, y: 0 },
      { x: 4000, y: -3000 },
      { x: 1120, y: -3840 },
    ]
    const walls = wallsOf(corners).map((wall) => ({ ...wall, cornerDeg: null }))
    expect(close(walls, [], rules)).toMatchObject({ state: 'open', why: expect.stringMatching(/diagonal/) })
    const stiff = close(walls, [checkOf(corners, 0, 2)], rules)
    expect(stiff.state).toBe('closed')
    expect(stiff.freedom).toBe(0)
    for (const [at, corner] of corners.entries()) expect(apart(stiff.corners[at] ?? corner, corner)).toBeLessThan(1e-3)
  })
  it.each([
    [
      'a wall longer than all the others',
      wallsOf(rectangle(5000, 3600), { 0: 46_000 }),
      [],
      'cannot',
      /longer than all the others/,
    ],
    [
      'a diagonal longer than the way round',
      wallsOf(rectangle(5000, 3600)),
      [{ id: 'x', from: 0, to: 2, lengthMm: 9000 }],
      'cannot',
      /longer than the walls between/,
    ],
    [
      'too many corners drawn in',
      [...wallsOf(rectangle(5000, 3600)), ...wallsOf(rectangle(5000, 3600)).slice(0, 1)],
      [],
      'cannot',
      /turn 450°/,
    ],
    ['a run that is not round yet', wallsOf(rectangle(5000, 3600)).slice(0, 3), [], 'open', /turn 270°/],
    ['nothing', [], [], 'open', /No wall/],
  ] as const)('%s is said, and nothing is lost', (_, walls, checks, state, why) => {
    const closing = close(walls, checks, rules)
    expect(closing.state).toBe(state)
    expect(closing.why).toMatch(why)
    expect(closing.lengths.map((length) => length.measuredMm)).toEqual(
      [...walls, ...checks].map((wall) => wall.lengthMm),
    )
  })
  it('a room that crosses itself is not closed', () => {
    // a bow tie: square corners all the way, walked as inside, inside, outside, outside would not turn; so angles are given
    const corners = [
      { x: 0, y: 0 },
      { x: 4000, y: 0 },
      { x: 4000, y: -1000 },
      { x: 1000, y: -1000 },
      { x: 1000, y: 800 },
      { x: 0, y: 800 },
    ]
    const turns = [90, 90, 90, 270, 270, 270]
    const walls = corners.map((corner, at): WallMeasure => ({
      id: `wall ${at}`,
      name: `Wall ${letters[at]}`,
      lengthMm: apart(corner, corners[(at + 1) % 6] ?? corner),
      cornerDeg: turns[at] ?? 90,
      assumed: true,
    }))
    const closing = close(walls, [], rules)
    expect(closing.state).not.toBe('closed')
    expect(closing.why).not.toBe('')
  })
})

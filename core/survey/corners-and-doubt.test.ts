/** Which length is wrong, with a known chance of naming the wrong one; corners tested with a triangle; where one stands upright. */
import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, type Operation } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { reckon } from '../reckoning/reckon.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { candidateOf, change, pieceOf, testToday } from '../testing/small-makeover.ts'
import { measuredRoom, rectangle, type Measured } from '../testing/surveyed.ts'
import { apart } from './adjust.ts'
import { close, type Closing } from './closing.ts'
import { testedCorner } from './corner-test.ts'
import { roomsOf } from './room.ts'
import { radians } from './walk.ts'

const rules = effectiveRules()
/** Numbers that look random and are the same each time, evenly over 0 to 1. */
function evenly(seed: number): () => number {
  let state = seed
  return () => (state = (state * 1_664_525 + 1_013_904_223) % 4_294_967_296) / 4_294_967_296
}
/** A room of an L with all its diagonals, each length read as a tape reads it, and one of them misread. */
function readRoom(next: () => number, wrong: number | null): Closing {
  const error = (): number => Math.sqrt(-2 * Math.log(next() + 1e-12)) * Math.cos(2 * Math.PI * next())
  const [w, d, a, b] = [4000 + 3000 * next(), 4000 + 2000 * next(), 1500 + 800 * next(), 1200 + 800 * next()]
  const corners = [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: -d },
    { x: w - a, y: -d },
    { x: w - a, y: b - d },
    { x: 0, y: b - d },
  ]
  const between = (start: number, to: number): number =>
    apart(corners[start % 6] ?? { x: 0, y: 0 }, corners[to % 6] ?? { x: 0, y: 0 })
  const read = (length: number): number =>
    length + error() * (rules['survey.sigma'] + (rules['survey.sigma-per-metre'] * length) / 1000)
  const by = (next() < 0.5 ? -1 : 1) * (60 + 140 * next())
  return close(
    corners.map((_, at) => ({
      id: `wall ${at}`,
      name: `Wall ${at}`,
      lengthMm: read(between(at, at + 1)) + (at === wrong ? by : 0),
      cornerDeg: at === 3 ? 270 : 90,
      assumed: true,
    })),
    corners.flatMap((_, start) =>
      [2, 3, 4].flatMap((step) =>
        start + step < 6 && !(start === 0 && step === 5)
          ? [
              {
                id: `check ${start} ${start + step}`,
                from: start,
                to: start + step,
                lengthMm: read(between(start, start + step)),
              },
            ]
          : [],
      ),
    ),
    rules,
  )
}

describe('the length to measure again', () => {
  // Baarda's data snooping (1968, from memory) with 3.29; of two suspects the wrong one is named once in 200 at most
  it('of 300 rooms with one misread length nearly all are named, and hardly ever another length', () => {
    const next = evenly(11)
    const named = Array.from({ length: 300 }, (_, run) => [readRoom(next, run % 6).again?.named, `wall ${run % 6}`])
    const wrong = named.filter(([found, is]) => found != null && found !== is)
    expect(wrong.length).toBeLessThanOrEqual(3)
    expect(named.filter(([found, is]) => found === is).length).toBeGreaterThan(270)
  })
  it('a room read as a tape reads is let alone', () => {
    const next = evenly(5)
    expect(Array.from({ length: 200 }, () => readRoom(next, null)).filter(({ again }) => again !== null)).toEqual([])
  })
})

describe('a corner tested with a triangle', () => {
  it('3, 4 and 5 are square', () => {
    const test = testedCorner({ alongMm: 1500, nextMm: 2000, acrossMm: 2500 }, rules)
    expect(test?.deg).toBeCloseTo(90, 9)
    expect(test?.short).toBe(false)
  })
  it('any other angle is that of the law of cosines, and what is no triangle is none', () => {
    const across = Math.sqrt(1200 ** 2 + 1600 ** 2 - 2 * 1200 * 1600 * Math.cos(92 * radians))
    expect(testedCorner({ alongMm: 1200, nextMm: 1600, acrossMm: across }, rules)?.deg).toBeCloseTo(92, 9)
    expect(testedCorner({ alongMm: 1000, nextMm: 1000, acrossMm: 2000 }, rules)).toBeNull()
  })
  it('its uncertainty is that of a shift of each length by its own', () => {
    const sides = { alongMm: 1500, nextMm: 2000, acrossMm: 2500 }
    const shifted = (['alongMm', 'nextMm', 'acrossMm'] as const).map((side) => {
      const sigma = rules['survey.sigma'] + (rules['survey.sigma-per-metre'] * sides[side]) / 1000
      return (testedCorner({ ...sides, [side]: sides[side] + sigma * 1e-4 }, rules)?.deg ?? 0) - 90
    })
    expect(testedCorner(sides, rules)?.sigmaDeg).toBeCloseTo(Math.hypot(...shifted) * 1e4, 3)
  })

  const said = (test: Omit<Fields<'squareTest'>, 'wallId'> | null, measured: Measured, code: string) => {
    const { documents, wallIds, newId } = measuredRoom(measured)
    const rows: Operation[] = test ? [add('squareTest', newId(), { ...test, wallId: wallIds[0] ?? '' })] : []
    return reckon(change(documents, rows), testToday).remarks.filter((remark) => remark.code === code)
  }
  // the room itself is a parallelogram of 91°: its walls fit that, and a square room is not called out of square
  const plain = { walls: rectangle(4000, 3000), survey: { heightMm: 2500 } }
  const across = (deg: number): number => Math.sqrt(1500 ** 2 + 2000 ** 2 - 2 * 1500 * 2000 * Math.cos(deg * radians))
  it('is said from half a degree on, with its uncertainty and what it matters for', () => {
    const [remark] = said({ alongMm: 1500, nextMm: 2000, acrossMm: across(91.2) }, plain, 'survey.off-square')
    expect(remark).toMatchObject({ weight: 'note' })
    expect(remark?.title).toMatch(/corner 2 is 1\.\d° wider than square/)
    expect(remark?.sentence).toContain('Give or take')
    expect(said({ alongMm: 1500, nextMm: 2000, acrossMm: across(90.2) }, plain, 'survey.off-square')).toEqual([])
    expect(said(null, plain, 'survey.off-square')).toEqual([])
  })
  it('two diagonals tell it too', () => {
    // a parallelogram of 4000 × 3000 whose corners are 91.5° and 88.5°: c² = a² + b² − 2ab·cos θ
    const diagonal = (deg: number): number =>
      Math.sqrt(4000 ** 2 + 3000 ** 2 - 2 * 4000 * 3000 * Math.cos(deg * radians))
    const leaning = {
      ...plain,
      checks: [
        [1, 3, diagonal(91.5)],
        [2, 4, diagonal(88.5)],
      ] as const,
    }
    expect(said(null, leaning, 'survey.off-square').length).toBe(1) // one for the room, all four corners in it
    const square = {
      ...plain,
      checks: [
        [1, 3, diagonal(90)],
        [2, 4, diagonal(90)],
      ] as const,
    }
    expect(said(null, square, 'survey.off-square')).toEqual([])
  })
  it('legs under a metre are too short to tell, and are left out', () => {
    const short = { alongMm: 600, nextMm: 800, acrossMm: 1020 }
    expect(said(short, plain, 'survey.off-square')).toEqual([])
    expect(said(short, plain, 'survey.short-test').map(({ weight }) => weight)).toEqual(['note'])
    expect(said({ alongMm: 1500, nextMm: 2000, acrossMm: 2500 }, plain, 'survey.short-test')).toEqual([])
  })
})

describe('headroom', () => {
  // 4 m wide; the ceiling at 2.5 m comes down to 1.3 m over 2 m at one wall: 1.9 m is reached half way up, 1 m from it
  it('is the floor where the ceiling is 1.9 m or more', () => {
    const { areas } = measuredRoom({
      walls: rectangle(5000, 4000),
      slopes: [[0, 1300, 2000]],
      survey: { heightMm: 2500 },
    })
    expect(areas?.headroom?.m2).toBeCloseTo(5 * 3, 6)
    expect(areas?.headroom?.widths[0]?.widthMm).toBeCloseTo(3000, 6)
  })
  it('under two slopes it is what is left between them, and none where the ceiling stays low', () => {
    const attic = (heightMm: number) =>
      measuredRoom({
        walls: rectangle(5000, 4000),
        slopes: [
          [0, 1300, 2000],
          [2, 1300, 2000],
        ],
        survey: { heightMm },
      }).areas?.headroom
    expect(attic(2500)?.widths.map(({ widthMm }) => Math.round(widthMm))).toEqual([2000, 2000])
    expect(attic(1850)?.m2).toBe(0)
    expect(measuredRoom({ walls: rectangle(5000, 4000), survey: { heightMm: 2500 } }).areas?.headroom).toBeNull()
  })
})

describe('a board in an alcove', () => {
  const { documents, roomId, wallIds, newId } = measuredRoom({
    walls: rectangle(4000, 1000),
    survey: { heightMm: 2500 },
  })
  const wallId = wallIds[1] ?? ''
  const fits = (widthMm: number, aboveMm: number, measured: readonly (readonly [number, number])[]): string[] => {
    const [pieceId, candidateId] = [newId(), newId()]
    const after = change(documents, [
      add(
        'piece',
        pieceId,
        pieceOf(roomId, Object.keys(documents.makeover.rows.category)[0] ?? '', {
          chosenId: candidateId,
          wallId,
          aboveMm,
        }),
      ),
      add(
        'candidate',
        candidateId,
        candidateOf(pieceId, null, { name: 'Board', source: 'made', widthMm, depthMm: 250, heightMm: 18 }),
      ),
      ...measured.map(([at, width]) =>
        add('clearWidth', newId(), { ...blank.clearWidth, wallId, aboveMm: at, widthMm: width }),
      ),
    ])
    expect(roomsOf(after.makeover, rules).length).toBe(1)
    return reckon(after, testToday).remarks.flatMap(({ code, weight, title }) =>
      code === 'pieces.too-large' ? [`${weight} ${title.replaceAll(/\s/g, ' ')}`] : [],
    )
  }
  it('physical fit has no grace: a hair too long does not go in', () => {
    expect(fits(1002, 900, [])).toEqual(['stop Board is 2 mm too wide'])
    expect(fits(1000, 900, [])).toEqual([])
  })
  it('is cut for its own height', () => {
    const leaning = [
      [500, 1000],
      [1500, 980],
    ] as const
    // at 1000 it is half way: 990; over 18 mm of its own it narrows by a third of a millimetre
    expect(fits(989, 1000, leaning)).toEqual([])
    expect(fits(992, 1000, leaning)).toHaveLength(1)
    expect(fits(992, 700, leaning)).toEqual([])
  })
  it('what was measured between the skirtings counts for what stands on the floor', () => {
    const skirted = [
      [0, 964],
      [300, 1000],
    ] as const
    expect(fits(990, 0, skirted)).toHaveLength(1)
    expect(fits(990, 900, skirted)).toEqual([])
  })
})

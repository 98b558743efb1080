/** Tins, paint and paper, against what a pencil says, an independent integer solver, and properties that must hold. */
import fc from 'fast-check'
import highs from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { minor } from '../money/minor.ts'
import { coatsFor, litresOf, litresToBuy, under } from './paint.ts'
import { hang, type Paper, type PaperWall, type Roll } from './paper.ts'
import { fewestRolls, placeOf } from './roll-patterns.ts'
import { cheapestTins, type Tin } from './tins.ts'

const rules = effectiveRules()
let solver: Awaited<ReturnType<typeof highs>>
beforeAll(async () => {
  solver = await highs()
})
/** The least of a linear whole-numbered problem, by HiGHS. */
function least(
  objective: readonly number[],
  rows: readonly { readonly terms: readonly number[]; readonly atLeast: number }[],
  atMost: (index: number) => number = () => 100_000,
): number {
  const sum = (terms: readonly number[]): string =>
    terms.flatMap((value, at) => (value === 0 ? [] : [`${value < 0 ? '-' : '+'} ${Math.abs(value)} x${at}`])).join(' ')
  const found = solver.solve(
    [
      'Minimize',
      ` cost: ${sum(objective)}`,
      'Subject To',
      ...rows.map(({ terms, atLeast }, at) => ` r${at}: ${sum(terms)} >= ${atLeast}`),
      'Bounds',
      ...objective.map((_, at) => ` x${at} <= ${atMost(at)}`),
      'General',
      ` ${objective.map((_, at) => `x${at}`).join(' ')}`,
      'End',
    ].join('\n'),
    { mip_rel_gap: 0 },
  )
  return Math.round(found.ObjectiveValue)
}

describe('tins', () => {
  const sizes: readonly Tin[] = [
    { holds: 750, priceMinor: minor(14_90) },
    { holds: 2500, priceMinor: minor(34_90) },
    { holds: 5000, priceMinor: minor(59_90) },
  ]
  it('by pencil: 8 litres are 5 and 2.5 and 0.75, for 109.70', () => {
    expect(cheapestTins(8000, sizes)).toMatchObject({ counts: [1, 1, 1], cost: 109_70, over: 250 })
    expect(cheapestTins(5000, sizes)).toMatchObject({ counts: [0, 0, 1], over: 0 })
    expect(cheapestTins(0, sizes)).toMatchObject({ counts: [0, 0, 0], cost: 0 })
  })
  it('of two that cost the same the one with less left over', () =>
    expect(
      cheapestTins(1000, [
        { holds: 2000, priceMinor: minor(10) },
        { holds: 1000, priceMinor: minor(10) },
      ])?.counts,
    ).toEqual([0, 1]))
  it('US quarts and gallons have no common litre, and none that holds nothing is taken', () => {
    const [quart, gallon] = [946, 3785]
    const american = [
      { holds: quart, priceMinor: minor(22_00) },
      { holds: gallon, priceMinor: minor(54_00) },
    ]
    expect(cheapestTins(2 * gallon + 1, american)?.counts).toEqual([1, 2])
    expect(cheapestTins(1000, [{ holds: 0, priceMinor: minor(1) }])).toBeNull()
    expect(cheapestTins(1000, [])).toBeNull()
  })
  const tin = fc.record({
    holds: fc.integer({ min: 1, max: 40 }),
    priceMinor: fc.integer({ min: 1, max: 9000 }).map(minor),
  })
  it('is the same optimum as HiGHS finds on 200 sets', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.array(tin, { minLength: 1, maxLength: 5 }), (need, tins) => {
        expect(cheapestTins(need, tins)?.cost).toBe(
          least(
            tins.map(({ priceMinor }) => priceMinor),
            [{ terms: tins.map(({ holds }) => holds), atLeast: need }],
          ),
        )
      }),
      { numRuns: 200 },
    )
  }, 180_000)
  it('more never costs less, and holds enough', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 3000 }),
        fc.integer({ min: 0, max: 500 }),
        fc.array(tin, { minLength: 1, maxLength: 4 }),
        (need, more, tins) => {
          const [less, greater] = [cheapestTins(need, tins), cheapestTins(need + more, tins)]
          expect(greater?.cost ?? 0).toBeGreaterThanOrEqual(less?.cost ?? 0)
          expect(less?.holds ?? -1).toBeGreaterThanOrEqual(need)
        },
      ),
    )
  })
})

describe('paint', () => {
  it('by pencil: 38 m² twice at 10 m² a litre are 7.6 litres', () => {
    expect(litresOf([{ name: 'Walls', m2: 38, coats: 2, rate: 10 }])).toBeCloseTo(7.6, 9)
    expect(litresToBuy(7.6, 1, rules)).toBeCloseTo(6.85, 9) // and 0.25 to touch up, less a litre left over
  })
  // a coverage chart of the trade (memory): 350 to 400 ft² to the US gallon
  it('the usual rate lies within what American tins say', () => {
    const feetAGallon = rules['paint.rate-smooth'] * 3.785411784 * 10.76391042
    expect(feetAGallon).toBeGreaterThan(350)
    expect(feetAGallon).toBeLessThan(450)
  })
  it('a rate of nothing, half a coat or an area below nothing give no figure', () => {
    expect(litresOf([{ name: 'Walls', m2: 10, coats: 2, rate: 0 }])).toBeNull()
    expect(litresOf([{ name: 'Walls', m2: 10, coats: 1.5, rate: 10 }])).toBeNull()
    expect(litresOf([{ name: 'Walls', m2: -1, coats: 2, rate: 10 }])).toBeNull()
  })
  it('a third coat is in question far towards light, and for a strong colour', () => {
    const [dark, pale, red] = [
      { L: 40, a: 0, b: 0 },
      { L: 90, a: 0, b: 4 },
      { L: 42, a: 52, b: 30 },
    ]
    expect(coatsFor(null, dark, pale, rules).coats).toEqual([2, 3])
    expect(coatsFor(null, pale, dark, rules).coats).toEqual([2])
    expect(coatsFor(null, pale, red, rules).coats).toEqual([2, 3])
    expect(coatsFor(1, dark, pale, rules).coats).toEqual([1])
    const sound = { bare: false, newPlaster: false, stained: false, glossy: false }
    expect(under({ ...sound, old: dark }, pale, rules).what).toBe('primer')
    expect(under({ ...sound, old: pale }, dark, rules).what).toBe('none')
    expect(under({ ...sound, newPlaster: true, old: null }, dark, rules).what).toBe('mist coat')
  })
  it('twice the length on all sides is four times the litres', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 500, noNaN: true }), fc.integer({ min: 1, max: 4 }), (m2, coats) => {
        const area = (times: number) => litresOf([{ name: '', m2: m2 * times, coats, rate: 10 }]) ?? 0
        expect(area(4)).toBeCloseTo(4 * area(1), 6)
      }),
    )
  })
})

describe('paper', () => {
  // EN 233: a roll is 10.05 m long and 0.53 m wide
  const plain: Roll = { widthMm: 530, lengthMm: 10_050, repeatMm: 0, match: 'free' }
  const wall = (lengthMm: number, heightMm: number, holes: PaperWall['holes'] = []): PaperWall => ({
    name: 'Wall A',
    lengthMm,
    heightMm,
    holes,
  })
  const hung = (walls: readonly PaperWall[], roll: Roll, startMm = 0): Paper => {
    const result = hang(walls, roll, rules, startMm)
    if (!result.ok) throw new Error(result.error)
    return result.paper
  }
  it('by pencil: 13 m round at 2.4 m are 25 strips, four to a roll, so 7 rolls', () => {
    const paper = hung([wall(4000, 2400), wall(2500, 2400), wall(4000, 2400), wall(2500, 2400)], plain)
    expect([paper.strips, paper.inOrder.rolls, paper.fewest]).toMatchObject([25, 7, { rolls: 7, proven: true }])
  })
  it('a straight match of 640 mm: a strip of 2.5 m takes 2.56 m, but the last of a roll', () => {
    // 3 × 2560 + 2500 = 10 180 is more than a roll: three to a roll; with a repeat of 600, 4 × 2500 lie at 0, 3000, 6000: three too
    expect(hung([wall(530 * 6, 2400)], { ...plain, repeatMm: 640, match: 'straight' }).fewest.rolls).toBe(2)
    // at 2.4 m and a repeat of 625 a strip of 2.5 m is four repeats: four to a roll, as free
    expect(hung([wall(530 * 8, 2400)], { ...plain, repeatMm: 625, match: 'straight' }).fewest.rolls).toBe(2)
  })
  it('a half drop cut from two rolls at a time wastes less than cut in the order of hanging', () => {
    const drop: Roll = { ...plain, repeatMm: 640, match: 'half-drop' }
    const paper = hung([wall(530 * 24, 2400)], drop)
    expect(paper.fewest.rolls).toBeLessThanOrEqual(paper.inOrder.rolls)
    for (const roll of paper.fewest.plan) expect(roll.length).toBeGreaterThan(0)
  })
  it('is short over a door only where a strip lies wholly within its width', () => {
    const door = { u0: 1000, u1: 2100, z0: 0, z1: 2000 }
    const paper = hung([wall(5300, 2400, [door])], plain)
    // strips of 530: the third, 1060 to 1590, lies within 1000 to 2100; the next, 1590 to 2120, does not
    expect(
      paper.pieces.filter(({ part }) => part === 'over').map(({ fromMm, lengthMm }) => [fromMm, lengthMm]),
    ).toEqual([[1060, 500]])
  })
  it('under a window the pattern goes on where the strip would have it', () => {
    const window = { u0: 400, u1: 1200, z0: 900, z1: 2100 }
    const roll: Roll = { ...plain, repeatMm: 640, match: 'straight' }
    const below = hung([wall(5300, 2400, [window])], roll).pieces.find(({ part }) => part === 'under')
    expect(below?.phaseMm).toBeCloseTo((2400 - 900) % 640, 9)
  })
  it.each([
    [{ ...plain, repeatMm: 11_000, match: 'straight' as const }, 2400, /repeat is longer than the roll/],
    [{ ...plain, match: 'straight' as const }, 2400, /has a repeat/],
    [plain, 10_000, /strip for Wall A is longer than the roll/],
    [{ ...plain, widthMm: 1 }, 2400, /more than 3000 strips/],
    [{ ...plain, widthMm: 0 }, 2400, /width and a length/],
  ])('what cannot be hung gets a word and no figure', (roll, height, error) => {
    const result = hang([wall(5300, height)], roll, rules)
    expect(result.ok ? '' : result.error).toMatch(error)
  })

  const kind = fc.record({
    lengthMm: fc.integer({ min: 300, max: 4000 }),
    phaseMm: fc.constant(0),
    wanted: fc.integer({ min: 1, max: 4 }),
  })
  it('cuts as few rolls as HiGHS finds on 120 packings', () => {
    fc.assert(
      fc.property(
        fc.array(kind, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 4000, max: 10_050 }),
        (kinds, lengthMm) => {
          const rolls = kinds.reduce((sum, { wanted }) => sum + wanted, 0)
          // y for a roll that is opened, x for pieces of a kind on it: all on opened rolls, no roll longer than it is
          const at = {
            y: (roll: number) => roll,
            x: (roll: number, index: number) => rolls + roll * kinds.length + index,
          }
          const size = rolls + rolls * kinds.length
          const row = (set: readonly (readonly [number, number])[], atLeast: number) => {
            const terms = Array.from({ length: size }, () => 0)
            for (const [index, value] of set) terms[index] = value
            return { terms, atLeast }
          }
          const all = Array.from({ length: rolls }, (_, roll) => roll)
          const found = least(
            Array.from({ length: size }, (_, index) => (index < rolls ? 1 : 0)),
            [
              ...kinds.map(({ wanted }, index) =>
                row(
                  all.map((roll) => [at.x(roll, index), 1] as const),
                  wanted,
                ),
              ),
              ...all.map((roll) =>
                row(
                  [
                    [at.y(roll), lengthMm],
                    ...kinds.map((entry, index) => [at.x(roll, index), -entry.lengthMm] as const),
                  ],
                  0,
                ),
              ),
            ],
            (index) => (index < rolls ? 1 : 100),
          )
          expect(fewestRolls(kinds, { lengthMm, repeatMm: 0 })?.length).toBe(found)
        },
      ),
      { numRuns: 120 },
    )
  }, 180_000)
  it('every piece is cut once, in its phase, and within its roll', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1500, max: 20_000 }),
        fc.integer({ min: 2000, max: 3200 }),
        fc.integer({ min: 100, max: 900 }),
        fc.constantFrom('free', 'straight', 'half-drop' as const),
        (length, height, repeatMm, match) => {
          const roll: Roll = { ...plain, repeatMm, match }
          const paper = hung([wall(length, height, [{ u0: 300, u1: 1450, z0: 0, z1: 1900 }])], roll)
          for (const plan of [paper.inOrder.plan, paper.fewest.plan]) {
            expect(
              plan.flat().toSorted((left, right) => left.strip - right.strip || left.topMm - right.topMm).length,
            ).toBe(paper.pieces.length)
            expect(new Set(plan.flat()).size).toBe(paper.pieces.length)
            for (const pieces of plan) {
              let end = 0
              for (const piece of pieces)
                end = placeOf(end, piece.phaseMm, match === 'free' ? 0 : repeatMm) + piece.lengthMm
              expect(end).toBeLessThanOrEqual(plain.lengthMm + 1e-6)
            }
          }
        },
      ),
      { numRuns: 60 },
    )
  })
  it('a wider wall never takes fewer rolls, and a longer roll never more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1000, max: 12_000 }), fc.integer({ min: 0, max: 3000 }), (length, more) => {
        const rolls = (walls: number, roll: Roll): number => hung([wall(walls, 2400)], roll).fewest.rolls
        expect(rolls(length + more, plain)).toBeGreaterThanOrEqual(rolls(length, plain))
        expect(rolls(length, { ...plain, lengthMm: plain.lengthMm + more })).toBeLessThanOrEqual(rolls(length, plain))
      }),
      { numRuns: 60 },
    )
  })
})

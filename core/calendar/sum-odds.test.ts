/** The chance that the agreed sum holds: against the beta distribution in closed form, and against the normal one for many. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'

import { minor } from '../money/minor.ts'
import { pieceOf } from '../testing/small-makeover.ts'
import { plannedRoom } from '../testing/planned.ts'
import { add } from '../makeover/change.ts'
import { chanceWords, openSums, sumOddsOf } from './sum-odds.ts'

const rows = plannedRoom()
const { good, after, newId, roomId } = rows
const category = Object.keys(rows.documents.makeover.rows.category)[0] ?? ''
const wish = (allowance: number) =>
  add('piece', newId(), pieceOf(roomId, category, { name: `Wish ${allowance}`, allowanceMinor: minor(allowance) }))
const runs = 20_000

function odds(found: ReturnType<typeof after>, rules: Record<string, number> = {}) {
  const told = sumOddsOf(
    found.documents.makeover,
    found.money,
    { ...found.practice.rules, ...rules },
    { runs, seed: 3 },
  )
  if (!told) throw new Error('a budget is signed')
  return told
}
const agreed = after([]).money.total.agreed

describe('within the agreed sum', () => {
  it('with firm prices alone it is certain, or impossible', () => {
    const sofa = (priceMinor: number) =>
      good({ name: 'Sofa', candidate: { priceMinor: minor(priceMinor), priceKind: 'agreed', taxPpm: 0 } })
    expect(odds(after(sofa(agreed).operations))).toMatchObject({ simulated: 1, classic: 1, open: [] })
    expect(odds(after(sofa(agreed + 1).operations))).toMatchObject({ simulated: 0, classic: 0 })
  })
  it('one allowance: the share of a beta distribution, where both its shape numbers are 3: 10x³ − 15x⁴ + 6x⁵', () => {
    // least, likely, most at equal distances: alpha = beta = 3, whose distribution function is a polynomial
    const likely = 100_000
    for (const share of [0.2, 0.4, 0.5, 0.7]) {
      const sum = likely * (0.5 + share)
      const sofa = good({
        name: 'Sofa',
        candidate: { priceMinor: minor(agreed - sum), priceKind: 'agreed', taxPpm: 0 },
      })
      const found = odds(after(sofa.operations, [wish(likely)]), {
        'odds.allowance-least': 50,
        'odds.allowance-most': 150,
      })
      const exact = 10 * share ** 3 - 15 * share ** 4 + 6 * share ** 5
      // three standard deviations of so many runs
      expect(Math.abs(found.simulated - exact)).toBeLessThan(3 * Math.sqrt((exact * (1 - exact)) / runs) + 0.002)
      expect(found.mean).toBeCloseTo(agreed - sum + likely, 4)
    }
  })
  it('of many the two ways come together, as the central limit theorem has it', () => {
    const wishes = Array.from({ length: 40 }, (_, at) => wish(2000 + 130 * at))
    const free = good({
      name: 'Sofa',
      candidate: { priceMinor: minor(agreed - 190_000), priceKind: 'agreed', taxPpm: 0 },
    })
    const found = odds(after(free.operations, wishes))
    expect(found.simulated).toBeGreaterThan(0.02)
    expect(found.simulated).toBeLessThan(0.98)
    expect(Math.abs(found.simulated - found.classic)).toBeLessThan(0.02)
  })
  it('a larger agreed sum is never less likely to hold, and more runs of the same seed begin with the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400_000 }), fc.integer({ min: 0, max: 200_000 }), (allowance, more) => {
        const found = after([wish(allowance)])
        const told = (extra: number): number =>
          sumOddsOf(
            found.documents.makeover,
            { ...found.money, total: { ...found.money.total, agreed: minor(found.money.total.agreed + extra) } },
            found.practice.rules,
            { runs: 300, seed: 1 },
          )?.simulated ?? 0
        expect(told(more)).toBeGreaterThanOrEqual(told(0))
      }),
      { numRuns: 40 },
    )
  }, 60_000)
})

it('what is seen, asked or remembered has a range; listed, agreed and paid prices are firm; without price and allowance it is told apart', () => {
  const seen = good({ name: 'Seen', candidate: { priceKind: 'seen' } })
  const listed = good({ name: 'Listed', candidate: { priceKind: 'list' } })
  const found = after(seen.operations, listed.operations, [wish(500), wish(0)])
  const open = openSums(found.documents.makeover, found.money.pieces, found.practice.rules)
  expect(open.map(({ name, because }) => [name, because])).toEqual([
    ['Seen', 'no firm price'],
    ['Wish 500', 'nothing chosen'],
  ])
  expect(odds(found).unpriced).toEqual(['Wish 0'])
})

it('without a signed budget there is no sum to hold', () => {
  const found = after([])
  expect(
    sumOddsOf(found.documents.makeover, { ...found.money, agreement: null }, found.practice.rules, {
      runs: 10,
      seed: 1,
    }),
  ).toBeNull()
})

it.each([
  [1, 'as good as certain'],
  [0.84, 'likely'],
  [0.5, 'even odds'],
  [0.2, 'unlikely'],
  [0, 'as good as impossible'],
])('%f is %s', (chance, says) => expect(chanceWords(chance)).toBe(says))

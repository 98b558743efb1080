/** Chances against closed forms and the tables of every book. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plainDate } from '../measure/plain-date.ts'
import { chanceBy, drawn, meanOf, normal, quantilesOf, simulated } from './chance.ts'
import { ordered, type NetTask } from './network.ts'
import { dayMinutes, everyDay, startOfDay, WorkDays, workDayMinutes } from './working-time.ts'

const origin = startOfDay(plainDate('2027-03-01'))
const alone = (id: string): NetTask => ({
  id,
  hand: null,
  days: new WorkDays(everyDay),
  work: 4 * workDayMinutes,
  from: origin,
  pinned: null,
  done: null,
  after: [],
})

describe('the beta distribution with λ = 4', () => {
  it('has the mean of the formula, and of a draw none leaves the range', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 })),
        ([least, more, further]) => {
          const range = { least, likely: least + more, most: least + more + further }
          const table = quantilesOf(range)
          const mean = Array.from({ length: 2000 }, (_, at) => drawn(table, (at + 0.5) / 2000)).reduce(
            (sum, value) => sum + value / 2000,
            0,
          )
          expect(Math.abs(mean - meanOf(range))).toBeLessThan(0.005 * Math.max(1, range.most - range.least))
          expect(drawn(table, 0)).toBe(least)
          expect(drawn(table, 1)).toBe(range.most)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('for least 0, likely in the middle, most 1 is Beta(3, 3): a quarter lies below 0.3594 (closed form 10x³ − 15x⁴ + 6x⁵)', () => {
    const table = quantilesOf({ least: 0, likely: 0.5, most: 1 })
    for (const share of [0.1, 0.25, 0.5, 0.9]) {
      const x = drawn(table, share)
      expect(10 * x ** 3 - 15 * x ** 4 + 6 * x ** 5).toBeCloseTo(share, 3)
    }
  })
  it('two tasks side by side: the later of the two, against the square of the one distribution', () => {
    const range = { least: 0, likely: 4 * workDayMinutes, most: 8 * workDayMinutes }
    const both = [alone('a'), alone('b')]
    const run = simulated(
      ordered(both),
      new Map([
        ['a', range],
        ['b', range],
      ]),
      { runs: 20_000, seed: 3 },
    )
    // both within x of the range: (10x³ − 15x⁴ + 6x⁵)²
    for (const x of [0.4, 0.5, 0.625, 0.75]) {
      const single = 10 * x ** 3 - 15 * x ** 4 + 6 * x ** 5
      const days = 8 * x
      const by = origin + Math.floor(days) * dayMinutes + 9 * 60 + (days % 1) * workDayMinutes
      expect(Math.abs(chanceBy(run, by) - single ** 2)).toBeLessThan(0.02)
    }
  }, 60_000)
  it('the normal distribution at the values of every table: 0, 1, 1.96, −2', () => {
    expect([0, 1, 1.96, -2].map((z) => Number(normal(z).toFixed(4)))).toEqual([0.5, 0.8413, 0.975, 0.0228])
  })
  it('a range whose least exceeds its most is refused', () => {
    expect(() => quantilesOf({ least: 5, likely: 4, most: 6 })).toThrow(/expected least ≤ likely ≤ most/)
  })
})

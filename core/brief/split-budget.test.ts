import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { minor, sum } from '../money/minor.ts'
import { begin, change, countingIds } from '../testing/small-makeover.ts'
import { sharesOfJobs, splitTotal, typicalShares } from './index.ts'

describe('a total split among categories', () => {
  it('keeps a contingency within it or beside it, in round sums', () => {
    // 6 600 with 10 % within: 6 000 to spend and 600 kept back (6 000 × 1.1 = 6 600)
    const within = splitTotal(minor(6_600_00), [50, 30, 20], { percent: 10, within: true, currency: 'EUR' })
    expect(within).toEqual({ amounts: [3_000_00, 1_800_00, 1_200_00], contingency: 600_00 })
    const beside = splitTotal(minor(6_000_00), [50, 30, 20], { percent: 10, within: false, currency: 'EUR' })
    expect(beside).toEqual({ amounts: [3_000_00, 1_800_00, 1_200_00], contingency: 600_00 })
  })
  it('adds up to the last unit in any currency', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 1, maxLength: 8 }),
        fc.constantFrom('EUR', 'JPY', 'KWD', 'USD'),
        fc.boolean(),
        (total, weights, currency, within) => {
          const { amounts, contingency } = splitTotal(minor(total), weights, { percent: 15, within, currency })
          expect(sum(amounts) + (within ? contingency : 0)).toBe(total)
          expect(Math.min(...amounts, contingency)).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })
})
it('typical shares go by what a category is called, and one nobody knows gets the middle', () => {
  const [furniture, unknown, textiles] = typicalShares(['Furniture', 'Odds and ends', 'Textiles'])
  expect([Number(furniture) > Number(unknown), Number(textiles) > Number(unknown)]).toEqual([true, true])
})
it('earlier jobs are averaged by the names of their categories, the signed ones alone', () => {
  const job = (sums: Record<string, number>, signed = true) => {
    const world = begin(countingIds(), { sums, signed })
    return change(world.start, world.operations).makeover
  }
  const jobs = [
    job({ Furniture: 600_00, Light: 400_00 }),
    job({ furniture: 800_00, Light: 200_00 }),
    job({ Light: 900_00 }, false),
  ]
  expect(sharesOfJobs(['Furniture', 'Light', 'Walls'], jobs)?.map((share) => Math.round(share * 1e6) / 1e6)).toEqual([
    70, 30, 0,
  ])
  expect(sharesOfJobs(['Walls'], jobs)).toBeNull()
  expect(sharesOfJobs(['Furniture'], [])).toBeNull()
})

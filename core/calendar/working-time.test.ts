/** Working days against a plain count, and forth against back. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plainDate } from '../measure/plain-date.ts'
import {
  dayMinutes,
  everyDay,
  mondayToFriday,
  roundTheClock,
  startOfDay,
  WorkDays,
  workDayMinutes,
} from './working-time.ts'

const origin = startOfDay(plainDate('2027-03-01'))

describe('working days', () => {
  const week = new WorkDays(mondayToFriday)
  it('against a plain count, day by day', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3000 }), fc.integer({ min: 0, max: 60 }), (offset, days) => {
        const start = plainDate(new Date((20_000 + offset) * 86_400_000).toISOString().slice(0, 10))
        let day = 20_000 + offset
        for (let left = days; left > 0;) {
          day++
          if (![0, 6].includes(new Date(day * 86_400_000).getUTCDay())) left--
        }
        expect(week.add(start, days)).toBe(new Date(day * 86_400_000).toISOString().slice(0, 10))
      }),
      { numRuns: 300 },
    )
  })
  it('forth and back are one: what begins then ends then, and what ends then begins then', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100_000 }), fc.integer({ min: 1, max: 9000 }), (offset, minutes) => {
        const start = week.earliest(origin + offset)
        expect(week.start(week.finish(start, minutes), minutes)).toBe(start)
      }),
      { numRuns: 300 },
    )
  })
  it('leap day, and the days when clocks change, are days like others', () => {
    const all = new WorkDays(everyDay)
    expect(all.add(plainDate('2028-02-28'), 1)).toBe('2028-02-29')
    expect(week.add(plainDate('2027-03-26'), 1)).toBe('2027-03-29')
    const eve = startOfDay(plainDate('2027-03-27')) + 9 * 60
    expect(all.finish(eve, 2 * workDayMinutes) - eve).toBe(dayMinutes + workDayMinutes)
  })
  it('away days are not worked, the first and the last included; a hand without a working day is refused', () => {
    const away = new WorkDays({
      ...mondayToFriday,
      away: [{ first: plainDate('2027-03-02'), last: plainDate('2027-03-04') }],
    })
    expect(away.add(plainDate('2027-03-01'), 1)).toBe('2027-03-05')
    expect(() => new WorkDays({ days: [false, false, false, false, false, false, false], away: [] })).toThrow(
      /at least one day/,
    )
  })
  it('round the clock a lead of so many days ends at the same time of day; over a weekend that is not worked it waits', () => {
    const noon = startOfDay(plainDate('2027-03-05')) + 12 * 60
    const elapsed = new WorkDays(everyDay, roundTheClock)
    expect(elapsed.finish(noon, 3 * dayMinutes)).toBe(noon + 3 * dayMinutes)
    expect(elapsed.start(noon, 3 * dayMinutes)).toBe(noon - 3 * dayMinutes)
    expect(elapsed.start(noon, 12 * 60 + dayMinutes)).toBe(startOfDay(plainDate('2027-03-04')))
    // a Friday: one working day on is Monday
    expect(new WorkDays(mondayToFriday, roundTheClock).finish(noon, dayMinutes)).toBe(noon + 3 * dayMinutes)
  })
})

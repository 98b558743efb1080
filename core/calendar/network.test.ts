/** The critical path and the chances against published networks, an independent scheduler, and laws that every plan keeps. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plainDate } from '../measure/plain-date.ts'
import { chanceBy, classicChance, meanOf, simulated, simulating, varianceOf, type Range } from './chance.ts'
import { backward, chainTo, circleIn, forward, lastOf, ordered, type NetTask } from './network.ts'
import { dayMinutes, everyDay, mondayToFriday, startOfDay, WorkDays, workDayMinutes } from './working-time.ts'

const always = new WorkDays(everyDay)
const origin = startOfDay(plainDate('2027-03-01'))
const task = (id: string, days: number, after: string[] = [], more: Partial<NetTask> = {}): NetTask => ({
  id,
  hand: null,
  days: always,
  work: days * workDayMinutes,
  from: origin,
  pinned: null,
  done: null,
  after: after.map((before) => ({ id: before, wait: 0 })),
  ...more,
})
/** Working days from the beginning, where every day is worked. */
const daysIn = (minute: number): number => {
  const day = Math.floor((minute - origin) / dayMinutes)
  return day + (minute - origin - day * dayMinutes - 9 * 60) / workDayMinutes
}

// Hillier and Lieberman, Introduction to Operations Research, the Reliable Construction Company: optimistic, most likely and pessimistic
// weeks, and what comes before each
const published: Readonly<Record<string, readonly [least: number, likely: number, most: number, after: string]>> = {
  A: [1, 2, 3, ''],
  B: [2, 3.5, 8, 'A'],
  C: [6, 9, 18, 'B'],
  D: [4, 5.5, 10, 'C'],
  E: [1, 4.5, 5, 'C'],
  F: [4, 4, 10, 'E'],
  G: [5, 6.5, 11, 'D'],
  H: [5, 8, 17, 'EG'],
  I: [3, 7.5, 9, 'C'],
  J: [3, 9, 9, 'FI'],
  K: [4, 4, 4, 'J'],
  L: [1, 5.5, 7, 'J'],
  M: [1, 2, 3, 'H'],
  N: [5, 5.5, 9, 'KL'],
}
const rangeOf = (id: string): Range => {
  const [least, likely, most] = published[id] ?? [0, 0, 0]
  return { least, likely, most }
}
const construction = Object.entries(published).map(([id, [, , , after]]) => task(id, meanOf(rangeOf(id)), [...after]))

describe('a published network (Hillier and Lieberman, Reliable Construction)', () => {
  const placed = forward(ordered(construction))
  const chain = chainTo(placed, lastOf(placed) ?? '')
  it('takes 44 weeks along A B C E F J L N', () => {
    expect(chain.join('')).toBe('ABCEFJLN')
    expect(daysIn(placed.get('N')?.finish ?? 0)).toBeCloseTo(44, 6)
  })
  it('slack is none on the chain and some beside it', () => {
    const late = backward(ordered(construction), placed.get('N')?.finish ?? 0)
    const slack = Object.keys(published).map((id) => [
      id,
      Math.round(daysIn(late.get(id)?.start ?? 0) - daysIn(placed.get(id)?.start ?? 0)),
    ])
    // the slacks of the published table, in weeks
    expect(Object.fromEntries(slack)).toEqual({
      A: 0,
      B: 0,
      C: 0,
      D: 4,
      E: 0,
      F: 0,
      G: 4,
      H: 4,
      I: 2,
      J: 0,
      K: 1,
      L: 0,
      M: 4,
      N: 0,
    })
  })
  it('has a variance of 9 along its chain, and ends within 47 weeks with a chance of .8413', () => {
    const variance = chain.reduce((sum, id) => sum + varianceOf(rangeOf(id)), 0)
    expect(variance).toBeCloseTo(9, 10)
    expect(classicChance(47, 44, variance)).toBeCloseTo(0.8413, 4)
  })
  it('by simulation ends later than the classic formula says, since other chains may be the longest', () => {
    const minutes = new Map(
      Object.keys(published).map((id) => {
        const { least, likely, most } = rangeOf(id)
        return [id, { least: least * workDayMinutes, likely: likely * workDayMinutes, most: most * workDayMinutes }]
      }),
    )
    const run = simulated(ordered(construction), minutes, { runs: 10_000, seed: 1 })
    const by = origin + 46 * dayMinutes + 17 * 60
    const chance = chanceBy(run, by)
    expect(chance).toBeLessThan(0.8413)
    expect(chance).toBeGreaterThan(0.7)
    expect(run.onChain.get('A')).toBe(1)
    // the same seed gives the same runs
    expect(simulated(ordered(construction), minutes, { runs: 300, seed: 7 }).ends).toEqual(
      simulated(ordered(construction), minutes, { runs: 300, seed: 7 }).ends,
    )
    // whoever runs it hears how far it is, and may leave it there
    const trying = simulating(ordered(construction), minutes, { runs: 1200, seed: 7 })
    expect([trying.next().value, trying.next().value]).toEqual([500, 1000])
    expect(trying.next()).toMatchObject({ done: true, value: { runs: 1200 } })
  }, 60_000)
})

describe('another published network', () => {
  it('the promotional network of eight tasks takes 15 weeks by A C E G H (Heizer and Render, Milwaukee Paper; from memory)', () => {
    const means: [string, number, string][] = [
      ['A', 2, ''],
      ['B', 3, ''],
      ['C', 2, 'A'],
      ['D', 4, 'AB'],
      ['E', 4, 'C'],
      ['F', 3, 'C'],
      ['G', 5, 'DE'],
      ['H', 2, 'FG'],
    ]
    const placed = forward(ordered(means.map(([id, weeks, after]) => task(id, weeks, [...after]))))
    expect(daysIn(placed.get('H')?.finish ?? 0)).toBeCloseTo(15, 6)
    expect(chainTo(placed, 'H').join('')).toBe('ACEGH')
  })
})

const net = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 9 }), fc.array(fc.nat(), { maxLength: 3 })), {
    minLength: 1,
    maxLength: 14,
  })
  .map((rows) =>
    rows.map(([days, before], at) =>
      task(String(at), days, at === 0 ? [] : [...new Set(before.map((number) => String(number % at)))]),
    ),
  )

describe('laws of every plan', () => {
  it('ends when the longest path by powers of the max-plus matrix ends, an independent way', () => {
    fc.assert(
      fc.property(net, (tasks) => {
        const n = tasks.length
        const work = tasks.map((entry) => entry.work / workDayMinutes)
        let longest = tasks.map((entry, row) =>
          tasks.map((_, column) =>
            entry.after.some(({ id }) => id === String(column)) ? (work[row] ?? 0) : -Infinity,
          ),
        )
        // squared until nothing grows: paths of any number of steps
        for (let step = 1; step < n; step *= 2)
          longest = longest.map((row, i) =>
            row.map((value, j) =>
              Math.max(
                value,
                ...row.map((part, k) => part + (longest[k]?.[j] ?? -Infinity)),
                i === j ? -Infinity : value,
              ),
            ),
          )
        const ends = tasks.map((_, i) =>
          Math.max(work[i] ?? 0, ...(longest[i] ?? []).map((path, j) => path + (work[j] ?? 0))),
        )
        const placed = forward(ordered(tasks))
        const last = placed.get(lastOf(placed) ?? '')?.finish ?? 0
        const expected = Math.max(...ends)
        if (expected > 0) expect(daysIn(last)).toBeCloseTo(expected, 6)
      }),
      { numRuns: 300 },
    )
  })
  const handed = fc
    .tuple(net, fc.array(fc.constantFrom('painter', 'tiler', null), { minLength: 14, maxLength: 14 }))
    .map(([tasks, hands]) =>
      tasks.map((entry, at) => ({
        ...entry,
        hand: hands[at] ?? null,
        days: hands[at] === 'painter' ? new WorkDays(mondayToFriday) : always,
      })),
    )
  it('no task before what it needs, no hand does two at once, no work on a day off', () => {
    fc.assert(
      fc.property(handed, (tasks) => {
        const placed = forward(ordered(tasks))
        for (const entry of tasks) {
          const own = placed.get(entry.id)
          if (!own) throw new Error('each is placed')
          for (const { id, wait } of entry.after)
            expect(own.start).toBeGreaterThanOrEqual((placed.get(id)?.finish ?? 0) + wait)
          for (const met of tasks) {
            const there = placed.get(met.id)
            if (!there || met.id === entry.id || met.hand === null || met.hand !== entry.hand) continue
            expect(own.finish <= there.start || there.finish <= own.start).toBe(true)
          }
          if (entry.hand === 'painter' && entry.work > 0)
            expect([0, 6]).not.toContain(new Date(own.start * 60_000).getUTCDay())
        }
      }),
      { numRuns: 200 },
    )
  })
  it('nothing begins later than it may when the deadline is when it ends, and what is latest keeps every order too', () => {
    fc.assert(
      fc.property(handed, (tasks) => {
        const work = ordered(tasks)
        const placed = forward(work)
        const end = Math.max(...[...placed.values()].map(({ finish }) => finish))
        const late = backward(work, end)
        for (const entry of tasks) {
          expect(late.get(entry.id)?.start).toBeGreaterThanOrEqual((placed.get(entry.id)?.start ?? 0) - dayMinutes * 4)
          for (const { id, wait } of entry.after)
            expect((late.get(id)?.finish ?? 0) + wait).toBeLessThanOrEqual(late.get(entry.id)?.start ?? 0)
        }
      }),
      { numRuns: 200 },
    )
  })
  it('where every day is worked, moving the deadline moves all that hangs on it by as much', () => {
    fc.assert(
      fc.property(net, fc.integer({ min: 1, max: 400 }), (tasks, days) => {
        const work = ordered(tasks)
        const end = origin + 90 * dayMinutes + 17 * 60
        const [before, after] = [backward(work, end), backward(work, end + days * dayMinutes)]
        for (const { id } of tasks)
          expect((after.get(id)?.start ?? 0) - (before.get(id)?.start ?? 0)).toBe(days * dayMinutes)
      }),
      { numRuns: 100 },
    )
  })
  it('a circle is found and named in its order', () => {
    const circle = circleIn([task('a', 1, ['c']), task('b', 1, ['a']), task('c', 1, ['b']), task('d', 1, ['a'])])
    expect(circle?.toSorted()).toEqual(['a', 'b', 'c'])
    expect(circleIn(construction)).toBeNull()
    expect(() => ordered([task('a', 1, ['b']), task('b', 1, ['a'])])).toThrow(/circle/)
  })
})

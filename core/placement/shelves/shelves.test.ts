/** Shelves: what fits and what is said by pencil, and laws that every arrangement keeps. Common practice of styling. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { edit } from '../../makeover/change.ts'
import { displays } from '../../makeover/room-choices.ts'
import { reckon } from '../../reckoning/reckon.ts'
import { effectiveRules } from '../../rulebook/rulebook.ts'
import { shelved, type OnShow } from '../../testing/shelved.ts'
import { testToday, tryChange } from '../../testing/small-makeover.ts'
import { arrangeShelf, reasonsOfShelf, spaced, unrestIn } from './arrange.ts'
import { offMiddle, readBoards } from './shelf.ts'

const rules = effectiveRules()
const codes = (things: readonly OnShow[], more = {}): string[] =>
  reckon(shelved(things, more).documents, testToday)
    .remarks.filter(({ code }) => code.startsWith('placement.shelf-'))
    .map(({ code, weight }) => `${code.slice('placement.shelf-'.length)} ${weight}`)
    .toSorted()
const vase = (at: number, more: Partial<OnShow> = {}): OnShow => ({
  at,
  size: [120, 300],
  what: 'vase',
  madeOf: 'ceramic',
  ...more,
})
const books = (at: number, more: Partial<OnShow> = {}): OnShow => ({
  at,
  size: [300, 240],
  what: 'books',
  madeOf: 'paper',
  ...more,
})

describe('what fits', () => {
  it('the room of a board is up to the next less its thickness, the last up to the top', () => {
    const { shelf } = shelved([])
    expect(shelf.boards.map(({ clear }) => clear)).toEqual([380, 380, 380])
  })
  it('over its end, under the next board, deeper than the board, two in one place', () => {
    expect(codes([vase(30)])).toEqual(['off stop'])
    expect(codes([vase(600, { size: [120, 400] })])).toEqual(['high stop'])
    expect(codes([vase(600, { depthMm: 320 })])).toEqual(['deep look'])
    expect(codes([vase(600, { depthMm: 200 }), books(700, { depthMm: 150 })])).toEqual(['meets look'])
    // one shallow thing before another is how things are shown
    expect(codes([vase(600, { depthMm: 90 }), books(700, { depthMm: 150 })])).toEqual([])
  })
  it('boards are read as they are typed, and what is none is refused where it is typed', () => {
    expect(readBoards('0, 350;700')).toEqual([0, 350, 700])
    for (const text of ['', 'a', '0, 700, 350', '-5, 100']) expect(readBoards(text)).toBeNull()
    const { documents } = shelved([])
    const row = Object.values(documents.makeover.rows.shelving)[0]
    if (!row) throw new Error('its boards are known')
    const { faults } = tryChange(documents, [edit('shelving', row, { heights: '700, 0' })])
    expect(faults[0]).toMatchObject({ field: 'heights' })
    expect(faults[0]?.message).toMatch(/expected at most 40, rising/)
  })
})

describe('how it looks together', () => {
  const composed = [books(250), vase(700), { at: 950, size: [200, 120], what: 'bowl', madeOf: 'solid wood' } as OnShow]
  it('a mixed shelf is left in peace', () => expect(codes(composed)).toEqual([]))
  it('three of one height are a fence, books are not', () => {
    const fence = [
      vase(200),
      { ...vase(600), what: 'jar', madeOf: 'glass' } as OnShow,
      { ...vase(1000), what: 'candle', madeOf: 'brass or bronze' } as OnShow,
    ]
    expect(codes(fence)).toEqual(['level note'])
    expect(codes([books(200), books(600), books(1000)])).toEqual([])
  })
  it('all of one material is said, twins side by side too; a pair at both ends is not', () => {
    const pots = [
      vase(250),
      vase(650, { size: [200, 120], what: 'bowl' }),
      vase(950, { size: [160, 200], what: 'jar' }),
    ]
    expect(codes(pots)).toEqual(['stuff note'])
    expect(codes([vase(150), vase(400), books(900)])).toContain('twins note')
    expect(codes([vase(150), books(600), vase(1050)])).toEqual([])
  })
  it('weight far off the middle leans: by pencil', () => {
    const left = [vase(100, { size: [180, 350] }), books(300), { at: 480, size: [100, 60], what: 'bowl' } as OnShow]
    const { shelf } = shelved(left)
    // 180 × 350 at 100, 300 × 240 at 300, 100 × 60 at 480
    const [a, b, c] = [63_000, 72_000, 6000]
    const middle = (a * 100 + b * 300 + c * 480) / (a + b + c)
    expect(offMiddle(shelf.all, 1200)).toBeCloseTo(middle / 1200 - 0.5, 9)
    expect(codes(left)).toContain('balance note')
  })
  it('heavy up high, little things in three places, two that lead', () => {
    expect(
      codes([...composed, { at: 600, size: [200, 200], what: 'figure', madeOf: 'stone', heavy: true, board: 3 }]),
    ).toContain('heavy note')
    const little = [150, 600, 1050].map((at): OnShow => ({ at, size: [60, 80], what: 'other', board: 2 }))
    expect(codes([...composed, ...little])).toContain('small note')
    expect(codes([...composed.map((thing) => ({ ...thing, leads: true }))])).toContain('strong note')
  })
})

const anyThings = fc.array(
  fc.record({
    at: fc.integer({ min: 60, max: 1140 }),
    size: fc.tuple(fc.integer({ min: 30, max: 180 }), fc.integer({ min: 40, max: 370 })),
    what: fc.constantFrom(...displays),
    board: fc.integer({ min: 1, max: 3 }),
    heavy: fc.boolean(),
  }),
  { minLength: 1, maxLength: 10 },
)
const arranged = (things: readonly OnShow[], seed: number, rounds = 1500) => {
  const { shelf } = shelved(things)
  const run = arrangeShelf(shelf, rules, seed, rounds)
  let step = run.next()
  while (!step.done) step = run.next()
  return { shelf, found: step.value }
}
describe('an arrangement', () => {
  it('has no more against it than what was, keeps every thing, fits each on its board, and is the same for the same seed', () => {
    fc.assert(
      fc.property(anyThings, fc.integer({ min: 1, max: 1000 }), (things, seed) => {
        const { shelf, found } = arranged(things, seed)
        expect(unrestIn(found.after)).toBeLessThanOrEqual(unrestIn(found.before) + 1e-9)
        expect(found.places.map(({ id }) => id).toSorted()).toEqual(shelf.all.map(({ id }) => id).toSorted())
        for (const board of [1, 2, 3]) {
          const here = found.places
            .filter((place) => place.board === board)
            .map(({ id, alongMm }) => ({ alongMm, wide: shelf.all.find((thing) => thing.id === id)?.wide ?? 0 }))
          const room = here.reduce((sum, { wide }) => sum + wide, 0) <= shelf.wide
          for (const [at, thing] of here.entries()) {
            const next = here[at + 1]
            if (room && next)
              expect(next.alongMm - next.wide / 2).toBeGreaterThanOrEqual(thing.alongMm + thing.wide / 2 - 1e-6)
          }
        }
        expect(arranged(things, seed).found.places).toEqual(found.places)
      }),
      { numRuns: 25 },
    )
  }, 120_000)
  it('brings a heavy thing down and says so', () => {
    const { shelf, found } = arranged(
      [{ at: 600, size: [200, 200], what: 'figure', heavy: true, board: 3 }, vase(300), books(700)],
      7,
    )
    const heavy = shelf.all.find(({ row }) => row.heavy)
    expect(found.places.find(({ id }) => id === heavy?.id)?.board).toBe(1)
    expect(reasonsOfShelf(found).length).toBeGreaterThan(0)
  })
  it('stopped, it hands over the best so far', () => {
    const { shelf } = shelved([vase(200), books(700), vase(1000)])
    const run = arrangeShelf(shelf, rules, 1)
    run.next()
    const last = run.next(true)
    expect(last.done).toBe(true)
  })
  it('even gaps: what is left of the width in equal parts', () => {
    const { shelf } = shelved([vase(200), vase(500), vase(800)])
    // 1200 less 3 × 120, in four parts of 210
    expect(spaced(shelf.all, 1200).map(({ left }) => left)).toEqual([210, 540, 870])
  })
})

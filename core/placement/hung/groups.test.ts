/** Groups: their sizes by pencil, and laws that every way of grouping keeps. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fittingOver, grouped, groupWays, type GroupAsked, type Member } from './groups.ts'

const ask = (more: Partial<GroupAsked> = {}): GroupAsked => ({
  way: 'row',
  gapMm: 60,
  stepMm: 0,
  columns: null,
  ...more,
})
const work = (id: string, widthMm: number, heightMm: number): Member => ({ id, widthMm, heightMm })
const three = [work('a', 300, 400), work('b', 500, 700), work('c', 200, 200)]
const anyWorks = fc
  .array(fc.tuple(fc.integer({ min: 80, max: 900 }), fc.integer({ min: 80, max: 900 })), {
    minLength: 1,
    maxLength: 12,
  })
  .map((sizes) => sizes.map(([wide, high], at) => work(String(at), wide, high)))

describe('by pencil', () => {
  it('a row is as wide as its parts and gaps and as high as its highest, a stack the other way', () => {
    expect(grouped(three, ask())).toMatchObject({ widthMm: 300 + 500 + 200 + 2 * 60, heightMm: 700 })
    expect(grouped(three, ask({ way: 'stack', gapMm: 50 }))).toMatchObject({
      widthMm: 500,
      heightMm: 400 + 700 + 200 + 2 * 50,
    })
  })
  it('nine alike make three by three', () => {
    const nine = Array.from({ length: 9 }, (_, at) => work(String(at), 300, 400))
    const grid = grouped(nine, ask({ way: 'grid' }))
    expect(grid).toMatchObject({ widthMm: 3 * 300 + 2 * 60, heightMm: 3 * 400 + 2 * 60, offMm: 0 })
    expect(grid.places[0]).toMatchObject({ x: -360, y: 460 })
    expect(grouped(nine, ask({ way: 'grid', columns: 9 })).heightMm).toBe(400)
  })
  it('a mirrored set: twins at the same height on both sides, the single one in the middle, a second single told', () => {
    const set = [work('m', 600, 800), work('l', 300, 300), work('r', 300, 300), work('x', 100, 100)]
    const { places, odd } = grouped(set, ask({ way: 'mirrored', stepMm: 150 }))
    const at = new Map(places.map(({ id, x, y }) => [id, { x, y }]))
    expect(at.get('m')?.x).toBeCloseTo(0, 9)
    // half of 600, the gap, half of 300
    expect([at.get('l')?.x, at.get('r')?.x].map((x) => Math.abs(x ?? 0))).toEqual([510, 510])
    expect((at.get('m')?.y ?? 0) - (at.get('l')?.y ?? 0)).toBe(150)
    expect(at.get('l')?.y).toBe(at.get('r')?.y)
    expect(odd).toEqual(['x'])
  })
  it('over a sofa of 2100: between two thirds and three quarters, of fewer works where that goes', () => {
    const owned = [work('a', 1500, 900), work('b', 700, 500), work('c', 690, 500), work('d', 2000, 300)]
    const over = (works: readonly Member[]) =>
      fittingOver(works, 2100, { leastShare: 0.67, mostShare: 0.75, gapMm: 60 }).map(({ id }) => id)
    expect(over(owned)).toEqual(['a'])
    // 700 + 60 + 690 = 1450 of 1407 to 1575
    expect(over(owned.slice(1))).toEqual(['b', 'c'])
    expect(over([work('d', 2000, 300)])).toEqual([])
  })
})

describe('laws of groups', () => {
  it.each(groupWays.map((way) => [way] as const))(
    '%s: no two nearer than the gap, the whole about its middle, all hung but the odd',
    (way) => {
      fc.assert(
        fc.property(
          anyWorks,
          fc.integer({ min: 20, max: 120 }),
          fc.integer({ min: 0, max: 200 }),
          (works, gapMm, stepMm) => {
            const { places, widthMm, heightMm, odd } = grouped(works, ask({ way, gapMm, stepMm }))
            expect(places.length + odd.length).toBe(works.length)
            const boxes = places.map(({ id, x, y }) => {
              const { widthMm: wide = 0, heightMm: high = 0 } = works.find((known) => known.id === id) ?? {}
              return { left: x - wide / 2, right: x + wide / 2, low: y - high / 2, top: y + high / 2 }
            })
            for (const [at, first] of boxes.entries())
              for (const second of boxes.slice(at + 1)) {
                const across = Math.max(second.left - first.right, first.left - second.right)
                const up = Math.max(second.low - first.top, first.low - second.top)
                expect(Math.max(across, up)).toBeGreaterThanOrEqual(gapMm - 0.01)
              }
            expect(Math.max(...boxes.map(({ right }) => right))).toBeCloseTo(widthMm / 2, 6)
            expect(Math.min(...boxes.map(({ left }) => left))).toBeCloseTo(-widthMm / 2, 6)
            expect(Math.max(...boxes.map(({ top }) => top))).toBeCloseTo(heightMm / 2, 6)
          },
        ),
      )
    },
    60_000,
  )
  it('a mirrored set is symmetric to half a millimetre', () => {
    fc.assert(
      fc.property(anyWorks, fc.integer({ min: 0, max: 200 }), (works, stepMm) => {
        const twice = [...works, ...works.map((own) => ({ ...own, id: `${own.id} too` }))]
        const { places, odd } = grouped(twice, ask({ way: 'mirrored', stepMm }))
        expect(odd).toEqual([])
        for (const { x, y } of places)
          expect(places.some((twin) => Math.abs(twin.x + x) <= 0.5 && Math.abs(twin.y - y) <= 0.5)).toBe(true)
      }),
    )
  })
  it('a salon holds its weight near its middle', () => {
    fc.assert(
      fc.property(
        anyWorks.filter((works) => works.length >= 4),
        (works) => {
          const { widthMm, heightMm, offMm } = grouped(works, ask({ way: 'salon' }))
          expect(offMm).toBeLessThan(0.25 * Math.hypot(widthMm, heightMm))
        },
      ),
    )
  }, 60_000)
})

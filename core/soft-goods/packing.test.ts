/** Panels on a cloth: what is known of rectangles packed without a gap, and what no packing may do. */
import fc from 'fast-check'
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs'
import { describe, expect, it } from 'vitest'
import { acrossOf, alongOf, packed, packing, type Laid, type Panel } from './packing.ts'

const plain = { repeatMm: 0, acrossMm: 0 }
const panel = (widthMm: number, lengthMm: number, more: Partial<Panel> = {}): Panel => ({
  name: `${widthMm} × ${lengthMm}`,
  widthMm,
  lengthMm,
  mayTurn: false,
  onRepeat: false,
  ...more,
})
const found = (...asked: Parameters<typeof packed>) => {
  const result = packed(...asked)
  if (!result.ok) throw new Error(`${result.field} ${result.error}`)
  return result.packing
}
const overlaps = (left: Laid, mate: Laid): boolean =>
  left.x < mate.x + acrossOf(mate) - 1e-6 &&
  mate.x < left.x + acrossOf(left) - 1e-6 &&
  left.y < mate.y + alongOf(mate) - 1e-6 &&
  mate.y < left.y + alongOf(left) - 1e-6
const sides = fc.integer({ min: 20, max: 700 })
const panels = (most: number) =>
  fc.array(fc.record({ widthMm: sides, lengthMm: sides, mayTurn: fc.boolean(), onRepeat: fc.boolean() }), {
    minLength: 1,
    maxLength: most,
  })
const named = (all: readonly Omit<Panel, 'name'>[]): Panel[] => all.map((given, at) => ({ ...given, name: String(at) }))

describe('panels on a cloth', () => {
  it('the nine squares of the 33 × 32 rectangle lie on 33 in a length of 32, none left', () => {
    // the squared rectangle of Z. Moroń (1925), of the squares 18, 15, 14, 10, 9, 8, 7, 4 and 1: a published packing without a gap
    const squares = [18, 15, 14, 10, 9, 8, 7, 4, 1].map((side) => panel(side, side))
    const { lengthMm, leastMm, panels: laid } = found(squares, { widthMm: 33, ...plain }, 20_000)
    expect(laid).toHaveLength(9)
    expect([lengthMm, leastMm]).toEqual([32, 32])
  }, 60_000)
  it('cuts a rectangle back into what it was cut from: with so few panels the least length is proven', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        // guillotine cuts of 120 × 90 into six: the least length is 90
        let state = seed
        const next = (most: number): number => {
          state = (state * 48_271) % 2_147_483_647
          return 1 + (state % most)
        }
        let pieces = [{ w: 120, h: 90 }]
        while (pieces.length < 6) {
          const largest = pieces.toSorted((left, right) => right.w * right.h - left.w * left.h)[0] as {
            w: number
            h: number
          }
          const rest = pieces.filter((piece) => piece !== largest)
          const at = largest.w >= largest.h ? next(largest.w - 1) : next(largest.h - 1)
          pieces =
            largest.w >= largest.h
              ? [...rest, { w: at, h: largest.h }, { w: largest.w - at, h: largest.h }]
              : [...rest, { w: largest.w, h: at }, { w: largest.w, h: largest.h - at }]
        }
        const { lengthMm, proven } = found(
          pieces.map(({ w, h }) => panel(w, h)),
          { widthMm: 120, ...plain },
        )
        expect([lengthMm, proven]).toEqual([90, true])
      }),
      { numRuns: 60 },
    )
  }, 60_000)
  it('never lie over each other or outside the cloth, keep their grain, begin where the pattern does, and are never under the bound', () => {
    fc.assert(
      fc.property(
        panels(14),
        fc.integer({ min: 700, max: 1500 }),
        fc.constantFrom(0, 64, 320),
        fc.constantFrom(0, 160),
        (all, widthMm, repeatMm, acrossMm) => {
          const asked = named(all)
          const cloth = { widthMm, repeatMm, acrossMm }
          const { panels: laid, lengthMm, leastMm } = found(asked, cloth, 40)
          expect(laid.map(({ name }) => name).sort()).toEqual(asked.map(({ name }) => name).sort())
          for (const [at, left] of laid.entries()) {
            expect(left.x >= 0 && left.x + acrossOf(left) <= widthMm + 1e-6).toBe(true)
            expect(left.y >= 0 && left.y + alongOf(left) <= lengthMm + 1e-6).toBe(true)
            if (!left.mayTurn) expect(left.isTurned).toBe(false)
            if (left.onRepeat && repeatMm > 0) expect(left.y % repeatMm).toBeCloseTo(0, 6)
            if (left.onRepeat && acrossMm > 0) expect(left.x % acrossMm).toBeCloseTo(0, 6)
            for (const mate of laid.slice(at + 1)) expect(overlaps(left, mate)).toBe(false)
          }
          expect(lengthMm).toBeGreaterThanOrEqual(leastMm - 1e-6)
        },
      ),
      { numRuns: 120 },
    )
  }, 60_000)
  it('a wider cloth never needs more length, and more repeat never less, where both are proven', () => {
    fc.assert(
      fc.property(
        panels(5),
        fc.integer({ min: 700, max: 1300 }),
        fc.integer({ min: 1, max: 400 }),
        (all, widthMm, more) => {
          const asked = named(all)
          const first = found(asked, { widthMm, ...plain })
          const wider = found(asked, { widthMm: widthMm + more, ...plain })
          if (first.proven && wider.proven) expect(wider.lengthMm).toBeLessThanOrEqual(first.lengthMm + 1e-6)
          const repeated = found(asked, { widthMm, repeatMm: more, acrossMm: 0 })
          if (first.proven && repeated.proven) expect(repeated.lengthMm).toBeGreaterThanOrEqual(first.lengthMm - 1e-6)
        },
      ),
      { numRuns: 60 },
    )
  }, 60_000)
  it('what neither area nor one side refutes both sides do: four borders have no place beside the long panels of two benches', () => {
    // 2 × 450 + 2 × 90 + 4 × 75 is 1380 of 1400 across: the four ends of 90 lie beyond the 1630, and take their 450
    const long = (widthMm: number) => panel(widthMm, 1630)
    const all = [450, 450, 90, 90, 75, 75, 75, 75].map(long)
    const ends = Array.from({ length: 4 }, () => panel(90, 450))
    const { lengthMm, proven } = found([...all, ...ends], { widthMm: 1400, ...plain })
    expect([lengthMm, proven]).toEqual([2080, true])
  })
  it('no other packer makes it shorter', () => {
    // an independent one of the registry, given as much length as it likes
    fc.assert(
      fc.property(panels(16), fc.integer({ min: 700, max: 1500 }), (all, widthMm) => {
        const asked = named(all.map((given) => ({ ...given, mayTurn: false, onRepeat: false })))
        const { lengthMm } = found(asked, { widthMm, ...plain })
        const theirs = new MaxRectsPacker(widthMm, 100_000, 0, { smart: false, pot: false, square: false })
        theirs.addArray(asked.map((given) => ({ width: given.widthMm, height: given.lengthMm })))
        const used = theirs.bins.flatMap(({ rects }) => rects.map(({ y, height }) => y + height))
        expect(lengthMm).toBeLessThanOrEqual(Math.max(...used) + 1e-6)
      }),
      { numRuns: 60 },
    )
  }, 60_000)
  it('says how far it is, and what is wrong where it was typed', () => {
    const many = Array.from({ length: 40 }, (_, at) => panel(100 + 17 * at, 900 - 13 * at, { name: String(at) }))
    const steps = [...packing(many, { widthMm: 1370, ...plain })]
    expect(steps.length).toBeGreaterThan(3)
    expect(steps.every((share) => share > 0 && share < 1)).toBe(true)
    expect(packed([panel(1500, 400)], { widthMm: 1370, ...plain })).toMatchObject({
      ok: false,
      field: 'width',
      error: expect.stringContaining('may not be turned: join two widths') as string,
    })
    expect(packed([panel(1500, 400, { mayTurn: true })], { widthMm: 1370, ...plain })).toMatchObject({ ok: true })
    expect(packed([panel(0, 400)], { widthMm: 1370, ...plain })).toMatchObject({ ok: false, field: 'size' })
    expect(packed([], { widthMm: 1370, ...plain })).toMatchObject({ ok: true, packing: { lengthMm: 0 } })
  })
})

/** Curtains, blinds and shades: by pencil, by the rules of the trade, and what may never be. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { blindFor } from './blinds.ts'
import { curtainsFor, poleFor, type CurtainAsked } from './curtains.ts'
import { drumShade } from './shades.ts'

const rules = effectiveRules()
const asked: CurtainAsked = {
  trackMm: 2000,
  returnMm: 0,
  dropMm: 2300,
  fullness: 2,
  isPair: true,
  cloth: { widthMm: 1370, repeatMm: 640, acrossMm: 0, match: 'straight' },
  liningMm: 1370,
  glass: null,
}
const curtains = (more: Partial<CurtainAsked> = {}) => {
  const result = curtainsFor({ ...asked, ...more }, rules)
  if (!result.ok) throw new Error(`${result.field} ${result.error}`)
  return result.curtains
}

describe('curtains', () => {
  it('by pencil: (2000 + 100) × 2 + 4 × 40 is 4360 flat, four widths of 1370; 2300 + 350 up to five repeats of 640 is 3200 a drop', () => {
    expect(curtains()).toMatchObject({
      flatMm: 4360,
      widths: 4,
      widthsEach: 2,
      rawDropMm: 2650,
      cutDropMm: 3200,
      metresMm: 12_800,
      spareMm: 550,
      liningMm: 4 * 2650,
    })
  })
  it('plain cloth takes the raw drop; a half-drop half a repeat more, once; a pair takes half widths', () => {
    const free = { ...asked.cloth, match: 'free' as const }
    expect(curtains({ cloth: free }).metresMm).toBe(4 * 2650)
    expect(curtains({ cloth: { ...asked.cloth, match: 'half-drop' } }).metresMm).toBe(4 * 3200 + 320)
    // (1600 + 100) × 2 + 160 = 3560: three widths, one and a half on each side
    expect(curtains({ trackMm: 1600, cloth: free })).toMatchObject({ widths: 3, widthsEach: 1.5 })
  })
  it('a cloth as wide as the drop may be turned, and then takes its flat length; one with a pattern may not', () => {
    const wide = { ...asked.cloth, widthMm: 2800, match: 'free' as const }
    expect(curtains({ cloth: wide }).turnedMm).toBe(4360)
    expect(curtains({ cloth: { ...wide, match: 'straight' } }).turnedMm).toBeNull()
    expect(curtains().turnedMm).toBeNull()
  })
  it('open they stand beside the glass where there is room, and before it where there is not', () => {
    const glass = { widthMm: 1500, besideMm: 250 }
    // four widths stack to 680: 180 more than stands beside the glass
    expect(curtains({ glass }).freeMm).toBe(1320)
    expect(curtains({ glass: { widthMm: 1500, besideMm: 400 } }).freeMm).toBe(1500)
  })
  it('more fullness, a longer drop or a longer repeat never take less cloth; a wider cloth never more widths', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 6000 }),
        fc.integer({ min: 300, max: 3500 }),
        fc.integer({ min: 10, max: 30 }),
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 0, max: 10 }),
        (trackMm, dropMm, tenths, repeatMm, more) => {
          const cloth = { ...asked.cloth, repeatMm }
          const base = curtains({ trackMm, dropMm, fullness: tenths / 10, cloth })
          expect(base.metresMm).toBeGreaterThanOrEqual(base.widths * base.rawDropMm)
          expect(base.cutDropMm % repeatMm).toBeCloseTo(0, 6)
          expect(curtains({ trackMm, dropMm, fullness: (tenths + more) / 10, cloth }).metresMm).toBeGreaterThanOrEqual(
            base.metresMm,
          )
          expect(
            curtains({ trackMm, dropMm: dropMm + more, fullness: tenths / 10, cloth }).metresMm,
          ).toBeGreaterThanOrEqual(base.metresMm)
          const twice = { ...cloth, repeatMm: 2 * repeatMm }
          expect(curtains({ trackMm, dropMm, fullness: tenths / 10, cloth: twice }).metresMm).toBeGreaterThanOrEqual(
            base.metresMm,
          )
          const wider = { ...cloth, widthMm: cloth.widthMm + 50 * more }
          expect(curtains({ trackMm, dropMm, fullness: tenths / 10, cloth: wider }).widths).toBeLessThanOrEqual(
            base.widths,
          )
        },
      ),
    )
  })
  it('what is wrong is said where it was typed', () => {
    const field = (more: Partial<CurtainAsked>): string => {
      const result = curtainsFor({ ...asked, ...more }, rules)
      return result.ok ? '' : result.field
    }
    expect(field({ dropMm: 0 })).toBe('drop')
    expect(field({ fullness: 9 })).toBe('fullness')
    expect(field({ trackMm: Number.NaN })).toBe('track')
    expect(field({ cloth: { ...asked.cloth, widthMm: 100 } })).toBe('width')
    expect(field({ cloth: { ...asked.cloth, repeatMm: 0 } })).toBe('repeat')
  })
  // handbook: 6 to 12 in beyond the opening, 4 to 6 in above it, or two thirds of the way to the ceiling
  it('a pole goes beyond its opening and above it, and higher under a high ceiling', () => {
    const low = poleFor({ widthMm: 1200, topMm: 2000 }, null, rules)
    expect(low.lengthMm - 1200).toBeGreaterThanOrEqual(2 * 6 * 25.4)
    expect(low.lengthMm - 1200).toBeLessThanOrEqual(2 * 12 * 25.4)
    expect(low.atMm - 2000).toBeGreaterThanOrEqual(4 * 25.4)
    expect(low.atMm - 2000).toBeLessThanOrEqual(6 * 25.4)
    expect(poleFor({ widthMm: 1200, topMm: 2000 }, 2900, rules).atMm).toBe(2600)
  })
})

describe('a Roman blind, a shade', () => {
  const plain = { widthMm: 1370, repeatMm: 0, acrossMm: 0 }
  const blind = (more: Partial<Parameters<typeof blindFor>[0]> = {}) => {
    const result = blindFor(
      { widthMm: 900, heightMm: 1260, isInside: true, cloth: plain, isCentred: false, ...more },
      rules,
    )
    if (!result.ok) throw new Error(`${result.field} ${result.error}`)
    return result.blind
  }
  it('by pencil: a recess of 900 × 1260 takes a blind of 890, cut 1010 × 1420 in one drop; four folds of 266.7', () => {
    // 1200 below the head, in four folds and half a one
    expect(blind()).toMatchObject({
      widthMm: 890,
      dropMm: 1260,
      cutWidthMm: 1010,
      cutDropMm: 1420,
      widths: 1,
      clothMm: 1420,
      folds: 4,
      foldMm: expect.closeTo(1200 / 4.5, 6) as number,
      stackMm: expect.closeTo(1200 / 9 + 60, 6) as number,
    })
    // before the wall it covers its opening all round
    expect(blind({ isInside: false })).toMatchObject({ widthMm: 1000, dropMm: 1360 })
  })
  it('a motif in its middle takes a repeat more; a cloth too narrow is joined, each width from a whole repeat', () => {
    const cloth = { ...plain, repeatMm: 320 }
    expect(blind({ cloth, isCentred: true }).cutDropMm).toBe(1740)
    expect(blind({ widthMm: 1500, cloth })).toMatchObject({ widths: 2, clothMm: 1600 + 1420 })
  })
  it('parts and folds always make up the drop, and never more cloth for a smaller window', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 3000 }),
        fc.integer({ min: 300, max: 3000 }),
        fc.integer({ min: 1, max: 300 }),
        (widthMm, heightMm, more) => {
          const { foldMm, folds, dropMm, clothMm } = blind({ widthMm, heightMm })
          expect(foldMm * (folds + 0.5) + rules['blind.head']).toBeCloseTo(dropMm, 6)
          expect(blind({ widthMm: widthMm + more, heightMm: heightMm + more }).clothMm).toBeGreaterThanOrEqual(clothMm)
        },
      ),
    )
  })
  it('a drum of 300 by 200: a sheet of π × 300 and a lap of 10; cloth turned over each ring', () => {
    const found = drumShade(300, 200, rules)
    if (!found.ok) throw new Error(found.error)
    expect(found.shade.sheet.widthMm).toBeCloseTo(952.478, 3)
    expect(found.shade.cloth.heightMm).toBe(230)
    expect(drumShade(20, 200, rules)).toMatchObject({ ok: false, field: 'across' })
    expect(
      blindFor({ widthMm: 900, heightMm: 0, isInside: true, cloth: plain, isCentred: false }, rules),
    ).toMatchObject({
      ok: false,
      field: 'height',
    })
  })
})

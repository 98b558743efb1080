import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Lab } from '../colour/lab.ts'
import { families, type Family } from '../makeover/choices.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { clash } from './compare.ts'
import { hueName, lrvWords, undertone } from './undertone.ts'

const rules = effectiveRules()
/** A colour by lightness, chroma and hue angle. */
const lch = (L: number, C: number, h: number): Lab => ({
  L,
  a: C * Math.cos((h * Math.PI) / 180),
  b: C * Math.sin((h * Math.PI) / 180),
})
const swatch = (family: Family, lab: Lab) => ({ family, lab })

describe('undertone', () => {
  it.each([
    [350, 'red'],
    [0, 'red'],
    [39.9, 'red'],
    [40, 'orange'],
    [75, 'yellow'],
    [110, 'green'],
    [195, 'blue'],
    [285, 'violet'],
    [349.9, 'violet'],
  ])('hue %d is %s', (degrees, name) => expect(hueName(degrees, rules)).toBe(name))
  it.each([
    ['paint', lch(92, 5, 95), 'a yellow white', 'warm'],
    ['paint', lch(92, 5, 10), 'a pink white', 'warm'],
    ['paint', lch(92, 5, 250), 'a blue white', 'cool'],
    ['paint', lch(92, 0.5, 250), 'a true white', null],
    ['paint', lch(60, 6, 80), 'a yellow beige', 'warm'],
    ['paint', lch(60, 6, 250), 'a blue grey', 'cool'],
    ['wood', lch(50, 30, 55), 'a redder wood', null],
    ['wood', lch(50, 30, 75), 'a yellower wood', null],
    ['wood', lch(50, 30, 66), 'a wood true to its kind', null],
    ['metal', lch(70, 30, 70), 'a yellow metal, pinker', null],
    ['metal', lch(70, 30, 95), 'a yellow metal, greener', null],
    ['greenery', lch(40, 30, 140), 'bluer green', null],
    ['textile', lch(30, 25, 320), 'a deep violet', null],
  ] as const)('%s %o is “%s”', (family, lab, words, warmth) => {
    const tone = undertone(family, lab, rules)
    expect(tone.words).toBe(words)
    expect(tone.warmth).toBe(warmth)
  })
})

it.each([
  [4, 'very dark'],
  [10, 'dark'],
  [36, 'of middle depth'],
  [50, 'light'],
  [82, 'pale'],
])('LRV %d is %s', (value, words) => expect(lrvWords(value, rules)).toBe(words))

describe('a clash', () => {
  it('parts a red wood from a yellow one, and never by depth alone', () => {
    expect(clash(swatch('wood', lch(30, 28, 50)), swatch('wood', lch(65, 28, 78)), rules)).toMatchObject({
      rule: 'clash.wood',
    })
    fc.assert(
      fc.property(
        fc.constantFrom(...families),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 0, max: 100 }),
        (family, C, h, left, right) => {
          expect(clash(swatch(family, lch(left, C, h)), swatch(family, lch(right, C, h)), rules)).toBeNull()
        },
      ),
    )
  })
  it('begins exactly at the limit of the rule: ΔH* = 2·√(C1·C2)·sin(Δh/2)', () => {
    const apart = (2 * Math.asin(6 / (2 * 25)) * 180) / Math.PI // two woods of C* 25 that part by ΔH* 6
    expect(clash(swatch('wood', lch(40, 25, 60)), swatch('wood', lch(60, 25, 60 + apart + 0.01)), rules)).not.toBeNull()
    expect(clash(swatch('wood', lch(40, 25, 60)), swatch('wood', lch(60, 25, 60 + apart - 0.01)), rules)).toBeNull()
  })
  it('parts whites of different undertone, or a true white from a cast one, but not two of one hue', () => {
    expect(clash(swatch('paint', lch(92, 5, 95)), swatch('ceramic', lch(90, 4, 20)), rules)).toMatchObject({
      rule: 'clash.neutral-distance',
    })
    expect(clash(swatch('paint', lch(92, 0.5, 95)), swatch('paint', lch(90, 6, 95)), rules)).not.toBeNull()
    expect(clash(swatch('paint', lch(92, 2, 95)), swatch('paint', lch(90, 9, 95)), rules)).toBeNull()
  })
  it('is not said across families, nor of colours that stand for themselves', () => {
    expect(clash(swatch('wood', lch(30, 28, 40)), swatch('metal', lch(65, 28, 90)), rules)).toBeNull()
    expect(clash(swatch('paint', lch(30, 40, 40)), swatch('paint', lch(65, 40, 190)), rules)).toBeNull()
  })
  it('does not depend on which is named first', () => {
    const lab = fc.record({
      L: fc.integer({ min: 0, max: 100 }),
      a: fc.integer({ min: -40, max: 40 }),
      b: fc.integer({ min: -40, max: 40 }),
    })
    fc.assert(
      fc.property(fc.constantFrom(...families), fc.constantFrom(...families), lab, lab, (f1, f2, l1, l2) => {
        expect(clash(swatch(f1, l1), swatch(f2, l2), rules)).toEqual(clash(swatch(f2, l2), swatch(f1, l1), rules))
      }),
    )
  })
  it('follows the studio where it overrides a rule', () => {
    const [left, right] = [swatch('wood', lch(30, 28, 50)), swatch('wood', lch(65, 28, 78))]
    expect(clash(left, right, effectiveRules({ 'clash.wood': 60 }))).toBeNull()
  })
})

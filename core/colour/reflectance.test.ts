import fc from 'fast-check'
import { converter } from 'culori'
import { describe, expect, it } from 'vitest'
import { library } from '../palette/library.ts'
import { adapt, blackBody, underLamp, xyzUnder } from './lamp.ts'
import { labFromLch, showable } from './lab.ts'
import { d65, matching } from './observer.ts'
import { colourants, reflectanceOf, xyzOf } from './reflectance.ts'
import adaptTheirs, { WHITES } from 'colorjs.io/src/adapt.js'
import 'colorjs.io/src/CATs.js'

const xy = (light: readonly number[]): [number, number] => {
  const [x, y, z] = xyzUnder(light)
  return [x / (x + y + z), y / (x + y + z)]
}

describe('the observer and its lights', () => {
  it('ȳ is greatest at 555 nm and comes to 106.857 in steps of 1 nm (CIE 15: the sum of ȳ at 5 nm is a fifth of it)', () => {
    expect(matching[1].indexOf(Math.max(...matching[1]))).toBe((555 - 380) / 5)
    expect(5 * matching[1].reduce((sum, value) => sum + value, 0)).toBeCloseTo(106.857, 1)
  })
  it('D65 has the chromaticity .3127, .3290 (CIE 15) and a power of 117.8 at 460 nm, of 100 at 560', () => {
    const [x, y] = xy(d65)
    // what lies below 380 and above 780 nm is left out
    expect(Math.abs(x - 0.3127)).toBeLessThan(2e-4)
    expect(Math.abs(y - 0.329)).toBeLessThan(2e-4)
    const at = (nm: number): number => d65[(nm - 380) / 5] ?? 0
    expect(Math.abs((100 * at(460)) / at(560) - 117.8)).toBeLessThan(0.1)
  })
  it.each([
    [2700, 0.45986, 0.4106],
    [4000, 0.38044, 0.37675],
  ])('a black body of %d K lies at %d, %d (Planck’s law; published loci)', (kelvin, x, y) => {
    const [ownX, ownY] = xy(blackBody(kelvin))
    expect(ownX).toBeCloseTo(x, 4)
    expect(ownY).toBeCloseTo(y, 4)
  })
  it('adaptation by CAT16 is that of colorjs.io, an independent library, there and back', () => {
    const whites = WHITES as unknown as Record<'D65' | 'D50', [number, number, number]>
    const value = fc.double({ min: 0.01, max: 1, noNaN: true })
    fc.assert(
      fc.property(value, value, value, (x, y, z) => {
        const theirs = adaptTheirs(whites.D65, whites.D50, [x, y, z], { method: 'CAT16' })
        adapt([x, y, z], whites.D65, whites.D50).forEach((own, at) => expect(own).toBeCloseTo(Number(theirs[at]), 5))
        adapt(adapt([x, y, z], whites.D65, whites.D50), whites.D50, whites.D65).forEach((own, at) =>
          expect(own).toBeCloseTo([x, y, z][at] ?? 0, 5),
        )
      }),
    )
  })
})

describe('a typical reflectance', () => {
  const toXyz = converter('xyz65')
  it('gives back its colour under D65 and stays between 0 and 1, whatever gives the colour', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 96, noNaN: true }),
        fc.double({ min: 0, max: 45, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.constantFrom(...colourants),
        (L, C, h, colourant) => {
          const lab = labFromLch(L, C, h)
          if (!showable(lab)) return
          const { values, exact } = reflectanceOf(lab, colourant)
          for (const value of values) expect(value >= 0 && value <= 1).toBe(true)
          if (!exact) return
          const { x, y, z } = toXyz({ mode: 'lab65', l: lab.L, a: lab.a, b: lab.b })
          xyzOf(values).forEach((value, at) => expect(Math.abs(value - ([x, y, z][at] ?? 0))).toBeLessThan(1e-3))
        },
      ),
      { numRuns: 80 },
    )
  })
  it('is found for every finish of the library', () => {
    for (const libraryFinish of library)
      expect([libraryFinish.name, reflectanceOf(libraryFinish.lab, libraryFinish.colourant).exact]).toEqual([
        libraryFinish.name,
        true,
      ])
  })
  it('has the mark of what it is: white swallows the violet, leaves turn red beyond 700 nm, wood rises steadily (facts of the materials)', () => {
    const at = (values: readonly number[], nm: number): number => values[(nm - 380) / 5] ?? 0
    const white = reflectanceOf(labFromLch(95, 2, 95), 'white').values
    expect(at(white, 390)).toBeLessThan(0.5 * at(white, 450))
    const leaf = reflectanceOf(labFromLch(45, 30, 125), 'leaf').values
    expect(at(leaf, 740)).toBeGreaterThan(3 * at(leaf, 670))
    expect(at(leaf, 550)).toBeGreaterThan(at(leaf, 670))
    const wood = reflectanceOf(labFromLch(60, 28, 72), 'wood').values
    for (const nm of [420, 480, 540, 600, 660, 720]) expect(at(wood, nm + 40)).toBeGreaterThan(at(wood, nm))
  })
  it('a colour that no surface can have is said to be one', () => {
    expect(reflectanceOf(labFromLch(90, 120, 300), 'dye').exact).toBe(false)
  })
  it('a grey that reflects evenly stays grey and as light by any lamp; two that match by day may part', () => {
    const grey = underLamp(Array.from({ length: d65.length }, () => 0.4))
    expect(Math.hypot(grey.a, grey.b)).toBeLessThan(0.1)
    const lab = labFromLch(62, 24, 70)
    const [left, right] = [underLamp(reflectanceOf(lab, 'mineral').values), underLamp(reflectanceOf(lab, 'dye').values)]
    expect(Math.hypot(left.a - right.a, left.b - right.b)).toBeGreaterThan(1)
  })
})

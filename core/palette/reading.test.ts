import fc from 'fast-check'
import { converter } from 'culori'
import { describe, expect, it } from 'vitest'
import { deltaE } from '../colour/difference.ts'
import { labFromHex, labFromLch, showable, type Lab } from '../colour/lab.ts'
import { families, joinSeveral, splitSeveral, uses } from '../makeover/choices.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { averageReadings, fromLibrary, library, readAperture, searchLibrary, undertone } from './index.ts'
import { texturesOf } from '../texture/index.ts'

const rules = effectiveRules()

describe('readings of one surface', () => {
  const around = (lab: Lab, by: number): Lab[] => [
    { ...lab, L: lab.L + by },
    { ...lab, L: lab.L - by },
    { ...lab, a: lab.a + by },
    { ...lab, a: lab.a - by },
  ]
  const wall = labFromLch(60, 12, 240)
  it('come to their mean, with how far they spread', () => {
    const averaged = averageReadings(around(wall, 0.3), rules)
    expect(averaged?.mean.L).toBeCloseTo(wall.L, 9)
    expect(averaged?.mean.a).toBeCloseTo(wall.a, 9)
    expect(averaged).toMatchObject({ strays: [], enough: true, steady: true })
    expect(averageReadings(around(wall, 3), rules)).toMatchObject({ steady: false })
    expect(averageReadings([wall], rules)).toMatchObject({ enough: false, spread: 0 })
    expect(averageReadings([], rules)).toBeNull()
  })
  it('one that strays is left out and named, and does not move the mean', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4 }), fc.double({ min: 8, max: 30, noNaN: true }), (place, far) => {
        const readings = around(wall, 0.2)
        readings.splice(place, 0, { ...wall, L: wall.L - far })
        const averaged = averageReadings(readings, rules)
        expect(averaged?.strays.map((stray) => stray.at)).toEqual([place])
        expect(averaged && deltaE(averaged.mean, wall)).toBeLessThan(0.1)
      }),
    )
  })
})

describe('an aperture over a picture', () => {
  const picture = (width: number, height: number, at: (x: number, y: number) => readonly [number, number, number]) => ({
    width,
    height,
    data: Uint8ClampedArray.from({ length: width * height * 4 }, (_, index) =>
      index % 4 === 3 ? 255 : (at((index >> 2) % width, Math.floor((index >> 2) / width))[index % 4] ?? 0),
    ),
  })
  it('reads a flat colour as it is, one point or wide, also at the edge', () => {
    const flat = picture(40, 30, () => [0x83, 0xa7, 0xad])
    const lab = labFromHex('#83a7ad')
    for (const [x, y, radius] of [
      [20, 15, 0.5],
      [20, 15, 9],
      [0, 0, 6],
      [39, 29, 20],
    ] as const) {
      const read = readAperture(flat, x, y, radius)
      expect(read && lab && deltaE(read.lab, lab)).toBeLessThan(0.01)
      expect(read?.uneven).toBeLessThan(1e-3)
    }
    expect(readAperture(flat, 20, 15, 0.5)?.pixels).toBe(1)
    expect(readAperture(flat, 200, 200, 3)).toBeNull()
  })
  it('averages light and not bytes: black and white in equal parts are Y 0.5, L* 76.07 (CIE 15), and it says they are uneven', () => {
    const board = picture(200, 200, (x, y) => ((x + y) % 2 === 0 ? [255, 255, 255] : [0, 0, 0]))
    const read = readAperture(board, 100, 100, 60)
    expect(read?.lab.L).toBeCloseTo(76.07, 1)
    expect(read?.uneven).toBeGreaterThan(40)
  })
  it('is the mean that culori computes, over any few pixels', () => {
    const byte = fc.integer({ min: 0, max: 255 })
    const [toLinear, toLab] = [converter('lrgb'), converter('lab65')]
    fc.assert(
      fc.property(fc.array(fc.tuple(byte, byte, byte), { minLength: 9, maxLength: 9 }), (pixels) => {
        const read = readAperture(
          picture(3, 3, (x, y) => pixels[y * 3 + x] ?? [0, 0, 0]),
          1,
          1,
          5,
        )
        const mean = (channel: 'r' | 'g' | 'b'): number =>
          pixels.reduce(
            (sum, [r, g, b]) => sum + toLinear({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 })[channel] / 9,
            0,
          )
        const theirs = toLab({ mode: 'lrgb', r: mean('r'), g: mean('g'), b: mean('b') })
        expect(read?.lab.L).toBeCloseTo(theirs.l, 6)
        expect(read?.lab.a).toBeCloseTo(theirs.a, 6)
        expect(read?.lab.b).toBeCloseTo(theirs.b, 6)
      }),
    )
  })
})

describe('the library', () => {
  it('has some two hundred finishes of every family, each name once, each a surface colour that a screen can show', () => {
    expect(library.length).toBeGreaterThanOrEqual(200)
    expect(new Set(library.map((libraryFinish) => libraryFinish.name)).size).toBe(library.length)
    expect(new Set(library.map((libraryFinish) => libraryFinish.family)).size).toBe(families.length)
    for (const libraryFinish of library) {
      expect([
        libraryFinish.name,
        showable(libraryFinish.lab),
        texturesOf(libraryFinish.family).includes(libraryFinish.texture),
      ]).toEqual([libraryFinish.name, true, true])
      expect(libraryFinish.suits).toBe(joinSeveral(uses, splitSeveral(libraryFinish.suits)))
    }
  })
  it('is true to what its names say of cast and depth (common practice)', () => {
    const cast = (name: string) => {
      const libraryFinish = fromLibrary(name)
      return libraryFinish && undertone(libraryFinish.family, libraryFinish.lab, rules).cast
    }
    expect([
      cast('White, pink cast'),
      cast('White, blue cast'),
      cast('Pale grey, green cast'),
      cast('Middle grey, warm'),
      cast('True white'),
    ]).toEqual(['pink', 'blue', 'green', 'yellow', null])
    const L = (name: string): number => fromLibrary(name)?.lab.L ?? Number.NaN
    expect(L('Oak, smoked')).toBeLessThan(L('Oak, oiled'))
    expect(L('Oak, oiled')).toBeLessThan(L('Oak, soaped'))
    expect(L('Brass, aged')).toBeLessThan(L('Brass, polished'))
  })
  it('is found by any words of it, in any order, and by family', () => {
    expect(searchLibrary('velvet green').map((libraryFinish) => libraryFinish.name)).toEqual(['Velvet, bottle green'])
    expect(searchLibrary('GREEN velvet')).toEqual(searchLibrary('velvet green'))
    expect(searchLibrary('', 'cane').every((libraryFinish) => libraryFinish.family === 'cane')).toBe(true)
    expect(searchLibrary('metal polished').length).toBeGreaterThan(3)
    expect(searchLibrary('unobtainium')).toEqual([])
  })
})

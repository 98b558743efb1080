import { readFileSync } from 'node:fs'
import Color from 'colorjs.io'
import { converter } from 'culori'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { deltaE } from './difference.ts'
import {
  hexFromLab,
  hueApart,
  hueDifference,
  labFromHex,
  labFromLch,
  labFromName,
  lrv,
  readColour,
  showable,
  type Lab,
} from './lab.ts'

type Pair = { lab1: [number, number, number]; lab2: [number, number, number]; dE: number }
const pairs = JSON.parse(readFileSync(new URL('./sharma-2005-pairs.json', import.meta.url), 'utf8')) as Pair[]
const lab = ([L, a, b]: [number, number, number]): Lab => ({ L, a, b })
const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`)
const labOf = (text: string): Lab => labFromHex(text) ?? { L: Number.NaN, a: 0, b: 0 }

describe('CIEDE2000', () => {
  it.each(pairs.map((pair, at) => [at + 1, pair] as const))(
    'gives pair %i of Sharma, Wu, Dalal 2005, table 1, to four decimals',
    (_at, { lab1, lab2, dE }) => {
      expect(deltaE(lab(lab1), lab(lab2))).toBeCloseTo(dE, 4)
      expect(deltaE(lab(lab2), lab(lab1))).toBeCloseTo(dE, 4)
    },
  )
  it('has all 34 pairs', () => expect(pairs).toHaveLength(34))
  it('agrees with colorjs.io, an independent library, on any two sRGB colours', () => {
    fc.assert(
      fc.property(hex, hex, (left, right) => {
        const [a, b] = [labOf(left), labOf(right)]
        // its Lab is for D50 but its formula takes the numbers as they are, so the numbers are handed over unconverted
        const theirs = new Color('lab', [a.L, a.a, a.b]).deltaE(new Color('lab', [b.L, b.a, b.b]), '2000')
        expect(deltaE(a, b)).toBeCloseTo(theirs, 6)
      }),
    )
  })
})

describe('conversions', () => {
  it('give the same Lab D65 and LRV as colorjs.io for any sRGB colour', () => {
    fc.assert(
      fc.property(hex, (text) => {
        const mine = labOf(text)
        const theirs = new Color(text)
        const [L, a, b] = theirs.to('lab-d65').coords.map(Number)
        expect(mine.L).toBeCloseTo(L ?? Number.NaN, 6)
        expect(mine.a).toBeCloseTo(a ?? Number.NaN, 6)
        expect(mine.b).toBeCloseTo(b ?? Number.NaN, 6)
        expect(lrv(mine)).toBeCloseTo(100 * Number(theirs.to('xyz-d65').coords[1]), 6)
      }),
    )
  })
  it('come back to the same hex', () => {
    fc.assert(
      fc.property(hex, (text) => {
        expect(hexFromLab(labOf(text))).toBe(text)
      }),
      { examples: [['#fff500'], ['#fff600']] },
    ) // at the edge of sRGB
  })
  it('know what sRGB cannot show, and keep its lightness and hue', () => {
    const beyond = { L: 50, a: 100, b: -100 }
    expect(showable(beyond)).toBe(false)
    const shown = labOf(hexFromLab(beyond))
    expect(shown.L).toBeCloseTo(50, 0)
    expect(hueApart(shown, beyond)).toBeLessThan(1)
    fc.assert(
      fc.property(hex, (text) => {
        expect(showable(labOf(text))).toBe(true)
      }),
    )
  })
})

describe('hue difference', () => {
  it('is what remains of the Euclidean difference without lightness and chroma (CIE 15: ΔE*² = ΔL*² + ΔC*² + ΔH*²)', () => {
    const part = fc.double({ min: -80, max: 80, noNaN: true })
    fc.assert(
      fc.property(part, part, part, part, (a1, b1, a2, b2) => {
        const dC = Math.hypot(a1, b1) - Math.hypot(a2, b2)
        const dH2 = (a1 - a2) ** 2 + (b1 - b2) ** 2 - dC ** 2
        expect(hueDifference({ L: 50, a: a1, b: b1 }, { L: 50, a: a2, b: b2 }) ** 2).toBeCloseTo(Math.max(0, dH2), 4)
      }),
    )
  })
})

describe('a typed colour', () => {
  it.each([
    ['#8fa3a8', 'hex'],
    ['8FA3A8', 'hex'],
    [' #abc ', 'hex'],
    ['65 -4 -6', 'lab'],
    ['65, −4, −6', 'lab'],
    ['65,-4,-6', 'lab'],
    ['Lab(65.5 -4.2 6)', 'lab'],
    ['65 4,5 6,5', 'lab'],
    ['LCh 65 7 236', 'lch'],
    ['lch(65, 7, 236°)', 'lch'],
    ['slate grey', 'name'],
    ['SlateGray', 'name'],
    ['red', 'name'],
  ])('“%s” is read as %s', (text, source) => {
    const read = readColour(text)
    expect(read.ok && read.value.source).toBe(source)
  })
  it.each([
    'greenish',
    'LCh 65 -7 236',
    'LCh 65 7 400',
    '#12345',
    '🎻',
    '',
    '101 0 0',
    '50 0 200',
    '1e3 0 0',
    '50 0',
    '#gggggg',
    'NaN NaN NaN',
  ])('“%s” is asked back', (text) => {
    const read = readColour(text)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.error).toMatch(/expected/)
  })
})

describe('a colour by LCh or by name', () => {
  it('LCh is Lab in polar form, as culori converts it', () => {
    const toLab = converter('lab65')
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 99, noNaN: true }),
        fc.double({ min: 0.1, max: 120, noNaN: true }),
        fc.double({ min: 0, max: 359.9, noNaN: true }),
        (l, c, h) => {
          const lab65 = toLab({ mode: 'lch65', l, c, h })
          const own = labFromLch(l, c, h)
          expect(own.a).toBeCloseTo(lab65.a, 6)
          expect(own.b).toBeCloseTo(lab65.b, 6)
        },
      ),
    )
  })
  it('names are those of the CSS Color Module, level 4', () => {
    // CSS Color 4, section 6.1: tomato is #ff6347, darkseagreen #8fbc8f, slategray and slategrey #708090
    expect(labFromName('Tomato')).toEqual(labFromHex('#ff6347'))
    expect(labFromName('dark sea green')).toEqual(labFromHex('#8fbc8f'))
    expect(labFromName('slate-grey')).toEqual(labFromHex('#708090'))
    expect(labFromName('a shade of dusk')).toBeNull()
  })
})

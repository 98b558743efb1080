import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '../survey/index.ts'
import { measuredRoom, rectangle } from '../testing/surveyed.ts'
import { plainLine } from './clean.ts'
import { svgOf } from './svg.ts'

const room = (width: number, depth: number) => {
  const { room: measured, rules } = measuredRoom({ walls: rectangle(width, depth), survey: { heightMm: 2500 } })
  return planOf(measured, { text: 100, units: 'metric', rules })
}
const sizeOf = (svg: string): number[] =>
  [...svg.matchAll(/(?:width|height)="([\d.]+)mm"/g)].map(([, mm]) => Number(mm))
/** Every place of a path, in mm of the paper. */
const places = (svg: string): { x: number; y: number }[] =>
  [...svg.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => ({ x: Number(x), y: Number(y) }))

describe('a name that no file format holds', () => {
  it.each([
    ['a\nb', 'a b'],
    ['a\r\n\tb', 'a b'],
    ['a\u2028b', 'a b'],
    ['a\ufffeb\uffff', 'ab'],
    ['a\u0000b', 'a b'],
    ['Øystein 王', 'Øystein 王'],
  ])('%j is written as %j', (text, written) => {
    expect(plainLine(text)).toBe(written)
    // XML 1.0, 2.2: Char
    // eslint-disable-next-line no-control-regex -- control characters are what is looked for
    expect(svgOf(room(4000, 3000), 50, text)).not.toMatch(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/)
  })
})

describe('a drawing on paper', () => {
  it('is as large as its scale says: 4 m at 1 : 50 are 80 mm (ISO 5455: 1 mm stands for 50)', () => {
    const marks = places(svgOf(room(4000, 3000), 50, 'Room'))
    const across = marks.flatMap((a) => marks.map((b) => Math.abs(a.x - b.x)))
    expect(across.some((mm) => Math.abs(mm - 80) < 0.01)).toBe(true)
    expect(marks.flatMap((a) => marks.map((b) => Math.abs(a.y - b.y))).some((mm) => Math.abs(mm - 60) < 0.01)).toBe(
      true,
    )
  })
  it('lies on its sheet, whatever the room and the scale, and at half the scale is half as large', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1200, max: 9000 }),
        fc.integer({ min: 1200, max: 9000 }),
        fc.constantFrom(20, 50, 100),
        (width, depth, scale) => {
          const drawing = room(width, depth)
          const [svg, half] = [svgOf(drawing, scale, 'R'), svgOf(drawing, 2 * scale, 'R')]
          const [wide = 0, tall = 0] = sizeOf(svg)
          for (const { x, y } of places(svg)) {
            expect(x).toBeGreaterThanOrEqual(0)
            expect(x).toBeLessThanOrEqual(wide)
            expect(y).toBeGreaterThanOrEqual(0)
            expect(y).toBeLessThanOrEqual(tall)
          }
          // the margin round it stays, the drawing within halves
          const [narrow = 0, low = 0] = sizeOf(half)
          const margin = 2 * narrow - wide
          expect(2 * low - tall).toBeCloseTo(margin, 2)
          expect(margin).toBeGreaterThan(0)
        },
      ),
      { numRuns: 25 },
    )
  })
  it('says what it is, and cannot be made to run anything by a name', () => {
    const svg = svgOf(room(4000, 3000), 50, '<script>"&')
    expect(svg).toContain('<title>&lt;script&gt;&quot;&amp;, 1 : 50</title>')
    expect(svg).not.toContain('<script')
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readSize } from './size.ts'

const size = (widthMm: number | null, depthMm: number | null, heightMm: number | null) => ({
  ok: true,
  value: { widthMm, depthMm, heightMm },
})

describe('a size as it is said', () => {
  it.each([
    ['600 x 450 x 800', size(600, 450, 800)],
    ['600×450×800', size(600, 450, 800)],
    ['60 x 45 x 80 cm', size(600, 450, 800)],
    ['1.2 by 0.6 m', size(1200, 600, null)],
    [`3' 3" x 6' 8"`, size(990.6, 2032, null)], // 39 in and 80 in, 1 in = 25.4 mm exactly
    ['18 x 20 1/2 in', size(457.2, 520.7, null)],
    ['w 600 h 800', size(600, null, 800)],
    ['W60 D45 H80 cm', size(600, 450, 800)],
    ['36"w x 18"d', size(914.4, 457.2, null)],
    ['800h', size(null, null, 800)],
    ['900', size(900, null, null)],
  ])('“%s”', (text, expected) => expect(readSize(text, 'mm')).toEqual(expected))
  it.each(['', 'big', '1 x 2 x 3 x 4', 'w 60 w 80', '600 x', 'x'])('“%s” is asked back or left out', (text) => {
    const read = readSize(text, 'mm')
    expect(read.ok ? read.value : null).toEqual(
      text === '600 x' ? { widthMm: 600, depthMm: null, heightMm: null } : null,
    )
  })
  it('is never another than was typed, whole millimetres in any order of sides', () => {
    const mm = fc.integer({ min: 1, max: 9999 })
    fc.assert(
      fc.property(mm, mm, mm, fc.constantFrom(' x ', '×', ' by ', '*', ' ; '), (width, depth, height, mark) => {
        expect(readSize([width, depth, height].join(mark), 'mm')).toEqual(size(width, depth, height))
        expect(readSize(`h ${height} w ${width} d ${depth}`, 'mm')).toEqual(size(width, depth, height))
      }),
    )
  })
})

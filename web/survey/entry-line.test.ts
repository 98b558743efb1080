import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { asTyped, readWallEntry } from './entry-line.ts'

const read = (text: string, unit: 'mm' | 'cm' | 'm' | 'in' = 'mm') => {
  const found = readWallEntry(text, unit)
  return found.ok ? found.value : found.error
}

describe('a wall as it is called out', () => {
  it('is a length, and the corner at its end where one is said', () => {
    expect(read('3810')).toEqual({ lengthMm: 3810 })
    expect(read('380 out')).toEqual({ lengthMm: 380, corner: { corner: 'outside', cornerDeg: null } })
    expect(read('380, outside')).toEqual({ lengthMm: 380, corner: { corner: 'outside', cornerDeg: null } })
    expect(read('890 128°')).toEqual({ lengthMm: 890, corner: { corner: 'angle', cornerDeg: 128 } })
    expect(read('890; 127,5 deg')).toEqual({ lengthMm: 890, corner: { corner: 'angle', cornerDeg: 127.5 } })
    expect(read('2400 ?')).toEqual({ lengthMm: 2400, corner: { corner: 'unknown', cornerDeg: null } })
    expect(read('2400 inside')).toEqual({ lengthMm: 2400, corner: { corner: 'inside', cornerDeg: null } })
  })
  it('“in” behind a number is inches, never a corner', () => {
    expect(read('150 1/2 in')).toEqual({ lengthMm: 3822.7 })
    expect(read(`12' 6 1/2" out`)).toEqual({ lengthMm: 3822.7, corner: { corner: 'outside', cornerDeg: null } })
    expect(read('150 1/2 out', 'in')).toEqual({ lengthMm: 3822.7, corner: { corner: 'outside', cornerDeg: null } })
    expect(read('12 ft 6 in 128°')).toEqual({ lengthMm: 3810, corner: { corner: 'angle', cornerDeg: 128 } })
  })
  it('says what is wrong, and takes nothing for something else', () => {
    expect(read('out')).toMatch(/“out” is not a length/)
    expect(read('890 400°')).toMatch(/359/)
    expect(read('890 round')).toMatch(/“890 round” is not a length/)
    expect(read('-3 m')).toEqual(expect.any(String))
  })
  it('is asked back where a bare number would be no wall, and taken with its unit', () => {
    expect(read('6,4')).toBe('“6,4” would be a wall of 6.4\u00a0mm: write 6,4 m, or 6,4 mm if it is meant')
    expect(read('6.4 mm')).toEqual({ lengthMm: 6.4 })
    expect(read('6,4', 'm')).toEqual({ lengthMm: 6400 })
    expect(read('380')).toEqual({ lengthMm: 380 })
  })
  it('is written in the entry unit, and reads back to a tenth of a millimetre, or an eighth of an inch', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 320, max: 900_000 }),
        fc.constantFrom('mm' as const, 'cm' as const, 'm' as const, 'in' as const),
        fc.constantFrom('metric' as const, 'feet and inches' as const),
        (tenths, unit, units) => {
          const mm = tenths / 10
          const again = readWallEntry(asTyped(mm, { units, unit }), unit)
          const grain = units !== 'metric' && unit === 'in' ? 25.4 / 16 : 0.0001
          expect(again.ok).toBe(true)
          if (again.ok) expect(Math.abs(again.value.lengthMm - mm)).toBeLessThanOrEqual(grain + 1e-9)
        },
      ),
    )
  })
  it('nothing measured is nothing typed', () => {
    expect(asTyped(null, { units: 'metric', unit: 'mm' })).toBe('')
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { millimetresIn, readLength, writeDimension, writeIn, writeLength, type LengthUnit } from './length.ts'

describe('a typed length', () => {
  it.each([
    [`12' 6 1/2"`, 3822.7], // 150.5 in × 25.4 mm, exact by definition (international inch, 1959)
    [`12'6 1/2"`, 3822.7],
    [`12 ft 6.5 in`, 3822.7],
    ['150 1/2in', 3822.7],
    ['150-1/2"', 3822.7],
    ['3.81 m', 3810],
    ['3,81m', 3810],
    ['381 cm', 3810],
    ['381', 381],
    [`6'`, 1828.8],
    ['6 feet 2', 1879.6],
    ['1/2 in', 12.7],
    ['12′ 6 1/2″', 3822.7],
  ])('%s is %d mm', (text, mm) => expect(readLength(text, 'mm')).toEqual({ ok: true, value: mm }))
  it('a bare number is in the unit that the field shows', () => {
    expect(readLength('18', 'in')).toEqual({ ok: true, value: 457.2 })
    expect(readLength('18 1/2', 'in')).toEqual({ ok: true, value: 469.9 })
    expect(readLength('18', 'cm')).toEqual({ ok: true, value: 180 })
  })
  it.each(['', 'wide', `6' 3/0"`, '1/2/3', '-4', '0', '101 m', `6' -2"`, '5/4 in', '🎻', '1e3', 'NaN', 'Infinity m'])(
    '“%s” is asked back',
    (text) => {
      const read = readLength(text, 'mm')
      expect(read.ok).toBe(false)
      if (!read.ok) expect(read.error).toMatch(/expected/)
    },
  )
  it('written to the nearest eighth of an inch is read back within a sixteenth', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 90_000, noNaN: true }), (mm) => {
        const back = readLength(writeLength(mm, 'feet and inches'), 'in')
        expect(back.ok && Math.abs(back.value - mm)).toBeLessThanOrEqual(25.4 / 16 + 1e-3)
      }),
    )
  })
  it('what was printed is read back as the same length, in every unit and both systems', () => {
    const units = Object.keys(millimetresIn) as LengthUnit[]
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 99_999 * 10 }),
        fc.integer({ min: 1, max: 31_000 }),
        fc.constantFrom(...units),
        (tenths, eighths, unit) => {
          // what a tape can be read to: tenths of a millimetre, eighths of an inch
          const [mm, inches] = [tenths / 10, (eighths * 25.4) / 8]
          for (const length of [mm, inches]) {
            const back = readLength(writeIn(length, unit), unit)
            expect(back.ok && back.value).toBeCloseTo(length, 3)
            expect(back.ok && writeIn(back.value, unit)).toBe(writeIn(length, unit))
            const named = readLength(`${writeIn(length, unit)} ${unit}`, 'mm')
            expect(named.ok && named.value).toBeCloseTo(length, 3)
          }
          expect(readLength(writeLength(mm, 'metric'), 'in')).toEqual({ ok: true, value: mm })
          const feet = readLength(writeLength(inches, 'feet and inches'), 'mm')
          expect(feet.ok && feet.value).toBeCloseTo(inches, 3)
          expect(feet.ok && writeLength(feet.value, 'feet and inches')).toBe(writeLength(inches, 'feet and inches'))
          const drawn = readLength(writeDimension(inches, 'feet and inches'), 'mm')
          expect(drawn.ok && drawn.value).toBeCloseTo(inches, 3)
        },
      ),
    )
  })
  it('is written as people write it', () => {
    expect(writeLength(3822.7, 'feet and inches')).toBe(`12'\u00a06\u00a01/2"`)
    expect(writeLength(12.7, 'feet and inches')).toBe('1/2"')
    expect(writeLength(1828.8, 'feet and inches')).toBe(`6'\u00a00"`)
    expect(writeLength(1895, 'metric')).toBe('1895\u00a0mm')
  })
})

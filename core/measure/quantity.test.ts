import fc from 'fast-check'
import { expect, it } from 'vitest'
import { besideLimit } from './quantity.ts'

it('is never rounded onto the limit that it misses', () => {
  expect([besideLimit(29.9, 30), besideLimit(29.996, 30), besideLimit(70.3, 70), besideLimit(24.2, 30)]).toEqual([
    '29.9',
    '29.99',
    '70.3',
    '24',
  ])
  expect(besideLimit(30, 30)).toBe('30')
  fc.assert(
    fc.property(fc.double({ min: 0, max: 100, noNaN: true }), fc.integer({ min: 1, max: 99 }), (value, limit) => {
      fc.pre(value !== limit)
      expect(Math.sign(Number(besideLimit(value, limit)) - limit)).toBe(Math.sign(value - limit))
    }),
  )
})

import fc from 'fast-check'
import { expect, it } from 'vitest'
import { readMinutes, writeMinutes } from './duration.ts'

it('reads how long something took as people write it', () => {
  const read = Object.fromEntries(
    ['1:30', '1 h 30', '1h30min', '1.5 h', '90 min', '2 hours', '0:05', '45m'].map((text) => {
      const minutes = readMinutes(text)
      return [text, minutes.ok ? minutes.value : null]
    }),
  )
  expect(read).toEqual({
    '1:30': 90,
    '1 h 30': 90,
    '1h30min': 90,
    '1.5 h': 90,
    '90 min': 90,
    '2 hours': 120,
    '0:05': 5,
    '45m': 45,
  })
})

it('asks what a bare number is, and refuses what is no time', () => {
  for (const text of ['90', '', '1:75', 'h', 'an hour', '-1 h', '1 h 99'])
    expect(readMinutes(text), text).toMatchObject({ ok: false, error: expect.stringContaining('1:30') as string })
})

it('reads back what it writes', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 9999 }), (minutes) => {
      expect(readMinutes(writeMinutes(minutes))).toEqual({ ok: true, value: minutes })
    }),
  )
})

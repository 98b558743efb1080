import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readNumber } from './decimal.ts'
import {
  addDays,
  dateIn,
  daysBetween,
  isPlainDate,
  plainDate,
  readDate,
  writeDate,
  writeWeekdayDate,
} from './plain-date.ts'
import { writeQuantity } from './quantity.ts'

const date = fc
  .date({ min: new Date('1901-01-01'), max: new Date('2198-12-31'), noInvalidDate: true })
  .map((at) => plainDate(at.toISOString().slice(0, 10)))

describe('a calendar date', () => {
  it('goes forth and back by days', () => {
    fc.assert(
      fc.property(date, fc.integer({ min: -300, max: 300 }), (day, days) => {
        expect(daysBetween(day, addDays(day, days))).toBe(days)
      }),
    )
  })
  it('stays within the calendar, however many days are added', () => {
    expect(addDays(plainDate('2199-06-01'), 3650)).toBe('2199-12-31')
    expect(addDays(plainDate('1900-03-01'), -100_000)).toBe('1900-01-01')
  })
  it('is read back as written', () => {
    fc.assert(
      fc.property(date, (day) => {
        expect(readDate(writeDate(day))).toEqual({ ok: true, value: day })
      }),
    )
  })
  it('has its weekday', () => {
    expect(writeWeekdayDate(plainDate('2000-01-01'))).toBe('Sat 1 Jan 2000') // ISO 8601: 1 January 2000 was a Saturday
    expect(writeWeekdayDate(plainDate('1969-07-20'))).toBe('Sun 20 Jul 1969')
  })
  it.each([
    ['2027-3-4', '2027-03-04'],
    ['14 March 2027', '2027-03-14'],
    ['14 mar 2027', '2027-03-14'],
    ['14.3.2027', '2027-03-14'],
    ['14/03/2027', '2027-03-14'],
    ['3/14/2027', '2027-03-14'],
    ['Mar 14, 2027', '2027-03-14'],
    ['March 14th 2027', '2027-03-14'],
    ['2nd Jan 2027', '2027-01-02'],
    ['14-Mar-27', '2027-03-14'],
    ['2027/3/14', '2027-03-14'],
    ['1.2.2027', '2027-02-01'],
    ['2/2/27', '2027-02-02'],
  ])('“%s” is %s', (text, value) => {
    expect(readDate(text)).toEqual({ ok: true, value })
  })
  it.each(['30 Feb 2027', '2027-02-29', '14 Mai 2027', 'tomorrow', '', '2027', '1850-01-01', '🎻'])(
    '“%s” is no date',
    (text) => expect(readDate(text).ok).toBe(false),
  )
  it('refuses what the Gregorian calendar does not have', () => {
    expect(isPlainDate('2100-02-29')).toBe(false)
    expect(isPlainDate('2000-02-29')).toBe(true)
    expect(isPlainDate(20270314)).toBe(false)
    expect(() => plainDate('2027-13-01')).toThrow(/calendar date/)
  })
  it('is the day it is in a time zone', () => {
    const at = Date.parse('2026-11-23T23:30:00Z')
    expect(dateIn('Europe/Lisbon', at)).toBe('2026-11-23')
    expect(dateIn('Asia/Tokyo', at)).toBe('2026-11-24')
    expect(dateIn('America/Los_Angeles', at)).toBe('2026-11-23')
  })
})

describe('a typed number', () => {
  it.each([
    ['3', 3],
    ['2,5', 2.5],
    ['20 %', 20],
    ['1 000', 1000],
    ['8.875', 8.875],
    ['0,125', 0.125],
    ['2.125', 2.125],
  ])('“%s” is %d', (text, value) =>
    expect(readNumber(text, { decimals: 4, least: 0, most: 5000 })).toEqual({ ok: true, value }),
  )
  it('asks back what is too small, too large or too fine', () => {
    expect(readNumber('0', { decimals: 0, least: 1, most: 9 })).toEqual({
      ok: false,
      error: '0 is too small: expected at least 1',
    })
    expect(readNumber('10', { decimals: 0, least: 1, most: 9 }).ok).toBe(false)
    expect(readNumber('2.5', { decimals: 0, least: 1, most: 9 })).toEqual({
      ok: false,
      error: '“2.5” has decimals: expected a whole number',
    })
    expect(readNumber('1e3', { decimals: 0, least: 1, most: 9999 }).ok).toBe(false)
  })
  it('never answers other than with a number in bounds or an error, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), (text) => {
        const read = readNumber(text, { decimals: 3, least: 0, most: 1000 })
        expect(read.ok ? read.value >= 0 && read.value <= 1000 : read.error.length > 5).toBe(true)
      }),
      { numRuns: 500 },
    )
  })
})

describe('a quantity', () => {
  it.each([
    [1, 'pieces', '1 piece'],
    [2, 'pieces', '2 pieces'],
    [1, 'boxes', '1 box'],
    [1, 'm', '1 m'],
    [0, 'rolls', '0 rolls'],
    [1, 'glass', '1 glass'],
  ])('%d %s is “%s”', (count, unit, text) => expect(writeQuantity(count, unit).replace('\u00a0', ' ')).toBe(text))
})

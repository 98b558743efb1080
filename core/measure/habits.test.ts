/** Expected habits from Unicode CLDR 44 (dates and numbers of each locale; paper sizes of its supplemental data), quoted from memory. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readMoney } from '../money/written.ts'
import { readNumber } from './decimal.ts'
import { currencyIn, habitsOf, noHabits, unitsIn } from './habits.ts'
import { readLength } from './length.ts'
import { plainDate, readDate, type PlainDate } from './plain-date.ts'

describe('the habits of a country', () => {
  it.each([
    ['US', 'month first', '.', 'letter', 'American'],
    ['PH', 'month first', '.', 'letter', 'American'],
    ['CA', 'year first', '.', 'letter', 'British'],
    ['MX', 'day first', '.', 'letter', 'British'],
    ['GB', 'day first', '.', 'A4', 'British'],
    ['IE', 'day first', '.', 'A4', 'British'],
    ['DE', 'day first', ',', 'A4', 'British'],
    ['BR', 'day first', ',', 'A4', 'British'],
    ['CH', 'day first', '.', 'A4', 'British'],
    ['SE', 'year first', ',', 'A4', 'British'],
    ['JP', 'year first', '.', 'A4', 'British'],
  ])('%s', (country, dates, decimal, paper, words) =>
    expect(habitsOf(country, 'EUR')).toEqual({ dates, decimal, paper, words }),
  )
  it.each([
    ['US', 'USD', 'feet and inches'],
    ['GB', 'GBP', 'metric'],
    ['SK', 'EUR', 'metric'],
    ['KW', null, 'metric'],
  ])('%s pays in %s and measures in %s', (country, currency, units) =>
    expect([currencyIn(country), unitsIn(country)]).toEqual([currency, units]),
  )
  it('follow from the currency where no country is said, and from feet', () => {
    expect(habitsOf(null, 'USD')).toEqual(habitsOf('US', 'USD'))
    expect(habitsOf(null, 'GBP', 'feet and inches')).toEqual(habitsOf('GB', 'GBP'))
    expect(habitsOf(null, 'KWD')).toEqual(noHabits)
    expect(habitsOf(null, 'EUR')).toEqual({ ...noHabits, dates: 'day first' })
    expect(habitsOf('??', 'EUR')).toEqual(noHabits)
  })
})

describe('what is typed is read by them', () => {
  const us = habitsOf('US', 'USD')
  const de = habitsOf('DE', 'EUR')
  it.each([
    ['1/2/2027', us, '2027-01-02'],
    ['1/2/2027', de, '2027-02-01'],
    ['13/2/2027', us, '2027-02-13'],
    ['2/13/2027', de, '2027-02-13'],
    ['1.2.2027', us, '2027-02-01'], // points part day, month, year wherever they are used
    ['1/2/27', us, '2027-01-02'],
  ])('the date “%s”', (text, { dates }, value) => expect(readDate(text, dates)).toEqual({ ok: true, value }))
  it('and a date with two readings is asked back where no order is usual', () => {
    for (const dates of [null, habitsOf('CA', 'CAD').dates])
      expect(readDate('1/2/2027', dates)).toMatchObject({
        ok: false,
        error: expect.stringMatching(/could be two dates/),
      })
  })
  it.each([
    ['1,200', us, 120_000],
    ['1.200', de, 120_000],
    ['1.200,5', us, 120_050], // two signs leave no doubt
    ['12.5', de, 1_250],
  ])('the sum “%s”', (text, { decimal }, value) => expect(readMoney(text, 'EUR', decimal)).toEqual({ ok: true, value }))
  it('and three decimals that cannot be are asked back', () => {
    expect(readMoney('1.200', 'USD', '.').ok).toBe(false)
    expect(readMoney('1,200', 'EUR', ',').ok).toBe(false)
  })
  it('dinars have three decimals, and the sign says which they are', () => {
    expect(readMoney('250,500', 'KWD', ',')).toEqual({ ok: true, value: 250_500 })
    expect(readMoney('250,500', 'KWD', '.')).toEqual({ ok: true, value: 250_500_000 })
  })
  it('lengths and numbers too', () => {
    expect(readLength('1,200', 'mm', '.')).toEqual({ ok: true, value: 1200 })
    expect(readLength('1,200 m', 'mm', ',')).toEqual({ ok: true, value: 1200 })
    expect(readNumber('1.500', { decimals: 0, least: 0, most: 9999 }, ',')).toEqual({ ok: true, value: 1500 })
  })
  it('a day as the country writes it is that day', () => {
    const day = fc
      .date({ min: new Date('2000-01-01T00:00:00Z'), max: new Date('2099-12-31T00:00:00Z'), noInvalidDate: true })
      .map((date) => plainDate(date.toISOString().slice(0, 10)))
    const countries = ['US', 'GB', 'DE', 'FR', 'JP', 'SE', 'ZA', 'AU', 'IN', 'BR', 'CH', 'NL', 'PH']
    fc.assert(
      fc.property(day, fc.constantFrom(...countries), (date: PlainDate, country) => {
        const locale = `${new Intl.Locale('und', { region: country }).maximize().language}-${country}`
        const written = new Intl.DateTimeFormat(locale, {
          timeZone: 'UTC',
          calendar: 'gregory',
          numberingSystem: 'latn',
          year: 'numeric',
          month: 'numeric',
          day: 'numeric',
        }).format(new Date(`${date}T00:00:00Z`))
        expect([written, readDate(written, habitsOf(country, 'EUR').dates)]).toEqual([
          written,
          { ok: true, value: date },
        ])
      }),
    )
  })
})

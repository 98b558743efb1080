import codes from 'currency-codes'
import { Decimal } from 'decimal.js'
import { dinero, multiply, toSnapshot, transformScale, halfAwayFromZero } from 'dinero.js'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { currencyCodes, decimalsOf } from './currencies.ts'
import { atRate, isMinor, largestMinor, million, minor, plus, portion, rateWithin, sum } from './minor.ts'
import { moneyParts, readMoney, writeMoney } from './written.ts'

const amount = fc.integer({ min: -largestMinor, max: largestMinor }).map(minor)
const ppm = fc.integer({ min: 0, max: million })

describe('currencies', () => {
  /** ISO 4217 list one as the package currency-codes ships it. Funds, metals, tests and units of account are not money to buy with. */
  const apart = new Set([
    'BOV',
    'CHE',
    'CHW',
    'CLF',
    'COU',
    'MXV',
    'USN',
    'UYI',
    'UYW',
    'XAD',
    'XAG',
    'XAU',
    'XBA',
    'XBB',
    'XBC',
    'XBD',
    'XDR',
    'XPD',
    'XPT',
    'XSU',
    'XTS',
    'XUA',
    'XXX',
  ])
  it.each(currencyCodes.filter((code) => codes.code(code)))('%s has the decimals of ISO 4217 list one', (code) => {
    expect(decimalsOf(code)).toBe(codes.code(code)?.digits)
  })
  it('are those of list one, but for what entered or left since it was shipped', () => {
    const theirs = codes.codes().filter((code) => !apart.has(code))
    const changedSince = ['ANG', 'BGN', 'CUC', 'HRK', 'SLL', 'VED', 'XCG', 'ZWG', 'ZWL'] // withdrawn, replaced, or added around the edition
    expect(currencyCodes.filter((code) => !theirs.includes(code) && !changedSince.includes(code))).toEqual([])
    expect(theirs.filter((code) => !currencyCodes.includes(code) && !changedSince.includes(code))).toEqual([])
  })
  it('refuse a code that is not on the list', () => expect(() => decimalsOf('EURO')).toThrow(/ISO 4217/))
})

describe('a portion of money', () => {
  it('is rounded once, half away from zero, as decimal.js does it', () => {
    fc.assert(
      fc.property(
        amount,
        fc.integer({ min: 0, max: 3_000_000 }),
        fc.integer({ min: 1, max: 3_000_000 }),
        (amount, numerator, denominator) => {
          const product = new Decimal(amount).times(numerator)
          fc.pre(product.abs().div(denominator).lt(Number.MAX_SAFE_INTEGER))
          const theirs = Decimal.clone({ precision: 60, rounding: Decimal.ROUND_HALF_UP })
          expect(portion(amount, numerator, denominator)).toBe(
            new theirs(amount).times(numerator).div(denominator).toDecimalPlaces(0).toNumber() + 0,
          )
        },
      ),
    )
  })
  it('at a rate is what dinero.js makes of it', () => {
    const EUR = { code: 'EUR', base: 10, exponent: 2 }
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 90_000_000 }), ppm, (value, rate) => {
        const theirs = toSnapshot(
          transformScale(
            multiply(dinero({ amount: value, currency: EUR }), { amount: rate, scale: 6 }),
            2,
            halfAwayFromZero,
          ),
        ).amount
        expect(atRate(minor(value), rate)).toBe(theirs)
      }),
    )
  })
  it.each([
    [1999, 88_750, 177], // SSUTA s. 324, United States: the third decimal over 4 rounds up; 19.99 at 8.875 % is 1.77
    [33, 200_000, 7], // 0.33 at 20 % is 0.066: 0.07 a line, so three lines give 0.21 …
    [99, 200_000, 20], // … and their total 0.20 (EN 16931 counts the tax on the total): here a line is counted as a whole
  ])('%i minor units at %i ppm is %i', (value, rate, tax) => expect(atRate(minor(value), rate)).toBe(tax))
  it('finds the tax inside an amount: net and tax give it back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1_000_000_000 }).map(minor), ppm, (gross, rate) => {
        const tax = rateWithin(gross, rate)
        const exact = new Decimal(gross).times(rate).div(million + rate)
        expect(Math.abs(new Decimal(tax).minus(exact).toNumber())).toBeLessThanOrEqual(0.5)
      }),
    )
  })
  it('refuses fractions and broken ratios', () => {
    expect(() => minor(0.5)).toThrow(/whole number/)
    expect(() => minor(Number.POSITIVE_INFINITY)).toThrow(/whole number/)
    expect(() => portion(minor(1), 1, 0)).toThrow(/ratio/)
    expect(isMinor('1')).toBe(false)
  })
  it('adds without order', () => {
    fc.assert(
      fc.property(fc.array(amount, { maxLength: 20 }), (list) => {
        expect(sum(list)).toBe(list.reduceRight((total, amount) => plus(total, amount), minor(0)))
      }),
    )
  })
})

describe('written money', () => {
  it.each([
    ['EUR', 123_456, '1\u00a0234.56'],
    ['JPY', 1_234_567, '1\u00a0234\u00a0567'],
    ['KWD', 1_234_567, '1\u00a0234.567'],
    ['EUR', -5, '−0.05'],
    ['HUF', 100_050, '1\u00a0000.50'], // two decimals by ISO 4217, though Intl shows none
  ])('%s %i is %s', (currency, value, text) => expect(writeMoney(minor(value), currency)).toBe(text))
  it('is read back as it was, in any currency', () => {
    fc.assert(
      fc.property(amount, fc.constantFrom('EUR', 'JPY', 'KWD'), (value, currency) => {
        const [whole, decimals] = moneyParts(value, currency)
        const read = readMoney(`${whole}${decimals}`, currency)
        expect(read).toEqual({ ok: true, value })
      }),
    )
  })
  it.each([
    ['1250', 125_000],
    ['1 250.50', 125_050],
    ['1,250.50', 125_050],
    ['1.250,50', 125_050],
    ['12,5', 1_250],
    ['€ 40', 4_000],
    ['40 EUR', 4_000],
    ['1.234.567', 123_456_700],
    ['-3', -300],
    ['.5', 50],
    ['1,200', 120_000], // a euro has no three decimals
    ['€ 12,345', 1_234_500],
  ])('“%s” is %i cents', (text, value) => expect(readMoney(text, 'EUR')).toEqual({ ok: true, value }))
  it.each([
    '1e3',
    '🎻',
    '',
    'twelve',
    '1.234',
    '1.5.2',
    '12.345',
    '--3',
    '1,2,3',
    '9'.repeat(30),
    '0x10',
    'Infinity',
    '1.234,567,8',
  ])('“%s” is asked back, saying what was expected', (text) => {
    const read = readMoney(text, 'EUR')
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.error).toMatch(/expected|write|too large|could be/)
  })
  it('takes no decimals in yen and three in dinars', () => {
    expect(readMoney('12.5', 'JPY').ok).toBe(false)
    expect(readMoney('12.50', 'KWD')).toEqual({ ok: true, value: 12_500 })
    expect(readMoney('0.125', 'KWD')).toEqual({ ok: true, value: 125 })
    expect(readMoney('1250,500', 'KWD')).toEqual({ ok: true, value: 1_250_500 })
    expect(readMoney('250,500', 'KWD').ok).toBe(false)
  })
})

import { decimalsOf } from './currencies.ts'
import { isMinor, largestMinor, minor, type Minor } from './minor.ts'
import { readDecimal, type Reading } from '../measure/decimal.ts'
import type { Habits } from '../measure/habits.ts'

/**
 * An amount as people type it ("1 250", "1,250.50", "12,5", "€ 40") in minor units of the currency.
 * More decimals than the currency has, and a single separator that could mean either, are answered with an error.
 */
export function readMoney(text: string, currency: string, sign: Habits['decimal'] = null): Reading<Minor> {
  const decimals = decimalsOf(currency)
  const bare = text.replace(/\p{Sc}/gu, '').replace(new RegExp(`\\b${currency}\\b`, 'i'), '')
  const number = readDecimal(bare.trim(), decimals, sign)
  if (!number.ok) return number
  const units = number.value.digits * 10 ** (decimals - number.value.scale)
  if (!isMinor(units) || Math.abs(units) > largestMinor)
    return { ok: false, error: `too large: expected at most ${writeMoney(minor(largestMinor), currency)}` }
  return { ok: true, value: minor(units) }
}

const group = '\u00a0'
function grouped(digits: string): string {
  const first = digits.length % 3 || 3
  return [digits.slice(0, first), ...(digits.slice(first).match(/\d{3}/g) ?? [])].join(group)
}

/** An amount in two parts, so that a page can set the decimals smaller: ["1 250", ".50"]; ["−3", ""] for yen. */
export function moneyParts(amount: Minor, currency: string): [whole: string, decimals: string] {
  const decimals = decimalsOf(currency)
  const digits = String(Math.abs(amount)).padStart(decimals + 1, '0')
  const split = digits.length - decimals
  const sign = amount < 0 ? '−' : ''
  return [sign + grouped(digits.slice(0, split)), decimals ? `.${digits.slice(split)}` : '']
}

/** "1 250.50", with the decimals of the currency, a point, and spaces that do not break between thousands. */
export const writeMoney = (amount: Minor, currency: string): string => moneyParts(amount, currency).join('')

/** "20 %", "8.875 %" from parts per million. */
export const writeRate = (ppm: number): string => `${String(ppm / 10_000)}\u00a0%`

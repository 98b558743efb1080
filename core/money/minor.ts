/**
 * Money: a whole number of minor units (cents, pence, fils) of the one currency of its makeover.
 * The brand keeps it apart from counts, lengths and rates; only the functions below add and scale it.
 */
declare const brand: unique symbol
export type Minor = number & { readonly [brand]: 'minor units' }

/** Largest amount taken from outside: ten thousand million of a two-decimal currency. Sums of it stay exact. */
export const largestMinor = 1_000_000_000_000

export const isMinor = (value: unknown): value is Minor => typeof value === 'number' && Number.isSafeInteger(value)

/** A sum that is too large to be exact: more than nine thousand million million minor units. */
export class TooMuch extends RangeError {}

/** A whole number of minor units as money; throws on fractions and NaN, and `TooMuch` on numbers too large to be exact. */
export function minor(value: number): Minor {
  if (Number.isFinite(value) && Math.abs(value) > Number.MAX_SAFE_INTEGER)
    throw new TooMuch(`Money: ${value} minor units are too many to be exact`)
  if (!isMinor(value)) throw new RangeError(`Money: expected a whole number of minor units, got ${value}`)
  return value
}

export const zero = minor(0)

export const plus = (a: Minor, b: Minor): Minor => minor(a + b)
export const minus = (a: Minor, b: Minor): Minor => minor(a - b)
export const negate = (a: Minor): Minor => minor(0 - a)
export const sum = (amounts: Iterable<Minor>): Minor => {
  let total = 0
  for (const amount of amounts) total += amount
  return minor(total)
}
export const times = (amount: Minor, count: number): Minor => minor(amount * count)
/** The amount, or nothing where it is below zero. */
export const atLeastZero = (amount: Minor): Minor => (amount > 0 ? amount : zero)

/**
 * amount × numerator ÷ denominator, computed exactly and rounded once to the minor unit, half away from zero
 * (the commercial rounding of invoices; Java's RoundingMode.HALF_UP). Throws unless both are whole and the
 * denominator is above zero.
 */
export function portion(amount: Minor, numerator: number, denominator: number): Minor {
  if (Math.abs(numerator) > Number.MAX_SAFE_INTEGER)
    throw new TooMuch(`Money: ${numerator} parts are too many to be exact`)
  if (!Number.isSafeInteger(numerator) || !Number.isSafeInteger(denominator) || denominator <= 0)
    throw new RangeError(`Money: expected a ratio of whole numbers, got ${numerator} / ${denominator}`)
  const product = BigInt(amount) * BigInt(numerator)
  const size = product < 0n ? -product : product
  const rounded = (2n * size + BigInt(denominator)) / (2n * BigInt(denominator))
  return minor(Number(product < 0n ? -rounded : rounded))
}

/** Rates are whole parts per million: 20 % is 200 000, 8.875 % is 88 750. */
export const million = 1_000_000
export const atRate = (amount: Minor, ratePpm: number): Minor => portion(amount, ratePpm, million)
/** The tax already inside an amount: amount × rate ÷ (1 + rate). */
export const rateWithin = (amount: Minor, ratePpm: number): Minor => portion(amount, ratePpm, million + ratePpm)

import { minor, zero, type Minor } from './minor.ts'

/**
 * An amount parted in proportion to weights, so that the parts add up to it to the minor unit: each gets its share
 * rounded towards zero, and what is left goes, unit by unit, to the largest remainders, the earlier first. Where every
 * weight is zero the parts are equal. Weights are whole and not negative; no weights give no parts.
 */
export function split(amount: Minor, weights: readonly number[]): Minor[] {
  if (weights.length === 0) return []
  if (!weights.every((weight) => Number.isSafeInteger(weight) && weight >= 0))
    throw new RangeError('Money: expected whole weights, not below zero')
  const even = weights.every((weight) => weight === 0)
  const shares = weights.map((weight) => BigInt(even ? 1 : weight))
  const whole = shares.reduce((total, share) => total + share, 0n)
  const size = BigInt(Math.abs(amount))
  const parts = shares.map((share, at) => ({ at, part: (size * share) / whole, rest: (size * share) % whole }))
  let left = size - parts.reduce((total, { part }) => total + part, 0n)
  for (const part of parts.toSorted((a, b) => (a.rest < b.rest ? 1 : a.rest > b.rest ? -1 : a.at - b.at))) {
    if (left === 0n) break
    part.part += 1n
    left -= 1n
  }
  return parts.map(({ part }) => (part === 0n ? zero : minor(Math.sign(amount) * Number(part))))
}

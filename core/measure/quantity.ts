/** "3 pieces", "1 piece", "11 m": a quantity with what it is counted in, without the plural's s where it is one. */
export function writeQuantity(quantity: number, unit: string): string {
  const singular = unit.replace(/(x|ch|sh)es$/i, '$1').replace(/([^s\W])s$/i, '$1')
  return `${quantity}\u00a0${quantity === 1 && unit.length > 2 ? singular : unit}`
}

/**
 * A figure beside the limit that it misses: with as many decimals, to two, as keep it from being rounded onto the limit or
 * past it, so that 29.96 is never "30" where 30 are wanted.
 */
export function besideLimit(value: number, limit: number): string {
  for (const decimals of [0, 1]) {
    const rounded = Number(value.toFixed(decimals))
    if (value === limit || (rounded !== limit && rounded < limit === value < limit)) return value.toFixed(decimals)
  }
  const hundredths = 100 * value
  return ((value < limit ? Math.floor(hundredths) : Math.ceil(hundredths)) / 100).toFixed(2)
}

/** “a, b and c” */
export const inWords = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`

import type { Habits } from './habits.ts'

/** What an input made of typed text: a value, or what is wrong and what was expected. */
export type Reading<T> = { ok: true; value: T } | { ok: false; error: string }

/** A decimal number without rounding: digits ÷ 10^scale. */
export type Decimal = { digits: number; scale: number }

const wrong = (error: string): Reading<never> => ({ ok: false, error })

/**
 * A decimal number as people write it: "1250", "1 250.50", "1.250,50", "12,5", "-3".
 * One separator between at most three and exactly three digits could mean either thousands or decimals: it is read by the
 * decimal sign that is usual where it is typed; where that is not known, a comma before more digits than there can be
 * decimals parts thousands, a point is taken where there can be three decimals, and the rest is asked back. Letters,
 * exponents ("1e3") and signs in the middle are refused.
 */
export function readDecimal(text: string, decimals: number, sign: Habits['decimal'] = null): Reading<Decimal> {
  const typed = text.trim()
  if (typed === '') return wrong('nothing typed: expected a number')
  const bare = typed.replace(/[\s\u00a0\u202f'’]/g, '').replace(/^[−–]/, '-')
  if (!/^[-+]?[\d.,]+$/.test(bare) || !/\d/.test(bare))
    return wrong(`“${shorten(typed)}” is not a number: expected digits, such as 1250.50`)
  const body = bare.replace(/^[-+]/, '')
  const separators = [...body.replace(/\d/g, '')]
  const last = separators.at(-1)
  let whole = body
  let fraction = ''
  if (last !== undefined) {
    const kinds = new Set(separators)
    const at = body.lastIndexOf(last)
    const tail = body.slice(at + 1)
    if (kinds.size === 2 && separators.filter((s) => s === last).length > 1)
      return wrong(`“${shorten(typed)}” has its separators mixed: write 1250.50`)
    if (separators.length > 1 && kinds.size === 1) {
      if (!/^\d{1,3}([.,]\d{3})+$/.test(body))
        return wrong(`“${shorten(typed)}” has too many separators: write 1250.50`)
    } else if (
      kinds.size === 1 &&
      tail.length === 3 &&
      at > 0 &&
      at <= 3 &&
      bare === typed &&
      !isFraction(last, body, decimals, sign)
    ) {
      const joined = body.replace(last, '')
      if (sign === null ? last === ',' && decimals < 3 : last !== sign) {
        whole = joined
      } else
        return wrong(
          `“${shorten(typed)}” could be ${joined} or ${body.slice(0, at)}.${tail}: write it without the “${last}”, or with other than three decimals`,
        )
    } else {
      whole = body.slice(0, at)
      fraction = tail
      if (/[.,]/.test(whole) && !/^\d{1,3}([.,]\d{3})+$/.test(whole))
        return wrong(`“${shorten(typed)}” has its thousands in the wrong places: write 1250.50`)
    }
  }
  const wholeDigits = whole.replace(/[.,]/g, '')
  const kept = withoutTrailing(fraction, '0')
  if (kept.length > decimals)
    return wrong(
      decimals === 0
        ? `“${shorten(typed)}” has decimals: expected a whole number`
        : `“${shorten(typed)}” has ${kept.length} decimals: expected at most ${decimals}`,
    )
  const digits = Number(`${wholeDigits}${kept}` || '0')
  if (!Number.isSafeInteger(digits)) return wrong(`“${shorten(typed)}” is too large`)
  return { ok: true, value: { digits: bare.startsWith('-') ? 0 - digits : digits, scale: kept.length } }
}

/** Does the one separator before three digits part decimals? */
const isFraction = (last: string, body: string, decimals: number, sign: Habits['decimal']): boolean =>
  decimals >= 3 && (sign === null ? last === '.' || body.startsWith('0') : last === sign || body.startsWith('0'))

/** A typed number with at most so many decimals, within bounds. */
export function readNumber(
  text: string,
  { decimals, least, most }: { decimals: number; least: number; most: number },
  sign: Habits['decimal'] = null,
): Reading<number> {
  const read = readDecimal(text.replace(/%/g, ''), decimals, sign)
  if (!read.ok) return read
  const value = Number(`${read.value.digits}e-${read.value.scale}`)
  if (value < least) return wrong(`${value} is too small: expected at least ${least}`)
  if (value > most) return wrong(`${value} is too large: expected at most ${most}`)
  return { ok: true, value }
}

/** A text without any of these letters at its end; a pattern anchored there would look from every letter on. */
export function withoutTrailing(text: string, letters: string): string {
  let end = text.length
  while (end > 0 && letters.includes(text.charAt(end - 1))) end--
  return text.slice(0, end)
}

const shorten = (text: string): string => {
  const letters = [...text]
  return letters.length > 24 ? `${letters.slice(0, 24).join('')}…` : text
}

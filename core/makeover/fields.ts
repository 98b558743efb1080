/**
 * The field types that rows are made of. Yup's own number takes Infinity and turns "1e3" into 1000, so nothing here
 * casts: text is parsed by the readers of `measure`, `money` and `colour` first, and these only accept the parsed value.
 */
import { mixed, number, object, string } from 'yup'
import { joinSeveral, splitSeveral } from './choices.ts'
import { isMinor, largestMinor, type Minor } from '../money/minor.ts'
import { isPlainDate, type PlainDate } from '../measure/plain-date.ts'

/** What a field says of itself as JSON Schema, for whoever reads our files without our code. */
export type JsonShape = Readonly<Record<string, unknown>>
declare module 'yup' {
  interface CustomSchemaMetadata {
    readonly json?: JsonShape
    /** Words for people: no figure rests on them. */
    readonly words?: boolean
    /** It says what something costs, or what is kept of it: not for whoever is shown no costs. */
    readonly cost?: boolean
    /** The kind that a reference points at. */
    readonly to?: string
    /** Both rows may come in one change, whichever is written first: the database checks it at commit. */
    readonly deferred?: boolean
    /** The field that both rows share, where the reference may not leave it: a candidate of the same piece. */
    readonly within?: string | undefined
    readonly spoken?: string
    readonly personal?: boolean
    readonly document?: 'makeover' | 'studio'
    /** Fields that no two rows share. */
    readonly once?: readonly string[]
  }
}

/** A test of a value that is there; whether it may be missing or null is said apart, and types cannot see it. */
export const given =
  <T>(test: (value: T) => boolean) =>
  (value: T | null | undefined): boolean =>
    value == null || test(value)

/** One thing a text is held to, and what is said where it is not. */
export type Check = readonly [fits: (text: string) => boolean, message: string]

const readable: Check = [
  // eslint-disable-next-line no-control-regex -- control characters are what is looked for
  (text) => !/[\u0000-\u0008\u000b-\u001f\u007f\ufffe\uffff]/.test(text) && text.isWellFormed(),
  'has characters that cannot be written',
]

/** Text of at most so many characters as people count them; a text far longer is not counted to its end. */
export const isWithin = (text: string, most: number): boolean =>
  text.length <= most || (text.length <= 2 * most && [...text].length <= most)

/** One line of text that must say something, of at most so many characters, and what else it is held to. */
export const label = (most = 120, ...checks: readonly Check[]) =>
  line(
    most,
    [(text) => text.trim() !== '', 'is empty: expected some text'],
    [(text) => !/[\n\t\u0085\u2028\u2029]/.test(text), 'has a line break or a tab: expected one line'],
    ...checks,
  ).meta({
    json: { type: 'string', minLength: 1, maxLength: most },
    words: true,
  })

/**
 * Text that may be empty, and what else it is held to. The checks are one test, in their order, and stop at the first that
 * fails: a text that is too long is looked at no further.
 */
export const line = (most = 1000, ...checks: readonly Check[]) =>
  string()
    .strict()
    .meta({ json: { type: 'string', maxLength: most }, words: true })
    .defined('is missing: expected text')
    .nonNullable('expected text')
    .typeError('expected text')
    .test('text', (value, { createError }) => {
      if (typeof value !== 'string') return true // null where it may be, which types cannot see
      if (!isWithin(value, most))
        return createError({
          message: `is too long: expected at most ${most} characters, this has ${value.length > 2 * most ? value.length : [...value].length}`,
        })
      const failed = [readable, ...checks].find(([fits]) => !fits(value))
      return failed === undefined || createError({ message: failed[1] })
    })

export const uuidShape = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/
export const isUuid = (value: unknown): value is string => typeof value === 'string' && uuidShape.test(value)

/** An id that points at a row of another kind, or of its own. */
export const reference = (to: string, { deferred = false, within }: { deferred?: boolean; within?: string } = {}) =>
  string()
    .strict()
    .meta({ json: { type: 'string', pattern: uuidShape.source }, to, deferred, within })
    .defined('is missing')
    .nonNullable('is missing')
    .typeError('expected an id')
    .matches(uuidShape, 'expected an id')

/** A choice from a fixed list. */
export const choice = <const T extends string>(options: readonly T[]) =>
  mixed<T>({ check: (value): value is T => typeof value === 'string' && options.some((option) => option === value) })
    .meta({ json: { enum: options } })
    .typeError(`expected one of ${options.length > 20 ? `${options.slice(0, 6).join(', ')} …` : options.join(', ')}`)
    .defined('is missing')
    .nonNullable('is missing')

/** Money in minor units, from `least` to the largest amount the product takes. */
export const money = (least = 0) =>
  mixed<Minor>({ check: isMinor })
    .meta({ json: { type: 'integer', minimum: least, maximum: largestMinor }, cost: true })
    .typeError('expected a whole number of minor units')
    .defined('is missing: expected an amount')
    .nonNullable('is missing: expected an amount')
    .test(
      'least',
      least === 0 ? 'is below zero: expected zero or more' : 'is too small: expected more than zero',
      given((value) => value >= least),
    )
    .test(
      'most',
      'is too large',
      given((value) => value <= largestMinor),
    )

export const date = () =>
  mixed<PlainDate>({ check: isPlainDate })
    .meta({ json: { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}$' } })
    .typeError('expected a date such as 2027-03-14')
    .defined('is missing: expected a date')
    .nonNullable('is missing: expected a date')

/** A whole number within bounds. */
export const count = (least: number, most: number) =>
  number()
    .strict()
    .meta({ json: { type: 'integer', minimum: least, maximum: most } })
    .defined(`is missing: expected a whole number from ${least} to ${most}`)
    .nonNullable(`is missing: expected a whole number from ${least} to ${most}`)
    .typeError(`expected a whole number from ${least} to ${most}`)
    .test(
      'bounds',
      `expected a whole number from ${least} to ${most}`,
      given((value) => Number.isSafeInteger(value) && value >= least && value <= most),
    )

/** A rate in parts per million, 0 to 100 %. */
export const rate = () => count(0, 1_000_000)

/** A quantity above zero with at most three decimals. */
export const quantity = () => {
  const message = 'expected more than 0 and at most 100000, with at most three decimals'
  return number()
    .strict()
    .meta({ json: { type: 'number', exclusiveMinimum: 0, maximum: 100_000 } })
    .defined(`is missing: ${message}`)
    .nonNullable(`is missing: ${message}`)
    .typeError(message)
    .test(
      'bounds',
      message,
      given(
        (value) => value > 0 && value <= 100_000 && Math.round(value * 1000) === Number((value * 1000).toPrecision(15)),
      ),
    )
}

/** A finite number within bounds. */
export const real = (least: number, most: number) =>
  number()
    .strict()
    .meta({ json: { type: 'number', minimum: least, maximum: most } })
    .defined('is missing: expected a number')
    .nonNullable('is missing: expected a number')
    .typeError('expected a number')
    .test(
      'bounds',
      `expected a number from ${least} to ${most}`,
      given((value) => Number.isFinite(value) && value >= least && value <= most),
    )

export const flag = () =>
  mixed<boolean>({ check: (value): value is boolean => typeof value === 'boolean' })
    .meta({ json: { type: 'boolean' } })
    .typeError('expected yes or no')
    .defined('is missing')
    .nonNullable('expected yes or no')

/** Is it an email address: something before and after one @, and a point within what is after it? */
export function isEmail(text: string): boolean {
  const [name = '', domain = '', ...more] = text.trim().split('@')
  return more.length === 0 && name !== '' && !/\s/.test(text.trim()) && domain.slice(1, -1).includes('.')
}

/** A time zone by its IANA name. */
export const timeZone = () => line(60, [isTimeZone, 'expected a time zone such as Europe/Lisbon'])

function isTimeZone(zone: string): boolean {
  try {
    return zone !== '' && Boolean(new Intl.DateTimeFormat('en', { timeZone: zone }))
  } catch {
    return false
  }
}

/** Several choices from a fixed list, kept as one text in the list's order, separated by commas; empty for none. */
export const several = (options: readonly string[]) =>
  line(500, [
    (text) => text === joinSeveral(options, splitSeveral(text)),
    `expected some of ${options.join(', ')}`,
  ]).meta({ words: false })

/** A SHA-256 in hexadecimal. */
export const digest = () =>
  line(64, [(text) => /^[0-9a-f]{64}$/.test(text), 'expected a SHA-256']).meta({
    json: { type: 'string', pattern: '^[0-9a-f]{64}$' },
  })

/** A size in millimetres, where it is known. */
export const size = () => real(1, 100_000).nullable()
/** A distance in millimetres that may be nothing. */
export const distance = (most = 100_000) => real(0, most)
/** A colour as CIELAB for D65 and the 2° observer. */
export const lab = { labL: real(0, 100), labA: real(-128, 128), labB: real(-128, 128) }
export const maybeLab = {
  labL: real(0, 100).nullable(),
  labA: real(-128, 128).nullable(),
  labB: real(-128, 128).nullable(),
}

/**
 * One kind of row: what a person calls it, its fields, and what is particular about it. `document` says which of the two
 * holds its rows; of a personal kind the diary names the fields and never keeps their values; no two rows share the
 * fields of `once`.
 */
export const row = <T extends Parameters<typeof object>[0]>(
  spoken: string,
  fields: T,
  {
    personal = false,
    document = 'makeover',
    once = [],
  }: { personal?: boolean; document?: 'makeover' | 'studio'; once?: readonly string[] } = {},
) =>
  object(fields as NonNullable<T>)
    .strict()
    .noUnknown(({ unknown }) => `has fields that are not known: ${unknown}`)
    .meta({ spoken, personal, document, once })

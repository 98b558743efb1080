/** The fields that forms are made of: what is typed, how it is read, how it is said back. */
import { readColour, type Lab, type TypedSource } from '#core/colour/lab.ts'
import { joinSeveral, splitSeveral } from '#core/makeover/choices.ts'
import { readClock, writeClock } from '#core/measure/clock.ts'
import { readMinutes, writeMinutes } from '#core/measure/duration.ts'
import { readArea, spreadOne, writeArea } from '#core/measure/area.ts'
import { readLength, writeLength } from '#core/measure/length.ts'
import type { Entry } from '../stores/entry.ts'
import { habits } from '../stores/habits.ts'
import { readSize, writeSize, type ReadSize } from '#core/measure/size.ts'
import { readNumber, type Reading } from '#core/measure/decimal.ts'
import { readDate, writeDate, writeWeekdayDate, type PlainDate } from '#core/measure/plain-date.ts'
import { moneyParts, readMoney, writeMoney } from '#core/money/written.ts'
import { largestMinor, type Minor } from '#core/money/minor.ts'

/** One field of a form: the text as typed, how it is read, what is wrong with it. */
export type Field<T> = {
  text: string
  error: string
  read(text: string): Reading<T>
  echo(value: T): string
  /** It is a day, and may be picked from a month as well. */
  readonly day?: true
  /** It says what something costs: whoever is shown no costs is not shown it. */
  readonly cost?: boolean
}
const field = <T>(
  text: string,
  read: (text: string) => Reading<T>,
  echo: (value: T) => string = () => '',
): Field<T> => ({ text, error: '', read, echo })
const ok = <T>(value: T): Reading<T> => ({ ok: true, value })
const wrong = (error: string): Reading<never> => ({ ok: false, error })

/** Text of a row; what it may be, its schema says. */
export const textField = (start = ''): Field<string> => field(start, (text) => ok(text.trim()))

/** Text that must say something and belongs to no row, of at most so many characters. */
export const saidField = (start = '', most = 120): Field<string> =>
  field(start, (text) => {
    const length = [...text.trim()].length
    if (length === 0) return wrong('is empty: expected some text')
    return length > most
      ? wrong(`is too long: expected at most ${most} characters, this has ${length}`)
      : ok(text.trim())
  })

/** Without separators between thousands, so that it reads back as it was. */
export const writtenMoney = (amount: Minor | null, currency: string): string =>
  amount === null ? '' : moneyParts(amount, currency).join('').replaceAll('\u00a0', '').replace('−', '-')

export const moneyField = (currency: string, start: Minor | null = null, { least = 0 } = {}): Field<Minor> => ({
  ...field(
    writtenMoney(start, currency),
    (text) => {
      const read = readMoney(text, currency, habits.value.decimal)
      if (!read.ok) return read
      if (read.value < least)
        return wrong(least > 0 ? 'expected more than zero' : 'is below zero: expected zero or more')
      return read.value > largestMinor ? wrong('is too large') : read
    },
    (amount) => `${writeMoney(amount, currency)} ${currency}`,
  ),
  cost: true,
})

/** A number of a row, with so many decimals at most; its bounds are those of its schema. */
export const numberField = (start: number | null, decimals: number): Field<number> =>
  field(
    start === null ? '' : String(start),
    (text) => readNumber(text, { decimals, least: 0, most: 1e9 }, habits.value.decimal),
    String,
  )

export const maybeNumberField = (start: number | null, decimals: number): Field<number | null> =>
  field(
    start === null ? '' : String(start),
    (text) =>
      text.trim() === '' ? ok(null) : readNumber(text, { decimals, least: 0, most: 1e9 }, habits.value.decimal),
    (value) => (value === null ? '' : String(value)),
  )

/** A spreading rate of paint, in m² a litre; a bare number is in the unit of the makeover. */
export const maybeSpreadField = ({ units }: Entry, start: number | null): Field<number | null> => {
  const scale = spreadOne(units)
  const typed = maybeNumberField(start === null ? null : Number((start / scale).toFixed(2)), 2)
  return untouched(start, {
    ...typed,
    read: (text) => {
      const read = typed.read(text)
      return read.ok && read.value !== null ? ok(read.value * scale) : read
    },
  })
}

/** How long something took, in whole minutes. */
export const minutesField = (start: number | null): Field<number> =>
  field(
    start === null ? '' : writeMinutes(start),
    (text) =>
      text.trim() === '' ? wrong('is empty: expected 1:30, 1.5 h or 90 min') : readMinutes(text, habits.value.decimal),
    writeMinutes,
  )

/** A rate typed in percent, kept in parts per million. */
/** A time of the day, in minutes; nothing where nobody said. */
export const maybeClockField = (start: number | null): Field<number | null> =>
  field(
    start === null ? '' : writeClock(start),
    (text) => (text.trim() === '' ? ok(null) : readClock(text)),
    (minute) => (minute === null ? '' : writeClock(minute)),
  )

export const rateField = (startPpm: number): Field<number> =>
  field(
    String(startPpm / 10_000),
    (text) => {
      const read = readNumber(text, { decimals: 4, least: 0, most: 100 }, habits.value.decimal)
      return read.ok ? ok(Math.round(read.value * 10_000)) : read
    },
    (ppm) => `${ppm / 10_000} %`,
  )

export const dateField = (start: PlainDate | null): Field<PlainDate> => ({
  ...field(
    start ? writeDate(start) : '',
    (text) =>
      text.trim() === '' ? wrong('is empty: expected a date such as 14 Mar 2027') : readDate(text, habits.value.dates),
    writeWeekdayDate,
  ),
  day: true,
})

export const maybeDateField = (start: PlainDate | null): Field<PlainDate | null> => ({
  ...field<PlainDate | null>(
    start ? writeDate(start) : '',
    (text) => (text.trim() === '' ? ok(null) : readDate(text, habits.value.dates)),
    (date) => (date ? writeWeekdayDate(date) : ''),
  ),
  day: true,
})

export type Colour = { lab: Lab; source: TypedSource }
const writtenLab = ({ L, a, b }: Lab): string => `L* ${L.toFixed(1)}, a* ${a.toFixed(1)}, b* ${b.toFixed(1)}`
/** A name is never exact. */
const writtenColour = ({ lab, source }: Colour): string => `${source === 'name' ? 'about ' : ''}${writtenLab(lab)}`
export const colourField = (start = ''): Field<Colour> =>
  field(
    start,
    (text) =>
      text.trim() === ''
        ? wrong('is empty: expected a hex such as #8fa3a8, or Lab as three numbers')
        : readColour(text),
    writtenColour,
  )
export const maybeColourField = (start = ''): Field<Colour | null> =>
  field<Colour | null>(
    start,
    (text) => (text.trim() === '' ? ok(null) : readColour(text)),
    (colour) => (colour ? writtenColour(colour) : ''),
  )

/** Several colours, parted by semicolons. */
export const coloursField = (start: string): Field<Lab[]> =>
  field(
    start,
    (text) => {
      const read = text
        .split(';')
        .filter((part) => part.trim() !== '')
        .map((part) => readColour(part))
      const bad = read.find((reading) => !reading.ok)
      return bad ? bad : ok(read.flatMap((reading) => (reading.ok ? [reading.value.lab] : [])))
    },
    (labs) => labs.map(writtenLab).join('; '),
  )

/** What is shown is rounded; a text that nobody touched is still the value it was written from. */
const untouched = <T>(start: T, field: Field<T>): Field<T> => {
  const shown = field.text
  return { ...field, read: (text) => (text === shown && shown !== '' ? ok(start) : field.read(text)) }
}

/** A length in millimetres, typed in any unit; a bare number is in the unit that the field shows. */
export const maybeLengthField = ({ units, unit }: Entry, start: number | null): Field<number | null> =>
  untouched(
    start,
    field<number | null>(
      start === null ? '' : writeLength(start, units),
      (text) => (text.trim() === '' ? ok(null) : readLength(text, unit, habits.value.decimal)),
      (mm) => (mm === null ? '' : writeLength(mm, units)),
    ),
  )

/** A distance, which may be nothing at all: then it is 0. An empty field says that nobody decided it. */
export const maybeDistanceField = (entry: Entry, start: number | null): Field<number | null> => {
  const distance = distanceField(entry, start ?? 0)
  return {
    ...distance,
    text: start === null ? '' : distance.text,
    read: (text) => (text.trim() === '' ? ok(null) : distance.read(text)),
    echo: (mm) => (mm === null ? '' : distance.echo(mm)),
  }
}

/** An area in m², typed and shown in the makeover's own unit. */
export const maybeAreaField = ({ units }: Entry, startM2: number | null): Field<number | null> =>
  untouched(
    startM2,
    field<number | null>(
      startM2 === null ? '' : writeArea(startM2, units),
      (text) => (text.trim() === '' ? ok(null) : readArea(text.replaceAll('\u00a0', ' '), units, habits.value.decimal)),
      (m2) => (m2 === null ? '' : writeArea(m2, units)),
    ),
  )

/** Width, depth and height in one line; empty where nobody measured. */
export const maybeSizeField = ({ units, unit }: Entry): Field<ReadSize | null> =>
  field<ReadSize | null>(
    '',
    (text) => (text.trim() === '' ? ok(null) : readSize(text, unit, habits.value.decimal)),
    (size) => (size ? writeSize(size, units) : ''),
  )

export const lengthField = ({ units, unit }: Entry, start: number | null): Field<number> => {
  const typed = field(
    start === null ? '' : writeLength(start, units),
    (text) =>
      text.trim() === ''
        ? wrong(`is empty: expected a length such as 12' 6 1/2", 3.81 m or a number of ${unit}`)
        : readLength(text, unit, habits.value.decimal),
    (mm) => writeLength(mm, units),
  )
  return start === null ? typed : untouched(start, typed)
}

/** A distance, which may be nothing at all; an empty field is nothing too. */
export const distanceField = ({ units, unit }: Entry, start: number): Field<number> =>
  untouched(
    start,
    field(
      start === 0 ? '0' : writeLength(start, units),
      (text) =>
        /^(?:0+(?:[.,]0+)?\s*(?:mm|cm|m|in|ft|"|')?)?$/i.test(text.trim())
          ? ok(0)
          : readLength(text, unit, habits.value.decimal),
      (mm) => (mm === 0 ? '' : writeLength(mm, units)),
    ),
  )

/** Several choices of a list, kept as one text. */
export const severalField = (options: readonly string[], start: string): Field<string> =>
  field(start, (text) => ok(joinSeveral(options, splitSeveral(text))))

/** A choice from a list; the text is the option itself, or the id of a row. */
export const choiceField = <T extends string>(options: readonly T[], start: T | ''): Field<T> =>
  field(start, (text) => {
    const chosen = options.find((option) => option === text)
    return chosen === undefined ? wrong('is not chosen yet') : ok(chosen)
  })
export const maybeChoiceField = <T extends string>(options: readonly T[], start: T | null): Field<T | null> =>
  field<T | null>(start ?? '', (text) =>
    text === '' ? ok(null) : ok(options.find((option) => option === text) ?? null),
  )

export const yesField = (start: boolean): Field<boolean> => field(start ? 'yes' : '', (text) => ok(text === 'yes'))

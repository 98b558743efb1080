import { describe, expect, it } from 'vitest'
import { labFromName, readColour } from '../colour/lab.ts'
import { readDecimal, readNumber } from '../measure/decimal.ts'
import { readLength } from '../measure/length.ts'
import { readSize } from '../measure/size.ts'
import { readDate } from '../measure/plain-date.ts'
import { readMoney } from '../money/written.ts'
import { readSurveyCsv } from '../survey/index.ts'
import { readChangeSet, validate } from './change.ts'
import { isEmail, label } from './fields.ts'
import { kindNames, schemas } from './kinds.ts'

const long = 100_000
/** What sends a pattern back and forth: runs of one letter or two, with a beginning or an ending that fits nothing. */
const runs = [
  ' ',
  '9',
  '0',
  ',',
  '.',
  '1,',
  '1 ',
  'a',
  'a.',
  '@',
  "'",
  '"',
  '-',
  '°',
  '/',
  '\n',
  '\t',
  '(',
  'm',
  'ft',
  'é',
]
const worst = runs.flatMap((run) => {
  const text = run.repeat(Math.ceil(long / run.length))
  return [text, `9${text}x`, `a@${text}@`]
})

/** A pattern that is quadratic takes seconds on these; a linear one milliseconds, on a slow machine too. */
const patienceMs = 4000
const tooLong = (read: (text: string) => unknown, texts = worst): string[] =>
  texts.flatMap((text) => {
    const start = performance.now()
    read(text)
    const took = performance.now() - start
    return took > patienceMs ? [`${JSON.stringify(text.slice(0, 6))}: ${Math.round(took)} ms`] : []
  })

describe('a text of 100 000 letters, whatever they are', () => {
  it.each<[string, (text: string) => unknown]>([
    ['a length', (text) => readLength(text, 'mm')],
    ['a size', (text) => readSize(text, 'mm')],
    ['a date where months come first', (text) => readDate(text, 'month first')],
    ['a length in feet', (text) => readLength(`6' ${text}`, 'ft')],
    ['a number', (text) => readNumber(text, { decimals: 3, least: 0, most: 10 })],
    ['a decimal', (text) => readDecimal(text, 6)],
    ['a date', readDate],
    ['an amount', (text) => readMoney(text, 'EUR')],
    ['a colour', readColour],
    ['the name of a colour', labFromName],
    ['a table of a survey', readSurveyCsv],
    ['a row of a survey', (text) => readSurveyCsv(`kind,name,length\nwall,${text},${text}\n`)],
    ['a change set', (text) => readChangeSet({ id: text, sentence: text, operations: [] })],
    ['an email address', isEmail],
  ])('is read as %s in the time its letters take', (_name, read) => {
    expect(tooLong(read)).toEqual([])
  })

  it('is held against every field of every kind in the time its letters take', () => {
    const slow = kindNames.flatMap((kind) =>
      Object.keys(schemas[kind].fields).flatMap((field) =>
        tooLong(
          (text) => {
            expect(validate(kind, 'any', { [field]: text }).wrong.length).toBeGreaterThan(0)
          },
          worst.slice(0, 9),
        ).map((said) => `${kind}.${field} ${said}`),
      ),
    )
    expect(slow).toEqual([])
  }, 600_000)

  it('is looked at no further once it is too long', () => {
    let looked = 0
    const held = label(10, [() => ++looked > 0, 'expected nothing more'])
    expect(held.isValidSync('a'.repeat(11))).toBe(false)
    expect(looked).toBe(0)
    expect(held.isValidSync('short')).toBe(true)
    expect(looked).toBe(1)
  })
})

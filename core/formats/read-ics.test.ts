/** Calendars of other programs, with their time zones, folds, repetitions and faults. */
import { describe, expect, it } from 'vitest'
import { plainDate } from '../measure/plain-date.ts'
import { readIcs } from './read-ics.ts'

const first = plainDate('2027-03-01')
const last = plainDate('2027-12-31')
const file = (...lines: string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//test//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n')
const event = (...lines: string[]): string[] => ['BEGIN:VEVENT', 'UID:1', ...lines, 'END:VEVENT']
const days = (text: string) => {
  const answer = readIcs(text, first, last)
  if (!answer.ok) throw new Error(answer.problem)
  return answer.days.map(({ name, fromOn, untilOn }) => `${fromOn} ${untilOn} ${name}`)
}

describe('days away', () => {
  it('an all-day entry ends on the day before its end, by RFC 5545; a folded name is joined again', () => {
    const text = file(
      ...event(
        'DTSTART;VALUE=DATE:20270405',
        'DTEND;VALUE=DATE:20270410',
        'SUMMARY:Away to the',
        '  hills\\, all of us',
      ),
    )
    expect(days(text)).toEqual(['2027-04-05 2027-04-09 Away to the hills, all of us'])
  })
  it('a timed entry takes its days in its own time zone, over the change of clocks', () => {
    const text = file(
      'BEGIN:VTIMEZONE',
      'TZID:Made/Up',
      'BEGIN:STANDARD',
      'DTSTART:19701025T030000',
      'TZOFFSETFROM:+0200',
      'TZOFFSETTO:+0100',
      'RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU',
      'END:STANDARD',
      'BEGIN:DAYLIGHT',
      'DTSTART:19700329T020000',
      'TZOFFSETFROM:+0100',
      'TZOFFSETTO:+0200',
      'RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU',
      'END:DAYLIGHT',
      'END:VTIMEZONE',
      ...event('DTSTART;TZID=Made/Up:20270328T003000', 'DTEND;TZID=Made/Up:20270328T233000', 'SUMMARY:Fair'),
    )
    expect(days(text)).toEqual(['2027-03-28 2027-03-28 Fair'])
  })
  it('a repeated one takes each of its days in the span, and no more', () => {
    const text = file(...event('DTSTART;VALUE=DATE:20261204', 'RRULE:FREQ=MONTHLY;BYMONTHDAY=4', 'SUMMARY:Stocktaking'))
    expect(days(text)).toEqual(
      ['03', '04', '05', '06', '07', '08', '09', '10', '11', '12'].map(
        (month) => `2027-${month}-04 2027-${month}-04 Stocktaking`,
      ),
    )
  })
  it('one without end is a day; leap day is a day', () => {
    expect(days(file(...event('DTSTART;VALUE=DATE:20270501', 'SUMMARY:May Day')))).toEqual([
      '2027-05-01 2027-05-01 May Day',
    ])
    const leap = readIcs(file(...event('DTSTART;VALUE=DATE:20280229', 'SUMMARY:Leap')), first, plainDate('2028-12-31'))
    expect(leap).toMatchObject({ ok: true, days: [{ fromOn: '2028-02-29', untilOn: '2028-02-29' }] })
  })
  it('what is over, and what lies beyond the span, is left out; what has no day is counted', () => {
    const answer = readIcs(
      file(
        ...event('DTSTART;VALUE=DATE:20260101', 'SUMMARY:Over'),
        ...event('DTSTART;VALUE=DATE:20280101', 'SUMMARY:Far'),
        ...event('SUMMARY:No day'),
      ),
      first,
      last,
    )
    expect(answer).toEqual({ ok: true, days: [], leftOut: 1 })
  })
  it.each(['', 'Dear diary', '{"a":1}', 'BEGIN:VCALENDAR\nBEGIN:VEVENT'])(
    '%j is refused, with what was expected',
    (text) => {
      expect(readIcs(text, first, last)).toMatchObject({
        ok: false,
        problem: expect.stringContaining('BEGIN:VCALENDAR') as string,
      })
    },
  )
})

import { describe, expect, it } from 'vitest'
import { plainDate } from '../measure/plain-date.ts'
import { attentionLines, byUrgency, days } from './attention.ts'

const today = plainDate('2027-03-01')
const { lines, add } = attentionLines('purchases', { over: 0, early: 1, late: 2 }, today)
add('late', plainDate('2027-03-05'), 'later', '', null)
add('late', null, 'now, second', '', null)
add('early', today, 'now, first', '', null)
add('early', plainDate('2027-02-27'), 'past', '', null)
add('over', null, 'over', '', null)

describe('what needs a hand', () => {
  it('stands by its day, what has none counting as today; what breaks the agreement stands first', () =>
    expect(byUrgency(lines, today).map(({ title }) => title)).toEqual([
      'over',
      'past',
      'now, first',
      'now, second',
      'later',
    ]))
  it('is late once its day is past, and not on the day', () =>
    expect(lines.filter(({ late }) => late).map(({ title }) => title)).toEqual(['past']))
  it('counts days as people say them', () => expect([days(1), days(0), days(3)]).toEqual(['1 day', '0 days', '3 days']))
})

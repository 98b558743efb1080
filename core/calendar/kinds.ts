/** The kinds of row of the calendar: who works when, and what was said of a task. Most tasks make themselves and have no row. */
import { choice, count, date, flag, label, line, money, real, reference, row, several } from '../makeover/fields.ts'
import { trades, weekdays } from '../makeover/work-choices.ts'

export const calendarKinds = {
  /** Somebody who works: which trades they do, on which days, for what a day. */
  hand: row(
    'hand',
    {
      name: label(60),
      does: several(trades),
      daysWorked: several(weekdays),
      dayMinor: money().nullable(),
      note: line(300),
    },
    { personal: true },
  ),
  /** Days on which a hand does not work; nobody does where no hand is named. */
  absence: row('days away', {
    handId: reference('hand').nullable(),
    name: line(80),
    fromOn: date(),
    untilOn: date(),
  }),
  /** A task of one's own, or what was said of one that makes itself: its key is then of what makes it. */
  task: row('task', {
    key: line(120).meta({ words: false }),
    name: line(120),
    roomId: reference('room').nullable(),
    trade: choice(trades),
    /** Working days; null for as many as the rules give. */
    leastDays: real(0, 1000).nullable(),
    likelyDays: real(0, 1000).nullable(),
    mostDays: real(0, 1000).nullable(),
    /** Two may do it in half the time. */
    people: count(1, 20),
    /** It begins on this day, or as soon after as what it needs is done. */
    pinnedOn: date().nullable(),
    doneOn: date().nullable(),
    leftOut: flag(),
    note: line(500),
  }),
  /** A task that waits for another, both by their keys; and for so many days more, for drying and the like. */
  taskLink: row(
    'what a task waits for',
    { taskKey: label(120), afterKey: label(120), waitDays: real(0, 365) },
    { once: ['taskKey', 'afterKey'] },
  ),
}

/** The kinds of row of the calendar: who works when, and what was said of a task. Most tasks make themselves and have no row. */
import { choice, count, date, flag, label, line, money, real, reference, row, several } from '../makeover/fields.ts'
import { arrivalStates, trades, weekdays } from '../makeover/work-choices.ts'

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
    /** In so many parts, one after the other, each of which can be set to a day of its own. */
    parts: count(1, 12),
    /** It waits for dry weather. */
    dryWeather: flag(),
    /** The piece it is done to; and whether that is away for it, so that its place is empty meanwhile. */
    pieceId: reference('piece').nullable(),
    isAway: flag(),
  }),
  /** A task that waits for another, both by their keys; and for so many days more, for drying and the like. */
  taskLink: row(
    'what a task waits for',
    { taskKey: label(120), afterKey: label(120), waitDays: real(0, 365) },
    { once: ['taskKey', 'afterKey'] },
  ),
  /** What was arranged for the coming of a line of an order: when, who lets it in, where it waits, and what its seller or carrier said. */
  arrival: row(
    'expected delivery',
    {
      purchaseId: reference('purchase'),
      packs: count(1, 100_000),
      state: choice(arrivalStates),
      comesOn: date(),
      /** The window it comes in, in minutes of the day; null where nobody said. */
      earliestMinute: count(0, 1440).nullable(),
      latestMinute: count(0, 1440).nullable(),
      letsIn: line(80),
      waitsInId: reference('room').nullable(),
      waitsAt: line(120),
      answer: line(500),
      saidOn: date().nullable(),
      /** Said by the stand-in for a carrier or a seller, and by nobody real. */
      isSimulated: flag(),
    },
    { personal: true },
  ),
  /** Something small that is not right yet: who sees to it, and by when. */
  snag: row('snag', {
    roomId: reference('room').nullable(),
    pieceId: reference('piece').nullable(),
    says: label(300),
    trade: choice(trades),
    byOn: date().nullable(),
    doneOn: date().nullable(),
    note: line(500),
  }),
  /** What is put off to a second phase, out of the sum that is agreed now: what it waits for, and when it is looked for. */
  deferral: row(
    'put off',
    {
      pieceId: reference('piece').nullable(),
      roomId: reference('room').nullable(),
      name: line(120),
      waitsFor: line(200),
      costMinor: money(),
      wantedOn: date().nullable(),
    },
    { once: ['pieceId'] },
  ),
}

import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of the calendar. */
export const { catalogue, codeOf, remark } = remarksOf('calendar', {
  late: { said: 'The work ends after the install day.', weight: 'stop', units: ['days', 'words'] },
  circle: { said: 'Tasks wait for one another.', weight: 'stop', units: ['words'] },
  answer: { said: 'Nothing is left to spare, and an answer is waited for.', weight: 'look', units: ['days'] },
  pinned: { said: 'A task is set to a day before what it needs is done.', weight: 'look', units: ['words'] },
  'nobody-in': { said: 'A delivery comes within a week, and nobody lets it in.', weight: 'look', units: ['words'] },
  'let-in-away': { said: 'Who lets a delivery in is away on that day.', weight: 'look', units: ['words'] },
  'no-waiting-room': { said: 'Goods wait where there is no room for them.', weight: 'look', units: ['m²', 'm²'] },
  'piece-away': {
    said: 'A thing is away to be worked on past the day it is wanted.',
    weight: 'look',
    units: ['words'],
  },
  undecided: { said: 'All is to be fixed in the plan, and something is not chosen.', weight: 'look', units: ['count'] },
  past: { said: 'The install day is over, and work is not ticked off.', weight: 'look', units: ['days', 'count'] },
  away: { said: 'The install day is one on which nobody works.', weight: 'look', units: ['words'] },
})

import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of the calendar. */
export const { catalogue, codeOf, remark } = remarksOf('calendar', {
  late: { said: 'The work ends after the install day.', weight: 'stop', units: ['days', 'words'] },
  circle: { said: 'Tasks wait for one another.', weight: 'stop', units: ['words'] },
  answer: { said: 'Nothing is left to spare, and an answer is waited for.', weight: 'look', units: ['days'] },
  pinned: { said: 'A task is set to a day before what it needs is done.', weight: 'look', units: ['words'] },
  away: { said: 'The install day is one on which nobody works.', weight: 'look', units: ['words'] },
})

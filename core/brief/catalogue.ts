import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of a brief. */
export const { catalogue, codeOf, remark } = remarksOf('brief', {
  unsigned: { said: 'No budget is signed.', weight: 'look', units: ['words'] },
  'need-unserved': { said: 'Nothing serves a need.', weight: 'look', units: ['words'] },
  'need-short': { said: 'What is planned holds less than is needed.', weight: 'look', units: ['count', 'count'] },
  'need-unmeasured': { said: 'Nobody said how much a thing holds.', weight: 'note', units: ['words'] },
  'need-elsewhere': {
    said: 'What serves a need stands in another part of the room than it is wanted in.',
    weight: 'note',
    units: ['words'],
  },
  'need-for-now': { said: 'A need is covered only for now.', weight: 'note', units: ['words'] },
  'need-ended': { said: 'A need is past the day it was needed until.', weight: 'note', units: ['date'] },
  'holes-over': {
    said: 'What is chosen takes more holes than were allowed.',
    weight: 'look',
    units: ['count', 'count'],
  },
  forbidden: { said: 'A thing, or how it is put up, is ruled out.', weight: 'look', units: ['words', 'words'] },
  unrestored: { said: 'Painting is allowed with nothing to put it back.', weight: 'look', units: ['words'] },
  'go-back-late': { said: 'A lent thing should have gone back.', weight: 'look', units: ['date'] },
  'no-go-back': { said: 'A thing is lent without a date.', weight: 'note', units: ['words'] },
  hole: { said: 'What moves in leaves a gap where it stood.', weight: 'note', units: ['words'] },
  'repaint-near-replace': {
    said: 'To repaint costs nearly what it costs to replace.',
    weight: 'look',
    rule: 'brief.repaint-near-replace',
    units: ['%'],
  },
  begin: { said: 'The school begins with something that is not there.', weight: 'note', units: ['words'] },
})

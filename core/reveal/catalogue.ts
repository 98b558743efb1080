import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of the client's side and of the reveal. */
export const { catalogue, codeOf, remark } = remarksOf('reveal', {
  disagree: { said: 'Two clients said different things of one choice.', weight: 'look', units: ['id'] },
  'asks-again': { said: 'A yes was given to something else than is chosen now.', weight: 'look', units: ['id'] },
  'no-before': {
    said: 'Work begins within two days, or has begun, and there is no picture of how it was.',
    weight: 'look',
    units: ['count'],
  },
  'no-after': { said: 'It is done, and a view has a picture before and none after.', weight: 'note', units: ['count'] },
  unticked: { said: 'It is done, and needs are not held against what is there.', weight: 'note', units: ['count'] },
  'plant-care': {
    said: 'It is done, and a plant has no care by month, or no place to winter.',
    weight: 'note',
    units: ['count'],
  },
  'stands-in': { said: 'A need is covered only by what stands in.', weight: 'note', units: ['id'] },
})

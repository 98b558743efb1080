import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of the surfaces. */
export const { catalogue, codeOf, remark } = remarksOf('surfaces', {
  nowhere: { said: 'A treatment lies on no surface.', weight: 'note', units: ['count'] },
  refused: { said: 'A quantity cannot be reckoned.', weight: 'look', units: ['words'] },
  sliver: { said: 'Cut tiles are narrower than a third.', weight: 'look', rule: 'tile.sliver', units: ['count', '%'] },
  joint: { said: 'Joints are too near, or too far apart.', weight: 'note', units: ['words'] },
  short: { said: 'Less is ordered than is needed now.', weight: 'look', units: ['count'] },
  over: { said: 'More is ordered than is needed now.', weight: 'note', units: ['count'] },
  outdated: {
    said: 'A line to buy says another quantity than is needed now.',
    weight: 'look',
    units: ['count', 'count'],
  },
  'other-unit': { said: 'A line is counted in another unit than its treatment.', weight: 'note', units: ['words'] },
})

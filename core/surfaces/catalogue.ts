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
  'dressing-refused': { said: 'What hangs before a window cannot be reckoned.', weight: 'look', units: ['words'] },
  'pole-place': { said: 'A pole or track cannot go where it is.', weight: 'look', units: ['mm', 'mm'] },
  'pole-drill': { said: 'What hangs needs holes that are forbidden.', weight: 'look', units: ['words'] },
  'stand-off': {
    said: 'A pole stands too near for what is behind it.',
    weight: 'look',
    rule: 'curtain.behind',
    units: ['mm', 'mm'],
  },
  'over-radiator': {
    said: 'Cloth closes off a radiator.',
    weight: 'note',
    rule: 'curtain.radiator',
    units: ['mm', 'mm'],
  },
  'near-fire': { said: 'Cloth hangs near a fire.', weight: 'look', rule: 'curtain.fire', units: ['mm', 'mm'] },
  recess: { said: 'A recess has no room for what hangs in it.', weight: 'look', units: ['mm'] },
  'too-light': { said: 'A window is not made as dark as is wanted.', weight: 'note', units: ['words', 'words'] },
  'covers-glass': {
    said: 'Open, it takes much of the light.',
    weight: 'note',
    rule: 'curtain.free',
    units: ['%'],
  },
  cords: { said: 'A cord hangs where a small child is.', weight: 'look', units: ['words'] },
})

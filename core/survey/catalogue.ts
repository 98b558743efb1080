import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of a survey. */
export const { catalogue, codeOf, remark } = remarksOf('survey', {
  open: { said: 'A room is not walked round yet.', weight: 'note', units: ['words'] },
  cannot: { said: 'The lengths of a room cannot close.', weight: 'look', units: ['words'] },
  unchecked: { said: 'Nothing checks the lengths of a room.', weight: 'note', units: ['count'] },
  'measure-again': {
    said: 'One length does not agree with the others.',
    weight: 'look',
    rule: 'survey.suspicious',
    units: ['mm', 'id'],
  },
  'off-square': { said: 'A corner is out of square.', weight: 'note', rule: 'survey.off-square', units: ['°'] },
  'short-test': { said: 'A corner was tested over legs too short to tell.', weight: 'note', units: ['mm'] },
  'past-wall': { said: 'A thing reaches past its wall.', weight: 'look', rule: 'survey.edge-grace', units: ['mm'] },
  'above-ceiling': {
    said: 'A thing reaches above the ceiling.',
    weight: 'look',
    rule: 'survey.edge-grace',
    units: ['mm', 'mm'],
  },
  'clear-width': { said: 'A door is narrower to go through than it says.', weight: 'look', units: ['mm'] },
  overlap: { said: 'Two things lie over each other.', weight: 'look', rule: 'survey.edge-grace', units: ['mm', 'mm'] },
  'shared-differs': {
    said: 'An opening measures differently from its two rooms.',
    weight: 'look',
    rule: 'survey.shared-grace',
    units: ['mm', 'mm'],
  },
  lead: { said: 'An old finish may hold lead.', weight: 'look', rule: 'survey.lead-year', units: ['year', 'words'] },
  asbestos: {
    said: 'An old material may hold asbestos.',
    weight: 'look',
    rule: 'survey.asbestos-year',
    units: ['year', 'words'],
  },
})

import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of the placement. */
export const { catalogue, codeOf, remark } = remarksOf('placement', {
  overlap: { said: 'Two things stand in one place.', weight: 'stop', units: ['mm'] },
  outside: { said: 'A thing reaches through a wall.', weight: 'stop', units: ['mm'] },
  'too-tall': { said: 'A thing is higher than the room.', weight: 'stop', units: ['mm'] },
  door: { said: 'A door does not open.', weight: 'look', units: ['mm'] },
  window: { said: 'A window is covered.', weight: 'look', rule: 'place.window-cover', units: ['mm'] },
  radiator: { said: 'A radiator or a vent is not free.', weight: 'look', units: ['mm'] },
  front: { said: 'There is no room to open or to use a thing.', weight: 'look', units: ['mm'] },
  open: { said: 'Opened, a thing meets another.', weight: 'look', units: ['mm', 'words'] },
  'sofa-table': { said: 'A low table is too near its sofa, or too far.', weight: 'look', units: ['mm'] },
  dining: {
    said: 'There is no room behind those who sit at a table.',
    weight: 'look',
    rule: 'place.dining',
    units: ['mm'],
  },
  'bed-side': { said: 'There is no room beside a bed.', weight: 'look', rule: 'place.bed-side', units: ['mm'] },
  desk: { said: 'There is no room for a chair at a desk.', weight: 'look', rule: 'place.desk-chair', units: ['mm'] },
  talk: { said: 'Seats are too far apart to talk.', weight: 'note', rule: 'place.talk', units: ['mm'] },
  lead: { said: 'A lead does not reach a socket.', weight: 'look', units: ['mm'] },
  way: { said: 'A way is too narrow.', weight: 'look', rule: 'place.way-main', units: ['mm'] },
  blocked: { said: 'A zone or a door cannot be reached.', weight: 'stop', rule: 'place.way-blocked', units: ['mm'] },
  unserved: { said: 'Nothing stands in a zone for what is done there.', weight: 'note', units: ['words'] },
  tight: { said: 'A stage of the way in is too tight for a thing.', weight: 'stop', units: ['mm'] },
  island: { said: 'A rug reaches under no leg of its group.', weight: 'look', rule: 'rug.under', units: ['mm'] },
})

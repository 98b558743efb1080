import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of pieces and what is chosen for them. */
export const { catalogue, codeOf, remark } = remarksOf('pieces', {
  'serves-nothing': { said: 'A piece serves no need.', weight: 'note', units: ['words'] },
  late: { said: 'A piece comes after it is wanted on site.', weight: 'look', rule: 'dates.buffer', units: ['days'] },
  'too-large': { said: 'What is chosen is larger than its place.', weight: 'look', rule: 'fit.grace', units: ['mm'] },
  'price-from-memory': { said: 'A price is from memory.', weight: 'note', units: ['minor units'] },
  'price-old': { said: 'A price is old.', weight: 'note', rule: 'dates.price-fresh', units: ['date'] },
  'to-ask': { said: 'The seller was not asked yet.', weight: 'note', units: ['words'] },
  'placeholder-school': { said: 'A placeholder where the school buys once.', weight: 'look', units: ['words'] },
  'placeholder-undated': { said: 'A stand-in without a day to look again.', weight: 'note', units: ['words'] },
  'placeholder-due': { said: 'A stand-in is to be looked at again.', weight: 'note', units: ['date'] },
  'goods-school': { said: 'A thing would be bought where the school buys nothing.', weight: 'look', units: ['words'] },
  'order-soon': { said: 'The last day to order is near.', weight: 'note', rule: 'dates.order-soon', units: ['date'] },
  condition: { said: 'The condition of a found thing is not noted.', weight: 'note', units: ['words'] },
  dearer: {
    said: 'What is chosen lands dearer than another that would do.',
    weight: 'note',
    units: ['minor units'],
  },
  'final-sale': { said: 'What is chosen cannot go back.', weight: 'note', units: ['count'] },
  wear: { said: 'What is chosen would not last in its room.', weight: 'look', units: ['words'] },
  'tips-over': {
    said: 'A tall thing is fixed to the wall.',
    weight: 'look',
    rule: 'tip.height',
    units: ['mm', 'words'],
  },
  'open-shelf': { said: 'Open storage in a small room.', weight: 'look', rule: 'room.small', units: ['m²'] },
  'many-styles': { said: 'More styles than the school has.', weight: 'look', rule: 'styles.most', units: ['count'] },
  'gift-late': { said: 'A promised gift is not here in time.', weight: 'look', units: ['date', 'date'] },
  'gift-alone': { said: 'A promised gift with nothing to fall back on.', weight: 'note', units: ['date'] },
  'window-ends': {
    said: 'The return window counts from the purchase and ends before the thing can be tried.',
    weight: 'look',
    units: ['days', 'date'],
  },
  'buy-cheaper': { said: 'Bought is cheaper before an hour is counted.', weight: 'note', units: ['minor units'] },
  'make-dear': {
    said: 'An hour of making is reckoned above the rate at which buying is even.',
    weight: 'note',
    units: ['minor units', 'minor units'],
  },
  'came-instead': { said: 'Something else came than was ordered.', weight: 'look', units: ['words'] },
  'set-split': { said: 'A pair or set is parted between rooms.', weight: 'look', units: ['count'] },
  'set-broken': { said: 'Part of a set goes and the rest stays.', weight: 'look', units: ['count', 'count'] },
  'keepsake-replaced': { said: 'A keepsake is replaced.', weight: 'look', units: ['id'] },
})

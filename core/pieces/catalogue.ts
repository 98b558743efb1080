import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of pieces and what is chosen for them. */
export const { catalogue, codeOf, remark } = remarksOf('pieces', {
  'serves-nothing': { said: 'A piece serves no need.', weight: 'note', units: ['words'] },
  late: { said: 'A piece comes after it is wanted on site.', weight: 'look', rule: 'dates.buffer', units: ['days'] },
  'too-large': { said: 'What is chosen is larger than its place.', weight: 'look', rule: 'fit.grace', units: ['mm'] },
  'price-from-memory': { said: 'A price is from memory.', weight: 'look', units: ['minor units'] },
  'price-old': { said: 'A price is old.', weight: 'note', rule: 'dates.price-fresh', units: ['date'] },
  'to-ask': { said: 'The seller was not asked yet.', weight: 'note', units: ['words'] },
  'placeholder-school': { said: 'A placeholder where the school buys once.', weight: 'look', units: ['words'] },
  'placeholder-undated': { said: 'A stand-in without a day to look again.', weight: 'note', units: ['words'] },
  'placeholder-due': { said: 'A stand-in is to be looked at again.', weight: 'look', units: ['date'] },
  'goods-school': { said: 'A thing would be bought where the school buys nothing.', weight: 'look', units: ['words'] },
  'set-broken': { said: 'Part of a set goes and the rest stays.', weight: 'look', units: ['count', 'count'] },
  'keepsake-replaced': { said: 'A keepsake is replaced.', weight: 'look', units: ['id'] },
})

import { remarksOf } from '../remarks/catalogue.ts'

/** What is said of orders, goods and money. */
export const { catalogue, codeOf, remark } = remarksOf('purchases', {
  'over-agreed': { said: 'More is committed than was agreed.', weight: 'stop', units: ['minor units'] },
  'draws-contingency': { said: 'What is planned draws on the contingency.', weight: 'look', units: ['minor units'] },
  'category-over': { said: 'A category is over its sum.', weight: 'look', units: ['minor units'] },
  'refund-due': { said: 'Money is to come back.', weight: 'note', units: ['minor units'] },
  'part-overdue': {
    said: 'Part of an order is open past its day.',
    weight: 'look',
    units: ['count', 'minor units', 'date'],
  },
  'return-closes': {
    said: 'The return window closes before the thing can be tried in its place.',
    weight: 'look',
    units: ['date', 'date'],
  },
  saved: {
    said: 'What was saved against list prices and estimates.',
    weight: 'note',
    units: ['minor units', 'minor units'],
  },
  'coupon-terms': { said: 'An order does not meet the terms of its coupon.', weight: 'look', units: ['minor units'] },
  'going-back': { said: 'Goods are on their way back.', weight: 'note', units: ['minor units'] },
  'last-return-day': {
    said: 'The last day to return is near.',
    weight: 'look',
    rule: 'dates.return-warning',
    units: ['date'],
  },
  'price-drop': { said: 'A price fell while its drop can be claimed.', weight: 'note', units: ['minor units', 'date'] },
  damaged: { said: 'Goods came damaged.', weight: 'look', units: ['count'] },
  'claim-waiting': { said: 'The seller has not answered.', weight: 'note', units: ['date'] },
  'credit-ends': {
    said: 'Held credit expires soon.',
    weight: 'note',
    rule: 'dates.credit-warning',
    units: ['minor units', 'date'],
  },
  'deposit-due': { said: 'A deposit is not paid.', weight: 'look', units: ['minor units'] },
  'hours-over': { said: 'More hours are worked than were agreed.', weight: 'look', units: ['count', 'count'] },
  'laid-out': {
    said: 'The studio has paid sellers more than the client has given.',
    weight: 'note',
    units: ['minor units'],
  },
  'stage-late': { said: 'A sum asked of the client is past its day.', weight: 'look', units: ['minor units', 'date'] },
  'balance-late': { said: 'A balance was due.', weight: 'look', units: ['minor units', 'date'] },
})

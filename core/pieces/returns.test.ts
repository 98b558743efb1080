import { describe, expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { plainDate } from '../measure/plain-date.ts'
import { returnOf } from './returns.ts'

// common practice: only what is bought can be a final sale; what is lent goes back, what is there already is nobody's to take back
describe('whether it can go back', () => {
  it.each([
    ['bought, with thirty days', { returnDays: 30, returnFrom: 'arrival' }, '30 days from delivery', 30],
    ['bought, counted from the purchase', { returnDays: 14, returnFrom: 'order' }, '14 days from the purchase', 14],
    ['bought, without', { returnDays: null }, 'final sale', 0],
    ['bought, and nobody asked', { toAsk: 'returns' }, 'not asked yet', null],
    ['borrowed', { source: 'borrowed' }, 'lent, and goes back', null],
    ['rented to a day', { source: 'rented', goBackOn: plainDate('2027-06-30') }, 'goes back on 30 Jun 2027', null],
    ['there already', { source: 'owned' }, 'in hand, nothing to return', null],
  ] as const)('%s', (_name, fields, words, days) =>
    expect(returnOf({ ...blank.candidate, source: 'new', ...fields })).toEqual({ words, days }),
  )
})

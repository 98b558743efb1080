import { describe, expect, it } from 'vitest'
import { add } from '../makeover/change.ts'
import { addDays, type PlainDate } from '../measure/plain-date.ts'
import { minor } from '../money/minor.ts'
import { begin, change, countingIds, testToday, tryChange } from '../testing/small-makeover.ts'

describe('the day of a signature', () => {
  const ids = countingIds(50_000)
  const open = begin(ids, { signed: true })
  const documents = change(open.start, open.operations)
  const first = documents.makeover.rows.agreement[open.ids.agreement]?.signedOn ?? testToday
  const again = (signedOn: PlainDate) =>
    tryChange(documents, [
      add('agreement', ids(), {
        number: 2,
        contingencyMinor: minor(100),
        signedById: open.ids.client,
        signedOn,
        reason: 'The floor is worse than it looked',
        kept: '',
      }),
    ]).faults.filter(({ field }) => field === 'signedOn')
  it('is not to come, and not before the last; the same day is no fault', () => {
    expect(again(addDays(testToday, 1))).toHaveLength(1)
    expect(again(testToday)).toEqual([])
    expect(again(first)).toEqual([])
    expect(again(addDays(first, -1))).toHaveLength(1)
  })
})

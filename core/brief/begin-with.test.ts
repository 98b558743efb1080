import { expect, it } from 'vitest'
import { rowsOf } from '../makeover/document.ts'
import { begin, change, countingIds } from '../testing/small-makeover.ts'
import { beginningOf, beginWith, readBeginning, usualRooms, writeBeginning } from './index.ts'

const newId = countingIds()

it('what an earlier makeover had begins another: its needs, categories, schools and rules, in their order', () => {
  const earlier = begin(newId)
  const { makeover } = change(earlier.start, [
    ...earlier.operations,
    ...beginWith(
      {
        needs: [{ name: 'Sit and wait', importance: 'must', who: 'Patients' }],
        categories: [],
        schools: [{ question: 'metals', school: 'strict' }],
        rulings: [{ rule: 'dates.buffer', value: 9 }],
      },
      earlier.ids.room,
      newId,
    ),
  ])
  const beginning = beginningOf(makeover)
  expect(beginning.categories).toEqual(['Furniture', 'Textiles'])
  const later = begin(countingIds(0x7000), { sums: {}, signed: false })
  const begun = change(later.start, [...later.operations, ...beginWith(beginning, later.ids.room, newId)])
  expect(beginningOf(begun.makeover)).toEqual({ ...beginning, needs: expect.arrayContaining([...beginning.needs]) })
  expect(rowsOf(begun.makeover, 'need').find(({ name }) => name === 'Sit and wait')?.roomId).toBe(later.ids.room)
})
it('a template reads back what it keeps, and anything else is none', () => {
  const beginning = usualRooms['A study'] ?? { needs: [], categories: [], schools: [], rulings: [] }
  expect(readBeginning(writeBeginning(beginning))).toEqual(beginning)
  for (const text of ['', '{', 'null', '[]', '{"needs":[]}', '{"needs":1,"categories":[],"schools":[],"rulings":[]}'])
    expect(readBeginning(text), text).toBeNull()
})
it.each(Object.entries(usualRooms))('%s can be begun as it usually is', (_name, beginning) => {
  const later = begin(countingIds(0x7000), { sums: {}, signed: false })
  const begun = change(later.start, [...later.operations, ...beginWith(beginning, later.ids.room, newId)])
  expect(rowsOf(begun.makeover, 'category').length).toBeGreaterThanOrEqual(beginning.categories.length)
})

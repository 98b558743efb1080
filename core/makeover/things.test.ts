/** What a thing is seen against: common practice of the trade. */
import { expect, it } from 'vitest'
import { groundOf, isMaterial, thingsIn } from './things.ts'

it.each([
  ['Wool rug 2 × 3 m', 'floor'],
  ['Striped runner', 'a thing'],
  ['Hall runner', 'floor'],
  ['Cushions for the bench', 'a thing'],
  ['Basin tap', 'a thing'],
  ['Pendant over the table', 'ceiling'],
  ['Ceiling light', 'ceiling'],
  ['Sofa', 'walls'],
  ['Table lamp', 'walls'],
  ['Bookcase', 'walls'],
  ['Deep frame for the quilt', 'walls'],
])('%s is seen against %s', (name, ground) => expect(groundOf(name)).toBe(ground))

it('paint by the litre is laid on the room; cloth by the metre is one thing; chairs are as many as they are', () => {
  expect([isMaterial({ unit: 'litres' }), isMaterial({ unit: 'rolls' }), isMaterial({ unit: 'pieces' })]).toEqual([
    true,
    true,
    false,
  ])
  expect([
    thingsIn({ unit: 'm', quantity: 11 }),
    thingsIn({ unit: 'pieces', quantity: 4 }),
    thingsIn({ unit: 'litres', quantity: 10 }),
  ]).toEqual([1, 4, 1])
})

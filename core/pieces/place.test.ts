import { expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { reckon } from '../reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday } from '../testing/small-makeover.ts'

const newId = countingIds()
const world = begin(newId)
const [piece, candidate] = [newId(), newId()]
const walls = [newId(), newId(), newId(), newId()]
const [back, beside] = walls
/** A room of four walls whose second is 3' 0" long, and a bed 3' 3" wide that is to stand before it. */
const tooLarge = (corner: Fields<'wall'>['corner'], room: Partial<Fields<'piece'>>): string[] =>
  reckon(
    change(world.start, [
      ...world.operations,
      ...walls.map((id, place) =>
        add('wall', id, {
          ...blank.wall,
          roomId: world.ids.room,
          place,
          lengthMm: place % 2 === 0 ? 2500 : 914.4,
          corner: place === 0 ? corner : 'inside',
        }),
      ),
      add(
        'piece',
        piece,
        pieceOf(world.ids.room, world.categories.Furniture ?? '', { name: 'Bed', chosenId: candidate, ...room }),
      ),
      add('candidate', candidate, candidateOf(piece, world.ids.seller, { name: 'Bed', widthMm: 990.6, depthMm: 2032 })),
    ]),
    testToday,
  ).remarks.flatMap(({ code, title }) => (code === 'pieces.too-large' ? [title] : []))

it('a bed of 3’ 3” does not go before the back of an alcove of 3’ 0”', () => {
  expect(tooLarge('inside', { wallId: beside ?? null })).toEqual(['Bed is 76\u00a0mm too wide']) // 39 in − 36 in = 3 in
})
it('past an outside corner it may stand on, before a longer wall it fits, and what was given to it is what it may take', () => {
  expect(tooLarge('outside', { wallId: beside ?? null })).toEqual([])
  expect(tooLarge('inside', { wallId: back ?? null })).toEqual([])
  expect(tooLarge('inside', { wallId: beside ?? null, widthMm: 1000, depthMm: 2100 })).toEqual([])
  expect(tooLarge('inside', { wallId: null })).toEqual([])
})

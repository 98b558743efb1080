import { expect, it } from 'vitest'
import { blank } from '../makeover/blank.ts'
import { add, edit, type Documents } from '../makeover/change.ts'
import { minor, zero } from '../money/minor.ts'
import { reckon } from '../reckoning/reckon.ts'
import { begin, candidateOf, change, countingIds, orderOf, pieceOf, testToday } from '../testing/small-makeover.ts'

const newId = countingIds()
const world = begin(newId)
const [need, piece, candidate, order] = [newId(), newId(), newId(), newId()]
const offer = candidateOf(piece, world.ids.seller, { priceMinor: minor(100_00), taxPpm: 0 })
const planned = change(world.start, [
  ...world.operations,
  add('need', need, { ...blank.need, roomId: world.ids.room, zoneId: null, name: 'Sit', importance: 'must' }),
  add('piece', piece, pieceOf(world.ids.room, world.categories.Furniture ?? '', { name: 'Bench' })),
  add('serving', newId(), { needId: need, pieceId: piece }),
  add('candidate', candidate, offer),
])
const withPiece = (documents: Documents, fields: object): Documents => {
  const row = documents.makeover.rows.piece[piece]
  if (!row) throw new Error('the piece is there')
  return change(documents, [edit('piece', row, fields)])
}
const chosen = withPiece(planned, { chosenId: candidate, chosenReason: 'Good' })
const ordered = change(chosen, orderOf(order, candidate, offer, 1))
const sentBack = (wantedAgain: boolean): Documents => {
  const [purchase] = Object.keys(ordered.makeover.rows.purchase)
  return change(ordered, [
    add('delivery', newId(), { ...blank.delivery, purchaseId: purchase ?? '', packs: 1, receivedOn: testToday }),
    add('return', newId(), {
      ...blank.return,
      purchaseId: purchase ?? '',
      packs: 1,
      sentOn: testToday,
      acceptedOn: testToday,
      reason: 'Too low',
      creditMinor: zero,
      wantedAgain,
    }),
  ])
}
const isCovered = (documents: Documents): boolean | undefined =>
  reckon(documents, testToday).needs.find(({ id }) => id === need)?.covered
const stateOf = (documents: Documents): string | undefined => reckon(documents, testToday).money.pieces[0]?.state

it.each([
  ['planned, with nothing chosen', planned, 'open', false],
  ['chosen', chosen, 'chosen', true],
  ['ordered', ordered, 'ordered', true],
  ['sent back and wanted again, by the one still chosen', sentBack(true), 'chosen', true],
  ['sent back and not wanted again', sentBack(false), 'went back', false],
])('a need whose piece is %s', (_name, documents, state, covered) => {
  expect([stateOf(documents), isCovered(documents)]).toEqual([state, covered])
})
it('a need that was never planned for is not covered', () => {
  const without = change(world.start, [
    ...world.operations,
    add('need', need, { ...blank.need, roomId: world.ids.room, zoneId: null, name: 'Sit', importance: 'must' }),
  ])
  expect(isCovered(without)).toBe(false)
})

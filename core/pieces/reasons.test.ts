import { expect, it } from 'vitest'
import { add } from '../makeover/change.ts'
import { minor } from '../money/minor.ts'
import { effectiveRules } from '../rulebook/rulebook.ts'
import { begin, candidateOf, change, countingIds, pieceOf, testToday } from '../testing/small-makeover.ts'
import { compareCandidates, reasonProposed, whyNot } from './index.ts'

const newId = countingIds()
const world = begin(newId)
const [piece, cheap, late, large] = [newId(), newId(), newId(), newId()]
const offer = (id: string, fields: object) =>
  add('candidate', id, candidateOf(piece, world.ids.seller, { taxPpm: 0, widthMm: 500, ...fields }))
const proposed = (...offers: ReturnType<typeof offer>[]) => {
  const { makeover, studio } = change(world.start, [
    ...world.operations,
    add('piece', piece, pieceOf(world.ids.room, world.categories.Furniture ?? '', { widthMm: 600 })),
    ...offers,
  ])
  const row = makeover.rows.piece[piece]
  if (!row) throw new Error('the piece is there')
  const all = compareCandidates(makeover, studio, row, effectiveRules(), testToday)
  return (id: string, not = false): string => {
    const found = all.find((candidate) => candidate.row.id === id)
    return !found ? 'not found' : not ? whyNot(found, true) : reasonProposed(found, all)
  }
}

it('a reason is what one is ahead of the others in', () => {
  const said = proposed(
    offer(cheap, { priceMinor: minor(80_00) }),
    offer(late, { priceMinor: minor(90_00), returnDays: 60 }),
    offer(large, { priceMinor: minor(100_00), widthMm: 900 }),
  )
  expect(said(cheap)).toBe('It fits, and it costs least')
  expect(said(late)).toBe('It fits, and it can go back longest')
  expect(said(large)).toBe('')
})
it('one alone is ahead of nobody', () => expect(proposed(offer(cheap, {}))(cheap)).toBe(''))
it('one is turned down for what is wrong with it, else because another is chosen', () => {
  const said = proposed(
    offer(cheap, { priceMinor: minor(0) }),
    offer(late, { priceMinor: minor(0), leadDays: 400 }),
    offer(large, { priceMinor: minor(0), widthMm: 900 }),
  )
  expect([said(cheap, true), said(late, true), said(large, true)]).toEqual([
    'Another was better',
    'Not here in time',
    'Too large for its place',
  ])
})

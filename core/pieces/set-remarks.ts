/** Pairs and sets: together, whole, in one room. */
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Practice } from '../makeover/practice.ts'
import { inWords } from '../measure/quantity.ts'
import type { Money } from '../purchases/index.ts'
import type { Remark } from '../remarks/remark.ts'
import { remark } from './catalogue.ts'

/** Pairs and sets stand together, in one room. */
export function splitSets(makeover: Makeover, { schools }: Practice): Remark[] {
  if (schools.symmetry === 'one-sided') return []
  const named = groupBy(
    rowsOf(makeover, 'piece').filter((piece) => piece.setName.trim() !== ''),
    (piece) => piece.setName.trim().toLocaleLowerCase('en'),
  )
  return [...named.values()].flatMap((pieces) => {
    const rooms = [...new Set(pieces.map(({ roomId }) => roomId))]
    if (rooms.length < 2) return []
    return [
      remark({
        code: 'set-split',
        subjects: pieces.map((piece) => ({ kind: 'piece' as const, id: piece.id })),
        title: `${pieces[0]?.setName ?? ''} is parted between ${inWords(rooms.map((id) => makeover.rows.room[id]?.name ?? 'a room'))}`,
        sentence: 'Pairs and sets stay together. Bring them into one room, or say that they may part.',
        numbers: [rooms.length],
      }),
    ]
  })
}

/** Pairs and sets stay together. */
export function sets(makeover: Makeover, money: Money, { schools }: Practice): Remark[] {
  if (schools.symmetry === 'one-sided') return []
  const reckoned = new Map(money.pieces.map((piece) => [piece.id, piece]))
  const named = groupBy(
    rowsOf(makeover, 'piece').filter((piece) => piece.setName.trim() !== ''),
    (piece) => piece.setName.trim().toLocaleLowerCase('en'),
  )
  return [...named.values()].flatMap((pieces) => {
    const parted = pieces.filter((piece) => (reckoned.get(piece.id)?.givenUp ?? 0) > 0)
    const whole = pieces.reduce((total, piece) => total + piece.quantity, 0)
    const gone = parted.reduce((total, piece) => total + (reckoned.get(piece.id)?.givenUp ?? 0), 0)
    if (gone === 0 || gone >= whole) return []
    const name = pieces[0]?.setName ?? ''
    return [
      remark({
        code: 'set-broken',
        subjects: pieces.map((piece) => ({ kind: 'piece' as const, id: piece.id })),
        title: `${name}: ${gone} of ${whole} will not be there`,
        sentence: `Pairs and sets stay together. Order ${gone === 1 ? 'it' : 'them'} again, send the rest back too, or say that they may part.`,
        numbers: [gone, whole],
      }),
    ]
  })
}

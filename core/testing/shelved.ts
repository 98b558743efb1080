/** A shelf with things on it, for tests and benches. */
import { blank } from '../makeover/blank.ts'
import { add } from '../makeover/change.ts'
import type { Fields } from '../makeover/kinds.ts'
import { shelvesIn } from '../placement/shelves/shelf.ts'
import { candidateOf, change, pieceOf } from './small-makeover.ts'
import { measuredRoom } from './surveyed.ts'

export type OnShow = Partial<Fields<'showpiece'>> & {
  readonly at: number
  readonly size: readonly [wide: number, high: number]
}

export function shelved(
  things: readonly OnShow[],
  {
    boards = '0, 400, 800',
    size = [1200, 300, 1200],
  }: { boards?: string; size?: readonly [number, number, number] } = {},
) {
  const { documents, room, newId } = measuredRoom({ walls: [4000, 3000, 4000, 3000].map((lengthMm) => ({ lengthMm })) })
  const category = Object.keys(documents.makeover.rows.category)[0] ?? ''
  const seller = Object.keys(documents.studio.rows.seller)[0] ?? ''
  const [pieceId, candidateId] = [newId(), newId()]
  const after = change(documents, [
    add(
      'piece',
      pieceId,
      pieceOf(room.id, category, {
        name: 'Open shelf',
        thing: 'shelf',
        quantity: 1,
        unit: 'pieces',
        chosenId: candidateId,
      }),
    ),
    add(
      'candidate',
      candidateId,
      candidateOf(pieceId, seller, { name: 'Shelf', widthMm: size[0], depthMm: size[1], heightMm: size[2] }),
    ),
    add('shelving', newId(), { pieceId, heights: boards }),
    ...things.map(({ at, size: [widthMm, heightMm], ...fields }, index) =>
      add('showpiece', newId(), {
        ...blank.showpiece,
        pieceId,
        name: `Thing ${index + 1}`,
        alongMm: at,
        widthMm,
        heightMm,
        ...fields,
      }),
    ),
  ])
  const [shelf] = shelvesIn(after.makeover, room.id)
  if (!shelf) throw new Error('there is a shelf')
  return { documents: after, shelf: shelf, pieceId, newId }
}

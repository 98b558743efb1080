import { isInHand } from '../makeover/choices.ts'
import { isPromised } from '../makeover/things.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'

/** A thing that stays, was moved here or is lent: a piece whose chosen candidate is in hand. */
export type Keeper = {
  readonly piece: Row<'piece'>
  readonly thing: Row<'candidate'>
  readonly sentimental: boolean
  readonly lent: boolean
}

export function keepers(makeover: Makeover): Keeper[] {
  return rowsOf(makeover, 'piece').flatMap((piece) => {
    const thing = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    if (!thing || isPromised(thing) || !(isInHand(thing.source) || thing.keepReason !== null)) return []
    return [
      {
        piece,
        thing,
        sentimental: thing.keepReason === 'sentimental',
        lent: thing.source === 'borrowed' || thing.source === 'moved' || thing.source === 'rented',
      },
    ]
  })
}

/** Is a piece held by something sentimental? It is then never suggested for replacement. */
export const isKeepsake = (makeover: Makeover, pieceId: string | null): boolean =>
  pieceId !== null &&
  rowsOf(makeover, 'candidate').some(
    (row) => row.pieceId === pieceId && row.keepReason === 'sentimental' && row.turnedDown === null,
  )

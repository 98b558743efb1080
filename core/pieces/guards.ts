import { fault, type Fault } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import { answerGuards } from '../makeover/guards.ts'
import { costsNothing } from '../purchases/index.ts'

/** What costs money lies in a category; what was turned down is not chosen; an answer has its day. */
export function pieceGuards(makeover: Makeover): Fault[] {
  const faults: Fault[] = answerGuards('question', rowsOf(makeover, 'question'))
  const ordered = new Set(rowsOf(makeover, 'purchase').map((row) => row.pieceId))
  for (const piece of rowsOf(makeover, 'piece')) {
    const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
    if (
      piece.categoryId === null &&
      (piece.allowanceMinor > 0 || ordered.has(piece.id) || (chosen && !costsNothing(chosen, piece.quantity)))
    )
      faults.push(
        fault(
          'category',
          'piece',
          piece.id,
          'categoryId',
          'is missing: what costs money lies in a category of the budget',
        ),
      )
    if (chosen && chosen.turnedDown !== null)
      faults.push(fault('chosen', 'candidate', chosen.id, 'turnedDown', 'it is the chosen one: choose another first'))
  }
  return faults
}

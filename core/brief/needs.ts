import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'

/** A need is covered when a piece serves it that is kept, chosen or ordered. */
export type NeedReckoning = { readonly id: string; readonly pieceIds: readonly string[]; readonly covered: boolean }

export function coverage(makeover: Makeover): NeedReckoning[] {
  const serving = groupBy(rowsOf(makeover, 'serving'), (row) => row.needId)
  const ordered = new Set(rowsOf(makeover, 'purchase').map((row) => row.pieceId))
  return rowsOf(makeover, 'need').map((need) => {
    const pieces = (serving.get(need.id) ?? []).flatMap(({ pieceId }) => makeover.rows.piece[pieceId] ?? [])
    return {
      id: need.id,
      pieceIds: pieces.map((piece) => piece.id),
      covered: pieces.some((piece) => piece.chosenId !== null || ordered.has(piece.id)),
    }
  })
}

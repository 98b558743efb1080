import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'

/** A need is covered when a chosen or ordered piece serves it. */
export type NeedReckoning = { readonly id: string; readonly pieceIds: readonly string[]; readonly covered: boolean }

export function coverage(makeover: Makeover): NeedReckoning[] {
  const serving = groupBy(rowsOf(makeover, 'piece'), (piece) => piece.needId)
  const ordered = new Set(rowsOf(makeover, 'purchase').map((row) => row.pieceId))
  return rowsOf(makeover, 'need').map((need) => {
    const pieces = serving.get(need.id) ?? []
    return { id: need.id, pieceIds: pieces.map((piece) => piece.id), covered: pieces.some((piece) => piece.chosenId !== null || ordered.has(piece.id)) }
  })
}

import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { PieceReckoning } from '../purchases/index.ts'

/** A need is covered when a piece serves it that is kept, chosen or ordered, and was not given up again. */
export type NeedReckoning = { readonly id: string; readonly pieceIds: readonly string[]; readonly covered: boolean }

/** The pieces that serve each need, by the need's id. */
export function piecesServing(makeover: Makeover): ReadonlyMap<string, readonly string[]> {
  const serving = groupBy(rowsOf(makeover, 'serving'), (row) => row.needId)
  return new Map(
    rowsOf(makeover, 'need').map(({ id }) => [
      id,
      (serving.get(id) ?? []).flatMap(({ pieceId }) => makeover.rows.piece[pieceId]?.id ?? []),
    ]),
  )
}

export function coverage(makeover: Makeover, reckoned: readonly PieceReckoning[]): NeedReckoning[] {
  const had = new Set(reckoned.filter(({ state }) => state !== 'open' && state !== 'went back').map(({ id }) => id))
  return [...piecesServing(makeover)].map(([id, pieceIds]) => ({
    id,
    pieceIds,
    covered: pieceIds.some((pieceId) => had.has(pieceId)),
  }))
}

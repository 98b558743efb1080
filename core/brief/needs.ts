import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import { isPromised } from '../makeover/things.ts'
import type { Row } from '../makeover/kinds.ts'
import { nowhere, type Whereabouts } from '../makeover/whereabouts.ts'
import type { PieceReckoning } from '../purchases/index.ts'

/** A need is covered when a piece serves it that is kept, chosen or ordered, and was not given up again. */
export type NeedReckoning = {
  readonly id: string
  readonly pieceIds: readonly string[]
  readonly covered: boolean
  /** Covered only by what stands in for a while, or is promised. */
  readonly forNow: boolean
  /** How much of it what is chosen takes in, in the need's own unit; null where it has no amount. */
  readonly holds: number | null
  /** The pieces chosen for it of which nobody said how much they hold. */
  readonly unsaid: readonly string[]
  /** Those of its pieces that stand, though none of them in the part of the room that it is wanted in. */
  readonly elsewhere: readonly string[]
}

/** The needs that stand: those that the client did not strike out. */
export const neededIn = (makeover: Makeover): readonly Row<'need'>[] =>
  rowsOf(makeover, 'need').filter(({ struckOn }) => struckOn === null)

/** The pieces that serve each need, by the need's id. */
export function piecesServing(makeover: Makeover): ReadonlyMap<string, readonly string[]> {
  const serving = groupBy(rowsOf(makeover, 'serving'), (row) => row.needId)
  return new Map(
    neededIn(makeover).map(({ id }) => [
      id,
      (serving.get(id) ?? []).flatMap(({ pieceId }) => makeover.rows.piece[pieceId]?.id ?? []),
    ]),
  )
}

/** A zone that nobody drew has no place to be in. */
const isPlaced = ({ rows }: Makeover, zoneId: string): boolean => rows.zone[zoneId]?.wallId != null

export function coverage(
  makeover: Makeover,
  reckoned: readonly PieceReckoning[],
  { pieces: standing }: Whereabouts = nowhere,
): NeedReckoning[] {
  const had = new Map(
    reckoned.filter(({ state }) => state !== 'open' && state !== 'went back').map((piece) => [piece.id, piece]),
  )
  const chosenFor = (pieceId: string): Row<'candidate'> | undefined => {
    const chosenId = makeover.rows.piece[pieceId]?.chosenId ?? null
    return chosenId === null ? undefined : makeover.rows.candidate[chosenId]
  }
  /** Does only a stand-in or a promise stand for it? */
  const passing = (pieceId: string): boolean => {
    const chosen = chosenFor(pieceId)
    const { ordered = 0, standIn = 0 } = had.get(pieceId) ?? {}
    return chosen ? chosen.source === 'placeholder' || isPromised(chosen) : standIn > 0 && ordered === 0
  }
  return [...piecesServing(makeover)].map(([id, pieceIds]) => {
    const covering = pieceIds.filter((pieceId) => had.has(pieceId))
    const counted = (makeover.rows.need[id]?.amount ?? null) !== null
    const zoneId = makeover.rows.need[id]?.zoneId ?? null
    const stand =
      zoneId === null || !isPlaced(makeover, zoneId) ? [] : covering.filter((pieceId) => standing.has(pieceId))
    const isThere = stand.some((pieceId) => zoneId !== null && standing.get(pieceId)?.zoneIds.includes(zoneId))
    const holding = covering.map((pieceId) => ({ pieceId, holds: chosenFor(pieceId)?.holds ?? null }))
    return {
      id,
      pieceIds,
      covered: covering.length > 0,
      forNow: covering.length > 0 && covering.every(passing),
      holds: counted
        ? holding.reduce(
            (total, { pieceId, holds }) => total + (holds ?? 0) * (makeover.rows.piece[pieceId]?.quantity ?? 0),
            0,
          )
        : null,
      elsewhere: isThere || stand.length < covering.length ? [] : stand,
      unsaid: counted ? holding.filter(({ holds }) => holds === null).map(({ pieceId }) => pieceId) : [],
    }
  })
}

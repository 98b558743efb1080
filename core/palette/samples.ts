/** Samples of the finishes: what is ordered, what is here, and by which light each was seen. */
import { belongingTo } from '../makeover/by-id.ts'
import { lights, type Light } from '../makeover/choices.ts'
import { type Makeover, rowsOf } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'

/** The lights a finish was seen by, over all its samples, in the order of the day. */
export function lightsSeen(makeover: Makeover, finishId: string): Light[] {
  const own = new Set(belongingTo(rowsOf(makeover, 'sample'), 'finishId', finishId).map((row) => row.id))
  const seen = new Set(
    rowsOf(makeover, 'viewing')
      .filter((row) => own.has(row.sampleId))
      .map((row) => row.light),
  )
  return lights.filter((light) => seen.has(light))
}

/**
 * New paints that nobody saw by lamp light, though their piece, if they have one, is not ordered yet: an
 * open question each. `chosen`: what carries it is chosen, and would be ordered next.
 */
export function unseenByLamp(
  makeover: Makeover,
): { readonly finish: Row<'finish'>; readonly chosen: boolean; readonly seen: readonly Light[] }[] {
  const ordered = new Set(rowsOf(makeover, 'purchase').map((row) => row.pieceId))
  return rowsOf(makeover, 'finish').flatMap((finish) => {
    if (finish.fate !== null || finish.family !== 'paint') return []
    if (finish.pieceId !== null && ordered.has(finish.pieceId)) return []
    const seen = lightsSeen(makeover, finish.id)
    return seen.includes('lamp')
      ? []
      : [{ finish, chosen: finish.pieceId !== null && makeover.rows.piece[finish.pieceId]?.chosenId != null, seen }]
  })
}

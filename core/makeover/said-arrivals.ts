/** When the seller says that a thing comes, where that was noted after it was ordered: it goes before what its lead time gives. */
import type { PlainDate } from '../measure/plain-date.ts'
import { rowsOf, type Makeover } from './document.ts'

/** The key of the way of a piece to the site, as the calendar names it. */
export const wayKey = (pieceId: string): string => `lead:${pieceId}`

/** By the ids of pieces; what was arranged for a delivery goes before a day that was only set, and the last of several counts. */
export function saidArrivals(makeover: Makeover): ReadonlyMap<string, PlainDate> {
  const said = new Map(
    rowsOf(makeover, 'task').flatMap(({ key, pinnedOn }) =>
      key.startsWith('lead:') && pinnedOn !== null ? [[key.slice('lead:'.length), pinnedOn] as const] : [],
    ),
  )
  const arranged = new Map<string, PlainDate>()
  for (const { purchaseId, comesOn } of rowsOf(makeover, 'arrival')) {
    const pieceId = makeover.rows.purchase[purchaseId]?.pieceId
    const known = pieceId === undefined ? undefined : arranged.get(pieceId)
    if (pieceId !== undefined && (known === undefined || known < comesOn)) arranged.set(pieceId, comesOn)
  }
  return new Map([...said, ...arranged])
}

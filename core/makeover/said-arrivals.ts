/** When the seller says that a thing comes, where that was noted after it was ordered: it goes before what its lead time gives. */
import type { PlainDate } from '../measure/plain-date.ts'
import { rowsOf, type Makeover } from './document.ts'

/** The key of the way of a piece to the site, as the calendar names it. */
export const wayKey = (pieceId: string): string => `lead:${pieceId}`

/** By the ids of pieces. */
export const saidArrivals = (makeover: Makeover): ReadonlyMap<string, PlainDate> =>
  new Map(
    rowsOf(makeover, 'task').flatMap(({ key, pinnedOn }) =>
      key.startsWith('lead:') && pinnedOn !== null ? [[key.slice('lead:'.length), pinnedOn] as const] : [],
    ),
  )

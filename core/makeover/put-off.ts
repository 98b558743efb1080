/** Which pieces are put off to a second phase: they are no part of the sum that is agreed now, nor of its calendar. */
import { rowsOf, type Makeover } from './document.ts'

export const putOff = (makeover: Makeover): ReadonlySet<string> =>
  new Set(rowsOf(makeover, 'deferral').flatMap(({ pieceId }) => pieceId ?? []))

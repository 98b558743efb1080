/** The shelves of every room with what is held against what stands on them. */
import type { Lab } from '../../colour/lab.ts'
import { rowsOf, type Makeover } from '../../makeover/document.ts'
import { paletteFinishes } from '../../makeover/laid.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { shelfChecks, type ShelfCheck } from './checks.ts'
import { shelvesIn } from './shelf.ts'

export const paletteOf = (makeover: Makeover, roomId: string): Lab[] =>
  paletteFinishes(makeover)
    .filter((finish) => finish.roomId === roomId)
    .map(({ labL, labA, labB }) => ({ L: labL, a: labA, b: labB }))

export const shelfChecksOf = (makeover: Makeover, rules: Rules): readonly ShelfCheck[] =>
  rowsOf(makeover, 'room').flatMap(({ id }) => {
    const palette = paletteOf(makeover, id)
    return shelvesIn(makeover, id).flatMap((shelf) => shelfChecks(shelf, palette, rules))
  })

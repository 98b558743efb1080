import { type Makeover, paletteFinishes } from '#core/makeover/document.ts'
import type { Reckoning } from '#core/reckoning/reckon.ts'

const share = (done: number, value: number): number => (value === 0 ? 0 : done / value)

/** How far each step is, 0 to 1: the ink line under its word. */
export function stepProgress(makeover: Makeover, reckoning: Reckoning): Record<string, number> {
  const { pieces, purchases, agreement } = reckoning.money
  const finishes = paletteFinishes(makeover).length
  const settled = pieces.filter((piece) => piece.basis !== 'allowance').length
  const wanted = pieces.filter((piece) => piece.open > 0).length
  const here = purchases.filter((purchase) => purchase.received >= purchase.packs && purchase.goingBack === 0).length
  return {
    brief: share((reckoning.needs.length > 0 ? 1 : 0) + (agreement ? 1 : 0), 2),
    // a room counts half when it is walked round, and whole when its ceiling is known and nothing asks for a second look
    survey: share(
      reckoning.survey.rooms.reduce(
        (sum, room) =>
          sum + (room.state === 'closed' ? (room.again === null && room.areas?.ceilingM2 != null ? 1 : 0.5) : 0),
        0,
      ),
      reckoning.survey.rooms.length,
    ),
    palette: share(
      finishes -
        reckoning.remarks.filter((remark) => remark.code === 'palette.clash' && remark.accepted === null).length,
      finishes,
    ),
    pieces: share(settled, pieces.length),
    purchases: share(here, purchases.length + wanted),
  }
}

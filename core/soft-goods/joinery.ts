/** Small things of board: a shelf between two walls on its battens, and a board covered with cloth. Lengths in mm. */
import type { Rules } from '../rulebook/rulebook.ts'
import { wrong, type Wrong } from './cloth.ts'

export type Shelf = {
  readonly board: { readonly lengthMm: number; readonly depthMm: number }
  /** Along the back, and along each side; none at a side that is open. */
  readonly backMm: number
  readonly sideMm: number
  readonly sides: number
  readonly screws: number
}
/**
 * @param widthMm the alcove where it is narrowest, or what the shelf measures where a side is open
 * @param sides how many of its ends lie on a wall
 */
export function shelfOn(
  widthMm: number,
  depthMm: number,
  sides: 0 | 1 | 2,
  rules: Rules,
): { readonly ok: true; readonly shelf: Shelf } | Wrong {
  if (!(widthMm >= 150 && widthMm <= 4000))
    return wrong('width', 'is not 150 mm to 4 m: expected the alcove where it is narrowest')
  if (!(depthMm >= 80 && depthMm <= 800)) return wrong('depth', 'is not 80 to 800 mm: expected how deep the shelf is')
  const batten = rules['shelf.batten']
  const side = depthMm - batten - rules['shelf.back']
  if (!(side > 30)) return wrong('depth', `is too little for battens of ${batten} mm: expected more`)
  const back = widthMm - sides * rules['shelf.play']
  const screwsIn = (mm: number): number => Math.max(2, Math.ceil(mm / rules['shelf.screw']) + 1)
  return {
    ok: true,
    shelf: {
      board: { lengthMm: widthMm - (sides === 0 ? 0 : rules['shelf.play']), depthMm },
      backMm: back,
      sideMm: side,
      sides,
      screws: screwsIn(back) + sides * screwsIn(side),
    },
  }
}

export type Pinboard = {
  readonly board: { readonly widthMm: number; readonly heightMm: number }
  readonly cloth: { readonly widthMm: number; readonly heightMm: number }
  /** Ribbons on the diagonal, from edge to edge and turned over both; 0 where there are none. */
  readonly ribbonMm: number
  readonly crossings: number
}
/** @param everyMm how far one ribbon is from the next across; 0 for a board without ribbons */
export function pinboardOf(
  widthMm: number,
  heightMm: number,
  everyMm: number,
  rules: Rules,
): { readonly ok: true; readonly pinboard: Pinboard } | Wrong {
  if (!(widthMm >= 100 && widthMm <= 3000))
    return wrong('width', 'is not 100 mm to 3 m: expected how wide the board is')
  if (!(heightMm >= 100 && heightMm <= 3000))
    return wrong('height', 'is not 100 mm to 3 m: expected how high the board is')
  if (everyMm !== 0 && !(everyMm >= 50))
    return wrong('every', 'is under 50 mm: expected how far ribbons are apart, or 0 for none')
  const tuck = rules['sewn.tuck']
  const lines = everyMm === 0 ? [] : diagonals(widthMm, heightMm, everyMm)
  return {
    ok: true,
    pinboard: {
      board: { widthMm, heightMm },
      cloth: { widthMm: widthMm + 2 * tuck, heightMm: heightMm + 2 * tuck },
      // as many run the other way
      ribbonMm: 2 * lines.reduce((sum, length) => sum + length + 2 * tuck, 0),
      crossings: everyMm === 0 ? 0 : Math.max(0, Math.floor((2 * widthMm * heightMm) / everyMm ** 2)),
    },
  }
}
/** Lines at 45° across a board, one from its corner on, so far apart along its upper edge: the length of each. */
function diagonals(widthMm: number, heightMm: number, everyMm: number): number[] {
  const all: number[] = []
  for (let at = everyMm; at < widthMm + heightMm; at += everyMm) {
    const [low, high] = [Math.max(0, at - heightMm), Math.min(at, widthMm)]
    all.push((high - low) * Math.SQRT2)
  }
  return all
}

/**
 * Panels cut from a cloth of one width, in the shortest length. A panel may be turned where neither nap nor pattern forbids it, and may
 * have to begin where the pattern does. Every packing is a pair of orders in which its panels follow each other, to the right and along
 * the cloth; for a given pair each panel lies as far left and as early as those before it let it. So all pairs are all packings.
 * Lengths in mm.
 */
import { seeded } from '../measure/seeded.ts'
import { nextRepeat, wrong, type Cloth, type Wrong } from './cloth.ts'
import { leastLength } from './packing-bound.ts'
import { provenLength } from './packing-proof.ts'

export type Panel = {
  readonly name: string
  /** Across the cloth, and along it. */
  readonly widthMm: number
  readonly lengthMm: number
  /** Plain on both sides: it may lie on its side. */
  readonly mayTurn: boolean
  /** It begins where the pattern does: its motif lies in its middle, as on all others like it. */
  readonly onRepeat: boolean
}
export type Laid = Panel & { readonly x: number; readonly y: number; readonly isTurned: boolean }
export type Packing = {
  readonly panels: readonly Laid[]
  readonly lengthMm: number
  /** No packing is shorter; where it is the length, that is proven. */
  readonly leastMm: number
  readonly proven: boolean
}
export type PackResult = { readonly ok: true; readonly packing: Packing } | Wrong

/** How far the search has come, 0 to 1; the last thing it says is what it found. */
export function* packing(panels: readonly Panel[], cloth: Cloth, tries = 400): Generator<number, PackResult> {
  const fault = faultOf(panels, cloth)
  if (fault) return fault
  if (panels.length === 0) return { ok: true, packing: { panels: [], lengthMm: 0, leastMm: 0, proven: true } }
  const least = leastLength(panels, cloth)
  const random = seeded(1)
  let { found: best, order } = firstOf(panels, cloth)
  for (let at = 0; at < tries && best.lengthMm > least + 1e-6; at++) {
    const tried = swapped(order, random)
    const turned = panels.map(({ mayTurn }) => mayTurn && random() < 0.5)
    const found = laidInOrder(panels, cloth, tried, at % 3 === 0 ? turned : null)
    if (found.lengthMm <= best.lengthMm + 1e-6) order = tried
    if (found.lengthMm < best.lengthMm - 1e-6) best = found
    if (at % 20 === 19) yield at / tries
  }
  if (best.lengthMm <= least + 1e-6) return told(best, best.lengthMm)
  const proof = provenLength(panels, cloth, best.lengthMm)
  if (proof === null) return told(best, least)
  return told(proof.panels.length > 0 ? { panels: proof.panels, lengthMm: proof.lengthMm } : best, proof.lengthMm)
}
/** All at once. */
export function packed(panels: readonly Panel[], cloth: Cloth, tries?: number): PackResult {
  const search = packing(panels, cloth, tries)
  for (;;) {
    const step = search.next()
    if (step.done) return step.value
  }
}

type Found = { readonly panels: readonly Laid[]; readonly lengthMm: number }
const told = (found: Found, leastMm: number): PackResult => ({
  ok: true,
  packing: { ...found, leastMm, proven: found.lengthMm <= leastMm + 1e-6 },
})

function faultOf(panels: readonly Panel[], { widthMm, repeatMm, acrossMm }: Cloth): Wrong | null {
  if (!(widthMm > 0)) return wrong('width', 'is nothing: expected the width of the cloth')
  if (!(repeatMm >= 0) || !(acrossMm >= 0)) return wrong('repeat', 'is below nothing')
  const flat = panels.find((panel) => !(panel.widthMm > 0) || !(panel.lengthMm > 0))
  if (flat) return wrong('size', `of ${flat.name} is nothing: expected a width and a length`)
  const wide = panels.find((panel) => Math.min(panel.widthMm, panel.mayTurn ? panel.lengthMm : Infinity) > widthMm)
  if (wide)
    return wrong(
      'width',
      `is ${Math.round(widthMm)} mm, and ${wide.name} is ${Math.round(wide.widthMm)} mm across${wide.mayTurn ? '' : ' and may not be turned'}: join two widths, or take a wider cloth`,
    )
  return null
}

/** The best of some orders that do well: the longest, the widest, the largest first. */
function firstOf(panels: readonly Panel[], cloth: Cloth): { found: Found; order: readonly number[] } {
  const by: ((panel: Panel) => number)[] = [
    ({ lengthMm }) => lengthMm,
    ({ widthMm }) => widthMm,
    ({ widthMm, lengthMm }) => widthMm * lengthMm,
    ({ widthMm, lengthMm }) => Math.max(widthMm, lengthMm),
  ]
  return by
    .map((size) => {
      const order = panels
        .map((_, at) => at)
        .toSorted((left, right) => size(panels[right] as Panel) - size(panels[left] as Panel))
      return { found: laidInOrder(panels, cloth, order, null), order }
    })
    .reduce((shorter, next) => (next.found.lengthMm < shorter.found.lengthMm ? next : shorter))
}
function swapped(order: readonly number[], random: () => number): number[] {
  const next = [...order]
  for (let swaps = 1 + Math.floor(random() * 3); swaps > 0; swaps--) {
    const [left, right] = [Math.floor(random() * next.length), Math.floor(random() * next.length)]
    const kept = next[left] as number
    next[left] = next[right] as number
    next[right] = kept
  }
  return next
}

/** One after the mate, each where it ends earliest; of two such places the one further left. `turned`: which lie on their sides; null for whichever ends earlier. */
function laidInOrder(
  panels: readonly Panel[],
  cloth: Cloth,
  order: readonly number[],
  turned: readonly boolean[] | null,
): Found {
  const laid: Laid[] = []
  let length = 0
  for (const at of order) {
    const panel = panels[at] as Panel
    const ways = turned === null ? (panel.mayTurn ? [false, true] : [false]) : [turned[at] === true]
    const places = ways.flatMap((isTurned) => placeFor(panel, isTurned, laid, cloth) ?? [])
    const best = places.length > 0 ? places : [placeFor(panel, !ways[0], laid, cloth)].flatMap((place) => place ?? [])
    const chosen = best.reduce((better, place) =>
      endOf(place) < endOf(better) - 1e-6 || (endOf(place) < endOf(better) + 1e-6 && place.x < better.x)
        ? place
        : better,
    )
    // by where they begin, so that a free place is found in one walk
    const later = laid.findIndex(({ y }) => y > chosen.y)
    laid.splice(later < 0 ? laid.length : later, 0, chosen)
    length = Math.max(length, endOf(chosen))
  }
  return { panels: laid, lengthMm: length }
}
export const acrossOf = ({ widthMm, lengthMm, isTurned }: Laid): number => (isTurned ? lengthMm : widthMm)
export const alongOf = ({ widthMm, lengthMm, isTurned }: Laid): number => (isTurned ? widthMm : lengthMm)
const endOf = (laid: Laid): number => laid.y + alongOf(laid)

/** The earliest free place: it begins at the edge of the cloth or beside another panel, or where the pattern begins next. */
function placeFor(panel: Panel, isTurned: boolean, laid: readonly Laid[], cloth: Cloth): Laid | null {
  const wide = isTurned ? panel.lengthMm : panel.widthMm
  const long = isTurned ? panel.widthMm : panel.lengthMm
  const xs = [0, ...laid.map((mate) => mate.x + acrossOf(mate))].map((x) =>
    panel.onRepeat ? nextRepeat(x, cloth.acrossMm) : x,
  )
  let best: Laid | null = null
  for (const x of new Set(xs)) {
    if (x + wide > cloth.widthMm + 1e-6) continue
    let y = 0
    for (const mate of laid) {
      if (mate.x >= x + wide - 1e-6 || x >= mate.x + acrossOf(mate) - 1e-6) continue
      if (y + long <= mate.y + 1e-6) break
      y = Math.max(y, endOf(mate))
      if (panel.onRepeat) y = nextRepeat(y, cloth.repeatMm)
    }
    if (!best || y < best.y - 1e-6 || (y < best.y + 1e-6 && x < best.x)) best = { ...panel, x, y, isTurned }
  }
  return best
}

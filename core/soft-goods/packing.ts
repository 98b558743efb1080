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
import { refutedUpTo } from './packing-refute.ts'

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

/** A try takes as long as the cube of the panels: some tenths of a second in all, however many there are. */
const triesFor = (count: number): number => Math.max(4, Math.min(400, Math.round(400 * (40 / Math.max(1, count)) ** 3)))

/** How far the search has come, 0 to 1; the last thing it says is what it found. */
export function* packing(
  panels: readonly Panel[],
  cloth: Cloth,
  tries = triesFor(panels.length),
): Generator<number, PackResult> {
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
  const refuted = refutedUpTo(panels, cloth, least, best.lengthMm)
  if (best.lengthMm <= refuted + 1e-6) return told(best, best.lengthMm)
  const proof = provenLength(panels, cloth, best.lengthMm)
  if (proof === null) return told(best, refuted)
  return told(proof.panels.length > 0 ? { panels: proof.panels, lengthMm: proof.lengthMm } : best, proof.lengthMm)
}
/** Hears how far a search has come, 0 to 1. */
export type Heard = (share: number) => void
/** All at once. */
export function packed(panels: readonly Panel[], cloth: Cloth, tries?: number, heard?: Heard): PackResult {
  const search = packing(panels, cloth, tries)
  for (;;) {
    const step = search.next()
    if (step.done) return step.value
    heard?.(step.value)
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

/** One after another, each where it ends earliest; of two such places the one further left. `turned`: which lie on their sides; null for whichever ends earlier. */
function laidInOrder(
  panels: readonly Panel[],
  cloth: Cloth,
  order: readonly number[],
  turned: readonly boolean[] | null,
): Found {
  const table = new Table(panels.length, cloth)
  const laid: Laid[] = []
  for (const at of order) {
    const panel = panels[at] as Panel
    const first = turned !== null && turned[at] === true
    const straight = table.placeFor(panel, first)
    const lying = panel.mayTurn && (turned === null || !straight) ? table.placeFor(panel, !first) : null
    const place = straight && lying ? (isSooner(lying, straight) ? lying : straight) : (straight ?? lying)
    if (!place) continue
    table.put(place)
    laid.push({ ...panel, x: place.x, y: place.y, isTurned: place.isTurned })
  }
  return { panels: laid, lengthMm: table.lengthMm }
}
export const acrossOf = ({ widthMm, lengthMm, isTurned }: Laid): number => (isTurned ? lengthMm : widthMm)
export const alongOf = ({ widthMm, lengthMm, isTurned }: Laid): number => (isTurned ? widthMm : lengthMm)

type Place = {
  readonly x: number
  readonly y: number
  readonly wide: number
  readonly long: number
  readonly isTurned: boolean
}
const isSooner = (left: Place, right: Place): boolean => {
  const [ends, against] = [left.y + left.long, right.y + right.long]
  return ends < against - 1e-6 || (ends < against + 1e-6 && left.x < right.x)
}

/** What lies on the cloth, by where it begins along it, so that a free place is found in one walk. */
class Table {
  lengthMm = 0
  readonly #cloth: Cloth
  readonly #x: Float64Array
  readonly #y: Float64Array
  readonly #wide: Float64Array
  readonly #long: Float64Array
  #count = 0
  constructor(most: number, cloth: Cloth) {
    this.#cloth = cloth
    this.#x = new Float64Array(most)
    this.#y = new Float64Array(most)
    this.#wide = new Float64Array(most)
    this.#long = new Float64Array(most)
  }
  put({ x, y, wide, long }: Place): void {
    let at = this.#count++
    for (; at > 0 && (this.#y[at - 1] as number) > y; at--)
      for (const row of [this.#x, this.#y, this.#wide, this.#long]) row[at] = row[at - 1] as number
    this.#x[at] = x
    this.#y[at] = y
    this.#wide[at] = wide
    this.#long[at] = long
    this.lengthMm = Math.max(this.lengthMm, y + long)
  }
  /** The earliest free place: at the edge of the cloth or beside another panel, or where the pattern begins next; null where it is too wide. */
  placeFor(panel: Panel, isTurned: boolean): Place | null {
    const wide = isTurned ? panel.lengthMm : panel.widthMm
    const long = isTurned ? panel.widthMm : panel.lengthMm
    const { widthMm, acrossMm } = this.#cloth
    let [bestX, bestY] = [-1, Infinity]
    for (let beside = -1; beside < this.#count; beside++) {
      const edge = beside < 0 ? 0 : (this.#x[beside] as number) + (this.#wide[beside] as number)
      const x = panel.onRepeat ? nextRepeat(edge, acrossMm) : edge
      if (x + wide > widthMm + 1e-6) continue
      const y = this.#freeAt(x, wide, long, panel.onRepeat)
      if (y < bestY - 1e-6 || (y < bestY + 1e-6 && x < bestX)) [bestX, bestY] = [x, y]
    }
    return bestX < 0 ? null : { x: bestX, y: bestY, wide, long, isTurned }
  }
  #freeAt(x: number, wide: number, long: number, onRepeat: boolean): number {
    let y = 0
    for (let at = 0; at < this.#count; at++) {
      const left = this.#x[at] as number
      if (left >= x + wide - 1e-6 || x >= left + (this.#wide[at] as number) - 1e-6) continue
      const begins = this.#y[at] as number
      if (y + long <= begins + 1e-6) break
      const ends = begins + (this.#long[at] as number)
      if (ends > y) y = onRepeat ? nextRepeat(ends, this.#cloth.repeatMm) : ends
    }
    return y
  }
}

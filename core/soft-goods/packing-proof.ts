/**
 * The shortest packing of a few panels, found for certain: panels are put into both orders one after the mate, at every place, and a
 * beginning that is too wide or too long already is left. Lengths in mm.
 */
import { nextRepeat, type Cloth } from './cloth.ts'
import type { Laid, Panel } from './packing.ts'

const [mostPanels, mostLooked] = [8, 400_000]

/** Null where there are too many to be sure. `panels` is empty where nothing shorter than `withinMm` was found: that length is the least. */
export function provenLength(
  panels: readonly Panel[],
  cloth: Cloth,
  withinMm: number,
): { readonly panels: readonly Laid[]; readonly lengthMm: number } | null {
  if (panels.length > mostPanels) return null
  // the largest first: what does not fit is seen early
  const asked = panels.toSorted((left, right) => right.widthMm * right.lengthMm - left.widthMm * left.lengthMm)
  const room = new Room(asked, cloth)
  let best: readonly Laid[] = []
  let shortest = withinMm
  let looked = 0
  const right: number[] = []
  const along: number[] = []
  const turned: boolean[] = []

  const isSame = (left: Panel, mate: Panel): boolean =>
    left.widthMm === mate.widthMm &&
    left.lengthMm === mate.lengthMm &&
    left.mayTurn === mate.mayTurn &&
    left.onRepeat === mate.onRepeat
  const putIn = (at: number): void => {
    if (at === asked.length) {
      shortest = room.length(turned, right, along)
      best = room.laid(turned)
      return
    }
    const panel = asked[at] as Panel
    // of two that are alike the later one follows in the first order: the same packing is not looked at twice
    const twin = at > 0 && isSame(asked[at - 1] as Panel, panel) ? right.indexOf(at - 1) + 1 : 0
    for (const isTurned of panel.mayTurn && panel.widthMm !== panel.lengthMm ? [false, true] : [false]) {
      turned[at] = isTurned
      for (let first = twin; first <= right.length; first++) {
        right.splice(first, 0, at)
        for (let second = 0; second <= along.length; second++) {
          if (++looked > mostLooked) break
          along.splice(second, 0, at)
          if (room.length(turned, right, along) < shortest - 1e-6) putIn(at + 1)
          along.splice(second, 1)
        }
        right.splice(first, 1)
      }
    }
  }
  putIn(0)
  return looked > mostLooked ? null : { panels: best, lengthMm: shortest }
}

/** Before in both orders lies to the left; after in the first and before in the second lies nearer the beginning. */
class Room {
  readonly #x: Float64Array
  readonly #y: Float64Array
  readonly #rank: Int32Array
  constructor(
    private readonly panels: readonly Panel[],
    private readonly cloth: Cloth,
  ) {
    this.#x = new Float64Array(panels.length)
    this.#y = new Float64Array(panels.length)
    this.#rank = new Int32Array(panels.length)
  }
  /** How long it becomes; Infinity where it is wider than the cloth. */
  length(turned: readonly boolean[], right: readonly number[], along: readonly number[]): number {
    const { panels, cloth } = this
    for (let place = 0; place < along.length; place++) this.#rank[along[place] as number] = place
    const rank = (at: number): number => this.#rank[at] as number
    for (let place = 0; place < right.length; place++) {
      const at = right[place] as number
      const panel = panels[at] as Panel
      let x = 0
      for (let index = 0; index < place; index++) {
        const before = right[index] as number
        if (rank(before) < rank(at)) x = Math.max(x, (this.#x[before] as number) + this.wide(before, turned))
      }
      if (panel.onRepeat) x = nextRepeat(x, cloth.acrossMm)
      if (x + this.wide(at, turned) > cloth.widthMm + 1e-6) return Infinity
      this.#x[at] = x
    }
    let length = 0
    for (let place = right.length - 1; place >= 0; place--) {
      const at = right[place] as number
      let y = 0
      for (let index = right.length - 1; index > place; index--) {
        const before = right[index] as number
        if (rank(before) < rank(at)) y = Math.max(y, (this.#y[before] as number) + this.long(before, turned))
      }
      if ((panels[at] as Panel).onRepeat) y = nextRepeat(y, cloth.repeatMm)
      this.#y[at] = y
      length = Math.max(length, y + this.long(at, turned))
    }
    return length
  }
  /** Where they lie, as they were measured last. */
  laid(turned: readonly boolean[]): Laid[] {
    return this.panels.map((panel, at) => ({
      ...panel,
      x: this.#x[at] as number,
      y: this.#y[at] as number,
      isTurned: turned[at] === true,
    }))
  }
  private wide(at: number, turned: readonly boolean[]): number {
    const { widthMm, lengthMm } = this.panels[at] as Panel
    return turned[at] ? lengthMm : widthMm
  }
  private long(at: number, turned: readonly boolean[]): number {
    const { widthMm, lengthMm } = this.panels[at] as Panel
    return turned[at] ? widthMm : lengthMm
  }
}

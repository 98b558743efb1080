/**
 * Pieces cut from rolls at the phase of a pattern, onto the fewest rolls: exact where the kinds of piece are few, as they are in a
 * room. Lengths in mm.
 */

/** A kind of piece: how long it is cut, and where in the repeat it begins; how many of it are wanted. */
export type PieceKind = { readonly lengthMm: number; readonly phaseMm: number; readonly wanted: number }
export type Stock = { readonly lengthMm: number; readonly repeatMm: number }

/** The first place at or after `start` where the pattern has this phase; a free paper has it everywhere. */
export const placeOf = (start: number, phaseMm: number, repeatMm: number): number => {
  if (repeatMm === 0) return start
  const into = (((start - phaseMm) % repeatMm) + repeatMm) % repeatMm
  return into < 1e-9 ? start : start + repeatMm - into
}

/** One roll: how many of each kind, in an order in which they fit. */
export type RollPattern = {
  readonly counts: readonly number[]
  readonly order: readonly number[]
  readonly endMm: number
}

const keyOf = (counts: readonly number[]): string => counts.join()
/** So many ways to fill a roll, or states of what is still wanted, are looked at and no more. */
const mostStates = 60_000

/**
 * Every way to fill a roll that holds no more: for each set of pieces the order that ends first, found by the piece that comes
 * last. Null where there are too many.
 */
export function patternsOf(kinds: readonly PieceKind[], stock: Stock): RollPattern[] | null {
  const none = kinds.map(() => 0)
  const found = new Map<string, RollPattern>([[keyOf(none), { counts: none, order: [], endMm: 0 }]])
  let layer: RollPattern[] = [...found.values()]
  while (layer.length > 0) {
    const next = new Map<string, RollPattern>()
    for (const pattern of layer)
      for (const [at, { lengthMm, phaseMm, wanted }] of kinds.entries()) {
        if ((pattern.counts[at] ?? 0) >= wanted) continue
        const endMm = placeOf(pattern.endMm, phaseMm, stock.repeatMm) + lengthMm
        if (endMm > stock.lengthMm + 1e-6) continue
        const counts = pattern.counts.map((count, index) => (index === at ? count + 1 : count))
        const key = keyOf(counts)
        const known = next.get(key)
        if (!known || endMm < known.endMm) next.set(key, { counts, order: [...pattern.order, at], endMm })
      }
    for (const [key, pattern] of next) found.set(key, pattern)
    if (found.size > mostStates) return null
    layer = [...next.values()]
  }
  const all = [...found.values()].filter(({ order }) => order.length > 0)
  return all.filter(
    ({ counts }) =>
      !kinds.some(
        ({ wanted }, at) =>
          (counts[at] ?? 0) < wanted &&
          found.has(keyOf(counts.map((count, index) => (index === at ? count + 1 : count)))),
      ),
  )
}

/** The fewest rolls that give all that is wanted, as patterns; null where that is too much to prove. */
export function fewestRolls(kinds: readonly PieceKind[], stock: Stock): RollPattern[] | null {
  const states = kinds.reduce((product, { wanted }) => product * (wanted + 1), 1)
  if (states > mostStates) return null
  const patterns = patternsOf(kinds, stock)
  if (patterns === null) return null
  const known = new Map<
    string,
    { readonly rolls: number; readonly by: RollPattern | null; readonly rest: readonly number[] }
  >()
  const solve = (rest: readonly number[]): number => {
    if (rest.every((count) => count === 0)) return 0
    const key = keyOf(rest)
    const before = known.get(key)
    if (before) return before.rolls
    // the kind that is wanted and longest has to come from some roll: only rolls that hold it are tried
    const first = kinds.reduce(
      (longest, { lengthMm }, at) =>
        (rest[at] ?? 0) > 0 && (longest < 0 || lengthMm > (kinds[longest]?.lengthMm ?? 0)) ? at : longest,
      -1,
    )
    let [rolls, by, left]: [number, RollPattern | null, readonly number[]] = [Infinity, null, rest]
    for (const pattern of patterns) {
      if ((pattern.counts[first] ?? 0) === 0) continue
      const after = rest.map((count, at) => Math.max(0, count - (pattern.counts[at] ?? 0)))
      const more = 1 + solve(after)
      if (more < rolls) [rolls, by, left] = [more, pattern, after]
    }
    known.set(key, { rolls, by, rest: left })
    return rolls
  }
  let rest: readonly number[] = kinds.map(({ wanted }) => wanted)
  if (!Number.isFinite(solve(rest))) return null
  const chosen: RollPattern[] = []
  while (rest.some((count) => count > 0)) {
    const step = known.get(keyOf(rest))
    if (!step?.by) return null
    chosen.push(taken(step.by, rest))
    rest = step.rest
  }
  return chosen
}

/** Of a pattern, what is still wanted of it. */
function taken({ order, endMm }: RollPattern, rest: readonly number[]): RollPattern {
  const left = [...rest]
  const kept = order.filter((at) => {
    if ((left[at] ?? 0) === 0) return false
    left[at] = (left[at] ?? 0) - 1
    return true
  })
  return { counts: rest.map((count, at) => count - (left[at] ?? 0)), order: kept, endMm }
}

/** No set of rolls is smaller: the lengths of all pieces by the length of a roll. */
export const leastRolls = (kinds: readonly PieceKind[], stock: Stock): number =>
  Math.ceil(kinds.reduce((sum, { lengthMm, wanted }) => sum + lengthMm * wanted, 0) / stock.lengthMm - 1e-9)

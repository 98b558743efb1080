/** No packing of these panels on this cloth is shorter. Lengths in mm. */
import { nextRepeat, type Cloth } from './cloth.ts'
import type { Panel } from './packing.ts'

export function leastLength(panels: readonly Panel[], cloth: Cloth): number {
  const short = panels.map(({ widthMm, lengthMm, mayTurn }) =>
    mayTurn && lengthMm <= cloth.widthMm ? Math.min(widthMm, lengthMm) : lengthMm,
  )
  const longest = Math.max(0, ...short)
  const area = panels.reduce((sum, { widthMm, lengthMm }) => sum + widthMm * lengthMm, 0) / cloth.widthMm
  return Math.max(longest, area, sideBySide(panels, cloth), fewBeside(panels, cloth), rowsOfRepeats(panels, cloth))
}

/**
 * Panels of which no two lie side by side follow each other. Those wider than a share of the cloth cannot lie beside those wider than the
 * rest of it: for each such share the wide ones stand in full, and what else is wider than half fills up by halves.
 */
function sideBySide(panels: readonly Panel[], { widthMm: cloth }: Cloth): number {
  const fixed = panels.map(({ widthMm, lengthMm, mayTurn }) => ({
    across: mayTurn ? Math.min(widthMm, lengthMm) : widthMm,
    along: mayTurn ? Math.min(widthMm, lengthMm) : lengthMm,
  }))
  let least = 0
  for (const share of new Set([0, ...fixed.map(({ across }) => across).filter((across) => across <= cloth / 2)])) {
    // the classic dual feasible function: large ones count for the whole width, small ones for nothing
    const total = fixed.reduce(
      (sum, { across, along }) =>
        sum + along * (across > cloth - share + 1e-9 ? cloth : across < share - 1e-9 ? 0 : across),
      0,
    )
    least = Math.max(least, total / cloth)
  }
  const wide = fixed.filter(({ across }) => across > cloth / 2 + 1e-9).reduce((sum, { along }) => sum + along, 0)
  return Math.max(least, wide)
}

/** Of panels wider than a half, a third, a quarter of the cloth no more than one, two, three lie beside each other: one of so many chains holds its share. */
function fewBeside(panels: readonly Panel[], { widthMm: cloth }: Cloth): number {
  const sides = panels.map(({ widthMm, lengthMm, mayTurn }) =>
    mayTurn
      ? { across: Math.min(widthMm, lengthMm), along: Math.min(widthMm, lengthMm) }
      : { across: widthMm, along: lengthMm },
  )
  let least = 0
  for (let beside = 1; beside <= 12; beside++) {
    const wide = sides
      .filter(({ across }) => across * (beside + 1) > cloth + 1e-6)
      .map(({ along }) => along)
      .toSorted((left, right) => left - right)
    const chain = wide.slice(0, Math.ceil(wide.length / beside)).reduce((sum, along) => sum + along, 0)
    const share = wide.reduce((sum, along) => sum + along, 0) / beside
    least = Math.max(least, chain, share)
  }
  return least
}

/** Panels that begin with the pattern take whole repeats before the next of them begins; only so many lie beside each other. */
function rowsOfRepeats(panels: readonly Panel[], cloth: Cloth): number {
  const on = panels.filter(({ onRepeat, mayTurn }) => onRepeat && !mayTurn)
  if (on.length === 0 || cloth.repeatMm <= 0) return 0
  const narrow = Math.min(...on.map(({ widthMm }) => nextRepeat(widthMm, cloth.acrossMm)))
  const last = Math.min(...on.map(({ widthMm }) => widthMm))
  const beside = Math.max(1, Math.floor((cloth.widthMm - last) / narrow + 1e-9) + 1)
  // those that cross a line lie side by side, so they fall into as many chains, of which one has so many at least
  const count = Math.ceil(on.length / beside)
  const lengths = on.map(({ lengthMm }) => lengthMm)
  const whole = lengths.map((length) => nextRepeat(length, cloth.repeatMm)).toSorted((left, right) => left - right)
  const lastGap = Math.max(...lengths.map((length) => nextRepeat(length, cloth.repeatMm) - length))
  return whole.slice(0, count).reduce((sum, length) => sum + length, 0) - lastGap
}

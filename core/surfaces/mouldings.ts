/** Lengths of moulding: along walls between what breaks them, round openings, and frames spaced on a wall. Lengths in mm. */
import type { Rules } from '../rulebook/rulebook.ts'

/** A run of a wall that a moulding follows, and how its two ends meet what is beside. */
export type Run = {
  readonly name: string
  readonly lengthMm: number
  readonly start: End
  readonly end: End
}
/** A corner drawn in is cut to the wall's own length, one that juts out needs the thickness more; at an opening it is cut square. */
export type End = 'inside' | 'outside' | 'square'
export type MouldingPiece = { readonly name: string; readonly lengthMm: number }

/** How a run is joined that is longer than any stock: from parts that are alike, or from whole lengths and the rest. */
export type Joined = 'alike' | 'whole lengths'
/** What each run is cut to: longer by its mitres, and joined where no stock is long enough. */
export function piecesOf(
  runs: readonly Run[],
  thickMm: number,
  longestMm: number,
  rules: Rules,
  joined: Joined = 'alike',
): MouldingPiece[] {
  return runs.flatMap(({ name, lengthMm, start, end }) => {
    if (!(lengthMm > 0)) return []
    const cut = lengthMm + rules['moulding.allowance'] + [start, end].filter((at) => at === 'outside').length * thickMm
    // each joint is a scarf over its thickness
    const parts = longestMm > thickMm ? Math.max(1, Math.ceil((cut - thickMm) / (longestMm - thickMm) - 1e-9)) : 1
    const all = cut + (parts - 1) * thickMm
    const rest = all - (parts - 1) * longestMm
    // a short end is ugly and splits: it takes some from its neighbour
    const short = Math.max(0, Math.min(rules['boards.stagger'], longestMm / 2) - rest)
    return Array.from({ length: parts }, (_, at) => ({
      name: parts > 1 ? `${name}, part ${at + 1}` : name,
      lengthMm:
        joined === 'alike' || parts === 1
          ? all / parts
          : at === parts - 1
            ? rest + short
            : at === parts - 2
              ? longestMm - short
              : longestMm,
    }))
  })
}

export type Frame = { readonly u: number; readonly z: number; readonly width: number; readonly height: number }
export type Frames =
  | { readonly ok: true; readonly frames: readonly Frame[]; readonly gapMm: number }
  | { readonly ok: false; readonly error: string }

/**
 * Frames on a stretch of wall, all alike, with equal gaps between them and to the ends; as many as come nearest to the proportion of
 * the rule where nobody said how many.
 */
export function framesOn(
  widthMm: number,
  lowMm: number,
  highMm: number,
  asked: { readonly count: number | null; readonly gapMm: number | null },
  rules: Rules,
): Frames {
  const gap = asked.gapMm ?? rules['panels.gap']
  const height = highMm - lowMm - 2 * gap
  const widthFor = (count: number): number => (widthMm - (count + 1) * gap) / count
  if (!(height > 0)) return { ok: false, error: `no height is left for frames between gaps of ${Math.round(gap)} mm` }
  const least = rules['panels.least']
  const most = Math.max(1, Math.floor((widthMm - gap) / (least + gap)))
  const wanted = height > widthMm ? 1 / rules['panels.proportion'] : rules['panels.proportion']
  const off = (count: number): number => Math.abs(Math.log(widthFor(count) / height / wanted))
  const count =
    asked.count ??
    Array.from({ length: Math.min(60, most) }, (_, at) => at + 1).reduce(
      (best, value) => (off(value) < off(best) ? value : best),
      1,
    )
  const width = widthFor(count)
  if (!(width > 0))
    return {
      ok: false,
      error: `${count} frames with gaps of ${Math.round(gap)} mm do not go on ${Math.round(widthMm)} mm`,
    }
  return {
    ok: true,
    gapMm: gap,
    frames: Array.from({ length: count }, (_, at) => ({ u: gap + at * (width + gap), z: lowMm + gap, width, height })),
  }
}

/** The four pieces of each frame, to the long point of their mitres. */
export const framePieces = (name: string, frames: readonly Frame[]): MouldingPiece[] =>
  frames.flatMap(({ width, height }, at) =>
    [width, width, height, height].map((lengthMm) => ({ name: `${name}, frame ${at + 1}`, lengthMm })),
  )

/** Where a dado rail goes: at a third of the wall's height, within what the rule keeps it to. */
export const railHeight = (heightMm: number, rules: Rules): number =>
  Math.min(rules['rail.high'], Math.max(rules['rail.low'], heightMm / 3))

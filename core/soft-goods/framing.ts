/**
 * A picture framed: what the mat leaves free, its borders, the glass, the moulding, what it measures outside and what it weighs. The mat's
 * opening lies on the edge of the picture; the moulding is made on the glass, which lies in its rebate. Lengths in mm, weights in kg.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import { wrong, type Wrong } from './cloth.ts'

export const glazings = ['glass', 'acrylic', 'none'] as const
export type Glazing = (typeof glazings)[number]
export type FrameAsked = {
  readonly widthMm: number
  readonly heightMm: number
  /** So many alike in one mat, side by side, and what lies between their openings. */
  readonly count: number
  readonly betweenMm: number
  /** The border of the mat at the top and the sides; null where there is none, and the glass lies on the picture. */
  readonly borderMm: number | null
  /** Of a fillet between picture and mat, what is seen of it; 0 where there is none. */
  readonly filletMm: number
  readonly faceMm: number
  readonly depthMm: number
  readonly glazing: Glazing
  /** It is worth keeping: a keepsake, an original. */
  readonly isValued: boolean
  readonly inSun: boolean
  readonly facesWindow: boolean
  readonly school: 'archival' | 'shop frames'
  /** An old frame that is used again, by what fits into its rebate: the mat is cut to fill it. Null for a new moulding. */
  readonly old: { readonly widthMm: number; readonly heightMm: number } | null
  /** A slip between an old frame and the glass, what is seen of it; 0 where there is none. */
  readonly slipMm: number
  /** So many frames alike. */
  readonly frames: number
}
export type Border = { readonly sidesMm: number; readonly topMm: number; readonly footMm: number }
export type Framed = {
  /** What is seen of the picture. */
  readonly seen: { readonly widthMm: number; readonly heightMm: number }
  readonly opening: { readonly widthMm: number; readonly heightMm: number } | null
  readonly border: Border | null
  readonly glass: { readonly widthMm: number; readonly heightMm: number }
  readonly mouldingMm: number
  readonly outer: { readonly widthMm: number; readonly heightMm: number }
  readonly weightKg: number
  /** What a framer would say of it. */
  readonly says: readonly string[]
}
/** Frames as they are sold, by what fits in, in mm: the usual ones of each country (trade, memory). */
const soldCm = [
  [13, 18],
  [18, 24],
  [20, 30],
  [24, 30],
  [30, 40],
  [40, 50],
  [50, 60],
  [50, 70],
  [60, 80],
  [70, 100],
] as const
const soldInches = [
  [5, 7],
  [8, 10],
  [11, 14],
  [12, 16],
  [16, 20],
  [18, 24],
  [20, 24],
  [24, 36],
] as const
export type ReadyMade = {
  readonly widthMm: number
  readonly heightMm: number
  /** What a mat cut for it leaves at the sides, at the top and at the foot. */
  readonly sidesMm: number
  readonly topMm: number
  readonly footMm: number
}
/** The smallest frame that is sold ready-made in which the picture has a mat with borders that are wide enough; null where there is none. */
export function readyMade(
  seen: { readonly widthMm: number; readonly heightMm: number },
  isFeet: boolean,
  rules: Rules,
): ReadyMade | null {
  const mm = isFeet
    ? soldInches.map((size) => size.map((inches) => inches * 25.4))
    : soldCm.map((size) => size.map((cm) => cm * 10))
  const least = rules['frame.mat-least']
  const more = rules['frame.bottom-more']
  for (const [short = 0, long = 0] of mm) {
    const [widthMm, heightMm] = seen.widthMm <= seen.heightMm ? [short, long] : [long, short]
    const sides = (widthMm - seen.widthMm) / 2
    const top = (heightMm - seen.heightMm - more) / 2
    if (sides >= least && top >= least) return { widthMm, heightMm, sidesMm: sides, topMm: top, footMm: top + more }
  }
  return null
}
export type FrameResult = { readonly ok: true; readonly framed: Framed } | Wrong

export function framedAs(asked: FrameAsked, rules: Rules): FrameResult {
  const fault = faultOf(asked) ?? oldFault(asked, rules)
  if (fault) return fault
  const { widthMm, heightMm, count, betweenMm, borderMm, filletMm, faceMm, depthMm, glazing, old, slipMm } = asked
  const cover = borderMm === null ? 0 : 2 * rules['frame.overlap']
  const seen = { widthMm: widthMm - cover, heightMm: heightMm - cover }
  const opening =
    borderMm === null ? null : { widthMm: seen.widthMm + 2 * filletMm, heightMm: seen.heightMm + 2 * filletMm }
  const across = opening ? count * opening.widthMm + (count - 1) * betweenMm : widthMm
  const border = borderMm === null ? null : bordersOf(asked, across, opening?.heightMm ?? heightMm, rules)
  const glass = old
    ? { widthMm: old.widthMm - 2 * slipMm, heightMm: old.heightMm - 2 * slipMm }
    : opening && border
      ? { widthMm: across + 2 * border.sidesMm, heightMm: opening.heightMm + border.topMm + border.footMm }
      : { widthMm, heightMm }
  const held = old ?? glass
  const rebate = Math.min(rules['frame.rebate'], faceMm)
  const outer = { widthMm: held.widthMm + 2 * (faceMm - rebate), heightMm: held.heightMm + 2 * (faceMm - rebate) }
  const moulding = 2 * (held.widthMm + held.heightMm) + 8 * faceMm
  const m2 = (glass.widthMm * glass.heightMm) / 1e6
  const pane = glazing === 'glass' ? rules['frame.glass-kg'] : glazing === 'acrylic' ? rules['frame.acrylic-kg'] : 0
  // the bars between the mitres: their middle line is that long
  const wood = ((moulding - 4 * faceMm) * faceMm * depthMm * rules['frame.wood-kg']) / 1e9
  return {
    ok: true,
    framed: {
      seen,
      opening,
      border,
      glass,
      mouldingMm: old ? 0 : asked.frames * moulding,
      outer,
      weightKg: m2 * (pane + rules['frame.board-kg']) + wood,
      says: said({ ...asked, borderMm: border?.sidesMm ?? null }, rules),
    },
  }
}

/** As it was asked, more at the foot; in an old frame whatever it leaves, the foot taking more of it. */
function bordersOf({ borderMm, old, slipMm }: FrameAsked, acrossMm: number, highMm: number, rules: Rules): Border {
  const more = rules['frame.bottom-more']
  if (!old) return { sidesMm: borderMm ?? 0, topMm: borderMm ?? 0, footMm: (borderMm ?? 0) + more }
  const top = (old.heightMm - 2 * slipMm - highMm - more) / 2
  return { sidesMm: (old.widthMm - 2 * slipMm - acrossMm) / 2, topMm: top, footMm: top + more }
}

/** An old frame takes the picture with its mat, or the picture alone: not more, and without a mat not less. */
function oldFault(asked: FrameAsked, rules: Rules): Wrong | null {
  const { old, slipMm, borderMm, widthMm, heightMm, count, betweenMm, filletMm } = asked
  if (!old) return null
  const [wide, high] = [old.widthMm - 2 * slipMm, old.heightMm - 2 * slipMm]
  if (borderMm === null)
    return Math.abs(wide - widthMm) > 3 || Math.abs(high - heightMm) > 3
      ? wrong('oldWidth', 'is not the size of the picture: expected a mat that fills what is left, or a slip')
      : null
  const cut = 2 * filletMm - 2 * rules['frame.overlap']
  const across = count * (widthMm + cut) + (count - 1) * betweenMm
  if (!(wide > across + 2 * leastBorderMm))
    return wrong('oldWidth', 'is too narrow for the picture with a mat: expected what fits into its rebate')
  return high > heightMm + cut + 2 * leastBorderMm + rules['frame.bottom-more']
    ? null
    : wrong('oldHeight', 'is too low for the picture with a mat: expected what fits into its rebate')
}
/** A mat cannot be cut narrower than this. */
const leastBorderMm = 10

function said(asked: FrameAsked, rules: Rules): string[] {
  const { widthMm, heightMm, borderMm, faceMm, glazing, isValued, inSun, facesWindow, school } = asked
  const pane = glazing === 'acrylic' ? 'acrylic' : 'glass'
  return [
    ...(borderMm !== null && borderMm <= faceMm
      ? ['The border of the mat is no wider than the moulding: the two read as stripes. Make the border wider.']
      : []),
    ...(borderMm !== null && borderMm > faceMm && borderMm < rules['frame.mat-least']
      ? [`A border under ${rules['frame.mat-least']} mm looks skimped: the picture takes more.`]
      : []),
    ...(borderMm !== null && Math.max(widthMm, heightMm) < 200 && borderMm < 100
      ? ['A picture as small as this takes a very wide mat, as wide as itself and more.']
      : []),
    ...(asked.old
      ? ['Old paint may hold lead: wash it, never sand it dry. Its corners are glued and pinned anew.']
      : []),
    ...(isValued
      ? [
          `Mat and backing of cotton or free of acid, hinged with paste and tissue: paper mats yellow what they touch.`,
          ...(borderMm === null && glazing !== 'none'
            ? [`Spacers between it and the ${pane}: nothing valued touches it.`]
            : []),
        ]
      : []),
    ...(inSun && glazing !== 'none' ? [`Sun falls on that wall: ${pane} that filters UV.`] : []),
    ...(isValued && school === 'archival' && !inSun && glazing !== 'none'
      ? [`For what is worth keeping, ${pane} that filters UV, sun or not.`]
      : []),
    ...(inSun && isValued
      ? ['What is valued hangs better where no sun falls: a filter slows its fading, and does not stop it.']
      : []),
    ...(facesWindow && glazing !== 'none'
      ? [`It hangs opposite a window: non-reflecting ${pane}. Filtering UV is another thing.`]
      : []),
    ...(glazing === 'glass' && (widthMm > 1000 || heightMm > 1000)
      ? ['Over a metre glass is heavy and breaks: acrylic is usual.']
      : []),
  ]
}

function faultOf({
  widthMm,
  heightMm,
  count,
  betweenMm,
  borderMm,
  filletMm,
  faceMm,
  depthMm,
  frames,
}: FrameAsked): Wrong | null {
  if (!(widthMm > 20) || !(heightMm > 20)) return wrong('size', 'is too small: expected what the picture measures')
  if (!Number.isInteger(count) || count < 1 || count > 12) return wrong('count', 'is not one to twelve')
  if (!Number.isInteger(frames) || frames < 1 || frames > 60) return wrong('frames', 'is not one to sixty')
  if (count > 1 && borderMm === null) return wrong('border', 'is nothing: several in one frame lie in a mat')
  if (count > 1 && !(betweenMm > 0)) return wrong('between', 'is nothing: expected how far their openings are apart')
  if (borderMm !== null && !(borderMm > 0)) return wrong('border', 'is nothing: expected its width, or no mat')
  if (borderMm !== null && borderMm > 1000) return wrong('border', 'is more than a metre: expected its width')
  if (!(filletMm >= 0) || filletMm > 50) return wrong('fillet', 'is not 0 to 50 mm')
  if (!(faceMm > 0) || faceMm > 300)
    return wrong('face', 'is not 1 to 300 mm: expected how wide the moulding is from the front')
  if (!(depthMm > 0) || depthMm > 200) return wrong('depth', 'is not 1 to 200 mm: expected how deep the moulding is')
  return null
}

/**
 * A Roman blind for a window: its finished size, the cloth it is cut from in one drop, its folds and rods, and how deep it hangs when it is
 * up. Lengths in mm; allowances of the trade, the head our own.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import { nextRepeat, wrong, type Cloth, type Wrong } from './cloth.ts'

export type BlindAsked = {
  /** The opening of the window. */
  readonly widthMm: number
  readonly heightMm: number
  readonly isInside: boolean
  readonly cloth: Cloth
  /** A stripe or a motif lies in its middle. */
  readonly isCentred: boolean
}
export type Blind = {
  readonly widthMm: number
  readonly dropMm: number
  readonly cutWidthMm: number
  readonly cutDropMm: number
  /** One, or joined at both sides of a whole middle where the cloth is too narrow. */
  readonly widths: number
  readonly clothMm: number
  readonly folds: number
  readonly foldMm: number
  readonly rods: number
  /** Of the glass, when it is up. */
  readonly stackMm: number
}
export type BlindResult = { readonly ok: true; readonly blind: Blind } | Wrong

export function blindFor({ widthMm, heightMm, isInside, cloth, isCentred }: BlindAsked, rules: Rules): BlindResult {
  if (!(widthMm >= 200)) return wrong('width', 'is under 200 mm: expected how wide the window is')
  if (!(heightMm >= 300)) return wrong('height', 'is under 300 mm: expected how high the window is')
  if (!(cloth.widthMm >= 300)) return wrong('clothWidth', 'is under 300 mm: expected the width of the cloth')
  if (!(cloth.repeatMm >= 0) || !(cloth.acrossMm >= 0)) return wrong('repeat', 'is below nothing')
  const width = isInside ? widthMm - rules['blind.inside'] : widthMm + 2 * rules['blind.outside']
  const drop = isInside ? heightMm : heightMm + 2 * rules['blind.outside']
  const cutWidth = width + 2 * rules['blind.side']
  const raw = drop + rules['blind.top'] + rules['blind.hem']
  // a motif in the middle of the blind wants half a repeat to choose from on either side of it
  const cut = isCentred && cloth.repeatMm > 0 ? raw + cloth.repeatMm : raw
  // joined it is whole in the middle, with a strip at each side: an even number of seams, so odd widths or two halves of a further one
  const widths = cutWidth <= cloth.widthMm ? 1 : 1 + Math.ceil((cutWidth - cloth.widthMm) / cloth.widthMm - 1e-9)
  const step = widths > 1 ? nextRepeat(cut, cloth.repeatMm) : cut
  const folds = Math.max(2, Math.round((drop - rules['blind.head']) / rules['blind.fold']))
  // the lowest part is half a fold, so that it hangs a little below the others when it is up
  const fold = (drop - rules['blind.head']) / (folds + 0.5)
  return {
    ok: true,
    blind: {
      widthMm: width,
      dropMm: drop,
      cutWidthMm: cutWidth,
      cutDropMm: cut,
      widths,
      clothMm: (widths - 1) * step + cut,
      folds,
      foldMm: fold,
      rods: folds,
      stackMm: fold / 2 + rules['blind.head'],
    },
  }
}

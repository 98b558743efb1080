/** A drum shade and its cutting list: rings, the stiff sheet, the cloth with its lap and what is turned over the rings. Lengths in mm. */
import type { Rules } from '../rulebook/rulebook.ts'
import { wrong, type Wrong } from './cloth.ts'

export type Shade = {
  /** Round the ring, with the lap where the ends meet. */
  readonly sheet: { readonly widthMm: number; readonly heightMm: number }
  readonly cloth: { readonly widthMm: number; readonly heightMm: number }
  readonly rings: number
  /** Of strip for the edges, both rings. */
  readonly tapeMm: number
}
export type ShadeResult = { readonly ok: true; readonly shade: Shade } | Wrong

export function drumShade(acrossMm: number, heightMm: number, rules: Rules): ShadeResult {
  if (!(acrossMm >= 80 && acrossMm <= 1500))
    return wrong('across', 'is not 80 to 1500 mm: expected how wide its ring is')
  if (!(heightMm >= 60 && heightMm <= 1500))
    return wrong('height', 'is not 60 to 1500 mm: expected how high the shade is')
  const round = Math.PI * acrossMm
  const [lap, tab] = [rules['shade.lap'], rules['shade.tab']]
  return {
    ok: true,
    shade: {
      sheet: { widthMm: round + lap, heightMm },
      cloth: { widthMm: round + 2 * lap, heightMm: heightMm + 2 * tab },
      rings: 2,
      tapeMm: 2 * (round + lap),
    },
  }
}

/** For a lamp’s foot: as wide as the foot is high, give or take, and two thirds as high, so that it covers the fitting (common practice). */
export const shadeForFoot = (footMm: number): { readonly acrossMm: number; readonly heightMm: number } => ({
  acrossMm: footMm,
  heightMm: (2 * footMm) / 3,
})

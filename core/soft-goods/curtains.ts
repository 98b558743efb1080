/**
 * Curtains from a pole or a track: widths, cut drop and metres, the lining, and what the cloth covers of the glass when they are open.
 * Lengths in mm. The measures of headings and hems are the trade's; what a width stacks to is our own.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import { nextRepeat, wrong, type Cloth, type Wrong } from './cloth.ts'

export type Match = 'free' | 'straight' | 'half-drop'
export type CurtainAsked = {
  /** Of the pole or track between its ends. */
  readonly trackMm: number
  /** From the front of the pole back to the wall, at each end. */
  readonly returnMm: number
  /** From where it hangs to its lower edge. */
  readonly dropMm: number
  readonly fullness: number
  /** Two that meet in the middle, or one. */
  readonly isPair: boolean
  readonly cloth: Cloth & { readonly match: Match }
  /** The width of its lining; null where it has none. */
  readonly liningMm: number | null
  /** The glass behind it, and how far it is from the end of the track to the glass on each side; null where nobody asks what stays free. */
  readonly glass: { readonly widthMm: number; readonly besideMm: number } | null
}
export type Curtains = {
  /** The cloth as it lies flat before it is gathered. */
  readonly flatMm: number
  readonly widths: number
  readonly widthsEach: number
  readonly rawDropMm: number
  readonly cutDropMm: number
  readonly metresMm: number
  /** What the last repeat of each drop leaves: for tie-backs, or a cushion. */
  readonly spareMm: number
  /** Cloth turned on its side, its width as the drop: null where it is too narrow, or its pattern may not be turned. */
  readonly turnedMm: number | null
  readonly liningMm: number | null
  readonly tapeMm: number
  readonly hooks: number
  readonly rings: number
  readonly brackets: number
  /** How wide they are when they are open, both together. */
  readonly stackMm: number
  /** Of the glass, when they are open; null where nobody asks. */
  readonly freeMm: number | null
}
export type CurtainResult = { readonly ok: true; readonly curtains: Curtains } | Wrong

export function curtainsFor(asked: CurtainAsked, rules: Rules): CurtainResult {
  const fault = faultOf(asked, rules)
  if (fault) return fault
  const { trackMm, returnMm, dropMm, fullness, isPair, cloth, liningMm, glass } = asked
  const count = isPair ? 2 : 1
  const finished = trackMm + 2 * returnMm + (isPair ? rules['curtain.overlap'] : 0)
  const hems = 2 * count * rules['curtain.side-hem']
  const flat = finished * fullness + hems
  const widths = Math.ceil(flat / cloth.widthMm - 1e-9)
  const raw = dropMm + rules['curtain.heading'] + rules['curtain.hem']
  const repeat = cloth.match === 'free' ? 0 : cloth.repeatMm
  const cut = nextRepeat(raw, repeat)
  // every second width of a half-drop is cut half a repeat further on: once for all of them, since they follow each other
  const shifted = cloth.match === 'half-drop' && widths > 1 ? repeat / 2 : 0
  const metres = widths * cut + shifted
  const canTurn = cloth.match === 'free' && cloth.widthMm >= raw
  const hooks = count * (Math.floor(finished / count / rules['curtain.hook-gap']) + 2)
  const stack = widths * rules['curtain.stack-width']
  return {
    ok: true,
    curtains: {
      flatMm: flat,
      widths,
      widthsEach: widths / count,
      rawDropMm: raw,
      cutDropMm: cut,
      metresMm: metres,
      spareMm: cut - raw,
      turnedMm: canTurn ? flat : null,
      liningMm: liningMm === null ? null : Math.ceil(flat / liningMm - 1e-9) * raw,
      tapeMm: flat + count * rules['curtain.tape-ends'],
      hooks,
      rings: hooks,
      brackets: Math.max(2, Math.ceil(trackMm / rules['curtain.bracket-gap'] - 1e-9) + 1),
      stackMm: stack,
      freeMm: glass
        ? Math.min(glass.widthMm, Math.max(0, glass.widthMm - Math.max(0, stack - 2 * glass.besideMm)))
        : null,
    },
  }
}

function faultOf(asked: CurtainAsked, rules: Rules): Wrong | null {
  const { trackMm, returnMm, dropMm, fullness, cloth, liningMm } = asked
  if (!(trackMm > 0)) return wrong('track', 'is nothing: expected the length of the pole or track')
  if (!(returnMm >= 0)) return wrong('returns', 'is below nothing')
  if (!(dropMm > 0)) return wrong('drop', 'is nothing: expected from the hooks to the lower edge')
  const [least, most] = [rules['curtain.fullness-least'], rules['curtain.fullness-most']]
  if (!(fullness >= least && fullness <= most))
    return wrong('fullness', `is ${fullness}: expected ${least} to ${most} times the width of the track`)
  if (!(cloth.widthMm > 2 * rules['curtain.side-hem'] + 100))
    return wrong('width', 'is too narrow for a curtain: expected the width of the cloth')
  if (cloth.match !== 'free' && !(cloth.repeatMm > 0))
    return wrong('repeat', 'is nothing: a cloth that is matched has a repeat')
  if (liningMm !== null && !(liningMm > 100)) return wrong('lining', 'is too narrow: expected the width of the lining')
  return null
}

/** How long a pole is, and how high it goes, by the trade: beyond the opening on each side, and above it, or two thirds of the way to the ceiling. */
export function poleFor(
  opening: { readonly widthMm: number; readonly topMm: number },
  ceilingMm: number | null,
  rules: Rules,
): { readonly lengthMm: number; readonly atMm: number } {
  const above = opening.topMm + rules['curtain.above']
  const high = ceilingMm === null ? above : opening.topMm + ((ceilingMm - opening.topMm) * 2) / 3
  return { lengthMm: opening.widthMm + 2 * rules['curtain.beside'], atMm: Math.max(above, high) }
}

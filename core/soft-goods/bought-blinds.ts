/** Blinds that are ordered by their size, and a pelmet over what hangs: sizes, cloth, and how much of the glass they cover while up. In mm. */
import type { Rules } from '../rulebook/rulebook.ts'
import { wrong, type Wrong } from './cloth.ts'

export type BoughtBlind = {
  readonly widthMm: number
  readonly dropMm: number
  /** The cloth itself; at each side so much of the window shows beside it. */
  readonly clothWideMm: number
  readonly gapMm: number
  readonly clothMm: number
  /** How high it is while it is up. */
  readonly stackMm: number
  readonly folds: number
}
export type BoughtBlindResult = { readonly ok: true; readonly blind: BoughtBlind } | Wrong

/** A roller blind or a pleated one, as it is ordered for an opening, inside it or before the wall. */
export function boughtBlind(
  what: 'roller blind' | 'pleated blind',
  opening: { readonly widthMm: number; readonly heightMm: number },
  isInside: boolean,
  rules: Rules,
): BoughtBlindResult {
  if (!(opening.widthMm >= 200)) return wrong('width', 'is under 200 mm: expected how wide the window is')
  if (!(opening.heightMm >= 200)) return wrong('height', 'is under 200 mm: expected how high the window is')
  const over = isInside ? 0 : rules['blind.outside']
  const width = isInside ? opening.widthMm - rules['blind.inside'] : opening.widthMm + 2 * over
  const drop = opening.heightMm + 2 * over
  const isRoller = what === 'roller blind'
  const clothWide = isRoller ? width - 2 * rules['blind.roller-gap'] : width
  const cloth = drop + (isRoller ? rules['blind.roller-more'] : 0)
  const folds = isRoller ? 0 : Math.ceil(drop / rules['blind.pleat'] - 1e-9)
  // rolled up, the cloth fills the ring between the tube and the roll: length × thickness
  const roll = Math.sqrt(rules['blind.tube'] ** 2 + (4 * cloth * rules['blind.thick']) / Math.PI)
  return {
    ok: true,
    blind: {
      widthMm: width,
      dropMm: drop,
      clothWideMm: clothWide,
      gapMm: isInside ? (opening.widthMm - clothWide) / 2 : Math.max(0, (opening.widthMm - clothWide) / 2),
      clothMm: cloth,
      stackMm: isRoller ? roll : rules['blind.head'] + folds * rules['blind.pleat-up'],
      folds,
    },
  }
}

export type Pelmet = {
  readonly widthMm: number
  readonly deepMm: number
  /** From the wall to its front. */
  readonly returnMm: number
  readonly boardMm: number
  /** Cloth that runs across it: its length, where the pattern may lie on its side, else widths joined. */
  readonly clothMm: number
  readonly widths: number
}
/** A flat pelmet over a track and all that hangs from it; its front is a share of the whole drop. */
export function pelmetOver(
  { trackMm, dropMm, standOffMm }: { readonly trackMm: number; readonly dropMm: number; readonly standOffMm: number },
  cloth: { readonly widthMm: number; readonly mayTurn: boolean },
  rules: Rules,
): { readonly ok: true; readonly pelmet: Pelmet } | Wrong {
  if (!(trackMm > 0)) return wrong('track', 'is nothing: expected the length of the track under it')
  if (!(dropMm > 0)) return wrong('drop', 'is nothing: expected the drop of what hangs under it')
  const width = trackMm + 2 * rules['pelmet.beside']
  const deep = dropMm * rules['pelmet.share']
  const back = standOffMm + rules['pelmet.beside']
  const flat = width + 2 * back + 2 * rules['blind.side']
  const high = deep + 2 * rules['blind.side']
  const turns = cloth.mayTurn && high <= cloth.widthMm
  const widths = turns ? 1 : Math.ceil(flat / cloth.widthMm - 1e-9)
  return {
    ok: true,
    pelmet: {
      widthMm: width,
      deepMm: deep,
      returnMm: back,
      boardMm: width,
      clothMm: turns ? flat : widths * high,
      widths,
    },
  }
}

/** Where a dressing hangs: its pole, track or head, how long and how high, how far off the wall, and from where to where its cloth falls. In mm. */
import { isBlind } from '../../makeover/dressing-choices.ts'
import type { Row } from '../../makeover/kinds.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { poleFor } from '../../soft-goods/curtains.ts'
import type { Window } from './window.ts'

export type Place = {
  /** As it is drawn, along what is unrolled. */
  readonly u0: number
  readonly u1: number
  /** The middle of the pole, or the underside of a track or a head. */
  readonly atMm: number
  /** Of the pole or track itself: round a bay it runs inside its corners. */
  readonly lengthMm: number
  /** From the wall to the middle of the pole: what it needs, and what it has. */
  readonly needsOffMm: number
  readonly standOffMm: number
  readonly topMm: number
  readonly footMm: number
}

/** From the middle of a pole down to the cloth on its rings; an eyelet stands up over it by as much. */
const ringMm = 30
/** From the head of a recess down to a rod in it. */
const insideMm = 25

/**
 * @param behindMm how deep it is what hangs or stays behind it, from the wall
 * Heights and overhangs of the trade: the rules `curtain.*`.
 */
export function placeOf(window: Window, row: Row<'dressing'>, behindMm: number, rules: Rules): Place {
  const { glass } = window
  const blind = isBlind(row.what)
  const needsOff = Math.max(
    blind ? 0 : rules['curtain.stand-off'],
    behindMm > 0 ? behindMm + rules['curtain.behind'] : 0,
  )
  const standOff = row.standOffMm ?? needsOff
  const [u0, u1] = alongWall(window, row, rules)
  const at = row.atMm ?? heightOf(window, row, rules)
  const length =
    row.trackMm ??
    u1 - u0 - window.cornersDeg.reduce((sum, deg) => sum + (2 * standOff) / Math.tan(((deg / 2) * Math.PI) / 180), 0)
  const top = blind || row.hung === 'track' || row.inside ? at : row.heading === 'eyelet' ? at + ringMm : at - ringMm
  return {
    u0,
    u1,
    atMm: at,
    lengthMm: length,
    needsOffMm: needsOff,
    standOffMm: standOff,
    topMm: blind && !row.inside ? Math.max(at, glass.z1) : top,
    footMm: footOf(window, row, rules),
  }
}

function alongWall({ glass, widthMm, fromMm, toMm }: Window, row: Row<'dressing'>, rules: Rules): [number, number] {
  if (row.roundBay && row.trackMm === null) return [0, widthMm]
  if (row.inside) return [glass.u0, glass.u1]
  const middle = (glass.u0 + glass.u1) / 2
  if (row.trackMm !== null) return [middle - row.trackMm / 2, middle + row.trackMm / 2]
  const beside = isBlind(row.what) ? rules['blind.outside'] : rules['curtain.beside']
  // as far as it is usual, or as the wall goes: never into a corner, never before the next opening
  return [
    Math.min(glass.u0, Math.max(fromMm + cornerMm, glass.u0 - beside)),
    Math.max(glass.u1, Math.min(toMm - cornerMm, glass.u1 + beside)),
  ]
}
/** What a finial and a hand need beside a corner. */
const cornerMm = 20

function heightOf({ glass, ceilingMm }: Window, row: Row<'dressing'>, rules: Rules): number {
  if (isBlind(row.what)) return row.inside ? glass.z1 : glass.z1 + rules['blind.outside']
  if (row.inside) return glass.z1 - insideMm
  const { atMm } = poleFor({ widthMm: glass.u1 - glass.u0, topMm: glass.z1 }, ceilingMm, rules)
  return ceilingMm === null ? atMm : Math.min(atMm, ceilingMm - rules['curtain.ceiling'])
}

function footOf({ glass }: Window, row: Row<'dressing'>, rules: Rules): number {
  if (isBlind(row.what)) return row.inside ? glass.z0 : Math.max(0, glass.z0 - rules['blind.outside'])
  if (row.inside) return glass.z0 + rules['curtain.sill']
  switch (row.falls) {
    case 'sill':
      return glass.z0 + rules['curtain.sill']
    case 'below the sill':
      return Math.max(rules['curtain.floor'], glass.z0 - rules['curtain.below-sill'])
    case 'floor':
      return rules['curtain.floor']
    case 'puddle':
      return -rules['curtain.puddle']
  }
}

/** Blinds and pelmets before a window: their sizes by the soft goods, and how they are seen up and down. */
import { writeLength } from '../../measure/length.ts'
import { blindFor } from '../../soft-goods/blinds.ts'
import { boughtBlind, pelmetOver } from '../../soft-goods/bought-blinds.ts'
import { wrong, type Wrong } from '../../soft-goods/cloth.ts'
import { line } from '../take-off/told.ts'
import type { About, Dressed, Hung } from './dressed.ts'

const metresOf = (mm: number): number => Math.ceil(mm / 100 - 1e-9) / 10
const inMetres = (mm: number): string => `${metresOf(mm).toFixed(1)} m`

export function blindDressing(about: About): Dressed | Wrong {
  const { window, row, place, sold, rules, units } = about
  const { glass } = window
  const opening = { widthMm: glass.u1 - glass.u0, heightMm: glass.z1 - glass.z0 }
  const size = (mm: number): string => writeLength(Math.round(mm), units)
  const down = (widthMm: number, dropMm: number, folds: number): Hung => {
    const middle = (glass.u0 + glass.u1) / 2
    return {
      u0: middle - widthMm / 2,
      u1: middle + widthMm / 2,
      z0: Math.max(0, place.topMm - dropMm),
      z1: place.topMm,
      folds,
      across: true,
    }
  }
  const freeOf = (stackMm: number): number =>
    1 - Math.min(1, Math.max(0, stackMm - Math.max(0, place.topMm - glass.z1)) / Math.max(1, opening.heightMm))
  if (row.what !== 'Roman blind') {
    const found = boughtBlind(
      row.what === 'roller blind' ? 'roller blind' : 'pleated blind',
      opening,
      row.inside,
      rules,
    )
    if (!found.ok) return found
    const { blind } = found
    return {
      ok: true,
      place,
      need: 1,
      unit: 'pieces',
      words: `a blind of ${size(blind.widthMm)} × ${size(blind.dropMm)}`,
      lines: [
        line(
          'To order',
          `${size(blind.widthMm)} × ${size(blind.dropMm)}`,
          row.inside
            ? `${size(rules['blind.inside'])} narrower than the recess`
            : `${size(rules['blind.outside'])} over the window on every side`,
        ),
        ...(row.what === 'roller blind'
          ? [
              line(
                'Its cloth',
                size(blind.clothWideMm),
                `pins and chain take ${size(rules['blind.roller-gap'])} at each side`,
              ),
              line(
                'Rolled up',
                size(blind.stackMm),
                `${size(blind.clothMm)} on a tube of ${size(rules['blind.tube'])}`,
              ),
            ]
          : [
              line('Folds', String(blind.folds), `one every ${size(rules['blind.pleat'])}`),
              line('Folded up', size(blind.stackMm)),
            ]),
      ],
      says: [...(blind.gapMm > 0 ? [`Light comes in ${size(blind.gapMm)} wide at each side.`] : []), ofCords],
      open: [down(blind.widthMm, blind.stackMm, row.what === 'roller blind' ? 0 : 4)],
      shut: [down(blind.widthMm, blind.dropMm, blind.folds)],
      freeShare: freeOf(blind.stackMm),
      gapMm: blind.gapMm,
      widths: 1,
    }
  }
  const found = blindFor(
    {
      ...opening,
      isInside: row.inside,
      cloth: { widthMm: sold.widthMm, repeatMm: sold.repeatMm, acrossMm: 0 },
      isCentred: row.centred,
    },
    rules,
  )
  if (!found.ok) return { ...found, field: found.field === 'clothWidth' ? 'cloth' : 'openingId' }
  const { blind } = found
  const gap = row.inside ? rules['blind.inside'] / 2 : 0
  const lining = row.lining === 'none' ? null : Math.ceil(blind.cutWidthMm / sold.widthMm - 1e-9) * blind.cutDropMm
  return {
    ok: true,
    place,
    need: metresOf(blind.clothMm),
    unit: 'm',
    words: `${inMetres(blind.clothMm)} of cloth`,
    lines: [
      line(
        'Finished',
        `${size(blind.widthMm)} × ${size(blind.dropMm)}`,
        row.inside
          ? `${size(rules['blind.inside'])} narrower than the recess`
          : `${size(rules['blind.outside'])} over the window on every side`,
      ),
      line(
        'Cut',
        `${size(blind.cutWidthMm)} × ${size(blind.cutDropMm)}`,
        `${size(rules['blind.side'])} at each side, head and hem${row.centred && sold.repeatMm > 0 ? `, and a repeat of ${size(sold.repeatMm)} to choose its middle from` : ''}`,
      ),
      line(
        'Cloth',
        inMetres(blind.clothMm),
        blind.widths > 1
          ? `${blind.widths} widths: a whole one in the middle, a strip at each side`
          : `in one drop of ${size(sold.widthMm)} wide cloth${sold.isChosen ? '' : '; no cloth is chosen yet'}`,
      ),
      ...(lining === null ? [] : [line('Lining', inMetres(lining), row.lining === 'lined' ? 'plain' : row.lining)]),
      line('Folds', String(blind.folds), `${size(blind.foldMm)} each, and half of that at the foot`),
      line('Rods', String(blind.rods)),
      line('Folded up', size(blind.stackMm), `${Math.round(100 * freeOf(blind.stackMm))} % of the glass stays free`),
    ],
    says: [
      ...(row.centred && sold.repeatMm > blind.dropMm
        ? [
            `A repeat of ${size(sold.repeatMm)} is longer than the blind: its motif is never seen whole. Curtains carry it better here.`,
          ]
        : []),
      ...(blind.widths > 1
        ? [
            'It is wider than its cloth: a seam at each side of a whole middle, on the edge of a stripe where there is one.',
          ]
        : []),
      ...(blind.widthMm > widestMm
        ? ['So wide a blind is heavy and hangs out of true: two side by side, parted where the window is.']
        : []),
      ...(gap > 0 ? [`Light comes in ${size(gap)} wide at each side.`] : []),
      ofCords,
    ],
    open: [down(blind.widthMm, blind.stackMm, 2)],
    shut: [down(blind.widthMm, blind.dropMm, blind.folds)],
    freeShare: freeOf(blind.stackMm),
    gapMm: gap,
    widths: blind.widths,
  }
}
/** By the safety standard of window coverings, EN 13120 (memory). */
const ofCords = 'Its cord or chain is held tight on the wall, out of a child’s reach.'
/** A Roman blind beyond this is heavy for its cords (common practice). */
const widestMm = 1800

export function pelmetDressing({ window, row, place, sold, under, rules, units }: About): Dressed | Wrong {
  const size = (mm: number): string => writeLength(Math.round(mm), units)
  const drop = under?.dropMm ?? place.atMm - rules['curtain.floor']
  const found = pelmetOver(
    {
      trackMm: under?.trackMm ?? place.lengthMm,
      dropMm: drop,
      standOffMm: under?.standOffMm ?? place.standOffMm,
    },
    { widthMm: sold.widthMm, mayTurn: sold.match === 'free' },
    rules,
  )
  if (!found.ok) return wrong('trackMm', found.error)
  const { pelmet } = found
  const middle = (window.glass.u0 + window.glass.u1) / 2
  const half = row.roundBay ? (place.u1 - place.u0) / 2 : pelmet.widthMm / 2
  const front: Hung = {
    u0: middle - half,
    u1: middle + half,
    z0: place.atMm + pelmetAboveMm - pelmet.deepMm,
    z1: place.atMm + pelmetAboveMm,
    folds: 0,
    across: true,
  }
  return {
    ok: true,
    place,
    need: metresOf(pelmet.clothMm),
    unit: 'm',
    words: `${inMetres(pelmet.clothMm)} of cloth`,
    lines: [
      line('Front', `${size(pelmet.widthMm)} × ${size(pelmet.deepMm)}`, `about a sixth of the drop of ${size(drop)}`),
      line('Back to the wall', size(pelmet.returnMm), 'at each end'),
      line('Cloth', inMetres(pelmet.clothMm), pelmet.widths > 1 ? `${pelmet.widths} widths` : 'on its side, in one'),
      line('Board', size(pelmet.boardMm)),
    ],
    says: [],
    open: [front],
    shut: [front],
    freeShare: null,
    gapMm: 0,
    widths: pelmet.widths,
  }
}
/** How far its board is above the track. */
const pelmetAboveMm = 40

/** Curtains and sheers before a window: their cloth by the soft goods, and how they stand open and shut. */
import { writeLength } from '../../measure/length.ts'
import type { Wrong } from '../../soft-goods/cloth.ts'
import { curtainsFor } from '../../soft-goods/curtains.ts'
import { fullnessOf, fullnessRange } from '../../soft-goods/headings.ts'
import { line } from '../take-off/told.ts'
import type { About, Dressed, Hung } from './dressed.ts'

/** How far one fold of a gathered cloth is from the next, as it is drawn. */
const foldMm = 110

export function curtainDressing({ window, row, place, sold, rules, units }: About): Dressed | Wrong {
  const { glass } = window
  const size = (mm: number): string => writeLength(Math.round(mm), units)
  const heading = row.what === 'sheers' ? 'sheer' : row.heading
  const fullness = row.fullness ?? fullnessOf(heading)
  const [least, most] = fullnessRange[heading]
  const headingWords = heading === 'sheer' ? 'sheers' : `${heading} curtains`
  const returns = row.returnMm ?? (row.inside || row.what === 'sheers' ? 0 : place.standOffMm)
  const sideMm = [glass.u0 - place.u0, place.u1 - glass.u1]
  const found = curtainsFor(
    {
      trackMm: place.lengthMm,
      returnMm: returns,
      dropMm: place.topMm - place.footMm,
      fullness,
      isPair: row.pair,
      cloth: { widthMm: sold.widthMm, repeatMm: sold.repeatMm, acrossMm: 0, match: sold.match },
      liningMm: row.lining === 'none' ? null : liningWidthMm,
      glass: { widthMm: glass.u1 - glass.u0, besideMm: Math.max(0, Math.min(...sideMm)) },
    },
    rules,
  )
  if (!found.ok) return found
  const made = found.curtains
  const turned = made.turnedMm !== null && made.turnedMm < made.metresMm ? made.turnedMm : null
  const metres = (turned ?? made.metresMm) / 1000
  const stack = Math.min(made.stackMm, place.u1 - place.u0)
  const [open, shut] = standing(place, stack, row.pair, made.widths)
  const corners = window.cornersDeg.length
  const asked =
    row.trackMm !== null || row.roundBay || row.inside
      ? ''
      : `${size(rules['curtain.beside'])} beside the glass where the wall allows`
  return {
    ok: true,
    place,
    need: Math.ceil(metres * 10 - 1e-9) / 10,
    unit: 'm',
    words: `${(Math.ceil(metres * 10 - 1e-9) / 10).toFixed(1)} m of cloth`,
    lines: [
      line(
        row.hung === 'pole' ? 'Pole' : 'Track',
        size(place.lengthMm),
        corners > 0
          ? `${window.walls.length} walls of the bay, less what ${corners === 1 ? 'a corner' : `${corners} corners`} take ${size(place.standOffMm)} off the wall`
          : asked,
      ),
      line('Hangs at', size(place.atMm), `${size(Math.max(0, place.atMm - glass.z1))} above the window`),
      line('Drop', size(place.topMm - place.footMm), dropWords[row.inside ? 'sill' : row.falls]),
      line(
        'Flat',
        size(made.flatMm),
        `(${size(place.lengthMm)}${returns > 0 ? ` + 2 × ${size(returns)} back to the wall` : ''}${row.pair ? ` + ${size(rules['curtain.overlap'])} overlap` : ''}) × ${fullness}, and ${size(rules['curtain.side-hem'])} at each edge`,
      ),
      ...(turned === null
        ? [
            line(
              'Widths',
              row.pair ? `${made.widths}, ${made.widthsEach} each` : String(made.widths),
              `÷ ${size(sold.widthMm)}, rounded up${sold.isChosen ? '' : '; no cloth is chosen yet'}`,
            ),
            line(
              'Cut drop',
              size(made.cutDropMm),
              `${size(made.rawDropMm)} with heading and hem${made.cutDropMm > made.rawDropMm ? `, up to whole repeats of ${size(sold.repeatMm)}` : ''}`,
            ),
          ]
        : [line('Turned on its side', size(turned), 'the cloth is as wide as the drop: no seams')]),
      line(
        'Cloth',
        `${(Math.ceil(metres * 10 - 1e-9) / 10).toFixed(1)} m`,
        turned === null ? `${made.widths} × ${size(made.cutDropMm)}` : '',
      ),
      ...(made.liningMm === null
        ? []
        : [
            line(
              'Lining',
              `${(made.liningMm / 1000).toFixed(1)} m`,
              `${row.lining === 'lined' ? 'plain' : row.lining}, ${size(liningWidthMm)} wide`,
            ),
            ...(row.lining === 'interlined'
              ? [line('Interlining', `${(made.liningMm / 1000).toFixed(1)} m`, 'between cloth and lining')]
              : []),
          ]),
      line('Heading tape', `${(made.tapeMm / 1000).toFixed(1)} m`),
      row.hung === 'pole' && row.heading !== 'eyelet'
        ? line('Rings', String(made.rings), `one every ${size(rules['curtain.hook-gap'])}`)
        : line(
            row.heading === 'eyelet' ? 'Eyelets' : 'Gliders and hooks',
            String(row.heading === 'eyelet' ? evenUp(made.hooks) : made.hooks),
          ),
      line('Brackets', String(made.brackets), `${size(place.standOffMm)} off the wall`),
      line(
        'Open, they stack to',
        size(stack),
        `${Math.round((100 * (made.freeMm ?? 0)) / Math.max(1, glass.u1 - glass.u0))} % of the glass stays free`,
      ),
    ],
    says: [
      ...(fullness < least
        ? [`At ${fullness} times its width it looks skimped: ${headingWords} take ${least} to ${most}.`]
        : []),
      ...(fullness > most
        ? [`At ${fullness} times its width it is bulky and stacks wide: ${headingWords} take ${least} to ${most}.`]
        : []),
      ...(row.roundBay && row.hung === 'pole'
        ? ['A pole takes a joint in every corner of the bay, and rings that pass it; a track is bent to it.']
        : []),
      ...(made.spareMm > 100 && turned === null
        ? [`Each drop leaves ${size(made.spareMm)} of its last repeat: tie-backs, or a cushion.`]
        : []),
      ...(row.falls === 'puddle' && !row.inside
        ? ['What lies on the floor gathers dust, and is in the way of a vacuum cleaner and of feet.']
        : []),
    ],
    open,
    shut,
    freeShare: made.freeMm === null ? null : made.freeMm / Math.max(1, glass.u1 - glass.u0),
    gapMm: Math.max(0, -Math.min(...sideMm)) + (row.inside ? insideGapMm : 0),
    widths: made.widths,
  }
}

/** Linings are sold as wide as this (common practice). */
const liningWidthMm = 1370
/** Beside a curtain within its recess. */
const insideGapMm = 10
/** Eyelets come in twos, so that both ends turn to the wall. */
const evenUp = (count: number): number => count + (count % 2)

const dropWords = {
  sill: 'to just above the sill',
  'below the sill': 'below the sill, over the draught',
  floor: 'to just above the floor',
  puddle: 'and on to the floor',
} as const

function standing(
  { u0, u1, topMm, footMm }: About['place'],
  stack: number,
  isPair: boolean,
  widths: number,
): [Hung[], Hung[]] {
  const part = (from_: number, to: number, share: number, gathered: number): Hung => ({
    u0: from_,
    u1: to,
    z0: Math.max(0, footMm),
    z1: topMm,
    folds: Math.max(2, Math.round(((widths * share) / gathered) * 6)),
    across: false,
  })
  const middle = (u0 + u1) / 2
  const foldsIn = (from_: number, to: number): Hung => ({
    ...part(from_, to, 1, 1),
    folds: Math.max(2, Math.round((to - from_) / foldMm)),
  })
  return isPair
    ? [
        [part(u0, u0 + stack / 2, 0.5, 1), part(u1 - stack / 2, u1, 0.5, 1)],
        [foldsIn(u0, middle), foldsIn(middle, u1)],
      ]
    : [[part(u0, u0 + stack, 1, 1)], [foldsIn(u0, u1)]]
}

/** A picture in panels, a whole set for every wall it is on: hung about the middle of the wall, its outer panels cut. */
import type { LaidFinish } from '../../makeover/laid.ts'
import type { Row } from '../../makeover/kinds.ts'
import { rectangle } from '../outlines.ts'
import { lengthIn, line, type At, type Product, type Reckoned, type Refused, type Shape } from './told.ts'
import { hungOn, regionsOf, type Hung } from './where.ts'

type Set = { readonly panelMm: number; readonly highMm: number; readonly panels: number }

/** Null where it is no picture; in words what is missing to reckon one. */
export function muralReckoned(
  at: At,
  finish: LaidFinish,
  treatment: Row<'treatment'>,
  { makeUp }: Product,
): Reckoned | Refused | null {
  if (makeUp?.match !== 'picture') return null
  const { widthMm, lengthMm, repeatMm } = makeUp
  if (widthMm === null || lengthMm === null || repeatMm === null)
    return {
      ok: false,
      error:
        'of a picture in panels all three are needed: how wide and high a panel is, and how wide the whole picture',
    }
  const panels = Math.round(repeatMm / widthMm)
  if (panels < 1 || Math.abs(panels * widthMm - repeatMm) > 0.02 * repeatMm)
    return { ok: false, error: 'the whole picture is not as wide as a number of its panels' }
  const set: Set = { panelMm: widthMm, highMm: lengthMm, panels }
  const walls = regionsOf(at, finish, treatment.id).map((region) => hungOn(region))
  if (walls.length === 0) return null
  const length = lengthIn(at)
  const trim = at.rules['paper.trim']
  for (const { name, lengthMm: long, heightMm } of walls) {
    if (long > panels * widthMm + 1)
      return {
        ok: false,
        error: `${name} is longer than the whole picture: expected at most ${length(panels * widthMm)}`,
      }
    if (heightMm + trim > lengthMm)
      return {
        ok: false,
        error: `${name} is higher than the picture: expected panels of at least ${length(Math.ceil(heightMm + trim))}`,
      }
  }
  const shapes = walls.flatMap((wall) => panelShapes(wall, set, treatment.startMm))
  const cut = shapes.filter(({ whole }) => !whole).length
  const need = walls.length
  return {
    ok: true,
    need: Math.max(0, need - treatment.leftOver),
    unit: 'sets',
    words: `${need} ${need === 1 ? 'set' : 'sets'} of ${panels} panels`,
    lines: [
      ...walls.map(({ name, lengthMm: long, heightMm, wall }) =>
        line(name, length(long), `${length(heightMm)} high; a set of its own`, wall.row.id),
      ),
      line(
        'The whole picture',
        length(panels * widthMm),
        `${panels} panels of ${length(widthMm)} × ${length(lengthMm)}`,
      ),
      line('Panels that hang', String(shapes.length), `${cut} of them cut, the picture about the middle of its wall`),
      line(
        'A panel is cut to',
        length(Math.max(...walls.map(({ heightMm }) => heightMm)) + trim),
        'with its trim; say to the shop which edge may go',
      ),
      ...(treatment.leftOver > 0 ? [line('Left from elsewhere', `− ${treatment.leftOver}`, treatment.leftFrom)] : []),
    ],
    shapes,
    bars: [],
    lengths: null,
    beside: [],
    says: [],
  }
}

function panelShapes(
  { wall, begins, low, lengthMm, heightMm }: Hung,
  { panelMm, panels }: Set,
  startMm: number,
): Shape[] {
  // moved no further than the picture still covers the wall
  const spare = panels * panelMm - lengthMm
  const left = Math.min(0, Math.max(-spare, -spare / 2 + startMm))
  return Array.from({ length: panels }, (_, index) => index).flatMap((index): Shape[] => {
    const [start, to] = [Math.max(0, left + index * panelMm), Math.min(lengthMm, left + (index + 1) * panelMm)]
    if (to - start < 0.5) return []
    return [
      {
        on: wall.row.id,
        kind: 'strip',
        outline: rectangle(begins + start, low, to - start, heightMm),
        whole: to - start > panelMm - 0.5,
        text: String(index + 1),
        design: { x: begins + left, y: low + heightMm },
      },
    ]
  })
}

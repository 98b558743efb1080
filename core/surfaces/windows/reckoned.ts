/** Everything that hangs before the windows of a makeover, each held to what hangs behind it. */
import { isBlind } from '../../makeover/dressing-choices.ts'
import { headOf, rowsOf, type Makeover } from '../../makeover/document.ts'
import type { Row } from '../../makeover/kinds.ts'
import type { UnitSystem } from '../../measure/length.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import type { Room } from '../../survey/index.ts'
import type { Wrong } from '../../soft-goods/cloth.ts'
import { inUnits } from '../take-off/words.ts'
import { dressed, type Dressed, type Sold } from './dressed.ts'
import { windowOf, type Window } from './window.ts'

export type DressedWindow = {
  readonly row: Row<'dressing'>
  readonly window: Window
  readonly sold: Sold
  readonly behindMm: number
  /** What lies behind it and is deepest, as a person calls it; empty where nothing does. */
  readonly behind: string
  readonly dressed: Dressed | Wrong
}

/** What is usual where no cloth is chosen yet. */
const usual: Sold = { widthMm: 1370, repeatMm: 0, match: 'free', isChosen: false }

/** The cloth of a line to buy: of its chosen candidate, or of the first that was found for it. */
export function soldFor(makeover: Makeover, pieceId: string | null): Sold {
  const piece = pieceId === null ? undefined : makeover.rows.piece[pieceId]
  if (!piece) return usual
  const candidate =
    piece.chosenId === null
      ? rowsOf(makeover, 'candidate').find((row) => row.pieceId === piece.id && row.turnedDown === null)
      : makeover.rows.candidate[piece.chosenId]
  const makeUp = candidate && rowsOf(makeover, 'makeUp').find((row) => row.candidateId === candidate.id)
  if (!makeUp || makeUp.widthMm === null) return usual
  const repeat = makeUp.match === 'free' ? 0 : (makeUp.repeatMm ?? 0)
  return {
    widthMm: makeUp.widthMm,
    repeatMm: repeat,
    match: repeat === 0 ? 'free' : makeUp.match === 'half-drop' ? 'half-drop' : 'straight',
    isChosen: true,
  }
}

/** From the wall to the front of a layer that another one hangs before. */
function depthOf({ row, dressed: found }: DressedWindow, rules: Rules): number {
  if (row.inside || row.what === 'pelmet') return 0
  if (isBlind(row.what)) return rules['blind.recess']
  return (found.ok ? found.place.standOffMm : rules['curtain.stand-off']) + rules['curtain.behind']
}

export function dressedWindows(makeover: Makeover, rooms: readonly Room[], rules: Rules): readonly DressedWindow[] {
  const units = headOf(makeover)?.units ?? 'metric'
  const all: DressedWindow[] = []
  const rows = rowsOf(makeover, 'dressing').toSorted(
    (left, right) =>
      Number(left.what === 'pelmet') - Number(right.what === 'pelmet') ||
      left.place - right.place ||
      (left.id < right.id ? -1 : 1),
  )
  for (const row of rows) {
    const window = windowOf(rooms, row.openingId, row.roundBay)
    if (!window) continue
    const nearer = all.filter((layer) => sharesPane(layer.window, window))
    const deepest = nearer.reduce<{ readonly mm: number; readonly what: string }>(
      (most, layer) => {
        const mm = depthOf(layer, rules)
        return mm > most.mm ? { mm, what: layer.row.what } : most
      },
      { mm: row.staysMm ?? 0, what: row.staysMm === null ? '' : 'the blind that stays' },
    )
    const hangs = nearer.flatMap((layer) => (layer.dressed.ok && !layer.row.inside ? [layer.dressed] : []))
    const longest = hangs.toSorted((left, right) => dropOf(right) - dropOf(left))[0]
    const sold = soldFor(makeover, row.pieceId)
    all.push({
      row,
      window,
      sold,
      behindMm: deepest.mm,
      behind: deepest.what,
      dressed: inOwnUnits(
        dressed({
          window,
          row,
          sold,
          behindMm: deepest.mm,
          under: longest
            ? {
                dropMm: dropOf(longest),
                trackMm: Math.max(...hangs.map(({ place }) => place.lengthMm)),
                standOffMm: Math.max(...hangs.map(({ place }) => place.standOffMm)),
              }
            : null,
          rules,
          units,
        }),
        units,
      ),
    })
  }
  return all
}
/** What cannot be is said in the lengths of its makeover. */
const inOwnUnits = (found: Dressed | Wrong, units: UnitSystem): Dressed | Wrong =>
  found.ok ? found : { ...found, error: inUnits(found.error, units) }
const dropOf = ({ place }: Dressed): number => place.topMm - place.footMm
export const sharesPane = (left: Window, right: Window): boolean =>
  left.panes.some(({ id }) => right.panes.some((pane) => pane.id === id))

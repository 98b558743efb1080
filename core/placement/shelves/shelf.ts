/** What stands on the boards of a shelf, a mantel, a table top or a tray. Lengths in mm; along from the left end, up from the lower end. */
import { rowsOf, type Makeover } from '../../makeover/document.ts'
import type { Row } from '../../makeover/kinds.ts'
import { thingOf } from '../../makeover/thing-names.ts'
import { isMaterial } from '../../makeover/things.ts'

export type Shown = {
  readonly row: Row<'showpiece'>
  readonly id: string
  readonly name: string
  readonly left: number
  readonly right: number
  readonly wide: number
  readonly high: number
}
export type Board = {
  /** From 1 below. */
  readonly number: number
  /** Its top above the lower end of what bears it. */
  readonly at: number
  /** How high a thing on it may be; null where nothing is above. */
  readonly clear: number | null
  readonly shown: readonly Shown[]
}
export type Shelf = {
  readonly piece: Row<'piece'>
  readonly wide: number
  /** Null where nobody measured it. */
  readonly deep: number | null
  readonly high: number
  readonly boards: readonly Board[]
  readonly all: readonly Shown[]
}

/** The thickness of a board, taken off the room below it; common practice. */
const boardMm = 20

const bears: ReadonlySet<string> = new Set(['shelf', 'storage', 'table', 'fixture', 'other'])
/** What things can be shown on: shelves, open storage, mantels, table tops, trays. */
export const canBear = (piece: Row<'piece'>): boolean =>
  !isMaterial(piece) &&
  (bears.has(thingOf(piece)) || /\b(tray|mantel(?:piece)?|ledge|sill)\b/i.test(piece.name)) &&
  !/\b(taps?|faucet|handles?|knobs?|hooks?)\b/i.test(piece.name)

/** Heights as they are typed, "0, 350, 700": null where they are none, or do not rise. */
export function readBoards(text: string): number[] | null {
  const heights = text
    .split(/[,;]/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map(Number)
  const isRising = heights.every(
    (height, at) => Number.isFinite(height) && height >= 0 && height > (heights[at - 1] ?? -1),
  )
  return heights.length > 0 && heights.length <= 40 && isRising ? heights : null
}

/** Shelves that have something on them, or whose boards are known. */
export function shelvesIn(makeover: Makeover, roomId: string): Shelf[] {
  const boards = new Map(rowsOf(makeover, 'shelving').map((row) => [row.pieceId, row]))
  const shown = rowsOf(makeover, 'showpiece')
  return rowsOf(makeover, 'piece').flatMap((piece) => {
    const own = shown.filter(({ pieceId }) => pieceId === piece.id)
    if (piece.roomId !== roomId || (own.length === 0 && !boards.has(piece.id))) return []
    return [shelfOf(makeover, piece, boards.get(piece.id)?.heights ?? '', own)]
  })
}

/** Where nobody said how wide it is, a shelf is as wide as what stands on it. */
export function shelfOf(
  makeover: Makeover,
  piece: Row<'piece'>,
  heights: string,
  own: readonly Row<'showpiece'>[],
): Shelf {
  const chosen = piece.chosenId === null ? undefined : makeover.rows.candidate[piece.chosenId]
  const all = own.map(shownOf).toSorted((left, right) => left.left - right.left)
  const high = chosen?.heightMm ?? piece.heightMm ?? 0
  // a table, a mantel, a single shelf: one board, its top
  const ats = readBoards(heights) ?? [chosen?.topMm ?? high]
  return {
    piece,
    wide: chosen?.widthMm ?? piece.widthMm ?? Math.max(0, ...all.map(({ right }) => right)),
    deep: chosen?.depthMm ?? piece.depthMm,
    high,
    all,
    boards: ats.map((at, index) => {
      const next = ats[index + 1]
      const top = next ?? (high > at + 100 ? high : null)
      return {
        number: index + 1,
        at,
        clear: top === null ? null : top - at - boardMm,
        shown: all.filter(({ row }) => Math.min(row.board, ats.length) === index + 1),
      }
    }),
  }
}

export const shownOf = (row: Row<'showpiece'>): Shown => ({
  row,
  id: row.id,
  name: row.name,
  left: row.alongMm - row.widthMm / 2,
  right: row.alongMm + row.widthMm / 2,
  wide: row.widthMm,
  high: row.heightMm,
})

/** How much a thing weighs to the eye: its size, and more where it is heavy. */
export const eyeWeight = ({ wide, high, row }: Shown): number => wide * high * (row.heavy ? 1.6 : 1)
/** How far the weight of things lies off the middle of a width, as a share of that width: left below 0. */
export function offMiddle(shown: readonly Shown[], wide: number): number {
  const total = shown.reduce((sum, thing) => sum + eyeWeight(thing), 0)
  if (total === 0 || wide === 0) return 0
  const middle = shown.reduce((sum, thing) => sum + eyeWeight(thing) * ((thing.left + thing.right) / 2), 0) / total
  return middle / wide - 0.5
}

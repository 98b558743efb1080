/**
 * A plank floor: rows of boards from wall to wall, end joints apart, offcuts used again, the first row ripped where the last would be
 * too thin. Boards run along x. Lengths in mm.
 */
import type { Rules } from '../rulebook/rulebook.ts'
import { areaOfAll, boxOfAll, stretches, type Part } from './outlines.ts'

export type Board = { readonly lengthMm: number; readonly widthMm: number }
export type LaidBoard = {
  readonly row: number
  readonly x: number
  readonly y: number
  readonly length: number
  /** Of the row: less where it is ripped. */
  readonly width: number
  /** Cut from which board, counted from 0; two pieces of one board bear its number. */
  readonly board: number
  readonly offcut: boolean
}
export type Boarding = {
  readonly boards: readonly LaidBoard[]
  readonly rows: number
  /** Boards that are opened. */
  readonly taken: number
  /** What the area alone would take: no fewer can do. */
  readonly least: number
  readonly firstMm: number
  readonly lastMm: number
  /** The first row is ripped so that the last is not too thin. */
  readonly ripped: boolean
  /** End pieces that had to be shorter than wanted, and joints nearer than wanted. */
  readonly shortEnds: number
  readonly nearJoints: number
  /** What lies, over what is opened, as a share. */
  readonly used: number
}
export type BoardingResult =
  { readonly ok: true; readonly boarding: Boarding } | { readonly ok: false; readonly error: string }

export function layBoards(region: readonly Part[], board: Board, reuse: boolean, rules: Rules): BoardingResult {
  const { lengthMm, widthMm } = board
  if (!(lengthMm > 0) || !(widthMm > 0)) return { ok: false, error: 'a board has a length and a width above nothing' }
  if (region.length === 0) return { ok: false, error: 'there is no floor to lay: the room is not measured' }
  if (lengthMm < 2 * rules['boards.least-end'])
    return {
      ok: false,
      error: `a board of ${Math.round(lengthMm)} mm is shorter than two end pieces of ${rules['boards.least-end']} mm`,
    }
  const gap = rules['boards.gap']
  const box = boxOfAll(region)
  const [low, high] = [box.low + gap, box.high - gap]
  if (high - low < widthMm / 3)
    return { ok: false, error: `a board of ${Math.round(widthMm)} mm is wider than the floor` }
  if ((high - low) / widthMm > rules['boards.most-rows'])
    return { ok: false, error: `more than ${rules['boards.most-rows']} rows: look at the width of the board` }
  const { rows, ripped } = rowsOver(low, high, widthMm, rules)
  const laid: LaidBoard[] = []
  const state: State = { opened: 0, offcuts: [], shortEnds: 0, nearJoints: 0 }
  let before: number[] = []
  for (const [row, { y, width }] of rows.entries()) {
    const joints: number[] = []
    for (const { from: start, to } of stretches(region, y, y + width)) {
      const [left, right] = [start + gap, to - gap]
      if (right - left < 1) continue
      const pieces = rowOf(left, right, board, before, reuse && width > widthMm - 1e-6, state, rules)
      let x = left
      for (const piece of pieces) {
        laid.push({ row, x, y, width, ...piece })
        x += piece.length
        if (right - x > 1e-6) joints.push(x)
      }
    }
    before = joints
  }
  const covers = laid.reduce((sum, { length, width }) => sum + length * width, 0)
  return {
    ok: true,
    boarding: {
      boards: laid,
      rows: rows.length,
      taken: state.opened,
      least: Math.ceil(covers / (lengthMm * widthMm) - 1e-9),
      firstMm: rows[0]?.width ?? 0,
      lastMm: rows.at(-1)?.width ?? 0,
      ripped,
      shortEnds: state.shortEnds,
      nearJoints: state.nearJoints,
      used: state.opened === 0 ? 0 : areaOfAll(region) / (state.opened * lengthMm * widthMm),
    },
  }
}

/** The rows across the floor; where the last would be under its share of a board, the first is ripped and both are alike. */
function rowsOver(
  low: number,
  high: number,
  widthMm: number,
  rules: Rules,
): { rows: { y: number; width: number }[]; ripped: boolean } {
  const span = high - low
  const count = Math.ceil(span / widthMm - 1e-9)
  const last = span - (count - 1) * widthMm
  const ripped = count > 1 && last < (widthMm * rules['boards.last-row']) / 100 - 1e-6
  const first = ripped ? (widthMm + last) / 2 : Math.min(widthMm, span)
  const rows: { y: number; width: number }[] = []
  let y = low
  for (let row = 0; row < count; row++) {
    const width = row === 0 ? first : Math.min(widthMm, high - y)
    rows.push({ y, width })
    y += width
  }
  return { rows, ripped }
}

type Piece = Pick<LaidBoard, 'length' | 'board' | 'offcut'>
type State = { opened: number; offcuts: { length: number; board: number }[]; shortEnds: number; nearJoints: number }

/**
 * The pieces of one row: the first from an offcut where one keeps the joints apart and leaves no short end, else a whole board, else one
 * cut to what does; what is cut off at the end serves again.
 */
function rowOf(
  left: number,
  right: number,
  board: Board,
  before: readonly number[],
  reuse: boolean,
  state: State,
  rules: Rules,
): Piece[] {
  const [span, full, least] = [right - left, board.lengthMm, rules['boards.least-end']]
  const open = (): number => state.opened++
  const fault = (start: number): number => {
    if (start >= span) return 0
    const joints: number[] = []
    for (let at = start; at < span - 1e-6; at += full) joints.push(left + at)
    const end = span - start - Math.floor((span - start - 1e-6) / full) * full
    const near = joints.filter((joint) =>
      before.some((earlier) => Math.abs(earlier - joint) < rules['boards.stagger'] - 1e-6),
    )
    return near.length + (end < least - 1e-6 ? 1 : 0) + (start < least - 1e-6 ? 1 : 0)
  }
  // a row shorter than a board: from the shortest offcut that is long enough, else from a new board
  if (span <= full + 1e-6) {
    const at = reuse ? shortest(state.offcuts, span) : -1
    const taken =
      at < 0 ? { length: full, board: open() } : (state.offcuts.splice(at, 1)[0] ?? { length: full, board: open() })
    keep(state, taken.length - span, taken.board, least, reuse)
    return [{ length: span, board: taken.board, offcut: at >= 0 }]
  }
  const pieces: Piece[] = []
  const offcutAt = reuse ? state.offcuts.findIndex(({ length }) => fault(length) === 0) : -1
  const offcut = offcutAt < 0 ? undefined : state.offcuts.splice(offcutAt, 1)[0]
  if (offcut) pieces.push({ ...offcut, offcut: true })
  else {
    const start = bestStart(full, fault, rules)
    const faults = fault(start)
    if (faults > 0) state.nearJoints++
    const number = open()
    pieces.push({ length: start, board: number, offcut: false })
    keep(state, full - start, number, least, reuse)
  }
  let at = pieces[0]?.length ?? 0
  while (span - at > full + 1e-6) {
    pieces.push({ length: full, board: open(), offcut: false })
    at += full
  }
  const end = span - at
  if (end < least - 1e-6) state.shortEnds++
  const ending = reuse ? shortest(state.offcuts, end) : -1
  const taken =
    ending < 0
      ? { length: full, board: open() }
      : (state.offcuts.splice(ending, 1)[0] ?? { length: full, board: open() })
  keep(state, taken.length - end, taken.board, least, reuse)
  return [...pieces, { length: end, board: taken.board, offcut: ending >= 0 }]
}

function keep(state: State, length: number, board: number, least: number, reuse: boolean): void {
  if (reuse && length >= least - 1e-6) state.offcuts.push({ length, board })
}
const shortest = (offcuts: State['offcuts'], least: number): number =>
  offcuts.reduce(
    (found, { length }, at) =>
      length >= least - 1e-6 && (found < 0 || length < (offcuts[found]?.length ?? 0)) ? at : found,
    -1,
  )

/** A whole board first where that keeps joints apart and leaves no short end; else the longest cut that does. */
function bestStart(full: number, fault: (start: number) => number, rules: Rules): number {
  let best = { start: full, faults: fault(full) }
  for (let start = full - 50; start >= rules['boards.least-end'] && best.faults > 0; start -= 50) {
    const faults = fault(start)
    if (faults < best.faults) best = { start, faults }
  }
  return best.start
}

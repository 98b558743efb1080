/** What is held against things on shelves: whether they fit, then how they look together. Common practice of styling. */
import { deltaE } from '../../colour/difference.ts'
import type { Lab } from '../../colour/lab.ts'
import type { RuleId, Rules } from '../../rulebook/rulebook.ts'
import type { Weight } from '../../remarks/remark.ts'
import { offMiddle, type Board, type Shelf, type Shown } from './shelf.ts'

export type ShelfCode =
  | 'shelf-off'
  | 'shelf-meets'
  | 'shelf-high'
  | 'shelf-deep'
  | 'shelf-level'
  | 'shelf-stuff'
  | 'shelf-twins'
  | 'shelf-balance'
  | 'shelf-heavy'
  | 'shelf-small'
  | 'shelf-colour'
  | 'shelf-strong'
  | 'shelf-crowded'
export type ShelfCheck = {
  readonly code: ShelfCode
  readonly weight: Weight
  readonly pieceId: string
  /** The name of the shelf. */
  readonly on: string
  /** The things it is told of. */
  readonly ids: readonly string[]
  readonly names: readonly string[]
  readonly value: number | null
  readonly wanted: number | null
  readonly rule: RuleId | null
  readonly about: string
}

type Make = (code: ShelfCode, weight: Weight, things: readonly Shown[], more?: Partial<ShelfCheck>) => ShelfCheck

export function shelfChecks(shelf: Shelf, palette: readonly Lab[], rules: Rules): ShelfCheck[] {
  const make: Make = (code, weight, things, more = {}) => ({
    code,
    weight,
    pieceId: shelf.piece.id,
    on: shelf.piece.name,
    ids: things.map(({ id }) => id),
    names: things.map(({ name }) => name),
    value: null,
    wanted: null,
    rule: null,
    about: '',
    ...more,
  })
  return [...fits(shelf, make), ...looks(shelf, palette, rules, make)]
}

function fits({ boards, wide, deep }: Shelf, make: Make): ShelfCheck[] {
  return boards.flatMap(({ shown, clear }) => [
    ...shown.flatMap((thing) => {
      const out = Math.max(-thing.left, thing.right - wide)
      return [
        ...(wide > 0 && out > 1 ? [make('shelf-off', 'stop', [thing], { value: out })] : []),
        ...(clear !== null && thing.high > clear
          ? [make('shelf-high', 'stop', [thing], { value: thing.high - clear, wanted: clear })]
          : []),
        ...(deep !== null && (thing.row.depthMm ?? 0) > deep
          ? [make('shelf-deep', 'look', [thing], { value: (thing.row.depthMm ?? 0) - deep, wanted: deep })]
          : []),
      ]
    }),
    // one before the other is how things are shown, one in the other is not
    ...shown.flatMap((thing, at) =>
      shown.slice(at + 1).flatMap((met) => {
        const shared = Math.min(thing.right, met.right) - Math.max(thing.left, met.left)
        const deepest = (thing.row.depthMm ?? thing.wide) + (met.row.depthMm ?? met.wide)
        return shared > 1 && (deep === null || deepest > deep)
          ? [make('shelf-meets', 'look', [thing, met], { value: shared })]
          : []
      }),
    ),
  ])
}

function looks({ boards, wide, all }: Shelf, own: readonly Lab[], by: Rules, make: Make): ShelfCheck[] {
  const few = by['shelf.few']
  return [
    ...boards.flatMap((board) => [
      ...levels(board, few, by, make),
      ...twins(board, by, make),
      ...crowded(board, wide, by, make),
    ]),
    ...(all.length >= few ? stuffs(all, make) : []),
    ...balance(boards, all, wide, by, make),
    ...heavy(boards, make),
    ...scattered(boards, by, make),
    ...strangers(all, own, by, make),
    ...strong(all, by, make),
  ]
}
/** Things of one height in a row are a fence; books stand so. */
function levels({ shown }: Board, few: number, by: Rules, make: Make): ShelfCheck[] {
  if (shown.length < few || shown.every(({ row }) => row.what === 'books')) return []
  const highs = shown.map(({ high }) => high)
  const spread = (100 * (Math.max(...highs) - Math.min(...highs))) / Math.max(...highs)
  return spread < by['shelf.level']
    ? [make('shelf-level', 'note', shown, { value: spread, wanted: by['shelf.level'], rule: 'shelf.level' })]
    : []
}
/** Two alike side by side look like a shop; at both ends they are a pair. */
function twins({ shown }: Board, by: Rules, make: Make): ShelfCheck[] {
  return shown.flatMap((thing, at) => {
    const next = shown[at + 1]
    const last = shown[at + 2]
    if (!next || thing.row.what === 'books' || thing.row.what !== next.row.what || !isAlike(thing, next, by)) return []
    // three of one are a row that is meant, a pair alone on its board too
    if ((last && isAlike(next, last, by)) || shown.length === 2) return []
    const before = shown[at - 1]
    return before && isAlike(before, thing, by) ? [] : [make('shelf-twins', 'note', [thing, next])]
  })
}
function isAlike(left: Shown, right: Shown, by: Rules): boolean {
  const near = (first: number, second: number): boolean => Math.abs(first - second) <= 0.05 * Math.max(first, second)
  const [first, second] = [labOf(left), labOf(right)]
  return (
    left.row.what === right.row.what &&
    near(left.wide, right.wide) &&
    near(left.high, right.high) &&
    (!first || !second || deltaE(first, second) < by['shelf.colour'] / 2)
  )
}
function crowded({ shown }: Board, wide: number, by: Rules, make: Make): ShelfCheck[] {
  const things = shown.filter(({ row }) => row.what !== 'books' && row.what !== 'box' && row.what !== 'basket')
  const share = wide > 0 ? (100 * shown.reduce((sum, thing) => sum + thing.wide, 0)) / wide : 0
  if (things.length < 3 || share <= by['shelf.full']) return []
  const [less] = things
    .filter(({ row }) => !row.leads)
    .toSorted((left, right) => left.wide * left.high - right.wide * right.high)
  return less
    ? [make('shelf-crowded', 'note', [less], { value: share, wanted: by['shelf.full'], rule: 'shelf.full' })]
    : []
}
function stuffs(all: readonly Shown[], make: Make): ShelfCheck[] {
  const known = all.filter(({ row }) => row.madeOf !== null)
  const [stuff] = new Set(known.map(({ row }) => row.madeOf))
  return known.length === all.length && known.every(({ row }) => row.madeOf === stuff) && stuff !== 'paper'
    ? [make('shelf-stuff', 'note', all, { about: stuff ?? '' })]
    : []
}
function balance(boards: readonly Board[], all: readonly Shown[], wide: number, by: Rules, make: Make): ShelfCheck[] {
  if (wide === 0 || all.length < 3) return []
  const wanted = by['shelf.balance']
  const off = 100 * offMiddle(all, wide)
  const heaviest = (off < 0 ? -1 : 1) * 1
  const side = all.filter(({ left, right }) => heaviest * ((left + right) / 2 - wide / 2) > 0)
  const boardsHeavy = boards.filter(({ shown }) => shown.length > 0).length
  return Math.abs(off) > wanted
    ? [
        make('shelf-balance', 'note', side, {
          value: off,
          wanted,
          rule: 'shelf.balance',
          about: boardsHeavy > 1 ? 'boards' : '',
        }),
      ]
    : []
}
/** Heavy things stand low: none above a lower board that has room for it. */
function heavy(boards: readonly Board[], make: Make): ShelfCheck[] {
  const most = boards.length
  if (most < 3) return []
  const high = boards.slice(Math.ceil(most / 2)).flatMap(({ shown }) => shown.filter(({ row }) => row.heavy))
  return high.map((thing) => make('shelf-heavy', 'note', [thing]))
}
/** Little things here and there are clutter; bunched on a tray or in a row they are one. */
function scattered(boards: readonly Board[], by: Rules, make: Make): ShelfCheck[] {
  const most = by['shelf.small']
  const isSmall = ({ wide, high }: Shown): boolean => wide < most && high < most
  const bunches = boards.flatMap(({ shown }) => {
    const small = shown.filter(isSmall)
    return small.filter((thing, at) => {
      const before = small[at - 1]
      return !before || thing.left - before.right > most
    })
  })
  const small = boards.flatMap(({ shown }) => shown.filter(isSmall))
  return small.length >= 3 && bunches.length >= 3
    ? [make('shelf-small', 'note', small, { value: bunches.length, wanted: most, rule: 'shelf.small' })]
    : []
}
/** Spines, covers and pots of a colour that nothing else in the room has. */
function strangers(all: readonly Shown[], own: readonly Lab[], by: Rules, make: Make): ShelfCheck[] {
  if (own.length === 0) return []
  const far = all.filter((thing) => {
    const lab = labOf(thing)
    return lab !== null && own.every((known) => deltaE(known, lab) > by['shelf.colour'])
  })
  return far.length > 0 && far.length < all.length
    ? [make('shelf-colour', 'note', far, { wanted: by['shelf.colour'], rule: 'shelf.colour' })]
    : []
}
/** One strong thing is looked at; two fight, and among many none is lost. */
function strong(all: readonly Shown[], by: Rules, make: Make): ShelfCheck[] {
  const leading = all.filter(({ row }) => row.leads)
  if (leading.length > 1) return [make('shelf-strong', 'note', leading, { value: leading.length })]
  return leading.length === 0 && all.length >= 2 * by['shelf.few']
    ? [make('shelf-strong', 'note', [], { value: 0 })]
    : []
}

/** The colour of a thing on show; null where nobody said. */
export function labOf({ row: { labL, labA, labB } }: Shown): Lab | null {
  return labL !== null && labA !== null && labB !== null ? { L: labL, a: labA, b: labB } : null
}

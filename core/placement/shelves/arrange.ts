/**
 * Things of a shelf put in an order that pleases more: by turns that exchange, move or turn aside two of them, kept where less is held
 * against the whole, and now and then where not, so that it does not stick (simulated annealing). The same seed gives the same order.
 */
import { seeded } from '../../measure/seeded.ts'
import type { Rules } from '../../rulebook/rulebook.ts'
import { labOf } from './checks.ts'
import { eyeWeight, offMiddle, shownOf, type Board, type Shelf, type Shown } from './shelf.ts'

export type ShelfTried = { readonly done: number; readonly best: number }
export type Arranged = {
  readonly places: readonly { readonly id: string; readonly board: number; readonly alongMm: number }[]
  readonly before: Unrest
  readonly after: Unrest
}
/** What an arrangement has against it, each from 0. */
export type Unrest = {
  /** Does not fit: over an end, under the next board. */
  readonly fit: number
  /** Neighbours of one height, of one material, of one shape. */
  readonly alike: number
  /** Left against right, and board against board. */
  readonly balance: number
  /** Heavy things high up. */
  readonly heavy: number
  /** Small things apart from one another. */
  readonly small: number
  /** The strong thing hidden at an end. */
  readonly strong: number
}
export const unrestIn = (unrest: Unrest): number =>
  100 * unrest.fit + unrest.alike + 4 * unrest.balance + 2 * unrest.heavy + 0.7 * unrest.small + unrest.strong

type Row = readonly Shown[]

/** Round after round, told as it goes; stopped, it hands over the best so far. */
export function* arrangeShelf(
  shelf: Shelf,
  rules: Rules,
  seed: number,
  rounds = 6000,
): Generator<ShelfTried, Arranged, boolean | undefined> {
  const { boards, wide } = shelf
  const chance = seeded(seed)
  let rows: Shown[][] = boards.map(({ shown }) => [...shown])
  const judge = (tried: readonly Row[]): number => unrestIn(unrestOf(boards, tried, wide, rules))
  let current = judge(rows)
  let best = rows.map((row) => [...row])
  let least = current
  const start = unrestOf(boards, rows, wide, rules)
  for (let round = 0; round < rounds; round++) {
    const heat = 0.6 * (1 - round / rounds) ** 2
    const tried = rows.map((row) => [...row])
    const source = filled(tried, chance)
    if (source === null) break
    const row = tried[source] ?? []
    const at = Math.floor(chance() * row.length)
    if (chance() < 0.5) {
      const to = Math.floor(chance() * tried.length)
      const [thing] = row.splice(at, 1)
      const target = tried[to] ?? row
      if (thing) target.splice(Math.floor(chance() * (target.length + 1)), 0, thing)
    } else {
      const to = filled(tried, chance) ?? source
      const target = tried[to] ?? row
      const second = Math.floor(chance() * target.length)
      const [first, partner] = [row[at], target[second]]
      if (first && partner) {
        row[at] = partner
        target[second] = first
      }
    }
    const then = judge(tried)
    if (then <= current || chance() < Math.exp((current - then) / Math.max(1e-6, heat))) {
      rows = tried
      current = then
      if (then < least) {
        least = then
        best = tried
      }
    }
    if (round % 200 === 199) {
      const isStopped = yield { done: (round + 1) / rounds, best: least }
      if (isStopped) break
    }
  }
  return {
    places: best.flatMap((row, index) =>
      spaced(row, wide).map(({ row: { id }, left, right }) => ({ id, board: index + 1, alongMm: (left + right) / 2 })),
    ),
    before: start,
    after: unrestOf(boards, best, wide, rules),
  }
}

function filled(rows: readonly Row[], chance: () => number): number | null {
  const some = rows.flatMap((row, at) => (row.length > 0 ? [at] : []))
  return some[Math.floor(chance() * some.length)] ?? null
}

/** Side by side with even gaps; small things of one board stay a hand together. */
export function spaced(row: Row, wide: number): Shown[] {
  const total = row.reduce((sum, thing) => sum + thing.wide, 0)
  const gap = (wide - total) / (row.length + 1)
  let x = gap
  return row.map((thing) => {
    const along = x + thing.wide / 2
    x += thing.wide + gap
    return shownOf({ ...thing.row, alongMm: along })
  })
}

export function unrestOf(boards: readonly Board[], rows: readonly Row[], wide: number, rules: Rules): Unrest {
  const placed = rows.map((row) => spaced(row, wide))
  const total = Math.max(
    1,
    placed.flat().reduce((sum, thing) => sum + eyeWeight(thing), 0),
  )
  const count = Math.max(1, placed.flat().length)
  let [fit, alike, heavy, strong] = [0, 0, 0, 0]
  const bunches: number[] = []
  for (const [at, row] of placed.entries()) {
    const clear = boards[at]?.clear ?? null
    const used = row.reduce((sum, thing) => sum + thing.wide, 0)
    if (used > wide) fit += (used - wide) / Math.max(1, wide)
    for (const [place, thing] of row.entries()) {
      if (clear !== null && thing.high > clear) fit += 1
      if (thing.row.heavy) heavy += at / Math.max(1, placed.length - 1) / count
      if (thing.row.leads && (place === 0 || place === row.length - 1) && row.length > 2) strong += 1
      const next = row[place + 1]
      if (next) alike += likeness(thing, next) / count
    }
    bunches.push(bunched(row, rules['shelf.small']))
  }
  // left against right over all boards and on each, and board against board: the lower may carry more
  const perBoard = placed.map((row) => row.reduce((sum, thing) => sum + eyeWeight(thing), 0) / total)
  const topHeavy = perBoard.reduce((sum, share, at) => sum + Math.max(0, share - (perBoard[at - 1] ?? 1)), 0)
  const sides = placed.reduce((sum, row) => sum + Math.abs(offMiddle(row, wide)) / placed.length, 0)
  const bare = perBoard.filter((share) => share === 0).length / placed.length
  const small = bunches.reduce((sum, many) => sum + Math.max(0, many), 0)
  return {
    fit,
    alike,
    balance: Math.abs(offMiddle(placed.flat(), wide)) + sides + 0.5 * topHeavy + bare,
    heavy,
    small: small <= 1 ? 0 : (small - 1) / count,
    strong,
  }
}

/** In how many bunches small things stand on a board. */
function bunched(row: Row, most: number): number {
  let [bunches, isIn] = [0, false]
  for (const { wide, high } of row) {
    const isSmall = wide < most && high < most
    if (isSmall && !isIn) bunches++
    isIn = isSmall
  }
  return bunches
}

/** How alike two neighbours are: in height, in what they are of, in what they are, in depth of colour. Books stand together. */
function likeness(left: Shown, right: Shown): number {
  if (left.row.what === 'books' && right.row.what === 'books') return 0
  const high = 1 - Math.min(1, (3 * Math.abs(left.high - right.high)) / Math.max(left.high, right.high))
  const stuff = left.row.madeOf !== null && left.row.madeOf === right.row.madeOf ? 1 : 0
  const shape = left.row.what === right.row.what ? 1 : 0
  const [first, second] = [labOf(left), labOf(right)]
  const depth = first && second ? 1 - Math.min(1, Math.abs(first.L - second.L) / 25) : 0
  return high + 0.6 * stuff + 0.8 * shape + 0.4 * depth
}

/** Why an arrangement is better than what was: what it has less against it, the most first. */
export function reasonsOfShelf({ before, after }: Pick<Arranged, 'before' | 'after'>): string[] {
  const words: readonly (readonly [keyof Unrest, string])[] = [
    ['fit', 'everything fits'],
    ['balance', 'left and right, and the boards, hold each partner'],
    ['alike', 'neighbours differ more in height, material and shape'],
    ['heavy', 'what is heavy stands lower'],
    ['small', 'small things stand together'],
    ['strong', 'what is looked at stands free of the ends'],
  ]
  return words
    .filter(([key]) => before[key] - after[key] > 0.01)
    .toSorted(([left], [right]) => before[right] - after[right] - (before[left] - after[left]))
    .map(([, said]) => said)
}

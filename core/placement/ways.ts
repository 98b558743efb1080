/**
 * The clear width of a way: the largest disc that goes from touching a door's opening to touching what it leads to. Found on the grid
 * of clearances by halving, and drawn and measured where it is narrowest. Lengths in mm.
 */
import type { Point } from '../survey/index.ts'
import { gapBetween, segmentsOf, type Gap } from './apart.ts'
import type { Body } from './bodies.ts'
import { awayFrom, farMm, isInside, nothing, placeOf, wallParts, type Field, type Grid } from './clearance.ts'
import type { Setting } from './setting.ts'
import type { Outline } from './shapes.ts'

export type End = {
  readonly id: string
  readonly name: string
  /** How far each cell of the grid is from it; 0 within it. */
  readonly away: Float32Array
}
type Named = { readonly id: string; readonly name: string }
export type Way = {
  readonly from: Named
  readonly to: Named
  /** How wide it is at its narrowest; `isWide`: at least so wide as was asked for. */
  readonly clearMm: number
  readonly isWide: boolean
  /** Where it is narrowest, as on a tape, and between which of the solids; a wall where that is none. */
  readonly narrowest: { readonly from: Point; readonly to: Point; readonly between: readonly (Body | null)[] } | null
  readonly path: readonly Point[]
}

/** An end of ways: a segment that is touched, or an outline that is entered. */
export function endOf(grid: Grid, id: string, name: string, outline: Outline): End {
  const away = awayFrom(grid, segmentsOf(outline))
  if (outline.length > 2)
    for (let index = 0; index < away.length; index++) {
      const { x, y } = placeOf(grid, index)
      if (isInside(outline, x, y)) away[index] = 0
    }
  return { id, name, away }
}
/** The ends of a room's main ways: its doors, then its zones that have a place. */
export function endsOf(
  { doors, room }: Setting,
  grid: Grid,
): { readonly doors: readonly End[]; readonly zones: readonly End[] } {
  return {
    doors: doors.map(({ id, name, segment }) => endOf(grid, id, name, segment)),
    zones: room.zones.flatMap(({ row, outline }) => (outline ? [endOf(grid, row.id, row.name, outline)] : [])),
  }
}

/** How well two ends are joined, as far as `wantedMm`: wider than that is not told apart. `solids` are those of the field, in its order. */
export function wayBetween(
  setting: Setting,
  field: Field,
  solids: readonly Body[],
  start: End,
  to: End,
  wantedMm: number,
): Way {
  const [near, far] = [start.away, to.away]
  const wanted = Math.min(farMm, wantedMm / 2)
  const wide = routed(field, near, far, wanted)
  const ends = { from: named(start), to: named(to) }
  if (wide) return { ...ends, clearMm: wantedMm, isWide: true, narrowest: null, path: wide }
  let [low, high] = [0, wanted]
  let best: readonly Point[] | null = null
  for (let step = 0; step < 7; step++) {
    const middle = (low + high) / 2
    const found = routed(field, near, far, middle)
    if (found) [best, low] = [found, middle]
    else high = middle
  }
  if (!best) return { ...ends, clearMm: 0, isWide: false, narrowest: null, path: [] }
  return { ...ends, ...narrowestOn(setting, field, solids, best, low), isWide: false, path: best }
}

const named = ({ id, name }: End): Named => ({ id, name })

/** A path on which a disc so wide goes from one end to the other; null where there is none: far quicker than how wide a way is. */
export const wayAsWide = (field: Field, start: End, to: End, wideMm: number): readonly Point[] | null =>
  routed(field, start.away, to.away, Math.min(farMm, wideMm / 2))

/** Kept from one search to the next: one is made for every place of a hand. */
let before = new Int32Array(0)
let queue = new Int32Array(0)
const unseen = -2
/** A path of cells on which a disc of a radius goes from end to end; null where there is none. */
function routed({ grid, mm }: Field, near: Float32Array, far: Float32Array, radius: number): readonly Point[] | null {
  const { columns, rows } = grid
  const slack = grid.cell / 2
  // a rim of cells that are not free goes round the grid, so that no step has to ask whether it leaves it
  const wide = columns + 2
  const size = wide * (rows + 2)
  if (before.length < size) {
    before = new Int32Array(size)
    queue = new Int32Array(size)
  }
  const taken = -3
  before.fill(taken, 0, size)
  let many = 0
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const index = row * columns + column
      if ((mm[index] ?? -1) < radius) continue
      const cell = (row + 1) * wide + column + 1
      const isStart = (near[index] ?? Infinity) <= radius + slack
      before[cell] = isStart ? -1 : unseen
      if (isStart) queue[many++] = cell
    }
  const steps = [-wide - 1, -wide, -wide + 1, -1, 1, wide - 1, wide, wide + 1]
  const indexOf = (cell: number): number => (Math.floor(cell / wide) - 1) * columns + (cell % wide) - 1
  for (let at = 0; at < many; at++) {
    const cell = queue[at] ?? 0
    if ((far[indexOf(cell)] ?? Infinity) <= radius + slack) {
      const path: Point[] = []
      for (let step = cell; step >= 0; step = before[step] ?? -1) path.push(placeOf(grid, indexOf(step)))
      return path.toReversed()
    }
    for (const step of steps) {
      const next = cell + step
      if (before[next] !== unseen) continue
      before[next] = cell
      queue[many++] = next
    }
  }
  return null
}

/**
 * The narrowest place of a path: the two solids that are nearest on either side of it, and the exact way between them where that agrees
 * with the grid; a door's own opening where that is narrowest.
 */
function narrowestOn(
  setting: Setting,
  { grid, mm, nearest }: Field,
  solids: readonly Body[],
  path: readonly Point[],
  radius: number,
): Pick<Way, 'clearMm' | 'narrowest'> {
  const indexOf = ({ x, y }: Point): number =>
    Math.round((y - grid.low) / grid.cell) * grid.columns + Math.round((x - grid.left) / grid.cell)
  const sorted = path.toSorted((left, right) => (mm[indexOf(left)] ?? 0) - (mm[indexOf(right)] ?? 0))
  const [tightest] = sorted
  if (!tightest) return { clearMm: 2 * radius, narrowest: null }
  const parts = wallParts(setting)
  const partsOf = (id: number): readonly (readonly [Point, Point])[] =>
    id < 0 ? parts.slice(-1 - id, -id) : segmentsOf(solids[id]?.outline ?? [])
  // the middle of a cell is at most so far off the middle of the way: a gap is never narrower than the disc that went through
  const fits = ({ mm: wide }: Gap): boolean => wide >= 2 * radius - 5 && wide <= 2 * radius + 2.2 * grid.cell
  /** Of what is met on either side of a place the two between which the way is least, and no less than the grid says. */
  function across(place: Point): { gap: Gap; pair: readonly [number, number] } | null {
    const ids = new Set<number>()
    const reach = Math.ceil((radius + 2 * grid.cell) / grid.cell)
    const middle = indexOf(place)
    for (let down = -reach; down <= reach; down++)
      for (let aside = -reach; aside <= reach; aside++) {
        const id = nearest[middle + down * grid.columns + aside]
        if (id !== undefined && id !== nothing) ids.add(id)
      }
    let best: { gap: Gap; pair: readonly [number, number] } | null = null
    const all = [...ids]
    for (const [at, left] of all.entries())
      for (const right of all.slice(at + 1)) {
        const gap = gapBetween(partsOf(left), partsOf(right))
        const [x, y] = [(gap.from.x + gap.to.x) / 2 - place.x, (gap.from.y + gap.to.y) / 2 - place.y]
        if (Math.hypot(x, y) > 2 * radius + 3 * grid.cell || !fits(gap)) continue
        if (!best || gap.mm < best.gap.mm) best = { gap, pair: [left, right] }
      }
    return best
  }
  // several places of a path may be as narrow as each other: the narrowest between two things is told
  const least = mm[indexOf(tightest)] ?? 0
  const [found] = sorted
    .filter((cell) => (mm[indexOf(cell)] ?? 0) <= least + grid.cell / 2)
    .flatMap((place) => across(place) ?? [])
    .toSorted((left, right) => left.gap.mm - right.gap.mm)
  if (found) {
    const { gap, pair } = found
    return {
      clearMm: gap.mm,
      narrowest: { from: gap.from, to: gap.to, between: pair.map((id) => (id < 0 ? null : (solids[id] ?? null))) },
    }
  }
  return {
    clearMm: 2 * least,
    narrowest: {
      from: { x: tightest.x - least, y: tightest.y },
      to: { x: tightest.x + least, y: tightest.y },
      between: [null, null],
    },
  }
}

/** The ways of a room: from each door to each zone that has a place, and to the next door. */
export function waysOf(
  setting: Setting,
  field: Field,
  solids: readonly Body[],
  wantedMm: number,
  { doors, zones } = endsOf(setting, field.grid),
): Way[] {
  return pairsOf({ doors, zones }).map(([door, end]) => wayBetween(setting, field, solids, door, end, wantedMm))
}
export const pairsOf = ({
  doors,
  zones,
}: {
  readonly doors: readonly End[]
  readonly zones: readonly End[]
}): (readonly [End, End])[] =>
  doors.flatMap((door, at) => [...doors.slice(at + 1), ...zones].map((end) => [door, end] as const))

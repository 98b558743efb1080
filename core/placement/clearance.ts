/**
 * How far every place of a floor is from what stands there: on a grid, each thing worked in only where it is near, so that one thing
 * that is moved is worked in anew and the rest is kept. Lengths in mm.
 */
import type { Point } from '../survey/index.ts'
import { segmentsOf } from './apart.ts'
import type { Body } from './bodies.ts'
import type { Setting } from './setting.ts'
import type { Outline } from './shapes.ts'

/** Further off than this nothing is told apart: the widest way, and the circle a wheelchair turns in, are twice as wide. */
export const farMm = 760
const cellMm = 60
const mostCells = 12_000

export type Grid = {
  readonly columns: number
  readonly rows: number
  readonly cell: number
  readonly left: number
  readonly low: number
}
/**
 * For each cell how far its middle is from what is nearest; below 0 it lies in something, or outside. And what that is: the place of a
 * solid in its list, or below 0 a part of the walls (-1 the first).
 */
export type Field = { readonly grid: Grid; readonly mm: Float32Array; readonly nearest: Int16Array }

export const placeOf = ({ columns, cell, left, low }: Grid, index: number): Point => ({
  x: left + (index % columns) * cell,
  y: low + Math.floor(index / columns) * cell,
})

/** The parts of the walls that hem a way in, in their order: what is solid of them, and the jambs of doors as seen from within. */
export const wallParts = ({ solid, doors }: Setting): (readonly [Point, Point])[] => [
  ...solid,
  ...doors.flatMap(({ segment }) => segment.map((jamb) => [jamb, jamb] as const)),
]
/** Where nothing is near. */
export const nothing = 32_767

/** The bare room: its walls, and what lies outside. */
export function bareField(setting: Setting): Field {
  const { outline } = setting
  const xs = outline.map(({ x }) => x)
  const ys = outline.map(({ y }) => y)
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const cell = Math.max(cellMm, Math.sqrt(((right - left) * (high - low)) / mostCells))
  const grid: Grid = {
    cell,
    left: left + cell / 2,
    low: low + cell / 2,
    columns: Math.max(1, Math.floor((right - left) / cell)),
    rows: Math.max(1, Math.floor((high - low) / cell)),
  }
  const mm = new Float32Array(grid.columns * grid.rows).fill(farMm)
  const nearest = new Int16Array(mm.length).fill(nothing)
  for (let index = 0; index < mm.length; index++) {
    const { x, y } = placeOf(grid, index)
    if (!isInside(outline, x, y)) mm[index] = -1
  }
  const field = { grid, mm, nearest }
  for (const [at, part] of wallParts(setting).entries()) work(field, [part], -1 - at, null)
  return field
}

/** What stands there, worked into a copy: what one steps over, or under, is left out. Further off than `withinMm` nothing is told. */
export function withBodies(base: Field, bodies: readonly Body[], first = 0, withinMm = farMm): Field {
  const field = { ...base, mm: base.mm.slice(), nearest: base.nearest.slice() }
  for (const [at, body] of bodies.entries()) {
    if (!hinders(body)) continue
    work(field, segmentsOf(body.outline), first + at, body, withinMm)
  }
  return field
}
/** In the way of one who walks: no rug, nothing that hangs above the head. */
export const hinders = ({ thing, low, top }: Body): boolean => !thing?.flat && low < 1900 && top > 40

function work(
  { grid, mm, nearest }: Field,
  segments: readonly (readonly [Point, Point])[],
  id: number,
  body: Body | null,
  withinMm = farMm,
): void {
  const xs = segments.flatMap((segment) => segment.map(({ x }) => x))
  const ys = segments.flatMap((segment) => segment.map(({ y }) => y))
  const column = (x: number): number => Math.round((x - grid.left) / grid.cell)
  const row = (y: number): number => Math.round((y - grid.low) / grid.cell)
  const [start, end] = [
    Math.max(0, column(Math.min(...xs) - withinMm)),
    Math.min(grid.columns - 1, column(Math.max(...xs) + withinMm)),
  ]
  const [bottom, top] = [
    Math.max(0, row(Math.min(...ys) - withinMm)),
    Math.min(grid.rows - 1, row(Math.max(...ys) + withinMm)),
  ]
  const flat = segments.map(([begin, to]) => {
    const [dx, dy] = [to.x - begin.x, to.y - begin.y]
    return { x: begin.x, y: begin.y, dx, dy, long: dx * dx + dy * dy }
  })
  for (let down = bottom; down <= top; down++)
    for (let across = start; across <= end; across++) {
      const index = down * grid.columns + across
      const known = mm[index] ?? -1
      if (known < 0) continue
      const [x, y] = [grid.left + across * grid.cell, grid.low + down * grid.cell]
      let least = known * known
      let isNearer = false
      for (const { x: fromX, y: fromY, dx, dy, long } of flat) {
        const share = long === 0 ? 0 : Math.min(1, Math.max(0, ((x - fromX) * dx + (y - fromY) * dy) / long))
        const [offX, offY] = [x - fromX - share * dx, y - fromY - share * dy]
        const square = offX * offX + offY * offY
        if (square < least) {
          least = square
          isNearer = true
        }
      }
      if (body && isInside(body.outline, x, y)) {
        mm[index] = -1
        nearest[index] = id
      } else if (isNearer) {
        mm[index] = Math.sqrt(least)
        nearest[index] = id
      }
    }
}

/** Whether a place is within an outline; on its sides either may be said. */
export function isInside(outline: Outline, x: number, y: number): boolean {
  let within = false
  for (let at = 0, before = outline.length - 1; at < outline.length; before = at++) {
    const [start, end] = [outline[before], outline[at]]
    if (!start || !end) continue
    if (start.y > y !== end.y > y && x < ((end.x - start.x) * (y - start.y)) / (end.y - start.y) + start.x)
      within = !within
  }
  return within
}

/** How far each cell is from the nearest of some segments. */
export function awayFrom(grid: Grid, segments: readonly (readonly [Point, Point])[]): Float32Array {
  const away = new Float32Array(grid.columns * grid.rows).fill(Infinity)
  for (const [start, end] of segments) {
    const [dx, dy] = [end.x - start.x, end.y - start.y]
    const long = dx * dx + dy * dy
    for (let index = 0, row = 0; row < grid.rows; row++)
      for (let column = 0; column < grid.columns; column++, index++) {
        const [x, y] = [grid.left + column * grid.cell - start.x, grid.low + row * grid.cell - start.y]
        const share = long === 0 ? 0 : Math.min(1, Math.max(0, (x * dx + y * dy) / long))
        const [offX, offY] = [x - share * dx, y - share * dy]
        const square = offX * offX + offY * offY
        if (square < (away[index] ?? 0)) away[index] = square
      }
  }
  for (let index = 0; index < away.length; index++) away[index] = Math.sqrt(away[index] ?? 0)
  return away
}

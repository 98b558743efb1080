/** A room as it was measured: its walls closed, its ceiling over them, and what is fixed on them, all in one place. */
import { belongingTo } from '../makeover/by-id.ts'
import { kept } from '../makeover/kept.ts'
import { groupBy, headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { apart } from './adjust.ts'
import { type Point } from './point.ts'
import { close, type Closing } from './closing.ts'
import { testedCorner } from './corner-test.ts'
import { type Check, type WallMeasure } from './walk.ts'
import { alongArc, arcOver, direction, riseOf, type Arc } from './geometry.ts'
import { ceilingOver, type Ceiling } from './ceiling.ts'

export type Wall = {
  readonly row: Row<'wall'>
  readonly name: string
  /** Its place in the walk, from 0; its first corner has the same place. */
  readonly at: number
  readonly from: Point
  readonly to: Point
  /** Along it, straight or round its arc, in mm. */
  readonly lengthMm: number
  /** From corner to corner. */
  readonly chordMm: number
  readonly arc: Arc | null
  /** Positive where the arc bulges out of the room. */
  readonly rise: number
  /** Points along it: its two ends, or pieces of its arc. */
  readonly points: readonly Point[]
  readonly openings: readonly OnWall<'opening'>[]
  readonly fixtures: readonly OnWall<'fixture'>[]
}
/** Something on a wall: from where to where along it, and from which height to which, in mm. Points have no extent. */
export type OnWall<K extends 'opening' | 'fixture'> = {
  readonly row: Row<K>
  readonly name: string
  readonly u0: number
  readonly u1: number
  readonly z0: number
  readonly z1: number
}

export type Room = {
  readonly id: string
  readonly name: string
  readonly survey: Row<'survey'> | null
  readonly closing: Closing
  /** The check measures, by the places of their corners. */
  readonly checks: readonly Check[]
  readonly walls: readonly Wall[]
  /** The floor’s outline, arcs in pieces; empty while the room is not closed. Clockwise, seen from above. */
  readonly outline: readonly Point[]
  readonly ceiling: Ceiling | null
  readonly slopes: readonly Row<'slope'>[]
  readonly zones: readonly { readonly row: Row<'zone'>; readonly outline: readonly Point[] | null }[]
}

const origin: Point = { x: 0, y: 0 }
/** How many straight pieces an arc is cut into, where it has to be. */
export const arcPieces = 64
const letters = 'ABCDEFGHJKLMNPQRSTUVWXYZ' // without I and O, which read as figures

/** Wall A, B … Z, then AA, AB …: by its place in the walk. */
export const letterOf = (at: number): string =>
  at < letters.length
    ? (letters[at] ?? '')
    : `${letterOf(Math.floor(at / letters.length) - 1)}${letters[at % letters.length] ?? ''}`
export const nameOfWall = (row: Pick<Row<'wall'>, 'name'>, at: number): string =>
  row.name === '' ? `Wall ${letterOf(at)}` : `${letterOf(at)}, ${row.name}`
const nameOfThing = (row: { readonly name: string; readonly what: string }): string =>
  row.name === '' ? row.what.replace(/^./, (letter) => letter.toUpperCase()) : row.name

/** Walls of a room in the order of the walk. */
export const wallsOf = (makeover: Makeover, roomId: string): Row<'wall'>[] =>
  belongingTo(rowsOf(makeover, 'wall'), 'roomId', roomId).toSorted(
    (left, right) => left.place - right.place || (left.id < right.id ? -1 : 1),
  )

/** The rooms of a makeover as they were measured, in their order. */
export const roomsOf: (makeover: Makeover, rules: Rules) => readonly Room[] = kept(
  ({ id, rows }, rules) => [
    rows.wall,
    rows.room,
    rows.survey,
    rows.slope,
    rows.diagonal,
    rows.squareTest,
    rows.opening,
    rows.fixture,
    rows.zone,
    rows.makeover[id]?.units,
    rules,
  ],
  measured,
)

function measured(makeover: Makeover, rules: Rules): Room[] {
  const wallsIn = groupBy(rowsOf(makeover, 'wall'), (row) => row.roomId)
  const surveys = new Map(rowsOf(makeover, 'survey').map((row) => [row.roomId, row]))
  const zonesIn = groupBy(rowsOf(makeover, 'zone'), (row) => row.roomId)
  const slopesOn = groupBy(rowsOf(makeover, 'slope'), (row) => row.wallId)
  const openingsOn = groupBy(rowsOf(makeover, 'opening'), (row) => row.wallId)
  const fixturesOn = groupBy(rowsOf(makeover, 'fixture'), (row) => row.wallId)
  const tests = new Map(rowsOf(makeover, 'squareTest').map((row) => [row.wallId, row]))
  const diagonalsFrom = groupBy(rowsOf(makeover, 'diagonal'), (row) => row.fromId)
  return rowsOf(makeover, 'room').map(({ id, name }): Room => {
    const rows = (wallsIn.get(id) ?? []).toSorted(
      (left, right) => left.place - right.place || (left.id < right.id ? -1 : 1),
    )
    const survey = surveys.get(id) ?? null
    const places = new Map(rows.map((row, at) => [row.id, at]))
    const checks = rows.flatMap((row, value) =>
      (diagonalsFrom.get(row.id) ?? []).flatMap((diagonal) =>
        places.has(diagonal.toId)
          ? [{ id: diagonal.id, from: value, to: places.get(diagonal.toId) ?? 0, lengthMm: diagonal.lengthMm }]
          : [],
      ),
    )
    const measures = rows.map((row, at): WallMeasure => {
      // a corner that juts out has no triangle in the room
      const test = row.corner === 'outside' ? undefined : tests.get(row.id)
      const tested = test ? testedCorner(test, rules) : null
      const known = { id: row.id, name: nameOfWall(row, at), lengthMm: row.lengthMm }
      return tested && !tested.short
        ? { ...known, cornerDeg: tested.deg, sigmaDeg: tested.sigmaDeg, assumed: false }
        : { ...known, cornerDeg: cornerDegrees(row), assumed: row.corner === 'inside' || row.corner === 'outside' }
    })
    const units = headOf(makeover)?.units ?? 'metric'
    const closing = withArcs(close(measures, checks, rules, units), rows, units)
    const { corners } = closing
    const closed = closing.state === 'closed'
    const walls = rows.map((row, at): Wall => {
      const [start, to] = [corners[at] ?? origin, corners[closed ? (at + 1) % rows.length : at + 1] ?? origin]
      const chordMm = apart(start, to)
      const rise = riseOfWall(row, chordMm) ?? 0
      const arc = rise === 0 ? null : arcOver(chordMm, Math.abs(rise))
      const lengthMm = arc?.length ?? chordMm
      return {
        row,
        name: nameOfWall(row, at),
        at,
        from: start,
        to,
        lengthMm,
        chordMm,
        arc,
        rise,
        points: arc ? alongArc(start, to, rise, arcPieces) : [start, to],
        openings: (openingsOn.get(row.id) ?? [])
          .map((opening) => ({
            row: opening,
            name: nameOfThing(opening),
            ...span(opening, opening.widthMm, lengthMm),
            z0: opening.sillMm,
            z1: opening.headMm,
          }))
          .toSorted((left, right) => left.u0 - right.u0),
        fixtures: (fixturesOn.get(row.id) ?? [])
          .map((fixture) => ({
            row: fixture,
            name: nameOfThing(fixture),
            ...span(fixture, fixture.widthMm ?? 0, lengthMm),
            z0: fixture.aboveMm,
            z1: fixture.aboveMm + (fixture.heightMm ?? 0),
          }))
          .toSorted((left, right) => left.u0 - right.u0),
      }
    })
    const outline = closed ? walls.flatMap((wall) => wall.points.slice(0, -1)) : []
    const slopes = rows.flatMap((row) => slopesOn.get(row.id) ?? [])
    return {
      id,
      name,
      survey,
      closing,
      checks,
      walls,
      outline,
      slopes,
      ceiling: closed ? ceilingOver(outline, walls, slopes, survey?.heightMm ?? null) : null,
      zones: (zonesIn.get(id) ?? []).map((row) => ({ row, outline: closed ? zoneOutline(row, walls) : null })),
    }
  })
}

/** What an angle of a corner is taken for: measured, square, or nobody knows. */
const cornerDegrees = (row: Row<'wall'>): number | null =>
  row.corner === 'angle' ? row.cornerDeg : { inside: 90, outside: 270, unknown: null }[row.corner]

const span = (
  row: { readonly fromMm: number; readonly fromEnd: boolean },
  width: number,
  length: number,
): { u0: number; u1: number } => {
  const u0 = row.fromEnd ? length - row.fromMm - width : row.fromMm
  return { u0, u1: u0 + width }
}

/** How far a wall bulges out of the room over its straight line; into it where negative; null where its radius cannot span it. */
function riseOfWall(row: Row<'wall'>, chordMm: number): number | null {
  if (row.curve === 'straight' || row.curveMm === null || chordMm === 0) return 0
  const rise = row.curve === 'rise' ? row.curveMm : riseOf(chordMm, row.curveMm)
  return rise === null ? null : row.bows === 'out' ? rise : -rise
}

/** A closed room whose arcs cannot be is not closed. */
function withArcs(closing: Closing, rows: readonly Row<'wall'>[], units: UnitSystem): Closing {
  const length = (mm: number): string => writeLength(Math.round(mm), units)
  if (closing.state !== 'closed') return closing
  for (const [at, row] of rows.entries()) {
    const chord = closing.lengths[at]?.adjustedMm ?? 0
    if (riseOfWall(row, chord) === null)
      return {
        ...closing,
        state: 'cannot',
        why: `${nameOfWall(row, at)}: a radius of ${length(row.curveMm ?? 0)} cannot span ${length(chord)}; it takes ${length(Math.ceil(chord / 2))} or more.`,
        corners: [...closing.corners, closing.corners[0] ?? origin],
      }
  }
  return closing
}

/** The point so far along a wall and so far off it, into the room. */
export function pointOn(wall: Wall, along: number, off = 0): Point {
  if (!wall.arc) {
    const way = direction(wall.from, wall.to)
    return { x: wall.from.x + way.x * along + way.y * off, y: wall.from.y + way.y * along - way.x * off }
  }
  // round the arc: the same angle at each step
  const share = (along / wall.lengthMm) * arcPieces
  const piece = Math.min(arcPieces - 1, Math.max(0, Math.floor(share)))
  const [left, right] = [wall.points[piece] ?? wall.from, wall.points[piece + 1] ?? wall.to]
  const way = direction(left, right)
  const rest = (share - piece) * apart(left, right)
  return { x: left.x + way.x * rest + way.y * off, y: left.y + way.y * rest - way.x * off }
}
/** The direction of a wall so far along it. */
export function wayOn(wall: Wall, along: number): Point {
  if (!wall.arc) return direction(wall.from, wall.to)
  const piece = Math.min(arcPieces - 1, Math.max(0, Math.floor((along / wall.lengthMm) * arcPieces)))
  return direction(wall.points[piece] ?? wall.from, wall.points[piece + 1] ?? wall.to)
}

/** A zone as a rectangle off its wall; null where nobody said where it is. */
function zoneOutline(row: Row<'zone'>, walls: readonly Wall[]): Point[] | null {
  const wall = walls.find((wall) => wall.row.id === row.wallId)
  if (!wall || row.fromMm === null || row.widthMm === null || row.depthMm === null) return null
  const straight = { ...wall, arc: null }
  return [
    pointOn(straight, row.fromMm),
    pointOn(straight, row.fromMm + row.widthMm),
    pointOn(straight, row.fromMm + row.widthMm, row.depthMm),
    pointOn(straight, row.fromMm, row.depthMm),
  ]
}

/**
 * The lengths of a room as a table: one line a wall, a check measure, an opening, a fixed thing or a height. Written
 * for a spreadsheet, and read back from one, or from any list that somebody typed.
 */
import Papa from 'papaparse'
import { blank } from '../makeover/blank.ts'
import { add, edit, remove, type Operation } from '../makeover/change.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Fields, MakeoverKind, Row } from '../makeover/kinds.ts'
import { takeOutWall, withoutOpenings } from './break-wall.ts'
import { letterOf, wallsOf, type Room } from './room.ts'
import { type SurveySheet } from './read-csv.ts'

export const surveyColumns = [
  'what',
  'name',
  'on',
  'length',
  'corner',
  'from',
  'width',
  'bottom',
  'top',
  'depth',
  'detail',
  'adjusted',
  'moved',
] as const

export type Column = (typeof surveyColumns)[number]

type Line = Partial<Record<Column, string>>

/** Words that a spreadsheet would take for a formula are led by an apostrophe (OWASP, CSV injection). */
const harmless = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)

const tenth = (mm: number | null): string => (mm === null ? '' : String(Math.round(mm * 10_000) / 10_000))

/** The survey of a room as CSV (RFC 4180, UTF-8 with a byte order mark), lengths in mm; `adjusted` and `moved` are for reading only. */
export function surveyCsv(room: Room): string {
  const lines: Line[] = []
  const { survey, closing } = room
  for (const [what, top] of [
    ['ceiling', survey?.heightMm],
    ['dado', survey?.dadoMm],
    ['picture rail', survey?.railMm],
  ] as const)
    if (top != null) lines.push({ what, top: tenth(top) })
  const reading = (id: string): Line => {
    const length = closing.lengths.find((length) => length.id === id)
    return closing.state === 'closed' && length
      ? {
          adjusted: length.adjustedMm.toFixed(1),
          moved: length.measuredMm === null ? '' : length.residualMm.toFixed(1),
        }
      : {}
  }
  for (const { row, at } of room.walls)
    lines.push({
      what: 'wall',
      name: row.name,
      on: letterOf(at),
      length: tenth(row.lengthMm),
      corner: row.corner === 'angle' ? String(row.cornerDeg ?? '') : row.corner,
      top: tenth(row.heightMm),
      detail: row.curve === 'straight' ? '' : `${row.curve} ${tenth(row.curveMm)} ${row.bows}`,
      ...reading(row.id),
    })
  for (const slope of room.slopes)
    lines.push({
      what: 'slope',
      on: letterOf(room.walls.findIndex((wall) => wall.row.id === slope.wallId)),
      bottom: tenth(slope.lowMm),
      depth: tenth(slope.runMm),
    })
  for (const check of room.checks)
    lines.push({
      what: 'check',
      on: `${check.from + 1}-${check.to + 1}`,
      length: tenth(check.lengthMm),
      ...reading(check.id),
    })
  for (const wall of room.walls) {
    const on = letterOf(wall.at)
    const writeFrom = (row: { fromMm: number; fromEnd: boolean }): string =>
      `${tenth(row.fromMm)}${row.fromEnd ? ' from end' : ''}`
    for (const { row } of wall.openings)
      lines.push({
        what: row.what,
        name: row.name,
        on,
        from: writeFrom(row),
        width: tenth(row.widthMm),
        bottom: tenth(row.sillMm),
        top: tenth(row.headMm),
        depth: tenth(row.revealMm),
        detail: [
          row.hinge === 'none' ? '' : `hinge ${row.hinge}`,
          row.swing === 'none' ? '' : `swing ${row.swing}`,
          row.clearMm === null ? '' : `clear ${tenth(row.clearMm)}`,
        ]
          .filter(Boolean)
          .join(', '),
      })
    for (const { row } of wall.fixtures)
      lines.push({
        what: row.what,
        name: row.name,
        on,
        from: writeFrom(row),
        width: tenth(row.widthMm),
        bottom: tenth(row.aboveMm),
        top: row.heightMm === null ? '' : tenth(row.aboveMm + row.heightMm),
        depth: tenth(row.depthMm),
        detail: [row.outMm > 0 ? `out ${tenth(row.outMm)}` : '', row.note].filter(Boolean).join(', '),
      })
  }
  return `\ufeff${Papa.unparse([[...surveyColumns], ...lines.map((line) => surveyColumns.map((column) => (column === 'moved' ? (line[column] ?? '') : harmless(line[column] ?? ''))))], { newline: '\r\n' })}\r\n`
}

/** The change that makes a room's survey what a table says: walls keep their rows by their order, the rest by what it says. */
export function sheetOperations(
  makeover: Makeover,
  roomId: string,
  sheet: SurveySheet,
  newId: () => string,
): Operation[] {
  const old = wallsOf(makeover, roomId)
  const ids = sheet.walls.map((_, at) => old[at]?.id ?? newId())
  const survey = rowsOf(makeover, 'survey').find((row) => row.roomId === roomId)
  const operations: Operation[] = survey
    ? changed('survey', survey, sheet.heights)
    : [add('survey', newId(), { ...blank.survey, roomId, ...sheet.heights })]
  for (const [at, wall] of sheet.walls.entries()) {
    const row = old[at]
    operations.push(
      ...(row
        ? changed('wall', row, wall)
        : [add('wall', ids[at] ?? '', { ...wall, roomId, place: (old.at(-1)?.place ?? 0) + at + 1 })]),
    )
  }
  const gone = old.slice(sheet.walls.length)
  const own = new Set(old.map((row) => row.id))
  const idOf = (on: string): string => ids[sheet.walls.findIndex((_, at) => letterOf(at) === on)] ?? ''
  const removedWith = new Map(
    gone.flatMap((wall) => takeOutWall(makeover, wall)).map((operation) => [operation.id, operation]),
  )
  replace(
    'diagonal',
    rowsOf(makeover, 'diagonal').filter((row) => own.has(row.fromId)),
    sheet.checks.map((check) => ({
      fromId: ids[check.from] ?? '',
      toId: ids[check.to] ?? '',
      lengthMm: check.lengthMm,
    })),
  )
  replace(
    'slope',
    rowsOf(makeover, 'slope').filter((row) => own.has(row.wallId)),
    sheet.slopes.map(({ on, fields }) => ({ ...fields, wallId: idOf(on) })),
  )
  // what a table cannot say of an opening, that it is shared and what it looks on to, stays with one that is otherwise the same
  const openings = rowsOf(makeover, 'opening').filter((row) => own.has(row.wallId))
  replace(
    'opening',
    openings,
    sheet.openings.map(({ on, fields }) => {
      const was = openings.find(
        (row) => row.wallId === idOf(on) && row.fromMm === fields.fromMm && row.widthMm === fields.widthMm,
      )
      const { viewName = '', viewL = null, viewA = null, viewB = null, sharesId = null } = was ?? {}
      return { ...fields, wallId: idOf(on), viewName, viewL, viewA, viewB, sharesId }
    }),
  )
  replace(
    'fixture',
    rowsOf(makeover, 'fixture').filter((row) => own.has(row.wallId)),
    sheet.fixtures.map(({ on, fields }) => ({ ...fields, wallId: idOf(on) })),
  )
  const stale = new Set(operations.filter((operation) => operation.op === 'remove').map((operation) => operation.id))
  // an opening of another room that was the same as one that goes is its own again
  const unshared = rowsOf(makeover, 'opening').flatMap((row) =>
    row.sharesId !== null && stale.has(row.sharesId) && !stale.has(row.id) && !removedWith.has(row.id)
      ? [edit('opening', row, { sharesId: null })]
      : [],
  )
  const emptied = withoutOpenings(makeover, stale).filter(({ id }) => !removedWith.has(id))
  return [
    ...unshared,
    ...emptied,
    ...operations.filter((operation) => !removedWith.has(operation.id)),
    ...removedWith.values(),
  ]

  function replace<K extends 'diagonal' | 'slope' | 'opening' | 'fixture'>(
    kind: K,
    rows: readonly Row<K>[],
    wanted: readonly Fields<K>[],
  ): void {
    const left = [...wanted]
    for (const row of rows) {
      const same = left.findIndex((fields) =>
        Object.entries(fields as object).every(
          ([name, value]) => (row as unknown as Record<string, unknown>)[name] === value,
        ),
      )
      if (same >= 0) left.splice(same, 1)
      else operations.push(remove(kind, row))
    }
    operations.push(...left.map((fields) => add(kind, newId(), fields)))
  }
}

function changed<K extends MakeoverKind>(kind: K, row: Row<K>, fields: Partial<Fields<K>>): Operation[] {
  const second = Object.fromEntries(
    Object.entries(fields).filter(([name, value]) => (row as unknown as Record<string, unknown>)[name] !== value),
  )
  return Object.keys(second).length === 0 ? [] : [{ op: 'put', kind, id: row.id, base: row.version, fields: second }]
}

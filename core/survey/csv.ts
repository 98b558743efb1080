/**
 * The lengths of a room as a table: one line a wall, a check measure, an opening, a fixed thing or a height. Written
 * for a spreadsheet, and read back from one, or from any list that somebody typed.
 */
import Papa from 'papaparse'
import { blank } from '../makeover/blank.ts'
import { add, edit, remove, type Operation } from '../makeover/change.ts'
import { bowings, fixtureKinds, hingeSides, openingKinds, swings } from '../makeover/choices.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Fields, MakeoverKind, Row } from '../makeover/kinds.ts'
import { readNumber } from '../measure/decimal.ts'
import { readLength } from '../measure/length.ts'
import { takeOutWall } from './break-wall.ts'
import { letterOf, wallsOf, type Room } from './room.ts'

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
type Column = (typeof surveyColumns)[number]
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

export type SheetFault = { readonly line: number; readonly column: string; readonly message: string }
type OnLetter<K extends 'opening' | 'fixture' | 'slope'> = {
  readonly on: string
  readonly fields: Omit<Fields<K>, 'wallId'>
}
/** What a table says of a room, before anything is done with it. */
export type SurveySheet = {
  readonly heights: Partial<Pick<Fields<'survey'>, 'heightMm' | 'dadoMm' | 'railMm'>>
  readonly walls: readonly Omit<Fields<'wall'>, 'roomId' | 'place'>[]
  readonly checks: readonly { readonly from: number; readonly to: number; readonly lengthMm: number }[]
  readonly slopes: readonly OnLetter<'slope'>[]
  readonly openings: readonly OnLetter<'opening'>[]
  readonly fixtures: readonly OnLetter<'fixture'>[]
}

const most = 2000
/**
 * A survey table as CSV. The first line names the columns; only `what` has to be there. A bare number is in mm, other
 * lengths bear their unit. Every fault says its line, its column and what was expected; with any fault there is no sheet.
 */
export function readSurveyCsv(text: string): {
  readonly sheet: SurveySheet | null
  readonly faults: readonly SheetFault[]
} {
  const faults: SheetFault[] = []
  const say = (line: number, column: string, message: string): null => {
    if (faults.length < 50) faults.push({ line, column, message })
    return null
  }
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), { skipEmptyLines: 'greedy' })
  const [error] = errors.filter((error) => error.code !== 'UndetectableDelimiter')
  if (error) say((error.row ?? 0) + 1, '', `is not CSV: ${error.message}`)
  const [head = [], ...rows] = data
  const columns = head.map((name) => name.trim().toLowerCase())
  if (!columns.includes('what'))
    say(1, 'what', `is missing: expected a first line with the columns ${surveyColumns.slice(0, 11).join(', ')}`)
  for (const name of columns)
    if (name !== '' && !surveyColumns.some((column) => column === name))
      say(1, name, `is not a column that is known: expected ${surveyColumns.join(', ')}`)
  for (const [at, name] of columns.entries())
    if (name !== '' && columns.indexOf(name) !== at) say(1, name, 'is there twice')
  if (rows.length > most) say(most + 2, '', `has ${rows.length} lines: expected at most ${most}`)
  if (faults.length > 0) return { sheet: null, faults }

  const sheet = {
    heights: {} as Record<string, number>,
    walls: [] as SurveySheet['walls'][number][],
    checks: [] as SurveySheet['checks'][number][],
    slopes: [] as OnLetter<'slope'>[],
    openings: [] as OnLetter<'opening'>[],
    fixtures: [] as OnLetter<'fixture'>[],
  }
  const letters: { line: number; on: string }[] = []
  for (const [index, cells] of rows.entries()) {
    const line = index + 2
    const cell = (column: Column): string => (cells[columns.indexOf(column)] ?? '').trim().replace(/^'(?=[=+\-@])/, '')
    const length = (column: Column, typed = cell(column)): number | null => {
      if (typed === '') return null
      if (/^0+([.,]0+)?(\s*(mm|cm|m|in|ft))?$/.test(typed)) return 0
      const read = readLength(typed, 'mm')
      return read.ok ? read.value : say(line, column, read.error)
    }
    const needed = (column: Column, typed?: string): number => {
      if (cell(column) === '') say(line, column, 'is empty: expected a length')
      return length(column, typed) ?? 0
    }
    const above = (column: Column): number => {
      const value = needed(column)
      if (value === 0 && cell(column) !== '' && !faults.some((fault) => fault.line === line && fault.column === column))
        say(line, column, 'is nothing: expected a length above zero')
      return value
    }
    const positive = (column: Column): number | null => (cell(column) === '' ? null : above(column))
    const name = [...cell('name')].slice(0, 60).join('')
    const readFrom = (): { fromMm: number; fromEnd: boolean } => {
      const ended = /^(.*?)\s*from end$/i.exec(cell('from'))
      return { fromMm: needed('from', ended?.[1] ?? cell('from')), fromEnd: ended !== null }
    }
    const on = (): string => {
      const letter = cell('on').toUpperCase()
      letters.push({ line, on: letter })
      return letter
    }
    const what = cell('what').toLowerCase()
    const opening = openingKinds.find((kind) => kind === what)
    const fixture = fixtureKinds.find((kind) => kind === what)
    if (what === 'ceiling' || what === 'dado' || what === 'picture rail')
      sheet.heights[{ ceiling: 'heightMm', dado: 'dadoMm', 'picture rail': 'railMm' }[what]] = above('top')
    else if (what === 'wall')
      sheet.walls.push({
        ...blank.wall,
        name,
        lengthMm: positive('length'),
        heightMm: positive('top'),
        ...cornerOf(cell('corner'), (message) => say(line, 'corner', message)),
        ...curveOf(cell('detail'), (message) => say(line, 'detail', message)),
      })
    else if (what === 'check') {
      const corners = /^(\d+)\s*(?:-|to|–)\s*(\d+)$/.exec(cell('on'))
      if (!corners) say(line, 'on', `“${cell('on')}” are no two corners: expected such as 1-3`)
      else sheet.checks.push({ from: Number(corners[1]) - 1, to: Number(corners[2]) - 1, lengthMm: above('length') })
    } else if (what === 'slope')
      sheet.slopes.push({ on: on(), fields: { lowMm: needed('bottom'), runMm: above('depth') } })
    else if (opening) {
      const [hinge, swing] = [wordAfter(cell('detail'), 'hinge'), wordAfter(cell('detail'), 'swing')]
      const clear = /clear\s+([^,]+)/i.exec(cell('detail'))?.[1]
      const fields = {
        ...blank.opening,
        what: opening,
        name,
        ...readFrom(),
        widthMm: above('width'),
        sillMm: length('bottom') ?? 0,
        headMm: above('top'),
        revealMm: positive('depth'),
        hinge: hingeSides.find((hingeSide) => hingeSide === hinge) ?? 'none',
        swing: swings.find((name) => name === swing) ?? 'none',
        clearMm: clear ? length('detail', clear) : null,
      }
      if (fields.headMm <= fields.sillMm && fields.headMm > 0)
        say(line, 'top', 'is not above the bottom: expected more')
      sheet.openings.push({ on: on(), fields })
    } else if (fixture) {
      const aboveMm = length('bottom') ?? 0
      const top = positive('top')
      if (top !== null && top <= aboveMm) say(line, 'top', 'is not above the bottom: expected more')
      const out = /out\s+([^,]+)/i.exec(cell('detail'))?.[1]
      sheet.fixtures.push({
        on: on(),
        fields: {
          ...blank.fixture,
          what: fixture,
          name,
          ...readFrom(),
          aboveMm,
          widthMm: positive('width'),
          heightMm: top === null ? null : Math.max(1, top - aboveMm),
          depthMm: positive('depth'),
          outMm: out ? (length('detail', out) ?? 0) : 0,
          note: cell('detail')
            .replace(/out\s+[^,]+,?\s*/i, '')
            .slice(0, 300),
        },
      })
    } else
      say(
        line,
        'what',
        `“${what.slice(0, 24)}” is not known: expected ceiling, dado, picture rail, wall, slope, check, ${openingKinds.join(', ')}, ${fixtureKinds.join(', ')}`,
      )
  }
  for (const { line, on } of letters)
    if (!sheet.walls.some((_, at) => letterOf(at) === on))
      say(
        line,
        'on',
        on === ''
          ? 'is empty: expected the letter of a wall'
          : `there is no wall ${on}: the table has ${sheet.walls.length}`,
      )
  for (const [at, check] of sheet.checks.entries())
    for (const corner of [check.from, check.to])
      if (corner < 0 || corner >= sheet.walls.length || check.from === check.to)
        say(0, 'on', `check ${at + 1}: expected two different corners from 1 to ${sheet.walls.length}`)
  if (sheet.walls.length === 0 && faults.length === 0) say(0, 'what', 'has no wall: expected one line a wall')
  return { sheet: faults.length > 0 ? null : sheet, faults }
}

const wordAfter = (text: string, word: string): string =>
  new RegExp(`${word}\\s+(\\w+)`, 'i').exec(text)?.[1]?.toLowerCase() ?? ''
function cornerOf(typed: string, say: (message: string) => null): Pick<Fields<'wall'>, 'corner' | 'cornerDeg'> {
  const word = typed.toLowerCase()
  if (word === '' || word === 'inside' || word === 'square') return { corner: 'inside', cornerDeg: null }
  if (word === 'outside' || word === 'unknown') return { corner: word, cornerDeg: null }
  const read = readNumber(typed.replace('°', ''), { decimals: 4, least: 1, most: 359 })
  if (read.ok) return { corner: 'angle', cornerDeg: read.value }
  say(`“${typed.slice(0, 24)}” is no corner: expected inside, outside, unknown, or its angle in degrees`)
  return { corner: 'inside', cornerDeg: null }
}
function curveOf(typed: string, say: (message: string) => null): Pick<Fields<'wall'>, 'curve' | 'curveMm' | 'bows'> {
  const straight = { curve: 'straight', curveMm: null, bows: 'out' } as const
  if (typed === '') return straight
  const parts = /^(radius|rise)\s+(.+?)(?:\s+(in|out))?$/i.exec(typed)
  const read = parts ? readLength(parts[2] ?? '', 'mm') : null
  const curve = parts?.[1]?.toLowerCase() === 'radius' ? 'radius' : 'rise'
  if (read?.ok)
    return { curve, curveMm: read.value, bows: bowings.find((bowing) => bowing === parts?.[3]?.toLowerCase()) ?? 'out' }
  say(`“${typed.slice(0, 24)}” is no curve: expected such as radius 1200 out`)
  return straight
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
  // what a table cannot say of an opening, that it is shared, stays with one that is otherwise the same
  const openings = rowsOf(makeover, 'opening').filter((row) => own.has(row.wallId))
  replace(
    'opening',
    openings,
    sheet.openings.map(({ on, fields }) => ({
      ...fields,
      wallId: idOf(on),
      sharesId:
        openings.find(
          (row) => row.wallId === idOf(on) && row.fromMm === fields.fromMm && row.widthMm === fields.widthMm,
        )?.sharesId ?? null,
    })),
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
  return [...unshared, ...operations.filter((operation) => !removedWith.has(operation.id)), ...removedWith.values()]

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

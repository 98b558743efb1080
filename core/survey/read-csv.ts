/** A survey read from a table: every fault with its line. */
import Papa from 'papaparse'
import { blank } from '../makeover/blank.ts'
import { bowings, fixtureKinds, hingeSides, openingKinds, swings } from '../makeover/choices.ts'
import type { Fields } from '../makeover/kinds.ts'
import { readNumber } from '../measure/decimal.ts'
import { readLength } from '../measure/length.ts'
import { letterOf } from './room.ts'
import { type Column, surveyColumns } from './csv.ts'

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
      const ended = /from end$/i.exec(cell('from'))
      return { fromMm: needed('from', cell('from').slice(0, ended?.index).trim()), fromEnd: ended !== null }
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
  const [name = '', ...words] = typed.toLowerCase().split(/\s+/)
  const bows = words.length > 1 ? bowings.find((bowing) => bowing === words.at(-1)) : undefined
  const read = readLength((bows ? words.slice(0, -1) : words).join(' '), 'mm')
  if ((name === 'radius' || name === 'rise') && read.ok)
    return { curve: name, curveMm: read.value, bows: bows ?? 'out' }
  say(`“${typed.slice(0, 24)}” is no curve: expected such as radius 1200 out`)
  return straight
}

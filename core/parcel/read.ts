/** A parcel read with suspicion: sizes, checksums, depth, digests and every row are held to before anything is used. */
import { readKept } from '../brief/index.ts'
import type { DiaryRow } from '../diary/index.ts'
import {
  apply,
  fieldWithin,
  schemaVersion,
  type Documents,
  type Fault,
  type Operation,
  type Put,
} from '../makeover/change.ts'
import { emptyMakeover, emptyStudio, rowsOf } from '../makeover/document.ts'
import { isUuid } from '../makeover/fields.ts'
import { isKind, isStudioKind, kindNames, type Kind } from '../makeover/kinds.ts'
import { upgradeOperations } from '../makeover/upgrade.ts'
import { decodeUtf8 } from './utf8.ts'
import { Damaged, readZip } from './zip.ts'
import {
  type Parcel,
  type ToldEntry,
  isRecord,
  mostDepth,
  mostRows,
  parcelFormat,
  parcelLimits,
  parcelVersion,
} from './parcel.ts'

/**
 * Reads the file of a makeover, of this version or an earlier one. `digest` gives the SHA-256 of bytes as hex. Throws `Damaged`
 * with the place of the first fault: a file is read whole or not at all.
 */
export function readParcel(bytes: Uint8Array, digest: (bytes: Uint8Array) => string): Parcel {
  const entries = new Map(readZip(bytes, parcelLimits).map((entry) => [entry.name, entry.bytes]))
  const main = entries.get('makeover.json')
  if (!main) throw new Damaged('makeover.json', 'is missing: this is no makeover')
  const { id, documents } = readMakeover(parsed(main, 'makeover.json'))
  const told = entries.get('history.json')
  const history = told ? readHistory(parsed(told, 'history.json')) : null
  const wanted = new Map(rowsOf(documents.makeover, 'attachment').map((row) => [row.sha256, row]))
  for (const { sha256, bytes: size } of wanted.values()) {
    const file = entries.get(`files/${sha256}`)
    if (!file) throw new Damaged(`files/${sha256}`, 'is missing, and something hangs on it')
    if (file.length !== size) throw new Damaged(`files/${sha256}`, `is ${file.length} bytes: its row says ${size}`)
  }
  const files = [...entries].flatMap(([name, content]) => {
    if (!name.startsWith('files/')) return []
    const sha256 = name.slice('files/'.length)
    const row = wanted.get(sha256)
    if (!row) throw new Damaged(name, 'hangs on nothing in makeover.json')
    if (digest(content) !== sha256) throw new Damaged(name, 'is not what its name says: its SHA-256 is another')
    return [{ sha256, mediaType: row.mediaType, bytes: content }]
  })
  return { id, documents, history, files }
}

/** Reads what makeover.json says, without its files. Throws `Damaged`. */
export function readMakeover(value: unknown): { readonly id: string; readonly documents: Documents } {
  if (!isRecord(value)) throw new Damaged('makeover.json', 'expected an object')
  if (value.format !== parcelFormat) throw new Damaged('makeover.json format', `expected “${parcelFormat}”`)
  if (value.version !== parcelVersion)
    throw new Damaged(
      'makeover.json version',
      typeof value.version === 'number' && value.version > parcelVersion
        ? 'it was written by a newer Bonitas: update this one first'
        : `expected ${parcelVersion}`,
    )
  const { id } = value
  if (!isUuid(id)) throw new Damaged('makeover.json id', 'expected an id')
  const places = new Map<string, string>()
  const puts = [
    ...putsOf(value.rows, 'rows', (kind) => !isStudioKind(kind), places),
    ...putsOf(value.studio, 'studio', (kind) => isStudioKind(kind) && kind !== 'studio', places),
  ]
  const upgraded = upgradeOperations(value.schemaVersion, puts, schemaVersion)
  if (upgraded === null)
    throw new Damaged(
      'makeover.json schemaVersion',
      typeof value.schemaVersion === 'number' && value.schemaVersion > schemaVersion
        ? 'it was written by a newer Bonitas: update this one first'
        : `expected a number from 1 to ${schemaVersion}`,
    )
  const operations = (upgraded as Operation[]).toSorted(
    (left, right) => kindNames.indexOf(left.kind) - kindNames.indexOf(right.kind),
  )
  const applied = apply({ makeover: emptyMakeover(id), studio: emptyStudio(id) }, operations, id)
  const [first] = applied.faults
  if (first) throw new Damaged(placeOf(first, places), first.message)
  const heads = rowsOf(applied.documents.makeover, 'makeover')
  if (heads.length !== 1 || heads[0]?.id !== id)
    throw new Damaged('makeover.json rows.makeover', 'expected one row, with the id of the file')
  for (const row of rowsOf(applied.documents.makeover, 'agreement'))
    if (row.kept !== '' && readKept(row.kept) === null)
      throw new Damaged(`makeover.json ${places.get(`agreement ${row.id}`) ?? 'rows.agreement'}.kept`, 'is no brief')
  return { id, documents: applied.documents }
}

function placeOf({ kind, id, field }: Fault, places: ReadonlyMap<string, string>): string {
  return `makeover.json ${places.get(`${kind ?? ''} ${id ?? ''}`) ?? `rows.${kind ?? ''}`}${field === null ? '' : `.${field}`}`
}

function putsOf(value: unknown, where: string, belongs: (kind: Kind) => boolean, places: Map<string, string>): Put[] {
  if (!isRecord(value)) throw new Damaged(`makeover.json ${where}`, 'expected an object of kinds')
  return Object.entries(value).flatMap(([kind, rows]) => {
    const place = `makeover.json ${where}.${[...kind].slice(0, 40).join('')}`
    if (!isKind(kind) || !belongs(kind)) throw new Damaged(place, 'is not a kind of row that is known here')
    if (!Array.isArray(rows)) throw new Damaged(place, 'expected a list of rows')
    if (places.size + rows.length > mostRows) throw new Damaged(place, `with it there are more than ${mostRows} rows`)
    return rows.map((row: unknown, at): Put => {
      if (!isRecord(row)) throw new Damaged(`${place}[${at}]`, 'expected a row')
      const { id, ...fields } = row
      if (!isUuid(id)) throw new Damaged(`${place}[${at}].id`, 'expected an id')
      if (places.has(`${kind} ${id}`)) throw new Damaged(`${place}[${at}].id`, 'is the id of another row too')
      places.set(`${kind} ${id}`, `${where}.${kind}[${at}]`)
      const deep = fieldWithin(fields)
      if (deep !== null) throw new Damaged(`${place}[${at}].${deep}`, 'expected text, a number, yes or no, or nothing')
      return { op: 'put', kind, id, base: null, fields }
    })
  })
}

function readHistory(value: unknown): ToldEntry[] {
  if (!Array.isArray(value)) throw new Damaged('history.json', 'expected a list of changes')
  const ids = new Set<string>()
  const text = (value: unknown, most: number): value is string =>
    typeof value === 'string' && value.length <= most && value.isWellFormed() && !value.includes('\u0000')
  return value.map((entry: unknown, at): ToldEntry => {
    const wrong = (field: string, expected: string): never => {
      throw new Damaged(`history.json [${at}]${field}`, expected)
    }
    if (!isRecord(entry)) return wrong('', 'expected a change')
    const { id, who, madeAt, sentence, undoes = null, rows } = entry
    if (!isUuid(id)) return wrong('.id', 'expected an id')
    if (ids.has(id)) return wrong('.id', 'is the id of another change too')
    ids.add(id)
    if (!text(who, 200)) return wrong('.who', 'expected a name')
    if (
      !text(madeAt, 40) ||
      !/^(19|20|21)\d\d-/.test(madeAt) ||
      Number.isNaN(Date.parse(madeAt)) ||
      new Date(madeAt).toISOString() !== madeAt
    )
      return wrong('.madeAt', 'expected a moment such as 2027-03-14T09:30:00.000Z')
    if (!text(sentence, 1000) || sentence.trim() === '')
      return wrong('.sentence', 'expected a sentence of at most 500 characters')
    if (undoes !== null && !isUuid(undoes)) return wrong('.undoes', 'expected an id or null')
    if (!Array.isArray(rows) || rows.length > 2000) return wrong('.rows', 'expected at most 2000 rows')
    return {
      id,
      who,
      madeAt,
      sentence,
      undoes,
      rows: rows.map((row: unknown, place): DiaryRow => {
        if (!isRecord(row)) return wrong(`.rows[${place}]`, 'expected a row')
        const { kind, rowId, operation, before, after } = row
        if (!text(kind, 40) || !isUuid(rowId) || (operation !== 'put' && operation !== 'remove'))
          return wrong(`.rows[${place}]`, 'expected a kind, the id of a row, and put or remove')
        if ((before !== null && !isRecord(before)) || (after !== null && !isRecord(after)))
          return wrong(`.rows[${place}]`, 'expected fields before and after, or null')
        if (!isReadable(before) || !isReadable(after))
          return wrong(`.rows[${place}]`, 'has characters that cannot be written')
        return { kind, rowId, operation, before, after }
      }),
    }
  })
}

/** Texts that a database can keep, however deep they lie. */
const isReadable = (value: unknown): boolean =>
  typeof value === 'string'
    ? value.isWellFormed() && !value.includes('\u0000')
    : typeof value === 'object' && value !== null
      ? Object.entries(value).every(([key, entry]) => isReadable(key) && isReadable(entry))
      : true

/** The JSON of an entry; refused where it nests deeper than anything of ours. */
function parsed(bytes: Uint8Array, name: string): unknown {
  const text = decodeUtf8(bytes)
  if (text === null) throw new Damaged(name, 'is not UTF-8')
  let depth = 0
  let quoted = false
  for (let at = 0; at < text.length; at++) {
    const letter = text[at]
    if (quoted) {
      if (letter === '\\') at++
      else if (letter === '"') quoted = false
    } else if (letter === '"') quoted = true
    else if (letter === '{' || letter === '[') {
      if (++depth > mostDepth) throw new Damaged(name, `nests deeper than ${mostDepth} levels, at character ${at + 1}`)
    } else if (letter === '}' || letter === ']') depth--
  }
  try {
    return JSON.parse(text)
  } catch (error) {
    throw new Damaged(name, `is no JSON: ${error instanceof Error ? error.message.slice(0, 120) : ''}`)
  }
}

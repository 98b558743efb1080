/**
 * A makeover as one file: a zip with makeover.json, the files that hang on it, and its history where that is wanted.
 * docs/formats.md describes it; docs/makeover.schema.json is its JSON Schema.
 */
import type { DiaryRow } from '../diary/index.ts'
import { schemaVersion, type Documents } from '../makeover/change.ts'
import { rowsOf } from '../makeover/document.ts'
import { makeoverKinds, schemas, studioKinds, type Kind, type Row } from '../makeover/kinds.ts'
import { practiceOf } from '../makeover/practice.ts'
import { encodeUtf8 } from './utf8.ts'
import { writeZip, type ZipLimits } from './zip.ts'

export const parcelFormat = 'bonitas.makeover'

export const parcelVersion = 1

/** A change of the history, as a file tells it. */
export type ToldEntry = {
  readonly id: string
  readonly who: string
  readonly madeAt: string
  readonly sentence: string
  readonly undoes: string | null
  readonly rows: readonly DiaryRow[]
}

export type ParcelFile = { readonly sha256: string; readonly mediaType: string; readonly bytes: Uint8Array }

export type Parcel = {
  readonly id: string
  readonly documents: Documents
  /** Null where the history was left out. */
  readonly history: readonly ToldEntry[] | null
  readonly files: readonly ParcelFile[]
}

const megabyte = 1024 * 1024

export const mostRows = 20_000

export const mostDepth = 12

export const parcelLimits: ZipLimits = {
  entries: 1000,
  total: 300 * megabyte,
  limitOf: (name) =>
    name === 'makeover.json'
      ? 40 * megabyte
      : name === 'history.json'
        ? 80 * megabyte
        : /^files\/[0-9a-f]{64}$/.test(name)
          ? 10 * megabyte
          : null,
}

type Values = Record<string, unknown>

export const isRecord = (value: unknown): value is Values =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

const asText = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`

/** A row with its fields in the order of its schema, and without the version, which is of one database only. */
function written(kind: Kind, row: Readonly<Values>): Values {
  return Object.fromEntries(['id', ...Object.keys(schemas[kind].fields)].map((field) => [field, row[field]]))
}

const byId = (left: { readonly id: string }, right: { readonly id: string }): number =>
  left.id < right.id ? -1 : left.id > right.id ? 1 : 0

/** The sellers that a makeover speaks of. */
function sellersOf({ makeover, studio }: Documents): Row<'seller'>[] {
  const named = new Set(
    [
      ...rowsOf(makeover, 'candidate'),
      ...rowsOf(makeover, 'order'),
      ...rowsOf(makeover, 'coupon'),
      ...rowsOf(makeover, 'credit'),
    ].map((row) => row.sellerId),
  )
  return Object.values<Row<'seller'>>(studio.rows.seller).filter((row) => named.has(row.id))
}

/** What makeover.json says. The studio's name, people and other sellers stay at home. */
export function parcelJson(documents: Documents): Values {
  const { makeover, studio } = documents
  const rows = Object.fromEntries(
    makeoverKinds.map((kind) => [
      kind,
      Object.values<Row<Kind>>(makeover.rows[kind] as Readonly<Record<string, Row<Kind>>>)
        .toSorted(byId)
        .map((row) => written(kind, row as unknown as Values)),
    ]),
  )
  const shared = {
    seller: sellersOf(documents),
    studioRuling: Object.values(studio.rows.studioRuling),
    studioSchool: Object.values(studio.rows.studioSchool),
  }
  const { rules, schools } = practiceOf(documents)
  return {
    format: parcelFormat,
    version: parcelVersion,
    schemaVersion,
    id: makeover.id,
    rows,
    studio: Object.fromEntries(
      Object.entries(shared).map(([kind, rows]) => [
        kind,
        rows.toSorted(byId).map((row) => written(kind as Kind, row as unknown as Values)),
      ]),
    ),
    practice: { rules: sortedKeys(rules), schools: sortedKeys(schools) },
  }
}

const sortedKeys = (values: Readonly<Record<string, unknown>>): Values =>
  Object.fromEntries(Object.entries(values).toSorted(([text], [otherText]) => (text < otherText ? -1 : 1)))

/** The file of a makeover. The same makeover gives the same bytes, wherever it is kept. */
export function writeParcel(
  documents: Documents,
  files: readonly ParcelFile[],
  history: readonly ToldEntry[] | null,
): Uint8Array {
  const entry = ({ id, who, madeAt, sentence, undoes, rows }: ToldEntry): Values => ({
    id,
    who,
    madeAt,
    sentence,
    undoes,
    rows: rows.map(({ kind, rowId, operation, before, after }) => ({
      kind,
      rowId,
      operation,
      before: before && sortedKeys(before),
      after: after && sortedKeys(after),
    })),
  })
  return writeZip([
    { name: 'makeover.json', bytes: encodeUtf8(asText(parcelJson(documents))) },
    ...(history ? [{ name: 'history.json', bytes: encodeUtf8(asText(history.map(entry))) }] : []),
    ...files
      .toSorted((left, right) => (left.sha256 < right.sha256 ? -1 : 1))
      .map(({ sha256, bytes }) => ({ name: `files/${sha256}`, bytes })),
  ])
}

const anyUuid = /[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}/g

/**
 * The same makeover under other ids, wherever they stand: rows, what names them, its history. Sellers keep theirs. New ids
 * are given in the order of the old ones, so that whatever is ordered by them stays so.
 */
export function underNewIds({ id, documents, history, files }: Parcel, newId: () => string): Parcel {
  const old = new Set([
    id,
    ...makeoverKinds.flatMap((kind) => Object.keys(documents.makeover.rows[kind])),
    ...(history ?? []).flatMap((entry) => [
      entry.id,
      ...entry.rows.filter((row) => !studioKinds.some((kind) => kind === row.kind)).map((row) => row.rowId),
    ]),
  ])
  const ids = new Map([...old].sort().map((id) => [id, newId()]))
  const renamed = <T>(value: T): T =>
    JSON.parse(JSON.stringify(value).replace(anyUuid, (text) => ids.get(text) ?? text)) as T
  const { makeover, studio } = documents
  return { id: ids.get(id) ?? id, documents: { makeover: renamed(makeover), studio }, history: renamed(history), files }
}

/**
 * The one way in which a document changes: a change set, made by one person at one time, all or nothing.
 */
import { ValidationError } from 'yup'
import { isUuid } from './fields.ts'
import {
  aSpoken,
  isKind,
  isStudioKind,
  makeoverKinds,
  references,
  schemas,
  spoken,
  studioKinds,
  type Fields,
  type Kind,
  type Row,
} from './kinds.ts'
import type { Makeover, Studio } from './document.ts'
import { upgradeOperations } from './upgrade.ts'

export const schemaVersion = 16

/** A put names the fields it changes and the version of the row it was based on; null makes a new row. */
export type Put = {
  readonly op: 'put'
  readonly kind: Kind
  readonly id: string
  readonly base: string | null
  readonly fields: Readonly<Record<string, unknown>>
}
export type Remove = { readonly op: 'remove'; readonly kind: Kind; readonly id: string; readonly base: string }
export type Operation = Put | Remove
export type ChangeSet = {
  readonly id: string
  readonly schemaVersion: number
  readonly sentence: string
  readonly operations: readonly Operation[]
  /** The change set that this one takes back. */
  readonly undoes?: string
}

/** Something wrong with a change: where (kind, row, field) and what was expected. */
export type Fault = {
  readonly code: string
  readonly kind: Kind | null
  readonly id: string | null
  readonly field: string | null
  readonly message: string
}

export const fault = (
  code: string,
  kind: Kind | null,
  id: string | null,
  field: string | null,
  message: string,
): Fault => ({ code, kind, id, field, message })

/** A typed put of a new row, with every field. */
export const add = <K extends Kind>(kind: K, id: string, fields: Fields<K>): Put => ({
  op: 'put',
  kind,
  id,
  base: null,
  fields: { ...fields },
})
/** A typed put of some fields of a row that exists. */
export const edit = <K extends Kind>(kind: K, row: Row<K>, fields: Partial<Fields<K>>): Put => ({
  op: 'put',
  kind,
  id: row.id,
  base: row.version,
  fields: { ...fields },
})
export const remove = <K extends Kind>(kind: K, row: Row<K>): Remove => ({
  op: 'remove',
  kind,
  id: row.id,
  base: row.version,
})

/** The first field that holds a list or an object, where every value of a row is plain; null where none does. */
export function fieldWithin(fields: Readonly<Record<string, unknown>>): string | null {
  const found = Object.entries(fields).find(([, value]) => typeof value === 'object' && value !== null)
  return found ? [...found[0]].slice(0, 40).join('') : null
}

/** Nothing has no sign: a database does not keep that of −0, and so nobody does. */
const unsigned = (fields: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).map(([field, value]) => [field, value === 0 ? 0 : value]))

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** The shape of a change set from outside; its fields are checked when it is applied. */
export function readChangeSet(body: unknown): { ok: true; value: ChangeSet } | { ok: false; faults: Fault[] } {
  const wrong = (field: string, message: string) => ({
    ok: false as const,
    faults: [fault('malformed', null, null, field, message)],
  })
  if (!isRecord(body)) return wrong('body', 'expected a change set')
  if (!isUuid(body.id)) return wrong('id', 'expected an id')
  const { sentence, schemaVersion: version, undoes } = body
  const operations = Array.isArray(body.operations)
    ? upgradeOperations(version, body.operations, schemaVersion)
    : body.operations
  if (operations === null) return wrong('schemaVersion', `expected ${schemaVersion}, or an earlier one`)
  if (undoes !== undefined && !isUuid(undoes))
    return wrong('undoes', 'expected the id of the change that this takes back')
  if (
    typeof sentence !== 'string' ||
    sentence.trim() === '' ||
    [...sentence].length > 500 ||
    !sentence.isWellFormed() ||
    sentence.includes('\u0000')
  )
    return wrong('sentence', 'expected a sentence of at most 500 characters that says what was done')
  if (!Array.isArray(operations) || operations.length === 0 || operations.length > 2000)
    return wrong('operations', 'expected 1 to 2000 operations')
  const read: Operation[] = []
  const seen = new Set<string>()
  for (const [at, operation] of operations.entries()) {
    const where = `operations[${at}]`
    if (!isRecord(operation)) return wrong(where, 'expected an operation')
    const { op, kind, id, base, fields } = operation
    if (!isKind(kind)) return wrong(`${where}.kind`, 'is not a kind of row that is known')
    if (!isUuid(id)) return wrong(`${where}.id`, 'expected an id')
    if (seen.has(`${kind} ${id}`))
      return wrong(where, `names the same ${spoken[kind]} twice: expected one operation a row`)
    seen.add(`${kind} ${id}`)
    if (op === 'put') {
      if (base !== null && !isUuid(base))
        return wrong(`${where}.base`, 'expected the version of the row, or null for a new one')
      if (!isRecord(fields)) return wrong(`${where}.fields`, 'expected the fields that change')
      const deep = fieldWithin(fields)
      if (deep !== null) return wrong(`${where}.fields.${deep}`, 'expected text, a number, yes or no, or nothing')
      read.push({ op, kind, id, base, fields })
    } else if (op === 'remove') {
      if (!isUuid(base)) return wrong(`${where}.base`, 'expected the version of the row')
      read.push({ op, kind, id, base })
    } else return wrong(`${where}.op`, 'expected put or remove')
  }
  return {
    ok: true,
    value: {
      id: body.id,
      schemaVersion,
      sentence: sentence.trim(),
      operations: read,
      ...(undoes === undefined ? {} : { undoes }),
    },
  }
}

export type Documents = { readonly makeover: Makeover; readonly studio: Studio }
type AnyRow = Readonly<Record<string, unknown>> & { readonly id: string; readonly version: string }
type AnyRows = Record<string, Record<string, AnyRow>>

/** The rows of both documents by kind, without their types: what code that serves every kind works on. */
export const anyRows = ({ makeover, studio }: Documents): Readonly<Record<Kind, Readonly<Record<string, AnyRow>>>> => ({
  ...makeover.rows,
  ...studio.rows,
})

/**
 * The documents after the operations, with every touched row validated and every reference checked. The inputs stay
 * as they were. Versions are not compared here: that is the door's business.
 */
export function apply(
  documents: Documents,
  operations: readonly Operation[],
  changeId: string,
): { documents: Documents; faults: Fault[] } {
  const before = anyRows(documents)
  const after: AnyRows = { ...before }
  const copied = new Set<Kind>()
  const faults: Fault[] = []
  for (const operation of operations) {
    const { kind, id } = operation
    if (!copied.has(kind)) {
      after[kind] = { ...after[kind] }
      copied.add(kind)
    }
    const rows = after[kind] ?? {}
    const old = rows[id]
    if (operation.op === 'remove') {
      if (!old) faults.push(fault('gone', kind, id, null, `the ${spoken[kind]} is no longer there`))
      delete rows[id]
      continue
    }
    if (operation.base !== null && !old) {
      faults.push(fault('gone', kind, id, null, `the ${spoken[kind]} is no longer there`))
      continue
    }
    const { id: _id, version: _version, ...fields } = old ?? { id, version: changeId }
    const { value, wrong } = validate(kind, id, { ...fields, ...unsigned(operation.fields) })
    faults.push(...wrong)
    rows[id] = { ...value, id, version: changeId }
  }
  if (faults.length === 0) faults.push(...brokenReferences(after, copied))
  const rowsAmong = (kinds: readonly Kind[]): AnyRows =>
    Object.fromEntries(kinds.map((kind) => [kind, after[kind] ?? {}]))
  return {
    documents: {
      makeover: { ...documents.makeover, rows: rowsAmong(makeoverKinds) as unknown as Makeover['rows'] },
      studio: { ...documents.studio, rows: rowsAmong(studioKinds) as unknown as Studio['rows'] },
    },
    faults,
  }
}

/** The fields of one row held against its schema; every fault names its field. */
export function validate(
  kind: Kind,
  id: string,
  fields: Record<string, unknown>,
): { value: Record<string, unknown>; wrong: Fault[] } {
  try {
    schemas[kind].validateSync(fields, { abortEarly: false, strict: true })
    return { value: fields, wrong: [] }
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const inner = error.inner.length > 0 ? error.inner : [error]
    const firsts = new Map(
      inner.toReversed().map((validationError) => [validationError.path || null, validationError.message]),
    )
    return {
      value: fields,
      wrong: [...firsts].reverse().map(([path, message]) => fault('invalid', kind, id, path, message)),
    }
  }
}

/** References that lead nowhere: from the touched kinds, and to rows of them that were taken away. */
function brokenReferences(rows: AnyRows, touched: ReadonlySet<Kind>): Fault[] {
  const faults: Fault[] = []
  for (const [kind, fields] of Object.entries(references)) {
    if (!isKind(kind)) continue
    for (const [field, target] of Object.entries(fields)) {
      if (!touched.has(kind) && !touched.has(target)) continue
      for (const row of Object.values(rows[kind] ?? {})) {
        const to = row[field]
        if (typeof to === 'string' && !rows[target]?.[to])
          faults.push(
            fault(
              'reference',
              kind,
              row.id,
              field,
              `${nameOf(kind, row)} refers to ${aSpoken(target)} that is not there: remove or change the ${spoken[kind]} first`,
            ),
          )
      }
    }
  }
  return faults
}

const nameOf = (kind: Kind, row: AnyRow): string =>
  typeof row.name === 'string' ? `the ${spoken[kind]} “${row.name}”` : aSpoken(kind)

/** Which document an operation belongs to. */
export const isStudioOperation = (operation: Operation): boolean => isStudioKind(operation.kind)

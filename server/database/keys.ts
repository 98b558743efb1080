/** The keys and constraints of a table of rows: its references, what may be there once, sums that must agree. */
import { sql, type SQL } from 'drizzle-orm'
import { type AnyPgColumn, check, foreignKey, primaryKey, unique } from 'drizzle-orm/pg-core'
import { isStudioKind, onceIn, referencesOf, type Kind } from '#core/makeover/kinds.ts'
import { constraints } from './constraints.ts'
import { blobs, documents } from './own-tables.ts'

type Columns = Readonly<Record<string, AnyPgColumn>>

/**
 * The keys and constraints of a kind's table, from its schema and `constraints.ts`. Every key has the studio in it, so
 * that no reference can lead into another studio. Deferred references are hand-written SQL in the migrations.
 */
export function keysOf(kind: Kind, name: string, columns: Columns, tableOf: (kind: Kind) => unknown) {
  const column = (field: string): AnyPgColumn => {
    const found = columns[field]
    if (!found) throw new Error(`${kind} has no column for ${field}`)
    return found
  }
  const scope = isStudioKind(kind) ? ['studioId'] : ['studioId', 'makeoverId']
  const key = (fields: readonly string[]): [AnyPgColumn, ...AnyPgColumn[]] =>
    fields.map(column) as [AnyPgColumn, ...AnyPgColumn[]]
  const { once = {}, checks = {} } = constraints[kind] ?? {}
  return [
    primaryKey({ columns: key([...scope, 'id']) }),
    ...(onceIn[kind].length > 0 ? [unique(`${name}_once`).on(...key([...scope, ...onceIn[kind]]))] : []),
    ...Object.entries(once).map(([constraint, fields]) => unique(constraint).on(...key([...scope, ...fields]))),
    ...Object.entries(checks).map(([constraint, text]) => check(constraint, written(text, column))),
    ...referencesOf(kind)
      .filter(({ deferred }) => !deferred)
      .map(({ field, to, within }) => {
        const target = tableOf(to) as Columns
        const [here, there] = within
          ? [
              ['studioId', 'makeoverId', within, field],
              ['studioId', 'makeoverId', within, 'id'],
            ]
          : isStudioKind(to)
            ? [
                ['studioId', field],
                ['studioId', 'id'],
              ]
            : [
                ['studioId', 'makeoverId', field],
                ['studioId', 'makeoverId', 'id'],
              ]
        return foreignKey({
          name: `${name}_${column(field).name.replace(/_id$/, '')}`,
          columns: key(here),
          foreignColumns: there.map((field) => target[field]) as [AnyPgColumn, ...AnyPgColumn[]],
        })
      }),
    ...besides(kind, name, columns),
  ]
}

/** What leads out of the rows: a makeover is a document, a file has its bytes; and a studio is there once in all. */
function besides(kind: Kind, name: string, { studioId, id, sha256 }: Columns) {
  if (kind === 'studio' && id) return [unique(`${name}_id_once`).on(id)]
  if (kind === 'makeover' && studioId && id)
    return [
      foreignKey({
        name: `${name}_document`,
        columns: [studioId, id],
        foreignColumns: [documents.studioId, documents.id],
      }),
    ]
  if (kind === 'attachment' && studioId && sha256)
    return [
      foreignKey({
        name: `${name}_blob`,
        columns: [studioId, sha256],
        foreignColumns: [blobs.studioId, blobs.sha256],
      }),
    ]
  return []
}

/** A check with its columns in place of {field}. */
const written = (text: string, column: (field: string) => AnyPgColumn): SQL =>
  sql.join(text.split(/\{(\w+)\}/).map((part, at) => (at % 2 === 0 ? sql.raw(part) : sql`${column(part)}`)))

/** What changes did, row by row and field by field: the stuff of the diary, of undo, and of earlier moments. */
import { anyRows, type Documents, type Operation } from '../makeover/change.ts'
import { isUuid } from '../makeover/fields.ts'
import { isKind, isStudioKind, personalKinds, type Kind } from '../makeover/kinds.ts'
import type { Makeover, Studio } from '../makeover/document.ts'

type Values = Readonly<Record<string, unknown>>

/** What a change did to one row: the fields that differ, before and after; null where the row is new or gone. */
export type DiaryRow = {
  readonly kind: string
  readonly rowId: string
  readonly operation: string
  readonly before: Values | null
  readonly after: Values | null
}

/** A change that was taken, as the diary keeps it. */
export type DiaryEntry = {
  readonly rev: number
  readonly id: string
  readonly sentence: string
  readonly undoes: string | null
  readonly rows: readonly DiaryRow[]
}

/** Stands in the diary for a value that is personal: its table can be erased, the diary cannot. */
export const personal = '(personal)'
/** Do rows of the diary hide something personal? */
export const holdsPersonal = (rows: readonly DiaryRow[]): boolean =>
  rows.some(({ before, after }) =>
    [before, after].some((values) => values !== null && Object.values(values).includes(personal)),
  )

/** What operations did to documents; with values of personal kinds too, which whoever keeps it has to hide. */
export function entriesOf(
  before: Documents,
  after: Documents,
  operations: readonly Operation[],
): (DiaryRow & { readonly kind: Kind })[] {
  const [was, is] = [anyRows(before), anyRows(after)]
  return operations.map(({ op, kind, id }) => {
    const old: Values | undefined = was[kind][id]
    const after: Values | undefined = op === 'remove' ? undefined : is[kind][id]
    const fields = [...new Set([...Object.keys(old ?? {}), ...Object.keys(after ?? {})])].filter(
      (field) => field !== 'id' && field !== 'version' && old?.[field] !== after?.[field],
    )
    const values = (row: Values | undefined) =>
      row ? Object.fromEntries(fields.map((field) => [field, row[field]])) : null
    return { kind, rowId: id, operation: op, before: values(old), after: values(after) }
  })
}

/** The rows that entries touch or point at, before or after: whose history they belong to. */
export const mentionedIn = (rows: readonly DiaryRow[]): string[] => [
  ...new Set(
    rows.flatMap(({ rowId, before, after }) => [
      rowId,
      ...[before, after].flatMap((values) => Object.values(values ?? {}).filter(isUuid)),
    ]),
  ),
]

/** The same with the values of personal kinds hidden, as a diary may keep it. */
export function withoutPersonal<T extends DiaryRow>(row: T): T {
  if (!isKind(row.kind) || !personalKinds.has(row.kind)) return row
  const hidden = (values: Values | null) =>
    values && Object.fromEntries(Object.keys(values).map((field) => [field, personal]))
  return { ...row, before: hidden(row.before), after: hidden(row.after) }
}

/** The texts of changed rows: by the place of the row, before or after, and the field. */
export type Words = Readonly<Record<string, { readonly before?: Values; readonly after?: Values } | undefined>>
/** Stands in a row of the diary for a text that lies apart, where it can be erased. */
const apart = { words: true } as const
const isApart = (value: unknown): boolean => typeof value === 'object' && value !== null && 'words' in value

/** Rows of the diary with their texts put apart from them; ids stay, since rows are found by them. */
export function partWords<T extends DiaryRow>(rows: readonly T[]): { rows: T[]; words: Words | null } {
  const words: Record<string, { before?: Values; after?: Values } | undefined> = {}
  const parted = rows.map((row, place) => {
    const part = (side: 'before' | 'after'): Values | null => {
      const values = row[side]
      const texts = Object.entries(values ?? {}).filter(([, value]) => typeof value === 'string' && !isUuid(value))
      if (values === null || texts.length === 0) return values
      words[place] = { ...words[place], [side]: Object.fromEntries(texts) }
      return { ...values, ...Object.fromEntries(texts.map(([field]) => [field, apart])) }
    }
    return { ...row, before: part('before'), after: part('after') }
  })
  return { rows: parted, words: Object.keys(words).length > 0 ? words : null }
}

/** The row with its texts, as it was before they were put apart. */
export function withWords<T extends DiaryRow>(row: T, place: number, words: Words | null): T {
  const join = (side: 'before' | 'after'): Values | null => {
    const texts = words?.[String(place)]?.[side] ?? {}
    return (
      row[side] &&
      Object.fromEntries(
        Object.entries(row[side]).map(([field, value]) => [field, isApart(value) ? (texts[field] ?? personal) : value]),
      )
    )
  }
  return { ...row, before: join('before'), after: join('after') }
}

type Rows = Record<string, Record<string, Values & { id: string; version: string }>>

function withRows(documents: Documents, write: (rows: Rows, copy: (kind: Kind) => Rows[string]) => void): Documents {
  const rows: Rows = { ...anyRows(documents) }
  const copied = new Set<Kind>()
  write(rows, (kind) => {
    const own = copied.has(kind) ? (rows[kind] ?? {}) : { ...rows[kind] }
    copied.add(kind)
    return (rows[kind] = own)
  })
  const moved = <T extends Makeover | Studio>(document: T): T => ({
    ...document,
    rows: Object.fromEntries(
      Object.keys(document.rows).map((kind) => [kind, rows[kind] ?? {}]),
    ) as unknown as T['rows'],
  })
  return { makeover: moved(documents.makeover), studio: moved(documents.studio) }
}

/**
 * The documents after further changes of the diary, oldest first. Null where the diary alone does not tell it: personal
 * values it does not keep, and rows of the studio have a diary of their own.
 */
export function advance(documents: Documents, entries: readonly DiaryEntry[]): Documents | null {
  if (
    entries.some(({ rows }) => holdsPersonal(rows) || rows.some((row) => !isKind(row.kind) || isStudioKind(row.kind)))
  )
    return null
  const after = withRows(documents, (_rows, copy) => {
    for (const { id, rows } of entries) {
      for (const { kind, rowId, operation, after: clock } of rows) {
        if (!isKind(kind)) continue
        const fields = copy(kind)
        if (operation === 'remove') delete fields[rowId]
        else fields[rowId] = { ...fields[rowId], ...clock, id: rowId, version: id }
      }
    }
  })
  const rev = entries.at(-1)?.rev ?? documents.makeover.rev
  return { ...after, makeover: { ...after.makeover, rev } }
}

/** The documents before changes of the diary, newest first. What is personal and gone since stands as “(personal)”. */
export function rollBack(documents: Documents, entries: readonly DiaryEntry[]): Documents {
  return withRows(documents, (_rows, copy) => {
    for (const { id, rows } of entries) {
      for (const { kind, rowId, before } of rows.toReversed()) {
        if (!isKind(kind)) continue
        const fields = copy(kind)
        if (before === null) delete fields[rowId]
        else {
          const known = personalKinds.has(kind) && fields[rowId] ? {} : before
          fields[rowId] = { version: id, ...fields[rowId], ...known, id: rowId }
        }
      }
    }
  })
}

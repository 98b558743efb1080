/** Erasing a name: from every text of a makeover, and on request every note with it. Money, days and goods stay as they are. */
import { isUuid } from './fields.ts'
import { anyRows, type Documents, type Put } from './change.ts'
import { fieldsOf, makeoverKinds, type MakeoverKind } from './kinds.ts'

export const erased = '(erased)'
/** What a client is called once their name is erased. */
export const formerClient = 'A former client'

export type Erasure = {
  /** The name, and whatever else the person is called: “Mrs Heron”, “Ida”. */
  readonly names: readonly string[]
  /** Every note goes too, whoever it speaks of. */
  readonly notes: boolean
}

/** Names as whole words, in any case, wherever a text has them; null where there is nothing to look for. */
function shapeOf(names: readonly string[]): RegExp | null {
  const told = names.map((name) => name.trim()).filter((name) => name !== '')
  if (told.length === 0) return null
  const escaped = told
    .toSorted((left, right) => right.length - left.length)
    .map((name) => name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/\s+/g, '\\s+'))
  return new RegExp(`(?<![\\p{L}\\p{N}])(?:${escaped.join('|')})(?![\\p{L}\\p{N}])`, 'giu')
}

/** A text without the names. */
export function withoutNames(text: string, names: readonly string[]): string {
  const shape = shapeOf(names)
  return shape ? text.replace(shape, erased) : text
}

/** Whatever a value says, without the names, however deep it lies. */
export function withoutNamesIn<T>(value: T, names: readonly string[]): T {
  if (typeof value === 'string') return withoutNames(value, names) as T
  if (Array.isArray(value)) return value.map((item: unknown) => withoutNamesIn(item, names)) as T
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).map(([key, item]) => [key, withoutNamesIn(item as unknown, names)]),
  ) as T
}

/** Texts that are no notes: names of things, what a seller calls them, and what the product itself writes. */
const otherwise: ReadonlySet<string> = new Set(
  'kept fingerprint name reference article link colourName batch number conditions materials hues words'.split(' '),
)

/** Fields that hold what somebody wrote in their own words, of a kind: more than a name. */
export const noteFields = (kind: MakeoverKind): readonly string[] =>
  fieldsOf(kind)
    .filter(
      ([field, { json, words }]) =>
        words === true && json?.minLength === undefined && json?.pattern === undefined && !otherwise.has(field),
    )
    .map(([field]) => field)

/**
 * A field after an erasure. A name of a thing loses the person’s name; a note that speaks of the person goes whole, since
 * what it says of them would stay.
 */
function after(kind: MakeoverKind, field: string, text: string, { names, notes }: Erasure): string {
  if (isUuid(text)) return text
  if (field === 'kept') return text === '' ? '' : JSON.stringify(withoutNamesIn(JSON.parse(text) as unknown, names))
  const isNote = noteFields(kind).includes(field)
  if (isNote && notes && text !== '') return erased
  const cleared = withoutNames(text, names)
  return isNote && cleared !== text ? erased : cleared
}

/** What has to change in the rows of a makeover, so that nothing in them names the person. */
export function erasing(documents: Documents, clientId: string | null, erasure: Erasure): Put[] {
  const rows = anyRows(documents)
  return makeoverKinds.flatMap((kind) =>
    Object.values(rows[kind]).flatMap((row): Put[] => {
      const fields = Object.fromEntries(
        fieldsOf(kind).flatMap(([field, { words, json }]) => {
          const text = row[field]
          if (words !== true || typeof text !== 'string') return []
          const said =
            kind === 'client' && row.id === clientId && field === 'name'
              ? formerClient
              : after(kind, field, text, erasure)
          const left = typeof json?.maxLength === 'number' ? [...said].slice(0, json.maxLength).join('') : said
          return left === text ? [] : [[field, left]]
        }),
      )
      return Object.keys(fields).length === 0 ? [] : [{ op: 'put', kind, id: row.id, base: row.version, fields }]
    }),
  )
}

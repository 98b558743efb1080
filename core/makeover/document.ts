import { kept } from './kept.ts'
import type { MakeoverKind, Row, StudioKind } from './kinds.ts'
import { makeoverKinds, studioKinds } from './kinds.ts'

export type Rows<K extends MakeoverKind | StudioKind> = { readonly [P in K]: Readonly<Record<string, Row<P>>> }

/** One makeover as plain data: every row of it by kind and id. The same shape in the database, the browser and an export. */
export type Makeover = { readonly id: string; readonly rev: number; readonly rows: Rows<MakeoverKind> }

/** The studio as plain data: what all its makeovers share. */
export type Studio = { readonly id: string; readonly rev: number; readonly rows: Rows<StudioKind> }

export const emptyMakeover = (id: string): Makeover => ({
  id,
  rev: 0,
  rows: Object.fromEntries(makeoverKinds.map((kind) => [kind, {}])) as unknown as Rows<MakeoverKind>,
})
export const emptyStudio = (id: string): Studio => ({
  id,
  rev: 0,
  rows: Object.fromEntries(studioKinds.map((kind) => [kind, {}])) as unknown as Rows<StudioKind>,
})

/** All rows of a kind of the studio. */
export const studioRows = <K extends StudioKind>(studio: Studio, kind: K): readonly Row<K>[] =>
  Object.values<Row<K>>(studio.rows[kind]).sort((left, right) => (left.id < right.id ? -1 : 1))

/** All rows of a kind, in the order of their ids (which is the order they were made in). */
export const rowsOf = <K extends MakeoverKind>(makeover: Makeover, kind: K): readonly Row<K>[] =>
  inOrder(makeover.rows[kind]) as readonly unknown[] as readonly Row<K>[]

const inOrder = kept(
  (rows: Readonly<Record<string, { readonly id: string }>>) => [rows],
  (rows) => Object.values(rows).sort((left, right) => (left.id < right.id ? -1 : left.id > right.id ? 1 : 0)),
)

/** The one row that says what the makeover is; undefined in a document that is not begun. */
export const headOf = (makeover: Makeover): Row<'makeover'> | undefined => makeover.rows.makeover[makeover.id]

/** The currency of the makeover. A document without a head has no money; the code for "no currency known" would lie. */
export const currencyOf = (makeover: Makeover): string => headOf(makeover)?.currency ?? 'EUR'

export const groupBy = <T, K>(rows: Iterable<T>, keyOf: (row: T) => K): Map<K, T[]> => {
  const groups = new Map<K, T[]>()
  for (const row of rows) {
    const key = keyOf(row)
    const group = groups.get(key)
    if (group) group.push(row)
    else groups.set(key, [row])
  }
  return groups
}

/** Rows and reckoned things by their id, and by what they belong to, instead of a search through the list each time. */
import { groupBy } from './document.ts'
import { kept } from './kept.ts'

type Identified = { readonly id: string }

const indexOf = kept(
  (list: readonly Identified[]) => [list],
  (list) => new Map(list.map((row) => [row.id, row])),
)
/** The one of an id; undefined where the list has none, or is not there yet. */
export const byId = <T extends Identified>(
  list: readonly T[] | null | undefined,
  id: string | null | undefined,
): T | undefined => (list && id != null ? (indexOf(list).get(id) as T | undefined) : undefined)

const groupsOf = kept(
  (list: readonly object[], field: string) => [list, field],
  (list, field) => groupBy(list, (row) => (row as Readonly<Record<string, unknown>>)[field]),
)
/** Those whose field names what they belong to: the candidates of a piece. */
export const belongingTo = <T extends object, F extends keyof T & string>(
  list: readonly T[],
  field: F,
  owner: T[F],
): readonly T[] => (groupsOf(list, field).get(owner) ?? []) as readonly object[] as readonly T[]

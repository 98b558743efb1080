/** Things that the studio lends out of its own stock: offered to whoever borrows, and noted as lent once they are chosen. */
import { add, edit, type Operation } from '../makeover/change.ts'
import { studioRows, type Studio } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import type { PlainDate } from '../measure/plain-date.ts'

/** What stands in stock now, and can stand in a room: not what is lent, and no sample, tool or left-over. */
export const inStock = (studio: Studio): readonly Row<'stock'>[] =>
  studioRows(studio, 'stock').filter(({ kind, lentTo }) => kind === 'piece' && lentTo === '')

/** Whose a thing out of stock is, for the candidate that borrows it. */
export const ownStock = ({ lies }: Pick<Row<'stock'>, 'lies'>): string =>
  lies === '' ? 'our own stock' : `our own stock, ${lies}`

/** What a candidate borrows out of stock: by its name, and only where it is said to be borrowed. */
export const stockBehind = (
  studio: Studio,
  { source, name }: Pick<Row<'candidate'>, 'source' | 'name'>,
): Row<'stock'> | null =>
  source === 'borrowed' ? (inStock(studio).find((line) => same(line.name, name)) ?? null) : null

const same = (left: string, right: string): boolean =>
  left.trim().toLocaleLowerCase('en') === right.trim().toLocaleLowerCase('en')

export type Lending = {
  readonly line: Row<'stock'>
  /** How many go, counted as the line is; all of it where it has no more. */
  readonly quantity: number
  /** To which makeover. */
  readonly to: string
  readonly on: PlainDate
  readonly backOn: PlainDate | null
}

/** Notes what is lent; where only some of a line goes, the rest stays a line of its own. `newId` is that of what goes then. */
export function lend({ line, quantity, to, on, backOn }: Lending, newId: string): readonly Operation[] {
  const lent = { lentTo: to, lentOn: on, backOn }
  if (quantity >= line.quantity) return [edit('stock', line, lent)]
  const { id: _id, version: _version, ...fields } = line
  // what is counted by pieces has no parts of a thousandth that adding could leave behind
  const rest = Math.round((line.quantity - quantity) * 1000) / 1000
  return [edit('stock', line, { quantity: rest }), add('stock', newId, { ...fields, ...lent, quantity })]
}

/** What a table of rows says of its columns; RowTable shows it. */
import type { Cell } from '#core/formats/cells.ts'
import { groupBy } from '#core/makeover/document.ts'

export type Column<Line> = {
  readonly id: string
  readonly title: string
  /** What the column holds: it sorts, is searched and exported by this, and shows it where no slot does. */
  readonly cell: (line: Line) => Cell
  /** Said in the head and by readers alone: a column of swatches, of buttons. */
  readonly silent?: boolean
  readonly number?: boolean
  /** Hidden until somebody asks for it. */
  readonly aside?: boolean
  /** It is neither sorted nor exported: buttons, pictures. */
  readonly plain?: boolean
}

/** What a cell is sorted by: nothing stands last. */
export const sortValue = (cell: Cell): string | number =>
  cell === null
    ? '\uffff'
    : 'text' in cell
      ? cell.text.toLocaleLowerCase('en')
      : 'date' in cell
        ? cell.date
        : 'amount' in cell
          ? cell.amount
          : cell.number

/** What of a line is searched. */
export const wordsOf = <Line>(line: Line, columns: readonly Column<Line>[]): string =>
  columns
    .map(({ cell }) => cell(line))
    .map((cell) => (cell !== null && 'text' in cell ? cell.text : ''))
    .join(' ')
    .toLocaleLowerCase('en')

export const words = (text: string): Cell => (text === '' ? null : { text })

/** A row of a table: a line, or the head of the group whose first line it holds. */
export type Item<Line> = {
  readonly id: string
  readonly line: Line
  readonly group: string
  readonly head: boolean
}

/** The rows of a table whose lines stand below heads: groups in the order given, none empty; within one the lines keep their order. */
export function inGroups<Line extends { readonly id: string }>(
  lines: readonly Line[],
  order: readonly string[],
  groupOf: (line: Line) => string,
): Item<Line>[] {
  const found = groupBy(lines, groupOf)
  return [...new Set([...order, ...found.keys()])].flatMap((group) => {
    const own = found.get(group) ?? []
    const [first] = own
    return first
      ? [
          { id: `head of ${group}`, line: first, group, head: true },
          ...own.map((line) => ({ id: line.id, line, group, head: false })),
        ]
      : []
  })
}

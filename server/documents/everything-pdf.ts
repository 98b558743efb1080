/** The sheet of everything on paper: thing by thing, then the colours with a chip each. */
import { writtenCell } from '#core/formats/cells.ts'
import type { Table } from '#core/formats/tables.ts'
import { paper } from './paper.ts'

export function everythingPdf(tables: readonly Table[], name: string, currency: string, foot: string): Promise<Buffer> {
  const page = paper(`Everything: ${name}`, 'A4')
  const [things, finishes] = tables
  page.title(name, 'Everything, to find, clean, match and take off again')
  const cellsOf = (table: Table, row: Table['rows'][number]) =>
    new Map(table.head.map((head, at) => [head, writtenCell(row[at] ?? null, currency)]))
  page.heading('Things')
  for (const row of things?.rows ?? []) {
    const cells = cellsOf(things as Table, row)
    page.words(`${cells.get('What') ?? ''}${cells.get('Room') ? `, ${cells.get('Room') ?? ''}` : ''}`)
    const rest = [...cells].filter(([head, value]) => head !== 'What' && head !== 'Room' && value !== '')
    page.words(rest.map(([head, value]) => `${head}: ${value}`).join('; '), true)
  }
  if (finishes && finishes.rows.length > 0) {
    page.heading('Colours and finishes')
    page.swatches(
      finishes.rows.map((row) => {
        const cells = cellsOf(finishes, row)
        return {
          hex: cells.get('Colour') ?? '#ffffff',
          words: cells.get('What') ?? '',
          below: [cells.get('Where'), cells.get('Sheen'), cells.get('Article'), cells.get('Batch')]
            .filter(Boolean)
            .join(', '),
        }
      }),
    )
  }
  return page.bytes(foot)
}

/** Statements as CSV and as a workbook: the same tables, cell by cell. */
import Papa from 'papaparse'
import { plainLine } from '#core/formats/clean.ts'
import { harmless, plainAmount, writtenCell } from '#core/formats/cells.ts'
import type { Table } from '#core/formats/tables.ts'
import { decimalsOf } from '#core/money/currencies.ts'

/** All tables in one CSV (RFC 4180, UTF-8 with a byte order mark): each under its name, parted by an empty line. */
export function asCsv(tables: readonly Table[], currency: string): string {
  const parts = tables.map((table) =>
    Papa.unparse(
      [
        [table.name, currency],
        [...table.head],
        ...table.rows.map((row) => row.map((cell) => writtenCell(cell, currency))),
      ],
      { newline: '\r\n' },
    ),
  )
  return `\ufeff${parts.join('\r\n\r\n')}\r\n`
}

/** A workbook with one sheet a table. Amounts are numbers in units of the currency, days are dates. */
export async function asWorkbook(tables: readonly Table[], currency: string): Promise<Buffer> {
  const { default: ExcelJS } = await import('exceljs') // large, and of no use to whoever wants a CSV
  const decimals = decimalsOf(currency)
  const book = new ExcelJS.Workbook()
  for (const table of tables) {
    const sheet = book.addWorksheet(table.name, { views: [{ state: 'frozen', ySplit: 1 }] })
    sheet.addRow([...table.head]).font = { bold: true }
    for (const row of table.rows) {
      const added = sheet.addRow(
        row.map((cell) =>
          cell === null
            ? null
            : 'text' in cell
              ? harmless(cell.text).split('\n').map(plainLine).join('\n')
              : 'date' in cell
                ? new Date(`${cell.date}T00:00:00Z`)
                : 'number' in cell
                  ? cell.number
                  : Number(plainAmount(cell.amount, currency)),
        ),
      )
      for (const [at, cell] of row.entries()) {
        if (cell !== null && 'amount' in cell)
          added.getCell(at + 1).numFmt = decimals > 0 ? `#,##0.${'0'.repeat(decimals)}` : '#,##0'
        if (cell !== null && 'date' in cell) added.getCell(at + 1).numFmt = 'd mmm yyyy'
      }
    }
    for (const [at, name] of table.head.entries())
      sheet.getColumn(at + 1).width = Math.min(
        40,
        Math.max(name.length, ...table.rows.map((row) => writtenCell(row[at] ?? null, currency).length)) + 2,
      )
  }
  return Buffer.from(await book.xlsx.writeBuffer())
}

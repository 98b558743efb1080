/** A cell of a table as a CSV file carries it. */
import type { PlainDate } from '../measure/plain-date.ts'
import { decimalsOf } from '../money/currencies.ts'
import type { Minor } from '../money/minor.ts'

/** Words, a day, an amount in minor units, a number, or nothing. */
export type Cell =
  | { readonly text: string }
  | { readonly date: PlainDate }
  | { readonly amount: Minor }
  | { readonly number: number }
  | null

/** An amount in units of its currency, with its decimals and a point. */
export function plainAmount(amount: Minor, currency: string): string {
  const decimals = decimalsOf(currency)
  const digits = String(Math.abs(amount)).padStart(decimals + 1, '0')
  const at = digits.length - decimals
  return `${amount < 0 ? '-' : ''}${digits.slice(0, at)}${decimals > 0 ? `.${digits.slice(at)}` : ''}`
}

/** Words that a spreadsheet would take for a formula are led by an apostrophe (OWASP, CSV injection). */
export const harmless = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)

export function writtenCell(cell: Cell, currency: string): string {
  if (cell === null) return ''
  if ('text' in cell) return harmless(cell.text)
  if ('number' in cell) return String(cell.number)
  return 'date' in cell ? cell.date : plainAmount(cell.amount, currency)
}

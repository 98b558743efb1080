import { sum, zero, type Minor } from '../money/minor.ts'
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'

/** A version of the agreed budget with its sums by category. */
export type Agreement = {
  readonly row: Row<'agreement'>
  readonly amounts: ReadonlyMap<string, Minor>
  /** Σ categories, without the contingency. */
  readonly categories: Minor
}

/** All versions, first to last, drafts included. */
export function agreements(makeover: Makeover): Agreement[] {
  const linesOf = groupBy(rowsOf(makeover, 'agreementLine'), (line) => line.agreementId)
  return rowsOf(makeover, 'agreement')
    .map((row) => {
      const amounts = new Map((linesOf.get(row.id) ?? []).map((line) => [line.categoryId, line.amountMinor]))
      return { row, amounts, categories: sum(amounts.values()) }
    })
    .sort((left, right) => left.row.number - right.row.number)
}

export const isSigned = (row: Row<'agreement'>): boolean => row.signedOn !== null && row.signedById !== null

/** The version in force: the last one signed; null while nothing is. */
export const agreedNow = (versions: readonly Agreement[]): Agreement | null =>
  versions.findLast(({ row }) => isSigned(row)) ?? null

export const agreedFor = (agreement: Agreement | null, categoryId: string): Minor =>
  agreement?.amounts.get(categoryId) ?? zero

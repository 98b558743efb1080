import type { Minor } from './minor.ts'

/** One line of a working: a label, how it came about, and an amount of money or, for dates and counts, words. */
export type WorkingLine = { readonly label: string; readonly how: string; readonly amount: Minor | string }

/** How a figure came about: lines that lead to a result, and what the figure means. */
export type Working = {
  readonly title: string
  readonly means: string
  readonly lines: readonly WorkingLine[]
  readonly result: WorkingLine
}

export const workingLine = (label: string, amount: Minor | string, how = ''): WorkingLine => ({ label, how, amount })

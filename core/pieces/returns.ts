import { isInHand, splitSeveral, type openTerms } from '../makeover/choices.ts'
import type { Row } from '../makeover/kinds.ts'
import { writeDate } from '../measure/plain-date.ts'
import { sourceNeeds } from './sources.ts'

/** Has nobody asked the seller about it yet? */
export const isOpenTerm = (row: Pick<Row<'candidate'>, 'toAsk'>, term: (typeof openTerms)[number]): boolean =>
  splitSeveral(row.toAsk).includes(term)

/**
 * Whether it can go back, in words, and for how many days; null days where that is not known, or no question: what is
 * lent goes back of itself, and what is in hand was never bought.
 */
export function returnOf(row: Pick<Row<'candidate'>, 'source' | 'toAsk' | 'returnDays' | 'returnFrom' | 'goBackOn'>): {
  readonly words: string
  readonly days: number | null
} {
  if (sourceNeeds[row.source].goesBack)
    return {
      words: row.goBackOn === null ? 'lent, and goes back' : `goes back on ${writeDate(row.goBackOn)}`,
      days: null,
    }
  if (isInHand(row.source)) return { words: 'in hand, nothing to return', days: null }
  if (isOpenTerm(row, 'returns')) return { words: 'not asked yet', days: null }
  if (row.returnDays === null) return { words: 'final sale', days: 0 }
  const start = row.returnFrom === 'order' ? 'the purchase' : 'delivery'
  return { words: `${row.returnDays} days from ${start}`, days: row.returnDays }
}

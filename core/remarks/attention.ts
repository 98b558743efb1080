/** What needs a hand: one line of the day page, with its day and where it is done. */
import type { PlainDate } from '../measure/plain-date.ts'

export type Attention = {
  /** What sort it is, as the day page says it: “order by”, “refund due”. */
  readonly kind: string
  /** The day it falls due; null is now. */
  readonly on: PlainDate | null
  readonly late: boolean
  readonly title: string
  readonly detail: string
  /** Where it is done: the step, and the thing to open there. */
  readonly step: string
  readonly id: string | null
  /** What comes first among lines of one day: the lower. */
  readonly rank: number
}

/** Lines of one step. `ranks` says which sorts it has, and which of them come first on one day. */
export function attentionLines<Kind extends string>(
  step: string,
  ranks: Readonly<Record<Kind, number>>,
  today: PlainDate,
): {
  readonly lines: Attention[]
  readonly add: (kind: Kind, on: PlainDate | null, title: string, detail: string, id: string | null) => void
} {
  const lines: Attention[] = []
  return {
    lines,
    add: (kind, on, title, detail, id) =>
      void lines.push({ kind, on, late: on !== null && on < today, title, detail, step, id, rank: ranks[kind] }),
  }
}

/** The most urgent first: what has no day and is over, then by day, then by rank. */
export const byUrgency = <Line extends Attention>(lines: readonly Line[], today: PlainDate): Line[] =>
  lines.toSorted(
    (left, right) =>
      Number(left.rank > 0) - Number(right.rank > 0) ||
      compare(left.on ?? today, right.on ?? today) ||
      left.rank - right.rank,
  )

const compare = (left: PlainDate, right: PlainDate): number => (left < right ? -1 : left > right ? 1 : 0)

/** “1 day”, “3 days”. */
export const days = (count: number): string => `${count} ${count === 1 ? 'day' : 'days'}`

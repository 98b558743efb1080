import { groupBy, headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { addDays, daysBetween, type PlainDate } from '../measure/plain-date.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { mondayToFriday, WorkDays, type Schedule } from '../calendar/index.ts'
import type { Money } from '../purchases/index.ts'

/** When a piece will be here, against when it is wanted. In calendar days, or in working days where its seller counts those. */
export type PieceDates = {
  readonly id: string
  /** The task that it is needed for on site, and the latest day of that; null while there is no install date. */
  readonly needed: { readonly on: PlainDate; readonly name: string } | null
  /** The day it is needed − buffer. */
  readonly wantedOn: PlainDate | null
  /** The latest day to order what is still open, by the chosen candidate's lead time. */
  readonly orderBy: PlainDate | null
  /** The latest day for the client to say yes: order-by less the time they take; by the quickest candidate while none is chosen. */
  readonly decideBy: PlainDate | null
  /** When the last of it comes: as ordered, or if ordered today; null while somebody has to be asked. */
  readonly hereOn: PlainDate | null
  /** Days between coming and being wanted; below zero it is late. Null while something is unknown, or all is here. */
  readonly slackDays: number | null
  readonly toOrder: boolean
}

export function pieceDates(
  makeover: Makeover,
  money: Money,
  { neededOn, installRules }: Pick<Schedule, 'neededOn' | 'installRules'>,
  rules: Rules,
  today: PlainDate,
): PieceDates[] {
  const installOn = installRules ? (headOf(makeover)?.installOn ?? null) : null
  const candidatesOf = groupBy(rowsOf(makeover, 'candidate'), (candidate) => candidate.pieceId)
  const purchases = groupBy(money.purchases, (purchase) => purchase.pieceId)
  return money.pieces.map((piece) => {
    const row = makeover.rows.piece[piece.id]
    const candidate = row?.chosenId ? makeover.rows.candidate[row.chosenId] : undefined
    const toOrder = piece.open > 0
    const leadDays = toOrder ? (candidate?.leadDays ?? undefined) : undefined
    const running = (candidatesOf.get(piece.id) ?? [])
      .filter((candidate) => candidate.turnedDown === null)
      .flatMap((candidate) => candidate.leadDays ?? [])
    const quickest = toOrder && !candidate && running.length > 0 ? Math.min(...running) : leadDays
    const needed = neededOn.get(piece.id) ?? (installOn === null ? null : { on: installOn, name: '' })
    const wantedOn = needed === null ? null : addDays(needed.on, -rules['dates.buffer'])
    const later = (date: PlainDate, days: number): PlainDate => afterLead(candidate, date, days)
    const ifToday = leadDays === undefined ? [] : [later(today, leadDays)]
    const onTheWay = (purchases.get(piece.id) ?? [])
      .filter((purchase) => purchase.awaited > 0)
      .flatMap(({ arrivesOn }) => (arrivesOn === null ? [] : arrivesOn > today ? arrivesOn : today))
    const hereOn = [...ifToday, ...onTheWay].sort().at(-1) ?? null
    return {
      id: piece.id,
      needed,
      wantedOn,
      // the buffer is taken off first, and the lead counted back from there
      orderBy: wantedOn !== null && leadDays !== undefined ? later(wantedOn, -leadDays) : null,
      decideBy:
        wantedOn !== null && quickest !== undefined
          ? addDays(later(wantedOn, -quickest), -rules['dates.client-answer'])
          : null,
      hereOn,
      slackDays: wantedOn !== null && hereOn !== null ? daysBetween(hereOn, wantedOn) : null,
      toOrder: ifToday.length > 0,
    }
  })
}

/** The days that sellers count who count working days. */
const workedDays = new WorkDays(mondayToFriday)
/** So many days later by how the seller counts them; before, where below zero. */
export const afterLead = (
  candidate: Pick<Row<'candidate'>, 'leadWorking'> | undefined,
  date: PlainDate,
  days: number,
): PlainDate => (candidate?.leadWorking ? workedDays.add(date, days) : addDays(date, days))

/** The slack of the whole: the least of its pieces; null while nothing is awaited. */
export const slackOf = (dates: readonly PieceDates[]): number | null => {
  const known = dates.flatMap((date) => (date.slackDays === null ? [] : [date.slackDays]))
  return known.length > 0 ? Math.min(...known) : null
}

import { groupBy, headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import { addDays, daysBetween, type PlainDate } from '../measure/plain-date.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Money } from '../purchases/index.ts'

/** When a piece will be here, against when it is wanted. Calendar days throughout. */
export type PieceDates = {
  readonly id: string
  /** install date − buffer */
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

export function pieceDates(makeover: Makeover, money: Money, rules: Rules, today: PlainDate): PieceDates[] {
  const installOn = headOf(makeover)?.installOn ?? null
  const wantedOn = installOn ? addDays(installOn, -rules['dates.buffer']) : null
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
    const ifToday = leadDays === undefined ? [] : [addDays(today, leadDays)]
    const onTheWay = (purchases.get(piece.id) ?? [])
      .filter((purchase) => purchase.awaited > 0)
      .flatMap(({ arrivesOn }) => (arrivesOn === null ? [] : arrivesOn > today ? arrivesOn : today))
    const hereOn = [...ifToday, ...onTheWay].sort().at(-1) ?? null
    return {
      id: piece.id,
      wantedOn,
      orderBy: wantedOn !== null && leadDays !== undefined ? addDays(wantedOn, -leadDays) : null,
      decideBy:
        wantedOn !== null && quickest !== undefined
          ? addDays(wantedOn, -quickest - rules['dates.client-answer'])
          : null,
      hereOn,
      slackDays: wantedOn !== null && hereOn !== null ? daysBetween(hereOn, wantedOn) : null,
      toOrder: ifToday.length > 0,
    }
  })
}

/** The slack of the whole: the least of its pieces; null while nothing is awaited. */
export const slackOf = (dates: readonly PieceDates[]): number | null => {
  const known = dates.flatMap((date) => (date.slackDays === null ? [] : [date.slackDays]))
  return known.length > 0 ? Math.min(...known) : null
}

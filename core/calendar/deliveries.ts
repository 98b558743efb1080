/** What is on its way to the site: when it comes, in which window, who lets it in, where it waits, and whether there is room for it there. */
import { groupBy, rowsOf, type Makeover } from '../makeover/document.ts'
import { writeClock } from '../measure/clock.ts'
import type { Row } from '../makeover/kinds.ts'
import { isMaterial } from '../makeover/things.ts'
import type { ArrivalState } from '../makeover/work-choices.ts'
import type { PlainDate } from '../measure/plain-date.ts'
import type { PurchaseReckoning } from '../purchases/index.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Schedule } from './schedule.ts'

export type Delivery = {
  readonly purchaseId: string
  readonly pieceId: string
  readonly name: string
  readonly seller: string
  /** What was arranged; null while nothing was. */
  readonly row: Row<'arrival'> | null
  readonly state: ArrivalState
  readonly comesOn: PlainDate | null
  readonly packs: number
  /** By when it is wanted on site, and for what. */
  readonly needed: { readonly on: PlainDate; readonly name: string } | null
  /** It comes after the day it is wanted, or its day went by without it. */
  readonly isLate: boolean
  readonly isOverdue: boolean
}

/** All that is awaited, earliest first; what nobody has a day for comes last. A line that comes in parts has one of each part. */
export function deliveriesOf(
  makeover: Makeover,
  purchases: readonly PurchaseReckoning[],
  { neededOn, installOn }: Pick<Schedule, 'neededOn' | 'installOn'>,
  sellerName: (sellerId: string) => string,
  today: PlainDate,
): Delivery[] {
  const arranged = groupBy(rowsOf(makeover, 'arrival'), ({ purchaseId }) => purchaseId)
  return purchases
    .filter(({ awaited }) => awaited > 0)
    .flatMap(({ id, orderId, pieceId, awaited, arrivesOn }): Delivery[] => {
      const order = makeover.rows.order[orderId]
      const needed = neededOn.get(pieceId) ?? (installOn === null ? null : { on: installOn, name: '' })
      const common = {
        purchaseId: id,
        pieceId,
        name: makeover.rows.piece[pieceId]?.name ?? '',
        seller: order?.sellerId ? sellerName(order.sellerId) : '',
        needed,
      }
      const by = (on: PlainDate | null) => ({
        isLate: on !== null && (on < today || (needed !== null && on > needed.on)),
        isOverdue: on !== null && on < today,
      })
      const rows = arranged.get(id) ?? []
      if (rows.length === 0)
        return [{ ...common, row: null, state: 'expected', comesOn: arrivesOn, packs: awaited, ...by(arrivesOn) }]
      return rows.map((row) => ({
        ...common,
        row,
        state: row.state,
        comesOn: row.comesOn,
        packs: Math.min(awaited, row.packs),
        ...by(row.comesOn),
      }))
    })
    .toSorted((left, right) => ((left.comesOn ?? '9') < (right.comesOn ?? '9') ? -1 : 1))
}

export type WaitingPlace = {
  readonly roomId: string
  readonly room: string
  /** Of the floor that goods may wait on. */
  readonly freeM2: number
  /** The fullest day, and what lies there then. */
  readonly fullOn: PlainDate
  readonly takenM2: number
  readonly names: readonly string[]
}

/** What a thing takes of a floor as it waits, in m²: on its smallest side that is not its height; unknown sizes take nothing and are told so. */
export function waitingM2(makeover: Makeover, pieceId: string, packs: number): number | null {
  const piece = makeover.rows.piece[pieceId]
  const chosen = piece?.chosenId ? makeover.rows.candidate[piece.chosenId] : undefined
  if (!piece || isMaterial(piece)) return null
  const [wide, deep] = [chosen?.widthMm ?? piece.widthMm, chosen?.depthMm ?? piece.depthMm]
  return wide === null || deep === null ? null : (wide * deep * packs) / 1e6
}

/**
 * How full each place is where goods wait, on its fullest day: from the day they come to the day they are used. `floorM2`: the floor of a
 * room; a share of it is left as a way (work.waiting-floor).
 */
export function waitingPlaces(
  makeover: Makeover,
  deliveries: readonly Delivery[],
  floorM2: (roomId: string) => number,
  rules: Rules,
): WaitingPlace[] {
  const waiting = deliveries.flatMap((delivery) => {
    const roomId = delivery.row?.waitsInId ?? null
    const takes = waitingM2(makeover, delivery.pieceId, delivery.packs)
    if (roomId === null || takes === null || delivery.comesOn === null) return []
    return [{ ...delivery, roomId, takes, first: delivery.comesOn, last: delivery.needed?.on ?? delivery.comesOn }]
  })
  return [...groupBy(waiting, ({ roomId }) => roomId)].flatMap(([roomId, there]) => {
    const days = there.map(({ first }) => first)
    const full = days
      .map((on) => {
        const lying = there.filter(({ first, last }) => first <= on && on <= later(first, last))
        return { on, lying, m2: lying.reduce((sum, { takes }) => sum + takes, 0) }
      })
      .toSorted((left, right) => right.m2 - left.m2 || (left.on < right.on ? -1 : 1))[0]
    if (!full) return []
    return [
      {
        roomId,
        room: makeover.rows.room[roomId]?.name ?? '',
        freeM2: (floorM2(roomId) * rules['work.waiting-floor']) / 100,
        fullOn: full.on,
        takenM2: full.m2,
        names: full.lying.map(({ name }) => name),
      },
    ]
  })
}
/** What comes too late to wait lies there for its own day at least. */
const later = (first: PlainDate, last: PlainDate): PlainDate => (last < first ? first : last)

/** “between 9:00 and 12:00”, “from 9:00”, “by 12:00”; empty where nobody said. */
export function windowWords({ earliestMinute, latestMinute }: Pick<Row<'arrival'>, 'earliestMinute' | 'latestMinute'>) {
  const at = writeClock
  if (earliestMinute !== null && latestMinute !== null) return `between ${at(earliestMinute)} and ${at(latestMinute)}`
  if (earliestMinute !== null) return `from ${at(earliestMinute)}`
  return latestMinute === null ? '' : `by ${at(latestMinute)}`
}

/** What a makeover bought of each seller, and how late it came: for the sellers’ book of the studio. */
import { currencyOf, groupBy, headOf, rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { addDays, daysBetween, type PlainDate } from '../measure/plain-date.ts'
import { sum, zero, type Minor } from '../money/minor.ts'
import { reckonMoney } from './money.ts'

export type BoughtAt = {
  readonly sellerId: string
  readonly makeoverId: string
  readonly makeover: string
  readonly currency: string
  readonly orders: number
  /** What is owed for them, after credits. */
  readonly owed: Minor
  readonly lastOn: PlainDate
  /** Of each delivery whose time was said, the days after it; below zero where it came early. */
  readonly lateDays: readonly number[]
  readonly damagedPacks: number
  readonly receivedPacks: number
  /** Goods sent back, and how many days the seller took to accept them, where it has. */
  readonly returns: number
  readonly acceptedInDays: readonly number[]
  /** Lower prices asked for, and granted. */
  readonly matchesAsked: number
  readonly matchesGranted: number
}

export function boughtOf(makeover: Makeover): BoughtAt[] {
  const money = new Map(reckonMoney(makeover).orders.map((order) => [order.id, order]))
  const linesOf = groupBy(rowsOf(makeover, 'purchase'), ({ orderId }) => orderId)
  const ordersAt = groupBy(rowsOf(makeover, 'order'), ({ sellerId }) => sellerId)
  return [...ordersAt].flatMap(([sellerId, orders]): BoughtAt[] => {
    if (sellerId === null) return []
    const lines = orders.flatMap(({ id }) => linesOf.get(id) ?? [])
    const ids = new Set(lines.map(({ id }) => id))
    const on = <T extends { readonly purchaseId: string }>(rows: readonly T[]): T[] =>
      rows.filter(({ purchaseId }) => ids.has(purchaseId))
    const deliveries = on(rowsOf(makeover, 'delivery'))
    const returns = on(rowsOf(makeover, 'return'))
    const matches = on(rowsOf(makeover, 'claim')).filter(({ about }) => about === 'price drop')
    const days = orders.map(({ orderedOn }) => orderedOn).toSorted()
    return [
      {
        sellerId,
        makeoverId: makeover.id,
        makeover: headOf(makeover)?.name ?? '',
        currency: currencyOf(makeover),
        orders: orders.length,
        owed: sum(orders.map(({ id }) => money.get(id)?.owed ?? zero)),
        lastOn: days.at(-1) as PlainDate,
        lateDays: deliveries.flatMap((delivery) => lateness(delivery, makeover)),
        damagedPacks: deliveries.reduce((packs, { damagedPacks }) => packs + damagedPacks, 0),
        receivedPacks: deliveries.reduce((packs, row) => packs + row.packs, 0),
        returns: returns.length,
        acceptedInDays: returns.flatMap(({ sentOn, acceptedOn }) =>
          acceptedOn === null ? [] : [daysBetween(sentOn, acceptedOn)],
        ),
        matchesAsked: matches.length,
        matchesGranted: matches.filter(({ grantedMinor }) => grantedMinor > 0).length,
      },
    ]
  })
}

/** Days after the time that was said at the order; nothing where none was. */
function lateness(delivery: Row<'delivery'>, makeover: Makeover): number[] {
  const line = makeover.rows.purchase[delivery.purchaseId]
  const order = line && makeover.rows.order[line.orderId]
  if (!order || line.leadDays === null) return []
  return [daysBetween(addDays(order.orderedOn, line.leadDays), delivery.receivedOn)]
}

/** The middle of some numbers; null where there are none. */
export function medianOf(numbers: readonly number[]): number | null {
  const sorted = numbers.toSorted((left, right) => left - right)
  const half = Math.floor(sorted.length / 2)
  const [low, high] = [sorted[half - 1], sorted[half]]
  if (high === undefined) return null
  return sorted.length % 2 === 0 && low !== undefined ? (low + high) / 2 : high
}

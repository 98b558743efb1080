/** Where a refund most likely comes back to: sellers pay back by the way that was paid, a gift card before all else. */
import { belongingTo } from '../makeover/by-id.ts'
import { rowsOf, type Makeover } from '../makeover/document.ts'
import type { Row } from '../makeover/kinds.ts'
import { zero, type Minor } from '../money/minor.ts'

export type RefundProposed = {
  readonly tender: Row<'payment'>['tender']
  readonly creditId: string | null
  /** What is due, and no more than was paid that way. */
  readonly amount: Minor
}

/** Nothing where nothing was paid on the order. `due` in minor units. */
export function refundProposed(makeover: Makeover, orderId: string, due: Minor): RefundProposed | null {
  const ways = new Map<string, { tender: Row<'payment'>['tender']; creditId: string | null; net: number }>()
  for (const { tender, creditId, direction, amountMinor } of belongingTo(
    rowsOf(makeover, 'payment'),
    'orderId',
    orderId,
  )) {
    const key = `${tender} ${creditId ?? ''}`
    const way = ways.get(key) ?? { tender, creditId, net: 0 }
    way.net += direction === 'out' ? amountMinor : -Number(amountMinor)
    ways.delete(key)
    ways.set(key, way) // the last paid way stands last
  }
  const paid = [...ways.values()].filter(({ net }) => net > 0)
  const way =
    paid.find(({ tender }) => tender === 'gift card') ??
    paid.find(({ tender }) => tender === 'held credit') ??
    paid.at(-1)
  if (!way) return null
  const amount = due < way.net ? due : (way.net as Minor)
  return { tender: way.tender, creditId: way.creditId, amount: amount > 0 ? amount : zero }
}

import { computed, type ComputedRef } from 'vue'
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { PurchaseReckoning } from '#core/purchases/index.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** A line of an order as it is shown: what was ordered, where, and what its money came to. */
export type OrderLine = {
  readonly id: string
  readonly row: Row<'purchase'>
  readonly money: PurchaseReckoning
  readonly order: Row<'order'>
  readonly name: string
  readonly seller: string
  readonly candidate: Row<'candidate'> | undefined
  readonly standIn: boolean
  /** How many lines its order has. */
  readonly together: number
}

export function useOrderLines(): ComputedRef<readonly OrderLine[]> {
  const makeover = useMakeover()
  const rows = useRows('purchase')
  return computed(() => {
    const opened = makeover.opened
    if (!opened) return []
    const { order: orders, piece: pieces, candidate: candidates } = opened.makeover.rows
    return rows.value.flatMap((row) => {
      const money = byId(makeover.reckoning?.money.purchases, row.id)
      const order = orders[row.orderId]
      const candidate = candidates[row.candidateId]
      if (!money || !order) return []
      return {
        id: row.id,
        row,
        money,
        order,
        name: pieces[row.pieceId]?.name ?? '',
        seller: order.sellerId ? (opened.studio.rows.seller[order.sellerId]?.name ?? '') : (candidate?.origin ?? ''),
        candidate,
        standIn: candidate?.source === 'placeholder',
        together: rows.value.filter((line) => line.orderId === row.orderId).length,
      }
    })
  })
}

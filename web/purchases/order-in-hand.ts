import { computed, type ComputedRef } from 'vue'
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { priceDrops, type OrderReckoning, type PriceDrop } from '#core/purchases/index.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import type { OrderLine } from './order-lines.ts'

/** What somebody does with the order in hand. */
export type OrderAct =
  | { readonly is: 'pay' | 'refund' | 'goods' | 'place' | 'cancel' }
  | { readonly is: 'back'; readonly row: Row<'return'> | null; readonly damaged?: Row<'return'>['settles'] }
  | { readonly is: 'claim'; readonly row: Row<'claim'> | null }

/** What is known of the order in hand beside its money. */
export type OrderInHand = {
  readonly name: string
  /** Sent back, and not accepted yet. */
  readonly returning: readonly Row<'return'>[]
  readonly claims: readonly Row<'claim'>[]
  readonly placing: Row<'placing'> | null
  /** Packs that are here and stay so far. */
  readonly kept: number
  readonly drop: PriceDrop | null
  readonly canReceive: boolean
}

export function useOrderInHand(line: () => OrderLine | null): {
  readonly whole: ComputedRef<OrderReckoning | null>
  readonly hand: ComputedRef<OrderInHand | null>
} {
  const makeover = useMakeover()
  const [returns, claims, placings] = [useRows('return'), useRows('claim'), useRows('placing')]
  const whole = computed(() => byId(makeover.reckoning?.money.orders, line()?.row.orderId) ?? null)
  const hand = computed((): OrderInHand | null => {
    const picked = line()
    const { opened, reckoning } = makeover
    if (!picked || !whole.value || !opened || !reckoning) return null
    const { id, money } = picked
    const drops = priceDrops(opened.makeover, reckoning.money, opened.today)
    return {
      name: whole.value.lineIds.length > 1 ? `${picked.seller}, ${whole.value.lineIds.length} lines` : picked.name,
      returning: returns.value.filter((row) => row.purchaseId === id && row.acceptedOn === null),
      claims: claims.value.filter((row) => row.purchaseId === id && row.answer === 'waiting'),
      placing: placings.value.find((row) => row.purchaseId === id) ?? null,
      kept: money.received - money.goingBack - money.returned,
      drop: drops.find((drop) => drop.purchaseId === id && drop.open) ?? null,
      canReceive: money.awaited > 0,
    }
  })
  return { whole, hand }
}

<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { add } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeShortDate, type PlainDate } from '#core/measure/plain-date.ts'
import { negate, type Minor } from '#core/money/minor.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** What happened to an order, in its order: goods, money, returns; a payment entered wrongly can be reversed here. */
const { purchase } = defineProps<{ purchase: Row<'purchase'> }>()
const makeover = useMakeover()
const deliveries = useRows('delivery')
const returns = useRows('return')
const cancellations = useRows('cancellation')
const claims = useRows('claim')
const placings = useRows('placing')
const payments = useRows('payment')
const prices = useRows('price')
const problem = ref('')

type Event = { on: PlainDate; what: string; amount: Minor | null; payment: Row<'payment'> | null }
const event = (
  on: PlainDate,
  what: string,
  amount: Minor | null = null,
  payment: Row<'payment'> | null = null,
): Event => ({ on, what, amount, payment })
const story = computed<Event[]>(() => {
  const ofThisPurchase = <T extends { readonly purchaseId: string }>(rows: readonly T[]): T[] =>
    rows.filter((row) => row.purchaseId === purchase.id)
  const order = makeover.opened?.makeover.rows.order[purchase.orderId]
  const paid = payments.value.filter((row) => row.orderId === purchase.orderId)
  const reversed = new Set(paid.map((row) => row.reversesId))
  return [
    ...ofThisPurchase(deliveries.value).map((row) =>
      event(
        row.receivedOn,
        `${row.packs} came${row.damagedPacks > 0 ? `, ${row.damagedPacks} damaged` : ''}${row.note ? `: ${row.note}` : ''}`,
      ),
    ),
    ...paid.map((row) =>
      event(
        row.paidOn,
        row.reversesId
          ? 'Reversed'
          : row.direction === 'out'
            ? `Paid on the order, ${row.tender}${row.reason ? `: ${row.reason}` : ''}`
            : `Refund, ${row.tender === 'held credit' ? 'credit note' : row.tender}`,
        row.direction === 'out' ? row.amountMinor : negate(row.amountMinor),
        row.reversesId || reversed.has(row.id) ? null : row,
      ),
    ),
    ...ofThisPurchase(cancellations.value).map((row) =>
      event(row.cancelledOn, `${row.packs} cancelled: ${row.reason}`, negate(row.creditMinor)),
    ),
    ...ofThisPurchase(returns.value).flatMap((row) => [
      event(
        row.sentOn,
        `${row.packs} sent back${row.settles === 'replacement' ? ' to be replaced' : ''}: ${row.reason}`,
      ),
      ...(row.acceptedOn
        ? [
            event(
              row.acceptedOn,
              row.settles === 'replacement' ? 'Replacement promised' : 'Return accepted',
              row.settles === 'replacement' ? null : negate(row.creditMinor),
            ),
          ]
        : []),
    ]),
    ...ofThisPurchase(claims.value).flatMap((row) => [
      event(row.madeOn, `Asked for ${row.about}`, null),
      ...(row.answeredOn
        ? [
            event(
              row.answeredOn,
              row.answer === 'yes' ? 'Granted' : 'Refused',
              row.answer === 'yes' ? negate(row.grantedMinor) : null,
            ),
          ]
        : []),
    ]),
    ...ofThisPurchase(placings.value).flatMap((row) => [
      event(row.placedOn, 'Put in its place'),
      ...(row.tagsOffOn ? [event(row.tagsOffOn, 'Tags off: kept')] : []),
    ]),
    ...prices.value
      .filter((row) => row.candidateId === purchase.candidateId && order !== undefined && row.seenOn >= order.orderedOn)
      .map((row) => event(row.seenOn, `Price ${row.kind}${row.note ? `: ${row.note}` : ''}`, row.amountMinor)),
  ].toSorted((left, right) => (left.on < right.on ? -1 : left.on > right.on ? 1 : 0))
})

async function reverse(row: Row<'payment'>): Promise<void> {
  const today = makeover.opened?.today
  if (!today) return
  const { id, version: _version, ...fields } = row
  const faults = await makeover.change('Reversed a payment that was entered wrongly', [
    add('payment', uuidv7(), {
      ...fields,
      direction: row.direction === 'out' ? 'back' : 'out',
      paidOn: today,
      reversesId: id,
    }),
  ])
  problem.value = faults.map((fault) => fault.message).join('; ')
}
</script>

<template>
  <div v-if="story.length > 0" class="story">
    <h3 class="label">What happened</h3>
    <ol>
      <li v-for="(event, at) in story" :key="at">
        <span class="quiet">{{ writeShortDate(event.on) }}</span>
        <span
          >{{ event.what }}
          <button
            v-if="event.payment"
            type="button"
            class="word"
            aria-label="Reverse this payment"
            @click="reverse(event.payment)"
          >
            reverse
          </button></span
        >
        <span class="number"
          ><MoneyAmount v-if="event.amount !== null" :amount="event.amount" :currency="makeover.currency"
        /></span>
      </li>
    </ol>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
  </div>
</template>

<style>
.story {
  border-top: 1px solid var(--hairline);
  padding-top: 8px;
  margin-top: 4px;
  font-size: 13px;
}
.story li {
  display: grid;
  grid-template-columns: 52px 1fr auto;
  gap: 8px;
  padding: 2px 0;
  line-height: 18px;
}
.story .word {
  font-size: 12px;
  padding: 0;
  min-height: 24px;
}
</style>

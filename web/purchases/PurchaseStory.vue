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
const payments = useRows('payment')
const problem = ref('')

type Event = { on: PlainDate; what: string; amount: Minor | null; payment: Row<'payment'> | null }
const story = computed<Event[]>(() => {
  const of = <T extends { purchaseId: string }>(rows: readonly T[]): T[] => rows.filter((row) => row.purchaseId === purchase.id)
  const reversed = new Set(of(payments.value).map((row) => row.reversesId))
  return [
    ...of(deliveries.value).map((row) => ({ on: row.receivedOn, what: `${row.packs} came`, amount: null, payment: null })),
    ...of(payments.value).map((row) => ({
      on: row.paidOn,
      what: row.reversesId ? 'Reversed' : row.direction === 'out' ? `Paid, ${row.tender}` : `Refund, ${row.tender}`,
      amount: row.direction === 'out' ? row.amountMinor : negate(row.amountMinor),
      payment: row.reversesId || reversed.has(row.id) ? null : row,
    })),
    ...of(returns.value).flatMap((row) => [
      { on: row.sentOn, what: `${row.packs} sent back: ${row.reason}`, amount: null, payment: null },
      ...(row.acceptedOn ? [{ on: row.acceptedOn, what: 'Return accepted', amount: negate(row.creditMinor), payment: null }] : []),
    ]),
  ].toSorted((one, other) => (one.on < other.on ? -1 : one.on > other.on ? 1 : 0))
})

async function reverse(row: Row<'payment'>): Promise<void> {
  const today = makeover.opened?.today
  if (!today) return
  const faults = await makeover.change('Reversed a payment that was entered wrongly', [
    add('payment', uuidv7(), { purchaseId: purchase.id, direction: row.direction === 'out' ? 'back' : 'out', amountMinor: row.amountMinor, paidOn: today, tender: row.tender, reversesId: row.id }),
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
        <span>{{ event.what }} <button v-if="event.payment" type="button" class="word" aria-label="Reverse this payment" @click="reverse(event.payment)">reverse</button></span>
        <span class="number"><MoneyAmount v-if="event.amount !== null" :amount="event.amount" :currency="makeover.currency" /></span>
      </li>
    </ol>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
  </div>
</template>

<style>
.story { border-top: 1px solid var(--hairline); padding-top: 8px; margin-top: 4px; font-size: 13px; }
.story li { display: grid; grid-template-columns: 52px 1fr auto; gap: 8px; padding: 2px 0; line-height: 18px; }
.story .word { font-size: 12px; padding: 0; min-height: 24px; }
</style>

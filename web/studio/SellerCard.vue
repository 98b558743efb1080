<script setup lang="ts">
import { computed } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { medianOf, type BoughtAt } from '#core/purchases/index.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'

/** One seller: what the studio knows of them, and what it made of them, makeover by makeover. */
const { line, sums, late } = defineProps<{
  line: {
    readonly seller: Row<'seller'>
    readonly entry: Row<'sellerEntry'> | null
    readonly bought: readonly BoughtAt[]
  }
  sums: readonly { readonly currency: string; readonly makeovers: number; readonly owed: BoughtAt['owed'] }[]
  late: string
}>()
const total = (figure: (entry: BoughtAt) => number): number =>
  line.bought.reduce((sum, entry) => sum + figure(entry), 0)
const known = computed(() => {
  const { entry, seller } = line
  const pairs: readonly (readonly [string, string])[] = [
    ['Speak to', entry?.contact ?? ''],
    ['Telephone', entry?.phone ?? ''],
    ['Email', entry?.email ?? ''],
    ['Our number', entry?.account ?? ''],
    ['Trade discount', entry && entry.tradePpm > 0 ? `${entry.tradePpm / 10_000} %` : ''],
    ['Paid', entry?.payTerms ?? ''],
    ['Takes back', entry?.returnDays == null ? '' : `within ${entry.returnDays} days`],
    ['', entry?.returnHabit ?? ''],
    ['Matches a price', seller.adjustDays === null ? '' : `within ${seller.adjustDays} days`],
    ['', entry?.matchHabit ?? ''],
    ['Note', [seller.note, entry?.note ?? ''].filter((text) => text !== '').join(' ')],
  ]
  return pairs.filter(([, text]) => text !== '')
})
function deliveryWords(deliveries: readonly number[], overdue: readonly number[], middle: string): string {
  if (deliveries.length === 1) return `One delivery, ${middle}.`
  const worst = Math.max(...overdue)
  const overdueWords =
    overdue.length === 0 ? 'none late' : `${overdue.length} late, at worst by ${worst} ${worst === 1 ? 'day' : 'days'}`
  return `${deliveries.length} deliveries, ${overdueWords}; in the middle ${middle}.`
}
const went = computed(() => {
  const [deliveries, damaged, packs] = [
    line.bought.flatMap(({ lateDays }) => lateDays),
    total(({ damagedPacks }) => damagedPacks),
    total(({ receivedPacks }) => receivedPacks),
  ]
  const overdue = deliveries.filter((days) => days > 0)
  const [returns, taken] = [total((entry) => entry.returns), line.bought.flatMap((entry) => entry.acceptedInDays)]
  const [asked, granted] = [total((entry) => entry.matchesAsked), total((entry) => entry.matchesGranted)]
  return [
    deliveries.length === 0 ? 'No delivery with a time that was said.' : deliveryWords(deliveries, overdue, late),
    ...(damaged > 0 ? [`${damaged} of ${packs} packs came damaged.`] : []),
    ...(returns > 0
      ? [
          `${returns} ${returns === 1 ? 'return' : 'returns'}${taken.length > 0 ? `, accepted after ${medianOf(taken) ?? 0} days in the middle` : ', none accepted yet'}.`,
        ]
      : []),
    ...(asked > 0
      ? [
          `A lower price was asked for ${asked === 1 ? 'once' : `${asked} times`}, and granted ${granted === 0 ? 'never' : granted === 1 ? 'once' : `${granted} times`}.`,
        ]
      : []),
  ]
})
</script>

<template>
  <aside class="seller-card" :aria-label="line.seller.name">
    <div class="section-head">
      <h2 class="serif">{{ line.seller.name }}</h2>
      <slot />
    </div>
    <dl v-if="known.length > 0">
      <div v-for="([title, text], at) in known" :key="at">
        <dt class="label">{{ title }}</dt>
        <dd>{{ text }}</dd>
      </div>
    </dl>
    <p v-else class="quiet">Nothing is noted of them yet.</p>
    <h3>How it went</h3>
    <p v-if="line.bought.length === 0" class="quiet">Nothing was ordered there yet.</p>
    <template v-else>
      <p v-for="sentence in went" :key="sentence">{{ sentence }}</p>
      <ul aria-label="Bought for">
        <li v-for="entry in line.bought" :key="entry.makeoverId">
          <router-link :to="{ name: 'purchases', params: { id: entry.makeoverId } }">{{ entry.makeover }}</router-link>
          <span class="quiet">
            {{ entry.orders === 1 ? 'one order' : `${entry.orders} orders` }}, last {{ writeDate(entry.lastOn) }}</span
          >
          <MoneyAmount :amount="entry.owed" :currency="entry.currency" with-currency />
        </li>
        <li
          v-for="{ currency, owed } in sums.filter(({ makeovers }) => makeovers > 1)"
          :key="currency"
          class="whole-sum"
        >
          <span>In all</span><MoneyAmount :amount="owed" :currency="currency" with-currency />
        </li>
      </ul>
    </template>
  </aside>
</template>

<style>
.seller-card {
  border: 1px solid var(--rule);
  background: var(--sheet);
  padding: 14px 18px 18px;
}
.seller-card dl > div {
  display: grid;
  grid-template-columns: 108px 1fr;
  gap: 8px;
  padding: 3px 0;
  align-items: baseline;
}
.seller-card dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.seller-card h3 {
  margin: 14px 0 4px;
}
.seller-card li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 10px;
  padding: 4px 0;
  border-top: 1px solid var(--hairline);
}
.seller-card li .quiet {
  grid-column: 1;
  grid-row: 2;
}
.seller-card .whole-sum {
  font-weight: 600;
}
</style>

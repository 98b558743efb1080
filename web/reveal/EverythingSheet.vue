<script setup lang="ts">
import { computed } from 'vue'
import { headOf } from '#core/makeover/document.ts'
import { finishLines, thingLines } from '#core/reveal/index.ts'
import { words, type Column } from '../parts/row-table.ts'
import RowTable from '../parts/RowTable.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useSession } from '../stores/session.ts'
import { useRows } from '../stores/rows.ts'

/** Everything on one sheet: to find it again, clean it, match it, take it off; and what was taken in another's place. */
const makeover = useMakeover()
const session = useSession()
const substitutions = useRows('substitution')
const base = computed(() => `/api/makeovers/${makeover.opened?.makeover.id ?? ''}`)
const things = computed(() => {
  const { opened, reckoning } = makeover
  if (!opened || !reckoning) return []
  const units = headOf(opened.makeover)?.units ?? 'metric'
  return thingLines(opened.makeover, opened.studio, reckoning.money, units).map((line) => ({
    ...line,
    id: line.pieceId,
  }))
})
const finishes = computed(() => (makeover.opened ? finishLines(makeover.opened.makeover) : []))
type Line = (typeof things.value)[number]
const columns: readonly Column<Line>[] = [
  { id: 'what', title: 'What', cell: ({ name }) => words(name) },
  { id: 'thing', title: 'Thing', cell: ({ thing }) => words(thing) },
  { id: 'seller', title: 'Seller', cell: ({ seller }) => words(seller) },
  {
    id: 'article',
    title: 'Article',
    cell: ({ article, colour }) => words([article, colour].filter(Boolean).join(', ')),
  },
  { id: 'batch', title: 'Batch', cell: ({ batch }) => words(batch), aside: true },
  { id: 'size', title: 'Size', cell: ({ size }) => words(size), aside: true },
  { id: 'care', title: 'Care', cell: ({ care }) => words(care) },
  { id: 'off', title: 'Comes off', cell: ({ off }) => words(off), aside: true },
  { id: 'paid', title: 'Paid', cell: ({ paid }) => (paid === null ? null : { amount: paid }), number: true },
]
const named = (id: string): string => makeover.opened?.makeover.rows.candidate[id]?.name ?? ''
</script>

<template>
  <section aria-labelledby="everything-title">
    <div class="section-head"><h2 id="everything-title">Everything</h2></div>
    <RowTable name="everything" sorted="what" :lines="things" :columns="columns" :currency="makeover.currency" />
    <ul class="chips">
      <li v-for="finish in finishes" :key="finish.name">
        <span class="chip" :style="{ background: finish.hex }" aria-hidden="true" />
        {{ finish.name }} <span class="quiet">{{ finish.hex }} {{ finish.usedFor }}, {{ finish.sheen }}</span>
      </li>
    </ul>
    <template v-if="substitutions.length > 0">
      <h3>It still follows the plan</h3>
      <ul class="reveal-list">
        <li v-for="row in substitutions" :key="row.id">
          <span class="name">{{ named(row.toId) }}</span> in place of {{ named(row.fromId) }}
          <span class="quiet">{{ row.reason }}</span>
        </li>
      </ul>
    </template>
    <p v-if="session.costs">
      For the client, without prices: <a class="word" :href="`${base}/everything-client.pdf`" download>PDF</a>,
      <a class="word" :href="`${base}/everything-client.csv`" download>CSV</a>,
      <a class="word" :href="`${base}/everything-client.xlsx`" download>XLSX</a>; for the studio, with what was paid:
      <a class="word" :href="`${base}/everything-studio.pdf`" download>PDF</a>,
      <a class="word" :href="`${base}/everything-studio.csv`" download>CSV</a>,
      <a class="word" :href="`${base}/everything-studio.xlsx`" download>XLSX</a>.
    </p>
  </section>
</template>

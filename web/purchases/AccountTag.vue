<script setup lang="ts">
import type { ClientMoney } from '#core/purchases/index.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RemarkList from '../remarks/RemarkList.vue'
import { useMakeover } from '../stores/makeover.ts'
import { computed } from 'vue'

/** The client's account, line by line, with what is to be said of it. */
const { client } = defineProps<{ client: ClientMoney }>()
const makeover = useMakeover()
const lines = computed(() =>
  (
    [
      ['Bought and billed on', client.goods],
      ['Fees', client.fees],
      ['Received', client.received],
      ['Owed to the studio', client.owes],
      ['Held for the client', client.held],
      ['Asked and outstanding', client.asked],
      ['Laid out by the studio', client.laidOut],
    ] as const
  ).filter(([, amount]) => amount > 0),
)
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter((remark) =>
    ['purchases.hours-over', 'purchases.stage-late', 'purchases.laid-out'].includes(remark.code),
  ),
)
</script>

<template>
  <section class="tag">
    <span class="hole" aria-hidden="true" />
    <h2>The client’s account</h2>
    <dl v-if="lines.length > 0" class="pairs money-pairs">
      <div v-for="[name, amount] in lines" :key="name">
        <dt>{{ name }}</dt>
        <dd><MoneyAmount :amount="amount" :currency="makeover.currency" /></dd>
      </div>
    </dl>
    <p class="quiet">What the client gives covers what the studio bought, then its fees; what is beyond is held.</p>
    <RemarkList :remarks="remarks" />
  </section>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { minus } from '#core/money/minor.ts'
import FigureButton from '../parts/FigureButton.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RemarkList from '../remarks/RemarkList.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useWorking } from '../stores/working.ts'

/** The money of all of it, while no order is picked. */
const makeover = useMakeover()
const working = useWorking()
const total = computed(() => makeover.reckoning?.money.total)
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter(
    (remark) =>
      remark.step === 'purchases' &&
      remark.weight !== 'stop' &&
      remark.subjects.every((subject) => subject.kind !== 'purchase'),
  ),
)
</script>

<template>
  <section v-if="total" class="tag">
    <span class="hole" aria-hidden="true" />
    <h2>{{ total.over > 0 ? 'Over the agreed sum' : 'Money as it stands' }}</h2>
    <dl class="pairs money-pairs">
      <div>
        <dt>Forecast</dt>
        <dd>
          <u><FigureButton :amount="total.forecast" figure="Forecast" @click="working.show('forecast')" /></u>
        </dd>
      </div>
      <div>
        <dt>Contingency not drawn</dt>
        <dd>
          <u
            ><FigureButton
              :amount="minus(total.contingency, total.contingencyDrawn)"
              figure="Contingency"
              @click="working.show('contingency')"
          /></u>
        </dd>
      </div>
      <div>
        <dt>Refunds due</dt>
        <dd>
          <u><FigureButton :amount="total.refundsDue" figure="Refunds due" @click="working.show('refundsDue')" /></u>
        </dd>
      </div>
      <div v-if="total.creditHeld > 0">
        <dt>Held with sellers</dt>
        <dd><MoneyAmount :amount="total.creditHeld" :currency="makeover.currency" /></dd>
      </div>
    </dl>
    <p class="quiet">Pick an order to pay it, receive it or send it back.</p>
    <RemarkList :remarks="remarks" />
  </section>
</template>

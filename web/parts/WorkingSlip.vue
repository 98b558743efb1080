<script setup lang="ts">
import type { Working } from '#core/money/working.ts'
import MoneyAmount from './MoneyAmount.vue'

/** A figure's working as a slip: lines, how each came about, and the sum. */
defineProps<{ working: Working; currency: string; heading?: boolean }>()
</script>

<template>
  <div class="slip">
    <p class="quiet means">{{ working.means }}</p>
    <p v-if="working.lines.length === 0" class="quiet">Nothing adds to it yet.</p>
    <dl>
      <div v-for="(line, at) in working.lines" :key="at">
        <dt>
          {{ line.label }}<span v-if="line.how" class="quiet how">{{ line.how }}</span>
        </dt>
        <dd class="number">
          <template v-if="typeof line.amount === 'string'">{{ line.amount }}</template><MoneyAmount
            v-else
            :amount="line.amount"
            :currency="currency"
          />
        </dd>
      </div>
      <div class="result">
        <dt>
          {{ working.result.label }}<span v-if="working.result.how" class="quiet how">{{ working.result.how }}</span>
        </dt>
        <dd class="number">
          <template v-if="typeof working.result.amount === 'string'">{{ working.result.amount }}</template><MoneyAmount
            v-else
            :amount="working.result.amount"
            :currency="currency"
            with-currency
          />
        </dd>
      </div>
    </dl>
  </div>
</template>

<style>
.slip .means {
  margin-bottom: 8px;
  font-size: 13px;
  line-height: 18px;
}
.slip dl > div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 0;
}
.slip .how {
  display: block;
  font-size: 12px;
  line-height: 16px;
}
.slip .result {
  border-top: 1.5px solid var(--ink);
  margin-top: 4px;
  padding-top: 6px;
  font-weight: 600;
}
.slip .result .how {
  font-weight: 400;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { GoodsState } from '#core/purchases/index.ts'

/** How far a purchase is: dots with a word; on a return a second row of dots turns back. */
const { state } = defineProps<{ state: GoodsState }>()
const out = computed(
  () =>
    ({
      ordered: 1,
      'part here': 2,
      here: 3,
      placed: 4,
      kept: 5,
      'going back': 3,
      returned: 3,
      refunded: 3,
      cancelled: 1,
    })[state],
)
const back = computed(
  () =>
    ({
      ordered: 0,
      'part here': 0,
      here: 0,
      placed: 0,
      kept: 0,
      'going back': 1,
      returned: 2,
      refunded: 3,
      cancelled: 1,
    })[state],
)
</script>

<template>
  <span class="dots">
    <svg :style="{ height: back ? '24px' : '12px' }" :viewBox="back ? '0 0 66 24' : '0 0 66 12'" aria-hidden="true">
      <circle
        v-for="at in 5"
        :key="at"
        :cx="at * 13 - 7"
        cy="6"
        r="4"
        :fill="at <= out ? 'currentColor' : 'none'"
        stroke="currentColor"
        stroke-width="1.4"
      />
      <template v-if="back">
        <circle
          v-for="at in Math.min(3, out)"
          :key="`back${at}`"
          :cx="out * 13 - 7 - (at - 1) * 13"
          cy="18"
          r="4"
          :fill="at <= back ? 'currentColor' : 'none'"
          stroke="currentColor"
          stroke-width="1.4"
        />
        <path :d="`M${out * 13 - 7} 10v4`" stroke="currentColor" stroke-width="1.4" />
      </template>
    </svg>
    <span>{{ state }}</span>
  </span>
</template>

<style>
.dots {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  white-space: nowrap;
}
.dots svg {
  width: 66px;
}
</style>

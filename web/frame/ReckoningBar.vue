<script setup lang="ts">
import { computed } from 'vue'
import type { LineFigures } from '#core/reckoning/summary.ts'

/** The agreed budget as one bar: paid solid, committed close hatch, still to buy open hatch, contingency upright hatch; what passes the agreed sum runs past the end mark. */
const { line, height = 13 } = defineProps<{ line: LineFigures; height?: number }>()
const whole = computed(() => Math.max(line.agreed, line.paid - line.refundsDue + line.committed + line.stillToBuy, 1))
const percent = (amount: number): string => `${(100 * Math.max(0, amount)) / whole.value}%`
const categories = computed(() => line.agreed - line.contingency)
</script>

<template>
  <span class="bar" :style="{ height: `${height}px` }">
    <span class="contingency" :style="{ left: percent(categories), width: percent(line.contingency) }" />
    <span class="fill">
      <span
        v-if="line.paid - line.refundsDue > 0"
        class="paid"
        :style="{ width: percent(line.paid - line.refundsDue) }"
      />
      <span v-if="line.committed > 0" class="committed" :style="{ width: percent(line.committed) }" />
      <span v-if="line.stillToBuy > 0" class="to-buy" :style="{ width: percent(line.stillToBuy) }" />
    </span>
    <span
      class="edge"
      :class="{ unsigned: !line.signed }"
      :style="{ width: line.signed ? percent(line.agreed) : '100%' }"
    />
    <span v-if="line.signed && line.contingency > 0" class="stroke" :style="{ left: percent(categories) }" />
  </span>
</template>

<style>
.bar {
  display: block;
  position: relative;
}
.bar > span {
  position: absolute;
  top: 0;
  bottom: 0;
}
.bar .fill {
  left: 0;
  width: 100%;
  display: flex;
}
.bar .paid {
  background: var(--ink);
}
.bar .committed {
  background: var(--close);
  border-right: 1px solid var(--ink);
}
.bar .to-buy {
  background: var(--open), var(--paper);
  border-right: 1px solid var(--soft);
}
.bar .contingency {
  background: var(--kept);
}
.bar .edge {
  left: 0;
  border: 1.5px solid var(--ink);
}
.bar .edge.unsigned {
  border: 1px dashed var(--input);
}
.bar .stroke {
  width: 0;
  border-left: 1.5px solid var(--ink);
}
</style>

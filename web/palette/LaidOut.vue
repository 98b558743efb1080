<script setup lang="ts">
import { computed } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import type { Printed } from '../parts/printed.ts'

/** Two to four finishes pulled out of the tray and laid edge to edge on the ground, with nothing else beside them. */
const { finishes, printOf } = defineProps<{
  finishes: readonly Row<'finish'>[]
  printOf: (finish: Row<'finish'>) => Printed | undefined
}>()
defineEmits<{ back: [id: string] }>()
/** All patterns at one scale, the largest at which each still repeats; 96 pixels an inch. */
const scales = [2, 4, 6, 8, 12, 16, 24]
const largest = 130
const scale = computed(() => {
  const repeat = Math.max(0, ...finishes.map((finish) => printOf(finish)?.repeatMm ?? 0))
  return scales.find((scale) => (repeat * 96) / 25.4 / scale <= largest) ?? 24
})
const perMm = computed(() => 96 / 25.4 / scale.value)
</script>

<template>
  <div
    class="laid-out"
    :class="`of-${finishes.length}`"
    role="group"
    :aria-label="`Edge to edge: ${finishes.map((finish) => finish.name).join(', ')}`"
  >
    <div class="panels">
      <figure v-for="finish in finishes" :key="finish.id">
        <MaterialSwatch :finish="finish" :print="printOf(finish)" :per-mm="perMm" />
        <figcaption>
          <strong>{{ finish.name }}</strong>{{ ' ' }}
          <button type="button" class="word" :aria-label="`Put back ${finish.name}`" @click="$emit('back', finish.id)">
            put back
          </button>
        </figcaption>
      </figure>
    </div>
    <p class="foot">
      {{ finishes.some((finish) => finish.pattern !== 'plain') ? `Patterns at 1 : ${scale} of their size. ` : '' }}Up to
      four can lie here; Escape puts them back.
    </p>
  </div>
</template>

<style>
.laid-out {
  position: absolute;
  inset: -14px;
  background: var(--ground);
  z-index: 3;
  padding: 44px 60px 14px;
  display: grid;
  grid-template-rows: 1fr auto;
  gap: 14px;
  color: var(--on-ground);
}
.laid-out .panels {
  display: grid;
  grid-template: 1fr / 1fr 1fr;
}
.laid-out.of-3 .panels {
  grid-template: 1fr 1fr / 1fr 1fr;
}
.laid-out.of-3 figure:first-child {
  grid-row: 1 / 3;
}
.laid-out.of-4 .panels {
  grid-template: 1fr 1fr / 1fr 1fr;
}
.laid-out figure {
  position: relative;
  overflow: hidden;
}
.laid-out figcaption {
  position: absolute;
  left: 0;
  bottom: 0;
  background: var(--paper);
  color: var(--ink);
  padding: 3px 8px;
  font-size: 12px;
  line-height: 17px;
}
.laid-out.of-2 figure:last-child figcaption {
  left: auto;
  right: 0;
}
.laid-out figcaption .word {
  font-size: 12px;
  min-height: 24px;
  margin-left: 6px;
}
.laid-out .foot {
  font-size: 12px;
  line-height: 16px;
  color: var(--soft-on-ground);
}
@media (max-width: 720px) {
  .laid-out {
    padding: 20px 20px 10px;
    inset: -8px;
  }
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { StripPart } from '#core/reckoning/summary.ts'
import MaterialSwatch from './MaterialSwatch.vue'

/** A makeover's palette as a thin strip, each finish as long as its share: how a makeover is known at a glance. */
const { parts, height = 8 } = defineProps<{ parts: readonly StripPart[]; height?: number }>()
const order = ['dominant', 'secondary', 'accent']
const sorted = computed(() => parts.toSorted((left, right) => order.indexOf(left.role) - order.indexOf(right.role)))
const total = computed(() => parts.reduce((sum, part) => sum + (part.visibleM2 ?? 0), 0) || 1)
const grow = (part: StripPart): number => Math.max(0.03, (part.visibleM2 ?? 0) / total.value)
const said = computed(() =>
  parts.length > 0 ? `Palette: ${sorted.value.map((part) => part.name).join(', ')}` : 'No palette yet',
)
</script>

<template>
  <span class="strip" role="img" :aria-label="said" :style="{ height: `${height}px` }">
    <span v-for="part in sorted" :key="part.id" :style="{ flexGrow: grow(part) }"
      ><MaterialSwatch :finish="part" :scale="0.4"
    /></span>
  </span>
</template>

<style>
.strip {
  display: flex;
  outline: 1px solid var(--ink);
  outline-offset: 0;
  background: var(--paper);
}
.strip > span {
  flex-basis: 0;
  min-width: 3px;
}
</style>

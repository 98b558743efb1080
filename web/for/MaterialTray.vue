<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import type { PresentedFinish } from '#core/client/presented.ts'

// drawn after the words are there: they are what is waited for
const MaterialSwatch = defineAsyncComponent(() => import('../parts/MaterialSwatch.vue'))

/** The materials as they are in the room, the larger the more is seen of them. */
const { finishes } = defineProps<{ finishes: readonly PresentedFinish[] }>()
const largest = computed(() => Math.max(1, ...finishes.map(({ m2 }) => m2 ?? 1)))
const grows = ({ m2 }: PresentedFinish): number => Math.max(0.16, Math.sqrt((m2 ?? 1) / largest.value))
</script>

<template>
  <ul class="tray">
    <li
      v-for="finish in finishes"
      :key="finish.name"
      :style="{ flexGrow: grows(finish), flexBasis: `${90 + 220 * grows(finish)}px` }"
    >
      <div class="swatch"><MaterialSwatch :finish="finish" /></div>
      <strong>{{ finish.name }}</strong>
      <span class="quiet">{{ finish.usedFor }}</span>
    </li>
  </ul>
</template>

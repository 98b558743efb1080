<script setup lang="ts">
import type { Weight } from '#core/remarks/remark.ts'

/** A remark's weight as a shape: filled, half filled, empty. */
defineProps<{ weight: Weight }>()
</script>

<template>
  <svg class="mark" viewBox="0 0 12 12" aria-hidden="true">
    <rect
      x="1"
      y="1"
      width="10"
      height="10"
      :fill="weight === 'stop' ? 'currentColor' : 'none'"
      stroke="currentColor"
      stroke-width="1.5"
    />
    <path v-if="weight === 'look'" d="M1 11 11 1H1z" fill="currentColor" />
  </svg>
</template>

<style>
.mark {
  width: 11px;
  height: 11px;
  flex: none;
  vertical-align: -0.5px;
}
</style>

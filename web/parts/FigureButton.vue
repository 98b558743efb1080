<script setup lang="ts">
import type { Minor } from '#core/money/minor.ts'
import { useMakeover } from '../stores/makeover.ts'
import MoneyAmount from './MoneyAmount.vue'

/** A figure that lays its working open when it is clicked. `figure` says which one it is, for those who do not see it. */
defineProps<{ amount: Minor; figure: string; over?: boolean }>()
const emit = defineEmits<{ click: [] }>()
const makeover = useMakeover()
</script>

<template>
  <button type="button" class="bare figure-button" :aria-label="`${figure}, working`" @click.stop="emit('click')">
    <span :class="{ inverted: over }"><MoneyAmount :amount="amount" :currency="makeover.currency" /></span>
  </button>
</template>

<style>
.figure-button {
  min-height: 20px;
  min-width: 24px;
  text-align: right;
  white-space: nowrap;
}
.figure-button:hover {
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 3px;
}
</style>

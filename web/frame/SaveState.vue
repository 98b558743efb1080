<script setup lang="ts">
import { useMakeover } from '../stores/makeover.ts'

const makeover = useMakeover()
const clock = (at: Date): string => at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <span class="save-state" role="status">
    <template v-if="makeover.saving === 'saving'">Saving …</template>
    <strong v-else-if="makeover.saving === 'waiting'">Not saved yet, will try again</strong>
    <template v-else>{{ makeover.savedAt ? `Saved ${clock(makeover.savedAt)}` : 'Saved' }}</template>
  </span>
</template>

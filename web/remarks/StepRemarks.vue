<script setup lang="ts">
import { computed } from 'vue'
import type { StepName } from '#core/steps/index.ts'
import { useMakeover } from '../stores/makeover.ts'

/** The stops of a step, at its head: inverted full-width lines that come first. */
const { step } = defineProps<{ step: StepName }>()
const makeover = useMakeover()
const stops = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter((remark) => remark.step === step && remark.weight === 'stop'),
)
</script>

<template>
  <div v-for="stop in stops" :key="stop.key" class="stop-line" role="alert">
    <strong>Stop</strong>
    <span>
      {{ stop.title }}. {{ stop.sentence }}
      <router-link
        v-if="stop.code === 'purchases.over-agreed'"
        :to="{ name: 'brief', params: { id: $route.params.id }, query: { sign: 'change' } }"
        >Sign a change</router-link
      >
    </span>
  </div>
</template>

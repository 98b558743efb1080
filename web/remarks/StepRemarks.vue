<script setup lang="ts">
import { computed } from 'vue'
import type { StepName } from '#core/steps/index.ts'
import { wayFrom } from '#core/reckoning/remedies.ts'
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
        v-if="wayFrom(stop)"
        :to="{ name: wayFrom(stop)!.step, params: { id: $route.params.id }, query: wayFrom(stop)!.query }"
        >{{ wayFrom(stop)!.words }}</router-link
      >
    </span>
  </div>
</template>

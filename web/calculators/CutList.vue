<script setup lang="ts">
import type { CutPart } from '#core/calculators/index.ts'

/** What each part of a made thing is cut to. */
defineProps<{ cuts: readonly CutPart[] }>()
</script>

<template>
  <table class="cut-list">
    <caption class="label">
      Cutting list
    </caption>
    <tbody>
      <tr v-for="{ part, count, size } in cuts" :key="part">
        <td>{{ part }}</td>
        <td class="number">{{ count }} ×</td>
        <td>{{ size }}</td>
      </tr>
    </tbody>
  </table>
</template>

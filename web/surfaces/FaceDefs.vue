<script setup lang="ts">
import type { Material } from './materials.ts'

/** The materials that a drawing of faces fills with, at their true size. */
const { materials, name, hatchMm } = defineProps<{
  materials: ReadonlyMap<string, Material>
  name: string
  hatchMm: number
}>()
</script>

<template>
  <defs>
    <pattern
      v-for="material in materials.values()"
      :id="`${name}-m-${material.id}`"
      :key="material.id"
      patternUnits="userSpaceOnUse"
      :width="material.sizeMm"
      :height="material.sizeMm"
    >
      <rect :width="material.sizeMm" :height="material.sizeMm" :fill="material.hex" />
      <image
        v-if="material.tile"
        :href="material.tile"
        :width="material.sizeMm"
        :height="material.sizeMm"
        preserveAspectRatio="none"
      />
    </pattern>
    <pattern
      :id="`${name}-hatch`"
      patternUnits="userSpaceOnUse"
      :width="hatchMm"
      :height="hatchMm"
      patternTransform="rotate(45)"
    >
      <line x1="0" y1="0" x2="0" :y2="hatchMm" class="face-hatch" />
    </pattern>
  </defs>
</template>

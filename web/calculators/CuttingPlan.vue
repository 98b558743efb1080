<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Answer } from '#core/calculators/index.ts'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'

/** Panels as they lie on their cloth, its width down the page and its length along it. */
const {
  told,
  units,
  cloth = null,
  title = '',
} = defineProps<{
  told: NonNullable<Answer['packing']>
  units: UnitSystem
  /** As the cloth looks, at its true size; without it panels are grey. */
  cloth?: { readonly hex: string; readonly tile: string; readonly sizeMm: number } | null
  title?: string
}>()
const fillId = useId()
const size = (mm: number): string => writeLength(mm, units)
const laid = computed(() =>
  told.packing.panels.map(({ name, x, y, widthMm, lengthMm, isTurned }) => ({
    name,
    // along the cloth to the right, across it downwards
    left: y,
    top: x,
    wide: isTurned ? widthMm : lengthMm,
    high: isTurned ? lengthMm : widthMm,
  })),
)
/** What is cut, alike ones together: “front: 6 of 480 × 480”. */
const cuts = computed(() => {
  const groups = new Map<string, number>()
  for (const { name, wide, high } of laid.value) {
    const key = `${name.replace(/ \d+$/, '')}: %${size(high)} × ${size(wide)}`
    groups.set(key, (groups.get(key) ?? 0) + 1)
  }
  return `${[...groups].map(([key, count]) => key.replace('%', count > 1 ? `${count} of ` : '')).join('; ')}.`
})
const print = (): void => window.print()
const letters = computed(() => Math.max(18, told.widthMm / 16))
</script>

<template>
  <figure class="cutting-plan">
    <svg
      :viewBox="`-2 -2 ${told.packing.lengthMm + 4} ${told.widthMm + 4}`"
      role="img"
      :aria-label="`How ${laid.length} panels lie on cloth ${size(told.widthMm)} wide, ${size(told.packing.lengthMm)} of it`"
    >
      <defs v-if="cloth">
        <!-- the length of the cloth runs to the right -->
        <pattern
          :id="fillId"
          patternUnits="userSpaceOnUse"
          :width="cloth.sizeMm"
          :height="cloth.sizeMm"
          patternTransform="rotate(90)"
        >
          <rect :width="cloth.sizeMm" :height="cloth.sizeMm" :fill="cloth.hex" />
          <image
            v-if="cloth.tile"
            :href="cloth.tile"
            :width="cloth.sizeMm"
            :height="cloth.sizeMm"
            preserveAspectRatio="none"
          />
        </pattern>
      </defs>
      <rect class="cloth" x="0" y="0" :width="told.packing.lengthMm" :height="told.widthMm" />
      <g v-for="(panel, at) in laid" :key="at">
        <rect
          class="panel"
          :style="cloth ? { fill: `url(#${fillId})` } : undefined"
          :x="panel.left"
          :y="panel.top"
          :width="panel.wide"
          :height="panel.high"
        />
        <text
          v-if="panel.wide > letters * 1.6 && panel.high > letters * 1.2"
          :x="panel.left + panel.wide / 2"
          :y="panel.top + panel.high / 2"
          :font-size="letters"
        >
          {{ at + 1 }}
        </text>
      </g>
    </svg>
    <figcaption>
      <strong v-if="title">{{ title }}</strong>
      {{ size(told.packing.lengthMm) }} of cloth {{ size(told.widthMm) }} wide, its length to the right.
      <span class="quiet">{{ cuts }}</span>
      <button type="button" class="word" @click="print">Print it</button>
    </figcaption>
  </figure>
</template>

<style src="./cutting-plan.css"></style>

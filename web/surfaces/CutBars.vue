<script setup lang="ts">
import { computed } from 'vue'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'
import type { CutBar } from '#core/surfaces/index.ts'

/** How rolls and lengths are cut: pieces in their order, black what is lost, hatched what is left. */
const { bars, title, units } = defineProps<{ bars: readonly CutBar[]; title: string; units: UnitSystem }>()
const longest = computed(() => Math.max(1, ...bars.map(({ lengthMm }) => lengthMm)))
const share = (mm: number): string => `${((100 * mm) / longest.value).toFixed(3)}%`
const drawn = computed(() =>
  bars.map((bar) => {
    const parts: { left: number; width: number; kind: 'piece' | 'lost' | 'left'; text: string; said: string }[] = []
    let along = 0
    for (const piece of bar.pieces) {
      if (piece.fromMm > along + 0.5)
        parts.push({ left: along, width: piece.fromMm - along, kind: 'lost', text: '', said: '' })
      const said = `${piece.text}: ${writeLength(Math.round(piece.lengthMm), units)}`
      parts.push({ left: piece.fromMm, width: piece.lengthMm, kind: 'piece', text: piece.text, said })
      along = piece.fromMm + piece.lengthMm
    }
    if (bar.lengthMm - along > 0.5)
      parts.push({
        left: along,
        width: bar.lengthMm - along,
        kind: 'left',
        text: '',
        said: `${writeLength(Math.round(bar.lengthMm - along), units)} left`,
      })
    return { bar, parts }
  }),
)
</script>

<template>
  <section aria-labelledby="cuts-title">
    <h2 id="cuts-title">{{ title }}</h2>
    <ol class="bars">
      <li v-for="({ bar, parts }, index) in drawn" :key="index">
        <span class="bar-name quiet">{{ bar.name }}</span>
        <span class="bar" :style="{ width: share(bar.lengthMm) }">
          <span
            v-for="(part, at) in parts"
            :key="at"
            :class="`bar-${part.kind}`"
            :style="{ left: `${(100 * part.left) / bar.lengthMm}%`, width: `${(100 * part.width) / bar.lengthMm}%` }"
            :title="part.said"
            ><span v-if="part.width / longest > 0.06" class="bar-text">{{ part.text }}</span
            ><span class="visually-hidden">{{ part.said }}</span></span
          >
        </span>
        <span class="bar-length quiet">{{ writeLength(Math.round(bar.lengthMm), units) }}</span>
      </li>
    </ol>
    <p class="quiet">Black is lost to the match or the saw, hatched is left over.</p>
  </section>
</template>

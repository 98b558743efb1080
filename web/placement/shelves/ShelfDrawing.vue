<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import { writeDimension, type UnitSystem } from '#core/measure/length.ts'
import { labOfShown, type Shelf, type ShelfCheck, type Shown } from '#core/placement/index.ts'
import { useGrip } from '../../parts/grip.ts'
import { shapeOf, spinesOf } from './shapes.ts'

/** A shelf as one stands before it: its boards, and things in their own colour and shape, to scale. */
const { shelf, checks, selectedId, units } = defineProps<{
  shelf: Shelf
  checks: readonly ShelfCheck[]
  selectedId: string
  units: UnitSystem
}>()
const emit = defineEmits<{ pick: [id: string]; move: [id: string, along: number, up: number]; put: [] }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const edge = 60
/** As high as the shelf, or as what stands highest on it. */
const top = computed(() =>
  Math.max(
    shelf.high,
    ...shelf.boards.flatMap(({ at, shown }) => [at + 60, ...shown.map(({ high }) => at + high + 20)]),
  ),
)
const bottom = computed(() => (shelf.boards.length === 1 ? (shelf.boards[0]?.at ?? 0) - 40 : 0))
const wide = computed(() => Math.max(200, shelf.wide))
const tall = computed(() => Math.max(200, top.value - bottom.value))
const mostPx = 460
const scale = computed(() =>
  Math.min(Math.max(240, width.value - 4) / (wide.value + 2 * edge), mostPx / (tall.value + 2 * edge)),
)
const up = (mm: number): number => top.value - mm
const wrong = computed(
  () => new Set(checks.filter(({ weight }) => weight !== 'note').flatMap(({ ids }) => ids.slice(0, 1))),
)
const fillOf = (thing: Shown): string => {
  const lab = labOfShown(thing)
  return lab ? hexFromLab(lab) : '#ffffff'
}
const { take, letGo } = useGrip({
  pick: (id) => emit('pick', id),
  move: (id, dx, dy) => emit('move', id, dx / scale.value, -dy / scale.value),
  put: () => emit('put'),
})
</script>

<template>
  <div ref="box" class="plan">
    <svg
      class="plan-sheet"
      :viewBox="`${-edge} ${-edge} ${wide + 2 * edge} ${tall + 2 * edge}`"
      :width="(wide + 2 * edge) * scale"
      :height="(tall + 2 * edge) * scale"
      :style="{ fontSize: `${12 / scale}px` }"
      role="group"
      aria-label="The shelf"
      @click.self="letGo"
    >
      <rect class="shelf-back" x="0" :y="up(top)" :width="wide" :height="tall" @click="letGo" />
      <template v-for="board in shelf.boards" :key="board.number">
        <rect class="shelf-board" x="0" :y="up(board.at)" :width="wide" :height="18" />
        <text v-if="shelf.boards.length > 1" class="shelf-at" :x="wide + 8 / scale" :y="up(board.at)" dy="0.35em">
          {{ writeDimension(Math.round(board.at), units) }}
        </text>
        <g
          v-for="thing in board.shown"
          :key="thing.id"
          class="shelf-thing"
          :class="{ taken: thing.id === selectedId, wrong: wrong.has(thing.id) }"
          tabindex="0"
          role="button"
          :aria-label="thing.name"
          :aria-pressed="thing.id === selectedId"
          @pointerdown="take(thing.id, $event)"
          @focus="emit('pick', thing.id)"
        >
          <rect
            class="shelf-hold"
            :x="thing.left"
            :y="up(board.at + thing.high)"
            :width="thing.wide"
            :height="thing.high"
          />
          <template v-if="thing.row.what === 'books'">
            <rect
              v-for="(spine, index) in spinesOf(thing.id, thing.wide, thing.high)"
              :key="index"
              :x="thing.left + spine.x"
              :y="up(board.at + spine.high)"
              :width="spine.wide"
              :height="spine.high"
              :fill="fillOf(thing)"
              :fill-opacity="index % 3 === 1 ? 0.82 : 1"
            />
          </template>
          <path
            v-else
            :d="shapeOf(thing.row.what)"
            :transform="`translate(${thing.left} ${up(board.at + thing.high)}) scale(${thing.wide} ${thing.high})`"
            :fill="fillOf(thing)"
            fill-rule="evenodd"
          />
          <text
            v-if="thing.id === selectedId"
            :x="(thing.left + thing.right) / 2"
            :y="up(board.at + thing.high) - 6 / scale"
          >
            {{ thing.name }}
          </text>
        </g>
      </template>
    </svg>
  </div>
</template>

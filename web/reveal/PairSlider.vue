<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { edit } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import {
  cornersBy,
  cornersOf,
  cssMatrix,
  keptCorners,
  scaled,
  shifted,
  square,
  turned,
  type Corners,
  type Point,
} from '#core/reveal/index.ts'
import { useMakeover } from '../stores/makeover.ts'

/** Two pictures of one view over each other, parted by a slider; the later one brought over the earlier by hand, or by four points of both. */
const { view, before, after } = defineProps<{ view: Row<'view'>; before: string; after: string }>()
const makeover = useMakeover()
const box = useTemplateRef<HTMLElement>('box')
const { width, height } = useElementSize(box)
const share = ref(50)
const corners = computed(() => cornersOf(view))
const aspect = computed(() => (height.value > 0 ? width.value / height.value : 1.5))
const matrix = computed(() => cssMatrix(corners.value, width.value, height.value))
const put = (next: Corners): Promise<unknown> =>
  makeover.change(`Aligned the pictures of ${view.name}`, [edit('view', view, keptCorners(next))])
const moves: readonly (readonly [string, (is: Corners) => Corners])[] = [
  ['Left', (is) => shifted(is, -0.005, 0)],
  ['Right', (is) => shifted(is, 0.005, 0)],
  ['Up', (is) => shifted(is, 0, -0.005)],
  ['Down', (is) => shifted(is, 0, 0.005)],
  ['Larger', (is) => scaled(is, 1.01)],
  ['Smaller', (is) => scaled(is, 1 / 1.01)],
  ['Turn left', (is) => turned(is, -0.5, aspect.value)],
  ['Turn right', (is) => turned(is, 0.5, aspect.value)],
]
/** Points are taken in turn: one of the later picture, then the same of the earlier, four times. */
const points = ref<Point[] | null>(null)
const problem = ref('')
const asks = computed(() => {
  const count = points.value?.length ?? 0
  return `${count % 2 === 0 ? 'In the later picture' : 'The same in the earlier picture'}: point ${Math.floor(count / 2) + 1} of 4`
})
function tap(event: MouseEvent): void {
  if (!points.value) return
  const area = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const next = [
    ...points.value,
    [(event.clientX - area.left) / area.width, (event.clientY - area.top) / area.height] as const,
  ]
  if (next.length < 8) {
    points.value = next
    return
  }
  points.value = null
  const later = next.filter((_, at) => at % 2 === 0) as unknown as Corners
  const earlier = next.filter((_, at) => at % 2 === 1) as unknown as Corners
  const found = cornersBy(later, earlier)
  problem.value = found
    ? ''
    : 'These points give no picture: take four that make a large quadrilateral, in the same order in both.'
  if (found) void put(found)
}
/** While points are taken the picture that is asked for is seen whole. */
const isLater = computed(() => points.value !== null && points.value.length % 2 === 0)
const part = computed(() => (points.value === null ? share.value : isLater.value ? 0 : 100))
</script>

<template>
  <div class="pair">
    <div ref="box" class="over" :class="{ taking: points }" @click="tap">
      <img :src="`/api/files/${before}`" :alt="`${view.name}, before`" />
      <div class="after" :style="{ clipPath: `inset(0 0 0 ${part}%)` }">
        <img
          :src="`/api/files/${after}`"
          :alt="`${view.name}, after`"
          :style="{ transform: points ? 'none' : matrix, transformOrigin: '0 0' }"
        />
      </div>
      <span v-if="!points" class="edge" :style="{ left: `${share}%` }" aria-hidden="true" />
    </div>
    <label v-if="!points" class="slide"
      ><span class="visually-hidden">How much of {{ view.name }} is seen before and after</span
      ><input v-model.number="share" type="range" min="0" max="100" step="0.5"
    /></label>
    <p v-else role="status">{{ asks }} <button type="button" class="word" @click="points = null">Leave it</button></p>
    <p class="aligning">
      <button v-for="[name, move] in moves" :key="name" type="button" class="word" @click="put(move(corners))">
        {{ name }}
      </button>
      <button type="button" class="word" @click="points = []">By four points</button>
      <button type="button" class="word" @click="put(square)">As it was taken</button>
    </p>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
  </div>
</template>

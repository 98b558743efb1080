<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'
import type { Face, TakeOff } from '#core/surfaces/index.ts'
import FaceDefs from './FaceDefs.vue'
import FaceDrawing from './FaceDrawing.vue'
import type { Drawn, Material } from './materials.ts'

/** The face that is worked on, large. What is in hand and begins somewhere is dragged, or moved with the arrow keys. */
const { face, materials, shapes, inHand, units, seen } = defineProps<{
  face: Face
  materials: ReadonlyMap<string, Material>
  shapes: readonly Drawn[]
  inHand: TakeOff | null
  units: UnitSystem
  /** The share of it that is seen past what stands in the room. */
  seen: number
}>()
const emit = defineEmits<{ pick: [treatmentId: string]; move: [by: { along: number; up: number }]; put: [] }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const mostPx = 330
const scale = computed(() =>
  Math.min(Math.max(160, width.value - 4) / Math.max(1, face.width), mostPx / Math.max(1, face.height)),
)

const begins = new Set(['paper', 'tile'])
const movable = computed(() => {
  if (!inHand || !begins.has(inHand.treatment.how) || !inHand.reckoned?.ok) return false
  return face.fills.some(({ treatmentId }) => treatmentId === inHand.treatment.id)
})
const start = ref<{ x: number; y: number } | null>(null)
let wasDragged = false
function grip(event: PointerEvent): void {
  if (!movable.value || event.button !== 0) return
  start.value = { x: event.clientX, y: event.clientY }
  wasDragged = false
}
useEventListener(window, 'pointermove', (event: PointerEvent) => {
  const from_ = start.value
  if (!from_) return
  const [dx, dy] = [event.clientX - from_.x, event.clientY - from_.y]
  if (!wasDragged && Math.hypot(dx, dy) < 4) return
  wasDragged = true
  start.value = { x: event.clientX, y: event.clientY }
  emit('move', { along: dx / scale.value, up: -dy / scale.value })
})
useEventListener(window, 'pointerup', () => {
  if (start.value && wasDragged) emit('put')
  start.value = null
})
function pick(treatmentId: string): void {
  if (!wasDragged) emit('pick', treatmentId)
}
const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}
/** A centimetre a key, a millimetre with Shift. */
function arrow(event: KeyboardEvent): void {
  const way = arrows[event.key]
  if (!way || !movable.value) return
  event.preventDefault()
  event.stopPropagation()
  const step = event.shiftKey ? 1 : 10
  emit('move', { along: way[0] * step, up: way[1] * step })
  emit('put')
}
</script>

<template>
  <figure ref="box" class="large">
    <svg
      :viewBox="`${-2 / scale} ${-2 / scale} ${face.width + 4 / scale} ${face.height + 4 / scale}`"
      :width="face.width * scale + 4"
      :height="face.height * scale + 4"
      :style="{ fontSize: `${13 / scale}px` }"
      :class="{ movable }"
      role="application"
      tabindex="0"
      :aria-label="movable ? `${face.name}: arrow keys move where it begins` : face.name"
      @pointerdown="grip"
      @keydown="arrow"
    >
      <FaceDefs :materials="materials" name="large" :hatch-mm="7 / scale" />
      <FaceDrawing :face="face" :materials="materials" :shapes="shapes" :x="0" :y="0" fine name="large" @pick="pick" />
    </svg>
    <figcaption>
      <strong>{{ face.name }}</strong>
      {{ writeLength(Math.round(face.width), units) }} × {{ writeLength(Math.round(face.height), units) }}
      <span v-if="seen < 0.995" class="quiet">· {{ Math.round(100 * seen) }} % seen past what stands there</span>
      <span v-if="movable" class="quiet">· drag it, or use the arrow keys, to move where it begins</span>
    </figcaption>
  </figure>
</template>

<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'
import { letterOf } from '#core/survey/index.ts'
import type { Face } from '#core/surfaces/index.ts'
import FaceDefs from './FaceDefs.vue'
import FaceDrawing from './FaceDrawing.vue'
import type { Drawn, Material } from './materials.ts'

/** All walls side by side at one scale, the floor and the ceiling beside them; one of them is picked to work on it. */
const { faces, materials, shapes, here, units } = defineProps<{
  faces: readonly Face[]
  materials: ReadonlyMap<string, Material>
  shapes: ReadonlyMap<string, readonly Drawn[]>
  here: string
  units: UnitSystem
}>()
const emit = defineEmits<{ face: [id: string]; pick: [treatmentId: string] }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const gapPx = 8
const mostPx = 150
const scale = computed(() => {
  const total = faces.reduce((sum, face) => sum + face.width, 0)
  const tall = Math.max(1, ...faces.map((face) => face.height))
  const room = Math.max(200, width.value) - gapPx * Math.max(0, faces.length - 1)
  return Math.min(room / Math.max(1, total), mostPx / tall)
})
const placed = computed(() => {
  let x = 0
  const tall = Math.max(0, ...faces.map((face) => face.height))
  return faces.map((face, at) => {
    const left = x
    x += face.width + gapPx / scale.value
    const letter = face.id === 'floor' || face.id === 'ceiling' ? face.name : letterOf(at)
    // the floor and the ceiling hang from the top of the band, walls stand on its foot
    const flat = face.id === 'floor' || face.id === 'ceiling'
    return { face, x: left, y: flat ? 0 : tall - face.height, letter }
  })
})
const size = computed(() => {
  const last = placed.value.at(-1)
  return {
    width: last ? last.x + last.face.width : 1,
    height: Math.max(1, ...faces.map((face) => face.height)),
  }
})
const ratio = computed(() => Math.round(1 / (scale.value * 0.2646)))
</script>

<template>
  <figure ref="box" class="unrolled">
    <svg
      :viewBox="`${-2 / scale} ${-2 / scale} ${size.width + 4 / scale} ${size.height + 4 / scale}`"
      :width="size.width * scale + 4"
      :height="size.height * scale + 4"
      role="group"
      aria-label="The room unrolled"
    >
      <FaceDefs :materials="materials" name="band" :hatch-mm="6 / scale" />
      <FaceDrawing
        v-for="{ face, x, y } in placed"
        :key="face.id"
        :face="face"
        :materials="materials"
        :shapes="shapes.get(face.id) ?? []"
        :x="x"
        :y="y"
        :fine="false"
        name="band"
        @pick="emit('pick', $event)"
        @click="emit('face', face.id)"
      />
      <rect
        v-for="{ face, x, y } in placed.filter(({ face }) => face.id === here)"
        :key="`here ${face.id}`"
        class="face-here"
        :x="x"
        :y="y"
        :width="face.width"
        :height="face.height"
      />
    </svg>
    <figcaption class="faces">
      <button
        v-for="{ face, x, letter } in placed"
        :key="face.id"
        type="button"
        class="word"
        :class="{ here: face.id === here }"
        :aria-pressed="face.id === here"
        :style="{ left: `${(x + face.width / 2) * scale + 2}px` }"
        :aria-label="face.name"
        @click="emit('face', face.id)"
      >
        {{ letter }}
        <span class="quiet">{{ face.width * scale > 70 ? writeLength(Math.round(face.width), units) : '' }}</span>
      </button>
      <span class="visually-hidden">Drawn about 1 to {{ ratio }}.</span>
    </figcaption>
  </figure>
</template>

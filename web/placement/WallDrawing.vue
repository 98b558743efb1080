<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { writeDimension, type UnitSystem } from '#core/measure/length.ts'
import type { HookMark, HungCheck, Hung, OnWall, WallScene } from '#core/placement/index.ts'
import type { Face } from '#core/surfaces/index.ts'
import { useGrip } from '../parts/grip.ts'
import FaceDefs from '../surfaces/FaceDefs.vue'
import FaceDrawing from '../surfaces/FaceDrawing.vue'
import type { Material } from '../surfaces/materials.ts'
import type { Cover } from './materials.ts'

/** A wall as one stands before it, with what hangs on it and what stands before it, to scale. */
const {
  face,
  scene,
  materials,
  covers,
  checks,
  marks,
  selectedId,
  units,
  thought = [],
} = defineProps<{
  face: Face
  scene: WallScene
  materials: ReadonlyMap<string, Material>
  covers: ReadonlyMap<string, Cover>
  checks: readonly HungCheck[]
  marks: readonly HookMark[]
  selectedId: string
  units: UnitSystem
  /** What is thought of, dashed. */
  thought?: readonly { readonly left: number; readonly right: number; readonly low: number; readonly top: number }[]
}>()
const emit = defineEmits<{ pick: [id: string]; move: [id: string, by: OnWall]; put: [] }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const edge = 60
const mostPx = 430
const scale = computed(() =>
  Math.min(Math.max(240, width.value - 4) / (face.width + 2 * edge), mostPx / (face.height + 2 * edge)),
)
const up = (mm: number): number => face.height - mm
const length = (mm: number): string => writeDimension(Math.round(mm), units)
const wrong = computed(
  () => new Set(checks.filter(({ weight }) => weight === 'stop').flatMap(({ ids }) => ids.slice(0, 1))),
)
const hooks = computed(() => marks.filter(({ workId }) => workId === selectedId))
const selected = computed(() => scene.works.find(({ id }) => id === selectedId) ?? null)
const isRound = ({ thing: { piece } }: Hung): boolean => /\b(plates?|dish|dishes|clocks?|round)\b/i.test(piece.name)
const sizeOf = ({ left, right, low, top }: Hung) => ({ x: left, y: up(top), width: right - left, height: top - low })

const { take, letGo } = useGrip({
  pick: (id) => emit('pick', id),
  move: (id, dx, dy) => emit('move', id, { along: dx / scale.value, centre: -dy / scale.value }),
  put: () => emit('put'),
})
</script>

<template>
  <div ref="box" class="plan wall-layers">
    <!-- the wall itself is drawn once, on a layer of its own: what hangs moves over it -->
    <svg
      class="plan-sheet wall-ground"
      :viewBox="`${-edge} ${-edge} ${face.width + 2 * edge} ${face.height + 2 * edge}`"
      :width="(face.width + 2 * edge) * scale"
      :height="(face.height + 2 * edge) * scale"
      aria-hidden="true"
    >
      <FaceDefs :materials="materials" name="hung" :hatch-mm="7 / scale" />
      <FaceDrawing :face="face" :materials="materials" :shapes="[]" :x="0" :y="0" :fine="false" name="hung" />
    </svg>
    <svg
      class="plan-sheet wall-sheet"
      :viewBox="`${-edge} ${-edge} ${face.width + 2 * edge} ${face.height + 2 * edge}`"
      :width="(face.width + 2 * edge) * scale"
      :height="(face.height + 2 * edge) * scale"
      :style="{ fontSize: `${12 / scale}px` }"
      role="group"
      aria-label="The wall"
      @click.self="letGo"
    >
      <defs>
        <pattern
          v-for="cover in covers.values()"
          :id="`hung-${cover.id}`"
          :key="cover.id"
          patternUnits="userSpaceOnUse"
          width="900"
          height="900"
        >
          <rect width="900" height="900" :fill="cover.hex" />
          <image v-if="cover.tile" :href="cover.tile" width="900" height="900" preserveAspectRatio="none" />
        </pattern>
      </defs>
      <g class="wall-line">
        <line x1="0" :x2="face.width" :y1="up(scene.lineMm)" :y2="up(scene.lineMm)" />
        <text :x="8 / scale" :y="up(scene.lineMm) - 5 / scale">{{ length(scene.lineMm) }}</text>
      </g>
      <g v-for="thing in scene.before" :key="thing.id" class="wall-before">
        <rect
          :x="thing.left"
          :y="up(thing.top)"
          :width="thing.right - thing.left"
          :height="thing.top - Math.max(0, thing.body.low)"
          :fill="covers.has(thing.body.thing?.piece.id ?? '') ? `url(#hung-${thing.body.thing?.piece.id})` : '#fff'"
        />
        <text
          v-if="thing.name.length * 7 < (thing.right - thing.left) * scale"
          :x="(thing.left + thing.right) / 2"
          :y="up(thing.top) + 16 / scale"
        >
          {{ thing.name }}
        </text>
      </g>
      <g
        v-for="work in scene.works"
        :key="work.id"
        class="wall-work"
        :class="{ taken: work.id === selectedId, stop: wrong.has(work.id) }"
        tabindex="0"
        role="button"
        :aria-label="work.name"
        :aria-pressed="work.id === selectedId"
        @pointerdown="take(work.id, $event)"
        @focus="emit('pick', work.id)"
      >
        <ellipse
          v-if="isRound(work)"
          :cx="work.along"
          :cy="up(work.centre)"
          :rx="work.thing.widthMm / 2"
          :ry="work.thing.heightMm / 2"
          :fill="covers.has(work.thing.piece.id) ? `url(#hung-${work.thing.piece.id})` : '#fff'"
        />
        <rect
          v-else
          v-bind="sizeOf(work)"
          :fill="covers.has(work.thing.piece.id) ? `url(#hung-${work.thing.piece.id})` : '#fff'"
        />
        <text v-if="work.name.length * 7 < work.thing.widthMm * scale" :x="work.along" :y="up(work.centre)" dy="0.35em">
          {{ work.name }}
        </text>
      </g>
      <rect
        v-for="(box, index) in thought"
        :key="`thought ${index}`"
        class="plan-open thought"
        :x="box.left"
        :y="up(box.top)"
        :width="box.right - box.left"
        :height="box.top - box.low"
      />
      <g v-for="(mark, index) in hooks" :key="index" class="wall-hook">
        <path
          :d="`M${mark.along - 6 / scale} ${up(mark.height)}h${12 / scale}M${mark.along} ${up(mark.height) - 6 / scale}v${12 / scale}`"
        />
        <text :x="mark.along + 9 / scale" :y="up(mark.height) - 6 / scale">{{ length(mark.height) }}</text>
      </g>
      <g v-if="selected" class="wall-hook">
        <path :d="`M${selected.left} ${up(selected.centre)}H${selected.right}`" class="wall-middle" />
      </g>
    </svg>
  </div>
</template>

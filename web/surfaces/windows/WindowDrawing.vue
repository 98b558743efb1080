<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'
import type { DressedWindow, Face, Hung, Window } from '#core/surfaces/index.ts'
import FaceDefs from '../FaceDefs.vue'
import FaceDrawing from '../FaceDrawing.vue'
import type { Material } from '../materials.ts'

/** A window on its wall, or a bay unrolled, with all that hangs there in its cloth, open or shut, to scale. */
const { window, layers, faces, materials, cloths, state, inHand, units } = defineProps<{
  window: Window
  /** The nearest to the glass first. */
  layers: readonly DressedWindow[]
  /** Of all the room; those of the window's walls are drawn. */
  faces: readonly Face[]
  materials: ReadonlyMap<string, Material>
  cloths: ReadonlyMap<string, Material>
  state: 'shut' | 'open'
  inHand: string
  units: UnitSystem
}>()
const name = computed(() => `window-${state}`)
const emit = defineEmits<{ pick: [dressingId: string] }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const mostPx = 410
/** Over the ceiling, and under the floor for the tape. */
const aboveMm = 60
const belowPx = 44
const walls = computed(() =>
  window.walls.flatMap(({ wall, atMm }) => {
    const face = faces.find(({ id }) => id === wall.row.id)
    return face ? [{ face, atMm }] : []
  }),
)
/** What is looked at: the window with a metre of wall on each side, or all of a bay. */
const view = computed(() => {
  const edges = layers.flatMap(({ dressed }) => (dressed.ok ? [...dressed.open, ...dressed.shut] : []))
  const beside = 450
  const [left, right] = [
    Math.min(window.glass.u0, ...edges.map(({ u0 }) => u0)) - beside,
    Math.max(window.glass.u1, ...edges.map(({ u1 }) => u1)) + beside,
  ]
  return { left: Math.max(-60, left), right: Math.min(window.widthMm + 60, right), high: window.heightMm }
})
const scale = computed(() =>
  Math.min(Math.max(200, width.value - 4) / (view.value.right - view.value.left), mostPx / (view.value.high + aboveMm)),
)
const up = (z: number): number => view.value.high - z
const hung = computed(() =>
  layers.flatMap((layer) => {
    const { dressed, row } = layer
    if (!dressed.ok) return []
    const parts = dressed[state].map((part, at) => ({
      part,
      key: `${row.id} ${at}`,
      folds: foldsOf(part),
    }))
    const railed = row.what === 'curtains' || row.what === 'sheers'
    return [{ row, dressed, parts, railed, material: row.finishId ? cloths.get(row.finishId) : undefined }]
  }),
)
/** A stripe or a motif lies whole in the middle of its blind: the middle of its tile is moved there. */
const centred = computed(() =>
  hung.value.flatMap(({ row, dressed, material }) => {
    const part = dressed.shut[0]
    if (!row.centred || !material || !part) return []
    const [x, y] = [(part.u0 + part.u1) / 2 - material.sizeMm / 2, up((part.z0 + part.z1) / 2) - material.sizeMm / 2]
    return [{ id: `${name.value}-c-${row.id}`, material: material.id, move: `translate(${x} ${y})` }]
  }),
)
/** Where its folds are dark: between them the cloth comes forward. */
function foldsOf({ u0, u1, z0, z1, folds, across }: Hung): string {
  if (folds < 1) return ''
  return Array.from({ length: folds - (across ? 0 : 1) }, (_, at) => {
    const share = (at + 1) / folds
    return across ? `M${u0} ${up(z1 - (z1 - z0) * share)}H${u1}` : `M${u0 + (u1 - u0) * share} ${up(z1)}V${up(z0)}`
  }).join('')
}
const size = (mm: number): string => writeLength(Math.round(mm), units)
const taken = computed(() => hung.value.find(({ row }) => row.id === inHand) ?? hung.value.at(-1) ?? null)
const letters = computed(() => 13 / scale.value)
const tapeAt = computed(() => view.value.high + letters.value)
</script>

<template>
  <figure ref="box" class="window-drawing">
    <svg
      :viewBox="`${view.left} ${-aboveMm} ${view.right - view.left} ${view.high + aboveMm + belowPx / scale}`"
      :width="(view.right - view.left) * scale"
      :height="(view.high + aboveMm) * scale + belowPx"
      :style="{ fontSize: `${letters}px` }"
      role="img"
      :aria-label="`${window.name}, ${state}`"
    >
      <FaceDefs :materials="materials" :name="`${name}-wall`" :hatch-mm="7 / scale" />
      <FaceDefs :materials="cloths" :name="name" :hatch-mm="7 / scale" />
      <defs>
        <linearGradient :id="`${name}-fold`" x1="0" x2="1" y1="0" y2="0">
          <stop offset="0" stop-color="#191919" stop-opacity="0.22" />
          <stop offset="0.35" stop-color="#fff" stop-opacity="0.16" />
          <stop offset="0.7" stop-color="#fff" stop-opacity="0" />
          <stop offset="1" stop-color="#191919" stop-opacity="0.22" />
        </linearGradient>
      </defs>
      <defs>
        <pattern
          v-for="{ id, material, move } in centred"
          :id="id"
          :key="id"
          :href="`#${name}-m-${material}`"
          :patternTransform="move"
        />
      </defs>
      <FaceDrawing
        v-for="{ face, atMm } in walls"
        :key="face.id"
        :face="face"
        :materials="materials"
        :shapes="[]"
        :x="atMm"
        :y="view.high - face.height"
        :fine="false"
        :name="`${name}-wall`"
      />
      <path
        v-for="pane in window.panes"
        :key="pane.id"
        class="glazing"
        :d="`M${(pane.u0 + pane.u1) / 2} ${up(pane.z1)}V${up(pane.z0)}M${pane.u0} ${up(pane.z0 + (pane.z1 - pane.z0) * 0.62)}H${pane.u1}`"
      />
      <g
        v-for="{ row, dressed, parts, railed, material } in hung"
        :key="row.id"
        class="hung"
        :class="{ sheer: row.what === 'sheers', taken: row.id === taken?.row.id }"
        @click="emit('pick', row.id)"
      >
        <g v-for="{ part, key, folds } in parts" :key="key">
          <rect
            :x="part.u0"
            :y="up(part.z1)"
            :width="part.u1 - part.u0"
            :height="part.z1 - part.z0"
            :fill="material ? `url(#${row.centred ? `${name}-c-${row.id}` : `${name}-m-${material.id}`})` : '#fff'"
            class="cloth-part"
          />
          <template v-if="!part.across">
            <rect
              v-for="fold in part.folds"
              :key="fold"
              :x="part.u0 + ((part.u1 - part.u0) * (fold - 1)) / part.folds"
              :y="up(part.z1)"
              :width="(part.u1 - part.u0) / part.folds"
              :height="part.z1 - part.z0"
              :fill="`url(#${name}-fold)`"
              class="fold-shade"
            />
          </template>
          <path :d="folds" class="fold" />
        </g>
        <template v-if="railed && !row.inside">
          <rect
            class="rail"
            :x="dressed.place.u0"
            :y="up(dressed.place.atMm) - (row.hung === 'pole' ? 15 : 8)"
            :width="dressed.place.u1 - dressed.place.u0"
            :height="row.hung === 'pole' ? 30 : 16"
            :rx="row.hung === 'pole' ? 15 : 0"
          />
          <template v-if="row.hung === 'pole' && !row.roundBay">
            <circle class="rail" :cx="dressed.place.u0 - 20" :cy="up(dressed.place.atMm)" r="26" />
            <circle class="rail" :cx="dressed.place.u1 + 20" :cy="up(dressed.place.atMm)" r="26" />
          </template>
        </template>
      </g>
      <template v-if="taken">
        <g class="tape">
          <path
            :d="`M${taken.dressed.place.u0} ${tapeAt}H${taken.dressed.place.u1}M${taken.dressed.place.u0} ${tapeAt - letters / 2.5}v${letters / 1.25}M${taken.dressed.place.u1} ${tapeAt - letters / 2.5}v${letters / 1.25}`"
          />
          <text :x="(taken.dressed.place.u0 + taken.dressed.place.u1) / 2" :y="tapeAt + letters * 1.4">
            {{ size(taken.dressed.place.lengthMm) }}
          </text>
        </g>
      </template>
    </svg>
    <figcaption>
      <strong>{{ state === 'shut' ? 'Shut' : 'Open' }}</strong>
    </figcaption>
  </figure>
</template>

<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { contours } from 'd3'
import { computed, useTemplateRef } from 'vue'
import {
  writeLux,
  type Body,
  type Lamp,
  type LightMap,
  type Outline,
  type Setting,
  type Spot,
} from '#core/placement/index.ts'
import { useGrip } from '../../parts/grip.ts'

/** The plan of a room as its lamps light it: bands of equal light, paler where it is lighter, the lamps over them. */
const { setting, bodies, lamps, unknown, map, spots, low, selectedId } = defineProps<{
  setting: Setting
  bodies: readonly Body[]
  lamps: readonly Lamp[]
  unknown: readonly { readonly id: string; readonly name: string }[]
  map: LightMap | null
  spots: readonly Spot[]
  /** The places that are too dark, by their ids. */
  low: ReadonlySet<string>
  selectedId: string
}>()
const emit = defineEmits<{ pick: [id: string]; move: [id: string, by: { x: number; y: number }]; put: [] }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const edgeMm = 200
const mostPx = 470
const bounds = computed(() => {
  const xs = setting.outline.map(({ x }) => x)
  const ys = setting.outline.map(({ y }) => y)
  return {
    left: Math.min(...xs) - edgeMm,
    wide: Math.max(...xs) - Math.min(...xs) + 2 * edgeMm,
    high: Math.max(...ys) + edgeMm,
    tall: Math.max(...ys) - Math.min(...ys) + 2 * edgeMm,
  }
})
const scale = computed(() => Math.min(Math.max(240, width.value) / bounds.value.wide, mostPx / bounds.value.tall))
const path = (points: Outline): string =>
  points.length === 0 ? '' : `M${points.map(({ x, y }) => `${x.toFixed(0)} ${(-y).toFixed(0)}`).join('L')}Z`

/** The steps of the scale, in lux, and the grey of what lies above each: ink for the dark, white for the bright. */
const steps = [0, 25, 50, 100, 200, 300, 500, 1000] as const
const greys = ['#2a2a2a', '#474747', '#666666', '#8b8b8b', '#b0b0b0', '#cecece', '#e9e9e9', '#ffffff'] as const
const bands = computed(() => {
  if (!map) return []
  const { columns, rows, stepMm, left, low: bottom, lux } = map
  // a hair beyond the room the light is as it is at its edge: bands end at the walls, not before them
  const values = spread(lux, columns, rows)
  return contours()
    .size([columns, rows])
    .smooth(true)
    .thresholds(steps.slice(1))(values)
    .map(({ value, coordinates }) => ({
      value,
      d: coordinates
        .flatMap((polygon) =>
          polygon.map(
            (ring) =>
              `M${ring.map(([x = 0, y = 0]) => `${(left + x * stepMm).toFixed(0)} ${(-(bottom + y * stepMm)).toFixed(0)}`).join('L')}Z`,
          ),
        )
        .join(''),
    }))
})
/** Places outside the room take the value of a neighbour within. */
function spread(lux: Float32Array, columns: number, rows: number): number[] {
  const values = Array.from(lux)
  for (let round = 0; round < 3; round++) {
    const before = values.slice()
    for (let at = 0; at < values.length; at++) {
      if (!Number.isNaN(before[at])) continue
      const [row, column] = [Math.floor(at / columns), at % columns]
      const near = [
        column > 0 ? before[at - 1] : NaN,
        column < columns - 1 ? before[at + 1] : NaN,
        row > 0 ? before[at - columns] : NaN,
        row < rows - 1 ? before[at + columns] : NaN,
      ].filter((value): value is number => value !== undefined && !Number.isNaN(value))
      if (near.length > 0) values[at] = near.reduce((sum, value) => sum + value, 0) / near.length
    }
  }
  return values.map((value) => (Number.isNaN(value) ? 0 : value))
}
/** Bands are drawn one over the other, each in its grey. */
const greyOf = (value: number): string => greys[steps.findIndex((step) => step === value)] ?? '#ffffff'
const things = computed(() => bodies.filter(({ thing }) => thing?.kind !== 'light'))
const at = (id: string): { x: number; y: number } => {
  const body = bodies.find((known) => known.id === id)
  return { x: body?.at.xMm ?? 0, y: body?.at.yMm ?? 0 }
}
/** A figure stands in the middle of its place; where a lamp is, below it. */
const figures = computed(() =>
  spots.map(({ id, facet, lux }) => {
    const text = writeLux(lux)
    const isUnder = lamps.some(({ x, y }) => Math.hypot(x - facet.x, y - facet.y) * scale.value < 26)
    return {
      id,
      text,
      x: facet.x,
      y: -facet.y + (isUnder ? 25 / scale.value : 0),
      half: (text.length * 3.4 + 4) / scale.value,
      isLow: low.has(id),
    }
  }),
)
const { take, letGo } = useGrip({
  pick: (id) => emit('pick', id),
  move: (id, dx, dy) => emit('move', id, { x: dx / scale.value, y: -dy / scale.value }),
  put: () => emit('put'),
})
</script>

<template>
  <div ref="box" class="plan light-plan">
    <svg
      class="plan-sheet"
      :viewBox="`${bounds.left} ${-bounds.high} ${bounds.wide} ${bounds.tall}`"
      :width="bounds.wide * scale"
      :height="bounds.tall * scale"
      :style="{ fontSize: `${12 / scale}px` }"
      role="group"
      aria-label="The light of the room"
      @click.self="letGo"
    >
      <defs>
        <clipPath id="light-room"><path :d="path(setting.outline)" /></clipPath>
      </defs>
      <g clip-path="url(#light-room)" @click="letGo">
        <path :d="path(setting.outline)" :fill="map ? greys[0] : '#ffffff'" />
        <path v-for="band in bands" :key="band.value" :d="band.d" :fill="greyOf(band.value)" class="light-band" />
      </g>
      <path v-for="body in things" :key="body.id" :d="path(body.outline)" class="light-thing" />
      <path :d="path(setting.outline)" class="plan-wall" />
      <path v-for="door in setting.doors" :key="door.id" :d="path(door.segment)" class="plan-gap" />
      <path v-for="window in setting.windows" :key="window.id" :d="path(window.segment)" class="plan-window" />
      <g
        v-for="lamp in lamps"
        :key="lamp.id"
        class="light-lamp"
        :class="{ taken: lamp.id === selectedId }"
        tabindex="0"
        role="button"
        :aria-label="lamp.name"
        :aria-pressed="lamp.id === selectedId"
        @pointerdown="take(lamp.id, $event)"
        @focus="emit('pick', lamp.id)"
      >
        <circle :cx="lamp.x" :cy="-lamp.y" :r="10 / scale" />
        <path :d="`M${lamp.x - 16 / scale} ${-lamp.y}h${32 / scale}M${lamp.x} ${-lamp.y - 16 / scale}v${32 / scale}`" />
      </g>
      <g
        v-for="lamp in unknown"
        :key="lamp.id"
        class="light-lamp unread"
        :class="{ taken: lamp.id === selectedId }"
        tabindex="0"
        role="button"
        :aria-label="lamp.name"
        :aria-pressed="lamp.id === selectedId"
        @pointerdown="take(lamp.id, $event)"
        @focus="emit('pick', lamp.id)"
      >
        <circle :cx="at(lamp.id).x" :cy="-at(lamp.id).y" :r="10 / scale" />
      </g>
      <g v-for="{ id, text, x, y, half, isLow } in figures" :key="id" class="light-spot" :class="{ low: isLow }">
        <rect :x="x - half" :y="y - 9 / scale" :width="2 * half" :height="18 / scale" />
        <text :x="x" :y="y" dy="0.35em">{{ text }}</text>
      </g>
    </svg>
    <ol v-if="map" class="light-scale" aria-label="The scale, in lux">
      <li v-for="(step, index) in steps" :key="step">
        <span :style="{ background: greys[index] }" />{{ step === 1000 ? '1000 lx and more' : step }}
      </li>
    </ol>
  </div>
</template>

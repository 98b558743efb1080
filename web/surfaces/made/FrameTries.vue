<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { Answer } from '#core/calculators/index.ts'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'

/** Several tries of one picture, side by side and to one scale, on the colour of the wall it hangs on. */
const { tries, wallHex, units, inHand } = defineProps<{
  tries: readonly {
    readonly id: string
    readonly name: string
    readonly framed: NonNullable<Answer['framed']>
    readonly faceMm: number
    readonly count: number
    readonly frameHex: string
    readonly matHex: string
    readonly filletHex: string
  }[]
  wallHex: string
  units: UnitSystem
  inHand: string
}>()
const emit = defineEmits<{ pick: [id: string] }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const gapMm = computed(() => 0.18 * Math.max(200, ...tries.map(({ framed }) => framed.outer.heightMm)))
const drawn = computed(() => {
  let along = gapMm.value
  const high = Math.max(100, ...tries.map(({ framed }) => framed.outer.heightMm))
  const all = tries.map((tried) => {
    const { outer, glass, opening, border, seen } = tried.framed
    const [x, y] = [along, gapMm.value + (high - outer.heightMm) / 2]
    along += outer.widthMm + gapMm.value
    const inner = { x: x + (outer.widthMm - glass.widthMm) / 2, y: y + (outer.heightMm - glass.heightMm) / 2 }
    const single = opening ?? { widthMm: glass.widthMm, heightMm: glass.heightMm }
    const count = opening ? tried.count : 1
    const between =
      count > 1 && border ? (glass.widthMm - 2 * border.sidesMm - count * single.widthMm) / (count - 1) : 0
    const openings = Array.from({ length: count }, (_, at) => ({
      x: inner.x + (border?.sidesMm ?? 0) + at * (single.widthMm + between),
      y: inner.y + (border?.topMm ?? 0),
      width: single.widthMm,
      height: single.heightMm,
      fillet: (single.widthMm - seen.widthMm) / 2,
    }))
    return { tried, x, y, outer, glass, inner, openings }
  })
  return { all, width: along, height: high + 2 * gapMm.value }
})
const scale = computed(() => Math.min(Math.max(200, width.value) / drawn.value.width, 380 / drawn.value.height))
const size = (mm: number): string => writeLength(Math.round(mm), units)
</script>

<template>
  <figure ref="box" class="frame-tries">
    <svg
      :viewBox="`0 0 ${drawn.width} ${drawn.height}`"
      :width="drawn.width * scale"
      :height="drawn.height * scale"
      role="img"
      aria-label="The tries side by side on their wall"
    >
      <rect :width="drawn.width" :height="drawn.height" :fill="wallHex" />
      <g
        v-for="{ tried, x, y, outer, glass, inner, openings } in drawn.all"
        :key="tried.id"
        class="tried"
        @click="emit('pick', tried.id)"
      >
        <rect class="moulding" :x="x" :y="y" :width="outer.widthMm" :height="outer.heightMm" :fill="tried.frameHex" />
        <path
          class="mitre"
          :d="`M${x} ${y}L${inner.x} ${inner.y}M${x + outer.widthMm} ${y}L${inner.x + glass.widthMm} ${inner.y}M${x} ${y + outer.heightMm}L${inner.x} ${inner.y + glass.heightMm}M${x + outer.widthMm} ${y + outer.heightMm}L${inner.x + glass.widthMm} ${inner.y + glass.heightMm}`"
        />
        <rect
          class="mat"
          :x="inner.x"
          :y="inner.y"
          :width="glass.widthMm"
          :height="glass.heightMm"
          :fill="tried.matHex"
        />
        <g v-for="(opening, at) in openings" :key="at">
          <rect
            class="fillet"
            :fill="tried.filletHex"
            :x="opening.x"
            :y="opening.y"
            :width="opening.width"
            :height="opening.height"
          />
          <rect
            class="picture"
            :x="opening.x + opening.fillet"
            :y="opening.y + opening.fillet"
            :width="opening.width - 2 * opening.fillet"
            :height="opening.height - 2 * opening.fillet"
          />
        </g>
        <rect v-if="tried.id === inHand" class="here" :x="x" :y="y" :width="outer.widthMm" :height="outer.heightMm" />
      </g>
    </svg>
    <figcaption>
      <span v-for="{ tried, outer } in drawn.all" :key="tried.id"
        ><button
          type="button"
          class="word"
          :class="{ here: tried.id === inHand }"
          :aria-pressed="tried.id === inHand"
          @click="emit('pick', tried.id)"
        >
          {{ tried.name }}</button
        ><span class="quiet"> {{ size(outer.widthMm) }} × {{ size(outer.heightMm) }}</span></span
      >
    </figcaption>
  </figure>
</template>

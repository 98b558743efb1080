<script setup lang="ts">
import { computed } from 'vue'
import { groupBy } from '#core/makeover/document.ts'
import type { Point } from '#core/survey/index.ts'
import { pileOf, type Face } from '#core/surfaces/index.ts'
import type { Drawn, Material } from './materials.ts'

/** One face of the room at its place in a drawing, in mm: its materials, what is in it, and every strip, tile and board. */
const { face, materials, shapes, x, y, fine, name } = defineProps<{
  face: Face
  materials: ReadonlyMap<string, Material>
  /** Of this face alone. */
  shapes: readonly Drawn[]
  x: number
  /** Of its upper edge. */
  y: number
  /** Large enough for numbers and joints. */
  fine: boolean
  /** Sets the ids of this drawing apart from those of another one on the page. */
  name: string
}>()
const emit = defineEmits<{ pick: [treatmentId: string] }>()
const origin = computed(() => ({ left: x, foot: y + face.height }))
/** Heights go up, drawings go down. To the millimetre: a screen shows no less, and whole numbers are written much faster. */
function path(outline: readonly Point[], isClosed = true): string {
  const { left, foot } = origin.value
  const [a, b, c, d] = outline
  // an upright rectangle, as most are, in its shortest form
  if (
    isClosed &&
    outline.length === 4 &&
    a &&
    b &&
    c &&
    d &&
    a.y === b.y &&
    b.x === c.x &&
    c.y === d.y &&
    d.x === a.x
  ) {
    const [x0, y0] = [Math.round(left + a.x), Math.round(foot - a.y)]
    const [wide, tall] = [Math.round(left + c.x) - x0, Math.round(foot - c.y) - y0]
    return `M${x0} ${y0}h${wide}v${tall}h${-wide}z`
  }
  let written = ''
  for (const { x: along, y: up } of outline)
    written += `${written === '' ? 'M' : 'L'}${Math.round(left + along)} ${Math.round(foot - up)}`
  return written === '' || !isClosed ? written : `${written}Z`
}
/** Strips of a patterned paper, each with its own piece of the design, as it was cut. */
const strips = computed(() =>
  shapes.flatMap(({ design, outline, treatmentId }, index) =>
    design && materials.has(treatmentId)
      ? [
          {
            id: `${name}-s-${face.id}-${index}`,
            material: `#${name}-m-${treatmentId}`,
            move: `translate(${(x + design.x).toFixed(1)} ${(y + face.height - design.y).toFixed(1)})`,
            d: path(outline),
          },
        ]
      : [],
  ),
)
/** Which way the pile of each width lies. */
const piles = computed(() =>
  shapes
    .flatMap((shape) => pileOf(shape, face.height / 7))
    .map((points) => path(points, false))
    .join(''),
)
/** Each treatment once: what of it lies side by side has no seam. */
const fills = computed(() =>
  [...groupBy(face.fills, ({ treatmentId }) => treatmentId)].map(([treatmentId, parts]) => ({
    treatmentId,
    d: parts.map(({ outline }) => path(outline)).join(''),
    paint: materials.has(treatmentId) ? `url(#${name}-m-${treatmentId})` : 'none',
  })),
)
const clipId = computed(() => `${name}-c-${face.id}`)
const joints = computed(() => shapes.map(({ outline }) => path(outline)).join(''))
const cut = computed(() =>
  shapes
    .filter(({ kind, whole }) => (kind === 'tile' || kind === 'board') && !whole)
    .map(({ outline }) => path(outline))
    .join(''),
)
const numbers = computed(() =>
  fine
    ? shapes
        .filter(({ text }) => text !== '')
        .map(({ text, outline }) => ({
          text,
          x: x + outline.reduce((sum, point) => sum + point.x, 0) / outline.length,
          y: y + face.height - Math.min(...outline.map((point) => point.y)) - face.height / 30,
        }))
    : [],
)
</script>

<template>
  <g>
    <clipPath :id="clipId"><path v-for="fill in fills" :key="fill.treatmentId" :d="fill.d" /></clipPath>
    <path class="face-ground" :d="path(face.outline)" />
    <path
      v-for="fill in fills"
      :key="fill.treatmentId"
      :d="fill.d"
      :fill="fill.paint"
      class="face-fill"
      @click.stop="emit('pick', fill.treatmentId)"
    />
    <g :clip-path="`url(#${clipId})`" class="face-shapes">
      <template v-for="strip in strips" :key="strip.id">
        <pattern :id="strip.id" :href="strip.material" :patternTransform="strip.move" />
        <path :d="strip.d" :fill="`url(#${strip.id})`" />
      </template>
      <path v-if="fine && cut" :d="cut" class="face-cut" :fill="`url(#${name}-hatch)`" />
      <path :d="joints" class="face-joints" :class="{ 'face-faint': !fine }" />
      <path v-if="fine && piles" :d="piles" class="face-pile" />
    </g>
    <path
      v-for="(thing, index) in face.fixed"
      :key="index"
      class="face-fixed"
      :d="path(thing.outline)"
      :style="{
        fill:
          thing.treatmentId && materials.has(thing.treatmentId) ? `url(#${name}-m-${thing.treatmentId})` : undefined,
      }"
    />
    <path
      v-for="opening in face.openings"
      :key="opening.id"
      class="face-opening"
      :d="path(opening.outline)"
      :fill="
        opening.what === 'door' && opening.treatmentId && materials.has(opening.treatmentId)
          ? `url(#${name}-m-${opening.treatmentId})`
          : opening.what === 'niche'
            ? 'none'
            : '#fff'
      "
    />
    <path class="face-edge" :d="path(face.outline)" />
    <text v-for="number in numbers" :key="number.text" class="face-number" :x="number.x" :y="number.y">
      {{ number.text }}
    </text>
  </g>
</template>

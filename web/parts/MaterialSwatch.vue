<script setup lang="ts">
import { computed, ref, watchEffect } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import type { Family, Sheen, Texture } from '#core/makeover/choices.ts'
import { lean, repeatsOf, sheenOver, shineOf, type Print } from '#core/texture/index.ts'
import type { Printed } from './printed.ts'
import { textureOf } from './textures.ts'

/**
 * A finish as material: its own colour with its relief, and the light that its sheen throws back; on the whole always its
 * own colour. `perMm` is how many pixels a millimetre of the room takes: a pattern is then drawn at its true size.
 */
const {
  finish,
  scale = 1,
  print,
  perMm = null,
} = defineProps<{
  finish: { family: Family; texture?: Texture; sheen: Sheen; labL: number; labA: number; labB: number }
  scale?: number
  print?: Printed | undefined
  perMm?: number | null
}>()
const lab = computed(() => ({ L: finish.labL, a: finish.labA, b: finish.labB }))
const colour = computed(() => hexFromLab(lab.value))
const texture = computed(() => finish.texture ?? 'usual')

/** No repeat is drawn smaller than this, or it would be grey. */
const leastRepeat = 9
const usualSize: Readonly<Record<Family, number>> = {
  wood: 320,
  metal: 240,
  textile: 210,
  plush: 300,
  cane: 190,
  stone: 320,
  leather: 260,
  greenery: 200,
  paint: 260,
  ceramic: 260,
  glass: 260,
  paper: 240,
}
const repeatPx = computed(() => (print && perMm !== null ? Math.max(leastRepeat, print.repeatMm * perMm) : null))
const drawn = computed<Print | undefined>(() => {
  if (!print) return undefined
  const repeats =
    repeatPx.value === null ? repeatsOf[print.scale] : Math.min(24, Math.max(1, Math.round(280 / repeatPx.value)))
  return { pattern: print.pattern, repeats, parts: print.parts }
})
const size = computed(() =>
  repeatPx.value === null || !drawn.value
    ? Math.round(usualSize[finish.family] * scale)
    : Math.round(repeatPx.value * drawn.value.repeats),
)

const tile = ref('')
watchEffect((onCleanup) => {
  let wanted = true
  onCleanup(() => (wanted = false))
  void textureOf(
    { family: finish.family, texture: texture.value, sheen: finish.sheen, lab: lab.value },
    drawn.value,
  ).then((address) => {
    if (wanted) tile.value = address
  })
})
/** What a sheen throws back lies over the tile; what it gives in one place it takes in another. */
const sheen = computed(() => {
  const stops = sheenOver(lab.value, shineOf(finish.family, texture.value, finish.sheen))
  if (stops.length === 0) return ''
  // a picture that is stretched with the chip, so that the band covers the same share of it whatever its shape
  const [x, y] = [(1 + lean) / (1 + lean * lean), (lean * (1 + lean)) / (1 + lean * lean)]
  const marks = stops
    .map(
      ({ at, rgb, over }) =>
        `<stop offset="${at}" stop-color="rgb(${rgb.join(',')})" stop-opacity="${over.toFixed(4)}"/>`,
    )
    .join('')
  return `url("data:image/svg+xml,${encodeURIComponent(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1" preserveAspectRatio="none" width="100" height="100"><linearGradient id="g" gradientUnits="userSpaceOnUse" x1="0" y1="0" x2="${x}" y2="${y}">${marks}</linearGradient><rect width="1" height="1" fill="url(#g)"/></svg>`)}")`
})
const background = computed(
  () => [sheen.value, tile.value && `url(${tile.value})`].filter(Boolean).join(', ') || 'none',
)
const sizes = computed(() =>
  [sheen.value && '100% 100%', tile.value && `${size.value}px ${size.value}px`].filter(Boolean).join(', '),
)
</script>

<template>
  <span class="material" :style="{ backgroundColor: colour, backgroundImage: background, backgroundSize: sizes }" />
</template>

<style>
.material {
  display: block;
  width: 100%;
  height: 100%;
  overflow: hidden;
}
</style>

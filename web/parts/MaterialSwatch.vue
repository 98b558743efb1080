<script setup lang="ts">
import { computed, ref, watchEffect } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import type { Family, Sheen } from '#core/makeover/choices.ts'
import type { Print } from '#core/palette/index.ts'
import { textureOf } from './textures.ts'

/** A finish as material: its own colour with its relief, and the light that its sheen throws back. */
const { finish, scale = 1, print } = defineProps<{ finish: { family: Family; sheen: Sheen; labL: number; labA: number; labB: number }; scale?: number; print?: Print | undefined }>()
const lab = computed(() => ({ L: finish.labL, a: finish.labA, b: finish.labB }))
const colour = computed(() => hexFromLab(lab.value))
const tile = ref('')
watchEffect((onCleanup) => {
  let wanted = true
  onCleanup(() => (wanted = false))
  void textureOf(finish.family, finish.sheen, lab.value, print).then((address) => {
    if (wanted) tile.value = address
  })
})
const size = computed(() => `${Math.round({ wood: 320, metal: 240, textile: 210, plush: 300, cane: 190, stone: 320, leather: 260, greenery: 200, paint: 260, ceramic: 260, glass: 260, paper: 240 }[finish.family] * scale)}px`)
const shines = computed(() => (finish.family === 'metal' && finish.sheen === 'matt' ? 'satin' : finish.family === 'glass' ? 'gloss' : finish.sheen))
</script>

<template>
  <span class="material" :class="`sheen-${shines}`" :style="{ backgroundColor: colour, backgroundImage: tile ? `url(${tile})` : 'none', backgroundSize: size }" />
</template>

<style>
.material { display: block; position: relative; width: 100%; height: 100%; overflow: hidden; }
.material::after { content: ''; position: absolute; inset: 0; }
.sheen-eggshell::after { background: linear-gradient(115deg, rgb(255 255 255 / 0.07), transparent 45%, rgb(0 0 0 / 0.04)); }
.sheen-satin::after { background: linear-gradient(112deg, transparent 8%, rgb(255 255 255 / 0.17) 34%, transparent 58%, rgb(0 0 0 / 0.07)); }
.sheen-gloss::after { background: linear-gradient(112deg, rgb(255 255 255 / 0.05) 24%, rgb(255 255 255 / 0.5) 29%, rgb(255 255 255 / 0.24) 43%, transparent 46%, rgb(0 0 0 / 0.1)); }
</style>

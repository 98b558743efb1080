<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import { bytesFromLab, chroma, hexFromLab, hue, labFromLch, showable, type Lab } from '#core/colour/lab.ts'

/** A wheel of hues: round it the hue angle, outwards the chroma, at the lightness of its slider. */
const { start } = defineProps<{ start: Lab | null }>()
const emit = defineEmits<{ pick: [lab: Lab] }>()
const most = 100
const side = 120
const lightness = ref(Math.round(start?.L ?? 65))
const colourfulness = ref(Math.round(start ? chroma(start) : 20))
const angle = ref(Math.round(start ? hue(start) : 60))
const lab = computed(() => labFromLch(lightness.value, colourfulness.value, angle.value))
const disc = useTemplateRef<HTMLCanvasElement>('disc')
const edge = computed(() => !showable(lab.value))

/** What a screen cannot show is left empty. */
function draw(): void {
  const paint = disc.value?.getContext('2d')
  if (!paint) return
  const pixels = paint.createImageData(side, side)
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const [right, up] = [(x + 0.5) / side - 0.5, 0.5 - (y + 0.5) / side]
      const C = Math.hypot(right, up) * 2 * most
      const here = labFromLch(lightness.value, C, ((Math.atan2(up, right) * 180) / Math.PI + 360) % 360)
      if (C <= most && showable(here)) pixels.data.set([...bytesFromLab(here), 255], 4 * (y * side + x))
    }
  paint.putImageData(pixels, 0, 0)
}
onMounted(draw)
watch(lightness, draw)
function take(event: PointerEvent): void {
  if (!disc.value || (event.type === 'pointermove' && event.buttons === 0)) return
  const box = disc.value.getBoundingClientRect()
  const [right, up] = [(event.clientX - box.left) / box.width - 0.5, 0.5 - (event.clientY - box.top) / box.height]
  colourfulness.value = Math.min(most, Math.round(Math.hypot(right, up) * 2 * most))
  angle.value = Math.round(((Math.atan2(up, right) * 180) / Math.PI + 360) % 360)
}
const cross = computed(() => ({
  left: `${50 + (colourfulness.value / most) * 50 * Math.cos((angle.value * Math.PI) / 180)}%`,
  top: `${50 - (colourfulness.value / most) * 50 * Math.sin((angle.value * Math.PI) / 180)}%`,
}))
</script>

<template>
  <div class="wheel">
    <div class="disc">
      <canvas ref="disc" :width="side" :height="side" aria-hidden="true" @pointerdown="take" @pointermove="take" />
      <span class="cross" aria-hidden="true" :style="cross" />
    </div>
    <div class="sliders">
      <label
        ><span class="label">Depth, L* {{ lightness }}</span
        ><input v-model.number="lightness" type="range" min="0" max="100"
      /></label>
      <label
        ><span class="label">Strength, C* {{ colourfulness }}</span
        ><input v-model.number="colourfulness" type="range" min="0" :max="most"
      /></label>
      <label
        ><span class="label">Hue, {{ angle }}°</span><input v-model.number="angle" type="range" min="0" max="359"
      /></label>
      <i :style="{ background: hexFromLab(lab) }" />
      <p class="quiet" role="status">
        {{ edge ? 'Stronger than this screen shows: drawn as near as it can.' : 'A screen is no sample.' }}
      </p>
      <el-button type="primary" @click="emit('pick', lab)">Use this colour</el-button>
    </div>
  </div>
</template>

<style scoped>
.wheel {
  display: grid;
  grid-template-columns: auto minmax(160px, 1fr);
  gap: 20px;
}
.disc {
  position: relative;
  width: 220px;
  align-self: start;
}
.disc canvas {
  width: 220px;
  height: 220px;
  border-radius: 50%;
  background: var(--ground);
  cursor: crosshair;
  touch-action: none;
}
.cross {
  position: absolute;
  width: 15px;
  height: 15px;
  margin: -7.5px;
  border: 1.5px solid #fff;
  outline: 1.5px solid var(--ink);
  border-radius: 50%;
  pointer-events: none;
}
.sliders {
  display: grid;
  gap: 4px;
  align-content: start;
}
.sliders input {
  width: 100%;
  accent-color: var(--ink);
  min-height: 24px;
}
.sliders i {
  height: 30px;
  border: 1px solid var(--hairline);
}
@media (max-width: 560px) {
  .wheel {
    grid-template-columns: 1fr;
  }
}
</style>

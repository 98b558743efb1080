<script setup lang="ts">
import { nextTick, ref, shallowRef, useTemplateRef } from 'vue'
import { hexFromLab, type Lab } from '#core/colour/lab.ts'
import { readAperture } from '#core/palette/index.ts'

/** A picture from the camera or the album: a touch on it takes a colour, up to five. */
const colours = defineModel<readonly Lab[]>('colours', { required: true })
const emit = defineEmits<{ picture: [picture: Blob] }>()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const pixels = shallowRef<ImageData | null>(null)
const problem = ref('')
const mostColours = 5
/** Large enough to look at again, small enough to send from a shop. */
const mostPixels = 1600

async function take(event: Event): Promise<void> {
  const file = event.target instanceof HTMLInputElement ? event.target.files?.[0] : undefined
  if (!file) return
  problem.value = ''
  try {
    const bitmap = await createImageBitmap(file)
    const scale = Math.min(1, mostPixels / Math.max(bitmap.width, bitmap.height))
    const [width, height] = [bitmap.width, bitmap.height].map((side) => Math.max(1, Math.round(side * scale))) as [
      number,
      number,
    ]
    pixels.value = new ImageData(width, height)
    await nextTick()
    const target = canvas.value
    const paint = target?.getContext('2d', { willReadFrequently: true })
    if (!target || !paint) return
    target.width = width
    target.height = height
    paint.drawImage(bitmap, 0, 0, width, height)
    bitmap.close()
    pixels.value = paint.getImageData(0, 0, width, height)
    colours.value = []
    takeAt(width / 2, height / 2)
    target.toBlob((blob) => blob && emit('picture', blob), 'image/jpeg', 0.85)
  } catch {
    pixels.value = null
    problem.value = `${file.name} cannot be opened as a picture: expected a JPEG, PNG or WebP.`
  }
}
function takeAt(x: number, y: number): void {
  if (!pixels.value) return
  const reading = readAperture(pixels.value, Math.floor(x), Math.floor(y), Math.max(3, pixels.value.width / 60))
  if (reading) colours.value = [...colours.value, reading.lab].slice(-mostColours)
}
function tap(event: MouseEvent): void {
  const box = canvas.value?.getBoundingClientRect()
  if (!box || !pixels.value) return
  takeAt(
    ((event.clientX - box.left) / box.width) * pixels.value.width,
    ((event.clientY - box.top) / box.height) * pixels.value.height,
  )
}
const without = (at: number): void => void (colours.value = colours.value.filter((_, index) => index !== at))
</script>

<template>
  <div class="picture-tap">
    <canvas
      v-show="pixels"
      ref="canvas"
      role="img"
      aria-label="The picture: touch it where its colour is"
      @click="tap"
    />
    <ul v-if="colours.length > 0" aria-label="Colours taken">
      <li v-for="(lab, at) in colours" :key="at">
        <button type="button" :aria-label="`Leave out ${hexFromLab(lab)}`" @click="without(at)">
          <span class="chip" :style="{ background: hexFromLab(lab) }" />{{ at === 0 ? 'main' : '' }}
        </button>
      </li>
    </ul>
    <label class="drop">
      <input type="file" class="visually-hidden" accept="image/*" capture="environment" @change="take" />
      <span>{{ pixels ? 'Another picture' : 'Photograph it, or choose a picture' }}</span>
    </label>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-else-if="pixels" class="quiet">Touch the picture for a colour, up to five; touch a chip to leave it out.</p>
  </div>
</template>

<style scoped>
.picture-tap {
  display: grid;
  gap: 8px;
}
canvas {
  width: 100%;
  max-height: 38vh;
  object-fit: contain;
  background: var(--ground);
  cursor: crosshair;
}
.drop {
  display: block;
  border: 1px dashed var(--input);
  padding: 14px;
  cursor: pointer;
}
.drop:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
li button {
  display: grid;
  justify-items: center;
  min-width: 44px;
  min-height: 44px;
  font-size: 12px;
}
.chip {
  display: block;
  width: 44px;
  height: 32px;
  border: 1px solid var(--hairline);
}
</style>

<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { hexFromLab, type Lab } from '#core/colour/lab.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { readAperture } from '#core/palette/index.ts'
import { useRows } from '../stores/rows.ts'

/** A colour picked from a photograph: a loupe over it, and a round aperture that averages what lies within. */
/** `start`: the one picture to pick from. */
const { start = null } = defineProps<{ start?: Row<'attachment'> | null }>()
const emit = defineEmits<{ pick: [lab: Lab] }>()
const attachments = useRows('attachment')
const pictures = computed(() => attachments.value.filter((row) => row.mediaType !== 'application/pdf').slice(-24))
const picture = shallowRef<ImageData | null>(null)
const at = ref({ x: 0, y: 0 })
const apertures = [
  { label: 'one point', radius: 0.5 },
  { label: 'small', radius: 3 },
  { label: 'middle', radius: 8 },
  { label: 'wide', radius: 20 },
]
const aperture = ref(2)
const radius = computed(() => apertures[aperture.value]?.radius ?? 8)
const problem = ref('')
const view = useTemplateRef<HTMLCanvasElement>('view')
const loupe = useTemplateRef<HTMLCanvasElement>('loupe')
const most = 1400
const magnified = 7

async function open(source: Blob, name: string): Promise<void> {
  problem.value = ''
  try {
    const bitmap = await createImageBitmap(source)
    const scale = Math.min(1, most / Math.max(bitmap.width, bitmap.height))
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(bitmap.width * scale)),
      Math.max(1, Math.round(bitmap.height * scale)),
    )
    const paint = canvas.getContext('2d', { willReadFrequently: true, colorSpace: 'srgb' })
    paint?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    picture.value = paint?.getImageData(0, 0, canvas.width, canvas.height) ?? null
    at.value = { x: Math.floor(canvas.width / 2), y: Math.floor(canvas.height / 2) }
    bitmap.close()
  } catch {
    problem.value = `${name} cannot be opened as a picture: expected a JPEG, PNG or WebP.`
  }
}
const chosen = (event: Event): void => {
  const file = event.target instanceof HTMLInputElement ? event.target.files?.[0] : undefined
  if (file) void open(file, file.name)
}
async function kept(sha256: string, name: string): Promise<void> {
  const answer = await fetch(`/api/files/${sha256}`).catch(() => null)
  if (answer?.ok) await open(await answer.blob(), name)
  else problem.value = `${name} could not be fetched: is the server there? Try again.`
}
if (start) void kept(start.sha256, start.name)
const read = computed(() => (picture.value ? readAperture(picture.value, at.value.x, at.value.y, radius.value) : null))
watch(picture, async (pixels) => {
  await nextTick()
  if (!pixels || !view.value) return
  view.value.width = pixels.width
  view.value.height = pixels.height
  view.value.getContext('2d')?.putImageData(pixels, 0, 0)
})
/** What lies under the loupe, magnified, with the aperture drawn in it. */
watch([picture, at, radius], async () => {
  await nextTick()
  const [pixels, canvas] = [picture.value, loupe.value]
  const paint = canvas?.getContext('2d')
  if (!pixels || !canvas || !paint || !view.value) return
  const across = canvas.width / magnified
  paint.imageSmoothingEnabled = false
  paint.clearRect(0, 0, canvas.width, canvas.height)
  paint.drawImage(
    view.value,
    at.value.x - across / 2 + 0.5,
    at.value.y - across / 2 + 0.5,
    across,
    across,
    0,
    0,
    canvas.width,
    canvas.height,
  )
  for (const [colour, wide] of [
    ['#fff', 4],
    ['#191919', 2],
  ] as const) {
    paint.strokeStyle = colour
    paint.lineWidth = wide
    paint.beginPath()
    paint.arc(canvas.width / 2, canvas.height / 2, Math.max(4, radius.value * magnified), 0, 2 * Math.PI)
    paint.stroke()
  }
})
function to(event: PointerEvent): void {
  const [pixels, canvas] = [picture.value, view.value]
  if (!pixels || !canvas || (event.type === 'pointermove' && event.buttons === 0)) return
  const box = canvas.getBoundingClientRect()
  at.value = {
    x: clamp(Math.round(((event.clientX - box.left) / box.width) * pixels.width), pixels.width),
    y: clamp(Math.round(((event.clientY - box.top) / box.height) * pixels.height), pixels.height),
  }
}
const clamp = (value: number, size: number): number => Math.min(size - 1, Math.max(0, value))
function key(event: KeyboardEvent): void {
  const pixels = picture.value
  const steps: Readonly<Record<string, readonly [number, number]>> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  }
  const step = steps[event.key]
  if (pixels && step) {
    event.preventDefault()
    const by = event.shiftKey ? 12 : 2
    at.value = { x: clamp(at.value.x + by * step[0], pixels.width), y: clamp(at.value.y + by * step[1], pixels.height) }
  } else if (event.key === '+' || event.key === '-')
    aperture.value = Math.min(apertures.length - 1, Math.max(0, aperture.value + (event.key === '+' ? 1 : -1)))
}
const uneven = computed(() =>
  read.value && read.value.uneven > 6
    ? 'Uneven within the aperture: pattern, shadow or grain. Move it, or make it smaller.'
    : '',
)
</script>

<template>
  <div class="photo">
    <div v-if="start === null" class="from">
      <label class="drop"
        ><input
          type="file"
          class="visually-hidden"
          accept="image/*"
          aria-label="Choose a picture to pick from"
          @change="chosen"
        /><span>Choose a picture</span></label
      >
      <ul v-if="pictures.length > 0" aria-label="Pictures kept with this makeover">
        <li v-for="picture in pictures" :key="picture.id">
          <button
            type="button"
            class="bare"
            :aria-label="`Pick from ${picture.name}`"
            @click="kept(picture.sha256, picture.name)"
          >
            <img :src="`/api/files/${picture.sha256}/thumbnail`" alt="" loading="lazy" />
          </button>
        </li>
      </ul>
    </div>
    <p v-if="problem" class="error-line" role="alert">{{ problem }}</p>
    <div v-if="picture" class="pick-from">
      <div class="over">
        <canvas
          ref="view"
          tabindex="0"
          role="application"
          aria-label="The picture: arrows move the loupe, with Shift further; plus and minus change the aperture"
          @pointerdown="to"
          @pointermove="to"
          @keydown="key"
        />
        <span
          class="cross"
          aria-hidden="true"
          :style="{
            left: `${(100 * (at.x + 0.5)) / picture.width}%`,
            top: `${(100 * (at.y + 0.5)) / picture.height}%`,
          }"
        />
      </div>
      <div class="read">
        <canvas ref="loupe" width="150" height="150" aria-hidden="true" />
        <span class="apertures" role="group" aria-label="Aperture"
          ><button
            v-for="(thisAperture, index) in apertures"
            :key="thisAperture.label"
            type="button"
            class="word"
            :class="{ here: index === aperture }"
            :aria-pressed="index === aperture"
            @click="aperture = index"
          >
            {{ thisAperture.label }}
          </button></span
        >
        <template v-if="read"
          ><i :style="{ background: hexFromLab(read.lab) }" />
          <p role="status">
            L* {{ read.lab.L.toFixed(1) }}, a* {{ read.lab.a.toFixed(1) }}, b* {{ read.lab.b.toFixed(1) }}
            <span class="quiet">mean of {{ read.pixels }} points. {{ uneven }}</span>
          </p>
          <el-button type="primary" @click="emit('pick', read.lab)">Use this colour</el-button></template
        >
        <p class="quiet">A photograph shows the light it was taken in as much as the thing.</p>
      </div>
    </div>
  </div>
</template>

<style>
.photo {
  display: grid;
  gap: 8px;
}
.photo .from {
  display: flex;
  gap: 12px;
  align-items: center;
}
.photo .drop {
  border: 1px dashed var(--input);
  padding: 5px 12px;
  cursor: pointer;
  white-space: nowrap;
}
.photo .drop:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}
.photo ul {
  display: flex;
  gap: 6px;
  overflow-x: auto;
}
.photo li img {
  height: 40px;
  display: block;
}
.photo .pick-from {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 172px;
  gap: 16px;
  align-items: start;
}
.photo .over {
  position: relative;
  justify-self: start;
}
.photo .over canvas {
  max-width: 100%;
  max-height: 380px;
  width: auto;
  height: auto;
  display: block;
  cursor: crosshair;
  touch-action: none;
}
.photo .cross {
  position: absolute;
  width: 15px;
  height: 15px;
  margin: -7.5px;
  border: 1.5px solid #fff;
  outline: 1.5px solid var(--ink);
  border-radius: 50%;
  pointer-events: none;
}
.photo .read {
  display: grid;
  gap: 6px;
  font-size: 12px;
  line-height: 16px;
}
.photo .read canvas {
  border: 1.5px solid var(--ink);
  border-radius: 50%;
  width: 150px;
  height: 150px;
  background: var(--ground);
}
.photo .read i {
  height: 30px;
}
.photo .apertures {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
.photo .apertures .here {
  font-weight: 700;
  text-decoration-thickness: 3px;
}
@media (max-width: 620px) {
  .photo .pick-from {
    grid-template-columns: 1fr;
  }
}
</style>

<script setup lang="ts">
import { useDebounceFn, useElementSize } from '@vueuse/core'
import { select as chosen, zoom, zoomIdentity, type D3ZoomEvent, type ZoomTransform } from 'd3'
import { computed, nextTick, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import { arcPath } from '#core/formats/svg.ts'
import type { Drawing, Mark, Stroke, Subject } from '#core/survey/index.ts'
import { useMeasuring, type Place } from './measuring.ts'

/**
 * A drawing of the survey on the screen: moved, zoomed, measured on, and its things selected. Its text keeps its size,
 * so the drawing is laid out anew for each zoom. `draw` is given the height of the text in mm of the room.
 */
const {
  draw,
  selected = null,
  label,
  nameOf,
  points,
  measuring = false,
  say,
} = defineProps<{
  draw: (text: number) => Drawing
  selected?: Subject | null
  label: string
  nameOf: (subject: Subject) => string
  /** Places that a measurement snaps to. */
  points: readonly Place[]
  measuring?: boolean
  say: (mm: number) => string
}>()
const emit = defineEmits<{
  select: [subject: Subject | null]
  type: [subject: Subject, at: { x: number; y: number }]
}>()
const frame = useTemplateRef<HTMLElement>('frame')
const svg = useTemplateRef<SVGSVGElement>('svg')
const { width, height } = useElementSize(frame)
const textPx = 12
const edge = 14

/**
 * Before it is moved, all of it is seen. Its text needs room of its own, so the fit is found in a few steps: when the
 * drawing is first shown or resized, and when what is typed has outgrown it, but not for each key.
 */
const fitted = shallowRef({ scale: 0.08, x: 0, y: 0 })
let justFitted = false
function refit(): void {
  justFitted = true
  const [w, h] = [Math.max(120, width.value - 2 * edge), Math.max(120, height.value - 2 * edge)]
  let scale = 0.08 // the same beginning each time, so that the same drawing is fitted the same
  for (let step = 0; step < 4; step++) {
    const { left, right, top, bottom } = draw(textPx / scale).bounds
    scale = Math.min(0.5, w / Math.max(1, right - left), h / Math.max(1, top - bottom))
  }
  const { left, right, top, bottom } = draw(textPx / scale).bounds
  fitted.value = {
    scale,
    x: width.value / 2 - (scale * (left + right)) / 2,
    y: height.value / 2 + (scale * (top + bottom)) / 2,
  }
}
watch([width, height], refit)
const moved = shallowRef<ZoomTransform>(zoomIdentity)
/** From mm of the room, y upwards, to pixels. */
const view = computed(() => ({
  k: moved.value.k * fitted.value.scale,
  x: moved.value.applyX(fitted.value.x),
  y: moved.value.applyY(fitted.value.y),
}))
const drawing = computed(() => draw(textPx / view.value.k))
const settle = useDebounceFn(() => {
  const { left, right, top, bottom } = drawing.value.bounds
  const { scale, x, y } = fitted.value
  const [over, under] = [
    Math.max(
      -(left * scale + x),
      right * scale + x - width.value,
      -(y - top * scale),
      y - bottom * scale - height.value,
    ),
    Math.max(((right - left) * scale) / width.value, ((top - bottom) * scale) / height.value),
  ]
  if (moved.value === zoomIdentity && (over > 4 - edge || under < 0.7)) refit()
}, 250)
watch(
  () => drawing.value.bounds,
  () => {
    // a fit lays the drawing out anew, and that is no reason to fit it again
    if (justFitted) justFitted = false
    else void settle()
  },
)
const behaviour = zoom<SVGSVGElement, unknown>()
  // the wheel scrolls the page, as everywhere; with Ctrl it zooms
  .filter((event: Event) => !(event instanceof WheelEvent) || event.ctrlKey)
  .scaleExtent([0.4, 30])
  .clickDistance(4)
  .on(
    'zoom',
    (event: D3ZoomEvent<SVGSVGElement, unknown>) =>
      (moved.value =
        event.transform.k === 1 && event.transform.x === 0 && event.transform.y === 0 ? zoomIdentity : event.transform),
  )
onMounted(() => {
  if (svg.value) chosen(svg.value).call(behaviour).on('dblclick.zoom', null)
})
function zoomBy(factor: number): void {
  if (svg.value) behaviour.scaleBy(chosen(svg.value), factor)
}
function pan(dx: number, dy: number): void {
  if (svg.value) behaviour.translateBy(chosen(svg.value), dx / moved.value.k, dy / moved.value.k)
}
function fit(): void {
  refit()
  if (svg.value) behaviour.transform(chosen(svg.value), zoomIdentity)
}

/** From mm of the room to pixels, to a tenth of one: what moves by less is not drawn anew. */
const px = (mm: number): string => String(Math.round(mm * view.value.k * 10) / 10)
const path = (mark: Extract<Mark, { is: 'line' }>): string =>
  mark.points.map((point, at) => `${at === 0 ? 'M' : 'L'}${px(point.x)} ${px(-point.y)}`).join('') +
  (mark.closed ? 'Z' : '')
const arc = (mark: Extract<Mark, { is: 'arc' }>): string =>
  mark.to - mark.from >= 360
    ? `M${px(mark.centre.x - mark.radius)} ${px(-mark.centre.y)}a${px(mark.radius)} ${px(mark.radius)} 0 1 0 ${px(2 * mark.radius)} 0a${px(mark.radius)} ${px(mark.radius)} 0 1 0 ${px(-2 * mark.radius)} 0`
    : arcPath(mark, 1 / view.value.k, px, (mm) => px(-mm))
const pathOf = (mark: Exclude<Mark, { is: 'text' }>): string => (mark.is === 'line' ? path(mark) : arc(mark))
/** What is in the room is drawn in its order, since one thing covers another; dimension lines cover nothing, and those of one stroke are one path. */
const lines = computed(() => {
  const own: { key: string; d: string; stroke: string; fill: string; subject?: Subject | undefined }[] = []
  const joined = new Map<Stroke, string>()
  for (const [at, mark] of drawing.value.marks.entries()) {
    if (mark.is === 'text') continue
    const fill = mark.is === 'line' ? (mark.filled ?? 'none') : 'none'
    if (mark.layer !== 'dimensions')
      own.push({ key: String(at), d: pathOf(mark), stroke: mark.stroke, fill, subject: mark.subject })
    else joined.set(mark.stroke, `${joined.get(mark.stroke) ?? ''}${pathOf(mark)}`)
  }
  return [...own, ...[...joined].map(([stroke, d]) => ({ key: stroke, d, stroke, fill: 'none', subject: undefined }))]
})
const texts = computed(() => drawing.value.marks.flatMap((mark, key) => (mark.is === 'text' ? [{ ...mark, key }] : [])))
const same = (left: Subject | undefined | null, right: Subject | undefined | null): boolean =>
  !!left && !!right && left.kind === right.kind && left.id === right.id
/** One place to stop at for each thing, in the order it is drawn. */
const things = computed(() => {
  const found = new Map<string, { subject: Subject; d: string }>()
  for (const { subject, d } of lines.value) {
    if (!subject || subject.kind === 'room') continue
    const known = found.get(`${subject.kind} ${subject.id}`)
    found.set(`${subject.kind} ${subject.id}`, { subject, d: known ? `${known.d}${d}` : d })
  }
  return [...found.values()]
})

const { picked, hover, between, placeAt, pick } = useMeasuring({
  svg,
  view,
  points: () => points,
  measuring: () => measuring,
})
function clicked(event: MouseEvent): void {
  if (measuring) pick(placeAt(event))
  else emit('select', null)
}
function takeUp(subject: Subject): void {
  emit('select', same(subject, selected) ? null : subject)
}
async function typeAt(mark: Extract<Mark, { is: 'text' }>): Promise<void> {
  if (!mark.subject) return
  const { k, x, y } = view.value
  emit('select', mark.subject)
  await nextTick()
  emit('type', mark.subject, { x: mark.at.x * k + x, y: -mark.at.y * k + y })
}
const round = (mm: number): string => say(Math.round(mm))
defineExpose({ fit, zoomBy, pan })
</script>

<template>
  <div ref="frame" class="survey-drawing" :class="{ measuring }">
    <svg
      ref="svg"
      role="group"
      :aria-label="label"
      @click="clicked"
      @pointermove="measuring && (hover = placeAt($event))"
    >
      <g :transform="`translate(${view.x} ${view.y})`">
        <path
          v-for="line in lines"
          :key="line.key"
          :d="line.d"
          :class="[line.stroke, `fill-${line.fill}`, { taken: same(line.subject, selected) }]"
        />
        <template v-if="!measuring">
          <path
            v-for="thing in things"
            :key="`${thing.subject.kind} ${thing.subject.id}`"
            :d="thing.d"
            class="hit"
            tabindex="0"
            role="button"
            :aria-label="nameOf(thing.subject)"
            :aria-pressed="same(thing.subject, selected)"
            @click.stop="takeUp(thing.subject)"
            @keydown.enter.prevent="takeUp(thing.subject)"
            @keydown.space.prevent="takeUp(thing.subject)"
          />
        </template>
        <g
          v-for="text in texts"
          :key="text.key"
          :transform="`translate(${px(text.at.x)} ${px(-text.at.y)}) rotate(${-text.turn})`"
        >
          <rect
            v-if="text.marked || text.breaks"
            :x="-textPx * text.text.length * 0.34"
            :y="-textPx * 0.62"
            :width="textPx * text.text.length * 0.68"
            :height="textPx * 1.24"
            :class="text.marked ? 'marked-box' : 'paper-box'"
          />
          <text
            dy="0.35em"
            :class="{ strong: text.strong || same(text.subject, selected), marked: text.marked, typed: text.length }"
            :tabindex="text.length && !measuring ? 0 : undefined"
            :role="text.length && !measuring ? 'button' : undefined"
            :aria-label="
              text.length && text.subject ? `${nameOf(text.subject)}, ${text.text}: type its length` : undefined
            "
            @click="text.length && !measuring && ($event.stopPropagation(), typeAt(text))"
            @keydown.enter.prevent="text.length && typeAt(text)"
          >
            {{ text.text }}
          </text>
        </g>
        <template v-if="measuring">
          <circle
            v-for="(point, at) in points"
            :key="at"
            :cx="px(point.x)"
            :cy="px(-point.y)"
            r="5"
            class="snap"
            tabindex="0"
            role="button"
            :aria-label="`Measure from ${point.name}`"
            @click.stop="pick(point)"
            @keydown.enter.prevent="pick(point)"
            @keydown.space.prevent="pick(point)"
          />
          <g v-if="between" class="between">
            <path :d="`M${px(between.left.x)} ${px(-between.left.y)}L${px(between.right.x)} ${px(-between.right.y)}`" />
          </g>
        </template>
      </g>
    </svg>
    <p v-if="measuring" class="measured" role="status">
      <template v-if="between"
        ><strong>{{ round(between.mm) }}</strong> from {{ between.left.name }} to {{ between.right.name }};
        {{ round(between.across) }} across, {{ round(between.up) }} up</template
      ><template v-else-if="picked.length === 1">From {{ picked[0]?.name }} to …</template
      ><template v-else>Pick two places; corners and jambs catch.</template>
    </p>
    <slot />
  </div>
  <div class="below-drawing">
    <span class="quiet left-out"
      ><template v-if="drawing.unplaced.length > 0"
        >Without room at this size: {{ drawing.unplaced.join(', ') }}</template
      ></span
    >
    <span class="zoom-words">
      <button type="button" class="word" aria-label="Nearer" @click="zoomBy(1.4)">+</button>
      <button type="button" class="word" aria-label="Further off" @click="zoomBy(1 / 1.4)">−</button>
      <button type="button" class="word" @click="fit">All of it</button>
    </span>
  </div>
</template>

<style src="./survey-drawing.css"></style>

<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef, watch } from 'vue'
import { writeDimension, type UnitSystem } from '#core/measure/length.ts'
import type { Body, Check, Outline, Setting, Way } from '#core/placement/index.ts'
import { useGrip } from '../parts/grip.ts'
import type { Cover } from './materials.ts'
import PlanGround from './PlanGround.vue'

/** The plan of a room with what stands in it, to scale: things are taken up and moved by the pointer, ways and tapes lie over it. */
const { setting, bodies, ground, heldId, under, covers, checks, ways, selectedId, show, units, extras, look } =
  defineProps<{
    setting: Setting
    bodies: readonly Body[]
    /** The same as it all stands while nothing is moved, and what is in the hand. */
    ground: readonly Body[]
    heldId: string
    /** Another layout that lies under this one. */
    under: readonly Body[]
    covers: ReadonlyMap<string, Cover>
    checks: readonly Check[]
    ways: readonly Way[]
    selectedId: string
    show: { readonly tape: boolean; readonly ways: boolean; readonly open: boolean }
    units: UnitSystem
    /** What is thought of, drawn over the floor: a rug that is tried, or where a thing would go. */
    extras: readonly Outline[]
    /** Where an eye is, and what it does not see. */
    look: { readonly eye: { readonly x: number; readonly y: number }; readonly hidden: ReadonlySet<string> } | null
  }>()
const emit = defineEmits<{
  pick: [id: string]
  move: [id: string, by: { x: number; y: number }]
  put: []
  scale: [perMm: number]
}>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const edgeMm = 260
const bounds = computed(() => {
  const xs = setting.outline.map(({ x }) => x)
  const ys = setting.outline.map(({ y }) => y)
  return {
    left: Math.min(...xs) - edgeMm,
    right: Math.max(...xs) + edgeMm,
    low: Math.min(...ys) - edgeMm,
    high: Math.max(...ys) + edgeMm,
  }
})
const mostPx = 470
const scale = computed(() => {
  const { left, right, low, high } = bounds.value
  return Math.min(Math.max(240, width.value) / (right - left), mostPx / (high - low))
})
watch(scale, (value) => emit('scale', value), { immediate: true })
const at = ({ x, y }: { x: number; y: number }): string => `${x.toFixed(1)} ${(-y).toFixed(1)}`
const path = (points: Outline, isClosed = true): string =>
  points.length === 0 ? '' : `M${points.map(at).join('L')}${isClosed ? 'Z' : ''}`
/** As text: the ground is drawn anew only where something else is wrong. */
const wrongIds = computed(() =>
  [...wrong.value]
    .flatMap(([id, weight]) => (weight === 'stop' ? [id] : []))
    .toSorted()
    .join(' '),
)
const held = computed(() => bodies.find(({ id }) => id === heldId) ?? null)
/** What is carried in is a thing of the plan already, though it lies nowhere yet. */
const still = computed(() => (held.value && !ground.some(({ id }) => id === heldId) ? [...ground, held.value] : ground))
const sheet = computed(() => {
  const { left, right, low, high } = bounds.value
  const [wide, tall] = [right - left, high - low]
  return { viewBox: `${left} ${-high} ${wide} ${tall}`, width: wide * scale.value, height: tall * scale.value }
})
const wrong = computed(() => {
  const found = new Map<string, string>()
  for (const { ids, weight } of checks)
    if (weight === 'stop' || weight === 'look')
      for (const id of ids) found.set(id, found.get(id) === 'stop' ? 'stop' : weight)
  return found
})
const length = (mm: number): string => writeDimension(Math.round(mm), units)
/** Tapes: those of what is held, or of everything that is not as it should be. */
const tapes = computed(() =>
  checks.flatMap(({ mm, from, to, weight, ids }) =>
    mm !== null && from && to && (weight !== 'well' || ids.includes(selectedId))
      ? [
          {
            key: `${ids.join()} ${mm}`,
            d: `M${at(from)}L${at(to)}`,
            text: length(mm),
            x: (from.x + to.x) / 2,
            y: -(from.y + to.y) / 2,
            weight,
          },
        ]
      : [],
  ),
)
const narrow = computed(() =>
  ways.flatMap(({ from, to, clearMm, isWide, narrowest }) =>
    isWide || !narrowest
      ? []
      : [
          {
            key: `${from.id} ${to.id}`,
            d: `M${at(narrowest.from)}L${at(narrowest.to)}`,
            text: length(clearMm),
            x: (narrowest.from.x + narrowest.to.x) / 2,
            y: -(narrowest.from.y + narrowest.to.y) / 2,
          },
        ],
  ),
)
const middleOf = ({ outline }: Body): { x: number; y: number } => {
  const xs = outline.map(({ x }) => x)
  const ys = outline.map(({ y }) => y)
  return { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: -(Math.min(...ys) + Math.max(...ys)) / 2 }
}

/** Names lie on their things, those of zones at their lower left; one that would run into another is left out. */
const names = computed(() => {
  const put: { x: number; y: number; half: number }[] = []
  const px = scale.value
  const meetsPut = (place: { x: number; y: number; half: number }): boolean =>
    put.some((known) => Math.abs(known.y - place.y) < 15 && Math.abs(known.x - place.x) < known.half + place.half)
  const ofThings = bodies
    .toSorted((left, right) => Number(right.id === selectedId) - Number(left.id === selectedId))
    .flatMap((body) => {
      const { x, y } = middleOf(body)
      const text = short(body.name)
      const place = { x: x * px, y: (y + (body.thing?.flat ? 22 / px : 0)) * px, half: text.length * 3.4 }
      // a name that is far wider than its thing would lie over its neighbours
      const xs = body.outline.map((point) => point.x)
      const isWide = place.half * 2 > (Math.max(...xs) - Math.min(...xs)) * px * 1.8
      if ((isWide && bodies.length > 14 && body.id !== selectedId) || meetsPut(place)) return []
      put.push(place)
      return [{ id: body.id, text, x, y: place.y / px, isQuiet: false }]
    })
  const ofZones = setting.room.zones.flatMap(({ row, outline }) => {
    if (!outline) return []
    const text = short(row.name)
    const half = text.length * 3.4
    const x = Math.max(bounds.value.left + edgeMm, Math.min(...outline.map((point) => point.x))) + (half + 6) / px
    const y = -Math.max(bounds.value.low + edgeMm, Math.min(...outline.map((point) => point.y))) - 10 / px
    if (meetsPut({ x: x * px, y: y * px, half })) return []
    return [{ id: row.id, text, x, y, isQuiet: true }]
  })
  return [...ofThings, ...ofZones]
})

const { take, letGo } = useGrip({
  pick: (id) => emit('pick', id),
  move: (id, dx, dy) => emit('move', id, { x: dx / scale.value, y: -dy / scale.value }),
  put: () => emit('put'),
})
/** Where on the floor a place of the window lies. */
function placeAt(clientX: number, clientY: number): { x: number; y: number; isOn: boolean } {
  const { left, top, right, bottom } = box.value?.querySelector('svg')?.getBoundingClientRect() ?? new DOMRect()
  return {
    x: bounds.value.left + (clientX - left) / scale.value,
    y: bounds.value.high - (clientY - top) / scale.value,
    isOn: clientX >= left && clientX <= right && clientY >= top && clientY <= bottom,
  }
}
defineExpose({ placeAt })
const short = (name: string): string => (name.length > 22 ? `${name.slice(0, 21)}…` : name)
</script>

<template>
  <div ref="box" class="plan plan-layers">
    <svg class="plan-sheet plan-ground" v-bind="sheet" role="group" aria-label="The plan" @click.self="letGo">
      <PlanGround
        :setting="setting"
        :bodies="still"
        :under="under"
        :covers="covers"
        :wrong-ids="wrongIds"
        :selected-id="selectedId"
        :held-id="held?.id ?? ''"
        :look="look"
        :path="path"
        @take="take"
        @pick="emit('pick', $event)"
        @let-go="letGo"
      />
    </svg>
    <svg class="plan-sheet plan-over" v-bind="sheet" :style="{ fontSize: `${12 / scale}px` }" aria-hidden="true">
      <defs>
        <clipPath id="plan-room"><path :d="path(setting.outline)" /></clipPath>
        <pattern
          id="plan-way"
          patternUnits="userSpaceOnUse"
          :width="9 / scale"
          :height="9 / scale"
          patternTransform="rotate(45)"
        >
          <line x1="0" y1="0" x2="0" :y2="9 / scale" class="way-hatch" />
        </pattern>
      </defs>
      <g v-if="held" class="plan-thing taken" :class="{ stop: wrong.get(held.id) === 'stop', above: held.low > 1900 }">
        <path :d="path(held.outline)" :fill="held.thing ? `url(#cover-${held.thing.piece.id})` : '#fff'" />
      </g>
      <path v-for="(extra, index) in extras" :key="index" :d="path(extra)" class="plan-open thought" />
      <template v-if="show.open">
        <template v-for="body in bodies" :key="body.id">
          <path v-for="state in body.open" :key="state.name" :d="path(state.outline)" class="plan-open" />
        </template>
      </template>
      <g v-if="show.ways" class="plan-ways" clip-path="url(#plan-room)">
        <path
          v-for="way in ways"
          :key="`${way.from.id} ${way.to.id}`"
          :d="path(way.path, false)"
          :stroke-width="way.clearMm"
          stroke="url(#plan-way)"
        />
      </g>
      <path v-for="door in setting.doors" :key="door.id" :d="path(door.segment, false)" class="plan-gap" />
      <path
        v-for="door in setting.doors.filter(({ swing }) => swing)"
        :key="`${door.id} swing`"
        :d="path(door.swing ?? [])"
        class="plan-swing"
      />
      <path :d="path(setting.outline)" class="plan-wall" />
      <path v-for="door in setting.doors" :key="`${door.id} gap`" :d="path(door.segment, false)" class="plan-gap" />
      <circle v-if="look" :cx="look.eye.x" :cy="-look.eye.y" :r="7 / scale" class="plan-eye" />
      <path v-for="window in setting.windows" :key="window.id" :d="path(window.segment, false)" class="plan-window" />
      <g v-if="show.tape || selectedId" class="plan-tapes">
        <g v-for="tape in tapes" :key="tape.key" :class="tape.weight">
          <path :d="tape.d" />
          <text :x="tape.x" :y="tape.y" dy="0.35em">{{ tape.text }}</text>
        </g>
      </g>
      <g v-if="show.ways" class="plan-tapes">
        <g v-for="tape in narrow" :key="tape.key" class="look">
          <path :d="tape.d" />
          <text :x="tape.x" :y="tape.y" dy="0.35em">{{ tape.text }}</text>
        </g>
      </g>
      <text
        v-for="name in names"
        :key="name.id"
        class="plan-name"
        :class="{ quiet: name.isQuiet }"
        :x="name.x"
        :y="name.y"
        dy="0.35em"
      >
        {{ name.text }}
      </text>
    </svg>
  </div>
</template>

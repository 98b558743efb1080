<script setup lang="ts">
import { computed } from 'vue'
import { writeLength, type UnitSystem } from '#core/measure/length.ts'
import { bodyOf, type Outline, type Waiting } from '#core/placement/index.ts'

/** What is not placed yet, to the scale of the plan, in the order of carrying in. */
const { waiting, scale, units } = defineProps<{
  waiting: readonly Waiting[]
  scale: number
  units: UnitSystem
}>()
const emit = defineEmits<{
  place: [waiting: Waiting]
  set: [items: readonly Waiting[]]
  /** Taken up by a mouse, to be put down on the plan. */
  drag: [waiting: Waiting, event: PointerEvent]
}>()
const keyOf = ({ thing, number }: Waiting): string => `${thing.piece.id} ${number}`
const shown = computed(() =>
  waiting.map((entry) => {
    const { outline, name } = bodyOf(entry.thing, keyOf(entry), { xMm: 0, yMm: 0, turnDeg: 0 }, entry.number)
    const xs = outline.map(({ x }) => x)
    const ys = outline.map(({ y }) => y)
    return {
      entry,
      key: keyOf(entry),
      name,
      outline,
      left: Math.min(...xs),
      low: Math.min(...ys),
      wide: Math.max(...xs) - Math.min(...xs),
      deep: Math.max(...ys) - Math.min(...ys),
    }
  }),
)
/** Of those of which several wait, the first: all of them are placed as a set from there. */
const setOf = ({ thing, number }: Waiting): readonly Waiting[] => {
  const all = waiting.filter((entry) => entry.thing.piece.id === thing.piece.id)
  return all.length > 1 && all[0]?.number === number ? all : []
}
const path = (points: Outline): string => `M${points.map(({ x, y }) => `${x} ${-y}`).join('L')}Z`
const size = ({ thing }: Waiting): string =>
  [thing.widthMm, thing.depthMm, thing.heightMm].map((mm) => writeLength(Math.round(mm), units)).join(' × ')
</script>

<template>
  <section class="door" aria-labelledby="at-the-door">
    <h2 id="at-the-door">At the door <span class="quiet">to the plan’s scale, in the order of carrying in</span></h2>
    <p v-if="waiting.length === 0" class="quiet">Nothing waits: everything that stands on a floor has its place.</p>
    <ul v-else>
      <li v-for="{ entry, key, name, outline, left, low, wide, deep } in shown" :key="key">
        <button
          type="button"
          class="bare"
          :aria-label="`Place ${name}, ${size(entry)}`"
          @pointerdown="emit('drag', entry, $event)"
          @click="emit('place', entry)"
        >
          <svg
            :viewBox="`${left - 20} ${-low - deep - 20} ${wide + 40} ${deep + 40}`"
            :width="(wide + 40) * scale"
            :height="(deep + 40) * scale"
            aria-hidden="true"
          >
            <path :d="path(outline)" :fill="`url(#cover-${entry.thing.piece.id})`" class="waiting" />
          </svg>
          <strong>{{ name }}</strong>
          <span class="quiet">{{ size(entry) }}{{ entry.thing.assumed ? ', not measured' : '' }}</span>
        </button>
        <button v-if="setOf(entry).length > 0" type="button" class="word" @click="emit('set', setOf(entry))">
          All {{ setOf(entry).length }} as a set
        </button>
      </li>
    </ul>
  </section>
</template>

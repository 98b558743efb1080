<script setup lang="ts">
import { computed } from 'vue'
import { writeLength } from '#core/measure/length.ts'
import type { ToHang, WallIdea } from '#core/placement/index.ts'
import { useEntry } from '../stores/entry.ts'
import type { OnTheWall } from './on-the-wall.ts'

/** What of that which waits would look well on this wall, each to be hung in one step. */
const { wall } = defineProps<{ wall: OnTheWall }>()
const entry = useEntry()
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const nameOf = ({ thing: { piece } }: ToHang): string => piece.name
const saidOf = ({ is, about, places }: WallIdea): string => {
  const [first] = places
  const name = first ? nameOf(first.item) : ''
  const at = length(first?.at.centre ?? 0)
  if (is === 'hides') return `${name}, its middle at ${at}, hides ${about}.`
  if (is === 'doubles') return `${name} behind ${about}, its middle at ${at}, doubles its light.`
  const apart = Math.abs((places[1]?.at.along ?? 0) - (first?.at.along ?? 0))
  return `${name}, one on each side of ${about}, their middles ${length(apart)} apart, fill what is bare there.`
}
const ideas = computed(() =>
  wall.ideas.value.map((idea) => ({ idea, key: `${idea.is} ${idea.aboutId}`, said: saidOf(idea) })),
)
</script>

<template>
  <section v-if="ideas.length > 0" aria-labelledby="wall-ideas">
    <div class="section-head">
      <h2 id="wall-ideas">Would look well here <span class="quiet">of what waits</span></h2>
    </div>
    <ul class="to-hang">
      <li v-for="{ idea, key, said } in ideas" :key="key">
        {{ said }}
        <button type="button" class="word" @click="wall.hangSo(idea)">
          {{ idea.places.length > 1 ? 'Hang them' : 'Hang it' }}
        </button>
      </li>
    </ul>
  </section>
</template>

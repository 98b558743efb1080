<script setup lang="ts">
import { computed } from 'vue'
import { writeLength } from '#core/measure/length.ts'
import { marksOf, type Hung } from '#core/placement/index.ts'
import { vCards } from '../parts/cards.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'

/** Every hook and strip of the room with its distances, wall by wall: what one takes up the ladder. */
const { works, roomId } = defineProps<{ works: readonly Hung[]; roomId: string }>()
const makeover = useMakeover()
const entry = useEntry()
const href = computed(
  () =>
    `/api/makeovers/${makeover.opened?.makeover.id ?? ''}/rooms/${roomId}/hooks.pdf?paper=${entry.value.units === 'metric' ? 'a4' : 'letter'}`,
)
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const rows = computed(() => works.flatMap((work) => marksOf(work).map((mark) => ({ work, mark }))))
const without = computed(() => works.filter((work) => marksOf(work).length === 0))
</script>

<template>
  <section aria-labelledby="hooks">
    <div class="section-head"><h2 id="hooks">Hooks and strips</h2></div>
    <p v-if="rows.length === 0" class="quiet">Nothing hangs here yet.</p>
    <div v-else class="scroll">
      <table v-cards class="placed hooks">
        <thead>
          <tr>
            <th>What</th>
            <th>Wall</th>
            <th class="number">From the floor</th>
            <th class="number">Across</th>
            <th>From</th>
            <th>By</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="({ work, mark }, index) in rows" :key="index">
            <td>{{ mark.name }}</td>
            <td>{{ work.wall.name }}</td>
            <td class="number">
              <strong>{{ length(mark.height) }}</strong>
            </td>
            <td class="number">
              <strong>{{ length(mark.from.mm) }}</strong>
            </td>
            <td class="quiet">{{ mark.from.name }}</td>
            <td class="quiet">{{ mark.method }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-for="work in without" :key="work.id" class="quiet">
      {{ work.name }} {{ work.thing.fixing?.method === 'leans' ? 'leans: fix its top.' : 'hangs from a rail.' }}
    </p>
    <p v-if="works.length > 0">
      The list, and each work’s hooks at full size to tape to the wall, as
      <a class="word" :href="href" download>PDF</a>.
    </p>
    <p v-if="rows.length > 0" class="caution quiet">
      Find cables and pipes before a hole is made; new points are for licensed trades. Two people for what is wide or
      heavy.
    </p>
  </section>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { writeLength } from '#core/measure/length.ts'
import { atTheDoor, carriedIn, stagesTo } from '#core/placement/index.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { OnThePlan } from './on-the-plan.ts'

/** The carriers' list: each thing, packed, through every stage from the street: how it is held, and what comes off. */
const { plan } = defineProps<{ plan: OnThePlan }>()
const makeover = useMakeover()
const entry = useEntry()
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const stages = computed(() =>
  makeover.opened && plan.room.value ? stagesTo(makeover.opened.makeover, plan.room.value) : [],
)
const carried = computed(() =>
  makeover.opened && plan.room.value
    ? atTheDoor(makeover.opened.makeover, plan.room.value.id, null, plan.things.value)
        .filter(({ number }) => number === 1)
        .map(({ thing }) => carriedIn(thing, stages.value))
    : [],
)
</script>

<template>
  <section aria-labelledby="way-in">
    <div class="section-head">
      <h2 id="way-in">The way in <span class="quiet">as it is packed, from the street to its room</span></h2>
    </div>
    <p v-if="stages.length === 0" class="quiet">
      No stage of the way in is measured. Say doors, turns and stairs in the survey, with their clear sizes.
    </p>
    <p v-else-if="carried.length === 0" class="quiet">Nothing that stands on a floor has a size yet.</p>
    <div v-else class="scroll">
      <table v-cards class="placed">
        <thead>
          <tr>
            <th>Thing</th>
            <th>Packed</th>
            <th v-for="stage in stages" :key="stage.id">{{ stage.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ thing, box, passed, goes } in carried" :key="thing.piece.id">
            <td>
              <strong v-if="!goes" class="over-mark">{{ thing.piece.name }}</strong><template v-else>{{
                thing.piece.name
              }}</template>
            </td>
            <td>{{ length(box.widthMm) }} × {{ length(box.depthMm) }} × {{ length(box.heightMm) }}</td>
            <td v-for="{ stage, pose, missesMm, off } in passed" :key="stage.id">
              <template v-if="pose"
                >{{ pose }}<span v-if="off" class="quiet">, {{ off }} off</span></template
              ><span v-else class="over-mark">misses by {{ length(Math.ceil(missesMm)) }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="quiet">Two people for what is long or heavy; measure the way again before anything is ordered.</p>
  </section>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { laidFinishes, surfaceWords } from '#core/makeover/laid.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeArea } from '#core/measure/area.ts'
import { labOf, undertone } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'

/** The finishes that are there already, by surface, and what becomes of each; what stays is in the palette, as fixed. */
const { roomId } = defineProps<{ roomId: string }>()
const emit = defineEmits<{ open: [finish: Row<'finish'> | null] }>()
const makeover = useMakeover()
const entry = useEntry()
const finishes = computed(() =>
  makeover.opened
    ? laidFinishes(makeover.opened.makeover).filter((row) => row.roomId === roomId && row.fate !== null)
    : [],
)
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const area = (row: Row<'finish'>): string => {
  const found = makeover.reckoning?.lying.get(row.id)
  return found ? `${writeArea(found.m2, entry.value.units)}${found.basis === 'eye' ? ' by eye' : ''}` : '–'
}
const fates = { keep: 'kept', change: 'changed', camouflage: 'camouflaged' } as const
</script>

<template>
  <section aria-labelledby="existing-title">
    <div class="section-head">
      <h2 id="existing-title">What is there</h2>
      <button type="button" class="word" @click="emit('open', null)">Note a finish</button>
    </div>
    <p v-if="finishes.length === 0" class="quiet">
      Nothing noted yet: the floor, the walls, the ceiling, trim, old tile; what each is, its colour, and whether it
      stays.
    </p>
    <div v-else class="scroll">
      <table v-cards>
        <thead>
          <tr>
            <th><span class="visually-hidden">As it looks</span></th>
            <th>Finish</th>
            <th>On</th>
            <th>Undertone</th>
            <th>Condition</th>
            <th>Since</th>
            <th>Area</th>
            <th>It is</th>
            <th><span class="visually-hidden">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in finishes" :key="row.id">
            <td>
              <span class="existing-swatch"><MaterialSwatch :finish="row" /></span>
            </td>
            <td>
              <strong>{{ row.name }}</strong><span class="quiet place">{{
                [row.material ?? row.family, row.usedFor].filter(Boolean).join(', ')
              }}</span>
            </td>
            <td>{{ surfaceWords(row) }}</td>
            <td>{{ undertone(row.family, labOf(row), rules).words }}</td>
            <td>{{ row.condition ?? '–' }}</td>
            <td>{{ row.laidYear ?? '–' }}</td>
            <td class="keep">{{ area(row) }}</td>
            <td>
              <strong v-if="row.fate">{{ fates[row.fate] }}</strong>
            </td>
            <td class="number">
              <button type="button" class="word" :aria-label="`Change ${row.name}`" @click="emit('open', row)">
                Change
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style>
.existing-swatch {
  display: block;
  width: 44px;
  height: 30px;
}
</style>

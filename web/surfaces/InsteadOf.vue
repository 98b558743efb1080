<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import type { Preview } from '#core/reckoning/preview.ts'
import { insteadOperations, type TakeOff } from '#core/surfaces/index.ts'
import DifferencePreview from '../parts/DifferencePreview.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import type { LookedAt } from './looked-at.ts'

/** Two treatments of one surface side by side, and what doing the one that is thought of would do. */
const { taken, lookedAt } = defineProps<{ taken: TakeOff; lookedAt: LookedAt }>()
const makeover = useMakeover()
const row = computed(() => makeover.opened?.makeover.rows.treatment[taken.treatment.id] ?? taken.treatment)
/** What is thought of, done: what it would do to money, days, remarks and the palette. */
const instead = computed(() =>
  makeover.opened && row.value.insteadOfId !== null ? insteadOperations(makeover.opened.makeover, taken) : [],
)
const difference = shallowRef<Preview | null>(null)
watch(
  instead,
  async (operations) => {
    difference.value = null
    if (operations.length === 0) return
    const found = await makeover.preview(operations)
    if (instead.value === operations) difference.value = found
  },
  { immediate: true },
)
/** What it would stand for, side by side with it: what is there and stays takes nothing. */
const standsFor = computed(() => {
  const treatment = makeover.opened?.makeover.rows.treatment[row.value.insteadOfId ?? '']
  const finish = treatment && makeover.opened?.makeover.rows.finish[treatment.finishId]
  if (!treatment || !finish) return null
  const stays = lookedAt.taken.value.find((entryTaken) => entryTaken.treatment.id === treatment.id)
  return { name: finish.name, taken: stays ?? null }
})
const compared = computed(() => {
  const stays = standsFor.value
  if (!stays) return []
  const hoursOf = (found: TakeOff | null): string =>
    found ? `${found.works.reduce((sum, work) => sum + work.hours, 0).toFixed(1)} h` : 'nothing'
  const wordsOf = (found: TakeOff | null): string =>
    found?.reckoned ? (found.reckoned.ok ? found.reckoned.words : found.reckoned.error) : 'it is there'
  return [
    ['Takes', wordsOf(stays.taken), wordsOf(taken)],
    ['Before it', hoursOf(stays.taken), hoursOf(taken)],
  ] as const
})
</script>

<template>
  <template v-if="standsFor">
    <hr />
    <h3>Side by side</h3>
    <table class="side">
      <thead>
        <tr>
          <td></td>
          <th>{{ standsFor.name }}</th>
          <th>{{ taken.finish.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[what, left, right] in compared" :key="what">
          <th>{{ what }}</th>
          <td>{{ left }}</td>
          <td>{{ right }}</td>
        </tr>
        <tr>
          <th>Costs</th>
          <td>
            <MoneyAmount
              v-if="standsFor.taken?.buying"
              :amount="standsFor.taken.buying.cost"
              :currency="makeover.currency"
            /><template v-else>–</template>
          </td>
          <td>
            <MoneyAmount v-if="taken.buying" :amount="taken.buying.cost" :currency="makeover.currency" /><template
              v-else
              >–</template
            >
          </td>
        </tr>
      </tbody>
    </table>
    <DifferencePreview v-if="difference" :preview="difference" />
  </template>
</template>

<script setup lang="ts">
import { scaleLinear } from 'd3'
import { computed, nextTick, ref } from 'vue'
import { madeAgainst, suppliesOf } from '#core/calculators/index.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { minus, plus, zero, type Minor } from '#core/money/minor.ts'
import MoneyAmount from '../../parts/MoneyAmount.vue'
import RowDialog from '../../parts/RowDialog.vue'
import type { AnyRowForm } from '../../parts/rowform.ts'
import { useMakeover } from '../../stores/makeover.ts'
import { supplyForm } from './making-form.ts'

/** A thing made, with whole packs of what it takes and the hours, against what it costs bought. */
const { making } = defineProps<{ making: Row<'making'> }>()
const emit = defineEmits<{ change: [] }>()
const makeover = useMakeover()
const supplies = computed(() => (makeover.opened ? suppliesOf(makeover.opened.makeover, making.id) : []))
const found = computed(() => {
  const result = makeover.opened ? madeAgainst(makeover.opened.makeover, making) : null
  return result?.ok ? result.found : null
})
const bars = computed(() => {
  const told = found.value
  if (!told) return []
  const most = Math.max(told.madeMinor, making.boughtMinor, 1)
  const along = scaleLinear([0, most], [0, 100])
  const things = minus(told.suppliesMinor, making.hireMinor)
  return [
    {
      name: 'Made',
      sum: told.madeMinor,
      parts: [
        { name: 'supplies', amount: things, class: 'solid', x: 0, width: along(things) },
        { name: 'hire', amount: making.hireMinor, class: 'hatched', x: along(things), width: along(making.hireMinor) },
        {
          name: 'hours',
          amount: told.workMinor,
          class: 'open',
          x: along(told.suppliesMinor),
          width: along(told.workMinor),
        },
      ].filter(({ amount }) => amount > 0),
    },
    {
      name: 'Bought',
      sum: making.boughtMinor,
      parts: [
        { name: 'its price', amount: making.boughtMinor, class: 'solid', x: 0, width: along(making.boughtMinor) },
      ],
    },
  ]
})
const saved = computed((): Minor => {
  const told = found.value
  return told ? (told.savedMinor < 0 ? minus(zero, told.savedMinor) : plus(told.savedMinor, zero)) : zero
})
const asked = ref<Row<'supply'> | null>(null)
const open = ref(false)
const form = computed((): AnyRowForm | null =>
  makeover.opened ? (supplyForm(makeover.opened.makeover, making, makeover.currency) as unknown as AnyRowForm) : null,
)
function ask(row: Row<'supply'> | null): void {
  asked.value = row
  void nextTick(() => (open.value = true))
}
</script>

<template>
  <section class="made-or-bought" aria-labelledby="made-or-bought-title">
    <div class="section-head">
      <h2 id="made-or-bought-title">Made or bought</h2>
      <button type="button" class="word" @click="ask(null)">Add what it takes</button>
    </div>
    <table v-if="supplies.length > 0">
      <thead>
        <tr>
          <th>What it takes</th>
          <th class="number">Needed</th>
          <th class="number">At home</th>
          <th class="number">Packs</th>
          <th class="number">Left over</th>
          <th class="number">Cost</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ row, packs, cost, left } in supplies" :key="row.id">
          <td>
            <button type="button" class="word" @click="ask(row)">{{ row.name }}</button>
          </td>
          <td class="number">{{ row.needed }} {{ row.unit }}</td>
          <td class="number">{{ row.atHome > 0 ? row.atHome : '–' }}</td>
          <td class="number">{{ packs }} × {{ row.packSize }}</td>
          <td class="number">{{ left > 0 ? left : '–' }}</td>
          <td class="number"><MoneyAmount :amount="cost" :currency="makeover.currency" /></td>
        </tr>
      </tbody>
    </table>
    <p v-if="!found" class="quiet">
      Say what it takes, the hours and what it would cost bought, and the two stand side by side.
      <button type="button" class="word" @click="emit('change')">Hours and price</button>
    </p>
    <template v-else>
      <div v-for="bar in bars" :key="bar.name" class="against">
        <span>{{ bar.name }}</span>
        <svg viewBox="0 0 100 6" preserveAspectRatio="none" aria-hidden="true">
          <rect
            v-for="part in bar.parts"
            :key="part.name"
            :class="part.class"
            :x="part.x"
            y="0"
            :width="part.width"
            height="6"
          />
        </svg>
        <strong><MoneyAmount :amount="bar.sum" :currency="makeover.currency" /></strong>
        <span class="quiet parts"
          ><span v-for="part in bar.parts" :key="part.name"
            >{{ part.name }} <MoneyAmount :amount="part.amount" :currency="makeover.currency" /></span
        ></span>
      </div>
      <p>
        <strong>
          <template v-if="found.savedMinor === 0">The two cost the same.</template>
          <template v-else
            >{{ found.savedMinor > 0 ? 'Made it costs' : 'Bought it costs' }}
            <MoneyAmount :amount="saved" :currency="makeover.currency" /> less.</template
          ></strong
        >
        <template v-if="found.equalHours !== null && making.hours !== null">
          The same at {{ found.equalHours.toFixed(1) }} h instead of {{ making.hours
          }}<template v-if="found.equalRateMinor !== null"
            >, or at <MoneyAmount :amount="found.equalRateMinor" :currency="makeover.currency" /> an hour</template
          >.</template
        >
        <template v-else-if="found.equalHours === null"> Bought is cheaper before an hour is counted.</template>
      </p>
    </template>
    <RowDialog v-if="form" :key="asked?.id ?? 'new'" v-model="open" :form="form" :row="asked" />
  </section>
</template>

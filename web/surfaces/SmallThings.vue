<script setup lang="ts">
import { computed, ref } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { jobsOf, sundriesOf, type Sundry } from '#core/surfaces/index.ts'
import { vCards } from '../parts/cards.ts'
import RowDialog from '../parts/RowDialog.vue'
import { numberField, textField, yesField } from '../parts/form.ts'
import { rowForm } from '../parts/rowform.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { LookedAt } from './looked-at.ts'

/** Filler, tape, blades and their like: proposed by what is done in the room, each changed by a click. */
const { lookedAt } = defineProps<{ lookedAt: LookedAt }>()
const makeover = useMakeover()
const list = computed((): Sundry[] => {
  const measured = lookedAt.here.value
  return measured && makeover.opened
    ? sundriesOf(makeover.opened.makeover, measured.room.id, jobsOf(lookedAt.taken.value, measured))
    : []
})
const asked = ref<Sundry | null>(null)
const open = ref(false)
const form = computed(() => {
  const sundry = asked.value
  return rowForm({
    kind: 'sundry',
    title: () => sundry?.name ?? 'A small thing',
    fields: (row) => ({
      name: textField(row?.name ?? sundry?.name),
      quantity: numberField(row?.quantity ?? sundry?.quantity ?? 1, 2),
      unit: textField(row?.unit ?? sundry?.unit ?? 'pieces'),
      have: yesField(row?.have ?? false),
    }),
    layout: [
      [
        { key: 'name', label: 'What' },
        { key: 'quantity', label: 'How many', hint: sundry?.because ?? '' },
        { key: 'unit', label: 'Counted in', optional: true },
      ],
      [{ key: 'have', label: 'In hand', as: 'yes', hint: 'not to be bought' }],
    ],
    toRow: (read, row) => ({
      ...blank.sundry,
      ...read,
      roomId: row?.roomId ?? lookedAt.here.value?.room.id ?? '',
      stands: row?.stands ?? (sundry && sundry.row === null ? sundry.id : ''),
      pieceId: row?.pieceId ?? null,
    }),
    sentence: ({ name }) => `Said how much ${name.toLowerCase()} is needed`,
    removed: (row) => (row.stands === '' ? `Took ${row.name} off the list` : `${row.name} as proposed again`),
  })
})
function change(sundry: Sundry | null): void {
  asked.value = sundry
  open.value = true
}
</script>

<template>
  <section v-if="list.length > 0" aria-labelledby="small-title">
    <div class="section-head">
      <h2 id="small-title">Small things</h2>
      <button type="button" class="word" @click="change(null)">Add one</button>
    </div>
    <div class="scroll">
      <table v-cards>
        <thead>
          <tr>
            <th>What</th>
            <th class="number">How many</th>
            <th>Why so many</th>
            <th><span class="visually-hidden">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="sundry in list" :key="sundry.id">
            <td>
              <strong>{{ sundry.name }}</strong>
            </td>
            <td class="number keep">{{ writeQuantity(sundry.quantity, sundry.unit) }}</td>
            <td class="quiet">{{ sundry.row?.have ? 'in hand' : sundry.row ? 'as was said' : sundry.because }}</td>
            <td>
              <button type="button" class="word" :aria-label="`Change ${sundry.name}`" @click="change(sundry)">
                Change
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <RowDialog v-model="open" :form="form" :row="asked?.row ?? null" />
  </section>
</template>

<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { landedCost, packsFor } from '#core/purchases/index.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { sum, type Minor } from '#core/money/minor.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import type { AnyRowForm } from '../parts/rowform.ts'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { deferralForm } from './coming-forms.ts'

/** What is put off to a second phase: what it waits for, its cost apart from this sum, its day. */
const makeover = useMakeover()
const [rows, rooms, pieces] = [useRows('deferral'), useRows('room'), useRows('piece')]
const pieceOf = (row: Row<'deferral'>): Row<'piece'> | undefined => pieces.value.find(({ id }) => id === row.pieceId)
/** What was said, else what is chosen, else what was allowed. */
function costOf(row: Row<'deferral'>): Minor {
  const piece = pieceOf(row)
  if (row.costMinor > 0 || !piece) return row.costMinor
  const chosen = piece.chosenId === null ? undefined : makeover.opened?.makeover.rows.candidate[piece.chosenId]
  return chosen ? landedCost(chosen, packsFor(piece.quantity, chosen.packSize)).landed : piece.allowanceMinor
}
const costs = computed(() => sum(rows.value.map(costOf)))
const rowId = ref<string | null>(null)
const isOpen = ref(false)
const free = computed(() =>
  pieces.value.filter(({ id }) => !rows.value.some((row) => row.pieceId === id && row.id !== rowId.value)),
)
const form = computed(() => deferralForm(makeover.currency, rooms.value, free.value) as unknown as AnyRowForm)
function open(id: string | null): void {
  rowId.value = id
  void nextTick(() => (isOpen.value = true))
}
</script>

<template>
  <section aria-labelledby="put-off-title">
    <div class="section-head">
      <h2 id="put-off-title">
        Second phase
        <span v-if="rows.length > 0" class="quiet"
          ><MoneyAmount :amount="costs" :currency="makeover.currency" />, in no sum of this one</span
        >
      </h2>
      <button type="button" class="word" @click="open(null)">Put something off</button>
    </div>
    <ul v-if="rows.length > 0" class="said-list">
      <li v-for="row in rows" :key="row.id">
        <button type="button" class="word" @click="open(row.id)">{{ pieceOf(row)?.name ?? row.name }}</button>
        <span class="quiet"
          >{{ row.waitsFor === '' ? '' : `waits for ${row.waitsFor}; `
          }}<MoneyAmount :amount="costOf(row)" :currency="makeover.currency" />{{
            row.wantedOn ? `, ${writeDate(row.wantedOn)}` : ''
          }}</span
        >
      </li>
    </ul>
    <p v-else class="quiet">Nothing is put off.</p>
    <RowDialog
      :key="rowId ?? 'new'"
      v-model="isOpen"
      :form="form"
      :row="rows.find(({ id }) => id === rowId) ?? null"
      :width="560"
    />
  </section>
</template>

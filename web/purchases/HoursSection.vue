<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeMinutes } from '#core/measure/duration.ts'
import RowTable from '../parts/RowTable.vue'
import { words, type Column } from '../parts/row-table.ts'
import { useRows } from '../stores/rows.ts'

/** The hours behind the fees that go by them. */
const emit = defineEmits<{ note: [row: Row<'stint'> | null] }>()
const stints = useRows('stint')
const fees = useRows('fee')
const stintColumns: readonly Column<Row<'stint'>>[] = [
  { id: 'on', title: 'On', cell: ({ workedOn }) => ({ date: workedOn }) },
  { id: 'what', title: 'What was done', cell: ({ what }) => words(what) },
  { id: 'for', title: 'For', cell: ({ feeId }) => words(byId(fees.value, feeId)?.name ?? '') },
  { id: 'long', title: 'How long', cell: ({ minutes }) => ({ number: minutes }), number: true },
]
</script>

<template>
  <section aria-labelledby="hours-title">
    <div class="section-head">
      <h2 id="hours-title">Hours</h2>
      <span class="ends"
        ><button type="button" class="word" @click="emit('note', null)">
          Note hours<kbd aria-hidden="true">N</kbd>
        </button></span
      >
    </div>
    <RowTable
      v-if="stints.length > 0"
      name="hours worked"
      sorted="-on"
      :lines="stints"
      :columns="stintColumns"
      @choose="(id) => emit('note', byId(stints, id) ?? null)"
    >
      <template #long="{ line }">{{ writeMinutes(line.minutes) }}</template>
    </RowTable>
    <p v-else class="quiet">No hours are noted yet.</p>
  </section>
</template>

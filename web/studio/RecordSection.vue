<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { NoAnswer, Refused, request } from '../api.ts'
import RowTable from '../parts/RowTable.vue'
import type { Column } from '../parts/row-table.ts'

/** What was done in the studio that an owner may be asked about: read only. */
type Deed = {
  readonly id: string
  readonly at: string
  readonly who: string | null
  readonly what: string
  readonly whom: string | null
  readonly makeover: string | null
}
const deeds = ref<readonly Deed[]>([])
const failed = ref(false)
onMounted(async () => {
  try {
    deeds.value = await request<Deed[]>('GET', '/record')
  } catch (error) {
    if (!(error instanceof NoAnswer || error instanceof Refused)) throw error
    failed.value = true
  }
})
const columns: readonly Column<Deed>[] = [
  { id: 'at', title: 'When', cell: ({ at }) => ({ text: at.slice(0, 16).replace('T', ' ') }) },
  { id: 'who', title: 'Who', cell: ({ who }) => ({ text: who ?? '' }) },
  { id: 'what', title: 'What', cell: ({ what }) => ({ text: what }) },
  { id: 'whom', title: 'To whom', cell: ({ whom }) => ({ text: whom ?? '' }) },
  { id: 'makeover', title: 'Of which makeover', cell: ({ makeover }) => ({ text: makeover ?? '' }) },
]
</script>

<template>
  <section aria-labelledby="record-title">
    <div class="section-head"><h2 id="record-title">The record</h2></div>
    <p class="quiet">
      Who signed in or was refused, took files out or brought them in, printed, erased, invited, and gave another role.
      It is only added to; times are of Greenwich.
    </p>
    <p v-if="failed" class="stop-line" role="alert">No answer from the server: the record is not here just now.</p>
    <RowTable v-else :lines="deeds" :columns="columns" name="entries of the record" sorted="-at" />
  </section>
</template>

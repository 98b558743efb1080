<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { eyeHeight } from '#core/makeover/household.ts'
import { writeLength } from '#core/measure/length.ts'
import RowDialog from '../parts/RowDialog.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { residentForm } from './household-form.ts'

/** Who lives there, with the height of their eyes: what hangs, and what is seen first, is held to it. */
const makeover = useMakeover()
const entry = useEntry()
const residents = useRows('resident')
const open = ref(false)
const edited = ref<Row<'resident'> | null>(null)
const form = computed(() => residentForm(entry.value))
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const known = computed(() => residents.value.filter(({ eyeMm }) => eyeMm !== null))
const mean = computed(() =>
  makeover.opened && makeover.reckoning && known.value.length > 0
    ? eyeHeight(makeover.opened.makeover, makeover.reckoning.practice.rules)
    : null,
)
function openPerson(row: Row<'resident'> | null): void {
  edited.value = row
  open.value = true
}
</script>

<template>
  <section aria-labelledby="household-title">
    <div class="section-head">
      <h2 id="household-title">Who lives there</h2>
      <button type="button" class="word" @click="openPerson(null)">Add a person</button>
    </div>
    <p v-if="residents.length === 0" class="quiet">
      Nobody yet. With the height of their eyes, pictures hang for them and the first sight is theirs.
    </p>
    <ul v-else class="household">
      <li v-for="person in residents" :key="person.id">
        <button type="button" class="word" @click="openPerson(person)">{{ person.name }}</button><span class="quiet">{{
          person.eyeMm === null ? ', eyes not measured' : `, eyes at ${length(person.eyeMm)}`
        }}</span>
      </li>
    </ul>
    <p v-if="mean !== null && known.length > 1" class="quiet">
      Between them {{ length(mean) }}: what hangs, and what is seen first, is held to that.
    </p>
    <RowDialog v-if="form" v-model="open" :form="form" :row="edited" />
  </section>
</template>

<style>
.household {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  list-style: none;
}
</style>

<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { writeLength } from '#core/measure/length.ts'
import RowDialog from '../parts/RowDialog.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { passageForm } from './forms.ts'

/** The way in, from the street to the room, with what can pass each stage. */
const makeover = useMakeover()
const entry = useEntry()
const passages = useRows('passage')
const sorted = computed(() => passages.value.toSorted((left, right) => left.place - right.place))
const form = computed(() =>
  makeover.opened ? passageForm({ makeover: makeover.opened.makeover, entry: entry.value, roomId: '' }) : null,
)
const open = ref(false)
const edited = ref<Row<'passage'> | null>(null)
function openForm(row: Row<'passage'> | null): void {
  edited.value = row
  open.value = true
}
const length = (mm: number | null): string => (mm === null ? '–' : writeLength(mm, entry.value.units))
const least = (name: 'widthMm' | 'heightMm') =>
  sorted.value.filter((row) => row[name] !== null).toSorted((left, right) => (left[name] ?? 0) - (right[name] ?? 0))[0]
</script>

<template>
  <section aria-labelledby="access-title">
    <div class="section-head">
      <h2 id="access-title">The way in</h2>
      <button type="button" class="word" @click="openForm(null)">Add a stage</button>
    </div>
    <p v-if="sorted.length === 0" class="quiet">
      Not measured yet: every gate, door, turn, stair and lift between the street and the room. A sofa that does not
      come in is dear.
    </p>
    <template v-else>
      <div class="scroll">
        <table v-cards>
          <thead>
            <tr>
              <th class="number">#</th>
              <th>Stage</th>
              <th class="number">Clear width</th>
              <th class="number">Clear height</th>
              <th class="number">Second width, depth</th>
              <th>Note</th>
              <th><span class="visually-hidden">Change</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, at) in sorted" :key="row.id">
              <td class="number">{{ at + 1 }}</td>
              <td>
                <strong>{{ row.name }}</strong> <span class="quiet">{{ row.what }}</span>
              </td>
              <td class="number">
                <span :class="{ inverted: least('widthMm')?.id === row.id && sorted.length > 1 }">{{
                  length(row.widthMm)
                }}</span>
              </td>
              <td class="number">
                <span :class="{ inverted: least('heightMm')?.id === row.id && sorted.length > 1 }">{{
                  length(row.heightMm)
                }}</span>
              </td>
              <td class="number">{{ length(row.depthMm) }}</td>
              <td class="quiet">{{ row.note }}</td>
              <td class="number">
                <button type="button" class="word" :aria-label="`Change ${row.name}`" @click="openForm(row)">
                  Change
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="quiet">
        Narrowest: {{ least('widthMm')?.name }}, {{ length(least('widthMm')?.widthMm ?? null)
        }}<template v-if="least('heightMm')"
          >; lowest: {{ least('heightMm')?.name }}, {{ length(least('heightMm')?.heightMm ?? null) }}</template
        >.
      </p>
    </template>
    <RowDialog v-if="form" v-model="open" :form="form" :row="edited" />
  </section>
</template>

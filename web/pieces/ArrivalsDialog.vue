<script setup lang="ts">
import { computed } from 'vue'
import { writeSize } from '#core/measure/size.ts'
import { writeMoney } from '#core/money/written.ts'
import { arrivalFields } from '#core/pieces/index.ts'
import FilterChoice from '../parts/FilterChoice.vue'
import FormDialog from '../parts/FormDialog.vue'
import { goToMade } from '../parts/made.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'
import { useArrivals } from './arrivals.ts'

/** Candidates pasted, or dropped in as a file: shown as they are read, before anything is kept. */
const { pieceId = null } = defineProps<{ pieceId?: string | null }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ kept: [candidateId: string] }>()
const makeover = useMakeover()
const entry = useEntry()
const pieces = useRows('piece')
const categories = useRows('category')
const { text, table, columns, lines, notes, faults, taken, firstId, readRows, take, keep } = useArrivals(
  () => pieceId,
  open,
)
const targets = computed(() => [
  ...optionsOf(pieces.value),
  ...categories.value.map(({ id, name }) => ({ value: id, label: `New: ${name}` })),
])
const columnWords: Readonly<Record<string, string>> = { for: 'the piece it is for', leave: 'not taken' }
const shown = 5
async function save(): Promise<void> {
  if (!(await keep())) return
  goToMade(firstId.value)
  open.value = false
  emit('kept', firstId.value)
}
</script>

<template>
  <FormDialog
    v-model="open"
    title="Bring in what was found"
    :action="taken.length > 1 ? `Keep ${taken.length} candidates` : 'Keep it'"
    :faults="faults"
    :busy="false"
    :width="820"
    :changes="['candidate']"
    @submit="save"
  >
    <div class="arrivals" @dragover.prevent @drop.prevent="take($event.dataTransfer?.files)">
      <label class="label" for="arrivals-text">Paste rows of a list, or the address of a page with its text</label>
      <el-input
        id="arrivals-text"
        v-model="text"
        type="textarea"
        :rows="lines.length > 0 ? 3 : 7"
        spellcheck="false"
        placeholder="Elm bench&#9;420.00&#9;120 x 40 x 45 cm"
      />
      <label class="drop">
        <input
          type="file"
          class="visually-hidden"
          accept=".csv,.tsv,.txt,.html,.htm,text/csv,text/html,text/plain"
          aria-label="A table as CSV, or a saved page"
          @change="take(($event.target as HTMLInputElement).files)"
        />
        <span>Or drop a saved page or a table (CSV) here, or choose it</span>
      </label>

      <div v-if="table && table.rows.length > 0" class="matching" role="group" aria-label="What the columns hold">
        <div v-for="(_, column) in columns" :key="column">
          <span class="label">{{ table.head?.[column] || `Column ${column + 1}` }}</span>
          <FilterChoice
            v-model="columns[column]!"
            :label="`Column ${column + 1} holds`"
            :options="arrivalFields.map((field) => ({ value: field, label: columnWords[field] ?? field }))"
            @update:model-value="readRows"
          />
          <span class="quiet">{{
            table.rows
              .slice(0, 2)
              .map((row) => row[column])
              .filter(Boolean)
              .join('; ')
          }}</span>
        </div>
      </div>

      <ul v-if="lines.length > 0" class="found" aria-label="As it is read">
        <li v-for="(line, at) in lines" :key="at">
          <label class="take"
            ><input v-model="line.taken" type="checkbox" :aria-label="`Take ${line.arrival.name}`" />
            <strong>{{ line.arrival.name }}</strong></label
          >
          <span>{{
            line.arrival.priceMinor === null ? 'no price' : writeMoney(line.arrival.priceMinor, makeover.currency)
          }}</span>
          <span class="quiet">{{ line.arrival.size ? writeSize(line.arrival.size, entry.units) : 'no size' }}</span>
          <span class="quiet">{{ line.arrival.seller }}</span>
          <span class="target"
            >for <FilterChoice v-model="line.target" :label="`What ${line.arrival.name} is for`" :options="targets"
          /></span>
          <span v-if="line.trouble" class="trouble">{{ line.trouble }}</span>
        </li>
      </ul>
      <p v-for="note in notes.slice(0, shown)" :key="note" class="trouble" role="status">{{ note }}</p>
      <p v-if="notes.length > shown" class="quiet">And {{ notes.length - shown }} more rows that are not taken.</p>
      <p v-if="lines.length > 0" class="quiet">
        Nothing is kept yet. What the list does not say of a seller, its returns, delivery or tax, stays to be asked.
      </p>
    </div>
  </FormDialog>
</template>

<style scoped>
.arrivals {
  display: grid;
  gap: 8px;
}
.drop {
  border: 1px dashed var(--input);
  padding: 7px 12px;
  font-size: 13px;
  color: var(--soft);
  cursor: pointer;
}
.drop:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}
.matching {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
}
.matching > div {
  display: grid;
  max-width: 180px;
  font-size: 12px;
}
.matching .quiet {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.found {
  border-top: 1.5px solid var(--ink);
  max-height: 320px;
  overflow-y: auto;
}
.found li {
  display: grid;
  grid-template-columns: minmax(160px, 2fr) 90px minmax(110px, 1.4fr) minmax(60px, 1fr) minmax(150px, 1.4fr);
  gap: 2px 12px;
  align-items: baseline;
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
  font-size: 13px;
}
.target {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.trouble {
  grid-column: 1 / -1;
  border-left: 4px solid var(--ink);
  padding-left: 6px;
  font-size: 12px;
  font-weight: 600;
}
@media (max-width: 620px) {
  .found li {
    grid-template-columns: 1fr 1fr;
  }
}
</style>

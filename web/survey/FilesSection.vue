<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { Operation } from '#core/makeover/change.ts'
import {
  letterOf,
  readSurveyCsv,
  sheetOperations,
  type Room,
  type SheetFault,
  type SurveySheet,
} from '#core/survey/index.ts'
import { useMakeover } from '../stores/makeover.ts'

/** The survey as files: drawings and lengths out; a table of lengths in, looked at before anything is changed. */
const { room } = defineProps<{ room: Room }>()
const makeover = useMakeover()
const base = computed(() => `/api/makeovers/${makeover.opened?.makeover.id ?? ''}/rooms/${room.id}`)
const input = useTemplateRef<HTMLInputElement>('input')
const name = ref('')
const sheet = shallowRef<SurveySheet | null>(null)
const faults = shallowRef<readonly SheetFault[]>([])
const operations = shallowRef<readonly Operation[]>([])
const refused = ref<readonly string[]>([])
const done = ref('')
watch(() => room.id, putAway)

async function look(file: File | undefined): Promise<void> {
  if (!file || !makeover.opened) return
  putAway()
  name.value = file.name
  if (file.size > 2_000_000)
    faults.value = [{ line: 0, column: '', message: 'is larger than 2 MB: expected a table of lengths' }]
  else {
    const read = readSurveyCsv(await file.text())
    ;[sheet.value, faults.value] = [read.sheet, read.faults]
  }
  if (sheet.value) {
    operations.value = sheetOperations(makeover.opened.makeover, room.id, sheet.value, uuidv7)
    const found = operations.value.length > 0 ? await makeover.preview(operations.value) : null
    refused.value = found?.faults.map((fault) => fault.message) ?? []
  }
  if (input.value) input.value.value = ''
}
function putAway(): void {
  sheet.value = null
  faults.value = []
  operations.value = []
  refused.value = []
  name.value = done.value = ''
}
async function bringIn(): Promise<void> {
  const found = await makeover.change(`Brought the lengths of ${room.name} in from ${name.value}`, operations.value)
  if (found.length > 0) refused.value = found.map((fault) => fault.message)
  else {
    const text = name.value
    putAway()
    done.value = `${room.name} is as ${text} says. Ctrl Z takes it back.`
  }
}
const counts = computed(() => {
  const countOf = (op: 'put' | 'remove', fresh?: boolean): number =>
    operations.value.filter(
      (operation) =>
        operation.op === op &&
        (op === 'remove' || fresh === undefined || (operation.op === 'put' && (operation.base === null) === fresh)),
    ).length
  return { fresh: countOf('put', true), changed: countOf('put', false), gone: countOf('remove') }
})
</script>

<template>
  <section aria-labelledby="files-title">
    <div class="section-head"><h2 id="files-title">Out and in</h2></div>
    <p v-if="room.walls.length > 0" class="outs">
      Paper, to scale with a bar: <a :href="`${base}/survey.pdf`">A4</a>{{ ' ' }}
      <a :href="`${base}/survey.pdf?paper=letter`">Letter</a> &emsp; Plan: <a :href="`${base}/plan.svg`">SVG</a
      >{{ ' ' }} <a :href="`${base}/plan.dxf`">DXF in mm</a> &emsp; Lengths: <a :href="`${base}/lengths.csv`">CSV</a>
      <template v-if="room.closing.state === 'closed'"
        ><br />Walls:
        <template v-for="wall in room.walls" :key="wall.row.id"
          >{{ letterOf(wall.at) }}
          <a :href="`${base}/wall-${letterOf(wall.at)}.svg`" :aria-label="`Wall ${letterOf(wall.at)} as SVG`">SVG</a
          >{{ ' ' }}
          <a :href="`${base}/wall-${letterOf(wall.at)}.dxf`" :aria-label="`Wall ${letterOf(wall.at)} as DXF`">DXF</a
          >&ensp;</template
        ></template
      >
    </p>
    <p>
      <label class="word file-word"
        >Look at a table of lengths (CSV)<input
          ref="input"
          type="file"
          accept=".csv,text/csv,text/plain"
          class="visually-hidden"
          @change="look(($event.target as HTMLInputElement).files?.[0])" /></label
      >{{ ' ' }}
      <span class="quiet">columns as in the CSV that goes out; nothing changes before you say so</span>
    </p>
    <div v-if="name" class="dry" role="status">
      <template v-if="faults.length > 0">
        <p>
          <strong>{{ name }} cannot be taken as it is.</strong> Nothing was changed.
        </p>
        <ul>
          <li v-for="(fault, at) in faults.slice(0, 12)" :key="at">
            {{ fault.line > 0 ? `Line ${fault.line}` : 'The table' }}{{ fault.column ? `, ${fault.column}` : '' }}:
            {{ fault.message }}
          </li>
          <li v-if="faults.length > 12">and {{ faults.length - 12 }} more</li>
        </ul>
      </template>
      <template v-else-if="sheet">
        <p>
          <strong>{{ name }}</strong>: {{ sheet.walls.length }} walls, {{ sheet.checks.length }} check measures,
          {{ sheet.openings.length }} openings, {{ sheet.fixtures.length }} fixed things.
        </p>
        <p v-if="operations.length === 0">It says what is here already: nothing would change.</p>
        <p v-else>
          In {{ room.name }} it would make {{ counts.fresh }} new, change {{ counts.changed }} and take
          {{ counts.gone }} away.
        </p>
        <ul v-if="refused.length > 0">
          <li v-for="(why, at) in refused" :key="at">{{ why }}</li>
        </ul>
        <div class="tag-actions">
          <el-button v-if="operations.length > 0" type="primary" :disabled="refused.length > 0" @click="bringIn"
            >Bring it in</el-button
          ><el-button @click="putAway">Put it away</el-button>
        </div>
      </template>
    </div>
    <p v-if="done" class="said-line" role="status">{{ done }}</p>
  </section>
</template>

<style>
.file-word {
  cursor: pointer;
  display: inline-block;
}
.file-word:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}
.outs a {
  margin-right: 4px;
}
.dry {
  border: 1px solid var(--rule);
  border-left: 4px solid var(--ink);
  padding: 8px 12px;
  background: var(--sheet);
  display: grid;
  gap: 4px;
}
</style>

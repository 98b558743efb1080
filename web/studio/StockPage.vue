<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, onMounted, ref } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, remove } from '#core/makeover/change.ts'
import { stockKinds } from '#core/makeover/choices.ts'
import { studioRows } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { request } from '../api.ts'
import { useKeys } from '../frame/keys.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import RowTable from '../parts/RowTable.vue'
import { words, type Column } from '../parts/row-table.ts'
import {
  choiceField,
  maybeDateField,
  maybeLengthField,
  numberField,
  saidField,
  textField,
  useForm,
} from '../parts/form.ts'
import { useSession } from '../stores/session.ts'
import StudioFrame from './StudioFrame.vue'
import { useStudioRows } from './studio-rows.ts'
import { useTelling } from '../parts/telling.ts'

/** What the studio itself owns: where it lies, and where it is while it is lent. */
type Line = Row<'stock'>
const session = useSession()
const { studio, today, load: loadRows, change } = useStudioRows()
const makeovers = ref<readonly { readonly name: string }[]>([])
const { said, failed, told } = useTelling(async () => {
  await loadRows()
  makeovers.value = (await request<{ makeovers: { name: string }[] }>('GET', '/day')).makeovers
})
onMounted(() => told(() => Promise.resolve('')))
const lines = computed(() => (studio.value ? studioRows(studio.value, 'stock') : []))
const out = computed(() => lines.value.filter(({ lentTo }) => lentTo !== ''))
const countWords = computed(() =>
  lines.value.length === 1
    ? `One thing${out.value.length === 1 ? ', lent' : ''}`
    : `${lines.value.length} things, ${out.value.length} of them lent`,
)
const overdue = computed(() =>
  out.value.filter(({ backOn }) => backOn !== null && today.value !== null && backOn < today.value),
)
const sizeOf = ({ widthMm, depthMm, heightMm }: Line): string =>
  [widthMm, depthMm, heightMm].some((mm) => mm !== null)
    ? `${[widthMm, depthMm, heightMm].map((mm) => (mm === null ? '–' : Math.round(mm))).join(' × ')} mm`
    : ''
const whereOf = ({ lies, lentTo, backOn }: Line): string =>
  lentTo === '' ? lies : `lent to ${lentTo}${backOn === null ? '' : `, back on ${writeDate(backOn)}`}`
const columns: readonly Column<Line>[] = [
  { id: 'name', title: 'What', cell: ({ name }) => ({ text: name }) },
  { id: 'kind', title: 'Sort', cell: ({ kind }) => ({ text: kind }) },
  {
    id: 'amount',
    title: 'How much',
    number: true,
    cell: ({ quantity, unit }) => ({ text: writeQuantity(quantity, unit) }),
  },
  { id: 'size', title: 'Wide × deep × high', cell: (line) => words(sizeOf(line)) },
  { id: 'where', title: 'Where it is', cell: (line) => words(whereOf(line)) },
  { id: 'from', title: 'Came from', cell: ({ cameFrom }) => words(cameFrom) },
  { id: 'do', title: 'What to do', silent: true, plain: true, cell: () => null },
]

const writing = ref(false)
const whose = ref<Line | null>(null)
const millimetres = { units: 'metric', unit: 'mm' } as const
const { form, reset, submit } = useForm(() => ({
  name: saidField(whose.value?.name ?? ''),
  kind: choiceField(stockKinds, whose.value?.kind ?? 'piece'),
  quantity: numberField(whose.value?.quantity ?? 1, 3),
  unit: saidField(whose.value?.unit ?? 'pieces', 20),
  lies: textField(whose.value?.lies),
  cameFrom: textField(whose.value?.cameFrom),
  widthMm: maybeLengthField(millimetres, whose.value?.widthMm ?? null),
  depthMm: maybeLengthField(millimetres, whose.value?.depthMm ?? null),
  heightMm: maybeLengthField(millimetres, whose.value?.heightMm ?? null),
  lentTo: textField(whose.value?.lentTo),
  lentOn: maybeDateField(whose.value?.lentOn ?? null),
  backOn: maybeDateField(whose.value?.backOn ?? null),
  note: textField(whose.value?.note),
}))
function write(line: Line | null): void {
  whose.value = line
  reset()
  writing.value = true
}
async function save(): Promise<void> {
  const before = whose.value
  const done = await submit((values) => {
    // whoever names where it goes lends it today, unless another day is said
    const fields = { ...values, lentOn: values.lentOn ?? (values.lentTo === '' ? null : today.value) }
    return change(`${before ? 'Changed' : 'Put'} ${values.name}${before ? ' in the' : ' into'} stock`, [
      before ? edit('stock', before, fields) : add('stock', uuidv7(), { ...blank.stock, ...fields }),
    ])
  })
  if (done) writing.value = false
}
const doing = (sentence: string, operation: ReturnType<typeof edit> | ReturnType<typeof remove>): Promise<void> =>
  told(async () => {
    const [fault] = await change(sentence, [operation])
    return fault ? fault.message : ''
  })
const back = (line: Line): Promise<void> =>
  doing(`${line.name} is back in stock`, edit('stock', line, { lentTo: '', lentOn: null, backOn: null }))
const takeAway = async (): Promise<void> => {
  const before = whose.value
  writing.value = false
  if (before) await doing(`Took ${before.name} out of stock`, remove('stock', before))
}
const mayWrite = computed(() => ['owner', 'member'].includes(session.person?.role ?? ''))
useKeys([{ key: 'n', does: 'Put something into stock', run: () => mayWrite.value && write(null) }])
</script>

<template>
  <StudioFrame title="Stock" says="what the studio owns, where it lies, and what is lent">
    <p v-if="said" :class="failed ? 'stop-line' : ''" role="status">{{ said }}</p>
    <p v-for="line in overdue" :key="line.id" class="said-line">
      {{ line.name }} was to be back from {{ line.lentTo }} on {{ writeDate(line.backOn!) }}.
    </p>
    <section aria-labelledby="stock-title">
      <div class="section-head">
        <h2 id="stock-title">
          {{ lines.length === 0 ? 'Nothing in stock yet' : countWords }}
        </h2>
        <button v-if="mayWrite" type="button" class="word" @click="write(null)">
          Put something into stock<kbd aria-hidden="true">N</kbd>
        </button>
      </div>
      <RowTable v-if="lines.length > 0" name="things in stock" sorted="name" :lines="lines" :columns="columns">
        <template #do="{ line }">
          <span v-if="mayWrite" class="do-ways">
            <button
              v-if="line.lentTo !== ''"
              type="button"
              class="word"
              :aria-label="`${line.name} is back`"
              @click="back(line)"
            >
              It is back
            </button>
            <button type="button" class="word" :aria-label="`Change ${line.name}`" @click="write(line)">Change</button>
          </span>
        </template>
      </RowTable>
    </section>
    <FormDialog
      v-model="writing"
      :title="whose ? whose.name : 'Into stock'"
      action="Keep it"
      :faults="form.faults"
      :busy="form.busy"
      :changes="['stock']"
      :reads="whose !== null"
      @submit="save"
    >
      <FieldText :field="form.fields.name" label="What it is" />
      <div class="pair">
        <FieldChoice
          :field="form.fields.kind"
          label="Sort"
          :options="stockKinds.map((kind) => ({ value: kind, label: kind }))"
        />
        <FieldText :field="form.fields.lies" label="Where it lies" optional />
      </div>
      <div class="pair">
        <FieldText :field="form.fields.quantity" label="How much" />
        <FieldText :field="form.fields.unit" label="Counted in" :known="['pieces', 'm', 'm²', 'rolls', 'l']" />
      </div>
      <div class="pair">
        <FieldText :field="form.fields.widthMm" label="Width" unit="mm" optional />
        <FieldText :field="form.fields.depthMm" label="Depth" unit="mm" optional />
      </div>
      <div class="pair">
        <FieldText :field="form.fields.heightMm" label="Height" unit="mm" optional />
        <FieldText :field="form.fields.cameFrom" label="Came from" optional />
      </div>
      <FieldText
        :field="form.fields.lentTo"
        label="Lent to"
        hint="A makeover, or a person"
        optional
        :known="makeovers.map(({ name }) => name)"
      />
      <div class="pair">
        <FieldText :field="form.fields.lentOn" label="Since" hint="Today unless said" optional />
        <FieldText :field="form.fields.backOn" label="Back on" optional />
      </div>
      <FieldText :field="form.fields.note" label="Note" :rows="2" optional />
      <button v-if="whose" type="button" class="word" @click="takeAway">Take it out of stock</button>
    </FormDialog>
  </StudioFrame>
</template>

<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { ref, watch } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, type Operation } from '#core/makeover/change.ts'
import { countryCodes } from '#core/measure/habits.ts'
import { contrastStandards, entryUnits, scopes, unitSystems } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { namedCountries } from '../parts/countries.ts'
import { bounded } from '../parts/bounded.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import {
  choiceField,
  maybeChoiceField,
  maybeDateField,
  maybeNumberField,
  readFields,
  textField,
  useForm,
  type Field,
} from '../parts/form.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

const { head } = defineProps<{ head: Row<'makeover'> }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const clients = useRows('client')
const rooms = useRows('room')
const zones = useRows('zone')
const { form, reset, submit } = useForm(() =>
  bounded('makeover', {
    name: textField(head.name),
    installOn: maybeDateField(head.installOn),
    units: choiceField(unitSystems, head.units),
    entryUnit: choiceField(entryUnits, head.entryUnit),
    builtYear: maybeNumberField(head.builtYear, 0),
    scope: choiceField(scopes, head.scope),
    country: maybeChoiceField(countryCodes, head.country),
    contrastBy: choiceField(contrastStandards, head.contrastBy),
  }),
)

const countries = namedCountries()

type Named = {
  kind: 'client' | 'room' | 'zone'
  row: Row<'client'> | Row<'room'> | Row<'zone'> | null
  name: Field<string>
}
const names = ref<Named[]>([])
const named = <K extends Named['kind']>(kind: K, rows: readonly Row<K>[]): Named[] => [
  ...rows.map((row) => ({ kind, row, ...bounded(kind, { name: textField(row.name) }) })),
  { kind, row: null, name: textField() },
]
let seen = head
watch(open, (isOpen) => {
  if (!isOpen) return
  seen = head
  reset()
  names.value = [...named('client', clients.value), ...named('room', rooms.value), ...named('zone', zones.value)]
})
const labels = { client: 'Client', room: 'Room', zone: 'Zone' }

async function save(): Promise<void> {
  const done = await submit(async (values) => {
    const operations: Operation[] = []
    const was = new Map<string, unknown>(Object.entries(seen))
    const changed = Object.fromEntries(Object.entries(values).filter(([name, value]) => was.get(name) !== value))
    if (Object.keys(changed).length > 0) operations.push(edit('makeover', seen, changed))
    for (const { kind, row, name } of names.value) {
      const read = readFields({ name })
      if (!read) return [{ field: null, message: `${labels[kind]}: ${name.error}` }]
      if (row === null && read.name !== '')
        operations.push(
          kind === 'zone'
            ? add('zone', uuidv7(), { ...blank.zone, roomId: rooms.value[0]?.id ?? '', name: read.name })
            : kind === 'room'
              ? add('room', uuidv7(), { ...blank.room, name: read.name })
              : add('client', uuidv7(), { name: read.name }),
        )
      else if (row !== null && read.name !== row.name)
        operations.push({ op: 'put', kind, id: row.id, base: row.version, fields: { name: read.name } })
    }
    return operations.length === 0 ? [] : makeover.change('Changed what the makeover is', operations)
  })
  if (done) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    title="The makeover"
    action="Save"
    :faults="form.faults"
    :busy="form.busy"
    :changes="['makeover']"
    reads
    @submit="save"
  >
    <FieldText :field="form.fields.name" label="What it is called" />
    <div class="columns">
      <FieldText :field="form.fields.installOn" label="Install date" optional hint="14 Mar 2027" />
      <FieldChoice
        :field="form.fields.units"
        label="Units"
        :options="unitSystems.map((system) => ({ value: system, label: system }))"
      />
      <FieldChoice
        :field="form.fields.scope"
        label="Scope"
        :options="scopes.map((scope) => ({ value: scope, label: scope }))"
        hint="decorate, refresh (paint, cloth, light), renovate"
      />
    </div>
    <div class="columns">
      <FieldChoice
        :field="form.fields.entryUnit"
        label="A bare number is in"
        :options="entryUnits.map((unit) => ({ value: unit, label: unit }))"
        hint="where a length is typed"
      />
      <FieldChoice
        :field="form.fields.country"
        label="Country"
        :options="countries"
        none="as its currency says"
        hint="dates, figures, paper and words follow it"
      />
      <FieldText
        :field="form.fields.builtYear"
        label="The house was built in"
        optional
        hint="for cautions about old paint and floors"
      />
      <FieldChoice
        :field="form.fields.contrastBy"
        label="Surfaces to be told apart by"
        :options="contrastStandards.map((standard) => ({ value: standard, label: standard }))"
        hint="acts where somebody sees little"
      />
    </div>
    <div class="columns">
      <div v-for="kind in ['client', 'room', 'zone'] as const" :key="kind">
        <FieldText
          v-for="(thisName, at) in names.filter((name) => name.kind === kind)"
          :key="at"
          :field="thisName.name"
          :label="thisName.row ? labels[kind] : `Another ${labels[kind].toLowerCase()}`"
        />
      </div>
    </div>
  </FormDialog>
</template>

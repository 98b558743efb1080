<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import { add } from '#core/makeover/change.ts'
import { families, roles, sheens, type Fields, type Row } from '#core/makeover/kinds.ts'
import { labOf, undertone } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { useBasis } from '../parts/basis.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { choiceField, colourField, maybeNumberField, textField, useForm } from '../parts/form.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'

const { finish } = defineProps<{ finish: Row<'finish'> | null }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const rooms = useRows('room')
const rules = effectiveRules()
const written = (row: Row<'finish'>): string => (row.colourSource === 'hex' ? hexFromLab(labOf(row)) : `${row.labL} ${row.labA} ${row.labB}`)
const { form, reset, submit } = useForm(() => ({
  name: textField(finish?.name),
  colour: colourField(finish ? written(finish) : ''),
  family: choiceField(families, finish?.family ?? 'paint'),
  sheen: choiceField(sheens, finish?.sheen ?? 'matt'),
  role: choiceField(roles, finish?.role ?? 'dominant'),
  usedFor: textField(finish?.usedFor, { may: true }),
  visibleM2: maybeNumberField(finish?.visibleM2 ?? null, { decimals: 2, least: 0.01, most: 10_000 }),
  roomId: choiceField(rooms.value.map((room) => room.id), finish?.roomId ?? rooms.value[0]?.id ?? ''),
}))
const { basis, save: saveFinish } = useBasis('finish', () => finish, open)
watch(open, (now) => now && reset())

const shown = computed(() => {
  const read = form.fields.colour.read(form.fields.colour.text)
  const family = families.find((one) => one === form.fields.family.text) ?? 'paint'
  const sheen = sheens.find((one) => one === form.fields.sheen.text) ?? 'matt'
  if (!read.ok) return null
  const { L, a, b } = read.value.lab
  return { swatch: { family, sheen, labL: L, labA: a, labB: b }, words: undertone(family, read.value.lab, rules).words }
})

async function save(): Promise<void> {
  const done = await submit(
    ({ colour, ...values }) => {
      const seen = basis.value
      const kept = seen && form.fields.colour.text === written(seen)
      const { L: labL, a: labA, b: labB } = kept ? labOf(seen) : colour.lab
      const fields: Fields<'finish'> = { ...values, labL, labA, labB, colourSource: kept ? seen.colourSource : colour.source }
      return finish ? saveFinish(`Changed the finish ${values.name}`, fields) : makeover.change(`Laid ${values.name} into the palette`, [add('finish', uuidv7(), fields)])
    },
    { labL: 'colour', labA: 'colour', labB: 'colour' },
  )
  if (done) open.value = false
}
const options = (list: readonly string[]) => list.map((value) => ({ value, label: value }))
</script>

<template>
  <FormDialog v-model="open" :title="finish ? `Change ${finish.name}` : 'A finish'" :action="finish ? 'Save' : 'Lay it in'" :faults="form.faults" :busy="form.busy" :width="640" @submit="save">
    <div class="finish-form">
      <div>
        <FieldText :field="form.fields.name" label="Name" />
        <FieldText :field="form.fields.colour" label="Colour" hint="#8fa3a8, or Lab as three numbers: 65 -4 -6" />
        <div class="columns">
          <FieldChoice :field="form.fields.family" label="Family" :options="options(families)" />
          <FieldChoice :field="form.fields.sheen" label="Sheen" :options="options(sheens)" />
        </div>
        <div class="columns">
          <FieldChoice :field="form.fields.role" label="Role" :options="options(roles)" />
          <FieldText :field="form.fields.visibleM2" label="Visible area by eye" optional unit="m²" />
        </div>
        <FieldText :field="form.fields.usedFor" label="Where in the room" hint="walls; seat; floor, kept" />
        <FieldChoice v-if="rooms.length > 1" :field="form.fields.roomId" label="Room" :options="optionsOf(rooms)" />
      </div>
      <figure class="finish-shown">
        <div class="on-ground"><MaterialSwatch v-if="shown" :finish="shown.swatch" /></div>
        <figcaption class="quiet">{{ shown ? shown.words : 'Type a colour to see it as material.' }}</figcaption>
      </figure>
    </div>
  </FormDialog>
</template>

<style>
.finish-form { display: grid; grid-template-columns: 1fr 190px; gap: 20px; }
.finish-shown > div { background: var(--ground); padding: 20px; height: 240px; }
.finish-shown figcaption { font-size: 12px; padding-top: 6px; }
@media (max-width: 620px) { .finish-form { grid-template-columns: 1fr; } }
</style>

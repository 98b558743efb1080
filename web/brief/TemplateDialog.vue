<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { beginningOf, writeBeginning } from '#core/brief/index.ts'
import { add, edit, remove } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { saidField, useForm } from '../parts/form.ts'
import { useMakeover } from '../stores/makeover.ts'
import { say } from '../stores/said.ts'

/** What this makeover has that others may begin with: its needs, categories, schools and rules. */
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const templates = computed(() => Object.values(makeover.opened?.studio.rows.template ?? {}))
const beginning = computed(() => (makeover.opened ? beginningOf(makeover.opened.makeover) : null))
const holds = computed(() => {
  const { needs = [], categories = [], schools = [], rulings = [] } = beginning.value ?? {}
  return `${needs.length} needs, ${categories.length} categories, ${schools.length} schools, ${rulings.length} rules`
})
const { form, reset, submit } = useForm(() => ({ name: saidField() }))
watch(open, (isOpen) => isOpen && reset())

async function save(): Promise<void> {
  const done = await submit(({ name }) => {
    if (!beginning.value) return Promise.resolve([])
    const fields = { name, holds: writeBeginning(beginning.value) }
    const same = templates.value.find((row) => row.name.toLocaleLowerCase('en') === name.toLocaleLowerCase('en'))
    return makeover.change(`Kept the template ${name}`, [
      same ? edit('template', same, fields) : add('template', uuidv7(), fields),
    ])
  })
  if (!done) return
  say(`A makeover can begin from ${form.fields.name.text}.`)
  open.value = false
}
const takeAway = (row: Row<'template'>): Promise<unknown> =>
  makeover.change(`Took away the template ${row.name}`, [remove('template', row)])
</script>

<template>
  <FormDialog
    v-model="open"
    title="Keep as a template"
    action="Keep it"
    :faults="form.faults"
    :busy="form.busy"
    :changes="['template']"
    @submit="save"
  >
    <p class="quiet">It keeps {{ holds }}. Sellers belong to the studio and are there already.</p>
    <FieldText
      :field="form.fields.name"
      label="What it is called"
      hint="A name that is there is written over"
      :known="templates.map(({ name }) => name)"
    />
    <ul v-if="templates.length > 0" aria-label="Templates of the studio">
      <li v-for="row in templates" :key="row.id">
        {{ row.name }}
        <button type="button" class="word" :aria-label="`Take away ${row.name}`" @click="takeAway(row)">
          Take away
        </button>
      </li>
    </ul>
  </FormDialog>
</template>

<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import type { Documents, Fault } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import { textField, useForm, yesField } from '../parts/form.ts'

/** A name goes from a makeover and its history: first what it stands in is counted, then it is erased for good. */
type Found = { readonly rows: number; readonly changes: number; readonly files: number }
const { makeover } = defineProps<{ makeover: { readonly id: string; readonly name: string } }>()
const emit = defineEmits<{ close: [] }>()
const open = ref(true)
watch(open, (isOpen) => isOpen || emit('close'))
const clients = ref<readonly { readonly id: string; readonly name: string }[]>([])
const found = ref<Found | null>(null)
const { form, submit } = useForm(() => ({
  clientId: textField(''),
  names: textField(''),
  notes: yesField(false),
}))
onMounted(async () => {
  const { makeover: document } = await request<Documents>('GET', `/makeovers/${makeover.id}`)
  clients.value = rowsOf(document, 'client')
})
watch(
  () => form.fields.clientId.text,
  (id) => {
    const name = clients.value.find((client) => client.id === id)?.name ?? ''
    form.fields.names.text = name
      .split(/\s+/)
      .filter((part) => part.length > 2)
      .join(', ')
  },
)
watch(
  () => [form.fields.clientId.text, form.fields.names.text, form.fields.notes.text],
  () => (found.value = null),
)
const many = (count: number, word: string): string => `${count} ${word}${count === 1 ? '' : 's'}`
const said = computed(
  () =>
    found.value &&
    (found.value.rows + found.value.changes === 0
      ? 'Nothing names them.'
      : `In ${found.value.rows} of its entries and ${many(found.value.changes, 'line')} of its history something goes. Sums, days and goods stay as they are. This cannot be taken back.`),
)

async function go(): Promise<void> {
  const looking = found.value === null || found.value.rows + found.value.changes === 0
  const done = await submit(async ({ clientId, names, notes }): Promise<Pick<Fault, 'field' | 'message'>[]> => {
    const asked = {
      clientId: clientId === '' ? null : clientId,
      names: names
        .split(',')
        .map((name) => name.trim())
        .filter((name) => name !== ''),
      notes,
    }
    try {
      const answer = await request<Found>('POST', `/makeovers/${makeover.id}/erasures${looking ? '/dry' : ''}`, asked)
      if (looking) found.value = answer
      return []
    } catch (error) {
      if (error instanceof Refused)
        return [...(error.problem.faults ?? [{ field: null, message: error.problem.detail }])]
      if (error instanceof NoAnswer) return [{ field: null, message: 'No answer from the server: try again.' }]
      throw error
    }
  })
  if (done && !looking) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="`Erase a name from ${makeover.name}`"
    :action="found && found.rows + found.changes > 0 ? 'Erase for good' : 'Look what names them'"
    :faults="form.faults"
    :busy="form.busy"
    @submit="go"
  >
    <FieldChoice
      :field="form.fields.clientId"
      label="Whom"
      :options="clients.map((client) => ({ value: client.id, label: client.name }))"
      none="somebody else"
    />
    <FieldText
      :field="form.fields.names"
      label="What else they are called"
      hint="Separated by commas. Each is looked for as a whole word, in any case."
    />
    <FieldYes :field="form.fields.notes" label="Every note of this makeover goes too, whoever it speaks of" />
    <template v-if="found">
      <p>{{ said }}</p>
      <p v-if="found.files > 0">
        Its pictures and receipts, {{ found.files }} in all, cannot be searched: look through them yourself. Backups
        made before still hold the name, until they are done away with.
      </p>
    </template>
  </FormDialog>
</template>

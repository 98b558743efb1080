<script setup lang="ts">
import { ref, watch } from 'vue'
import { NoAnswer, Refused, request } from '../api.ts'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { saidField, useForm } from '../parts/form.ts'

const { makeover } = defineProps<{ makeover: { readonly id: string; readonly name: string } }>()
const emit = defineEmits<{ close: [] }>()
const open = ref(true)
watch(open, (isOpen) => isOpen || emit('close'))
const { form, submit } = useForm(() => ({ name: saidField() }))

async function putAway(): Promise<void> {
  const done = await submit(async ({ name }) => {
    try {
      await request('POST', `/makeovers/${makeover.id}/put-away`, { name })
      return []
    } catch (error) {
      if (error instanceof Refused) return error.problem.faults ?? [{ field: null, message: error.problem.detail }]
      if (error instanceof NoAnswer) return [{ field: null, message: 'No answer from the server: try again.' }]
      throw error
    }
  })
  if (done) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="`Put away ${makeover.name}`"
    action="Put away"
    :faults="form.faults"
    :busy="form.busy"
    @submit="putAway"
  >
    <p>
      Nobody sees it any more. For thirty days it can be brought back from here; then it is gone, with its orders,
      payments, history, pictures and receipts. Take its file first if you have to keep its books.
    </p>
    <p>
      <a :href="`/api/makeovers/${makeover.id}/export?history=yes`">Its file, with history and pictures</a>
    </p>
    <FieldText :field="form.fields.name" label="Type the name of the makeover" />
  </FormDialog>
</template>

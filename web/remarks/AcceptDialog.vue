<script setup lang="ts">
import { watch } from 'vue'
import type { Remark } from '#core/remarks/remark.ts'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { saidField, useForm } from '../parts/form.ts'
import { useMakeover } from '../stores/makeover.ts'
import { accept } from './settle.ts'

const { remark } = defineProps<{ remark: Remark | null }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const { form, reset, submit } = useForm(() => ({ reason: saidField('Seen, and meant so', 500) }))
watch(open, (isOpen) => isOpen && reset())

async function save(): Promise<void> {
  const asked = remark
  if (!asked) return
  if (await submit((values) => accept(makeover, asked, values.reason))) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    title="Accept as it stands"
    action="Accept"
    :faults="form.faults"
    :busy="form.busy"
    :changes="['acceptance']"
    @submit="save"
  >
    <p>{{ remark?.title }}.</p>
    <p class="quiet" style="margin-bottom: 8px">
      It stays on record with your reason, and comes back when its numbers change.
    </p>
    <FieldText :field="form.fields.reason" label="Why it is right here" :rows="2" />
  </FormDialog>
</template>

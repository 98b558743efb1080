<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { add } from '#core/makeover/change.ts'
import { tenders, type Row } from '#core/makeover/kinds.ts'
import { writeMoney } from '#core/money/written.ts'
import type { PurchaseReckoning } from '#core/purchases/index.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { choiceField, dateField, moneyField, useForm } from '../parts/form.ts'
import { useMakeover } from '../stores/makeover.ts'

const { purchase, money, direction } = defineProps<{ purchase: Row<'purchase'>; money: PurchaseReckoning; direction: 'out' | 'back' | null }>()
const emit = defineEmits<{ close: [] }>()
const makeover = useMakeover()
const name = computed(() => makeover.opened?.makeover.rows.piece[purchase.pieceId]?.name ?? '')
const back = computed(() => direction === 'back')
const open = computed({ get: () => direction !== null, set: (now: boolean) => now || emit('close') })
const expected = computed(() => (back.value ? money.refundDue : money.committed))
const { form, reset, submit } = useForm(() => ({
  amountMinor: moneyField(makeover.currency, expected.value > 0 ? expected.value : null, { least: 1 }),
  paidOn: dateField(makeover.opened?.today ?? null),
  tender: choiceField(tenders, 'transfer'),
}))
watch(open, (now) => now && reset())
const beyond = computed(() => {
  const read = form.fields.amountMinor.read(form.fields.amountMinor.text)
  if (!read.ok || read.value <= expected.value) return ''
  return back.value
    ? `Only ${writeMoney(money.refundDue, makeover.currency)} is due back: the rest will count as owed again.`
    : `Only ${writeMoney(money.committed, makeover.currency)} is due: the rest will stand as money to come back.`
})

async function save(): Promise<void> {
  const done = await submit((values) =>
    makeover.change(`${back.value ? 'A refund came' : 'Paid'}: ${writeMoney(values.amountMinor, makeover.currency)} for ${name.value}`, [
      add('payment', uuidv7(), { purchaseId: purchase.id, direction: back.value ? 'back' : 'out', ...values, reversesId: null }),
    ]),
  )
  if (done) open.value = false
}
</script>

<template>
  <FormDialog v-model="open" :title="back ? `A refund came: ${name}` : `Pay ${name}`" :action="back ? 'Note the refund' : 'Paid'" :faults="form.faults" :busy="form.busy" @submit="save">
    <div class="columns">
      <FieldText :field="form.fields.amountMinor" label="Amount" :unit="makeover.currency" :hint="back ? `${writeMoney(money.refundDue, makeover.currency)} due back of ${writeMoney(money.paid, makeover.currency)} paid` : `${writeMoney(money.committed, makeover.currency)} due`" />
      <FieldText :field="form.fields.paidOn" :label="back ? 'Came on' : 'Paid on'" />
      <FieldChoice :field="form.fields.tender" label="By" :options="tenders.map((one) => ({ value: one, label: one }))" />
    </div>
    <p v-if="beyond" class="final">{{ beyond }}</p>
  </FormDialog>
</template>

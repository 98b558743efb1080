<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { add } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { PurchaseReckoning } from '#core/purchases/index.ts'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { dateField, numberField, useForm } from '../parts/form.ts'
import { useMakeover } from '../stores/makeover.ts'

const { purchase, money } = defineProps<{ purchase: Row<'purchase'>; money: PurchaseReckoning }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const name = computed(() => makeover.opened?.makeover.rows.piece[purchase.pieceId]?.name ?? '')
const outstanding = computed(() => money.packs - money.received)
const { form, reset, submit } = useForm(() => ({
  packs: numberField(outstanding.value, { decimals: 0, least: 1, most: 100_000 }),
  receivedOn: dateField(makeover.opened?.today ?? null),
}))
watch(open, (now) => now && reset())

async function save(): Promise<void> {
  const done = await submit((values) => makeover.change(`${values.packs} of ${purchase.packs} came: ${name.value}`, [add('delivery', uuidv7(), { purchaseId: purchase.id, ...values })]))
  if (done) open.value = false
}
</script>

<template>
  <FormDialog v-model="open" :title="`Goods came: ${name}`" action="They are here" :faults="form.faults" :busy="form.busy" @submit="save">
    <div class="columns">
      <FieldText :field="form.fields.packs" :label="purchase.packSize === 1 ? 'How many' : 'How many packs'" :hint="`${outstanding} of ${purchase.packs} outstanding`" />
      <FieldText :field="form.fields.receivedOn" label="Came on" />
    </div>
    <p v-if="purchase.returnDays !== null" class="quiet">Leave the tags on until it stands in its place. It can go back for {{ purchase.returnDays }} days from this date.</p>
  </FormDialog>
</template>

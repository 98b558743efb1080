<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { add, type Operation } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { landedCost, landedWorking, packsFor } from '#core/purchases/index.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import BudgetDialog from '../brief/BudgetDialog.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import { dateField, moneyField, numberField, rateField, textField, useForm, yesField } from '../parts/form.ts'
import WorkingSlip from '../parts/WorkingSlip.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import DifferencePreview from './DifferencePreview.vue'

const { piece } = defineProps<{ piece: Row<'piece'> }>()
const open = defineModel<boolean>({ required: true })
const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const candidates = useRows('candidate')
const candidate = computed(() => candidates.value.find((one) => one.id === piece.chosenId) ?? null)
const stillOpen = computed(() => makeover.reckoning?.money.pieces.find((one) => one.id === piece.id)?.open ?? 0)
const seller = computed(() => makeover.opened?.studio.rows.seller[candidate.value?.sellerId ?? '']?.name ?? '')

const { form, reset, submit } = useForm(() => ({
  packs: numberField(candidate.value ? packsFor(Math.max(stillOpen.value, 0.001), candidate.value.packSize) : null, { decimals: 0, least: 1, most: 100_000 }),
  orderedOn: dateField(makeover.opened?.today ?? null),
  reference: textField('', { most: 60, may: true }),
  priceMinor: moneyField(makeover.currency, candidate.value?.priceMinor ?? null),
  discountPpm: rateField(candidate.value?.discountPpm ?? 0),
  deliveryMinor: moneyField(makeover.currency, candidate.value?.deliveryMinor ?? null),
  taxPpm: rateField(candidate.value?.taxPpm ?? 0),
  taxIncluded: yesField(candidate.value?.taxIncluded ?? false),
  deliveryTaxed: yesField(candidate.value?.deliveryTaxed ?? true),
}))
const id = ref(uuidv7())
const difference = shallowRef<Preview | null>(null)
const operations = shallowRef<Operation[]>([])
const changing = ref(false)

watch(open, (now) => {
  if (!now) return
  reset()
  id.value = uuidv7()
})

/** The order as typed so far; null while a part cannot be read. */
const typed = computed(() => {
  const chosen = candidate.value
  if (!chosen) return null
  const { packs, orderedOn, reference, priceMinor, discountPpm, deliveryMinor, taxPpm, taxIncluded, deliveryTaxed } = form.fields
  const read = { packs: packs.read(packs.text), on: orderedOn.read(orderedOn.text), price: priceMinor.read(priceMinor.text), discount: discountPpm.read(discountPpm.text), delivery: deliveryMinor.read(deliveryMinor.text), tax: taxPpm.read(taxPpm.text) }
  if (!read.packs.ok || !read.on.ok || !read.price.ok || !read.discount.ok || !read.delivery.ok || !read.tax.ok) return null
  const terms = {
    priceMinor: read.price.value,
    packSize: chosen.packSize,
    discountPpm: read.discount.value,
    deliveryMinor: read.delivery.value,
    taxPpm: read.tax.value,
    taxIncluded: taxIncluded.text === 'yes',
    deliveryTaxed: deliveryTaxed.text === 'yes',
  }
  const fields = { pieceId: piece.id, candidateId: chosen.id, packs: read.packs.value, orderedOn: read.on.value, reference: reference.text.trim(), ...terms, leadDays: chosen.leadDays, returnDays: chosen.returnDays }
  return { fields, working: landedWorking(terms, landedCost(terms, read.packs.value), makeover.currency) }
})
watchDebounced(
  [typed, open, () => makeover.reckoning],
  async () => {
    const order = typed.value
    if (!open.value || !order || !stillOpen.value) return
    operations.value = [add('purchase', id.value, order.fields)]
    difference.value = await makeover.preview(operations.value)
  },
  { debounce: 120, immediate: true },
)
const breaks = computed(() => difference.value?.faults.find((fault) => fault.code === 'over-agreed') ?? null)
const others = computed(() => (difference.value?.faults ?? []).filter((fault) => fault.code !== 'over-agreed' && fault.kind === 'purchase' && fault.field === null))
const raise = computed(() => {
  const over = difference.value?.after.money.total.over
  return breaks.value && over ? { categoryId: piece.categoryId, by: over } : null
})

async function save(): Promise<void> {
  const done = await submit(() => (typed.value ? makeover.change(`Ordered ${piece.name} from ${seller.value}`, [add('purchase', id.value, typed.value.fields)]) : Promise.resolve([])))
  if (!done) return
  open.value = false
  if (route.name !== 'purchases') await router.push({ name: 'purchases', params: { id: route.params.id }, query: { open: id.value } })
}
</script>

<template>
  <FormDialog v-model="open" :title="`Order ${piece.name}`" action="Order" :faults="form.faults" :busy="form.busy" :width="820" :blocked="breaks ? 'Needs a signed change first' : ''" @submit="save">
    <p class="quiet" style="margin-bottom: 6px">{{ candidate?.name }}, from {{ seller }}. {{ writeQuantity(stillOpen, piece.unit) }} still wanted. The terms are kept as ordered; a later price never rewrites them.</p>
    <p v-if="candidate && candidate.returnDays === null" class="final"><strong>A final sale:</strong> this seller takes nothing back.</p>
    <div class="order-form">
      <div>
        <div class="columns">
          <FieldText :field="form.fields.packs" :label="candidate?.packSize === 1 ? 'How many' : `Packs of ${candidate?.packSize} ${piece.unit}`" />
          <FieldText :field="form.fields.orderedOn" label="Ordered on" />
          <FieldText :field="form.fields.reference" label="Order number" optional />
        </div>
        <div class="columns">
          <FieldText :field="form.fields.priceMinor" label="Price of a pack" :unit="makeover.currency" />
          <FieldText :field="form.fields.discountPpm" label="Discount" unit="%" />
          <FieldText :field="form.fields.deliveryMinor" label="Delivery" :unit="makeover.currency" />
          <FieldText :field="form.fields.taxPpm" label="Tax" unit="%" />
        </div>
        <div class="columns">
          <FieldYes :field="form.fields.taxIncluded" label="Prices include tax" />
          <FieldYes :field="form.fields.deliveryTaxed" label="Delivery is taxed" />
        </div>
        <DifferencePreview v-if="difference" :preview="difference" />
      </div>
      <aside class="landed-so-far" aria-label="Landed cost"><WorkingSlip v-if="typed" :working="typed.working" :currency="makeover.currency" /></aside>
    </div>
    <div v-if="breaks" class="stop-line" role="alert"><strong>Stop</strong><span>{{ breaks.message }}.</span></div>
    <p v-for="fault in others" :key="fault.message" class="stop-line" role="alert">{{ fault.message }}</p>
    <template #before-action><el-button v-if="breaks" @click="changing = true">Sign a change</el-button></template>
  </FormDialog>
  <BudgetDialog v-model="changing" mode="change" :raise="raise" />
</template>

<style>
.order-form { display: grid; grid-template-columns: minmax(0, 1fr) 216px; gap: 24px; }
.order-form .columns { grid-template-columns: repeat(auto-fit, minmax(110px, 1fr)); }
.final { border-left: 4px solid var(--ink); padding-left: 8px; margin-bottom: 8px; }
@media (max-width: 720px) { .order-form { grid-template-columns: 1fr; } }
</style>

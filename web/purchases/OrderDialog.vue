<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { watchDebounced } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { blank, termsOf } from '#core/makeover/blank.ts'
import { add, type Operation } from '#core/makeover/change.ts'
import { buyers, taxRoundings } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { sum, zero } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { workingLine, type Working } from '#core/money/working.ts'
import { couponShares, landedWorking, landOrder, packsFor } from '#core/purchases/index.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import BudgetDialog from '../brief/BudgetDialog.vue'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import {
  choiceField,
  dateField,
  maybeChoiceField,
  maybeDateField,
  moneyField,
  numberField,
  rateField,
  textField,
  useForm,
  type Field,
} from '../parts/form.ts'
import { asOptions } from '../parts/rowform.ts'
import WorkingSlip from '../parts/WorkingSlip.vue'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'
import DifferencePreview from '../parts/DifferencePreview.vue'

/** An order to one seller: the piece it began with, and what else is chosen from the same seller and still open. */
const { first } = defineProps<{ first: Row<'piece'> }>()
const open = defineModel<boolean>({ required: true })
const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const candidates = useRows('candidate')
const pieces = useRows('piece')
const coupons = useRows('coupon')
const candidateOf = (piece: Row<'piece'>): Row<'candidate'> | null => byId(candidates.value, piece.chosenId) ?? null
const stillOpen = (piece: Row<'piece'>): number => byId(makeover.reckoning?.money.pieces, piece.id)?.open ?? 0
const sellerId = computed(() => candidateOf(first)?.sellerId ?? null)
const seller = computed(() => (sellerId.value ? makeover.opened?.studio.rows.seller[sellerId.value] : undefined))
const others = computed(() =>
  pieces.value.filter(
    (piece) =>
      piece.id !== first.id &&
      sellerId.value !== null &&
      stillOpen(piece) > 0 &&
      candidateOf(piece)?.sellerId === sellerId.value,
  ),
)
const ownCoupons = computed(() => coupons.value.filter((row) => row.sellerId === sellerId.value))

const { form, reset, submit } = useForm(() => ({
  orderedOn: dateField(makeover.opened?.today ?? null),
  reference: textField('', { most: 60, may: true }),
  boughtBy: choiceField(buyers, 'client'),
  depositMinor: moneyField(makeover.currency, zero),
  balanceDueOn: maybeDateField(null),
  couponId: maybeChoiceField(
    ownCoupons.value.map((row) => row.id),
    null,
  ),
  taxRounding: choiceField(taxRoundings, seller.value?.taxRounding ?? 'line'),
}))
type Amount = ReturnType<typeof sum>
type Line = {
  piece: Row<'piece'>
  candidate: Row<'candidate'>
  id: string
  packs: Field<number>
  price: Field<Amount>
  discount: Field<number>
  delivery: Field<Amount>
}
const lines = ref<Line[]>([])
const orderId = ref(uuidv7())
const difference = shallowRef<Preview | null>(null)
const changing = ref(false)

function lineOf(piece: Row<'piece'>): Line | null {
  const candidate = candidateOf(piece)
  if (!candidate) return null
  return {
    piece,
    candidate,
    id: uuidv7(),
    packs: numberField(packsFor(Math.max(stillOpen(piece), 0.001), candidate.packSize), {
      decimals: 0,
      least: 1,
      most: 100_000,
    }),
    price: moneyField(makeover.currency, candidate.priceMinor),
    discount: rateField(candidate.discountPpm),
    delivery: moneyField(makeover.currency, candidate.deliveryMinor),
  }
}
function begin(): void {
  reset()
  orderId.value = uuidv7()
  const line = lineOf(first)
  lines.value = line ? [line] : []
}
watch(open, (isOpen) => isOpen && begin(), { immediate: true })
const has = (piece: Row<'piece'>): boolean => lines.value.some((line) => line.piece.id === piece.id)
function toggle(piece: Row<'piece'>): void {
  const line = has(piece) ? null : lineOf(piece)
  if (line) lines.value.push(line)
  else lines.value = lines.value.filter((line) => line.piece.id !== piece.id)
}

/** The order as typed so far; null while a part cannot be read. */
const typed = computed(() => {
  const read = lines.value.map((line) => ({
    line,
    packs: line.packs.read(line.packs.text),
    price: line.price.read(line.price.text),
    discount: line.discount.read(line.discount.text),
    delivery: line.delivery.read(line.delivery.text),
  }))
  const on = form.fields.orderedOn.read(form.fields.orderedOn.text)
  const deposit = form.fields.depositMinor.read(form.fields.depositMinor.text || '0')
  const balance = form.fields.balanceDueOn.read(form.fields.balanceDueOn.text)
  if (!on.ok || !deposit.ok || !balance.ok || read.length === 0) return null
  const plain = read.flatMap(({ line, packs, price, discount, delivery }) =>
    packs.ok && price.ok && discount.ok && delivery.ok
      ? [
          {
            id: line.id,
            fields: {
              ...termsOf(line.candidate),
              priceMinor: price.value,
              discountPpm: discount.value,
              deliveryMinor: delivery.value,
              orderId: orderId.value,
              pieceId: line.piece.id,
              candidateId: line.candidate.id,
              packs: packs.value,
            },
            line,
          },
        ]
      : [],
  )
  if (plain.length < read.length) return null
  const coupon = byId(ownCoupons.value, form.fields.couponId.text)
  const shares = coupon
    ? couponShares(
        coupon,
        plain.map((entry) => entry.fields),
      )
    : []
  const purchases = plain.map(({ id, fields, line }, at) => ({
    id,
    line,
    fields: { ...fields, couponMinor: shares[at] ?? zero },
  }))
  const rounding = form.fields.taxRounding.text === 'total' ? 'total' : 'line'
  const landed = landOrder(
    purchases.map((purchase) => purchase.fields),
    rounding,
  )
  const order = {
    ...blank.order,
    sellerId: sellerId.value,
    orderedOn: on.value,
    reference: form.fields.reference.text.trim(),
    boughtBy: form.fields.boughtBy.text === 'studio' ? ('studio' as const) : ('client' as const),
    depositMinor: deposit.value,
    balanceDueOn: balance.value,
    taxRounding: rounding,
    couponId: coupon?.id ?? null,
  } as const
  const operations: Operation[] = [
    add('order', orderId.value, order),
    ...purchases.map(({ id, fields }) => add('purchase', id, fields)),
  ]
  const [only] = purchases
  const working: Working =
    purchases.length === 1 && only && landed[0]
      ? landedWorking(only.fields, landed[0], makeover.currency)
      : {
          title: 'Landed',
          means: '',
          lines: purchases.map(({ line }, at) =>
            workingLine(
              line.piece.name,
              landed[at]?.landed ?? zero,
              `with tax of ${writeMoney(landed[at]?.tax ?? zero, makeover.currency)}`,
            ),
          ),
          result: workingLine('Landed', sum(landed.map((landed) => landed.landed))),
        }
  return { operations, working }
})
watchDebounced(
  [typed, open, () => makeover.reckoning],
  async () => {
    const order = typed.value
    if (open.value && order) difference.value = await makeover.preview(order.operations)
  },
  { debounce: 120, immediate: true },
)
const breaks = computed(() => difference.value?.faults.find((fault) => fault.code === 'over-agreed') ?? null)
const faults = computed(() =>
  (difference.value?.faults ?? []).filter(
    (fault) => fault.code !== 'over-agreed' && (fault.field === null || fault.field === 'couponId'),
  ),
)
const raise = computed(() => {
  const over = difference.value?.after.money.total.over
  return breaks.value && over && first.categoryId ? { categoryId: first.categoryId, by: over } : null
})
const finals = computed(() => lines.value.filter((line) => line.candidate.returnDays === null))

async function save(): Promise<void> {
  let good = true
  for (const line of lines.value)
    for (const field of [line.packs, line.price, line.discount, line.delivery]) {
      const read = field.read(field.text)
      field.error = read.ok ? '' : read.error
      good &&= read.ok
    }
  const done = await submit(() => {
    if (!good || !typed.value)
      return Promise.resolve([{ field: null, message: 'A line of the order is not right yet: see above.' }])
    const names = lines.value.map((line) => line.piece.name).join(', ')
    return makeover.change(
      `Ordered ${names}${seller.value ? ` from ${seller.value.name}` : ''}`.slice(0, 490),
      typed.value.operations,
    )
  })
  if (!done) return
  open.value = false
  if (route.name !== 'purchases')
    await router.push({ name: 'purchases', params: { id: route.params.id }, query: { open: lines.value[0]?.id } })
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="`Order ${first.name}`"
    action="Order"
    :faults="form.faults"
    :busy="form.busy"
    :width="860"
    :blocked="breaks ? 'Needs a signed change first' : ''"
    @submit="save"
  >
    <p class="quiet" style="margin-bottom: 6px">
      {{ seller ? `To ${seller.name}.` : 'Without a seller.' }} The terms are kept as ordered; a later price never
      rewrites them.
    </p>
    <p v-for="line in finals" :key="line.id" class="final">
      <strong>A final sale:</strong> {{ line.candidate.name }} cannot go back.
    </p>
    <div class="order-form">
      <div>
        <div v-for="line in lines" :key="line.id" class="order-line">
          <p>
            <strong>{{ line.piece.name }}</strong>{{ ' ' }}
            <span class="quiet"
              >{{ line.candidate.name }}; {{ writeQuantity(stillOpen(line.piece), line.piece.unit) }} still wanted</span
            >{{ ' ' }}
            <button v-if="lines.length > 1" type="button" class="word" @click="toggle(line.piece)">leave out</button>
          </p>
          <div class="columns">
            <FieldText
              :field="line.packs"
              :label="
                line.candidate.packSize === 1 ? 'How many' : `Packs of ${line.candidate.packSize} ${line.piece.unit}`
              "
            />
            <FieldText :field="line.price" label="Price of a pack" :unit="makeover.currency" />
            <FieldText :field="line.discount" label="Discount" unit="%" />
            <FieldText :field="line.delivery" label="Delivery" :unit="makeover.currency" />
          </div>
        </div>
        <p v-if="others.some((piece) => !has(piece))" class="also">
          Also chosen there:
          <button
            v-for="piece in others.filter((other) => !has(other))"
            :key="piece.id"
            type="button"
            class="word"
            @click="toggle(piece)"
          >
            add {{ piece.name }}
          </button>
        </p>
        <div class="columns">
          <FieldText :field="form.fields.orderedOn" label="Ordered on" />
          <FieldText :field="form.fields.reference" label="Order number" optional />
          <FieldChoice
            :field="form.fields.boughtBy"
            label="Bought by"
            :options="[
              { value: 'client', label: 'the client' },
              { value: 'studio', label: 'the studio' },
            ]"
          />
        </div>
        <div class="columns">
          <FieldText :field="form.fields.depositMinor" label="Deposit asked" :unit="makeover.currency" />
          <FieldText :field="form.fields.balanceDueOn" label="Balance due on" optional />
          <FieldChoice
            v-if="ownCoupons.length > 0"
            :field="form.fields.couponId"
            label="Coupon"
            :options="optionsOf(ownCoupons)"
            none="none"
          />
          <FieldChoice
            v-if="lines.length > 1"
            :field="form.fields.taxRounding"
            label="Tax is rounded for each"
            :options="asOptions(taxRoundings)"
          />
        </div>
        <DifferencePreview v-if="difference" :preview="difference" />
      </div>
      <aside class="landed-so-far" aria-label="Landed cost">
        <WorkingSlip v-if="typed" :working="typed.working" :currency="makeover.currency" />
      </aside>
    </div>
    <div v-if="breaks" class="stop-line" role="alert">
      <strong>Stop</strong><span>{{ breaks.message }}.</span>
    </div>
    <p v-for="fault in faults" :key="fault.message" class="stop-line" role="alert">{{ fault.message }}</p>
    <template #before-action><el-button v-if="breaks" @click="changing = true">Sign a change</el-button></template>
  </FormDialog>
  <BudgetDialog v-model="changing" mode="change" :raise="raise" />
</template>

<style>
.order-form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 216px;
  gap: 24px;
}
.order-form .columns {
  grid-template-columns: repeat(auto-fit, minmax(110px, 1fr));
}
.order-line + .order-line {
  border-top: 1px solid var(--hairline);
  padding-top: 6px;
}
.also .word {
  margin-right: 14px;
}
.final {
  border-left: 4px solid var(--ink);
  padding-left: 8px;
  margin-bottom: 8px;
}
@media (max-width: 720px) {
  .order-form {
    grid-template-columns: 1fr;
  }
}
</style>

<script setup lang="ts">
import { computed, ref } from 'vue'
import { taxRoundings, tenders } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import BudgetDialog from '../brief/BudgetDialog.vue'
import DifferencePreview from '../parts/DifferencePreview.vue'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import { asOptions } from '../parts/rowform.ts'
import WorkingSlip from '../parts/WorkingSlip.vue'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf } from '../stores/rows.ts'
import { useOrderForm } from './order-form.ts'

/** An order to one seller: the piece it began with, and what else is chosen from the same seller and still open. */
const { first } = defineProps<{ first: Row<'piece'> }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const {
  form,
  seller,
  others,
  ownCoupons,
  lines,
  difference,
  has,
  toggle,
  typed,
  breaks,
  faults,
  raise,
  finals,
  stillOpen,
  save,
} = useOrderForm(() => first, open)
const changing = ref(false)
const spot = computed(() => form.fields.onTheSpot.text === 'yes')
const isInSizes = (piece: Row<'piece'>): boolean => lines.value.filter((line) => line.piece.id === piece.id).length > 1
/** What a gift card or a credit note pays is entered with the card, as a payment. */
const overTheCounter = tenders.filter((tender) => tender !== 'gift card' && tender !== 'held credit')
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
    :changes="['order']"
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
              :field="line.fields.packs"
              :label="
                line.candidate.packSize === 1 && !isInSizes(line.piece)
                  ? 'How many'
                  : `Packs of ${line.candidate.packSize} ${line.piece.unit}`
              "
            />
            <FieldText
              :field="line.fields.priceMinor"
              :label="line.candidate.packSize === 1 && !isInSizes(line.piece) ? 'Price' : 'Price of a pack'"
              :unit="makeover.currency"
            />
            <FieldText :field="line.fields.discountPpm" label="Discount" unit="%" />
            <FieldText :field="line.fields.deliveryMinor" label="Delivery" :unit="makeover.currency" />
          </div>
          <FieldYes
            v-if="form.fields.couponId.text !== ''"
            :field="line.fields.offCoupon"
            label="Of a kind that the coupon excludes"
          />
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
        <div class="columns spot">
          <FieldYes :field="form.fields.onTheSpot" label="Bought on the spot: paid in full, and here" />
          <FieldChoice v-if="spot" :field="form.fields.tender" label="Paid by" :options="asOptions(overTheCounter)" />
        </div>
        <div class="columns">
          <FieldText v-if="!spot" :field="form.fields.depositMinor" label="Deposit asked" :unit="makeover.currency" />
          <FieldText v-if="!spot" :field="form.fields.balanceDueOn" label="Balance due on" optional />
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
        <DifferencePreview :preview="difference" />
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

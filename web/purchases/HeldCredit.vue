<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, ref } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { zero } from '#core/money/minor.ts'
import { writeMoney, writeRate } from '#core/money/written.ts'
import { useSetting } from '../stores/setting.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { couponForm, giftCardForm, sellerForm } from './seller-forms.ts'

/** What is held with sellers, and the coupons that may be used. */
const makeover = useMakeover()
const setting = useSetting()
const credits = useRows('credit')
const coupons = useRows('coupon')
const balance = (id: string) => byId(makeover.reckoning?.money.credits, id)?.balance ?? zero
const seller = (id: string): string => makeover.opened?.studio.rows.seller[id]?.name ?? ''
const forms = computed(() =>
  setting.value && makeover.opened
    ? {
        coupon: couponForm(setting.value, makeover.opened.studio),
        card: giftCardForm(setting.value, makeover.opened.studio),
        seller: sellerForm(),
      }
    : null,
)
const coupon = ref<Row<'coupon'> | null>(null)
const couponOpen = ref(false)
const card = ref<Row<'credit'> | null>(null)
const cardOpen = ref(false)
/** The sellers that this makeover asks, has asked, or holds credit with. */
const sellers = computed(() => {
  const rows = makeover.opened?.makeover.rows
  const asked = new Set(
    [
      ...Object.values(rows?.candidate ?? {}),
      ...Object.values(rows?.credit ?? {}),
      ...Object.values(rows?.order ?? {}),
    ].map((row) => row.sellerId),
  )
  return Object.values(makeover.opened?.studio.rows.seller ?? {})
    .filter(({ id }) => asked.has(id))
    .toSorted((left, right) => left.name.localeCompare(right.name, 'en'))
})
const sellerInHand = ref<Row<'seller'> | null>(null)
const sellerOpen = ref(false)
function openSeller(row: Row<'seller'>): void {
  sellerInHand.value = row
  sellerOpen.value = true
}
function openCoupon(row: Row<'coupon'> | null): void {
  coupon.value = row
  couponOpen.value = true
}
function openCard(row: Row<'credit'> | null): void {
  card.value = row
  cardOpen.value = true
}
</script>

<template>
  <section class="held" aria-labelledby="held-title">
    <div class="section-head">
      <h2 id="held-title">Held credit and coupons</h2>
      <span class="ends"
        ><button type="button" class="word" @click="openCard(null)">Note a gift card</button
        ><button type="button" class="word" @click="openCoupon(null)">Note a coupon</button></span
      >
    </div>
    <table v-cards v-if="credits.length + coupons.length > 0">
      <thead>
        <tr>
          <th>What</th>
          <th>With</th>
          <th>Until</th>
          <th class="number">Worth</th>
          <th class="number">Left on it</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in credits" :key="row.id">
          <td>
            <button type="button" class="word" @click="openCard(row)">
              {{ row.kind }}{{ row.number ? `, ${row.number}` : '' }}
            </button>
          </td>
          <td class="quiet">{{ seller(row.sellerId) }}</td>
          <td>{{ row.expiresOn ? writeDate(row.expiresOn) : 'no end' }}</td>
          <td class="number">
            <MoneyAmount v-if="row.faceMinor > 0" :amount="row.faceMinor" :currency="makeover.currency" />
          </td>
          <td class="number">
            <strong><MoneyAmount :amount="balance(row.id)" :currency="makeover.currency" /></strong>
          </td>
        </tr>
        <tr v-for="row in coupons" :key="row.id">
          <td>
            <button type="button" class="word" @click="openCoupon(row)">coupon, {{ row.name }}</button>
          </td>
          <td class="quiet">{{ seller(row.sellerId) }}</td>
          <td>{{ row.endsOn ? writeDate(row.endsOn) : 'no end' }}</td>
          <td class="number">
            {{ row.gives === 'percent' ? writeRate(row.ratePpm) : writeMoney(row.amountMinor, makeover.currency) }} off
          </td>
          <td class="number quiet">
            {{ row.minimumMinor > 0 ? `from ${writeMoney(row.minimumMinor, makeover.currency)}` : '' }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">Nothing is held with a seller.</p>
    <p v-if="sellers.length > 0" class="sellers quiet">
      Sellers:
      <button v-for="row in sellers" :key="row.id" type="button" class="word" @click="openSeller(row)">
        {{ row.name }}{{ row.groupName ? ` (${row.groupName})` : '' }}
      </button>
    </p>
    <RowDialog v-if="forms" v-model="sellerOpen" :form="forms.seller" :row="sellerInHand" />
    <RowDialog v-if="forms" v-model="couponOpen" :form="forms.coupon" :row="coupon" :width="640" />
    <RowDialog v-if="forms" v-model="cardOpen" :form="forms.card" :row="card" />
  </section>
</template>

<style>
.held {
  margin-top: 24px;
}
.held .sellers {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.held td {
  padding-top: 5px;
  padding-bottom: 5px;
}
</style>

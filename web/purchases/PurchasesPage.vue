<script setup lang="ts">
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { useKeys } from '../frame/keys.ts'
import RowDialog from '../parts/RowDialog.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useSetting } from '../stores/setting.ts'
import { cancelForm, claimForm, goodsForm, placeForm } from './forms.ts'
import HeldCredit from './HeldCredit.vue'
import MoneyLadder from './MoneyLadder.vue'
import MoneyTag from './MoneyTag.vue'
import { useOrderInHand, type OrderAct } from './order-in-hand.ts'
import { useOrderLines } from './order-lines.ts'
import OrderDialog from './OrderDialog.vue'
import OrdersTable from './OrdersTable.vue'
import OrderTag from './OrderTag.vue'
import PaymentDialog from './PaymentDialog.vue'
import ReturnDialog from './ReturnDialog.vue'
import StatementLinks from './StatementLinks.vue'
import WishesTable from './WishesTable.vue'

const route = useRoute()
const makeover = useMakeover()
const setting = useSetting()
const pieces = useRows('piece')
const lines = useOrderLines()
const wishes = computed(() =>
  pieces.value.filter(
    (piece) => piece.chosenId !== null && (byId(makeover.reckoning?.money.pieces, piece.id)?.open ?? 0) > 0,
  ),
)

const pickedId = ref<string | null>(null)
watch(
  () => route.query.open,
  (id) => typeof id === 'string' && (pickedId.value = id),
  { immediate: true },
)
const picked = computed(() => byId(lines.value, pickedId.value) ?? null)
const { whole, hand } = useOrderInHand(() => picked.value)

/** On a narrow page the tag hangs below: what is picked is brought into sight. */
function pick(id: string): void {
  pickedId.value = id
  if (window.innerWidth <= 1080) void nextTick(() => document.getElementById('tag')?.scrollIntoView({ block: 'start' }))
}

const versions = computed(() => (makeover.reckoning?.money.versions ?? []).filter(({ row }) => row.signedOn !== null))
const said = computed(() => {
  const [first, ...changes] = versions.value
  if (!first?.row.signedOn) return 'no budget signed yet'
  const last = changes.at(-1)
  return `agreed ${writeDate(first.row.signedOn)}${last?.row.signedOn ? `, changed ${changes.length === 1 ? 'once' : `${changes.length} times`}, last on ${writeDate(last.row.signedOn)}, signed` : ''}`
})

/** Which form of the order in hand is open. */
const opened = reactive({ goods: false, cancel: false, claim: false, place: false, back: false, order: false })
const paying = ref<'out' | 'back' | null>(null)
const claimed = ref<Row<'claim'> | null>(null)
const accepting = ref<Row<'return'> | null>(null)
const damaged = ref<Row<'return'>['settles'] | null>(null)
const ordering = ref<Row<'piece'> | null>(null)
const forms = computed(() => {
  if (!setting.value || !picked.value) return null
  const asks = hand.value?.drop
    ? { about: 'price drop' as const, amount: hand.value.drop.saves }
    : { about: 'damage' as const, amount: null }
  return {
    goods: goodsForm(setting.value, picked.value),
    cancel: cancelForm(setting.value, picked.value),
    claim: claimForm(setting.value, picked.value, asks),
    place: placeForm(setting.value, picked.value),
  }
})
function order(piece: Row<'piece'> | undefined): void {
  if (!piece) return
  ordering.value = piece
  opened.order = true
}
function act(what: OrderAct): void {
  if (what.is === 'pay' || what.is === 'refund') paying.value = what.is === 'pay' ? 'out' : 'back'
  else {
    if (what.is === 'back') {
      accepting.value = what.row
      damaged.value = what.damaged ?? null
    }
    if (what.is === 'claim') claimed.value = what.row
    opened[what.is] = true
  }
}
const actIf = (may: boolean | undefined, what: OrderAct): void => {
  if (may) act(what)
}
useKeys([
  { key: 'n', does: 'Order the first of what is chosen', run: () => order(wishes.value[0]) },
  { key: 'p', does: 'Pay the order in hand', run: () => actIf((whole.value?.committed ?? 0) > 0, { is: 'pay' }) },
  { key: 'e', does: 'Goods of the order in hand came', run: () => actIf(hand.value?.canReceive, { is: 'goods' }) },
  {
    key: 'b',
    does: 'Send goods of the order in hand back',
    run: () => actIf((hand.value?.kept ?? 0) > 0, { is: 'back', row: null }),
  },
  {
    key: 'l',
    does: 'Put the order in hand in its place',
    run: () => actIf((hand.value?.kept ?? 0) > 0, { is: 'place' }),
  },
  { key: 'x', does: 'Cancel what has not come', run: () => actIf(hand.value?.canReceive, { is: 'cancel' }) },
  { key: 'c', does: 'Ask its seller for money off', run: () => actIf(hand.value !== null, { is: 'claim', row: null }) },
])
</script>

<template>
  <div v-if="makeover.reckoning" class="purchases">
    <div class="page-head">
      <h1>Purchases</h1>
      <span class="quiet">{{ said }}</span>
      <router-link class="account-link" :to="{ name: 'account', params: { id: $route.params.id } }"
        >Fees and client money</router-link
      >
    </div>
    <StepRemarks step="purchases" />
    <MoneyLadder
      v-if="makeover.reckoning.money.categories.length > 0"
      :money="makeover.reckoning.money"
      :currency="makeover.currency"
    />
    <section v-if="lines.length > 0" aria-label="Orders">
      <OrdersTable :lines="lines" :chosen="pickedId" @choose="pick" />
    </section>
    <p v-else class="opening">
      Nothing is ordered yet.
      <template v-if="wishes.length === 0"
        >Choose a candidate for a
        <router-link :to="{ name: 'pieces', params: { id: $route.params.id } }">piece</router-link>, and it can be
        ordered here.</template
      >
    </p>
    <WishesTable v-if="wishes.length > 0" :wishes="wishes" @order="order" />
    <HeldCredit />
    <StatementLinks />

    <Teleport defer to="#tag">
      <OrderTag v-if="picked && whole && hand" :line="picked" :whole="whole" :hand="hand" @act="act" />
      <MoneyTag v-else />
    </Teleport>
    <template v-if="picked && whole && hand && forms">
      <PaymentDialog
        :order="picked.order"
        :money="whole"
        :direction="paying"
        :name="hand.name"
        @close="paying = null"
      />
      <RowDialog v-model="opened.goods" :form="forms.goods" />
      <RowDialog v-model="opened.cancel" :form="forms.cancel" />
      <RowDialog v-model="opened.claim" :form="forms.claim" :row="claimed" />
      <RowDialog v-model="opened.place" :form="forms.place" :row="hand.placing" />
      <ReturnDialog
        v-model="opened.back"
        :purchase="picked.row"
        :money="picked.money"
        :accepting="accepting"
        :damaged="damaged"
      />
    </template>
    <OrderDialog v-if="ordering" v-model="opened.order" :first="ordering" />
  </div>
</template>

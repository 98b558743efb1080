<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { remove } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { writeDate, writeShortDate, writeWeekdayDate } from '#core/measure/plain-date.ts'
import { minus, negate } from '#core/money/minor.ts'
import { landedWorking, pieceWorking, purchaseWorking } from '#core/purchases/index.ts'
import { useKeys } from '../frame/keys.ts'
import FigureButton from '../parts/FigureButton.vue'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import StateDots from '../parts/StateDots.vue'
import RemarkList from '../remarks/RemarkList.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import GoodsDialog from './GoodsDialog.vue'
import MoneyLadder from './MoneyLadder.vue'
import OrderDialog from './OrderDialog.vue'
import PaymentDialog from './PaymentDialog.vue'
import PurchaseStory from './PurchaseStory.vue'
import ReturnDialog from './ReturnDialog.vue'

const route = useRoute()
const makeover = useMakeover()
const working = useWorking()
const rows = useRows('purchase')
const pieces = useRows('piece')
const candidates = useRows('candidate')
const returns = useRows('return')

const pieceOf = (row: Row<'purchase'>) => pieces.value.find((piece) => piece.id === row.pieceId)
const sellerOf = (row: Row<'purchase'>): string => makeover.opened?.studio.rows.seller[candidates.value.find((one) => one.id === row.candidateId)?.sellerId ?? '']?.name ?? ''
const list = computed(() =>
  rows.value.flatMap((row) => {
    const money = makeover.reckoning?.money.purchases.find((one) => one.id === row.id)
    return money ? [{ row, money, name: pieceOf(row)?.name ?? '', seller: sellerOf(row), candidate: candidates.value.find((one) => one.id === row.candidateId) }] : []
  }),
)
const swatchOf = (candidate: Row<'candidate'> | undefined) =>
  candidate?.labL == null || candidate.labA === null || candidate.labB === null ? null : { family: 'paper' as const, sheen: 'matt' as const, labL: candidate.labL, labA: candidate.labA, labB: candidate.labB }
const wishes = computed(() => pieces.value.filter((piece) => piece.chosenId !== null && (makeover.reckoning?.money.pieces.find((one) => one.id === piece.id)?.open ?? 0) > 0))
const wish = (piece: Row<'piece'>) => makeover.reckoning?.money.pieces.find((one) => one.id === piece.id)
const orderBy = (piece: Row<'piece'>) => makeover.reckoning?.dates.find((one) => one.id === piece.id)

const pickedId = ref<string | null>(null)
watch(() => route.query.open, (id) => typeof id === 'string' && (pickedId.value = id), { immediate: true })
const picked = computed(() => list.value.find((one) => one.row.id === pickedId.value) ?? null)
const waiting = computed(() => returns.value.filter((one) => one.purchaseId === pickedId.value && one.acceptedOn === null))
const remarks = computed(() => (makeover.reckoning?.remarks ?? []).filter((remark) => (picked.value ? remark.subjects.some((subject) => subject.id === picked.value?.row.id) : remark.step === 'purchases' && remark.weight !== 'stop' && remark.subjects.every((subject) => subject.kind !== 'purchase'))))
const versions = computed(() => (makeover.reckoning?.money.versions ?? []).filter(({ row }) => row.signedOn !== null))
const said = computed(() => {
  const [first, ...changes] = versions.value
  if (!first?.row.signedOn) return 'no budget signed yet'
  const last = changes.at(-1)
  return `agreed ${writeDate(first.row.signedOn)}${last?.row.signedOn ? `, changed ${changes.length === 1 ? 'once' : `${changes.length} times`}, last on ${writeDate(last.row.signedOn)}, signed` : ''}`
})

const paying = ref<'out' | 'back' | null>(null)
const goodsOpen = ref(false)
const returnOpen = ref(false)
const accepting = ref<Row<'return'> | null>(null)
const ordering = ref<Row<'piece'> | null>(null)
const orderOpen = ref(false)
const problem = ref('')
function order(piece: Row<'piece'> | undefined): void {
  if (!piece) return
  ordering.value = piece
  orderOpen.value = true
}
function sendBack(): void {
  accepting.value = null
  returnOpen.value = true
}
function acceptReturn(row: Row<'return'>): void {
  accepting.value = row
  returnOpen.value = true
}
async function takeAway(row: Row<'purchase'>): Promise<void> {
  const faults = await makeover.change(`Took away an order that was entered wrongly: ${pieceOf(row)?.name ?? ''}`, [remove('purchase', row)])
  problem.value = faults.length > 0 ? 'Something hangs on this order already: a payment, a delivery or a return.' : ''
}
const canPay = computed(() => (picked.value?.money.committed ?? 0) > 0)
useKeys([
  { key: 'n', does: 'Order the first of what is chosen', run: () => order(wishes.value[0]) },
  { key: 'p', does: 'Pay the order in hand', run: () => canPay.value && (paying.value = 'out') },
  { key: 'e', does: 'Goods of the order in hand came', run: () => (goodsOpen.value = picked.value !== null && picked.value.money.received < picked.value.money.packs) },
  { key: 'b', does: 'Send goods of the order in hand back', run: () => picked.value && picked.value.money.received > 0 && sendBack() },
])
</script>

<template>
  <div v-if="makeover.reckoning" class="purchases">
    <div class="page-head">
      <h1>Purchases</h1>
      <span class="quiet">{{ said }}</span>
    </div>
    <StepRemarks step="purchases" />
    <MoneyLadder v-if="makeover.reckoning.money.categories.length > 0" :money="makeover.reckoning.money" :currency="makeover.currency" />

    <section v-if="list.length > 0" aria-label="Orders">
      <table class="orders">
        <thead>
          <tr><th colspan="2">What</th><th>Where from</th><th>How far</th><th>Tags and return</th><th class="number">Paid</th><th class="number">Due</th></tr>
        </thead>
        <tbody>
          <tr v-for="one in list" :key="one.row.id" :class="{ chosen: one.row.id === pickedId }" @click="pickedId = one.row.id">
            <td class="swatch"><span><MaterialSwatch v-if="swatchOf(one.candidate)" :finish="swatchOf(one.candidate)!" :scale="0.5" /></span></td>
            <td><button type="button" class="bare name" :aria-pressed="one.row.id === pickedId" @click.stop="pickedId = one.row.id">{{ one.name }}</button></td>
            <td class="quiet">{{ one.seller }}</td>
            <td><StateDots :state="one.money.state" /></td>
            <td>
              <template v-if="one.money.returnBy"><span class="shop-tag" aria-hidden="true" />on, till {{ writeShortDate(one.money.returnBy) }}</template>
              <span v-else-if="one.row.returnDays === null" class="quiet">no return</span>
              <span v-else class="quiet">–</span>
            </td>
            <td class="number"><MoneyAmount :amount="one.money.paid" :currency="makeover.currency" /></td>
            <td class="number"><FigureButton :amount="one.money.refundDue > 0 ? negate(one.money.refundDue) : one.money.committed" :of="`Due on ${one.name}`" :over="one.money.refundDue > 0" @click="makeover.opened && working.showWorking(purchaseWorking(makeover.opened.makeover, one.money))" /></td>
          </tr>
        </tbody>
      </table>
    </section>
    <p v-else class="opening">Nothing is ordered yet. <template v-if="wishes.length === 0">Choose a candidate for a <router-link :to="{ name: 'pieces', params: { id: $route.params.id } }">piece</router-link>, and it can be ordered here.</template></p>

    <section v-if="wishes.length > 0" class="wishes" aria-labelledby="wishes-title">
      <h2 id="wishes-title">Chosen, to be ordered</h2>
      <table>
        <thead><tr><th>What</th><th>Order by</th><th class="number">Landed</th><th><span class="visually-hidden">Do</span></th></tr></thead>
        <tbody>
          <tr v-for="piece in wishes" :key="piece.id">
            <td>{{ piece.name }} <span class="quiet">{{ writeQuantity(wish(piece)?.open ?? 0, piece.unit) }}</span></td>
            <td><span v-if="orderBy(piece)?.orderBy" :class="{ inverted: (orderBy(piece)?.slackDays ?? 0) < 0 }">{{ writeDate(orderBy(piece)!.orderBy!) }}</span><span v-else class="quiet">no install date</span></td>
            <td class="number"><FigureButton v-if="wish(piece)" :amount="wish(piece)!.stillToBuy" :of="`Landed cost of ${piece.name}`" @click="makeover.opened && working.showWorking(pieceWorking(makeover.opened.makeover, wish(piece)!))" /></td>
            <td class="number"><button type="button" class="word" :aria-label="`Order ${piece.name}`" @click="order(piece)">Order</button></td>
          </tr>
        </tbody>
      </table>
    </section>

    <Teleport defer to="#tag">
      <section v-if="picked" class="tag" aria-label="Order">
        <span class="hole" aria-hidden="true" />
        <h2>{{ picked.name }}</h2>
        <p>{{ picked.candidate?.name }}, {{ picked.seller }}<template v-if="picked.row.reference">, order {{ picked.row.reference }}</template></p>
        <hr />
        <dl class="pairs money-pairs">
          <div><dt>Landed, {{ picked.row.packs }} {{ picked.row.packs === 1 ? 'pack' : 'packs' }}</dt><dd><u><FigureButton :amount="picked.money.terms.landed" of="Landed cost" @click="working.showWorking(landedWorking(picked.row, picked.money.terms, makeover.currency))" /></u></dd></div>
          <div v-if="picked.money.credited > 0"><dt>Credited</dt><dd><MoneyAmount :amount="negate(picked.money.credited)" :currency="makeover.currency" /></dd></div>
          <div><dt>Owed</dt><dd><strong><MoneyAmount :amount="picked.money.owed" :currency="makeover.currency" /></strong></dd></div>
          <div><dt>Paid</dt><dd><MoneyAmount :amount="picked.money.paid" :currency="makeover.currency" /></dd></div>
          <div v-if="picked.money.refundDue > 0"><dt>To come back</dt><dd><FigureButton :amount="picked.money.refundDue" of="To come back" over @click="makeover.opened && working.showWorking(purchaseWorking(makeover.opened.makeover, picked.money))" /></dd></div>
          <div v-else><dt>Due</dt><dd><u><FigureButton :amount="picked.money.committed" of="Due" @click="makeover.opened && working.showWorking(purchaseWorking(makeover.opened.makeover, picked.money))" /></u></dd></div>
        </dl>
        <hr />
        <dl class="pairs">
          <div><dt>Ordered</dt><dd>{{ writeDate(picked.row.orderedOn) }}</dd></div>
          <div v-if="picked.money.received < picked.money.packs"><dt>Expected</dt><dd>{{ writeDate(picked.money.arrivesOn) }}</dd></div>
          <div><dt>Here</dt><dd>{{ picked.money.received }} of {{ picked.money.packs }}</dd></div>
          <div v-if="picked.money.goingBack + picked.money.returned > 0"><dt>Back</dt><dd>{{ picked.money.goingBack }} on the way, {{ picked.money.returned }} accepted</dd></div>
          <div><dt>Return</dt><dd>{{ picked.money.returnBy ? `till ${writeWeekdayDate(picked.money.returnBy)}` : picked.row.returnDays === null ? 'final sale' : `${picked.row.returnDays} days from delivery` }}</dd></div>
        </dl>
        <div class="tag-actions">
          <el-button v-if="picked.money.committed > 0" type="primary" @click="paying = 'out'">Pay</el-button>
          <el-button v-if="picked.money.received < picked.money.packs" @click="goodsOpen = true">Goods came</el-button>
          <el-button v-if="picked.money.received > picked.money.goingBack + picked.money.returned" @click="sendBack">Send back</el-button>
          <el-button v-for="one in waiting" :key="one.id" @click="acceptReturn(one)">Return accepted</el-button>
          <el-button v-if="picked.money.paid > 0" :type="picked.money.refundDue > 0 ? 'primary' : 'default'" @click="paying = 'back'">Refund came</el-button>
          <el-button v-if="picked.money.received === 0 && picked.money.paid === 0" @click="takeAway(picked.row)">Take away</el-button>
        </div>
        <RemarkList :remarks="remarks" />
        <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
        <PurchaseStory :purchase="picked.row" />
      </section>
      <section v-else class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>{{ makeover.reckoning.money.total.over > 0 ? 'Over the agreed sum' : 'Money as it stands' }}</h2>
        <dl class="pairs money-pairs">
          <div><dt>Forecast</dt><dd><u><FigureButton :amount="makeover.reckoning.money.total.forecast" of="Forecast" @click="working.show('forecast')" /></u></dd></div>
          <div><dt>Contingency not drawn</dt><dd><u><FigureButton :amount="minus(makeover.reckoning.money.total.contingency, makeover.reckoning.money.total.contingencyDrawn)" of="Contingency" @click="working.show('contingency')" /></u></dd></div>
          <div><dt>Refunds due</dt><dd><u><FigureButton :amount="makeover.reckoning.money.total.refundsDue" of="Refunds due" @click="working.show('refundsDue')" /></u></dd></div>
        </dl>
        <p class="quiet">Pick an order to pay it, receive it or send it back.</p>
        <RemarkList :remarks="remarks" />
      </section>
    </Teleport>
    <template v-if="picked">
      <PaymentDialog :purchase="picked.row" :money="picked.money" :direction="paying" @close="paying = null" />
      <GoodsDialog v-model="goodsOpen" :purchase="picked.row" :money="picked.money" />
      <ReturnDialog v-model="returnOpen" :purchase="picked.row" :money="picked.money" :accepting="accepting" />
    </template>
    <OrderDialog v-if="ordering" v-model="orderOpen" :piece="ordering" />
  </div>
</template>

<style>
.orders td { padding-top: 7px; padding-bottom: 7px; vertical-align: middle; }
.orders tbody tr { cursor: pointer; }
.orders tbody tr:hover td { background: var(--shade); }
.orders .swatch { width: 46px; }
.orders .swatch > span { display: block; width: 34px; height: 24px; border: 1px solid var(--rule); }
.orders .name { font-weight: 600; min-height: 24px; }
.shop-tag { display: inline-block; width: 22px; height: 12px; background: var(--ink); clip-path: polygon(30% 0, 100% 0, 100% 100%, 30% 100%, 0 50%); margin-right: 7px; vertical-align: -1px; }
.wishes { margin-top: 24px; }
.wishes td { padding-top: 5px; padding-bottom: 5px; }
</style>

<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { remove, type Operation } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { writeDate, writeShortDate, writeWeekdayDate } from '#core/measure/plain-date.ts'
import { minus, negate } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { landedWorking, orderWorking, pieceWorking, priceDrops, purchaseWorking } from '#core/purchases/index.ts'
import { useSetting } from '../brief/setting.ts'
import FilesOf from '../files/FilesOf.vue'
import { useKeys } from '../frame/keys.ts'
import FigureButton from '../parts/FigureButton.vue'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RowDialog from '../parts/RowDialog.vue'
import StateDots from '../parts/StateDots.vue'
import RemarkList from '../remarks/RemarkList.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import { cancelForm, claimForm, goodsForm, placeForm } from './forms.ts'
import HeldCredit from './HeldCredit.vue'
import MoneyLadder from './MoneyLadder.vue'
import OrderDialog from './OrderDialog.vue'
import PaymentDialog from './PaymentDialog.vue'
import PurchaseStory from './PurchaseStory.vue'
import ReturnDialog from './ReturnDialog.vue'

const route = useRoute()
const makeover = useMakeover()
const working = useWorking()
const setting = useSetting()
const rows = useRows('purchase')
const orders = useRows('order')
const pieces = useRows('piece')
const candidates = useRows('candidate')
const returns = useRows('return')
const claims = useRows('claim')
const placings = useRows('placing')

const list = computed(() =>
  rows.value.flatMap((row) => {
    const money = byId(makeover.reckoning?.money.purchases, row.id)
    const order = byId(orders.value, row.orderId)
    const piece = byId(pieces.value, row.pieceId)
    const candidate = byId(candidates.value, row.candidateId)
    if (!money || !order) return []
    const seller = order.sellerId
      ? (makeover.opened?.studio.rows.seller[order.sellerId]?.name ?? '')
      : (candidate?.origin ?? '')
    return [
      { row, money, order, name: piece?.name ?? '', seller, candidate, standIn: candidate?.source === 'placeholder' },
    ]
  }),
)
const sought = ref('')
const sort = ref<'ordered' | 'name' | 'seller' | 'state' | 'due'>('ordered')
const sorts = {
  ordered: 'by day ordered',
  name: 'by name',
  seller: 'by seller',
  state: 'by how far',
  due: 'by what is due',
} as const
const key = (line: (typeof list.value)[number]): string | number =>
  ({
    ordered: line.money.orderedOn + line.row.orderId,
    name: line.name,
    seller: line.seller,
    state: line.money.state,
    due: -(line.money.committed + line.money.refundDue),
  })[sort.value]
const shown = computed(() => {
  const words = sought.value.trim().toLocaleLowerCase('en')
  return list.value
    .filter(
      (line) =>
        words === '' ||
        `${line.name} ${line.seller} ${line.money.state} ${line.candidate?.name ?? ''}`
          .toLocaleLowerCase('en')
          .includes(words),
    )
    .toSorted((left, right) => (key(left) < key(right) ? -1 : key(left) > key(right) ? 1 : 0))
})
const orderSize = (orderId: string): number => rows.value.filter((row) => row.orderId === orderId).length
const swatchOf = (candidate: Row<'candidate'> | undefined) =>
  candidate?.labL == null || candidate.labA === null || candidate.labB === null
    ? null
    : {
        family: 'paper' as const,
        sheen: 'matt' as const,
        labL: candidate.labL,
        labA: candidate.labA,
        labB: candidate.labB,
      }
const wishes = computed(() =>
  pieces.value.filter(
    (piece) => piece.chosenId !== null && (byId(makeover.reckoning?.money.pieces, piece.id)?.open ?? 0) > 0,
  ),
)
const wish = (piece: Row<'piece'>) => byId(makeover.reckoning?.money.pieces, piece.id)
const orderBy = (piece: Row<'piece'>) => byId(makeover.reckoning?.dates, piece.id)

const pickedId = ref<string | null>(null)
watch(
  () => route.query.open,
  (id) => typeof id === 'string' && (pickedId.value = id),
  { immediate: true },
)
const picked = computed(() => list.value.find((line) => line.row.id === pickedId.value) ?? null)
const pickedOrder = computed(() => byId(makeover.reckoning?.money.orders, picked.value?.row.orderId) ?? null)
const orderName = computed(() =>
  pickedOrder.value && pickedOrder.value.lineIds.length > 1
    ? `${picked.value?.seller ?? ''}, ${pickedOrder.value.lineIds.length} lines`
    : (picked.value?.name ?? ''),
)
const waiting = computed(() =>
  returns.value.filter((returned) => returned.purchaseId === pickedId.value && returned.acceptedOn === null),
)
const openClaims = computed(() =>
  claims.value.filter((claim) => claim.purchaseId === pickedId.value && claim.answer === 'waiting'),
)
const placing = computed(() => placings.value.find((placing) => placing.purchaseId === pickedId.value) ?? null)
const kept = computed(() =>
  picked.value ? picked.value.money.received - picked.value.money.goingBack - picked.value.money.returned : 0,
)
const drop = computed(() =>
  makeover.opened && makeover.reckoning
    ? (priceDrops(makeover.opened.makeover, makeover.reckoning.money, makeover.opened.today).find(
        (priceDrop) => priceDrop.purchaseId === pickedId.value && priceDrop.open,
      ) ?? null)
    : null,
)
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter((remark) =>
    picked.value
      ? remark.subjects.some((subject) => subject.id === picked.value?.row.id)
      : remark.step === 'purchases' &&
        remark.weight !== 'stop' &&
        remark.subjects.every((subject) => subject.kind !== 'purchase'),
  ),
)
const versions = computed(() => (makeover.reckoning?.money.versions ?? []).filter(({ row }) => row.signedOn !== null))
const said = computed(() => {
  const [first, ...changes] = versions.value
  if (!first?.row.signedOn) return 'no budget signed yet'
  const last = changes.at(-1)
  return `agreed ${writeDate(first.row.signedOn)}${last?.row.signedOn ? `, changed ${changes.length === 1 ? 'once' : `${changes.length} times`}, last on ${writeDate(last.row.signedOn)}, signed` : ''}`
})

/** On a narrow page the tag hangs below: what is picked is brought into sight. */
function pick(id: string): void {
  pickedId.value = id
  if (window.innerWidth <= 1080) void nextTick(() => document.getElementById('tag')?.scrollIntoView({ block: 'start' }))
}

const paying = ref<'out' | 'back' | null>(null)
const goodsOpen = ref(false)
const cancelOpen = ref(false)
const claimOpen = ref(false)
const claimed = ref<Row<'claim'> | null>(null)
const placeOpen = ref(false)
const returnOpen = ref(false)
const accepting = ref<Row<'return'> | null>(null)
const ordering = ref<Row<'piece'> | null>(null)
const orderOpen = ref(false)
const problem = ref('')
const forms = computed(() => {
  if (!setting.value || !picked.value) return null
  const asks = drop.value
    ? { about: 'price drop' as const, amount: drop.value.saves }
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
  orderOpen.value = true
}
function sendBack(row: Row<'return'> | null = null): void {
  accepting.value = row
  returnOpen.value = true
}
function claim(row: Row<'claim'> | null): void {
  claimed.value = row
  claimOpen.value = true
}
async function takeAway(row: Row<'purchase'>): Promise<void> {
  const whole = byId(orders.value, row.orderId)
  const operations: Operation[] = [
    remove('purchase', row),
    ...(whole && orderSize(row.orderId) === 1 ? [remove('order', whole)] : []),
  ]
  const faults = await makeover.change(
    `Took away an order that was entered wrongly: ${picked.value?.name ?? ''}`,
    operations,
  )
  problem.value =
    faults.length > 0 ? 'Something hangs on this order already: a payment, a delivery, a file or a return.' : ''
}
const canPay = computed(() => (pickedOrder.value?.committed ?? 0) > 0)
const canReceive = computed(() => (picked.value?.money.awaited ?? 0) > 0)
const statement = (kind: string, ending: string): string =>
  `/api/makeovers/${String(route.params.id)}/${kind}-statement.${ending}`
useKeys([
  { key: 'n', does: 'Order the first of what is chosen', run: () => order(wishes.value[0]) },
  { key: 'p', does: 'Pay the order in hand', run: () => canPay.value && (paying.value = 'out') },
  { key: 'e', does: 'Goods of the order in hand came', run: () => (goodsOpen.value = canReceive.value) },
  { key: 'b', does: 'Send goods of the order in hand back', run: () => kept.value > 0 && sendBack() },
  { key: 'l', does: 'Put the order in hand in its place', run: () => (placeOpen.value = kept.value > 0) },
  { key: 'x', does: 'Cancel what has not come', run: () => (cancelOpen.value = canReceive.value) },
  { key: 'c', does: 'Ask its seller for money off', run: () => picked.value && claim(null) },
])
</script>

<template>
  <div v-if="makeover.reckoning" class="purchases">
    <div class="page-head">
      <h1>Purchases</h1>
      <span class="quiet">{{ said }}</span>
    </div>
    <StepRemarks step="purchases" />
    <MoneyLadder
      v-if="makeover.reckoning.money.categories.length > 0"
      :money="makeover.reckoning.money"
      :currency="makeover.currency"
    />

    <section v-if="list.length > 0" aria-label="Orders">
      <div v-if="list.length > 5" class="seek">
        <el-input v-model="sought" placeholder="Find a piece, a seller, a state" clearable aria-label="Find an order" />
        <el-select v-model="sort" aria-label="Sort orders"
          ><el-option v-for="(label, id) in sorts" :key="id" :value="id" :label="label"
        /></el-select>
      </div>
      <table class="orders">
        <thead>
          <tr>
            <th colspan="2">What</th>
            <th class="from">Where from</th>
            <th>How far</th>
            <th class="tags">Tags and return</th>
            <th class="number">Paid</th>
            <th class="number">Due</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="entry in shown"
            :key="entry.row.id"
            :class="{ chosen: entry.row.id === pickedId }"
            @click="pick(entry.row.id)"
          >
            <td class="swatch">
              <span
                ><MaterialSwatch v-if="swatchOf(entry.candidate)" :finish="swatchOf(entry.candidate)!" :scale="0.5"
              /></span>
            </td>
            <td class="what">
              <button
                type="button"
                class="bare name"
                :aria-pressed="entry.row.id === pickedId"
                @click.stop="pick(entry.row.id)"
              >
                {{ entry.name }}</button><span v-if="entry.standIn" class="quiet">, a stand-in</span
              ><span v-if="orderSize(entry.row.orderId) > 1" class="quiet with"
                >one order with {{ orderSize(entry.row.orderId) - 1 }} more</span
              >
            </td>
            <td class="quiet from">{{ entry.seller }}</td>
            <td class="far"><StateDots :state="entry.money.state" /></td>
            <td class="tags">
              <template v-if="entry.money.returnBy"
                ><span class="shop-tag" aria-hidden="true" />on, till
                {{ writeShortDate(entry.money.returnBy) }}</template
              >
              <span v-else-if="entry.money.tagsOffOn" class="quiet"
                >off, {{ writeShortDate(entry.money.tagsOffOn) }}</span
              >
              <span v-else-if="entry.row.returnDays === null" class="quiet">no return</span>
              <span v-else class="quiet">–</span>
            </td>
            <td class="number paid"><MoneyAmount :amount="entry.money.paid" :currency="makeover.currency" /></td>
            <td class="number due">
              <FigureButton
                :amount="entry.money.refundDue > 0 ? negate(entry.money.refundDue) : entry.money.committed"
                :figure="`Due on ${entry.name}`"
                :over="entry.money.refundDue > 0"
                @click="makeover.opened && working.showWorking(purchaseWorking(makeover.opened.makeover, entry.money))"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="shown.length === 0" class="quiet">No order is called that.</p>
    </section>
    <p v-else class="opening">
      Nothing is ordered yet.
      <template v-if="wishes.length === 0"
        >Choose a candidate for a
        <router-link :to="{ name: 'pieces', params: { id: $route.params.id } }">piece</router-link>, and it can be
        ordered here.</template
      >
    </p>

    <section v-if="wishes.length > 0" class="wishes" aria-labelledby="wishes-title">
      <h2 id="wishes-title">Chosen, to be ordered</h2>
      <table>
        <thead>
          <tr>
            <th>What</th>
            <th>Order by</th>
            <th class="number">Landed</th>
            <th><span class="visually-hidden">Do</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="piece in wishes" :key="piece.id">
            <td>
              {{ piece.name }} <span class="quiet">{{ writeQuantity(wish(piece)?.open ?? 0, piece.unit) }}</span>
            </td>
            <td>
              <span v-if="orderBy(piece)?.orderBy" :class="{ inverted: (orderBy(piece)?.slackDays ?? 0) < 0 }">{{
                writeDate(orderBy(piece)!.orderBy!)
              }}</span><span v-else class="quiet">no install date</span>
            </td>
            <td class="number">
              <FigureButton
                v-if="wish(piece)"
                :amount="wish(piece)!.stillToBuy"
                :figure="`Landed cost of ${piece.name}`"
                @click="makeover.opened && working.showWorking(pieceWorking(makeover.opened.makeover, wish(piece)!))"
              />
            </td>
            <td class="number">
              <button type="button" class="word" :aria-label="`Order ${piece.name}`" @click="order(piece)">
                Order
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <HeldCredit />
    <section class="papers" aria-labelledby="papers-title">
      <h2 id="papers-title">Statements</h2>
      <p>
        For the client: <a :href="statement('client', 'pdf')">PDF</a> <a :href="statement('client', 'csv')">CSV</a
        >{{ ' ' }}
        <a :href="statement('client', 'xlsx')">XLSX</a>
      </p>
      <p>
        For the studio, with its margins: <a :href="statement('studio', 'pdf')">PDF</a>{{ ' ' }}
        <a :href="statement('studio', 'csv')">CSV</a> <a :href="statement('studio', 'xlsx')">XLSX</a>{{ ' ' }}
        <a :href="`/api/makeovers/${$route.params.id}/journal.txt`">journal for a ledger program</a>
      </p>
    </section>

    <Teleport defer to="#tag">
      <section v-if="picked && pickedOrder" class="tag" aria-label="Order">
        <span class="hole" aria-hidden="true" />
        <h2>{{ picked.name }}</h2>
        <p>
          {{ picked.candidate?.name }}, {{ picked.seller
          }}<template v-if="picked.order.reference">, order {{ picked.order.reference }}</template
          ><template v-if="picked.order.boughtBy === 'studio'">, bought by the studio</template>
        </p>
        <hr />
        <dl class="pairs money-pairs">
          <div>
            <dt>Landed, {{ picked.row.packs }} {{ picked.row.packs === 1 ? 'pack' : 'packs' }}</dt>
            <dd>
              <u
                ><FigureButton
                  :amount="picked.money.terms.landed"
                  figure="Landed cost"
                  @click="working.showWorking(landedWorking(picked.row, picked.money.terms, makeover.currency))"
              /></u>
            </dd>
          </div>
          <div v-if="picked.money.credited > 0">
            <dt>Credited</dt>
            <dd><MoneyAmount :amount="negate(picked.money.credited)" :currency="makeover.currency" /></dd>
          </div>
          <div>
            <dt>Owed</dt>
            <dd>
              <strong><MoneyAmount :amount="picked.money.owed" :currency="makeover.currency" /></strong>
            </dd>
          </div>
          <div>
            <dt>Paid</dt>
            <dd><MoneyAmount :amount="picked.money.paid" :currency="makeover.currency" /></dd>
          </div>
          <div v-if="picked.money.refundDue > 0">
            <dt>To come back</dt>
            <dd>
              <FigureButton
                :amount="picked.money.refundDue"
                figure="To come back"
                over
                @click="makeover.opened && working.showWorking(purchaseWorking(makeover.opened.makeover, picked.money))"
              />
            </dd>
          </div>
          <div v-else>
            <dt>Due</dt>
            <dd>
              <u
                ><FigureButton
                  :amount="picked.money.committed"
                  figure="Due"
                  @click="
                    makeover.opened && working.showWorking(purchaseWorking(makeover.opened.makeover, picked.money))
                  "
              /></u>
            </dd>
          </div>
          <div v-if="pickedOrder.depositDue > 0">
            <dt>Deposit still asked</dt>
            <dd>
              <strong><MoneyAmount :amount="pickedOrder.depositDue" :currency="makeover.currency" /></strong>
            </dd>
          </div>
          <div v-if="picked.order.balanceDueOn && pickedOrder.committed > 0">
            <dt>Balance due on</dt>
            <dd>{{ writeDate(picked.order.balanceDueOn) }}</dd>
          </div>
          <div v-if="pickedOrder.lineIds.length > 1">
            <dt>Whole order, due</dt>
            <dd>
              <u
                ><FigureButton
                  :amount="minus(pickedOrder.owed, pickedOrder.paid)"
                  figure="Due on the whole order"
                  @click="
                    makeover.opened &&
                    makeover.reckoning &&
                    pickedOrder &&
                    working.showWorking(orderWorking(makeover.opened.makeover, pickedOrder, makeover.reckoning.money))
                  "
              /></u>
            </dd>
          </div>
        </dl>
        <hr />
        <dl class="pairs">
          <div>
            <dt>Ordered</dt>
            <dd>{{ writeDate(picked.order.orderedOn) }}</dd>
          </div>
          <div v-if="picked.money.awaited > 0">
            <dt>Expected</dt>
            <dd>{{ writeDate(picked.money.arrivesOn) }}</dd>
          </div>
          <div>
            <dt>Here</dt>
            <dd>
              {{ picked.money.received }} of {{ picked.money.packs - picked.money.cancelled
              }}<template v-if="picked.money.damaged > 0">, {{ picked.money.damaged }} damaged</template>
            </dd>
          </div>
          <div v-if="picked.money.cancelled > 0">
            <dt>Cancelled</dt>
            <dd>{{ picked.money.cancelled }}</dd>
          </div>
          <div v-if="picked.money.goingBack + picked.money.returned > 0">
            <dt>Back</dt>
            <dd>{{ picked.money.goingBack }} on the way, {{ picked.money.returned }} accepted</dd>
          </div>
          <div>
            <dt>Return</dt>
            <dd>
              {{
                picked.money.returnBy
                  ? `till ${writeWeekdayDate(picked.money.returnBy)}`
                  : picked.row.returnDays === null
                    ? 'final sale'
                    : picked.money.tagsOffOn
                      ? 'tags are off'
                      : `${picked.row.returnDays} days from delivery`
              }}
            </dd>
          </div>
          <div v-if="picked.money.claimBy">
            <dt>Pays price drops</dt>
            <dd>till {{ writeDate(picked.money.claimBy) }}</dd>
          </div>
        </dl>
        <p v-if="drop" class="final">
          Seen for {{ writeMoney(drop.saves, makeover.currency) }} less: claim it till
          {{ writeWeekdayDate(drop.claimBy) }}.
        </p>
        <div class="tag-actions">
          <el-button v-if="pickedOrder.committed > 0" type="primary" @click="paying = 'out'">Pay</el-button>
          <el-button v-if="canReceive" @click="goodsOpen = true">Goods came</el-button>
          <el-button v-if="kept > 0 && !picked.money.tagsOffOn" @click="placeOpen = true">{{
            placing ? 'Tags off' : 'In its place'
          }}</el-button>
          <el-button v-if="kept > 0" @click="sendBack()">Send back</el-button>
          <el-button v-for="entry in waiting" :key="entry.id" @click="sendBack(entry)">Return accepted</el-button>
          <el-button v-if="drop" type="primary" @click="claim(null)">Claim it</el-button>
          <el-button v-for="openClaim in openClaims" :key="openClaim.id" @click="claim(openClaim)"
            >Seller answered</el-button
          >
          <el-button
            v-if="pickedOrder.paid > 0"
            :type="pickedOrder.refundDue > 0 ? 'primary' : 'default'"
            @click="paying = 'back'"
            >Refund came</el-button
          >
          <el-button v-if="canReceive" @click="cancelOpen = true">Cancel it</el-button>
          <el-button v-if="picked.money.received > 0 && openClaims.length === 0 && !drop" @click="claim(null)"
            >Ask for money off</el-button
          >
          <el-button
            v-if="picked.money.received === 0 && pickedOrder.paid === 0 && picked.money.cancelled === 0"
            @click="takeAway(picked.row)"
            >Take away</el-button
          >
        </div>
        <FilesOf :owner="{ orderId: picked.row.orderId }" :name="orderName" />
        <RemarkList :remarks="remarks" />
        <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
        <PurchaseStory :purchase="picked.row" />
        <p class="quiet">
          <router-link :to="{ name: 'history', params: { id: $route.params.id }, query: { of: picked.row.id } }"
            >Its history</router-link
          >
        </p>
      </section>
      <section v-else class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>{{ makeover.reckoning.money.total.over > 0 ? 'Over the agreed sum' : 'Money as it stands' }}</h2>
        <dl class="pairs money-pairs">
          <div>
            <dt>Forecast</dt>
            <dd>
              <u
                ><FigureButton
                  :amount="makeover.reckoning.money.total.forecast"
                  figure="Forecast"
                  @click="working.show('forecast')"
              /></u>
            </dd>
          </div>
          <div>
            <dt>Contingency not drawn</dt>
            <dd>
              <u
                ><FigureButton
                  :amount="
                    minus(makeover.reckoning.money.total.contingency, makeover.reckoning.money.total.contingencyDrawn)
                  "
                  figure="Contingency"
                  @click="working.show('contingency')"
              /></u>
            </dd>
          </div>
          <div>
            <dt>Refunds due</dt>
            <dd>
              <u
                ><FigureButton
                  :amount="makeover.reckoning.money.total.refundsDue"
                  figure="Refunds due"
                  @click="working.show('refundsDue')"
              /></u>
            </dd>
          </div>
          <div v-if="makeover.reckoning.money.total.creditHeld > 0">
            <dt>Held with sellers</dt>
            <dd><MoneyAmount :amount="makeover.reckoning.money.total.creditHeld" :currency="makeover.currency" /></dd>
          </div>
        </dl>
        <p class="quiet">Pick an order to pay it, receive it or send it back.</p>
        <RemarkList :remarks="remarks" />
      </section>
    </Teleport>
    <template v-if="picked && pickedOrder && forms">
      <PaymentDialog
        :order="picked.order"
        :money="pickedOrder"
        :direction="paying"
        :name="orderName"
        @close="paying = null"
      />
      <RowDialog v-model="goodsOpen" :form="forms.goods" />
      <RowDialog v-model="cancelOpen" :form="forms.cancel" />
      <RowDialog v-model="claimOpen" :form="forms.claim" :row="claimed" />
      <RowDialog v-model="placeOpen" :form="forms.place" :row="placing" />
      <ReturnDialog v-model="returnOpen" :purchase="picked.row" :money="picked.money" :accepting="accepting" />
    </template>
    <OrderDialog v-if="ordering" v-model="orderOpen" :first="ordering" />
  </div>
</template>

<style>
.orders td {
  padding-top: 7px;
  padding-bottom: 7px;
  vertical-align: middle;
}
.orders tbody tr {
  cursor: pointer;
}
.orders tbody tr:hover td {
  background: var(--shade);
}
.orders .swatch {
  width: 46px;
}
.orders .swatch > span {
  display: block;
  width: 34px;
  height: 24px;
  border: 1px solid var(--rule);
}
.orders td.tags {
  white-space: nowrap;
}
.orders .name {
  font-weight: 600;
  min-height: 24px;
}
.orders .with {
  display: block;
  font-size: 12px;
  line-height: 16px;
}
.purchases .seek {
  display: grid;
  grid-template-columns: minmax(0, 280px) 170px;
  gap: 12px;
  margin-bottom: 6px;
}
.shop-tag {
  display: inline-block;
  width: 22px;
  height: 12px;
  background: var(--ink);
  clip-path: polygon(30% 0, 100% 0, 100% 100%, 30% 100%, 0 50%);
  margin-right: 7px;
  vertical-align: -1px;
}
.wishes {
  margin-top: 24px;
}
.wishes td {
  padding-top: 5px;
  padding-bottom: 5px;
}
.papers {
  margin-top: 24px;
}
.papers a {
  margin-right: 10px;
}
@media (max-width: 720px) {
  .orders thead {
    display: none;
  }
  main .orders,
  .orders tbody {
    display: block;
  }
  .orders tr {
    display: grid;
    grid-template-columns: 46px 1fr auto;
    grid-template-areas: 'swatch what due' 'swatch far paid' 'swatch tags tags';
    border-bottom: 1px solid var(--hairline);
    padding: 6px 0;
  }
  .orders td {
    border: 0;
    padding: 2px 8px 2px 0;
  }
  .orders tr.chosen > td {
    box-shadow: none;
    border: 0;
  }
  .orders tr.chosen {
    outline: 1.5px solid var(--ink);
  }
  .orders .swatch {
    grid-area: swatch;
  }
  .orders .what {
    grid-area: what;
  }
  .orders .far {
    grid-area: far;
  }
  .orders .tags {
    grid-area: tags;
    font-size: 13px;
  }
  .orders .due {
    grid-area: due;
    font-weight: 600;
  }
  .orders .paid {
    grid-area: paid;
    color: var(--soft);
  }
  .orders .from {
    display: none;
  }
  .orders td.tags {
    white-space: nowrap;
  }
  .orders .name {
    min-height: 32px;
  }
}
</style>

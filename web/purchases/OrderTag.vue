<script setup lang="ts">
import { computed, ref } from 'vue'
import { remove } from '#core/makeover/change.ts'
import { writeDate, writeWeekdayDate } from '#core/measure/plain-date.ts'
import { minus, negate } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { landedWorking, orderWorking, purchaseWorking, type OrderReckoning } from '#core/purchases/index.ts'
import FilesOf from '../files/FilesOf.vue'
import FigureButton from '../parts/FigureButton.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RemarkList from '../remarks/RemarkList.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useWorking } from '../stores/working.ts'
import type { OrderAct, OrderInHand } from './order-in-hand.ts'
import type { OrderLine } from './order-lines.ts'
import PurchaseStory from './PurchaseStory.vue'

/** An order in hand: what it cost, what is here, and all that may be done with it next. */
const { line, whole, hand } = defineProps<{ line: OrderLine; whole: OrderReckoning; hand: OrderInHand }>()
const emit = defineEmits<{ act: [act: OrderAct] }>()
const makeover = useMakeover()
const working = useWorking()
const problem = ref('')
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter((remark) => remark.subjects.some((subject) => subject.id === line.row.id)),
)

async function takeAway(): Promise<void> {
  const faults = await makeover.change(`Took away an order that was entered wrongly: ${line.name}`, [
    remove('purchase', line.row),
    ...(line.together === 1 ? [remove('order', line.order)] : []),
  ])
  problem.value =
    faults.length > 0 ? 'Something hangs on this order already: a payment, a delivery, a file or a return.' : ''
}
</script>

<template>
  <section class="tag" aria-label="Order">
    <span class="hole" aria-hidden="true" />
    <h2>{{ line.name }}</h2>
    <p>
      {{ line.candidate?.name }}, {{ line.seller
      }}<template v-if="line.order.reference">, order {{ line.order.reference }}</template
      ><template v-if="line.order.boughtBy === 'studio'">, bought by the studio</template>
    </p>
    <hr />
    <dl class="pairs money-pairs">
      <div>
        <dt>Landed, {{ line.row.packs }} {{ line.row.packs === 1 ? 'pack' : 'packs' }}</dt>
        <dd>
          <u
            ><FigureButton
              :amount="line.money.terms.landed"
              figure="Landed cost"
              @click="working.showWorking(landedWorking(line.row, line.money.terms, makeover.currency))"
          /></u>
        </dd>
      </div>
      <div v-if="line.money.credited > 0">
        <dt>Credited</dt>
        <dd><MoneyAmount :amount="negate(line.money.credited)" :currency="makeover.currency" /></dd>
      </div>
      <div v-if="line.money.carriage > 0">
        <dt>Carriage back</dt>
        <dd><MoneyAmount :amount="line.money.carriage" :currency="makeover.currency" /></dd>
      </div>
      <div>
        <dt>Owed</dt>
        <dd>
          <strong><MoneyAmount :amount="line.money.owed" :currency="makeover.currency" /></strong>
        </dd>
      </div>
      <div>
        <dt>Paid</dt>
        <dd><MoneyAmount :amount="line.money.paid" :currency="makeover.currency" /></dd>
      </div>
      <div v-if="line.money.refundDue > 0">
        <dt>To come back</dt>
        <dd>
          <FigureButton
            :amount="line.money.refundDue"
            figure="To come back"
            over
            @click="makeover.opened && working.showWorking(purchaseWorking(makeover.opened.makeover, line.money))"
          />
        </dd>
      </div>
      <div v-else>
        <dt>Due</dt>
        <dd>
          <u
            ><FigureButton
              :amount="line.money.committed"
              figure="Due"
              @click="makeover.opened && working.showWorking(purchaseWorking(makeover.opened.makeover, line.money))"
          /></u>
        </dd>
      </div>
      <div v-if="whole.depositDue > 0">
        <dt>Deposit still asked</dt>
        <dd>
          <strong><MoneyAmount :amount="whole.depositDue" :currency="makeover.currency" /></strong>
        </dd>
      </div>
      <div v-if="line.order.balanceDueOn && whole.committed > 0">
        <dt>Balance due on</dt>
        <dd>{{ writeDate(line.order.balanceDueOn) }}</dd>
      </div>
      <div v-if="whole.lineIds.length > 1">
        <dt>Whole order, due</dt>
        <dd>
          <u
            ><FigureButton
              :amount="minus(whole.owed, whole.paid)"
              figure="Due on the whole order"
              @click="
                makeover.opened &&
                makeover.reckoning &&
                working.showWorking(orderWorking(makeover.opened.makeover, whole, makeover.reckoning.money))
              "
          /></u>
        </dd>
      </div>
    </dl>
    <hr />
    <dl class="pairs">
      <div>
        <dt>Ordered</dt>
        <dd>{{ writeDate(line.order.orderedOn) }}</dd>
      </div>
      <div v-if="line.money.awaited > 0">
        <dt>Expected</dt>
        <dd>{{ line.money.arrivesOn ? writeDate(line.money.arrivesOn) : 'ask the seller when' }}</dd>
      </div>
      <div>
        <dt>Here</dt>
        <dd>
          {{ line.money.received }} of {{ line.money.packs - line.money.cancelled
          }}<template v-if="line.money.damaged > 0">, {{ line.money.damaged }} damaged</template>
        </dd>
      </div>
      <div v-if="line.money.cancelled > 0">
        <dt>Cancelled</dt>
        <dd>{{ line.money.cancelled }}</dd>
      </div>
      <div v-if="line.money.goingBack + line.money.returned > 0">
        <dt>Back</dt>
        <dd>{{ line.money.goingBack }} on the way, {{ line.money.returned }} accepted</dd>
      </div>
      <div>
        <dt>Return</dt>
        <dd>
          {{
            line.money.returnBy
              ? `till ${writeWeekdayDate(line.money.returnBy)}`
              : line.row.returnDays === null
                ? 'final sale'
                : line.money.tagsOffOn
                  ? 'tags are off'
                  : `${line.row.returnDays} days from delivery`
          }}
        </dd>
      </div>
      <div v-if="line.money.claimBy">
        <dt>Pays price drops</dt>
        <dd>till {{ writeDate(line.money.claimBy) }}</dd>
      </div>
    </dl>
    <p v-if="hand.drop" class="final">
      Seen for {{ writeMoney(hand.drop.saves, makeover.currency) }} less: claim it till
      {{ writeWeekdayDate(hand.drop.claimBy) }}.
    </p>
    <div v-if="line.money.damaged > 0 && hand.kept > 0 && hand.claims.length === 0" class="damage">
      <p class="final">
        {{ line.money.damaged }} came damaged. What is to be done? Photograph it first, with its packing.
      </p>
      <div class="tag-actions">
        <el-button @click="emit('act', { is: 'back', row: null, damaged: 'replacement' })">Have it replaced</el-button>
        <el-button @click="emit('act', { is: 'claim', row: null })">Keep it for less</el-button>
        <el-button @click="emit('act', { is: 'back', row: null, damaged: 'money' })">Send it back</el-button>
      </div>
    </div>
    <div class="tag-actions">
      <el-button v-if="whole.committed > 0" type="primary" @click="emit('act', { is: 'pay' })"
        >Pay<kbd aria-hidden="true">P</kbd></el-button
      >
      <el-button v-if="hand.canReceive" @click="emit('act', { is: 'goods' })"
        >Goods came<kbd aria-hidden="true">E</kbd></el-button
      >
      <el-button v-if="hand.kept > 0 && !line.money.tagsOffOn" @click="emit('act', { is: 'place' })"
        >{{ hand.placing ? 'Tags off' : 'In its place' }}<kbd aria-hidden="true">L</kbd></el-button
      >
      <el-button v-if="hand.kept > 0" @click="emit('act', { is: 'back', row: null })"
        >Send back<kbd aria-hidden="true">B</kbd></el-button
      >
      <el-button v-for="entry in hand.returning" :key="entry.id" @click="emit('act', { is: 'back', row: entry })"
        >Return accepted</el-button
      >
      <el-button v-if="hand.drop" type="primary" @click="emit('act', { is: 'claim', row: null })">Claim it</el-button>
      <el-button
        v-for="openClaim in hand.claims"
        :key="openClaim.id"
        @click="emit('act', { is: 'claim', row: openClaim })"
        >Seller answered</el-button
      >
      <el-button
        v-if="whole.paid > 0"
        :type="whole.refundDue > 0 ? 'primary' : 'default'"
        @click="emit('act', { is: 'refund' })"
        >Refund came</el-button
      >
      <el-button v-if="hand.canReceive" @click="emit('act', { is: 'cancel' })"
        >Cancel order<kbd aria-hidden="true">X</kbd></el-button
      >
      <el-button
        v-if="line.money.received > 0 && line.money.damaged === 0 && hand.claims.length === 0 && !hand.drop"
        @click="emit('act', { is: 'claim', row: null })"
        >Ask for money off<kbd aria-hidden="true">C</kbd></el-button
      >
      <el-button v-if="line.money.received === 0 && whole.paid === 0 && line.money.cancelled === 0" @click="takeAway()"
        >Take away</el-button
      >
    </div>
    <FilesOf :owner="{ orderId: line.row.orderId }" :name="hand.name" />
    <RemarkList :remarks="remarks" />
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <PurchaseStory :purchase="line.row" />
    <p class="quiet">
      <router-link :to="{ name: 'history', params: { id: $route.params.id }, query: { of: line.row.id } }"
        >Its history</router-link
      >
    </p>
  </section>
</template>

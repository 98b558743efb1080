<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, reactive, ref } from 'vue'
import { add } from '#core/makeover/change.ts'
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { writeMinutes } from '#core/measure/duration.ts'
import { minus, negate, zero } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { countedBy } from '#core/purchases/index.ts'
import { useKeys } from '../frame/keys.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RowDialog from '../parts/RowDialog.vue'
import RowTable from '../parts/RowTable.vue'
import { words, type Column } from '../parts/row-table.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useSetting } from '../stores/setting.ts'
import AccountTag from './AccountTag.vue'
import { useClock } from './clock.ts'
import { feeForm, receiptForm, stageForm, stintForm } from './fee-forms.ts'
import HoursSection from './HoursSection.vue'
import StatementLinks from './StatementLinks.vue'

/** Between the client and the studio: fees and the hours behind them, what is asked in stages, what came. */
const makeover = useMakeover()
const setting = useSetting()
const fees = useRows('fee')
const stages = useRows('stage')
const receipts = useRows('receipt')
const client = computed(() => makeover.reckoning?.money.client)
const feeOf = (id: string) => byId(makeover.reckoning?.money.fees, id)
const stageOf = (id: string) => byId(client.value?.stages, id)
const hourly = computed(() => fees.value.filter(({ way }) => way === 'hourly'))
const clock = useClock(() => makeover.opened?.makeover.id ?? '')

const fee = ref<Row<'fee'> | null>(null)
const stint = ref<Row<'stint'> | null>(null)
const stage = ref<Row<'stage'> | null>(null)
const towards = ref<string | null>(null)
const timed = ref<number | null>(null)
const timedFee = ref('')
const opened = reactive({ fee: false, stint: false, stage: false, receipt: false })
const forms = computed(() => {
  const account = client.value
  if (!setting.value || !account) return null
  const open = towards.value === null ? null : stageOf(towards.value)
  return {
    fee: feeForm(setting.value),
    stint: stintForm(setting.value, timedFee.value || (hourly.value[0]?.id ?? ''), timed.value),
    stage: stageForm(setting.value, minus(account.owes, account.asked)),
    receipt: receiptForm(
      setting.value,
      open?.outstanding ?? (account.asked > 0 ? account.asked : account.owes),
      towards.value,
    ),
  }
})
function openFee(row: Row<'fee'> | null): void {
  fee.value = row
  opened.fee = true
}
function noteHours(row: Row<'stint'> | null, minutes: number | null = null, feeId = ''): void {
  stint.value = row
  timed.value = minutes
  timedFee.value = feeId
  opened.stint = true
}
function openStage(row: Row<'stage'> | null): void {
  stage.value = row
  opened.stage = true
}
function openReceipt(stageId: string | null): void {
  towards.value = stageId
  opened.receipt = true
}
function stopClock(): void {
  noteHours(null, clock.minutes.value, clock.feeId.value ?? '')
}
const reversed = computed(() => new Set(receipts.value.map(({ reversesId }) => reversesId)))
async function reverse(row: Row<'receipt'>): Promise<void> {
  const today = setting.value?.today
  if (!today) return
  await makeover.change(`Reversed ${writeMoney(row.amountMinor, makeover.currency)} from the client`, [
    add('receipt', uuidv7(), {
      stageId: row.stageId,
      direction: row.direction === 'in' ? 'back' : 'in',
      amountMinor: row.amountMinor,
      receivedOn: today,
      tender: row.tender,
      reversesId: row.id,
      note: '',
    }),
  ])
}
const receiptColumns: readonly Column<Row<'receipt'>>[] = [
  { id: 'on', title: 'On', cell: ({ receivedOn }) => ({ date: receivedOn }) },
  { id: 'for', title: 'For', cell: ({ stageId }) => words(byId(stages.value, stageId)?.name ?? '') },
  { id: 'by', title: 'By', cell: ({ tender, reversesId }) => words(reversesId ? `${tender}, reversal` : tender) },
  { id: 'note', title: 'Note', cell: ({ note }) => words(note) },
  {
    id: 'amount',
    title: 'Amount',
    cell: ({ direction, amountMinor }) => ({ amount: direction === 'in' ? amountMinor : negate(amountMinor) }),
    number: true,
  },
  { id: 'do', title: 'Do', cell: () => null, number: true, plain: true, silent: true },
]
useKeys([
  { key: 'n', does: 'Note hours', run: () => hourly.value.length > 0 && noteHours(null) },
  { key: 'm', does: 'Note money from the client', run: () => openReceipt(null) },
  { key: 'a', does: 'Ask the client for a sum', run: () => openStage(null) },
])
</script>

<template>
  <div v-if="makeover.reckoning && client" class="account">
    <div class="page-head">
      <h1>Fees and client money</h1>
      <router-link class="quiet" :to="{ name: 'purchases', params: { id: $route.params.id } }">Purchases</router-link>
    </div>
    <p class="balance">
      <template v-if="client.billed === 0 && client.received === 0">Nothing is billed and nothing came yet.</template>
      <template v-else>
        <template v-if="client.goods > 0"
          >Bought by the studio and billed on <MoneyAmount :amount="client.goods" :currency="makeover.currency" />,
        </template>
        fees <MoneyAmount :amount="client.fees" :currency="makeover.currency" />, received
        <MoneyAmount :amount="client.received" :currency="makeover.currency" />:
        <strong v-if="client.owes > 0"
          ><MoneyAmount :amount="client.owes" :currency="makeover.currency" /> is owed to the studio</strong
        ><strong v-else-if="client.held > 0"
          ><MoneyAmount :amount="client.held" :currency="makeover.currency" /> is held for the client</strong
        ><strong v-else>nothing is owed on either side</strong>.
      </template>
    </p>

    <section aria-labelledby="fees-title">
      <div class="section-head">
        <h2 id="fees-title">Fees</h2>
        <span class="ends"><button type="button" class="word" @click="openFee(null)">Agree a fee</button></span>
      </div>
      <ul v-if="fees.length > 0" class="fee-list">
        <li v-for="row in fees" :key="row.id" :data-line="row.id">
          <button type="button" class="word" @click="openFee(row)">{{ row.name }}</button>
          <span v-if="feeOf(row.id)" class="quiet">{{ countedBy(row, feeOf(row.id)!, makeover.currency) }}</span>
          <span class="figures">
            <strong><MoneyAmount :amount="feeOf(row.id)?.earned ?? zero" :currency="makeover.currency" /></strong>
            <span v-if="feeOf(row.id) && feeOf(row.id)!.forecast > feeOf(row.id)!.earned" class="quiet"
              >of <MoneyAmount :amount="feeOf(row.id)!.forecast" :currency="makeover.currency" /> in the end</span
            >
          </span>
          <span v-if="row.way === 'hourly'" class="clock">
            <template v-if="clock.feeId.value === row.id"
              ><strong>{{ writeMinutes(clock.minutes.value) }}</strong> running
              <button type="button" class="word" @click="stopClock">Stop and note</button></template
            ><button v-else-if="clock.feeId.value === null" type="button" class="word" @click="clock.start(row.id)">
              Start the clock
            </button>
          </span>
        </li>
      </ul>
      <p v-else class="quiet">
        No fee is agreed: one sum, by the hour, a part of what is spent, or of what discounts save.
      </p>
    </section>

    <HoursSection v-if="hourly.length > 0" @note="noteHours" />
    <section aria-labelledby="stages-title">
      <div class="section-head">
        <h2 id="stages-title">Asked of the client</h2>
        <span class="ends"
          ><button type="button" class="word" @click="openStage(null)">
            Ask for a sum<kbd aria-hidden="true">A</kbd>
          </button></span
        >
      </div>
      <ul v-if="stages.length > 0" class="fee-list">
        <li v-for="row in stages" :key="row.id" :data-line="row.id">
          <button type="button" class="word" @click="openStage(row)">{{ row.name }}</button>
          <span class="quiet"
            >{{ row.kind }}, asked {{ writeDate(row.askedOn)
            }}{{ row.dueOn ? `, due ${writeDate(row.dueOn)}` : '' }}</span
          >
          <span class="figures">
            <strong><MoneyAmount :amount="row.amountMinor" :currency="makeover.currency" /></strong>
            <span class="quiet">
              <template v-if="(stageOf(row.id)?.outstanding ?? 0) === 0">received</template>
              <template v-else
                ><MoneyAmount :amount="stageOf(row.id)?.outstanding ?? zero" :currency="makeover.currency" />
                outstanding</template
              >
            </span>
          </span>
          <button
            v-if="(stageOf(row.id)?.outstanding ?? 0) > 0"
            type="button"
            class="word"
            :aria-label="`It came: ${row.name}`"
            @click="openReceipt(row.id)"
          >
            It came
          </button>
        </li>
      </ul>
      <p v-else class="quiet">Nothing is asked in stages. A deposit before the first order is usual.</p>
    </section>

    <section aria-labelledby="receipts-title">
      <div class="section-head">
        <h2 id="receipts-title">Received</h2>
        <span class="ends"
          ><button type="button" class="word" @click="openReceipt(null)">
            Money came<kbd aria-hidden="true">M</kbd>
          </button></span
        >
      </div>
      <RowTable
        v-if="receipts.length > 0"
        name="money from the client"
        sorted="-on"
        :lines="receipts"
        :columns="receiptColumns"
        :currency="makeover.currency"
      >
        <template #do="{ line }"
          ><button
            v-if="line.reversesId === null && !reversed.has(line.id)"
            type="button"
            class="word"
            :aria-label="`Reverse ${writeMoney(line.amountMinor, makeover.currency)} of ${writeDate(line.receivedOn)}`"
            @click="reverse(line)"
          >
            Reverse
          </button></template
        >
      </RowTable>
      <p v-else class="quiet">Nothing came from the client yet.</p>
    </section>
    <StatementLinks />

    <Teleport defer to="#tag"><AccountTag :client="client" /></Teleport>
    <template v-if="forms">
      <RowDialog v-model="opened.fee" :form="forms.fee" :row="fee" />
      <RowDialog v-model="opened.stint" :form="forms.stint" :row="stint" @made="timed !== null && clock.stop()" />
      <RowDialog v-model="opened.stage" :form="forms.stage" :row="stage" />
      <RowDialog v-model="opened.receipt" :form="forms.receipt" />
    </template>
  </div>
</template>

<style scoped>
.account section {
  margin-top: 24px;
}
.balance {
  font-size: 15px;
}
.fee-list {
  list-style: none;
  margin: 0;
  padding: 0;
}
.fee-list li {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
  padding: 7px 0;
  border-bottom: 1px solid var(--hairline);
}
.fee-list .figures {
  margin-left: auto;
  text-align: right;
  white-space: nowrap;
}
.fee-list .figures > * + * {
  margin-left: 10px;
}
</style>

<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import { groupBy, studioRows } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { medianOf, type BoughtAt } from '#core/purchases/index.ts'
import { writeMoney } from '#core/money/written.ts'
import { request } from '../api.ts'
import { useKeys } from '../frame/keys.ts'
import FormDialog from '../parts/FormDialog.vue'
import FieldText from '../parts/FieldText.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RowTable from '../parts/RowTable.vue'
import { words, type Column } from '../parts/row-table.ts'
import { maybeNumberField, rateField, saidField, textField, useForm } from '../parts/form.ts'
import { useSession } from '../stores/session.ts'
import SellerCard from './SellerCard.vue'
import StudioFrame from './StudioFrame.vue'
import { useStudioRows } from './studio-rows.ts'
import { useTelling } from '../parts/telling.ts'

/** The sellers' book: whom one speaks to, on what terms, what was bought there, and how late it came. */
type Line = {
  readonly id: string
  readonly seller: Row<'seller'>
  readonly entry: Row<'sellerEntry'> | null
  readonly bought: readonly BoughtAt[]
}
const session = useSession()
const { studio, load: loadRows, change } = useStudioRows()
const bought = ref<readonly BoughtAt[]>([])
const { said, failed, told } = useTelling(async () => {
  await loadRows()
  bought.value = await request<BoughtAt[]>('GET', '/studio/bought')
})
onMounted(() => told(() => Promise.resolve('')))
const lines = computed<Line[]>(() => {
  if (!studio.value) return []
  const entries = new Map(studioRows(studio.value, 'sellerEntry').map((row) => [row.sellerId, row]))
  const boughtAt = groupBy(bought.value, ({ sellerId }) => sellerId)
  return studioRows(studio.value, 'seller')
    .map((seller) => ({
      id: seller.id,
      seller,
      entry: entries.get(seller.id) ?? null,
      bought: boughtAt.get(seller.id) ?? [],
    }))
    .toSorted((left, right) => left.seller.name.localeCompare(right.seller.name, 'en'))
})
const ordersOf = (line: Line): number => line.bought.reduce((count, { orders }) => count + orders, 0)
const lateOf = ({ bought: all }: Line): number | null => medianOf(all.flatMap(({ lateDays }) => lateDays))
const lateWords = (line: Line): string => {
  const late = lateOf(line)
  if (late === null) return ''
  const count = Math.abs(late)
  return late === 0 ? 'on the day' : `${count} ${count === 1 ? 'day' : 'days'} ${late < 0 ? 'early' : 'late'}`
}
const columns: readonly Column<Line>[] = [
  { id: 'name', title: 'Seller', cell: ({ seller }) => ({ text: seller.name }) },
  { id: 'contact', title: 'Speak to', cell: ({ entry }) => words(entry?.contact ?? '') },
  { id: 'late', title: 'Comes, in the middle', cell: (line) => words(lateWords(line)) },
  {
    id: 'back',
    title: 'Takes back within',
    cell: ({ entry }) => words(entry?.returnDays == null ? '' : `${entry.returnDays} days`),
  },
  { id: 'orders', title: 'Orders', number: true, cell: (line) => ({ number: ordersOf(line) }) },
  {
    id: 'owed',
    title: 'Bought for',
    number: true,
    cell: (line) =>
      words(
        sumsOf(line)
          .map(({ owed, currency }) => writeMoney(owed, currency))
          .join(', '),
      ),
  },
]
/** What was bought of a seller, by currency. */
const sumsOf = (line: Line) =>
  [...groupBy(line.bought, ({ currency }) => currency)].map(([currency, all]) => ({
    currency,
    makeovers: all.length,
    owed: all.reduce((sum, { owed }) => sum + owed, 0) as BoughtAt['owed'],
  }))
const chosen = ref<string | null>(null)
const open = computed(() => lines.value.find(({ id }) => id === (chosen.value ?? lines.value[0]?.id)) ?? null)
const writing = ref(false)
/** Whose entry is written; null for a seller that is new. */
const whose = ref<Line | null>(null)
const { form, reset, submit } = useForm(() => {
  const entry = whose.value?.entry ?? null
  return {
    name: saidField(whose.value?.seller.name ?? ''),
    contact: textField(entry?.contact),
    phone: textField(entry?.phone),
    email: textField(entry?.email),
    account: textField(entry?.account),
    payTerms: textField(entry?.payTerms),
    tradePpm: rateField(entry?.tradePpm ?? 0),
    returnDays: maybeNumberField(entry?.returnDays ?? null, 0),
    adjustDays: maybeNumberField(whose.value?.seller.adjustDays ?? null, 0),
    returnHabit: textField(entry?.returnHabit),
    matchHabit: textField(entry?.matchHabit),
    note: textField(entry?.note),
  }
})
function write(line: Line | null): void {
  whose.value = line
  reset()
  writing.value = true
}
async function save(): Promise<void> {
  const before = whose.value
  const id = before?.id ?? uuidv7()
  const done = await submit(({ name, adjustDays, ...entry }) =>
    change(`${before ? 'Changed' : 'Noted'} the seller ${name} in the sellers’ book`, [
      before
        ? edit('seller', before.seller, { name, adjustDays })
        : add('seller', id, { ...blank.seller, name, adjustDays }),
      before?.entry
        ? edit('sellerEntry', before.entry, entry)
        : add('sellerEntry', uuidv7(), { ...blank.sellerEntry, ...entry, sellerId: id }),
    ]),
  )
  if (!done) return
  writing.value = false
  chosen.value = id
}
/** On a phone the card lies below the list: whoever taps a seller wants to see it. */
const card = useTemplateRef<HTMLElement>('card')
async function choose(id: string): Promise<void> {
  chosen.value = id
  await nextTick()
  if (window.innerWidth <= 960) card.value?.scrollIntoView({ block: 'start' })
}
const mayWrite = computed(() => session.person?.role !== 'looker-on')
useKeys([{ key: 'n', does: 'Note a seller', run: () => mayWrite.value && write(null) }])
</script>

<template>
  <StudioFrame title="Sellers’ book" says="whom one speaks to, on what terms, and how it went">
    <p v-if="failed" class="stop-line" role="alert">{{ said }}</p>
    <p v-if="lines.length === 0 && !failed" class="opening">
      No seller yet. One comes in with the first candidate or order.
    </p>
    <div class="book">
      <section aria-labelledby="book-title">
        <div class="section-head">
          <h2 id="book-title">Sellers</h2>
          <button v-if="mayWrite" type="button" class="word" @click="write(null)">
            Note a seller<kbd aria-hidden="true">N</kbd>
          </button>
        </div>
        <RowTable name="sellers" :lines="lines" :columns="columns" :chosen="open?.id ?? null" @choose="choose">
          <template #name="{ line }">
            <button type="button" class="word" :aria-pressed="open?.id === line.id" @click="choose(line.id)">
              {{ line.seller.name }}
            </button>
          </template>
          <template #owed="{ line }">
            <span v-for="{ currency, owed } in sumsOf(line)" :key="currency" class="sum-line"
              ><MoneyAmount :amount="owed" :currency="currency" with-currency
            /></span>
          </template>
        </RowTable>
      </section>
      <div ref="card">
        <SellerCard v-if="open" :line="open" :sums="sumsOf(open)" :late="lateWords(open)">
          <button v-if="mayWrite" type="button" class="word" @click="write(open)">Change</button>
        </SellerCard>
      </div>
    </div>
    <FormDialog
      v-model="writing"
      :title="whose ? whose.seller.name : 'A seller'"
      action="Keep it"
      :faults="form.faults"
      :busy="form.busy"
      :changes="['seller']"
      :reads="whose !== null"
      @submit="save"
    >
      <FieldText :field="form.fields.name" label="Name" />
      <div class="pair">
        <FieldText :field="form.fields.contact" label="Whom one speaks to" optional />
        <FieldText :field="form.fields.account" label="Our number there" optional />
      </div>
      <div class="pair">
        <FieldText :field="form.fields.phone" label="Telephone" optional />
        <FieldText :field="form.fields.email" label="Email" optional />
      </div>
      <div class="pair">
        <FieldText :field="form.fields.tradePpm" label="Trade discount" unit="%" hint="Usual, before tax" />
        <FieldText :field="form.fields.payTerms" label="How it is paid" optional />
      </div>
      <div class="pair">
        <FieldText :field="form.fields.returnDays" label="Takes back within" unit="days" optional />
        <FieldText :field="form.fields.adjustDays" label="Matches a price within" unit="days" optional />
      </div>
      <FieldText :field="form.fields.returnHabit" label="How returns go" :rows="2" optional />
      <FieldText :field="form.fields.matchHabit" label="How price matching goes" :rows="2" optional />
      <FieldText :field="form.fields.note" label="Note" :rows="2" optional />
      <p class="quiet">All makeovers of the studio share it. It stays at home when a makeover goes out as a file.</p>
    </FormDialog>
  </StudioFrame>
</template>

<style>
.studio .book {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 32px;
  align-items: start;
}
.studio .book > section + * {
  margin-top: 0;
}
.studio .sum-line {
  display: block;
}
.el-dialog .pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 16px;
}
@media (max-width: 960px) {
  .studio .book {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 720px) {
  .studio .book tr.chosen,
  .studio .book tr.chosen td {
    background: none;
    border-color: transparent;
    box-shadow: none;
  }
}
@media (max-width: 480px) {
  .el-dialog .pair {
    grid-template-columns: 1fr;
  }
}
</style>

<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { computed, shallowRef, watch } from 'vue'
import { add, edit, type Operation } from '#core/makeover/change.ts'
import { settlements } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { atLeastZero, minus, zero } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { goodsValue, type PurchaseReckoning } from '#core/purchases/index.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import { bounded } from '../parts/bounded.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import {
  choiceField,
  dateField,
  maybeDateField,
  moneyField,
  numberField,
  textField,
  useForm,
  writtenMoney,
  yesField,
} from '../parts/form.ts'
import { useMakeover } from '../stores/makeover.ts'
import DifferencePreview from '../parts/DifferencePreview.vue'

/** Sends goods back, or notes that the seller has accepted them. */
const {
  purchase,
  money,
  accepting,
  damaged = null,
} = defineProps<{
  purchase: Row<'purchase'>
  money: PurchaseReckoning
  accepting: Row<'return'> | null
  /** Goods that came damaged go back: for money, or for others like them. */
  damaged?: Row<'return'>['settles'] | null
}>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const name = computed(() => makeover.opened?.makeover.rows.piece[purchase.pieceId]?.name ?? '')
const before = computed(() => money.goingBack + money.returned)
const most = computed(() => money.received - before.value)
/** How many to begin with: all that are damaged, else one. */
const first = computed(() => (damaged ? Math.max(1, Math.min(money.damaged, most.value)) : 1))
const valueOf = (packs: number) => goodsValue(purchase, packs, before.value)
const { form, reset, submit } = useForm(() =>
  bounded('return', {
    packs: numberField(accepting?.packs ?? first.value, 0),
    sentOn: dateField(accepting?.sentOn ?? makeover.opened?.today ?? null),
    reason: textField(accepting?.reason ?? (damaged ? 'It came damaged' : 'It does not suit the room')),
    creditMinor: moneyField(makeover.currency, accepting?.creditMinor ?? valueOf(first.value)),
    restockingMinor: moneyField(makeover.currency, accepting?.restockingMinor ?? zero),
    carriageMinor: moneyField(makeover.currency, accepting?.carriageMinor ?? zero),
    settles: choiceField(settlements, accepting?.settles ?? damaged ?? 'money'),
    acceptedOn: accepting ? dateField(makeover.opened?.today ?? null) : maybeDateField(null),
    wantedAgain: yesField(accepting?.wantedAgain ?? false),
  }),
)
/** What the seller keeps for taking it back comes off the credit, until somebody types another. */
watch(
  () => form.fields.restockingMinor.text,
  (text, old) => {
    const [reading, was, packs] = [
      form.fields.restockingMinor.read(text || '0'),
      form.fields.restockingMinor.read(old || '0'),
      form.fields.packs.read(form.fields.packs.text),
    ]
    if (!open.value || !reading.ok || !was.ok || !packs.ok || packs.value > most.value) return
    const value = accepting ? null : valueOf(packs.value)
    if (
      value !== null &&
      form.fields.creditMinor.text === writtenMoney(atLeastZero(minus(value, was.value)), makeover.currency)
    )
      form.fields.creditMinor.text = writtenMoney(atLeastZero(minus(value, reading.value)), makeover.currency)
  },
)
const difference = shallowRef<Preview | null>(null)
let id = uuidv7()
watch(open, (isOpen) => {
  if (!isOpen) return
  reset()
  id = uuidv7()
  difference.value = null
})
/** The credit follows the count until somebody types another: sellers keep a restocking fee, or nothing. */
watch(
  () => form.fields.packs.text,
  (text, old) => {
    const [read, was] = [form.fields.packs.read(text), form.fields.packs.read(old)]
    if (accepting || !open.value || !read.ok || read.value > most.value) return
    if (
      form.fields.creditMinor.text === '' ||
      (was.ok &&
        was.value <= most.value &&
        form.fields.creditMinor.text === writtenMoney(valueOf(was.value), makeover.currency))
    )
      form.fields.creditMinor.text = writtenMoney(valueOf(read.value), makeover.currency)
  },
)

const change = (): { sentence: string; operations: Operation[] } | null => {
  const { packs, sentOn, reason, creditMinor, restockingMinor, carriageMinor, settles, acceptedOn, wantedAgain } =
    form.fields
  const replaced = settles.text === 'replacement'
  const read = {
    packs: packs.read(packs.text),
    sentOn: sentOn.read(sentOn.text),
    credit: creditMinor.read(creditMinor.text),
    accepted: acceptedOn.read(acceptedOn.text),
    restocking: restockingMinor.read(restockingMinor.text || '0'),
    carriage: carriageMinor.read(carriageMinor.text || '0'),
  }
  if (
    !read.packs.ok ||
    !read.sentOn.ok ||
    !read.credit.ok ||
    !read.accepted.ok ||
    !read.restocking.ok ||
    !read.carriage.ok
  )
    return null
  const settled = {
    creditMinor: replaced ? zero : read.credit.value,
    restockingMinor: replaced ? zero : read.restocking.value,
    carriageMinor: read.carriage.value,
    settles: replaced ? ('replacement' as const) : ('money' as const),
  }
  if (accepting)
    return {
      sentence: `The seller accepted the return: ${name.value}`,
      operations: [edit('return', accepting, { ...settled, acceptedOn: read.accepted.value })],
    }
  const fields = {
    purchaseId: purchase.id,
    packs: read.packs.value,
    sentOn: read.sentOn.value,
    reason: reason.text.trim() || '…',
    ...settled,
    acceptedOn: read.accepted.value,
    wantedAgain: !replaced && wantedAgain.text === 'yes',
  }
  return {
    sentence: `${read.packs.value} of ${purchase.packs} goes back: ${name.value}`,
    operations: [add('return', id, fields)],
  }
}
watchDebounced(
  [() => Object.values(form.fields).map((field) => field.text), open],
  async () => {
    const wanted = open.value ? change() : null
    if (wanted) difference.value = await makeover.preview(wanted.operations)
  },
  { debounce: 150, immediate: true },
)

async function save(): Promise<void> {
  const done = await submit(() => {
    const wanted = change()
    return wanted ? makeover.change(wanted.sentence, wanted.operations) : Promise.resolve([])
  })
  if (done) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="accepting ? `The seller accepted: ${name}` : `Send back: ${name}`"
    :action="accepting ? 'Accepted' : 'It goes back'"
    :faults="form.faults"
    :busy="form.busy"
    :width="620"
    :changes="['return']"
    @submit="save"
  >
    <template v-if="!accepting">
      <div class="columns">
        <FieldText
          :field="form.fields.packs"
          :label="purchase.packSize === 1 ? 'How many' : 'How many packs'"
          :hint="`${most} here to send`"
        />
        <FieldText :field="form.fields.sentOn" label="Sent on" />
      </div>
      <FieldText :field="form.fields.reason" label="Why" />
    </template>
    <div class="columns">
      <FieldChoice
        :field="form.fields.settles"
        label="The seller gives"
        :options="[
          { value: 'money', label: 'money back' },
          { value: 'replacement', label: 'the same again' },
        ]"
      />
      <FieldText
        v-if="form.fields.settles.text === 'money'"
        :field="form.fields.restockingMinor"
        label="Restocking kept"
        :unit="makeover.currency"
      />
      <FieldText
        :field="form.fields.carriageMinor"
        label="Carriage back"
        :unit="makeover.currency"
        hint="What it costs to send it: counted in its category"
      />
    </div>
    <div class="columns">
      <FieldText
        v-if="form.fields.settles.text === 'money'"
        :field="form.fields.creditMinor"
        label="Credit"
        :unit="makeover.currency"
        :hint="
          accepting
            ? 'What the seller takes off'
            : `Goods without delivery: ${writeMoney(valueOf(1), makeover.currency)} each; less where a fee is kept`
        "
      />
      <FieldText
        :field="form.fields.acceptedOn"
        label="Accepted on"
        :optional="!accepting"
        :hint="accepting ? '' : 'Empty until the seller says so: till then it is owed'"
      />
    </div>
    <FieldYes
      v-if="!accepting && form.fields.settles.text === 'money'"
      :field="form.fields.wantedAgain"
      :label="`Still wanted: count ${purchase.packSize === 1 ? 'it' : 'them'} as to buy again`"
    />
    <DifferencePreview :preview="difference" />
  </FormDialog>
</template>

<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, type Operation } from '#core/makeover/change.ts'
import { tenders } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { minus, zero } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { isGoodAt, refundProposed, type OrderReckoning } from '#core/purchases/index.ts'
import { bounded } from '../parts/bounded.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import {
  choiceField,
  dateField,
  maybeChoiceField,
  maybeDateField,
  moneyField,
  textField,
  useForm,
} from '../parts/form.ts'
import { goToMade } from '../parts/made.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** Money out for an order, or back from it: by card, in cash, or with what is held with its seller. */
const { order, money, direction, name } = defineProps<{
  order: Row<'order'>
  money: OrderReckoning
  direction: 'out' | 'back' | null
  name: string
}>()
const emit = defineEmits<{ close: [] }>()
const makeover = useMakeover()
const credits = useRows('credit')
const back = computed(() => direction === 'back')
const open = computed({ get: () => direction !== null, set: (isOpen: boolean) => isOpen || emit('close') })
const expected = computed(() =>
  back.value ? money.refundDue : money.depositDue > 0 ? money.depositDue : money.committed,
)
/** A refund comes back by the way that was paid. */
const proposed = computed(() =>
  back.value && makeover.opened ? refundProposed(makeover.opened.makeover, order.id, money.refundDue) : null,
)
const held = computed(() =>
  credits.value
    .filter((row) => makeover.opened && isGoodAt(row, order.sellerId, makeover.opened.studio))
    .map((row) => ({
      row,
      balance: byId(makeover.reckoning?.money.credits, row.id)?.balance ?? zero,
    })),
)
const { form, reset, submit } = useForm(() =>
  bounded('payment', {
    amountMinor: moneyField(
      makeover.currency,
      proposed.value && proposed.value.amount > 0 ? proposed.value.amount : expected.value > 0 ? expected.value : null,
      { least: 1 },
    ),
    paidOn: dateField(makeover.opened?.today ?? null),
    tender: choiceField(tenders, proposed.value?.tender ?? 'transfer'),
    creditId: maybeChoiceField(
      credits.value.map((row) => row.id),
      proposed.value?.creditId ?? null,
    ),
    expiresOn: maybeDateField(null),
    reason: textField(''),
  }),
)
watch(open, (isOpen) => isOpen && reset())
const kind = computed(() =>
  form.fields.tender.text === 'gift card'
    ? 'gift card'
    : form.fields.tender.text === 'held credit'
      ? 'credit note'
      : null,
)
const fitting = computed(() => held.value.filter(({ row }) => row.kind === kind.value))
watch(kind, () => {
  const first = fitting.value.find(({ row }) => row.id === proposed.value?.creditId) ?? fitting.value[0]
  form.fields.creditId.text = first?.row.id ?? ''
})
const options = computed(() =>
  fitting.value.map(({ row, balance }) => ({
    value: row.id,
    label: `${row.number || row.kind}, ${writeMoney(balance, makeover.currency)} on it`,
  })),
)
const beyond = computed(() => {
  const read = form.fields.amountMinor.read(form.fields.amountMinor.text)
  const due = back.value ? money.refundDue : money.committed
  if (!read.ok || read.value <= due) return ''
  return back.value
    ? `Only ${writeMoney(money.refundDue, makeover.currency)} is due back: the rest will count as owed again.`
    : `Only ${writeMoney(money.committed, makeover.currency)} is due, and this is ${writeMoney(minus(read.value, due), makeover.currency)} more. Look at the amount again; where it is right, say why.`
})

async function save(): Promise<void> {
  const done = await submit(({ creditId, expiresOn, ...values }) => {
    // a refund as a credit note makes the note, where there is none of that seller yet
    const { sellerId } = order
    const makes = back.value && kind.value === 'credit note' && creditId === null && sellerId !== null
    const noteId = makes ? uuidv7() : creditId
    const note: Operation[] = makes
      ? [
          add('credit', noteId ?? '', {
            ...blank.credit,
            sellerId,
            kind: 'credit note',
            number: '',
            faceMinor: zero,
            gotOn: values.paidOn,
            expiresOn,
          }),
        ]
      : []
    return makeover.change(
      `${back.value ? 'A refund came' : 'Paid'}: ${writeMoney(values.amountMinor, makeover.currency)} for ${name}`,
      [
        ...note,
        add('payment', uuidv7(), {
          ...blank.payment,
          orderId: order.id,
          direction: back.value ? 'back' : 'out',
          ...values,
          reason: beyond.value && !back.value ? values.reason : '',
          creditId: kind.value === null ? null : noteId,
        }),
      ],
    )
  })
  if (!done) return
  goToMade(money.lineIds[0] ?? '')
  open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="back ? `A refund came: ${name}` : `Pay ${name}`"
    :action="back ? 'Note the refund' : 'Paid'"
    :faults="form.faults"
    :busy="form.busy"
    :changes="['payment']"
    @submit="save"
  >
    <div class="columns">
      <FieldText
        :field="form.fields.amountMinor"
        label="Amount"
        :unit="makeover.currency"
        :hint="
          back
            ? `${writeMoney(money.refundDue, makeover.currency)} due back of ${writeMoney(money.paid, makeover.currency)} paid`
            : `${writeMoney(money.committed, makeover.currency)} due${money.depositDue > 0 ? `, of it ${writeMoney(money.depositDue, makeover.currency)} as deposit` : ''}`
        "
      />
      <FieldText :field="form.fields.paidOn" :label="back ? 'Came on' : 'Paid on'" />
      <FieldChoice
        :field="form.fields.tender"
        label="By"
        :options="
          tenders.map((tender) => ({
            value: tender,
            label: back && tender === 'held credit' ? 'a credit note' : tender,
          }))
        "
      />
    </div>
    <div v-if="kind !== null" class="columns">
      <FieldChoice
        :field="form.fields.creditId"
        :label="kind === 'gift card' ? 'Which card' : 'Which note'"
        :options="options"
        :none="back && kind === 'credit note' ? 'a new one' : 'choose'"
      />
      <FieldText
        v-if="back && kind === 'credit note' && form.fields.creditId.text === ''"
        :field="form.fields.expiresOn"
        label="Ends on"
        optional
      />
    </div>
    <p v-if="proposed && proposed.amount < money.refundDue" class="quiet">
      {{ writeMoney(proposed.amount, makeover.currency) }} was paid by {{ proposed.tender }}; the rest of the
      {{ writeMoney(money.refundDue, makeover.currency) }} due comes back by how it was paid.
    </p>
    <p v-if="kind === 'gift card' && fitting.length === 0" class="final">
      No gift card of this seller is noted yet: note it under held credit first.
    </p>
    <p v-if="beyond" class="final">{{ beyond }}</p>
    <FieldText v-if="beyond && !back" :field="form.fields.reason" label="Why more than is owed" />
  </FormDialog>
</template>

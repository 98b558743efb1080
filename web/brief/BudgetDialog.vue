<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { sharesOfJobs, splitTotal, typicalShares, type Agreement } from '#core/brief/index.ts'
import { headOf } from '#core/makeover/document.ts'
import { writeMoney } from '#core/money/written.ts'
import { plus, portion, sum, zero, type Minor } from '#core/money/minor.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import {
  choiceField,
  dateField,
  moneyField,
  readFields,
  saidField,
  textField,
  useForm,
  writtenMoney,
  type Field,
} from '../parts/form.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'
import { earlierJobs, keepSigned, writeBudget, type Sum } from './budget.ts'
import { bounded } from '../parts/bounded.ts'
import { draftOfLines } from '../parts/draft.ts'

/** Drafts a budget, has the draft signed, or signs a change to what was agreed. */
const { mode, raise = null } = defineProps<{
  mode: 'draft' | 'sign' | 'change'
  /** A sum to begin a change with: this much more for one category. */
  raise?: { categoryId: string; by: Minor } | null
}>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const clients = useRows('client')
const categories = useRows('category')
const lines = useRows('agreementLine')

/** The versions as they were when the dialog was opened: what somebody signs is what they saw, not what came meanwhile. */
const versions = shallowRef<readonly Agreement[]>([])
const last = computed(() => versions.value.at(-1) ?? null)
const today = computed(() => makeover.opened?.today ?? null)
const scope = computed(() => (makeover.opened ? headOf(makeover.opened.makeover)?.scope : undefined) ?? 'decorate')
/** What is common for this scope, of the sums as typed. */
const usual = computed(() => {
  const rate = rules.value[`brief.contingency-${scope.value}`]
  const amounts = sums.value.map((sum) => sum.amount.read(sum.amount.text))
  const whole = amounts.every((amount) => amount.ok) ? sum(amounts.map((amount) => amount.value)) : null
  return `Common practice to ${scope.value}: ${rate} %${whole ? `, ${writeMoney(portion(whole, rate * 10, 1000), makeover.currency)}` : ''}`
})
const whole = ref(moneyField(makeover.currency))
const within = ref(true)
const splitProblem = ref('')
/** Splits the total that was typed among the categories, by what is typical or by what earlier jobs agreed. */
async function splitIt(by: 'typical' | 'jobs'): Promise<void> {
  splitProblem.value = ''
  const total = whole.value.read(whole.value.text)
  whole.value.error = total.ok ? '' : total.error
  if (!total.ok) return
  const names = sums.value.map((sum) => sum.name.text)
  const shares = by === 'typical' ? typicalShares(names) : sharesOfJobs(names, await earlierJobs())
  if (shares === null) {
    splitProblem.value = 'No earlier job with a signed budget has categories of these names.'
    return
  }
  const percent = rules.value[`brief.contingency-${scope.value}`]
  const found = splitTotal(total.value, shares, { percent, within: within.value, currency: makeover.currency })
  for (const [at, amount] of found.amounts.entries()) {
    const field = sums.value[at]?.amount
    if (field) field.text = writtenMoney(amount, makeover.currency)
  }
  form.fields.contingencyMinor.text = writtenMoney(found.contingency, makeover.currency)
}
const titles = { draft: 'Draft the budget', sign: 'Have the budget signed', change: 'Sign a change' }

type Line = { category: Row<'category'> | null; name: Field<string>; amount: Field<Minor> }
const sums = ref<Line[]>([])
const line = (category: Row<'category'> | null, amount: Minor | null): Line =>
  reactive({
    category,
    ...bounded('category', { name: textField(category?.name ?? '') }),
    amount: moneyField(makeover.currency, amount),
  })

const { form, reset, submit } = useForm(
  () => ({
    contingencyMinor: moneyField(makeover.currency, last.value?.row.contingencyMinor ?? null),
    reason:
      mode === 'change'
        ? saidField(raise ? `More for ${byId(categories.value, raise.categoryId)?.name ?? 'it'}` : '', 500)
        : textField(),
    signedById: choiceField(
      clients.value.map((client) => client.id),
      clients.value[0]?.id ?? '',
    ),
    signedOn: dateField(today.value),
  }),
  draftOfLines(
    sums,
    ({ category }) => category?.id ?? '',
    ({ name, amount }) => ({ name, amount }),
    (id) => line(byId(categories.value, id) ?? null, null),
  ),
)

watch(open, (isOpen) => {
  if (!isOpen) return
  versions.value = makeover.reckoning?.money.versions ?? []
  sums.value = categories.value
    .toSorted((left, right) => left.place - right.place)
    .map((category) => {
      const amount = last.value?.amounts.get(category.id) ?? zero
      return line(category, raise?.categoryId === category.id ? plus(amount, raise.by) : amount)
    })
  if (sums.value.length === 0) sums.value = [line(null, null)]
  reset()
})

const typed = computed(() => {
  const amounts = [...sums.value.map((sum) => sum.amount), form.fields.contingencyMinor].map((field) =>
    field.read(field.text),
  )
  return amounts.every((amount) => amount.ok) ? sum(amounts.map((amount) => amount.value)) : null
})

/** The sums as typed, or null where one is not right; each then says what is wrong with it. */
function readSums(): Sum[] | null {
  const read = sums.value.flatMap(({ category, ...fields }): Sum[] => {
    const values = readFields(fields)
    return values ? [{ category, ...values }] : []
  })
  return read.length === sums.value.length ? read : null
}

async function save(): Promise<void> {
  const read = readSums()
  const done = await submit(async (values) => {
    if (!read) return [{ field: null, message: 'A sum is not right yet: see above.' }]
    const signature = mode === 'draft' ? null : { signedById: values.signedById, signedOn: values.signedOn }
    const who = byId(clients.value, values.signedById)?.name ?? ''
    const sentence = {
      draft: 'Drafted the budget',
      sign: `${who} signed the budget`,
      change: `${who} signed a change to the budget`,
    }[mode]
    const operations = writeBudget(
      read,
      values.contingencyMinor,
      mode === 'change' ? values.reason : '',
      signature,
      versions.value,
      lines.value,
    )
    return makeover.change(sentence, makeover.opened ? keepSigned(makeover.opened, operations) : operations)
  })
  if (done) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="titles[mode]"
    :action="mode === 'draft' ? 'Keep the draft' : 'Signed'"
    :faults="form.faults"
    :busy="form.busy"
    :width="620"
    :changes="['agreement']"
    @submit="save"
  >
    <p v-if="mode === 'change'" class="quiet">
      The signed sums stay as they are, readable beside this one. Type the sums as they shall be from now on.
    </p>
    <div v-if="mode === 'draft'" class="split">
      <FieldText :field="whole" label="The whole, to be split" optional :unit="makeover.currency" keypad="decimal" />
      <el-checkbox v-model="within" label="contingency within it" />
      <button type="button" class="word" @click="splitIt('typical')">Split, typical shares</button>
      <button type="button" class="word" @click="splitIt('jobs')">Split as in earlier jobs</button>
      <p v-if="splitProblem" class="quiet" role="status">{{ splitProblem }}</p>
    </div>
    <div v-for="(sum, at) in sums" :key="sum.category?.id ?? `new${at}`" class="sum-line">
      <span v-if="sum.category && !(mode === 'draft' && versions.length < 2)" class="fixed-name">{{
        sum.category.name
      }}</span>
      <FieldText v-else :field="sum.name" :label="sum.category ? 'Category' : 'New category'" />
      <FieldText
        :field="sum.amount"
        :label="`Sum for ${sum.name.text || 'it'}`"
        :unit="makeover.currency"
        :class="{ 'quiet-label': at > 0 || mode !== 'draft' }"
      />
      <button v-if="!sum.category && sums.length > 1" type="button" class="word" @click="sums.splice(at, 1)">
        Take away
      </button>
    </div>
    <div><button type="button" class="word" @click="sums.push(line(null, null))">Add a category</button></div>
    <div class="sum-line">
      <FieldText :field="form.fields.contingencyMinor" label="Contingency" :unit="makeover.currency" :hint="usual" />
      <div class="total">
        <span class="label">In all</span
        ><strong v-if="typed !== null"
          ><MoneyAmount :amount="typed" :currency="makeover.currency" with-currency /></strong
        ><span v-else class="quiet">–</span>
      </div>
    </div>
    <template v-if="mode !== 'draft'">
      <FieldText v-if="mode === 'change'" :field="form.fields.reason" label="Why it changes" :rows="2" />
      <div class="columns">
        <FieldChoice :field="form.fields.signedById" label="Signed by" :options="optionsOf(clients)" />
        <FieldText :field="form.fields.signedOn" label="Signed on" />
      </div>
    </template>
  </FormDialog>
</template>

<style>
.split {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 16px;
  border-bottom: 1px solid var(--hairline);
  margin-bottom: 8px;
}
.split .field {
  flex: 1 1 180px;
}
.sum-line {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 0 16px;
  align-items: start;
}
.sum-line .word {
  margin-top: 20px;
}
.sum-line .fixed-name {
  padding-top: 6px;
  border-bottom: 1px solid var(--hairline);
  margin-bottom: 4px;
}
.sum-line .quiet-label .label {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
.sum-line:has(.fixed-name) .below {
  min-height: 4px;
}
.sum-line > .field:first-child + .quiet-label {
  padding-top: 19px;
}
.sum-line .total {
  display: grid;
  justify-items: end;
  padding-top: 2px;
}
.sum-line .total strong {
  font-size: 15px;
  padding-top: 5px;
}
</style>

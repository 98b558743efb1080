<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, shallowRef, watch } from 'vue'
import { byId } from '#core/makeover/by-id.ts'
import { edit, type Operation } from '#core/makeover/change.ts'
import { headOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { compareCandidates, lend, reasonProposed, stockBehind } from '#core/pieces/index.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import { bounded } from '../parts/bounded.ts'
import { textField, useForm, yesField } from '../parts/form.ts'
import { goToMade } from '../parts/made.ts'
import DifferencePreview from '../parts/DifferencePreview.vue'
import { useMakeover } from '../stores/makeover.ts'

const { piece, candidate } = defineProps<{ piece: Row<'piece'>; candidate: Row<'candidate'> }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const { form, reset, submit } = useForm(() => ({
  ...bounded('piece', { chosenReason: textField(proposed()) }),
  lent: yesField(true),
}))
/** The thing of our own stock that it is. */
const lendable = computed(() => (makeover.opened ? stockBehind(makeover.opened.studio, candidate) : null))
/** What it is ahead in, for a first word; whoever chooses says it better or leaves it. */
function proposed(): string {
  const { opened, reckoning } = makeover
  if (!opened || !reckoning) return ''
  const all = compareCandidates(
    opened.makeover,
    opened.studio,
    piece,
    reckoning.practice.rules,
    opened.today,
    byId(reckoning.dates, piece.id)?.wantedOn,
  )
  const found = all.find(({ row }) => row.id === candidate.id)
  return found ? reasonProposed(found, all) : ''
}
const difference = shallowRef<Preview | null>(null)
const lentId = uuidv7()
function lending(): readonly Operation[] {
  const { opened } = makeover
  const line = lendable.value
  if (!opened || !line) return []
  return lend(
    {
      line,
      quantity: piece.quantity,
      to: headOf(opened.makeover)?.name ?? '',
      on: opened.today,
      backOn: candidate.goBackOn,
    },
    lentId,
  )
}
const choice = computed(() => (reason: string) => [
  edit('piece', piece, { chosenId: candidate.id, chosenReason: reason }),
])
watch(
  [open, () => candidate.id],
  async ([isOpen]) => {
    if (!isOpen) return
    reset()
    difference.value = null
    difference.value = await makeover.preview(choice.value('…'))
  },
  { immediate: true },
)

async function save(): Promise<void> {
  if (
    await submit(({ chosenReason, lent }) =>
      makeover.change(`Chose “${candidate.name}” for ${piece.name}`, [
        ...choice.value(chosenReason),
        ...(lent ? lending() : []),
      ]),
    )
  ) {
    goToMade(candidate.id)
    open.value = false
  }
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="`Choose ${candidate.name}`"
    action="Choose"
    :faults="form.faults"
    :busy="form.busy"
    :changes="['piece']"
    @submit="save"
  >
    <FieldText
      :field="form.fields.chosenReason"
      label="Why this one"
      :rows="2"
      hint="May stay empty. The others stay on record as fall-backs"
    />
    <FieldYes
      v-if="lendable"
      :field="form.fields.lent"
      :label="`It goes out of our stock: ${writeQuantity(Math.min(piece.quantity, lendable.quantity), lendable.unit)} lent from today`"
    />
    <p v-if="lendable && lendable.quantity < piece.quantity" class="quiet">
      Only {{ writeQuantity(lendable.quantity, lendable.unit) }} in stock: the rest comes from somewhere else.
    </p>
    <DifferencePreview :preview="difference" />
  </FormDialog>
</template>

<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, shallowRef, watch } from 'vue'
import { add, edit, type Operation } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { differences, reasonProposed, type CandidateReckoning } from '#core/pieces/index.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { goToMade } from '../parts/made.ts'
import { dateField, maybeChoiceField, saidField, useForm } from '../parts/form.ts'
import DifferencePreview from '../parts/DifferencePreview.vue'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'

/** Another thing is taken than was planned: what it changes is shown before, and the planned line stays on record. */
const { piece, chosen, substitute } = defineProps<{
  piece: Row<'piece'>
  chosen: CandidateReckoning
  substitute: CandidateReckoning
}>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const clients = useRows('client')
const { form, reset, submit } = useForm(() => ({
  reason: saidField(reasonProposed(substitute, [chosen, substitute]) || 'The first choice is not to be had', 500),
  agreedById: maybeChoiceField(
    clients.value.map((client) => client.id),
    clients.value[0]?.id ?? null,
  ),
  madeOn: dateField(makeover.opened?.today ?? null),
}))
const lines = computed(() =>
  makeover.opened && makeover.reckoning
    ? differences(makeover.opened.makeover, chosen, substitute, makeover.currency, makeover.reckoning.practice.rules)
    : [],
)
const difference = shallowRef<Preview | null>(null)
const id = uuidv7()
const operations = (reason: string, agreedById: string | null): Operation[] => {
  const today = makeover.opened?.today
  const madeOn = form.fields.madeOn.read(form.fields.madeOn.text)
  if (!today) return []
  return [
    edit('piece', piece, { chosenId: substitute.row.id, chosenReason: reason }),
    ...(substitute.row.turnedDown === null ? [] : [edit('candidate', substitute.row, { turnedDown: null })]),
    add('substitution', id, {
      pieceId: piece.id,
      fromId: chosen.row.id,
      toId: substitute.row.id,
      fromLandedMinor: chosen.landed.landed,
      toLandedMinor: substitute.landed.landed,
      reason,
      agreedById,
      madeOn: madeOn.ok ? madeOn.value : today,
    }),
  ]
}
watch(
  [open, () => substitute.row.id],
  async ([isOpen]) => {
    if (!isOpen) return
    reset()
    difference.value = null
    difference.value = await makeover.preview(operations('…', null))
  },
  { immediate: true },
)
async function save(): Promise<void> {
  if (
    await submit(({ reason, agreedById }) =>
      makeover.change(
        `Took “${substitute.row.name}” instead of “${chosen.row.name}” for ${piece.name}`,
        operations(reason, agreedById),
      ),
    )
  ) {
    goToMade(substitute.row.id)
    open.value = false
  }
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="`${substitute.row.name} instead`"
    action="Take it instead"
    :faults="form.faults"
    :busy="form.busy"
    :width="760"
    :changes="['substitution']"
    @submit="save"
  >
    <table class="differences">
      <thead>
        <tr>
          <th>What is different</th>
          <th>Planned</th>
          <th>Instead</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.what">
          <th scope="row">{{ line.what }}</th>
          <td class="quiet">{{ line.from || '–' }}</td>
          <td>
            <strong>{{ line.to || '–' }}</strong>
          </td>
        </tr>
      </tbody>
    </table>
    <FieldText :field="form.fields.reason" label="Why" :rows="2" hint="The planned line stays on record beside it" />
    <div class="columns">
      <FieldChoice
        :field="form.fields.agreedById"
        label="Agreed by"
        :options="optionsOf(clients)"
        none="not asked yet"
      />
      <FieldText :field="form.fields.madeOn" label="On" />
    </div>
    <DifferencePreview :preview="difference" />
  </FormDialog>
</template>

<style>
.differences {
  margin-bottom: 10px;
}
.differences th,
.differences td {
  padding: 3px 12px 3px 0;
}
.differences tbody th {
  color: var(--soft);
  border-bottom: 1px solid var(--hairline);
  font-size: 14px;
  line-height: 20px;
}
</style>

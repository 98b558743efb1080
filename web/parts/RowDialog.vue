<script setup lang="ts" generic="K extends Kind, F extends Record<string, Field<unknown>>">
import { v7 as uuidv7 } from 'uuid'
import { computed, defineAsyncComponent, shallowRef, watch } from 'vue'
import { add, remove, type Operation } from '#core/makeover/change.ts'
import type { Kind, Row } from '#core/makeover/kinds.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useBasis } from './basis.ts'
import { bounded } from './bounded.ts'
import FieldChoice from './FieldChoice.vue'
import FieldSeveral from './FieldSeveral.vue'
import FieldText from './FieldText.vue'
import FieldYes from './FieldYes.vue'
import FormDialog from './FormDialog.vue'
import { useForm, type Field } from './form.ts'
import { goToMade } from './made.ts'
import type { RowForm, Shown } from './rowform.ts'

/** One row in a small form: made, changed or taken away. */
const {
  form: told,
  row = null,
  width = 560,
} = defineProps<{ form: RowForm<K, F>; row?: Row<K> | null; width?: number }>()
const open = defineModel<boolean>({ required: true })
/** It brings the library and the palette with it: few forms ask for a colour. */
const FieldColour = defineAsyncComponent(() => import('../colour/FieldColour.vue'))
const emit = defineEmits<{ made: [id: string] }>()
const makeover = useMakeover()
const { form, reset, submit } = useForm(() => bounded(told.kind, told.fields(row)))
const { basis, save: saveRow } = useBasis<K>(told.kind, () => row, open)
const id = shallowRef(uuidv7())
const spareId = shallowRef(uuidv7())
watch(open, (isOpen) => {
  if (!isOpen) return
  id.value = row?.id ?? uuidv7()
  spareId.value = uuidv7()
  reset()
})
const texts = computed(() => Object.fromEntries(Object.entries(form.fields).map(([key, field]) => [key, field.text])))
const lines = computed(() =>
  told.layout
    .map((line) => line.filter((shown) => shown.when?.(texts.value) ?? true))
    .filter((line) => line.length > 0),
)
const fieldOf = (shown: Shown<F>): Field<never> => form.fields[shown.key] as unknown as Field<never>

async function save(): Promise<void> {
  const done = await submit((values) => {
    const read = values
    const wrong = told.check?.(read) ?? []
    if (wrong.length > 0) return Promise.resolve(wrong)
    const seen = basis.value
    const besides = told.besides?.(read, id.value, seen, spareId.value) ?? []
    const fields = told.toRow(read, seen, id.value, spareId.value)
    return seen
      ? saveRow(told.sentence(read, seen), fields, besides)
      : makeover.change(told.sentence(read, null), [add(told.kind, id.value, fields), ...besides])
  }, told.names ?? {})
  if (!done) return
  goToMade(id.value)
  open.value = false
  if (!row) emit('made', id.value)
}
async function takeAway(): Promise<void> {
  const gone = row
  if (!gone || !told.removed) return
  const operations: Operation[] = [...(told.removedWith?.(gone) ?? []), remove(told.kind, gone)]
  const faults = await makeover.change(told.removed(gone), operations)
  form.faults = faults.map((fault) => fault.message)
  if (faults.length === 0) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="told.title(row)"
    :action="row ? 'Save' : (told.action ?? 'Add')"
    :faults="form.faults"
    :busy="form.busy"
    :away="told.away ?? 'Cancel'"
    :width="width"
    :changes="[told.kind]"
    :reads="row !== null"
    @submit="save"
  >
    <div v-for="(line, at) in lines" :key="at" class="columns">
      <template v-for="shown in line" :key="shown.key">
        <FieldChoice
          v-if="shown.as === 'choice'"
          :field="fieldOf(shown)"
          :label="shown.label"
          :options="shown.options ?? []"
          :none="shown.none ?? ''"
          :hint="shown.hint ?? ''"
        />
        <FieldYes v-else-if="shown.as === 'yes'" :field="fieldOf(shown)" :label="shown.label" />
        <FieldSeveral
          v-else-if="shown.as === 'several'"
          :field="fieldOf(shown)"
          :label="shown.label"
          :options="(shown.options ?? []).map((option) => option.value)"
        />
        <FieldColour
          v-else-if="shown.as === 'colour'"
          :field="fieldOf(shown)"
          :label="shown.label"
          :optional="shown.optional ?? false"
        />
        <FieldText
          v-else
          :field="fieldOf(shown)"
          :label="shown.label"
          :unit="shown.unit ?? ''"
          :hint="shown.hint ?? ''"
          :rows="shown.lines ?? 0"
          :optional="shown.optional ?? false"
        />
      </template>
    </div>
    <slot :texts="texts" />
    <p v-if="told.caution" class="quiet">{{ told.caution }}</p>
    <template #before-action
      ><button v-if="row && told.removed" type="button" class="word first" @click="takeAway">
        Take away
      </button></template
    >
  </FormDialog>
</template>

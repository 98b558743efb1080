<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { breakWall, type Shape } from '#core/survey/index.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { choiceField, maybeLengthField, useForm } from '../parts/form.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'

/** A bump, a recess, a bay or a slant, put into a wall that was measured in one piece. */
const { wall, name } = defineProps<{ wall: Row<'wall'> | null; name: string }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const entry = useEntry()
const kinds = ['bump', 'recess', 'bay', 'slant'] as const
const { form, reset, submit } = useForm(() => ({
  is: choiceField(kinds, 'bump'),
  from: maybeLengthField(entry.value, null),
  width: maybeLengthField(entry.value, null),
  depth: maybeLengthField(entry.value, null),
  front: maybeLengthField(entry.value, null),
}))
watch(open, (isOpen) => isOpen && reset())
const is = computed(() => form.fields.is.text)

async function save(): Promise<void> {
  const done = await submit(async (values) => {
    if (!wall || !makeover.opened) return []
    const lacking = (
      [
        'from',
        'width',
        ...(values.is === 'slant' ? [] : ['depth' as const]),
        ...(values.is === 'bay' ? ['front' as const] : []),
      ] as const
    ).filter((field) => values[field] === null)
    if (lacking.length > 0) return lacking.map((field) => ({ field, message: 'is empty: expected a length' }))
    const [value, width, depth, front] = [values.from ?? 0, values.width ?? 0, values.depth ?? 0, values.front ?? 0]
    const shape: Shape =
      values.is === 'slant'
        ? { is: 'slant', alongMm: value, nextMm: width }
        : values.is === 'bay'
          ? { is: 'bay', fromMm: value, widthMm: width, depthMm: depth, frontMm: front }
          : { is: values.is, fromMm: value, widthMm: width, depthMm: depth }
    const broken = breakWall(makeover.opened.makeover, wall, shape, uuidv7)
    return broken.ok
      ? makeover.change(`Put a ${values.is} into ${name.toLowerCase()}`, broken.operations)
      : [{ field: null, message: broken.error }]
  })
  if (done) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="`Shape ${name}`"
    action="Put it in"
    :faults="form.faults"
    :busy="form.busy"
    :changes="['room']"
    @submit="save"
  >
    <FieldChoice
      :field="form.fields.is"
      label="What it is"
      :options="[
        { value: 'bump', label: 'a bump: a breast, a column, a duct that stands into the room' },
        { value: 'recess', label: 'a recess: an alcove that goes back from it' },
        { value: 'bay', label: 'a bay, with a front and two slanted sides' },
        { value: 'slant', label: 'a slant across the corner at its end' },
      ]"
    />
    <div class="columns">
      <FieldText
        :field="form.fields.from"
        :label="is === 'slant' ? 'Cut off this wall' : 'Begins so far along'"
        :unit="entry.unit"
        :hint="is === 'slant' ? 'from the corner' : 'from its first corner'"
      />
      <FieldText
        :field="form.fields.width"
        :label="is === 'slant' ? 'Cut off the next wall' : 'Width along the wall'"
        :unit="entry.unit"
      />
      <FieldText v-if="is !== 'slant'" :field="form.fields.depth" label="Depth" :unit="entry.unit" />
      <FieldText v-if="is === 'bay'" :field="form.fields.front" label="Width of its front" :unit="entry.unit" />
    </div>
    <p class="quiet">
      The wall is parted into pieces; what hangs on it goes to the piece it lies on. Each piece can be measured by
      itself afterwards.
    </p>
  </FormDialog>
</template>

<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { add, remove } from '#core/makeover/change.ts'
import { importances, type Row } from '#core/makeover/kinds.ts'
import { useBasis } from '../parts/basis.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { choiceField, maybeChoiceField, textField, useForm } from '../parts/form.ts'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'

const { need, served } = defineProps<{ need: Row<'need'> | null; served: boolean }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const rooms = useRows('room')
const zones = useRows('zone')
const { form, reset, submit } = useForm(() => ({
  name: textField(need?.name),
  importance: choiceField(importances, need?.importance ?? 'must'),
  roomId: choiceField(rooms.value.map((room) => room.id), need?.roomId ?? rooms.value[0]?.id ?? ''),
  zoneId: maybeChoiceField(zones.value.map((zone) => zone.id), need?.zoneId ?? null),
}))
const { save: saveNeed } = useBasis('need', () => need, open)
watch(open, (now) => now && reset())
const zonesHere = computed(() => zones.value.filter((zone) => zone.roomId === form.fields.roomId.text))

async function save(): Promise<void> {
  const done = await submit((values) => {
    const fields = { ...values, zoneId: zonesHere.value.some((zone) => zone.id === values.zoneId) ? values.zoneId : null }
    return need
      ? saveNeed(`Changed the need “${values.name}”`, fields)
      : makeover.change(`Wrote down the need “${values.name}”`, [add('need', uuidv7(), fields)])
  })
  if (done) open.value = false
}

async function takeAway(): Promise<void> {
  const gone = need
  if (gone && (await submit(() => makeover.change(`Took away the need “${gone.name}”`, [remove('need', gone)])))) open.value = false
}
</script>

<template>
  <FormDialog v-model="open" :title="need ? 'Change a need' : 'A need'" :action="need ? 'Save' : 'Add'" :faults="form.faults" :busy="form.busy" @submit="save">
    <FieldText :field="form.fields.name" label="What has to be possible" hint="A function, not an object: read, sit, store" />
    <div class="columns">
      <FieldChoice :field="form.fields.importance" label="How much" :options="importances.map((one) => ({ value: one, label: `${one} have`.replace('nice', 'nice to') }))" />
      <FieldChoice v-if="rooms.length > 1" :field="form.fields.roomId" label="Room" :options="optionsOf(rooms)" />
      <FieldChoice v-if="zonesHere.length > 0" :field="form.fields.zoneId" label="Zone" :options="optionsOf(zonesHere)" none="the whole room" />
    </div>
    <template v-if="need && !served" #before-action><el-button class="first" @click="takeAway">Take away</el-button></template>
  </FormDialog>
</template>

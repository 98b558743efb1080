<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { useRouter } from 'vue-router'
import { add } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { useBasis } from '../parts/basis.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FormDialog from '../parts/FormDialog.vue'
import { choiceField, maybeChoiceField, moneyField, numberField, textField, useForm } from '../parts/form.ts'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'

const { piece } = defineProps<{ piece: Row<'piece'> | null }>()
const open = defineModel<boolean>({ required: true })
const router = useRouter()
const makeover = useMakeover()
const needs = useRows('need')
const rooms = useRows('room')
const zones = useRows('zone')
const categories = useRows('category')
const { form, reset, submit } = useForm(() => ({
  name: textField(piece?.name),
  needId: maybeChoiceField(needs.value.map((need) => need.id), piece?.needId ?? null),
  categoryId: choiceField(categories.value.map((category) => category.id), piece?.categoryId ?? ''),
  quantity: numberField(piece?.quantity ?? 1, { decimals: 3, least: 0.001, most: 100_000 }),
  unit: textField(piece?.unit ?? 'pieces', { most: 20 }),
  allowanceMinor: moneyField(makeover.currency, piece?.allowanceMinor ?? null),
  roomId: choiceField(rooms.value.map((room) => room.id), piece?.roomId ?? rooms.value[0]?.id ?? ''),
  zoneId: maybeChoiceField(zones.value.map((zone) => zone.id), piece?.zoneId ?? null),
}))
const { save: savePiece } = useBasis('piece', () => piece, open)
watch(open, (now) => now && reset())
const zonesHere = computed(() => zones.value.filter((zone) => zone.roomId === form.fields.roomId.text))

async function save(): Promise<void> {
  const id = piece?.id ?? uuidv7()
  const done = await submit((values) => {
    const fields = { ...values, zoneId: zonesHere.value.some((zone) => zone.id === values.zoneId) ? values.zoneId : null }
    return piece
      ? savePiece(`Changed the piece “${values.name}”`, fields)
      : makeover.change(`Planned ${values.name}`, [add('piece', id, { ...fields, chosenId: null, chosenReason: '' })])
  })
  if (!done) return
  open.value = false
  if (!piece) await router.push({ name: 'piece', params: { id: makeover.opened?.makeover.id ?? '', pieceId: id } })
}
</script>

<template>
  <FormDialog v-model="open" :title="piece ? `Change ${piece.name}` : 'A piece'" :action="piece ? 'Save' : 'Plan it'" :faults="form.faults" :busy="form.busy" :width="620" @submit="save">
    <FieldText :field="form.fields.name" label="What is wanted" />
    <div class="columns">
      <FieldChoice :field="form.fields.needId" label="For the need" :options="optionsOf(needs)" none="no need yet" />
      <FieldChoice :field="form.fields.categoryId" label="Category" :options="optionsOf(categories)" />
    </div>
    <div class="columns">
      <FieldText :field="form.fields.quantity" label="Quantity" />
      <FieldText :field="form.fields.unit" label="Counted in" hint="pieces, m, rolls, litres" />
      <FieldText :field="form.fields.allowanceMinor" label="Allowance" :unit="makeover.currency" hint="For all of it, with tax and delivery" />
    </div>
    <div v-if="rooms.length > 1 || zonesHere.length > 0" class="columns">
      <FieldChoice v-if="rooms.length > 1" :field="form.fields.roomId" label="Room" :options="optionsOf(rooms)" />
      <FieldChoice v-if="zonesHere.length > 0" :field="form.fields.zoneId" label="Zone" :options="optionsOf(zonesHere)" none="anywhere in the room" />
    </div>
  </FormDialog>
</template>

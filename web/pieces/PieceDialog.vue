<script setup lang="ts">
import { blank } from '#core/makeover/blank.ts'
import { v7 as uuidv7 } from 'uuid'
import { computed, watch } from 'vue'
import { useRouter } from 'vue-router'
import { add, remove, type Operation } from '#core/makeover/change.ts'
import { thingKinds } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { bounded } from '../parts/bounded.ts'
import { useBasis } from '../parts/basis.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import { goToMade, toMade } from '../parts/made.ts'
import {
  choiceField,
  distanceField,
  maybeChoiceField,
  maybeDateField,
  maybeLengthField,
  moneyField,
  numberField,
  textField,
  useForm,
  yesField,
} from '../parts/form.ts'
import { thingByName } from '#core/pieces/index.ts'
import { nameOfWall, wallsOf } from '#core/survey/index.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'

const { piece } = defineProps<{ piece: Row<'piece'> | null }>()
const open = defineModel<boolean>({ required: true })
const router = useRouter()
const makeover = useMakeover()
const needs = useRows('need')
const servings = useRows('serving')
const rooms = useRows('room')
const zones = useRows('zone')
const walls = useRows('wall')
const openings = useRows('opening')
const categories = useRows('category')
const entry = useEntry()
const served = computed(() => servings.value.filter((row) => row.pieceId === piece?.id))
const { form, reset, submit } = useForm(() =>
  bounded('piece', {
    name: textField(piece?.name),
    thing: choiceField(thingKinds, piece?.thing ?? 'other'),
    needId: maybeChoiceField(
      needs.value.map((need) => need.id),
      served.value[0]?.needId ?? null,
    ),
    alsoId: maybeChoiceField(
      needs.value.map((need) => need.id),
      served.value[1]?.needId ?? null,
    ),
    categoryId: maybeChoiceField(
      categories.value.map((category) => category.id),
      piece?.categoryId ?? null,
    ),
    quantity: numberField(piece?.quantity ?? 1, 3),
    unit: textField(piece?.unit ?? 'pieces'),
    allowanceMinor: moneyField(makeover.currency, piece?.allowanceMinor ?? null),
    setName: textField(piece?.setName),
    wantedOn: maybeDateField(piece?.wantedOn ?? null),
    widthMm: maybeLengthField(entry.value, piece?.widthMm ?? null),
    depthMm: maybeLengthField(entry.value, piece?.depthMm ?? null),
    heightMm: maybeLengthField(entry.value, piece?.heightMm ?? null),
    hides: yesField(piece?.hides ?? false),
    roomId: choiceField(
      rooms.value.map((room) => room.id),
      piece?.roomId ?? rooms.value[0]?.id ?? '',
    ),
    zoneId: maybeChoiceField(
      zones.value.map((zone) => zone.id),
      piece?.zoneId ?? null,
    ),
    wallId: maybeChoiceField(
      walls.value.map((wall) => wall.id),
      piece?.wallId ?? null,
    ),
    aboveMm: distanceField(entry.value, piece?.aboveMm ?? 0),
    openingId: maybeChoiceField(
      openings.value.map((opening) => opening.id),
      piece?.openingId ?? null,
    ),
  }),
)
const { save: savePiece } = useBasis('piece', () => piece, open)
watch(open, (isOpen) => isOpen && reset())
// its name mostly tells what it is; once somebody chose, their choice stays
watch(
  () => form.fields.name.text,
  (name, before) => {
    const { thing } = form.fields
    if (open.value && (thing.text === 'other' || thing.text === thingByName(before))) thing.text = thingByName(name)
  },
)
const thingOptions = computed(() => {
  const told = thingByName(form.fields.name.text)
  return thingKinds.map((kind) => ({
    value: kind,
    label: kind === 'other' ? (told === 'other' ? 'something else' : `by its name: ${told}`) : kind,
  }))
})
/** What it can stand in: niches and windows of its wall. */
const openingsHere = computed(() =>
  openings.value
    .filter(({ wallId, what }) => wallId === form.fields.wallId.text && (what === 'niche' || what === 'window'))
    .map((row) => ({ value: row.id, label: row.name || row.what })),
)
const zonesHere = computed(() => zones.value.filter((zone) => zone.roomId === form.fields.roomId.text))
const wallsHere = computed(() =>
  makeover.opened
    ? wallsOf(makeover.opened.makeover, form.fields.roomId.text).map((wall, at) => ({
        value: wall.id,
        label: nameOfWall(wall, at),
      }))
    : [],
)

/** The needs it serves, as rows made and taken away; those beyond the two of the form stay. */
function serves(pieceId: string, wanted: readonly (string | null)[]): Operation[] {
  const set = new Set(wanted.filter((id) => id !== null))
  const shown = served.value.slice(0, 2)
  return [
    ...shown.filter((row) => !set.has(row.needId)).map((row) => remove('serving', row)),
    ...[...set]
      .filter((needId) => !served.value.some((row) => row.needId === needId))
      .map((needId) => add('serving', uuidv7(), { needId, pieceId })),
  ]
}

async function save(): Promise<void> {
  const id = piece?.id ?? uuidv7()
  const done = await submit(({ needId, alsoId, ...values }) => {
    const fields = {
      ...values,
      zoneId: zonesHere.value.some((zone) => zone.id === values.zoneId) ? values.zoneId : null,
      wallId: wallsHere.value.some((wall) => wall.value === values.wallId) ? values.wallId : null,
      openingId: openingsHere.value.some((opening) => opening.value === values.openingId) ? values.openingId : null,
    }
    const besides = serves(id, [needId, alsoId])
    return piece
      ? savePiece(`Changed the piece “${values.name}”`, fields, besides)
      : makeover.change(`Planned ${values.name}`, [
          add('piece', id, { ...blank.piece, ...fields, chosenId: null, chosenReason: '' }),
          ...besides,
        ])
  })
  if (!done) return
  open.value = false
  if (piece) return
  await router.push({ name: 'piece', params: { id: makeover.opened?.makeover.id ?? '', pieceId: id } })
  goToMade(id)
  toMade()
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="piece ? `Change ${piece.name}` : 'A piece'"
    :action="piece ? 'Save' : 'Plan it'"
    :faults="form.faults"
    :busy="form.busy"
    :width="680"
    :changes="['piece']"
    :reads="piece !== null"
    @submit="save"
  >
    <div class="columns">
      <FieldText :field="form.fields.name" label="What is wanted" />
      <FieldChoice :field="form.fields.thing" label="What kind of thing" :options="thingOptions" />
      <FieldChoice
        :field="form.fields.categoryId"
        label="Category"
        :options="optionsOf(categories)"
        none="costs nothing"
      />
    </div>
    <div class="columns">
      <FieldChoice :field="form.fields.needId" label="For the need" :options="optionsOf(needs)" none="no need yet" />
      <FieldChoice
        v-if="needs.length > 1"
        :field="form.fields.alsoId"
        label="And for"
        :options="optionsOf(needs)"
        none="no other"
      />
    </div>
    <div class="columns">
      <FieldText :field="form.fields.quantity" label="Quantity" />
      <FieldText :field="form.fields.unit" label="Counted in" hint="pieces, m, rolls, litres" />
      <FieldText
        :field="form.fields.allowanceMinor"
        label="Allowance"
        :unit="makeover.currency"
        hint="For all of it, with tax and delivery"
      />
    </div>
    <div class="columns">
      <FieldText :field="form.fields.widthMm" label="Width it may take" optional :unit="entry.unit" />
      <FieldText :field="form.fields.depthMm" label="Depth" optional :unit="entry.unit" />
      <FieldText :field="form.fields.heightMm" label="Height" optional :unit="entry.unit" />
    </div>
    <div class="columns">
      <FieldText :field="form.fields.setName" label="Pair or set" optional hint="Pieces of one name stay together" />
      <FieldText
        v-if="makeover.reckoning?.practice.schools.pace === 'year'"
        :field="form.fields.wantedOn"
        label="Its own day"
        optional
        hint="Where it goes piece by piece, no install day rules it"
      />
      <FieldChoice v-if="rooms.length > 1" :field="form.fields.roomId" label="Room" :options="optionsOf(rooms)" />
      <FieldChoice
        v-if="zonesHere.length > 0"
        :field="form.fields.zoneId"
        label="Zone"
        :options="optionsOf(zonesHere)"
        none="anywhere in the room"
      />
    </div>
    <div v-if="wallsHere.length > 0" class="columns">
      <FieldChoice
        :field="form.fields.wallId"
        label="Before which wall"
        :options="wallsHere"
        none="none in particular"
      />
      <FieldText
        :field="form.fields.aboveMm"
        label="Lower edge above the floor"
        :unit="entry.unit"
        hint="0 stands on the floor"
      />
      <FieldChoice
        v-if="openingsHere.length > 0"
        :field="form.fields.openingId"
        label="Fitted into"
        :options="openingsHere"
        none="nothing"
      />
    </div>
    <FieldYes :field="form.fields.hides" label="It is meant to disappear before its wall" />
  </FormDialog>
</template>

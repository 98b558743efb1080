<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, watch } from 'vue'
import { hexFromLab, type Lab } from '#core/colour/lab.ts'
import { add } from '#core/makeover/change.ts'
import {
  conditions,
  families,
  fates,
  materials,
  methods,
  patterns,
  qualities,
  roles,
  scales,
  sheens,
  surfaces,
  textures,
  uses,
} from '#core/makeover/choices.ts'
import type { Fields, Row } from '#core/makeover/kinds.ts'
import { writeArea } from '#core/measure/area.ts'
import { labOf, texturesOf, undertone, type LibraryFinish } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { nameOfWall, wallsOf } from '#core/survey/index.ts'
import { useBasis } from '../parts/basis.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import FieldSeveral from '../parts/FieldSeveral.vue'
import {
  choiceField,
  colourField,
  distanceField,
  maybeChoiceField,
  maybeLengthField,
  maybeNumberField,
  severalField,
  textField,
  useForm,
  yesField,
} from '../parts/form.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { asOptions } from '../parts/rowform.ts'
import { optionsOf, useRows } from '../stores/rows.ts'
import LibraryPicker from './LibraryPicker.vue'
import MeterReader from './MeterReader.vue'
import PhotoPicker from './PhotoPicker.vue'
import { usePatternParts } from './pattern-parts.ts'

/** `existing`: a new finish of the form is one that is there already, in the room given. */
const {
  finish,
  existing = false,
  roomId = '',
} = defineProps<{ finish: Row<'finish'> | null; existing?: boolean; roomId?: string }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const rooms = useRows('room')
const pieces = useRows('piece')
const finishes = useRows('finish')
const walls = useRows('wall')
const zones = useRows('zone')
const entry = useEntry()
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const written = (row: Row<'finish'>): string =>
  row.colourSource === 'hex' ? hexFromLab(labOf(row)) : `${row.labL} ${row.labA} ${row.labB}`
const measured = computed(() => {
  const area = finish ? makeover.reckoning?.survey.finishes.get(finish.id) : undefined
  return area?.basis === 'survey' ? writeArea(area.m2, entry.value.units) : ''
})
const { form, reset, submit } = useForm(() => ({
  name: textField(finish?.name),
  colour: colourField(finish ? written(finish) : ''),
  family: choiceField(families, finish?.family ?? 'paint'),
  sheen: choiceField(sheens, finish?.sheen ?? 'matt'),
  texture: choiceField(textures, finish?.texture ?? 'usual'),
  role: choiceField(roles, finish?.role ?? 'dominant'),
  usedFor: textField(finish?.usedFor, { may: true }),
  visibleM2: maybeNumberField(finish?.visibleM2 ?? null, { decimals: 2, least: 0.01, most: 10_000 }),
  surface: choiceField(surfaces, finish?.surface ?? 'walls'),
  pieceId: maybeChoiceField(
    pieces.value.map((piece) => piece.id),
    finish?.pieceId ?? null,
  ),
  pattern: choiceField(patterns, finish?.pattern ?? 'plain'),
  patternScale: maybeChoiceField(scales, finish?.patternScale ?? 'medium'),
  repeatMm: maybeLengthField(entry.value, finish?.repeatMm ?? null),
  suits: severalField(uses, finish?.suits ?? ''),
  hides: yesField(finish?.hides ?? false),
  zoneId: maybeChoiceField(
    zones.value.map((zone) => zone.id),
    finish?.zoneId ?? null,
  ),
  methods: severalField(methods, finish?.methods ?? ''),
  qualities: severalField(qualities, finish?.qualities ?? ''),
  roomId: choiceField(
    rooms.value.map((room) => room.id),
    finish?.roomId ?? (roomId || (rooms.value[0]?.id ?? '')),
  ),
  fate: maybeChoiceField(fates, finish ? finish.fate : existing ? 'keep' : null),
  condition: maybeChoiceField(conditions, finish ? finish.condition : existing ? 'good' : null),
  material: maybeChoiceField(materials, finish?.material ?? null),
  laidYear: maybeNumberField(finish?.laidYear ?? null, { decimals: 0, least: 1000, most: 2200 }),
  wallId: maybeChoiceField(
    walls.value.map((wall) => wall.id),
    finish?.wallId ?? null,
  ),
  bandFromMm: distanceField(entry.value, finish?.bandFromMm ?? 0),
  bandToMm: maybeLengthField(entry.value, finish?.bandToMm ?? null),
}))
const zonesHere = computed(() => zones.value.filter((zone) => zone.roomId === form.fields.roomId.text))
const texturesHere = computed(() =>
  texturesOf(families.find((family) => family === form.fields.family.text) ?? 'paint'),
)
const wallsHere = computed(() =>
  makeover.opened
    ? wallsOf(makeover.opened.makeover, form.fields.roomId.text).map((wall, at) => ({
        value: wall.id,
        label: nameOfWall(wall, at),
      }))
    : [],
)
const { basis, save: saveFinish } = useBasis('finish', () => finish, open)
const { parts, others, partLine, begin, print, partOperations } = usePatternParts(
  () => finish,
  () => form.fields,
  () => rules.value,
)
watch(open, (isOpen) => {
  if (!isOpen) return
  reset()
  way.value = 'typed'
  got.value = null
  begin()
})
const shown = computed(() => {
  const read = form.fields.colour.read(form.fields.colour.text)
  const family = families.find((family) => family === form.fields.family.text) ?? 'paint'
  const sheen = sheens.find((sheen) => sheen === form.fields.sheen.text) ?? 'matt'
  const texture = texturesOf(family).find((texture) => texture === form.fields.texture.text) ?? 'usual'
  if (!read.ok) return null
  const { L, a, b } = read.value.lab
  return {
    swatch: { family, texture, sheen, labL: L, labA: a, labB: b },
    words: undertone(family, read.value.lab, rules.value).words,
  }
})

/** Where the colour came from, while its text still says it. */
const got = ref<{ text: string; source: 'library' | 'photo' | 'measured' } | null>(null)
const way = ref<'typed' | 'library' | 'photo' | 'meter'>('typed')
const ways = [
  ['typed', 'Type it'],
  ['library', 'From the library'],
  ['photo', 'From a picture'],
  ['meter', 'With a meter'],
] as const
function take(lab: Lab, source: 'library' | 'photo' | 'measured'): void {
  const text = [lab.L, lab.a, lab.b].map((value) => (Math.round(value * 100) / 100).toString()).join(' ')
  form.fields.colour.text = text
  form.fields.colour.error = ''
  got.value = { text, source }
  way.value = 'typed'
}
function fromLibrary(libraryFinish: LibraryFinish): void {
  take(libraryFinish.lab, 'library')
  if (form.fields.name.text.trim() === '') form.fields.name.text = libraryFinish.name
  form.fields.family.text = libraryFinish.family
  form.fields.texture.text = libraryFinish.texture
  form.fields.sheen.text = libraryFinish.sheen
  form.fields.suits.text = libraryFinish.suits
}
/** A new finish stands last among those of its role. */
const nextPlace = (role: string): number =>
  Math.min(
    1_000_000,
    1 +
      Math.max(0, ...finishes.value.filter((finish) => finish.role === role).map((finish) => Math.floor(finish.place))),
  )

async function save(): Promise<void> {
  const done = await submit(
    ({ colour, ...values }) => {
      const seen = basis.value
      const kept = seen && form.fields.colour.text === written(seen)
      const { L: labL, a: labA, b: labB } = kept ? labOf(seen) : colour.lab
      const fields: Fields<'finish'> = {
        ...values,
        labL,
        labA,
        labB,
        colourSource: kept
          ? seen.colourSource
          : got.value?.text === form.fields.colour.text
            ? got.value.source
            : colour.source,
        place: finish?.place ?? nextPlace(values.role),
      }
      if (values.pattern === 'plain') fields.patternScale = fields.repeatMm = null
      if (!texturesHere.value.includes(values.texture)) fields.texture = 'usual'
      if (!zonesHere.value.some((zone) => zone.id === values.zoneId)) fields.zoneId = null
      if (values.fate === null) fields.condition = fields.material = fields.laidYear = null
      if (values.surface !== 'walls') fields.wallId = fields.bandFromMm = fields.bandToMm = null
      else if (fields.bandFromMm === 0) fields.bandFromMm = null
      const id = finish?.id ?? uuidv7()
      const partChanges = partOperations(id, values.pattern)
      if (partChanges === null)
        return Promise.resolve([{ field: null, message: 'A share of the pattern is not right yet: see above.' }])
      return finish
        ? saveFinish(`Changed the finish ${values.name}`, fields, partChanges)
        : makeover.change(
            values.fate === null ? `Laid ${values.name} into the palette` : `Noted ${values.name}, which is there`,
            [add('finish', id, fields), ...partChanges],
          )
    },
    { labL: 'colour', labA: 'colour', labB: 'colour' },
  )
  if (done) open.value = false
}
const picked = computed({
  get: () => {
    const read = form.fields.colour.read(form.fields.colour.text)
    return read.ok ? hexFromLab(read.value.lab) : '#808080'
  },
  set: (hex: string) => {
    form.fields.colour.text = hex
    form.fields.colour.error = ''
  },
})
</script>

<template>
  <FormDialog
    v-model="open"
    :title="finish ? `Change ${finish.name}` : existing ? 'A finish that is there' : 'A finish'"
    :action="finish ? 'Save' : existing ? 'Note it' : 'Lay it in'"
    :faults="form.faults"
    :busy="form.busy"
    :width="760"
    @submit="save"
  >
    <div class="finish-form" :class="{ picking: way !== 'typed' }">
      <div>
        <div class="columns">
          <FieldText :field="form.fields.name" label="Name" />
          <FieldText :field="form.fields.usedFor" label="Where in the room" hint="walls; seat; floor, kept" />
        </div>
        <div class="ways" role="group" aria-label="Where the colour comes from">
          <button
            v-for="[id, label] in ways"
            :key="id"
            type="button"
            class="word"
            :class="{ here: way === id }"
            :aria-pressed="way === id"
            @click="way = id"
          >
            {{ label }}
          </button>
        </div>
        <LibraryPicker v-if="way === 'library'" @pick="fromLibrary" />
        <PhotoPicker v-else-if="way === 'photo'" @pick="take($event, 'photo')" />
        <MeterReader v-else-if="way === 'meter'" :finishes="finishes" @read="take($event, 'measured')" />
        <div v-show="way === 'typed'" class="colour-line">
          <FieldText
            :field="form.fields.colour"
            label="Colour"
            hint="#8fa3a8; Lab 65 -4 -6; LCh 65 7 236; slate grey"
          />
          <label class="pick"><span class="label">Pick</span><input v-model="picked" type="color" /></label>
        </div>
        <div v-show="way === 'typed'">
          <div class="columns">
            <FieldChoice :field="form.fields.family" label="Family" :options="asOptions(families)" />
            <FieldChoice
              v-if="texturesHere.length > 1"
              :field="form.fields.texture"
              label="Worked"
              :options="asOptions(texturesHere)"
            />
            <FieldChoice :field="form.fields.sheen" label="Sheen" :options="asOptions(sheens)" />
          </div>
          <div class="columns">
            <FieldChoice :field="form.fields.surface" label="On" :options="asOptions(surfaces)" />
            <FieldChoice :field="form.fields.role" label="Role" :options="asOptions(roles)" />
            <FieldText
              :field="form.fields.visibleM2"
              label="Visible area by eye"
              optional
              unit="m²"
              :hint="measured ? `measured: ${measured}` : ''"
            />
          </div>
          <div class="columns">
            <FieldChoice :field="form.fields.pattern" label="Pattern" :options="asOptions(patterns)" />
            <FieldChoice
              v-if="form.fields.pattern.text !== 'plain'"
              :field="form.fields.patternScale"
              label="Scale of it"
              :options="asOptions(scales)"
            />
            <FieldText
              v-if="form.fields.pattern.text !== 'plain'"
              :field="form.fields.repeatMm"
              label="Repeats in"
              optional
              :unit="entry.unit"
              hint="measured, it decides the scale"
            />
            <FieldChoice
              v-if="pieces.length > 0"
              :field="form.fields.pieceId"
              label="Carried by the piece"
              :options="optionsOf(pieces)"
              none="none"
            />
            <FieldChoice v-if="rooms.length > 1" :field="form.fields.roomId" label="Room" :options="optionsOf(rooms)" />
            <FieldChoice
              v-if="zonesHere.length > 0"
              :field="form.fields.zoneId"
              label="Zone"
              :options="optionsOf(zonesHere)"
              none="the whole room"
            />
          </div>
          <template v-if="form.fields.pattern.text !== 'plain'">
            <div v-for="(part, at) in parts" :key="part.row?.id ?? `new${at}`" class="columns">
              <FieldChoice :field="part.part" label="It carries" :options="optionsOf(others)" none="nothing" />
              <FieldText :field="part.share" label="Share of the pattern" unit="%" />
            </div>
            <div>
              <button type="button" class="word" @click="parts.push(partLine(null))">
                Add a palette colour it carries
              </button>
            </div>
          </template>
          <details :open="form.fields.fate.text !== ''">
            <summary>What is there already</summary>
            <div class="columns">
              <FieldChoice
                :field="form.fields.fate"
                label="What becomes of it"
                :options="
                  fates.map((fate) => ({
                    value: fate,
                    label: { keep: 'it is kept', change: 'it is changed', camouflage: 'it is camouflaged' }[fate],
                  }))
                "
                none="it is new"
              />
              <template v-if="form.fields.fate.text !== ''">
                <FieldChoice
                  :field="form.fields.condition"
                  label="Condition"
                  :options="asOptions(conditions)"
                  none="not said"
                />
                <FieldChoice
                  :field="form.fields.material"
                  label="Made of"
                  :options="asOptions(materials)"
                  none="not said"
                />
                <FieldText
                  :field="form.fields.laidYear"
                  label="Since the year"
                  optional
                  hint="old paint and floors: test first"
                />
              </template>
            </div>
          </details>
          <details
            v-if="form.fields.surface.text === 'walls' && wallsHere.length > 0"
            :open="
              form.fields.wallId.text !== '' || form.fields.bandToMm.text !== '' || form.fields.bandFromMm.text !== '0'
            "
          >
            <summary>Where on the walls</summary>
            <div class="columns">
              <FieldChoice :field="form.fields.wallId" label="On which wall" :options="wallsHere" none="all walls" />
              <FieldText :field="form.fields.bandFromMm" label="From height" :unit="entry.unit" hint="0 is the floor" />
              <FieldText
                :field="form.fields.bandToMm"
                label="To height"
                optional
                :unit="entry.unit"
                hint="empty is the ceiling"
              />
            </div>
          </details>
          <details
            :open="
              form.fields.methods.text !== '' || form.fields.qualities.text !== '' || form.fields.suits.text !== ''
            "
          >
            <summary>What it stands up to, its methods and qualities</summary>
            <FieldSeveral :field="form.fields.suits" label="It stands up to" :options="uses" />
            <FieldYes :field="form.fields.hides" label="It is meant to hide before its wall" />
            <FieldSeveral :field="form.fields.methods" label="It needs" :options="methods" />
            <FieldSeveral :field="form.fields.qualities" label="It is" :options="qualities" />
          </details>
        </div>
      </div>
      <figure v-show="way === 'typed'" class="finish-shown">
        <div class="on-ground"><MaterialSwatch v-if="shown" :finish="shown.swatch" :print="print" /></div>
        <figcaption class="quiet">{{ shown ? shown.words : 'Type a colour to see it as material.' }}</figcaption>
      </figure>
    </div>
  </FormDialog>
</template>

<style src="./finish-dialog.css"></style>

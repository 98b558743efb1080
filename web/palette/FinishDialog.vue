<script setup lang="ts">
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
  uses,
} from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { areaUnit } from '#core/measure/area.ts'
import FieldColour from '../colour/FieldColour.vue'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldSeveral from '../parts/FieldSeveral.vue'
import FieldText from '../parts/FieldText.vue'
import FieldYes from '../parts/FieldYes.vue'
import FormDialog from '../parts/FormDialog.vue'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { asOptions } from '../parts/rowform.ts'
import { useEntry } from '../stores/entry.ts'
import { optionsOf, useRows } from '../stores/rows.ts'
import { onWhat, useFinishForm } from './finish-form.ts'

/** `existing`: a new finish of the form is one that is there already, in the room given. */
const {
  finish,
  existing = false,
  roomId = '',
} = defineProps<{ finish: Row<'finish'> | null; existing?: boolean; roomId?: string }>()
const open = defineModel<boolean>({ required: true })
const rooms = useRows('room')
const pieces = useRows('piece')
const entry = useEntry()
const {
  form,
  zonesHere,
  texturesHere,
  wallsHere,
  onSeveral,
  measured,
  parts,
  others,
  partLine,
  print,
  shown,
  taken,
  fromLibrary,
  save,
} = useFinishForm(() => ({ finish, existing, roomId }), open)
</script>

<template>
  <FormDialog
    v-model="open"
    :title="finish ? `Change ${finish.name}` : existing ? 'A finish that is there' : 'A finish'"
    :action="finish ? 'Save' : existing ? 'Note it' : 'Lay it in'"
    :faults="form.faults"
    :busy="form.busy"
    :width="760"
    :changes="['finish']"
    :reads="finish !== null"
    @submit="save"
  >
    <div class="finish-form">
      <div>
        <div class="columns">
          <FieldText :field="form.fields.name" label="Name" />
          <FieldText :field="form.fields.usedFor" label="Where in the room" hint="walls; seat; floor, kept" />
        </div>
        <FieldColour :field="form.fields.colour" label="Colour" @taken="taken" @library="fromLibrary" />
        <div>
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
          <p v-if="onSeveral" class="quiet">It lies on several surfaces: where, is said on the page of the surfaces.</p>
          <div class="columns">
            <FieldChoice
              v-if="!onSeveral"
              :field="form.fields.surface"
              label="On"
              :options="onWhat.map((value) => ({ value, label: value === 'piece' ? 'a thing' : value }))"
            />
            <FieldChoice :field="form.fields.role" label="Role" :options="asOptions(roles)" />
            <FieldText
              :field="form.fields.visibleM2"
              label="Visible area by eye"
              optional
              :unit="areaUnit(entry.units)"
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
                <FieldChoice
                  :field="form.fields.tested"
                  label="Tested for lead or asbestos"
                  :options="[
                    { value: 'found', label: 'it was found' },
                    { value: 'clear', label: 'it is clear' },
                  ]"
                  none="not tested"
                />
              </template>
            </div>
          </details>
          <details
            v-if="!onSeveral && form.fields.surface.text === 'walls' && wallsHere.length > 0"
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
            <div class="columns">
              <FieldText
                :field="form.fields.lrv"
                label="LRV by its maker"
                optional
                hint="empty: reckoned from the colour"
              />
              <FieldText
                v-if="['textile', 'plush', 'cane'].includes(form.fields.family.text)"
                :field="form.fields.weave"
                label="Weave"
                optional
                hint="herringbone, bouclé: the same in two things ties them"
              />
            </div>
            <FieldYes
              v-if="form.fields.family.text === 'paint'"
              :field="form.fields.touchUp"
              label="Only places of it are touched up, from a new tin"
            />
            <FieldSeveral :field="form.fields.suits" label="It stands up to" :options="uses" />
            <FieldYes :field="form.fields.hides" label="It is meant to hide before its wall" />
            <FieldSeveral :field="form.fields.methods" label="It needs" :options="methods" />
            <FieldSeveral :field="form.fields.qualities" label="It is" :options="qualities" />
          </details>
        </div>
      </div>
      <figure class="finish-shown">
        <div class="on-ground"><MaterialSwatch v-if="shown" :finish="shown.swatch" :print="print" /></div>
        <figcaption class="quiet">{{ shown ? shown.words : 'Type a colour to see it as material.' }}</figcaption>
      </figure>
    </div>
  </FormDialog>
</template>

<style src="./finish-dialog.css"></style>

<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { edit } from '#core/makeover/change.ts'
import { paletteFinishes } from '#core/makeover/laid.ts'
import { flatId, nowhere } from '#core/makeover/whereabouts.ts'
import { insteadOperations, lineOperations, planOrigin, type TakeOff } from '#core/surfaces/index.ts'
import { useKeys } from '../frame/keys.ts'
import RowDialog from '../parts/RowDialog.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import CutBars from './CutBars.vue'
import FaceLarge from './FaceLarge.vue'
import { useLookedAt } from './looked-at.ts'
import { useMaterials, type Drawn } from './materials.ts'
import { useOpenedForm } from './opened-form.ts'
import SmallThings from './SmallThings.vue'
import SurfaceFiles from './SurfaceFiles.vue'
import SurfaceTag from './SurfaceTag.vue'
import SurfaceWays from './SurfaceWays.vue'
import TakeOffTable from './TakeOffTable.vue'
import UnrolledRoom from './UnrolledRoom.vue'

const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const entry = useEntry()
const roomAsked = computed(() => (typeof route.query.room === 'string' ? route.query.room : ''))
const lookedAt = useLookedAt(roomAsked)
const { rules, measured, here, faces, taken, treatmentId, faceId, inHand, face, moved, pictured } = lookedAt
const finishes = computed(() => (lookedAt.shown.value ? paletteFinishes(lookedAt.shown.value) : []))
const laid = computed(() =>
  finishes.value.filter(({ lies, roomId }) => lies.length > 0 && roomId === here.value?.room.id),
)
const materials = useMaterials(laid, useRows('patternPart'), rules)
const problem = ref('')
watch(
  () => route.query.open,
  (open) => {
    if (typeof open === 'string') treatmentId.value = open
  },
  { immediate: true },
)

/** Where everything lies, by face; what is laid on the floor is told in the plan, whose corner is moved to the face's. */
const shapes = computed(() => {
  const byFace = new Map<string, Drawn[]>()
  const origin = here.value ? planOrigin(here.value.room) : { x: 0, y: 0 }
  for (const { reckoned, treatment } of pictured.value) {
    if (!reckoned?.ok) continue
    for (const shape of reckoned.shapes) {
      const moves = shape.on === 'floor'
      const drawn = moves
        ? {
            ...shape,
            treatmentId: treatment.id,
            outline: shape.outline.map(({ x, y }) => ({ x: x - origin.x, y: y - origin.y })),
          }
        : { ...shape, treatmentId: treatment.id }
      const list = byFace.get(shape.on)
      if (list) list.push(drawn)
      else byFace.set(shape.on, [drawn])
    }
  }
  return byFace
})
const picture = computed(() => pictured.value.find(({ treatment }) => treatment.id === treatmentId.value) ?? null)
const bars = computed(() => (picture.value?.reckoned?.ok ? picture.value.reckoned.bars : []))

/** How much of the face is seen past what stands in the room. */
const seen = computed(() => {
  const [id, roomId] = [face.value?.id, here.value?.room.id]
  const { surfaces } = makeover.reckoning?.whereabouts ?? nowhere
  if (!id || !roomId) return 1
  return surfaces.get(id === 'floor' || id === 'ceiling' ? flatId(roomId, id) : id) ?? 1
})
/** What is taken in hand is looked at where it lies. */
function pick(id: string): void {
  treatmentId.value = id
  if (!face.value?.fills.some((fill) => fill.treatmentId === id)) {
    const on = faces.value.find(({ fills }) => fills.some((fill) => fill.treatmentId === id))
    if (on) faceId.value = on.id
  }
}
function move({ along, up }: { along: number; up: number }): void {
  const row = makeover.opened?.makeover.rows.treatment[treatmentId.value]
  if (!row) return
  const start = moved.value?.id === row.id ? moved.value : { id: row.id, startMm: row.startMm, upMm: row.upMm }
  const within = (value: number): number => Math.min(100_000, Math.max(-100_000, value))
  moved.value = {
    id: row.id,
    startMm: within(start.startMm + along),
    upMm: row.how === 'tile' ? within(start.upMm + up) : start.upMm,
  }
}
async function put(): Promise<void> {
  const [held, row] = [moved.value, makeover.opened?.makeover.rows.treatment[treatmentId.value]]
  if (!held || !row) return
  const name = inHand.value?.finish.name ?? 'it'
  const faults = await makeover.change(`Moved where ${name} begins`, [
    edit('treatment', row, { startMm: Math.round(held.startMm), upMm: Math.round(held.upMm) }),
  ])
  problem.value = faults.map(({ message }) => message).join('; ')
  moved.value = null
}
/** What was only thought of is done, and what it stood for is thought of. */
async function swap(): Promise<void> {
  const { opened } = makeover
  if (!opened || !inHand.value) return
  const operations = insteadOperations(opened.makeover, inHand.value)
  const faults = await makeover.change(`Did ${inHand.value.finish.name} instead`, operations)
  problem.value = faults.map(({ message }) => message).join('; ')
}
/** What is left of another room goes in first. */
async function useUp({ amount, from }: { amount: number; from: string }): Promise<void> {
  const row = makeover.opened?.makeover.rows.treatment[treatmentId.value]
  if (!row) return
  const faults = await makeover.change(`Used up what was left of ${from}`, [
    edit('treatment', row, { leftOver: amount, leftFrom: from.slice(0, 120) }),
  ])
  problem.value = faults.map(({ message }) => message).join('; ')
}
async function toLine(entryTaken: TakeOff): Promise<void> {
  const { opened, reckoning } = makeover
  if (!opened || !reckoning) return
  const operations = lineOperations(opened.makeover, entryTaken, reckoning.takeOffs, uuidv7)
  const { name } = entryTaken.finish
  const sentence =
    entryTaken.treatment.pieceId === null ? `Made a line to buy for ${name}` : `Brought the line for ${name} up to date`
  const faults = operations.length === 0 ? [] : await makeover.change(sentence, operations)
  problem.value =
    operations.length === 0
      ? 'There is no category of the budget to buy it from: make one in the brief first.'
      : faults.map(({ message }) => message).join('; ')
}
const { form, formKey, row, open, openForm } = useOpenedForm(lookedAt)
/** What was treated is taken in hand. */
function made(id: string): void {
  if (makeover.opened?.makeover.rows.treatment[id]) treatmentId.value = id
}
function turn(by: number): void {
  const at = faces.value.findIndex(({ id }) => id === face.value?.id)
  const next = faces.value[(at + by + faces.value.length) % Math.max(1, faces.value.length)]
  if (next) faceId.value = next.id
}
useKeys([
  { key: 'n', does: 'Treat a surface', run: () => openForm({ what: 'treatment', id: null }) },
  { key: ']', does: 'Turn to the next wall', run: () => turn(1) },
  { key: '[', does: 'Turn to the wall before', run: () => turn(-1) },
  {
    key: 'l',
    does: 'Make its line to buy, or bring it up to date',
    run: () => inHand.value && void toLine(inHand.value),
  },
  { key: 'Escape', does: 'Put what is in hand back', run: () => (treatmentId.value = '') },
])
</script>

<template>
  <div class="surfaces">
    <div class="page-head">
      <h1>Surfaces</h1>
      <template v-if="measured.length > 1"
        ><button
          v-for="{ room } in measured"
          :key="room.id"
          type="button"
          class="word"
          :class="{ here: room.id === here?.room.id }"
          :aria-pressed="room.id === here?.room.id"
          @click="router.replace({ query: { room: room.id } })"
        >
          {{ room.name }}
        </button></template
      >
      <SurfaceWays />
      <span class="end"
        ><button type="button" class="word" @click="openForm({ what: 'treatment', id: null })">
          Treat a surface<kbd aria-hidden="true">N</kbd>
        </button></span
      >
    </div>
    <StepRemarks step="surfaces" />
    <p v-if="!here" class="opening">
      No room is measured yet.
      <router-link class="word" :to="{ name: 'survey', params: route.params }">Walk round it</router-link>
      first: then every wall lies here side by side.
    </p>
    <template v-else>
      <UnrolledRoom
        :faces="faces"
        :materials="materials"
        :shapes="shapes"
        :here="face?.id ?? ''"
        :units="entry.units"
        @face="faceId = $event"
        @pick="pick"
      />
      <p v-if="laid.length === 0" class="opening">
        Nothing lies on it yet.
        <button type="button" class="word" @click="openForm({ what: 'treatment', id: null })">Treat a surface</button>
        with a finish of the palette.
      </p>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      <div class="work" :class="{ 'with-bars': bars.length > 0 }">
        <FaceLarge
          v-if="face"
          :face="face"
          :materials="materials"
          :shapes="shapes.get(face.id) ?? []"
          :in-hand="picture"
          :units="entry.units"
          :seen="seen"
          @pick="pick"
          @move="move"
          @put="put"
        />
        <CutBars
          v-if="bars.length > 0"
          :bars="bars"
          :title="inHand?.treatment.how === 'paper' ? 'How the rolls are cut' : 'How the lengths are cut'"
          :units="entry.units"
        />
      </div>
      <TakeOffTable :taken="taken" :selected="treatmentId" @pick="pick" @line="toLine" />
      <SmallThings :looked-at="lookedAt" />
      <SurfaceFiles :in-hand="inHand" :faces="faces" :has-cuts="bars.length > 0" />
    </template>
    <Teleport defer to="#tag">
      <section v-if="inHand" class="tag" aria-label="Treatment">
        <span class="hole" aria-hidden="true" />
        <SurfaceTag
          :taken="inHand"
          :looked-at="lookedAt"
          @change="openForm({ what: 'treatment', id: inHand.treatment.id })"
          @also="openForm({ what: 'part', id: null })"
          @part="openForm({ what: 'part', id: $event.id })"
          @swap="swap"
          @use-up="useUp"
          @instead="openForm({ what: 'instead', id: null })"
          @sold="openForm({ what: 'sold', id: null })"
          @make-up="openForm({ what: 'makeUp', id: $event.id })"
          @size="(candidate, size) => openForm({ what: 'size', id: size?.id ?? null, candidateId: candidate.id })"
          @line="toLine(inHand)"
          @face="faceId = $event"
          @take="treatmentId = $event"
        />
      </section>
      <section v-else-if="here" class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>Take up a treatment</h2>
        <p class="quiet">
          Pick a surface, or a line of the table, to see its working. The start of a paper and the origin of tiles are
          dragged on the large drawing, or moved with the arrow keys.
        </p>
      </section>
      <p class="caution quiet">
        Measure again before anything is cut or ordered. Ladders, dust, solvents: ventilate, mask, two people where it
        is high.
      </p>
    </Teleport>
    <RowDialog v-if="form" :key="formKey" v-model="open" :form="form" :row="row" :width="620" @made="made" />
  </div>
</template>

<style src="./surfaces-page.css"></style>

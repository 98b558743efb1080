<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { writeLength } from '#core/measure/length.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { elevationOf, letterOf, planOf, surveyWorking, type Drawing, type Subject } from '#core/survey/index.ts'
import FilesOf from '../files/FilesOf.vue'
import { useKeys } from '../frame/keys.ts'
import FinishDialog from '../palette/FinishDialog.vue'
import PageParts from '../parts/PageParts.vue'
import RowDialog from '../parts/RowDialog.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useWorking } from '../stores/working.ts'
import AccessSection from './AccessSection.vue'
import { useRooms } from './draft.ts'
import ExistingSection from './ExistingSection.vue'
import FilesSection from './FilesSection.vue'
import LengthOnDrawing from './LengthOnDrawing.vue'
import ShapeDialog from './ShapeDialog.vue'
import SurveyHead from './SurveyHead.vue'
import SurveyDrawing from './SurveyDrawing.vue'
import SurveyTag from './SurveyTag.vue'
import ThingsSection from './ThingsSection.vue'
import WalkRound from './WalkRound.vue'
import { nameOf, placesOf } from './places.ts'
import { useSurveyForms } from './survey-forms.ts'
import { useTyping } from './typing.ts'
import { useLiveRoom } from './live-room.ts'

const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const working = useWorking()
const entry = useEntry()
const { rooms, saved, areas: areasFor, draft } = useRooms()
const { room, savedRoom, calm } = useLiveRoom(rooms, saved, draft, () => String(route.query.room))
const areas = computed(() => (calm.value ? areasFor(calm.value) : null))
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const toRoom = (id: string): void => void router.replace({ query: { room: id } })

/** The plan, or the wall one stands before. */
const face = ref<number | null>(null)
const wall = computed(() =>
  face.value === null || room.value?.closing.state !== 'closed' ? null : (room.value.walls[face.value] ?? null),
)
const selected = ref<Subject | null>(null)
// the tag is of the wall one stands before
watch(wall, (turned) => {
  if (turned) selected.value = { kind: 'wall', id: turned.row.id }
})
watch(
  () => room.value?.id,
  () => {
    face.value = null
    selected.value = null
  },
)
const again = computed(() => room.value?.closing.again?.set ?? [])
function draw(text: number): Drawing {
  const [thisRoom, before] = [room.value, wall.value]
  if (!thisRoom) return { marks: [], bounds: { left: 0, right: 1, bottom: 0, top: 1 }, unplaced: [] }
  return before
    ? elevationOf(thisRoom, before, { text, units: entry.value.units, again: again.value })
    : planOf(thisRoom, { text, units: entry.value.units, rules: rules.value, beside: saved.value, again: again.value })
}
const drawing = useTemplateRef<{
  fit: () => void
  zoomBy: (factor: number) => void
  pan: (dx: number, dy: number) => void
}>('drawing')
const walk = useTemplateRef<{ focus: () => void }>('walk')
const measuring = ref(false)
const points = computed(() => (room.value ? placesOf(room.value, wall.value) : []))
const called = (subject: Subject): string => nameOf(room.value, subject)
const { typing, typed, typeAt, draftTyped, endTyping } = useTyping(draft, called)
const wallId = computed(() => (selected.value?.kind === 'wall' ? selected.value.id : (wall.value?.row.id ?? null)))
const { opened, form, formRow, formOpen, openForm, made, shaping, shapeOpen, shape, finish, finishOpen, openFinish } =
  useSurveyForms(room, wallId, toRoom)

/** A wall that was forgotten, put into the walk: not measured yet. */
async function addAfter(id: string): Promise<void> {
  const thisRoom = room.value
  const at = thisRoom?.walls.findIndex((wall) => wall.row.id === id) ?? -1
  const before = thisRoom?.walls[at]
  if (!thisRoom || !before) return
  const place = (before.row.place + (thisRoom.walls[at + 1]?.row.place ?? before.row.place + 2)) / 2
  const fresh = uuidv7()
  if (
    (
      await makeover.change(`Put a wall after ${before.name.toLowerCase()}`, [
        add('wall', fresh, { ...blank.wall, roomId: thisRoom.id, place }),
      ])
    ).length === 0
  )
    selected.value = { kind: 'wall', id: fresh }
}

const closing = computed(() => calm.value?.closing)
function showClosing(): void {
  if (calm.value && areas.value)
    working.showWorking(surveyWorking('closing', calm.value, areas.value, rules.value, entry.value.units))
}
const parts = [
  ['walk', 'Walls'],
  ['heights', 'Heights'],
  ['openings', 'Openings'],
  ['fixtures', 'Fixed things'],
  ['existing', 'What is there'],
  ['access', 'Way in'],
  ['files', 'Out and in'],
  ['photos', 'Pictures'],
] as const
function turn(by: number): void {
  const count = room.value?.closing.state === 'closed' ? room.value.walls.length : 0
  if (count === 0) return
  const value = face.value ?? (by > 0 ? -1 : count)
  face.value = value + by < 0 || value + by >= count ? null : value + by
}
useKeys([
  { key: 'n', does: 'Type the next wall', run: () => walk.value?.focus() },
  { key: 'o', does: 'A door, window, arch or niche', run: () => openForm('opening') },
  { key: 'i', does: 'A fixed thing', run: () => openForm('fixture') },
  { key: 'd', does: 'A length from corner to corner', run: () => openForm('diagonal') },
  { key: 'p', does: 'The plan', run: () => (face.value = null) },
  { key: ']', does: 'Turn to the next wall', run: () => turn(1) },
  { key: '[', does: 'Turn to the wall before', run: () => turn(-1) },
  { key: 'm', does: 'Measure between two places on the drawing', run: () => (measuring.value = !measuring.value) },
  { key: '+', does: 'The drawing nearer', run: () => drawing.value?.zoomBy(1.4) },
  { key: '-', does: 'The drawing further off', run: () => drawing.value?.zoomBy(1 / 1.4) },
  { key: '=', does: 'All of the drawing', run: () => drawing.value?.fit() },
  { key: 'ArrowLeft', does: 'Move the drawing', run: () => drawing.value?.pan(60, 0) },
  { key: 'ArrowRight', does: 'Move the drawing', run: () => drawing.value?.pan(-60, 0) },
])
</script>

<template>
  <div v-if="room" class="survey">
    <SurveyHead
      :room="room"
      :closing="closing"
      :rooms="saved"
      @turn="toRoom"
      @working="showClosing"
      @add="openForm('room')"
    />
    <PageParts class="parts" :parts="parts" label="Parts of the survey" />
    <StepRemarks step="survey" />

    <p v-if="room.walls.length === 0" class="opening">
      No wall yet. Begin in any corner, walk round with the wall to your left, and
      <button type="button" class="word" @click="walk?.focus()">type each length</button>. Two diagonals then say
      whether it is right.
    </p>
    <template v-else>
      <div class="views">
        <button
          type="button"
          class="word"
          :class="{ here: wall === null }"
          :aria-pressed="wall === null"
          @click="face = null"
        >
          Plan
        </button>
        <template v-if="calm?.closing.state === 'closed'"
          ><span class="quiet">walls</span
          ><button
            v-for="thisWall in calm.walls"
            :key="thisWall.row.id"
            type="button"
            class="word"
            :class="{ here: wall?.row.id === thisWall.row.id }"
            :aria-pressed="wall?.row.id === thisWall.row.id"
            :aria-label="`Stand before ${thisWall.name}`"
            @click="face = thisWall.at"
          >
            {{ letterOf(thisWall.at) }}
          </button></template
        >
        <span class="end"
          ><button
            type="button"
            class="word"
            :class="{ here: measuring }"
            :aria-pressed="measuring"
            @click="measuring = !measuring"
          >
            Measure<kbd aria-hidden="true">M</kbd>
          </button></span
        >
      </div>
      <SurveyDrawing
        ref="drawing"
        :key="`${room.id} ${wall?.row.id ?? 'plan'}`"
        :draw="draw"
        :selected="selected"
        :label="wall ? `${wall.name} as one stands before it` : `Plan of ${room.name}`"
        :name-of="called"
        :points="points"
        :measuring="measuring"
        :say="(mm) => writeLength(mm, entry.units)"
        @select="selected = $event"
        @type="typeAt"
      >
        <LengthOnDrawing
          v-if="typing"
          :key="typing.subject.id"
          v-model="typing.text"
          :at="typing"
          :label="`Length of ${called(typing.subject)}`"
          :said="typing.error || typed"
          :wrong="typing.error !== ''"
          @typed="draftTyped"
          @end="endTyping"
        />
      </SurveyDrawing>
      <p v-if="closing?.state !== 'closed'" class="said-line" role="status">
        <strong>{{ closing?.state === 'cannot' ? 'This cannot be closed.' : 'Not round yet.' }}</strong>
        {{ closing?.why }} What you typed is kept.
      </p>
    </template>

    <WalkRound
      v-if="calm"
      ref="walk"
      :key="room.id"
      :room="calm"
      :selected="selected"
      @draft="draft = $event"
      @select="selected = $event"
      @change="openForm('wall', $event)"
      @shape="shape"
      @diagonal="openForm('diagonal', $event)"
    />
    <ThingsSection
      v-if="savedRoom"
      :room="savedRoom"
      :selected="selected"
      @open="openForm"
      @select="selected = $event"
    />
    <ExistingSection :room-id="room.id" @open="openFinish" />
    <AccessSection />
    <FilesSection v-if="savedRoom" :room="savedRoom" />
    <section aria-labelledby="photos-title">
      <div class="section-head">
        <h2 id="photos-title">Pictures of {{ room.name }}</h2>
        <span class="quiet">each wall, and the room from its doors, before anything is touched</span>
      </div>
      <div class="as-it-is"><FilesOf :owner="{ roomId: room.id }" :name="room.name" pictures many /></div>
    </section>

    <Teleport defer to="#tag">
      <SurveyTag
        v-if="calm"
        :room="calm"
        :areas="areas"
        :selected="selected"
        @open="openForm"
        @face="face = $event"
        @away="selected = null"
        @after="addAfter"
      />
      <p class="caution quiet">
        Computed from what was typed. Before anything is made to measure, have its maker measure.
      </p>
    </Teleport>
    <RowDialog
      v-if="form"
      :key="opened?.what ?? ''"
      v-model="formOpen"
      :form="form as never"
      :row="formRow as never"
      :width="680"
      @made="made"
    />
    <ShapeDialog
      v-model="shapeOpen"
      :wall="shaping"
      :name="room.walls.find((wall) => wall.row.id === shaping?.id)?.name ?? 'the wall'"
    />
    <FinishDialog v-model="finishOpen" :finish="finish" existing :room-id="room.id" />
  </div>
</template>

<style src="./survey-page.css"></style>

<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { useDebounceFn } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { readLength, writeLength } from '#core/measure/length.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import {
  elevationOf,
  letterOf,
  planOf,
  pointOn,
  surveyWorking,
  type Drawing,
  type Subject,
} from '#core/survey/index.ts'
import FilesOf from '../files/FilesOf.vue'
import { useKeys } from '../frame/keys.ts'
import FinishDialog from '../palette/FinishDialog.vue'
import RowDialog from '../parts/RowDialog.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useWorking } from '../stores/working.ts'
import AccessSection from './AccessSection.vue'
import { useRooms } from './draft.ts'
import { asTyped } from './entry-line.ts'
import ExistingSection from './ExistingSection.vue'
import FilesSection from './FilesSection.vue'
import { diagonalForm, fixtureForm, openingForm, roomForm, slopeForm, surveyForm, wallForm, zoneForm } from './forms.ts'
import ShapeDialog from './ShapeDialog.vue'
import SurveyDrawing from './SurveyDrawing.vue'
import SurveyTag from './SurveyTag.vue'
import ThingsSection from './ThingsSection.vue'
import WalkRound from './WalkRound.vue'

const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const working = useWorking()
const entry = useEntry()
const { rooms, saved, areas: areasFor, draft } = useRooms()
const live = computed(() => rooms.value.find((one) => one.id === route.query.room) ?? rooms.value[0])
/** What is drawn: it follows each key, but half a number closes no room, and then it waits until the typing pauses. */
const room = shallowRef(live.value)
const savedRoom = computed(() => saved.value.find((one) => one.id === room.value?.id) ?? room.value)
/** Figures, readings and what is said of the closing follow when the typing pauses, so that the page lies still under the hand. */
const paused = shallowRef(live.value)
const pause = useDebounceFn(() => (paused.value = room.value = live.value), 180)
watch(
  live,
  (now) => {
    const typing = draft.value !== null && room.value?.id === now?.id
    if (!typing || now?.closing.state === 'closed' || room.value?.closing.state !== 'closed') room.value = now
    if (typing) void pause()
    else paused.value = now
  },
  { flush: 'sync' },
)
const calm = computed(() => (draft.value === null ? room.value : paused.value))
const areas = computed(() => (calm.value ? areasFor(calm.value) : null))
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const toRoom = (id: string): void => void router.replace({ query: { room: id } })

/** The plan, or the wall one stands before. */
const face = ref<number | null>(null)
const wall = computed(() =>
  face.value === null || room.value?.closing.state !== 'closed' ? null : (room.value.walls[face.value] ?? null),
)
const selected = ref<Subject | null>(null)
watch(
  () => room.value?.id,
  () => {
    face.value = null
    selected.value = null
  },
)
const again = computed(() => room.value?.closing.again?.set ?? [])
function draw(text: number): Drawing {
  const [now, before] = [room.value, wall.value]
  if (!now) return { marks: [], bounds: { left: 0, right: 1, bottom: 0, top: 1 }, unplaced: [] }
  return before
    ? elevationOf(now, before, { text, units: entry.value.units, again: again.value })
    : planOf(now, { text, units: entry.value.units, rules: rules.value, beside: saved.value, again: again.value })
}
const drawing = useTemplateRef<{
  fit: () => void
  zoomBy: (factor: number) => void
  pan: (dx: number, dy: number) => void
}>('drawing')
const walk = useTemplateRef<{ focus: () => void }>('walk')
const measuring = ref(false)
const points = computed(() => {
  const now = room.value
  if (!now) return []
  const before = wall.value
  if (before)
    return [
      { x: 0, y: 0, name: 'the left corner' },
      { x: before.lengthMm, y: 0, name: 'the right corner' },
      ...[...before.openings, ...before.fixtures].flatMap((one) => [
        { x: one.u0, y: one.z0, name: `${one.name}, lower left` },
        ...(one.u1 > one.u0 ? [{ x: one.u1, y: one.z0, name: `${one.name}, lower right` }] : []),
        ...(one.z1 > one.z0
          ? [
              { x: one.u0, y: one.z1, name: `${one.name}, upper left` },
              { x: one.u1, y: one.z1, name: `${one.name}, upper right` },
            ]
          : []),
      ]),
    ]
  return [
    ...now.closing.corners.map((corner, at) => ({ ...corner, name: `corner ${at + 1}` })),
    ...now.walls.flatMap((one) =>
      [...one.openings, ...one.fixtures].flatMap((each) => [
        {
          ...pointOn(one, each.u0, 'outMm' in each.row ? each.row.outMm : 0),
          name: each.u1 > each.u0 ? `${each.name}, left` : each.name,
        },
        ...(each.u1 > each.u0
          ? [{ ...pointOn(one, each.u1, 'outMm' in each.row ? each.row.outMm : 0), name: `${each.name}, right` }]
          : []),
      ]),
    ),
  ]
})
function nameOf(subject: Subject): string {
  const now = room.value
  if (!now) return ''
  if (subject.kind === 'wall') return now.walls.find((one) => one.row.id === subject.id)?.name ?? 'Wall'
  if (subject.kind === 'diagonal')
    return now.closing.lengths.find((one) => one.id === subject.id)?.name ?? 'Corner to corner'
  if (subject.kind === 'zone') return now.zones.find((one) => one.row.id === subject.id)?.row.name ?? 'Zone'
  for (const one of now.walls)
    for (const each of [...one.openings, ...one.fixtures])
      if (each.row.id === subject.id) return `${each.name}, wall ${letterOf(one.at)}`
  return ''
}

/** A length typed where it stands on the drawing. */
const typing = ref<{ subject: Subject; x: number; y: number; shown: string; text: string; error: string } | null>(null)
async function typeAt(subject: Subject, at: { x: number; y: number }): Promise<void> {
  const row = makeover.opened?.makeover.rows.wall[subject.id]
  if (subject.kind !== 'wall' || !row) return
  const shown = asTyped(row.lengthMm, entry.value)
  typing.value = { subject, ...at, shown, text: shown, error: '' }
  await nextTick()
  const input = document.getElementById('typed-on-drawing')
  if (input instanceof HTMLInputElement) input.select()
}
function draftTyped(): void {
  const now = typing.value
  if (!now) return
  now.error = ''
  const read = readLength(now.text, entry.value.unit)
  draft.value = read.ok ? { kind: 'wall', id: now.subject.id, fields: { lengthMm: read.value } } : null
}
async function endTyping(keep: boolean): Promise<void> {
  const now = typing.value
  const row = now ? makeover.opened?.makeover.rows.wall[now.subject.id] : undefined
  if (!now || !row) return
  const read = readLength(now.text, entry.value.unit)
  if (keep && !read.ok && now.text.trim() !== '') {
    now.error = read.error
    return
  }
  typing.value = null
  // what is shown is rounded: left as it was, it changes nothing
  if (keep && read.ok && now.text !== now.shown)
    await makeover.change(`${nameOf(now.subject)} is ${writeLength(read.value, entry.value.units)}`, [
      edit('wall', row, { lengthMm: read.value }),
    ])
  draft.value = null
}
const typed = computed(() => {
  const read = typing.value ? readLength(typing.value.text, entry.value.unit) : null
  return read?.ok ? writeLength(read.value, entry.value.units) : ''
})

/** The forms, one open at a time. */
type Opened = {
  what: 'wall' | 'opening' | 'fixture' | 'slope' | 'diagonal' | 'zone' | 'survey' | 'room'
  id: string | null
}
const opened = ref<Opened | null>(null)
const setting = computed(() =>
  makeover.opened && room.value
    ? { makeover: makeover.opened.makeover, entry: entry.value, roomId: room.value.id }
    : null,
)
const wallId = computed(() => (selected.value?.kind === 'wall' ? selected.value.id : (wall.value?.row.id ?? null)))
const form = computed(() => {
  const [of, now] = [setting.value, opened.value]
  if (!of || !now) return null
  switch (now.what) {
    case 'wall':
      return wallForm(of, Math.max(0, room.value?.walls.findIndex((one) => one.row.id === now.id) ?? 0))
    case 'opening':
      return openingForm(of, wallId.value)
    case 'fixture':
      return fixtureForm(of, wallId.value)
    case 'slope':
      return slopeForm(of)
    case 'diagonal':
      return diagonalForm(of)
    case 'zone':
      return zoneForm(of)
    case 'survey':
      return surveyForm(of)
    case 'room':
      return roomForm()
  }
  return null
})
const formRow = computed(() =>
  opened.value?.id ? (makeover.opened?.makeover.rows[opened.value.what][opened.value.id] ?? null) : null,
)
const formOpen = computed({
  get: () => opened.value !== null && form.value !== null,
  set: (now) => !now && (opened.value = null),
})
const openForm = (what: Opened['what'], id: string | null = null): void => void (opened.value = { what, id })
function made(id: string): void {
  if (lastWhat === 'room') toRoom(id)
}
let lastWhat = ''
watch(opened, (now) => now && (lastWhat = now.what))
const shaping = ref<Row<'wall'> | null>(null)
const shapeOpen = ref(false)
function shape(id: string): void {
  shaping.value = makeover.opened?.makeover.rows.wall[id] ?? null
  shapeOpen.value = shaping.value !== null
}
const finishOpen = ref(false)
const finish = ref<Row<'finish'> | null>(null)
function openFinish(row: Row<'finish'> | null): void {
  finish.value = row
  finishOpen.value = true
}

/** A wall that was forgotten, put into the walk: not measured yet. */
async function addAfter(id: string): Promise<void> {
  const now = room.value
  const at = now?.walls.findIndex((one) => one.row.id === id) ?? -1
  const before = now?.walls[at]
  if (!now || !before) return
  const place = (before.row.place + (now.walls[at + 1]?.row.place ?? before.row.place + 2)) / 2
  const fresh = uuidv7()
  if (
    (
      await makeover.change(`Put a wall after ${before.name.toLowerCase()}`, [
        add('wall', fresh, { ...blank.wall, roomId: now.id, place }),
      ])
    ).length === 0
  )
    selected.value = { kind: 'wall', id: fresh }
}

const closing = computed(() => calm.value?.closing)
const closes = computed(() => {
  const now = closing.value
  if (!now || now.state !== 'closed') return ''
  if (now.misclosure)
    return `misses its start by ${writeLength(Math.round(now.misclosure.mm), entry.value.units)}${now.misclosure.oneIn ? `, 1 : ${now.misclosure.oneIn}` : ''}`
  return now.freedom === 0 ? 'nothing checks it' : 'closed over its diagonals'
})
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
const goTo = (part: string): void =>
  document.getElementById(`${part}-title`)?.scrollIntoView({ block: 'start', behavior: 'smooth' })
function turn(by: number): void {
  const count = room.value?.closing.state === 'closed' ? room.value.walls.length : 0
  if (count === 0) return
  const now = face.value ?? (by > 0 ? -1 : count)
  face.value = now + by < 0 || now + by >= count ? null : now + by
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
    <div class="page-head">
      <h1>Survey</h1>
      <span class="rooms">
        <button
          v-for="one in saved"
          :key="one.id"
          type="button"
          class="word"
          :class="{ here: one.id === room.id }"
          :aria-pressed="one.id === room.id"
          @click="toRoom(one.id)"
        >
          {{ one.name }}
        </button>
      </span>
      <span v-if="closes" class="quiet"
        >{{ closes }} <button type="button" class="word" @click="showClosing">How it closes</button></span
      >
      <span class="end"><button type="button" class="word" @click="openForm('room')">Another room</button></span>
    </div>
    <p class="parts" role="navigation" aria-label="Parts of the survey">
      <button v-for="[id, name] in parts" :key="id" type="button" class="word" @click="goTo(id)">{{ name }}</button>
    </p>
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
            v-for="one in calm.walls"
            :key="one.row.id"
            type="button"
            class="word"
            :class="{ here: wall?.row.id === one.row.id }"
            :aria-pressed="wall?.row.id === one.row.id"
            :aria-label="`Stand before ${one.name}`"
            @click="face = one.at"
          >
            {{ letterOf(one.at) }}
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
            Measure<kbd>M</kbd>
          </button></span
        >
      </div>
      <SurveyDrawing
        ref="drawing"
        :key="`${room.id} ${wall?.row.id ?? 'plan'}`"
        :draw="draw"
        :selected="selected"
        :label="wall ? `${wall.name} as one stands before it` : `Plan of ${room.name}`"
        :name-of="nameOf"
        :points="points"
        :measuring="measuring"
        :say="(mm) => writeLength(mm, entry.units)"
        @select="selected = $event"
        @type="typeAt"
      >
        <span v-if="typing" class="typed-here" :style="{ left: `${typing.x}px`, top: `${typing.y}px` }">
          <input
            id="typed-on-drawing"
            v-model="typing.text"
            :aria-label="`Length of ${nameOf(typing.subject)}`"
            :aria-invalid="typing.error !== ''"
            autocomplete="off"
            @input="draftTyped"
            @keydown.enter.prevent="endTyping(true)"
            @keydown.esc.stop="endTyping(false)"
            @blur="endTyping(true)"
          />
          <span class="said" :class="{ error: typing.error }">{{ typing.error || typed }}</span>
        </span>
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
      <div class="as-it-is"><FilesOf :of="{ roomId: room.id }" :name="room.name" pictures many /></div>
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
      :name="room.walls.find((one) => one.row.id === shaping?.id)?.name ?? 'the wall'"
    />
    <FinishDialog v-model="finishOpen" :finish="finish" existing :room-id="room.id" />
  </div>
</template>

<style>
.survey section + section {
  margin-top: 26px;
}
.survey section[aria-labelledby] {
  content-visibility: auto;
  contain-intrinsic-size: auto 240px;
}
.survey section[aria-labelledby],
.survey h2 {
  scroll-margin-top: 90px;
}
.survey .walk {
  margin-top: 18px;
}
.survey .parts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: -8px 0 10px;
  font-size: 13px;
}
.survey .rooms {
  display: inline-flex;
  gap: 14px;
}
.survey .word.here {
  font-weight: 700;
  text-decoration-thickness: 3px;
}
.survey .views {
  display: flex;
  gap: 2px 12px;
  align-items: baseline;
  flex-wrap: wrap;
  margin-bottom: 4px;
  font-size: 13px;
}
.survey .views .word {
  min-width: 24px;
}
.survey .views .end {
  margin-left: auto;
}
.survey .place {
  display: block;
  font-size: 12px;
  line-height: 16px;
}
.typed-here {
  position: absolute;
  transform: translate(-50%, -50%);
  display: grid;
  z-index: 2;
}
.typed-here input {
  width: 120px;
  height: 28px;
  border: 2px solid var(--ink);
  background: var(--sheet);
  text-align: center;
  font: inherit;
}
.typed-here .said {
  background: var(--ink);
  color: var(--paper);
  font-size: 12px;
  padding: 0 6px;
  max-width: 280px;
}
</style>

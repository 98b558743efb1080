<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, remove, type Operation } from '#core/makeover/change.ts'
import {
  bareField,
  bodiesIn,
  endsOf,
  firstPlace,
  keyOfCheck,
  leastMove,
  snapped,
  type Check,
  type Ground,
  type Standing,
  type Waiting,
} from '#core/placement/index.ts'
import { useKeys } from '../frame/keys.ts'
import RowDialog from '../parts/RowDialog.vue'
import type { AnyRowForm } from '../parts/rowform.ts'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import AtTheDoor from './AtTheDoor.vue'
import { footprintForm, layoutForm, openStateForm, standingForm } from './forms.ts'
import { useCovers } from './materials.ts'
import { useOnThePlan } from './on-the-plan.ts'
import PlaceTag from './PlaceTag.vue'
import PlanDrawing from './PlanDrawing.vue'

const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const entry = useEntry()
const asked = (name: string) => computed(() => (typeof route.query[name] === 'string' ? String(route.query[name]) : ''))
const plan = useOnThePlan(asked('room'), asked('layout'))
const {
  rules,
  rooms,
  room,
  setting,
  things,
  layouts,
  layout,
  standing,
  waiting,
  held,
  bodies,
  ways,
  selectedId,
  selected,
  checks,
} = plan
const covers = useCovers(
  computed(() => makeover.opened?.makeover ?? null),
  things,
)
const show = ref({ tape: true, ways: true, open: true })
const drawing = ref<InstanceType<typeof PlanDrawing> | null>(null)
const scale = computed(() => drawing.value?.scale ?? 0.1)
const underId = ref('')
const under = computed(() =>
  makeover.opened && underId.value !== '' && underId.value !== layout.value?.id
    ? bodiesIn(makeover.opened.makeover, underId.value, things.value)
    : [],
)
const problem = ref('')
watch(
  () => route.query.open,
  (open) => {
    if (typeof open === 'string') selectedId.value = open
  },
  { immediate: true },
)
const tell = async (sentence: string, operations: readonly Operation[]): Promise<void> => {
  const faults = await makeover.change(sentence, operations)
  problem.value = faults.map(({ message }) => message).join('; ')
}

/** The hand: what is taken up stands where it would be put down, drawn to walls and middles. */
let raw: Standing | null = null
function hold(id: string): boolean {
  if (held.value?.id === id) return true
  const row = plan.rowOf(id)
  if (!row) return false
  raw = { xMm: row.xMm, yMm: row.yMm, turnDeg: row.turnDeg }
  held.value = { id, pieceId: row.pieceId, number: row.number, at: raw }
  return true
}
function carry(at: Standing, isDrawn: boolean): void {
  const hand = held.value
  const thing = hand && things.value.get(hand.pieceId)
  if (!hand || !thing || !setting.value) return
  raw = at
  const rest = standing.value.filter(({ id }) => id !== hand.id)
  held.value = { ...hand, at: isDrawn ? snapped(setting.value, rest, thing, at) : at }
}
function move(id: string, { x, y }: { x: number; y: number }): void {
  if (hold(id) && raw) carry({ ...raw, xMm: raw.xMm + x, yMm: raw.yMm + y }, true)
}
async function put(): Promise<void> {
  const hand = held.value
  const row = hand && plan.rowOf(hand.id)
  if (!hand || !row) return
  const round = (mm: number): number => Math.round(mm * 10) / 10
  await tell(`Moved ${nameOf(hand.id)}`, [
    edit('standing', row, { xMm: round(hand.at.xMm), yMm: round(hand.at.yMm), turnDeg: round(hand.at.turnDeg) % 360 }),
  ])
  if (held.value?.id === hand.id) held.value = null
}
const putSoon = useDebounceFn(put, 500)
const nameOf = (id: string): string => bodies.value.find((body) => body.id === id)?.name ?? 'it'
function nudge(x: number, y: number, turn = 0): void {
  const id = selectedId.value
  if (id === '' || !hold(id) || !raw) return
  carry({ xMm: raw.xMm + x, yMm: raw.yMm + y, turnDeg: (raw.turnDeg + turn + 360) % 360 }, false)
  void putSoon()
}

const ground = (): Ground | null => {
  if (!setting.value) return null
  const bare = bareField(setting.value)
  return { setting: setting.value, rules: rules.value, bare, ends: endsOf(setting.value, bare.grid) }
}
/** In from the door: where least is wrong with it; the room gets its first layout with it. */
async function place({ thing, number }: Waiting): Promise<void> {
  const floor = ground()
  if (!floor || !room.value) return
  const at = firstPlace(floor, standing.value, thing)
  const [id, layoutId] = [uuidv7(), layout.value?.id ?? uuidv7()]
  await tell(`Carried in ${thing.piece.name}`, [
    ...(layout.value
      ? []
      : [add('layout', layoutId, { ...blank.layout, roomId: room.value.id, name: 'As it will be' })]),
    add('standing', id, { ...blank.standing, layoutId, pieceId: thing.piece.id, number, ...at }),
  ])
  selectedId.value = id
}
async function back(): Promise<void> {
  const row = plan.rowOf(selectedId.value)
  if (!row) return
  await tell(`Put ${nameOf(row.id)} back at the door`, [remove('standing', row)])
  selectedId.value = ''
}
async function pin(): Promise<void> {
  const row = plan.rowOf(selectedId.value)
  if (row)
    await tell(row.pinned ? `${nameOf(row.id)} may be moved` : `${nameOf(row.id)} stays where it is`, [
      edit('standing', row, { pinned: !row.pinned }),
    ])
}

/** The least move that cures a check: looked for first, then shown by its words, then made. */
const cures = ref(new Map<string, string | null>())
watch([bodies, selectedId], () => (cures.value = new Map()))
async function cure(check: Check): Promise<void> {
  const floor = ground()
  if (!floor) return
  const key = `${check.code} ${check.ids.join(' ')} ${check.about}`
  const free = check.ids.filter((id) => plan.rowOf(id)?.pinned === false)
  const found = leastMove(floor, standing.value, free, keyOfCheck(check))
  const row = found && plan.rowOf(found.id)
  if (!found || !row) {
    cures.value = new Map(cures.value).set(key, null)
    return
  }
  await tell(
    `Moved ${nameOf(found.id)} by ${Math.round(found.byMm)} mm${found.turned ? ', turned' : ''}, the least that helps`,
    [edit('standing', row, { xMm: found.at.xMm, yMm: found.at.yMm, turnDeg: found.at.turnDeg })],
  )
}

type Asked = { readonly what: 'standing' | 'footprint' | 'opens' | 'layout'; readonly id: string | null }
const request = ref<Asked | null>(null)
const isOpen = ref(false)
function openForm(what: Asked['what'], id: string | null): void {
  request.value = { what, id }
  void nextTick(() => (isOpen.value = true))
}
const form = computed((): AnyRowForm | null => {
  const [opened, wanted] = [makeover.opened, request.value]
  if (!opened || !wanted || !setting.value || !room.value) return null
  const all = { makeover: opened.makeover, entry: entry.value }
  if (wanted.what === 'layout') return layoutForm(all, room.value.id) as unknown as AnyRowForm
  const body = selected.value
  if (!body?.thing) return null
  if (wanted.what === 'standing') return standingForm(all, setting.value, body) as unknown as AnyRowForm
  return (wanted.what === 'footprint'
    ? footprintForm(all, body.thing.piece)
    : openStateForm(all, body.thing.piece)) as unknown as AnyRowForm
})
const row = computed(() => {
  const [opened, wanted] = [makeover.opened, request.value]
  if (!opened || !wanted) return null
  const { rows } = opened.makeover
  if (wanted.what === 'standing') return rows.standing[wanted.id ?? ''] ?? null
  if (wanted.what === 'footprint') return selected.value?.thing?.footprint ?? null
  return (wanted.what === 'opens' ? rows.openState[wanted.id ?? ''] : rows.layout[wanted.id ?? '']) ?? null
})
/** Of a room's layouts one is in force. */
async function enforce(): Promise<void> {
  const chosen = layout.value
  if (!chosen) return
  await tell(`The layout ${chosen.name} is in force`, [
    ...layouts.value.filter((row) => row.inForce).map((row) => edit('layout', row, { inForce: false })),
    edit('layout', chosen, { inForce: true }),
  ])
}
const goTo = (query: Record<string, string>): void => void router.replace({ query: { ...route.query, ...query } })
useKeys([
  ...(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'] as const).map((key) => ({
    key,
    does: 'Move it by 10 mm, with Shift by 100',
    run: () => undefined,
  })),
  { key: '[', does: 'Turn it by 15°', run: () => nudge(0, 0, 15) },
  { key: ']', does: 'Turn it back by 15°', run: () => nudge(0, 0, -15) },
  { key: 'Delete', does: 'Put it back at the door', run: () => void back() },
  { key: 'Escape', does: 'Put what is in hand back', run: () => (selectedId.value = '') },
])
const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}
function arrow(event: KeyboardEvent): void {
  const way = arrows[event.key]
  if (!way || selectedId.value === '') return
  event.preventDefault()
  const step = event.shiftKey ? 100 : 10
  nudge(way[0] * step, way[1] * step)
}
const placedCount = computed(() => standing.value.length)
</script>

<template>
  <div class="placement">
    <div class="page-head">
      <h1>Placement</h1>
      <template v-if="rooms.length > 1"
        ><button
          v-for="known in rooms"
          :key="known.id"
          type="button"
          class="word"
          :class="{ here: known.id === room?.id }"
          :aria-pressed="known.id === room?.id"
          @click="router.replace({ query: { room: known.id } })"
        >
          {{ known.name }}
        </button></template
      >
      <span v-if="room" class="quiet">{{ placedCount }} of {{ placedCount + waiting.length }} in their place</span>
      <span class="end"
        ><button type="button" class="word" @click="openForm('layout', null)">Another layout</button></span
      >
    </div>
    <StepRemarks step="placement" />
    <p v-if="!room" class="opening">
      No room is closed yet.
      <router-link class="word" :to="{ name: 'survey', params: route.params }">Walk round it</router-link>
      first: then what is wanted waits here at its door.
    </p>
    <template v-else-if="setting">
      <div class="show">
        <template v-if="layouts.length > 1">
          <button
            v-for="known in layouts"
            :key="known.id"
            type="button"
            class="word"
            :class="{ here: known.id === layout?.id }"
            :aria-pressed="known.id === layout?.id"
            @click="goTo({ layout: known.id })"
          >
            {{ known.name }}{{ known.inForce ? ', in force' : '' }}
          </button>
          <button v-if="layout && !layout.inForce" type="button" class="word" @click="enforce">Put it in force</button>
          <label class="quiet"
            >over
            <select v-model="underId" aria-label="Lie it over another layout">
              <option value="">nothing</option>
              <option v-for="known in layouts.filter(({ id }) => id !== layout?.id)" :key="known.id" :value="known.id">
                {{ known.name }}
              </option>
            </select></label
          >
        </template>
        <button v-if="layout" type="button" class="word" @click="openForm('layout', layout.id)">
          {{ layouts.length > 1 ? 'Rename' : layout.name }}
        </button>
        <span class="end quiet"
          >show:
          <button
            v-for="(words, key) in { tape: 'tape', ways: 'clear ways', open: 'open' }"
            :key="key"
            type="button"
            class="word"
            :class="{ here: show[key] }"
            :aria-pressed="show[key]"
            @click="show[key] = !show[key]"
          >
            {{ words }}
          </button></span
        >
      </div>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      <div role="application" aria-label="Where things stand: arrow keys move what is taken up" @keydown="arrow">
        <PlanDrawing
          ref="drawing"
          :setting="setting"
          :bodies="bodies"
          :under="under"
          :covers="covers"
          :checks="checks"
          :ways="ways"
          :selected-id="selectedId"
          :show="show"
          :units="entry.units"
          :extra="null"
          @pick="selectedId = $event"
          @move="move"
          @put="put"
        />
      </div>
      <AtTheDoor :waiting="waiting" :covers="covers" :scale="scale" :units="entry.units" @place="place" />
    </template>
    <Teleport defer to="#tag">
      <section v-if="selected" class="tag" aria-label="Thing">
        <span class="hole" aria-hidden="true" />
        <PlaceTag
          :body="selected"
          :plan="plan"
          :cures="cures"
          @cure="cure"
          @change="openForm('standing', selected.id)"
          @footprint="openForm('footprint', selected.thing?.footprint?.id ?? null)"
          @opens="openForm('opens', $event)"
          @pin="pin"
          @back="back"
        />
      </section>
      <section v-else-if="room" class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>Take up a thing</h2>
        <p class="quiet">
          Pick one at the door to carry it in. On the plan it is moved by hand, or with the arrow keys, turned with [
          and ], and every distance is held against what is wanted while it moves.
        </p>
      </section>
      <p class="caution quiet">
        Two people for what is long or heavy. Tall furniture and mirrors are fixed to the wall before anyone uses the
        room.
      </p>
    </Teleport>
    <RowDialog
      v-if="form"
      :key="`${request?.what} ${request?.id}`"
      v-model="isOpen"
      :form="form"
      :row="row"
      :width="640"
    />
  </div>
</template>

<style src="./placement-page.css"></style>

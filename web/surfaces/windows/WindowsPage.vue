<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { paletteFinishes } from '#core/makeover/laid.ts'
import { bayOf, dressingLine, sharesPane, windowOf, type DressedWindow } from '#core/surfaces/index.ts'
import { useKeys } from '../../frame/keys.ts'
import type { AnyRowForm } from '../../parts/rowform.ts'
import RowDialog from '../../parts/RowDialog.vue'
import StepRemarks from '../../remarks/StepRemarks.vue'
import { useEntry } from '../../stores/entry.ts'
import { useMakeover } from '../../stores/makeover.ts'
import { useRows } from '../../stores/rows.ts'
import { useLookedAt } from '../looked-at.ts'
import { useMaterials } from '../materials.ts'
import SurfaceWays from '../SurfaceWays.vue'
import { useCloths } from './cloths.ts'
import { dressingForm } from './dressing-form.ts'
import DressingTag from './DressingTag.vue'
import WindowDrawing from './WindowDrawing.vue'

/** The windows of a room, each with all that hangs before it, to scale, open and shut. */
const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const entry = useEntry()
const roomAsked = computed(() => (typeof route.query.room === 'string' ? route.query.room : ''))
const { rules, rooms, measured, here, faces } = useLookedAt(roomAsked)
const finishes = computed(() => (makeover.opened ? paletteFinishes(makeover.opened.makeover) : []))
const inRoom = computed(() => finishes.value.filter(({ roomId }) => roomId === here.value?.room.id))
const parts = useRows('patternPart')
const materials = useMaterials(
  computed(() => inRoom.value.filter(({ lies }) => lies.length > 0)),
  parts,
  rules,
)
const cloths = useCloths(inRoom, parts, rules)
const all = computed((): readonly DressedWindow[] => makeover.reckoning?.dressings ?? [])
const dressingId = ref('')
const problem = ref('')

/** What is dressed together is looked at together: a bay by any of its windows. */
const windows = computed(() => {
  const { room } = here.value ?? {}
  if (!room) return []
  const placed = all.value.filter(({ window }) => window.room.id === room.id)
  const bare = room.walls
    .flatMap((wall) => wall.openings.filter(({ row }) => row.what === 'window').map(({ row }) => row.id))
    .filter((id) => !placed.some(({ window }) => window.panes.some((pane) => pane.id === id)))
    .flatMap((id) => windowOf(rooms.value, id, false) ?? [])
  const groups: { window: DressedWindow['window']; layers: DressedWindow[] }[] = []
  for (const layer of placed) {
    const group = groups.find(({ window }) => sharesPane(window, layer.window))
    if (!group) groups.push({ window: layer.window, layers: [layer] })
    else {
      group.layers.push(layer)
      if (layer.window.panes.length > group.window.panes.length) group.window = layer.window
    }
  }
  return [...groups, ...bare.map((window) => ({ window, layers: [] }))]
})
const windowId = ref('')
watch(
  () => route.query.open,
  (open) => {
    if (typeof open === 'string') dressingId.value = open
  },
  { immediate: true },
)
const looked = computed(
  () =>
    windows.value.find(({ layers }) => layers.some(({ row }) => row.id === dressingId.value)) ??
    windows.value.find(({ window }) => window.glass.id === windowId.value) ??
    windows.value[0] ??
    null,
)
const inHand = computed(
  () => looked.value?.layers.find(({ row }) => row.id === dressingId.value) ?? looked.value?.layers.at(-1) ?? null,
)
function pick(id: string, layers: readonly DressedWindow[]): void {
  windowId.value = id
  dressingId.value = layers.at(-1)?.row.id ?? ''
}

const open = ref(false)
const asked = ref<{ readonly row: DressedWindow['row'] | null; readonly isBefore: boolean }>({
  row: null,
  isBefore: false,
})
const form = computed((): AnyRowForm | null => {
  const { opened } = makeover
  const room = here.value?.room
  const openingId = looked.value?.window.glass.id
  if (!opened || !room || openingId === undefined) return null
  return dressingForm(
    { makeover: opened.makeover, room, entry: entry.value },
    { openingId, before: asked.value.isBefore ? (inHand.value?.row ?? null) : null },
  ) as unknown as AnyRowForm
})
const formRow = computed(() =>
  asked.value.row ? (makeover.opened?.makeover.rows.dressing[asked.value.row.id] ?? null) : null,
)
function ask(row: DressedWindow['row'] | null, isBefore = false): void {
  asked.value = { row, isBefore }
  void nextTick(() => (open.value = true))
}
async function toLine(layer: DressedWindow): Promise<void> {
  const { opened } = makeover
  if (!opened) return
  const operations = dressingLine(opened.makeover, layer, all.value, uuidv7)
  const faults =
    operations.length === 0
      ? []
      : await makeover.change(
          `${layer.row.pieceId === null ? 'Made a line to buy for' : 'Brought up to date the line for'} the ${layer.row.what}, ${layer.window.name}`,
          operations,
        )
  problem.value =
    operations.length === 0
      ? 'There is no category of the budget to buy it from: make one in the brief first.'
      : faults.map(({ message }) => message).join('; ')
}
const isInBay = computed(() => {
  const wall = looked.value?.window.walls[0]?.wall
  return wall !== undefined && here.value !== null && bayOf(here.value.room, wall) !== null
})
useKeys([{ key: 'n', does: 'Dress the window', run: () => ask(null, (looked.value?.layers.length ?? 0) > 0) }])
</script>

<template>
  <div class="surfaces windows">
    <div class="page-head">
      <h1>Windows</h1>
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
        ><button v-if="looked" type="button" class="word" @click="ask(null, looked.layers.length > 0)">
          {{ looked.layers.length > 0 ? 'Hang another' : 'Dress it' }}<kbd aria-hidden="true">N</kbd>
        </button></span
      >
    </div>
    <StepRemarks step="surfaces" />
    <p v-if="!here" class="opening">
      No room is measured yet.
      <router-link class="word" :to="{ name: 'survey', params: route.params }">Walk round it</router-link>
      first, with its windows.
    </p>
    <p v-else-if="windows.length === 0" class="opening">
      {{ here.room.name }} has no window.
      <router-link class="word" :to="{ name: 'survey', params: route.params }">Add one to its survey</router-link>.
    </p>
    <template v-else-if="looked">
      <nav class="window-list" aria-label="Windows of the room">
        <button
          v-for="{ window, layers } in windows"
          :key="window.glass.id"
          type="button"
          class="word"
          :class="{ here: window === looked.window }"
          :aria-pressed="window === looked.window"
          @click="pick(window.glass.id, layers)"
        >
          {{ window.name
          }}<span class="quiet">{{
            layers.length === 0 ? ', bare' : `, ${layers.map(({ row }) => row.what).join(' and ')}`
          }}</span>
        </button>
      </nav>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      <div class="shut-and-open">
        <WindowDrawing
          v-for="state in looked.layers.length > 0 ? (['shut', 'open'] as const) : (['open'] as const)"
          :key="state"
          :window="looked.window"
          :layers="looked.layers"
          :faces="faces"
          :materials="materials"
          :cloths="cloths"
          :state="state"
          :in-hand="inHand?.row.id ?? ''"
          :units="entry.units"
          @pick="dressingId = $event"
        />
      </div>
      <p v-if="looked.layers.length > 1" class="layers">
        <span class="label">From the glass on</span>
        <button
          v-for="{ row } in looked.layers"
          :key="row.id"
          type="button"
          class="word"
          :class="{ here: row.id === inHand?.row.id }"
          :aria-pressed="row.id === inHand?.row.id"
          @click="dressingId = row.id"
        >
          {{ row.what }}
        </button>
      </p>
      <p v-if="isInBay && looked.window.walls.length === 1" class="quiet">
        It is in a bay: what hangs there may go round all of it.
      </p>
      <p v-if="looked.layers.length === 0" class="opening">
        Nothing hangs here yet.
        <button type="button" class="word" @click="ask(null)">Dress it</button>
        with curtains, a blind, or one before the other.
      </p>
    </template>
    <Teleport defer to="#tag">
      <section v-if="inHand" class="tag" aria-label="Dressing">
        <span class="hole" aria-hidden="true" />
        <DressingTag
          :layer="inHand"
          :all="all"
          @change="ask(inHand.row)"
          @before="ask(null, true)"
          @line="toLine(inHand)"
        />
      </section>
      <p class="caution quiet">
        Measure width and height in three places before anything is cut. Poles and heavy cloth go into structure, by
        someone competent; two people on ladders.
      </p>
    </Teleport>
    <RowDialog
      v-if="form"
      :key="`${asked.row?.id ?? ''} ${asked.isBefore} ${looked?.window.glass.id ?? ''}`"
      v-model="open"
      :form="form"
      :row="formRow"
      :width="680"
      @made="dressingId = $event"
    />
  </div>
</template>

<style src="../surfaces-page.css"></style>
<style src="./windows-page.css"></style>

<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { rowsOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { paletteFinishes } from '#core/makeover/laid.ts'
import { hungIn } from '#core/placement/index.ts'
import { facesOf } from '#core/surfaces/index.ts'
import { useKeys } from '../frame/keys.ts'
import { arrowStep } from '../parts/grip.ts'
import RowDialog from '../parts/RowDialog.vue'
import type { AnyRowForm } from '../parts/rowform.ts'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useMaterials } from '../surfaces/materials.ts'
import GroupPanel from './GroupPanel.vue'
import { useGrouping } from './grouping.ts'
import HookList from './HookList.vue'
import { useCovers } from './materials.ts'
import { useOnTheWall } from './on-the-wall.ts'
import RoomHead from './RoomHead.vue'
import { fixingForm, hangingForm } from './wall-forms.ts'
import WallDrawing from './WallDrawing.vue'
import WallIdeas from './WallIdeas.vue'
import WorkTag from './WorkTag.vue'

/** What hangs on the walls of a room: each wall as one stands before it, works by pointer and by keys, the list for the ladder. */
const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const entry = useEntry()
const asked = (name: string) => computed(() => (typeof route.query[name] === 'string' ? route.query[name] : ''))
const onWall = useOnTheWall(asked('room'), asked('wall'))
const { rules, rooms, room, wall, things, scene, selectedId, selected, checks, marks, waiting, problem } = onWall
const grouping = useGrouping(onWall)
const opened = computed(() => makeover.opened?.makeover ?? null)
const faces = computed(() => (opened.value && room.value ? facesOf(opened.value, room.value, rules.value) : []))
const face = computed(() => faces.value.find(({ id }) => id === wall.value?.row.id) ?? null)
const finishes = computed(() =>
  opened.value
    ? paletteFinishes(opened.value).filter(({ lies, roomId }) => lies.length > 0 && roomId === room.value?.id)
    : [],
)
const parts = computed(() => (opened.value ? rowsOf(opened.value, 'patternPart') : []))
const materials = useMaterials(finishes, parts, rules)
/** Everything that is drawn: what hangs, and what stands before the wall. */
const drawn = computed(
  () =>
    new Map<string, { readonly piece: Row<'piece'> }>([
      ...things.value,
      ...(scene.value?.before ?? []).flatMap(({ body: { thing } }) =>
        thing ? [[thing.piece.id, thing] as const] : [],
      ),
    ]),
)
const covers = useCovers(opened, drawn)
const works = computed(() => (opened.value && room.value ? hungIn(opened.value, room.value, things.value) : []))
const onIt = (wallId: string): number => works.value.filter((work) => work.wall.row.id === wallId).length
const goTo = (query: Record<string, string>): void => void router.replace({ query: { ...route.query, ...query } })

const what = ref<'where' | 'fixing'>('where')
const isOpen = ref(false)
function ask(form: 'where' | 'fixing'): void {
  what.value = form
  void nextTick(() => (isOpen.value = true))
}
const form = computed((): AnyRowForm | null => {
  if (!selected.value || !room.value) return null
  return (what.value === 'where'
    ? hangingForm(entry.value, room.value, selected.value)
    : fixingForm(entry.value, selected.value.thing.piece)) as unknown as AnyRowForm
})
const row = computed(() =>
  what.value === 'where' ? (onWall.rowOf(selectedId.value) ?? null) : (selected.value?.thing.fixing ?? null),
)
useKeys([
  { key: 'Delete', does: 'Take it down', run: () => void onWall.takeDown() },
  { key: 'Escape', does: 'Let go of it', run: () => (selectedId.value = '') },
])
function arrow(event: KeyboardEvent): void {
  const step = arrowStep(event)
  if (!step || selectedId.value === '') return
  event.preventDefault()
  onWall.nudge(...step)
}
</script>

<template>
  <div class="placement walls">
    <RoomHead title="On the walls" :rooms="rooms" :room="room">
      <template v-if="room">{{ works.length }} of {{ works.length + waiting.length }} hang</template>
    </RoomHead>
    <StepRemarks step="placement" />
    <p v-if="!room || !wall || !face || !scene" class="opening">
      No room is closed yet.
      <router-link class="word" :to="{ name: 'survey', params: route.params }">Walk round it</router-link>
      first: then what is wanted on its walls hangs here.
    </p>
    <template v-else>
      <div class="show">
        <button
          v-for="known in room.walls"
          :key="known.row.id"
          type="button"
          class="word"
          :class="{ here: known.row.id === wall.row.id }"
          :aria-pressed="known.row.id === wall.row.id"
          @click="goTo({ wall: known.row.id })"
        >
          {{ known.name }}<template v-if="onIt(known.row.id) > 0">, {{ onIt(known.row.id) }}</template>
        </button>
      </div>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      <div role="application" aria-label="What hangs: arrow keys move what is taken up" @keydown="arrow">
        <WallDrawing
          :face="face"
          :scene="scene"
          :materials="materials"
          :covers="covers"
          :checks="checks"
          :marks="marks"
          :selected-id="selectedId"
          :units="entry.units"
          :thought="grouping.outlines.value"
          @pick="selectedId = $event"
          @move="onWall.move"
          @put="onWall.letDown"
        />
      </div>
      <section aria-labelledby="to-hang">
        <div class="section-head">
          <h2 id="to-hang">To hang <span class="quiet">the largest first</span></h2>
        </div>
        <p v-if="waiting.length === 0" class="quiet">
          Nothing waits: every work, mirror and shelf whose size is known hangs.
        </p>
        <ul v-else class="to-hang">
          <li v-for="item in waiting" :key="`${item.thing.piece.id} ${item.number}`">
            <button type="button" class="word" @click="onWall.hang(item)">
              Hang {{ item.thing.piece.name }}{{ item.thing.piece.quantity > 1 ? ` ${item.number}` : '' }}</button
            ><span class="quiet">{{ ` on ${wall.name}` }}</span>
          </li>
        </ul>
      </section>
      <WallIdeas :wall="onWall" />
      <GroupPanel v-if="grouping.entries.value.length > 1" :grouping="grouping" :scene="scene" />
      <HookList :works="works" :room-id="room.id" />
    </template>
    <Teleport defer to="#tag">
      <section v-if="room" class="tag" aria-label="What hangs">
        <span class="hole" aria-hidden="true" />
        <WorkTag :wall="onWall" :grouping="grouping" @where="ask('where')" @fixing="ask('fixing')" />
      </section>
      <p class="caution quiet">
        Find cables and pipes before a hole is made; wiring is for an electrician. A large mirror that leans is fixed at
        its top.
      </p>
    </Teleport>
    <RowDialog v-if="form" :key="`${what} ${selectedId}`" v-model="isOpen" :form="form" :row="row" :width="560" />
  </div>
</template>

<style src="./placement-page.css"></style>
<style src="../surfaces/surfaces-page.css"></style>
<style src="./walls-page.css"></style>

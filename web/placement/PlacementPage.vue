<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { bodiesIn, type RugTried, type Waiting } from '#core/placement/index.ts'
import { useKeys } from '../frame/keys.ts'
import FilterChoice from '../parts/FilterChoice.vue'
import { arrowStep } from '../parts/grip.ts'
import RowDialog from '../parts/RowDialog.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import ArrangePanel from './ArrangePanel.vue'
import { useArranging } from './arranging.ts'
import AtTheDoor from './AtTheDoor.vue'
import { useCuring } from './curing.ts'
import { useHand } from './hand.ts'
import { useCovers } from './materials.ts'
import { useOnThePlan } from './on-the-plan.ts'
import { useOpenedForm } from './opened-form.ts'
import PlacementFiles from './PlacementFiles.vue'
import PlaceTag from './PlaceTag.vue'
import PlanDrawing from './PlanDrawing.vue'
import RoomHead from './RoomHead.vue'
import RugPanel from './RugPanel.vue'
import SightPanel from './SightPanel.vue'
import WaysTag from './WaysTag.vue'
import WayInPanel from './WayInPanel.vue'

const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const entry = useEntry()
const asked = (name: string) => computed(() => (typeof route.query[name] === 'string' ? route.query[name] : ''))
const plan = useOnThePlan(asked('room'), asked('layout'))
const { rooms, room, setting, things, layouts, layout, standing, waiting, bodies, ways, selectedId, selected, checks } =
  plan
const { problem, move, put, nudge, place, placeAll, bring, letDown, back, pin, enforce } = useHand(plan)
const curing = useCuring(plan)
const arranging = useArranging(plan)
const { form, formKey, row, isOpen, openForm } = useOpenedForm(plan)
const covers = useCovers(
  computed(() => makeover.opened?.makeover ?? null),
  things,
)
const views = { floor: 'Floor', arrange: 'Arrange', sight: 'First sight', rugs: 'Rug sizes', way: 'Way in' } as const
const view = ref<keyof typeof views>('floor')
const show = ref({ tape: true, ways: true, open: true })
const scale = ref(0.1)
const underId = ref('')
const under = computed(() =>
  makeover.opened && underId.value !== '' && underId.value !== layout.value?.id
    ? bodiesIn(makeover.opened.makeover, underId.value, things.value)
    : [],
)
const rug = shallowRef<RugTried | null>(null)
const look = shallowRef<{ eye: { x: number; y: number }; hidden: ReadonlySet<string> } | null>(null)
watch(view, () => {
  rug.value = look.value = null
  arranging.found.value = null
})
watch(
  () => route.query.open,
  (open) => {
    if (typeof open === 'string') selectedId.value = open
  },
  { immediate: true },
)
const extras = computed(() => [
  ...(rug.value ? [rug.value.outline] : []),
  ...curing.thought.value.map(({ outline }) => outline),
])
const drawing = useTemplateRef<{ placeAt: (x: number, y: number) => { x: number; y: number; isOn: boolean } }>(
  'drawing',
)
/** A mouse takes a thing up at the door and carries it onto the plan; a click, or a finger, has it find its own place. */
const inHand = shallowRef<{ entry: Waiting; x: number; y: number; isCarried: boolean } | null>(null)
function takeUp(thing: Waiting, event: PointerEvent): void {
  if (event.button === 0 && event.pointerType !== 'touch')
    inHand.value = { entry: thing, x: event.clientX, y: event.clientY, isCarried: false }
}
useEventListener(window, 'pointermove', ({ clientX, clientY }: PointerEvent) => {
  const hand = inHand.value
  if (!hand || (!hand.isCarried && Math.hypot(clientX - hand.x, clientY - hand.y) < 6)) return
  hand.isCarried = true
  const at = drawing.value?.placeAt(clientX, clientY)
  if (at) bring(hand.entry, at)
})
useEventListener(window, 'pointerup', () => {
  if (inHand.value?.isCarried) void letDown()
  inHand.value = null
})
const goTo = (query: Record<string, string>): void => void router.replace({ query: { ...route.query, ...query } })
useKeys([
  { key: '[', does: 'Turn it by 15°', run: () => nudge(0, 0, 15) },
  { key: ']', does: 'Turn it back by 15°', run: () => nudge(0, 0, -15) },
  { key: 'Delete', does: 'Put it back at the door', run: () => void back() },
  { key: 'Escape', does: 'Let go of it', run: () => (selectedId.value = '') },
])
function arrow(event: KeyboardEvent): void {
  const step = arrowStep(event)
  if (!step || selectedId.value === '') return
  event.preventDefault()
  nudge(...step)
}
</script>

<template>
  <div class="placement">
    <RoomHead title="Placement" :rooms="rooms" :room="room">
      <template v-if="room">{{ standing.length }} of {{ standing.length + waiting.length }} in their place</template>
      <template #end
        ><button type="button" class="word" @click="openForm('layout', null)">Another layout</button></template
      >
    </RoomHead>
    <StepRemarks step="placement" />
    <p v-if="!room" class="opening">
      No room is closed yet.
      <router-link class="word" :to="{ name: 'survey', params: route.params }">Walk round it</router-link>
      first: then what is wanted waits here at its door.
    </p>
    <template v-else-if="setting">
      <div class="show">
        <button
          v-for="(words, key) in views"
          :key="key"
          type="button"
          class="word"
          :class="{ here: view === key }"
          :aria-pressed="view === key"
          @click="view = key"
        >
          {{ words }}
        </button>
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
          <span class="quiet">over</span>
          <FilterChoice
            v-model="underId"
            label="Lay it over another layout"
            :options="layouts.filter(({ id }) => id !== layout?.id).map(({ id, name }) => ({ value: id, label: name }))"
            none="nothing"
          />
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
      <p v-for="fault in [problem, curing.problem.value].filter(Boolean)" :key="fault" class="stop-line" role="alert">
        {{ fault }}
      </p>
      <div role="application" aria-label="Where things stand: arrow keys move what is taken up" @keydown="arrow">
        <PlanDrawing
          :setting="setting"
          ref="drawing"
          :bodies="arranging.bodies.value ?? bodies"
          :ground="arranging.bodies.value ?? standing"
          :held-id="arranging.bodies.value ? '' : (plan.held.value?.id ?? '')"
          :under="arranging.bodies.value ? standing : under"
          :covers="covers"
          :checks="arranging.bodies.value ? [] : checks"
          :ways="arranging.bodies.value ? [] : ways"
          :selected-id="selectedId"
          :show="show"
          :units="entry.units"
          :extras="extras"
          :look="look"
          @pick="selectedId = $event"
          @move="move"
          @put="put"
          @scale="scale = $event"
        />
      </div>
      <AtTheDoor
        v-if="view === 'floor'"
        :waiting="waiting"
        :scale="scale"
        :units="entry.units"
        @place="place"
        @set="placeAll"
        @drag="takeUp"
      />
      <ArrangePanel v-else-if="view === 'arrange'" :arranging="arranging" />
      <SightPanel v-else-if="view === 'sight'" :plan="plan" @look="look = $event" />
      <RugPanel v-else-if="view === 'rugs'" :plan="plan" @show="rug = $event" @size="openForm('rugSize', $event)" />
      <WayInPanel v-else :plan="plan" />
      <PlacementFiles
        v-if="layout && room && (view === 'floor' || view === 'way')"
        :room-id="room.id"
        :layout-id="layout.id"
      />
    </template>
    <Teleport defer to="#tag">
      <section v-if="selected" class="tag" aria-label="Thing">
        <span class="hole" aria-hidden="true" />
        <PlaceTag
          :body="selected"
          :plan="plan"
          :curing="curing"
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
        <WaysTag :plan="plan" :curing="curing" />
      </section>
      <p class="caution quiet">
        Two people for what is long or heavy. Tall furniture and mirrors are fixed to the wall before anyone uses the
        room.
      </p>
    </Teleport>
    <RowDialog v-if="form" :key="formKey" v-model="isOpen" :form="form" :row="row" :width="640" />
  </div>
</template>

<style src="./placement-page.css"></style>

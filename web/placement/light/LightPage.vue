<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { useRoute } from 'vue-router'
import { writeArea } from '#core/measure/area.ts'
import { writeLength } from '#core/measure/length.ts'
import { floorM2, planeMm, writeLux } from '#core/placement/index.ts'
import { useKeys } from '../../frame/keys.ts'
import { vCards } from '../../parts/cards.ts'
import { arrowStep } from '../../parts/grip.ts'
import RowDialog from '../../parts/RowDialog.vue'
import type { AnyRowForm } from '../../parts/rowform.ts'
import StepRemarks from '../../remarks/StepRemarks.vue'
import { useEntry } from '../../stores/entry.ts'
import RoomHead from '../RoomHead.vue'
import { useInTheLight } from './in-the-light.ts'
import { lampForm } from './lamp-form.ts'
import LampTag from './LampTag.vue'
import LightDrawing from './LightDrawing.vue'

/** By what light a room is used: its lamps on the plan with the light they give, the places where something is done, what to add. */
const route = useRoute()
const entry = useEntry()
const light = useInTheLight(computed(() => (typeof route.query.room === 'string' ? route.query.room : '')))
const { rooms, room, bodies, lit, lighting, map, selectedId, problem } = light
const rules = computed(() => light.practice.value.rules)
const lamps = computed(() => lit.value?.lamps ?? [])
const dimming = computed(() => lamps.value.filter(({ dims }) => dims).length)
const unknown = computed(() => lit.value?.unknown ?? [])
const places = computed(() =>
  [
    ...(lighting.value?.spots ?? []).map((spot) => ({ ...spot, what: spot.does })),
    ...(lighting.value?.zones ?? []).map((zone) => ({ ...zone, what: 'all over' })),
  ].map((place) => ({
    missing: 0,
    ...place,
    isLow: place.lux < place.wanted * (1 - rules.value['light.grace'] / 100),
    added: lighting.value?.added.find(({ spotId }) => spotId === place.id) ?? null,
  })),
)
const low = computed(() => new Set(places.value.filter(({ isLow }) => isLow).map(({ id }) => id)))
const length = (mm: number): string => writeLength(Math.round(mm / 10) * 10, entry.value.units)
const percent = (share: number): string => `${Math.round(share * 100)} %`

const isOpen = ref(false)
const form = computed((): AnyRowForm | null => {
  const given = light.givenBy(selectedId.value)
  return given?.candidateId
    ? (lampForm(entry.value, given.piece.name, given.candidateId) as unknown as AnyRowForm)
    : null
})
const row = computed(() => light.givenBy(selectedId.value)?.row ?? null)
function askGiven(id: string): void {
  selectedId.value = id
  void nextTick(() => (isOpen.value = true))
}
useKeys([{ key: 'Escape', does: 'Let go of it', run: () => (selectedId.value = '') }])
function arrow(event: KeyboardEvent): void {
  const step = arrowStep(event)
  if (!step || selectedId.value === '') return
  event.preventDefault()
  light.nudge(...step)
}
</script>

<template>
  <div class="placement light">
    <RoomHead title="By what light" :rooms="rooms" :room="room">
      <template v-if="lamps.length > 0"
        >{{ lamps.length }} {{ lamps.length === 1 ? 'lamp' : 'lamps' }},
        {{ Math.round(lighting?.lumens ?? 0) }} lm<template v-if="dimming > 0"
          >, {{ dimming }} {{ dimming === 1 ? 'dims' : 'dim' }}</template
        ></template
      >
    </RoomHead>
    <StepRemarks step="placement" />
    <p v-if="!room" class="opening">
      No room is closed yet.
      <router-link class="word" :to="{ name: 'survey', params: route.params }">Walk round it</router-link>
      first: then its lamps light it here.
    </p>
    <p v-else-if="lamps.length + unknown.length === 0" class="opening">
      No lamp stands or hangs here yet.
      <router-link class="word" :to="{ name: 'placement', params: route.params, query: { room: room.id } }"
        >Carry one in</router-link
      >, and its light is reckoned here.
    </p>
    <template v-else>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      <div role="application" aria-label="Lamps: arrow keys move what is taken up" @keydown="arrow">
        <LightDrawing
          v-if="lighting"
          :setting="lighting.lit.setting"
          :bodies="bodies"
          :lamps="lamps"
          :unknown="unknown"
          :map="lamps.length > 0 ? map : null"
          :spots="lighting?.spots ?? []"
          :low="low"
          :selected-id="selectedId"
          @pick="selectedId = $event"
          @move="light.move"
          @put="light.put"
        />
      </div>
      <p v-if="lighting && lamps.length > 0" class="quiet">
        On a level {{ length(planeMm) }} above the floor, all lamps on, as they are once they have aged: on the mean
        {{ writeLux(lighting.map.mean) }}, the least over the mean {{ percent(lighting.map.even) }}. Surfaces throw back
        {{ percent(lighting.lit.reflecting.rho) }}, so {{ writeLux(lighting.lit.roundLux) }} go round the room. To live
        by all over its {{ writeArea(floorM2(lighting.lit.setting), entry.units) }} about
        {{ Math.round(lighting.enough / 10) * 10 }} lm would do.
      </p>
      <section v-if="places.length > 0 && lamps.length > 0" aria-labelledby="light-places">
        <div class="section-head"><h2 id="light-places">Where something is done</h2></div>
        <div class="scroll">
          <table v-cards class="placed">
            <thead>
              <tr>
                <th>Place</th>
                <th>For</th>
                <th class="number">There is</th>
                <th class="number">Wanted</th>
                <th>What it takes</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="place in places" :key="place.id">
                <td>{{ place.name }}</td>
                <td class="quiet">{{ place.what }}</td>
                <td class="number">
                  <strong :class="{ inverted: place.isLow }">{{ writeLux(place.lux) }}</strong>
                </td>
                <td class="number">{{ place.wanted }} lx</td>
                <td>
                  <template v-if="place.isLow && place.added"
                    >{{ place.added.how }}: {{ place.added.lamps.length > 1 ? `${place.added.lamps.length} of ` : ''
                    }}{{ place.added.bulb }} lm, its light {{ length(place.added.lamps[0]?.z ?? 0) }} above the
                    floor<template v-if="place.added.socketMm !== null"
                      >; the nearest socket is {{ length(place.added.socketMm) }} off</template
                    ></template
                  >
                  <template v-else-if="place.isLow"
                    >about {{ Math.ceil(place.missing / 50) * 50 }} lm more, spread all over</template
                  >
                  <span v-else class="quiet">light enough</span>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section aria-labelledby="light-lamps">
        <div class="section-head"><h2 id="light-lamps">Lamps</h2></div>
        <div class="scroll">
          <table v-cards class="placed">
            <thead>
              <tr>
                <th>Lamp</th>
                <th class="number">Gives</th>
                <th class="number">Colour</th>
                <th>Spread</th>
                <th>Dims</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="lamp in lamps" :key="lamp.id">
                <td>
                  <button type="button" class="word" @click="selectedId = lamp.id">{{ lamp.name }}</button>
                </td>
                <td class="number">{{ lamp.lumens }} lm</td>
                <td class="number">{{ lamp.kelvin === null ? '–' : `${lamp.kelvin} K` }}</td>
                <td class="quiet">{{ lamp.spread }}</td>
                <td class="quiet">{{ lamp.dims ? 'yes' : 'no' }}</td>
              </tr>
              <tr v-for="lamp in unknown" :key="lamp.id">
                <td>
                  <button type="button" class="word" @click="selectedId = lamp.id">{{ lamp.name }}</button>
                </td>
                <td colspan="4">
                  <button
                    v-if="light.givenBy(lamp.id)?.candidateId"
                    type="button"
                    class="word"
                    @click="askGiven(lamp.id)"
                  >
                    Say what it gives
                  </button>
                  <span v-else class="quiet">a candidate first</span>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </template>
    <Teleport defer to="#tag">
      <section v-if="room" class="tag" aria-label="Lamp">
        <span class="hole" aria-hidden="true" />
        <LampTag :light="light" @gives="isOpen = true" />
      </section>
      <p class="caution quiet">
        A model, good to a fifth: walls as one grey, things as boxes, no daylight. Wiring, new points and all near water
        are for a licensed electrician.
      </p>
    </Teleport>
    <RowDialog v-if="form" :key="selectedId" v-model="isOpen" :form="form" :row="row" :width="600" />
  </div>
</template>

<style src="../placement-page.css"></style>
<style src="./light-page.css"></style>

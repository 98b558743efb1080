<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { windowWords, type Delivery } from '#core/calendar/index.ts'
import { writeDate, writeWeekdayDate } from '#core/measure/plain-date.ts'
import type { AnyRowForm } from '../parts/rowform.ts'
import { words, type Column } from '../parts/row-table.ts'
import RowDialog from '../parts/RowDialog.vue'
import RowTable from '../parts/RowTable.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import CalendarWays from './CalendarWays.vue'
import { arrivalForm } from './coming-forms.ts'
import { behaviours, useDeliveries } from './deliveries.ts'

/** What comes to the site: when, in which window, who lets it in, where it waits. */
const makeover = useMakeover()
const rooms = useRows('room')
const { all, places, ask, said, problem } = useDeliveries()
type Line = Delivery & { readonly id: string }
/** A line keeps its id when it is arranged; what comes in further parts has ids of its own. */
const lines = computed((): Line[] =>
  all.value.map((met, at) => {
    const isFirst = all.value.findIndex(({ purchaseId }) => purchaseId === met.purchaseId) === at
    return { ...met, id: isFirst ? met.purchaseId : (met.row?.id ?? met.purchaseId) }
  }),
)
const columns: readonly Column<Line>[] = [
  { id: 'what', title: 'What', cell: ({ name }) => words(name) },
  { id: 'state', title: 'Is', cell: ({ state, isOverdue }) => words(isOverdue ? 'overdue' : state) },
  { id: 'on', title: 'Comes', cell: ({ comesOn }) => (comesOn ? { date: comesOn } : null) },
  { id: 'window', title: 'Between', cell: ({ row }) => words(row ? windowWords(row) : '') },
  { id: 'in', title: 'Lets it in', cell: ({ row }) => words(row?.letsIn ?? '') },
  { id: 'waits', title: 'Waits', cell: (line) => words(waitsAt(line)) },
  { id: 'needed', title: 'Needed', cell: ({ needed }) => (needed ? { date: needed.on } : null) },
]
const waitsAt = ({ row }: Line): string =>
  [rooms.value.find(({ id }) => id === row?.waitsInId)?.name, row?.waitsAt].filter(Boolean).join(', ')
const chosenId = ref<string | null>(null)
const chosen = computed(() => lines.value.find(({ id }) => id === chosenId.value) ?? null)
const isOpen = ref(false)
/** A further part of it is arranged. */
const isFurther = ref(false)
const form = computed(() =>
  chosen.value && makeover.opened
    ? (arrivalForm(chosen.value, rooms.value, makeover.opened.today) as unknown as AnyRowForm)
    : null,
)
function choose(id: string): void {
  chosenId.value = id
}
function arrange(further = false): void {
  isFurther.value = further
  void nextTick(() => (isOpen.value = true))
}
const m2 = (area: number): string => `${(Math.round(area * 10) / 10).toFixed(1)} m²`
</script>

<template>
  <div class="calendar">
    <div class="page-head">
      <h1>Deliveries</h1>
      <span class="page-acts"><CalendarWays /></span>
    </div>
    <StepRemarks step="calendar" />
    <p v-if="lines.length === 0" class="opening">
      Nothing is on its way: what is ordered in
      <router-link class="word" :to="{ name: 'purchases', params: $route.params }">Purchases</router-link> stands here
      until it has come.
    </p>
    <RowTable v-else name="deliveries" :lines="lines" :columns="columns" :chosen="chosenId" @choose="choose">
      <template #what="{ line }">
        {{ line.name }} <span class="quiet">{{ line.packs }} {{ line.packs === 1 ? 'pack' : 'packs' }}</span>
      </template>
      <template #state="{ line }">
        <span
          class="state-mark"
          :class="line.isOverdue ? 'late' : line.row ? line.state : 'unsaid'"
          aria-hidden="true"
        />
        {{ line.isOverdue ? 'overdue' : line.state }}<span v-if="line.row?.isSimulated" class="quiet">, simulated</span>
      </template>
      <template #on="{ line }">
        <span v-if="line.comesOn" :class="{ inverted: line.isLate }">{{ writeWeekdayDate(line.comesOn) }}</span>
        <span v-else class="quiet">nobody said</span>
      </template>
      <template #needed="{ line }">
        <template v-if="line.needed">{{ writeDate(line.needed.on) }}</template>
      </template>
    </RowTable>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-if="said" role="status">{{ said }}</p>
    <section v-if="places.length > 0" aria-labelledby="waits-title">
      <div class="section-head">
        <h2 id="waits-title">
          Where it waits <span class="quiet">on the fullest day, with a way left through it</span>
        </h2>
      </div>
      <ul class="said-list">
        <li v-for="place in places" :key="place.roomId">
          <strong>{{ place.room }}</strong>
          <span
            >{{ writeWeekdayDate(place.fullOn) }}:
            <span :class="{ inverted: place.takenM2 > place.freeM2 }">{{ m2(place.takenM2) }}</span> of
            {{ m2(place.freeM2) }}, {{ place.names.join(', ') }}</span
          >
        </li>
      </ul>
    </section>
    <Teleport defer to="#tag">
      <section class="tag" aria-label="Delivery">
        <span class="hole" aria-hidden="true" />
        <template v-if="chosen">
          <h2>{{ chosen.name }}</h2>
          <p class="quiet">{{ chosen.seller }}</p>
          <p v-if="chosen.row?.answer">
            “{{ chosen.row.answer }}”
            <span class="quiet"
              >{{ chosen.row.saidOn ? writeDate(chosen.row.saidOn) : ''
              }}{{ chosen.row.isSimulated ? ', simulated' : '' }}</span
            >
          </p>
          <div class="tag-actions">
            <el-button type="primary" @click="arrange()">{{
              chosen.row ? 'Change how it comes' : 'Arrange it'
            }}</el-button>
            <el-button v-if="chosen.row && chosen.packs > 1" @click="arrange(true)">A part of it apart</el-button>
          </div>
          <hr />
          <p class="quiet">
            Ask the stand-in for its carrier, which is simulated and asks nobody real. It answers as you wish:
          </p>
          <div class="tag-actions">
            <el-button v-for="behaviour in behaviours" :key="behaviour" @click="ask(chosen, behaviour)">{{
              behaviour
            }}</el-button>
          </div>
        </template>
        <template v-else>
          <h2>Take up a delivery</h2>
          <p class="quiet">Say when it comes, who lets it in, and where it waits.</p>
        </template>
      </section>
    </Teleport>
    <RowDialog
      v-if="form"
      :key="`${chosenId} ${isFurther}`"
      v-model="isOpen"
      :form="form"
      :row="isFurther ? null : (chosen?.row ?? null)"
      :width="620"
    />
  </div>
</template>

<style src="./calendar-page.css"></style>

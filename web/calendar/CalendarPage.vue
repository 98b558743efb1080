<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { piecesAway, type Planned } from '#core/calendar/index.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { useKeys } from '../frame/keys.ts'
import RowDialog from '../parts/RowDialog.vue'
import type { AnyRowForm } from '../parts/rowform.ts'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useCalendar } from './calendar.ts'
import CalendarFiles from './CalendarFiles.vue'
import CalendarWays from './CalendarWays.vue'
import ChanceCurve from './ChanceCurve.vue'
import DayList from './DayList.vue'
import HandsDrawing from './HandsDrawing.vue'
import PutOff from './PutOff.vue'
import { absenceForm, handForm, linkForm, taskForm } from './task-forms.ts'
import TaskTag from './TaskTag.vue'

/** What waits on whom, back from the install day: by hands, by day, with the chain, what slips, and how likely the day is. */
const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const calendar = useCalendar()
const { plan, today, selectedKey, selected, shifted, tried, odds, running, runs, problem } = calendar
const [rooms, pieces, pictures, hands, absences, tasks, links] = [
  useRows('room'),
  useRows('piece'),
  useRows('attachment'),
  useRows('hand'),
  useRows('absence'),
  useRows('task'),
  useRows('taskLink'),
]
/** A phone shows the days: the hands want a wide page. */
const isNarrow = useMediaQuery('(max-width: 640px)')
const isByDay = computed(() => route.query.by === 'day' || (isNarrow.value && route.query.by !== 'hands'))
const isByRoom = computed(() => route.query.by === 'room')
const show = (by: 'hands' | 'room' | 'day'): void => void router.replace({ query: { ...route.query, by } })
const leftOut = computed(() => tasks.value.filter((row) => row.leftOut))
const own = computed(() => tasks.value.filter((row) => row.key === '' && !row.leftOut))
const nameOf = (key: string): string => plan.value?.tasks.find((task) => task.key === key)?.name ?? key

type What = 'task' | 'said' | 'hand' | 'absence' | 'link'
const asked = ref<{ what: What; id: string | null }>({ what: 'task', id: null })
const isOpen = ref(false)
function open(what: What, id: string | null = null): void {
  asked.value = { what, id }
  void nextTick(() => (isOpen.value = true))
}
function note(key: string): void {
  selectedKey.value = key
  open('said')
}
const form = computed((): AnyRowForm | null => {
  const { what, id } = asked.value
  if (!today.value) return null
  const row = tasks.value.find((known) => known.id === id) ?? null
  if (what === 'task') return taskForm(rooms.value, pieces.value, pictures.value, null, row) as unknown as AnyRowForm
  if (what === 'hand') return handForm(makeover.currency) as unknown as AnyRowForm
  if (what === 'absence') return absenceForm(hands.value, today.value) as unknown as AnyRowForm
  if (!selected.value) return null
  return (what === 'said'
    ? taskForm(rooms.value, pieces.value, pictures.value, selected.value)
    : linkForm(plan.value?.tasks ?? [], selected.value)) as unknown as AnyRowForm
})
const row = computed(() => {
  const { what, id } = asked.value
  if (what === 'said') return selected.value ? calendar.rowOf(selected.value.key) : null
  const all =
    what === 'hand' ? hands.value : what === 'absence' ? absences.value : what === 'link' ? links.value : tasks.value
  return all.find((known) => known.id === id) ?? null
})

/** Rows by rooms: what has none is of all of it. */
const roomName = ({ roomId, trade }: Planned): string =>
  trade === 'seller' ? 'seller' : (rooms.value.find(({ id }) => id === roomId)?.name ?? 'all of it')
const away = computed(() => {
  const opened = makeover.opened?.makeover
  if (!opened || !plan.value) return []
  return piecesAway(opened, plan.value).map((met) => ({ ...met, name: opened.rows.piece[met.pieceId]?.name ?? '' }))
})

/** How far all is ready from the install day, in words. */
const far = computed(() => {
  const days = plan.value?.slackDays ?? null
  if (days === null) return ''
  if (days === 0) return 'the install day'
  const count = `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'}`
  return `${count} ${days < 0 ? 'after' : 'before'} the install day`
})

function arrow(event: KeyboardEvent): void {
  const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0
  const task = selected.value
  if (by === 0 || !task || task.is !== 'work' || task.isDone) return
  event.preventDefault()
  calendar.move(task.key, (calendar.held.value?.key === task.key ? calendar.held.value.days : 0) + by)
}
useKeys([
  { key: 'Escape', does: 'Let go of it', run: () => ((calendar.held.value = null), (selectedKey.value = '')) },
  { key: 'n', does: 'A task of your own', run: () => open('task') },
])
const heldSays = computed(() => {
  const hand = calendar.held.value
  if (!hand || hand.days === 0 || !tried.value) return ''
  const far = Math.abs(hand.days)
  return `${nameOf(hand.key)} ${far} ${far === 1 ? 'day' : 'days'} ${hand.days > 0 ? 'later' : 'earlier'}: ${shifted.value.length} move, all is ready on ${tried.value.readyOn ? writeDate(tried.value.readyOn) : '–'}.`
})
</script>

<template>
  <div class="calendar">
    <div class="page-head">
      <h1>Calendar</h1>
      <CalendarWays />
      <span class="page-acts">
        <button type="button" class="word" @click="open('task')">Add work</button>
        <button type="button" class="word" @click="open('hand')">Add a hand</button>
        <button type="button" class="word" @click="open('absence')">Days away</button>
      </span>
    </div>
    <StepRemarks step="calendar" />
    <p v-if="!plan || (plan.tasks.length === 0 && plan.circle.length === 0)" class="opening">
      No work yet: what is treated in
      <router-link class="word" :to="{ name: 'surfaces', params: route.params }">Surfaces</router-link>, and what is
      chosen in <router-link class="word" :to="{ name: 'pieces', params: route.params }">Pieces</router-link>, makes its
      own tasks here.
    </p>
    <template v-else>
      <div class="show">
        <button
          type="button"
          class="word"
          :class="{ here: !isByDay && !isByRoom }"
          :aria-pressed="!isByDay && !isByRoom"
          @click="show('hands')"
        >
          By hands
        </button>
        <button
          v-if="rooms.length > 1"
          type="button"
          class="word"
          :class="{ here: isByRoom }"
          :aria-pressed="isByRoom"
          @click="show('room')"
        >
          By room
        </button>
        <button type="button" class="word" :class="{ here: isByDay }" :aria-pressed="isByDay" @click="show('day')">
          By day
        </button>
        <span v-if="!isByDay" class="quiet legend"
          >heavy: nothing to spare · hatched: dries · ○ to order ● ordered, ┃ likely, grey early to late</span
        >
      </div>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      <p v-if="plan.readyOn" class="ready">
        All is ready on <strong>{{ writeDate(plan.readyOn) }}</strong><template v-if="far">, {{ far }}</template
        >.
        <span v-if="heldSays" role="status">{{ heldSays }}</span>
        <button v-if="heldSays" type="button" class="word" @click="calendar.put">Put it there</button>
      </p>
      <DayList v-if="isByDay" :calendar="calendar" @note="note" />
      <div v-else role="application" aria-label="Work: left and right move what is taken up by a day" @keydown="arrow">
        <HandsDrawing
          v-if="today"
          :plan="plan"
          :today="today"
          :selected-key="selectedKey"
          :shifted="shifted"
          :row-of="isByRoom ? roomName : null"
          @pick="selectedKey = $event"
          @move="calendar.move"
          @put="calendar.put"
        />
      </div>
      <p v-if="running !== null" class="quiet" role="status">
        Trying the plan: {{ running }} of {{ runs }} runs.
        <button type="button" class="word" @click="calendar.stop">Stop</button>
      </p>
      <ChanceCurve v-if="odds && today && !isByDay" :odds="odds" :plan="plan" :today="today" />
      <section v-if="away.length > 0" aria-labelledby="away-title">
        <div class="section-head"><h2 id="away-title">Away to be worked on</h2></div>
        <ul class="said-list">
          <li v-for="piece in away" :key="piece.key">
            {{ piece.name }}
            <span class="quiet"
              >from {{ writeDate(piece.from) }} to {{ writeDate(piece.until) }}; its place is empty meanwhile</span
            >
          </li>
        </ul>
      </section>
      <PutOff />
      <CalendarFiles :plan="plan" />
      <section
        v-if="hands.length + absences.length + leftOut.length + own.length + links.length > 0"
        aria-labelledby="said-of-it"
      >
        <div class="section-head"><h2 id="said-of-it">Said of the work</h2></div>
        <ul class="said-list">
          <li v-for="hand in hands" :key="hand.id">
            <button type="button" class="word" @click="open('hand', hand.id)">{{ hand.name }}</button>
            <span class="quiet">{{ hand.does }}; {{ hand.daysWorked }}</span>
          </li>
          <li v-for="absence in absences" :key="absence.id">
            <button type="button" class="word" @click="open('absence', absence.id)">
              {{ absence.name || 'Days away' }}
            </button>
            <span class="quiet">{{ writeDate(absence.fromOn) }} to {{ writeDate(absence.untilOn) }}</span>
          </li>
          <li v-for="task in own" :key="task.id">
            <button type="button" class="word" @click="open('task', task.id)">{{ task.name }}</button>
            <span class="quiet">your own task</span>
          </li>
          <li v-for="task in leftOut" :key="task.id">
            <button type="button" class="word" @click="open('task', task.id)">{{ task.name || task.key }}</button>
            <span class="quiet">not done here</span>
          </li>
          <li v-for="link in links" :key="link.id">
            <button type="button" class="word" @click="((selectedKey = link.taskKey), open('link', link.id))">
              {{ nameOf(link.taskKey) }}
            </button>
            <span class="quiet">waits for {{ nameOf(link.afterKey) }}</span>
          </li>
        </ul>
      </section>
    </template>
    <Teleport defer to="#tag">
      <section v-if="selected || !isNarrow" class="tag" aria-label="Task">
        <span class="hole" aria-hidden="true" />
        <TaskTag :calendar="calendar" @task="open('said')" @link="open('link')" />
      </section>
    </Teleport>
    <RowDialog
      v-if="form"
      :key="`${asked.what} ${asked.id} ${selectedKey}`"
      v-model="isOpen"
      :form="form"
      :row="row"
      :width="620"
    />
  </div>
</template>

<style src="./calendar-page.css"></style>

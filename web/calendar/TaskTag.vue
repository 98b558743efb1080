<script setup lang="ts">
import { computed } from 'vue'
import { dateAt, waitingFor } from '#core/calendar/index.ts'
import { byId } from '#core/makeover/by-id.ts'
import { writeDate, writeShortDate, writeWeekdayDate, type PlainDate } from '#core/measure/plain-date.ts'
import { days } from '#core/remarks/attention.ts'
import FilesOf from '../files/FilesOf.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import type { Calendar } from './calendar.ts'
import SlipLines from './SlipLines.vue'

/** What is taken up in the calendar: its days, what it waits for and what waits for it, and what it does when it slips. */
const { calendar } = defineProps<{ calendar: Calendar }>()
const emit = defineEmits<{ task: []; link: [] }>()
const { plan, selected: task, today } = calendar
const makeover = useMakeover()
const named = (key: string | null): string => plan.value?.tasks.find((known) => known.key === key)?.name ?? ''
const written = (on: PlainDate | null): string => (on === null ? '–' : writeWeekdayDate(on).replace(/ \d{4}$/, ''))
const dates = computed(() =>
  task.value?.pieceId ? (byId(makeover.reckoning?.dates, task.value.pieceId) ?? null) : null,
)
const order = computed(() => plan.value?.tasks.find(({ key }) => key === `order:${task.value?.pieceId ?? ''}`) ?? null)
const answer = computed(
  () => plan.value?.tasks.find(({ key }) => key === `answer:${task.value?.pieceId ?? ''}`) ?? null,
)
/** What was said of it has a row: then pictures hang on it. */
const said = computed(() => (task.value ? calendar.rowOf(task.value.key) : null))
const followers = computed(
  () => plan.value?.tasks.filter(({ after }) => after.some(({ key }) => key === task.value?.key)) ?? [],
)
const how = computed(() => {
  if (!task.value || task.value.is !== 'work') return ''
  const hours = Math.round(task.value.amount * 10) / 10
  return `${hours} h${task.value.because ? `, ${task.value.because}` : ''}`
})
/** How long one may wait for a sale, where it is not ordered yet. */
const waiting = computed(() => {
  const { opened } = makeover
  const pieceId = task.value?.pieceId ?? null
  if (!opened || pieceId === null || (task.value?.is !== 'lead' && task.value?.is !== 'order')) return null
  return dates.value?.toOrder ? waitingFor(opened.makeover, pieceId, dates.value.orderBy, opened.today) : null
})
const words = (names: readonly string[]): string =>
  names.length === 0
    ? 'nothing'
    : names.length > 4
      ? `${names.slice(0, 4).join(', ')} and ${names.length - 4} more`
      : names.join(', ')
</script>

<template>
  <template v-if="task">
    <h2>{{ task.name }}</h2>
    <dl class="pairs">
      <div>
        <dt>By</dt>
        <dd>{{ task.is === 'lead' ? 'its seller' : task.hand }}</dd>
      </div>
      <template v-if="task.is === 'lead'">
        <div v-if="answer">
          <dt>The client says yes</dt>
          <dd>by {{ written(dates?.decideBy ?? null) }}</dd>
        </div>
        <div v-if="order">
          <dt>Order by</dt>
          <dd>{{ written(dates?.orderBy ?? null) }}</dd>
        </div>
        <div>
          <dt>Likely here</dt>
          <dd>{{ written(dateAt(task.finish)) }}</dd>
        </div>
        <div v-if="dates?.needed">
          <dt>
            Needed <span class="quiet how">{{ dates.needed.name }}</span>
          </dt>
          <dd>{{ written(dates.needed.on) }}</dd>
        </div>
        <div v-if="dates?.slackDays !== null && dates?.slackDays !== undefined">
          <dt>To spare, with its buffer</dt>
          <dd :class="{ inverted: dates.slackDays < 0 }">{{ days(dates.slackDays) }}</dd>
        </div>
      </template>
      <template v-else>
        <div>
          <dt>
            Begins <span v-if="task.pinnedOn" class="quiet how">set to {{ writeShortDate(task.pinnedOn) }}</span>
          </dt>
          <dd>{{ written(task.startOn) }}</dd>
        </div>
        <div>
          <dt>
            Done <span class="quiet how">{{ how }}</span>
          </dt>
          <dd>{{ written(dateAt(task.finish)) }}</dd>
        </div>
        <div v-if="task.driesUntil !== null && task.is === 'work'">
          <dt>Dries until</dt>
          <dd>{{ written(dateAt(task.driesUntil)) }}</dd>
        </div>
        <div v-if="task.latestOn">
          <dt>May begin as late as</dt>
          <dd>{{ written(task.latestOn) }}</dd>
        </div>
        <div v-if="task.slackDays !== null && !task.isDone">
          <dt>To spare</dt>
          <dd :class="{ inverted: task.slackDays <= 0 }">{{ days(task.slackDays) }}</dd>
        </div>
      </template>
    </dl>
    <p v-if="task.waitsFor" class="quiet">It waits for {{ named(task.waitsFor) }}.</p>
    <p v-if="followers.length > 0" class="quiet">
      {{ words(followers.map(({ name }) => name)) }} {{ followers.length === 1 ? 'waits' : 'wait' }} for it.
    </p>
    <p v-if="waiting" class="quiet">
      Waiting for a sale costs no day until {{ writeWeekdayDate(waiting.until)
      }}<template v-if="waiting.seenOn"
        >; it was seen for <MoneyAmount :amount="waiting.saves" :currency="makeover.currency" /> less on
        {{ writeDate(waiting.seenOn) }}</template
      ><template v-else>; no lower price is noted so far</template>.
    </p>
    <SlipLines :calendar="calendar" />
    <template v-if="said">
      <p v-if="said.note">{{ said.note }}</p>
      <FilesOf :owner="{ taskId: said.id }" :name="task.name" pictures many />
    </template>
    <div class="tag-actions">
      <el-button v-if="task.is === 'work' && !task.isDone && today" @click="calendar.tick(task, today)"
        >Done today</el-button
      >
      <el-button v-if="task.isDone" @click="calendar.tick(task, null)">Not done after all</el-button>
      <el-button v-if="task.pinnedOn && !task.isDone" @click="calendar.pin(task, null)">When it can</el-button>
      <el-button v-if="task.is === 'work'" @click="emit('task')">Say more</el-button>
      <el-button v-if="task.is === 'work' && !said" @click="calendar.keep(task)">Photograph it</el-button>
      <el-button v-if="task.is === 'work'" @click="emit('link')">Waits for</el-button>
      <router-link v-if="task.pieceId" class="word" :to="{ name: 'pieces', query: { open: task.pieceId } }"
        >To the piece</router-link
      >
    </div>
  </template>
  <template v-else>
    <h2>Take up a task</h2>
    <p class="quiet">
      The work makes itself from what is treated, chosen and ordered. A bar is moved by hand or with the arrow keys:
      then it begins on that day. What is on its way is moved to the day its seller says.
    </p>
  </template>
</template>

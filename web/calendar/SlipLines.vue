<script setup lang="ts">
import { computed } from 'vue'
import { firstSights, floorOf as groundOf } from '#core/placement/index.ts'
import { fallBacks, wholes, zonesOf, type FallBack, type Whole } from '#core/calendar/index.ts'
import { roomsOf } from '#core/survey/index.ts'
import { writeDate, writeWeekdayDate } from '#core/measure/plain-date.ts'
import { days } from '#core/remarks/attention.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import type { Calendar } from './calendar.ts'

/** What it does when the task in hand slips: the day, the money, what stands whole all the same, and what can be done instead. */
const { calendar } = defineProps<{ calendar: Calendar }>()
const { plan, selected: task, slip, slipDays } = calendar
const makeover = useMakeover()
const words = (names: readonly string[]): string =>
  names.length === 0
    ? 'nothing'
    : names.length > 4
      ? `${names.slice(0, 4).join(', ')} and ${names.length - 4} more`
      : names.join(', ')
const moved = computed(
  () => slip.value?.moved.filter(({ task: met }) => met.key !== task.value?.key && met.is === 'work') ?? [],
)
/** Zones, and from each door what is seen first: what one would want finished whole. */
const all = computed((): Whole[] => {
  const { opened, reckoning } = makeover
  if (!opened || !reckoning) return []
  const { rules } = reckoning.practice
  const rooms = roomsOf(opened.makeover, rules)
  const sights = reckoning.placed.flatMap(({ roomId, bodies }): Whole[] => {
    const room = rooms.find(({ id }) => id === roomId)
    const setting = room && groundOf(room)?.setting
    if (!setting || bodies.length === 0) return []
    return firstSights(opened.makeover, setting, bodies, rules).map(({ door, things }) => ({
      name: `the sight from ${door.name}`,
      roomId,
      pieceIds: things
        .filter(({ rank }) => rank === 'first' || rank === 'competes')
        .flatMap(({ body }) => body.thing?.piece.id ?? []),
    }))
  })
  return [...zonesOf(opened.makeover).filter(({ pieceIds }) => pieceIds.length > 0), ...sights]
})
const stands = computed(() => (slip.value ? wholes(slip.value.schedule, all.value) : null))
const ways = computed((): readonly FallBack[] => {
  const { opened } = makeover
  const pieceId = task.value?.pieceId ?? null
  if (!opened || !slip.value || pieceId === null) return []
  return fallBacks(opened.makeover, slip.value.schedule, pieceId, opened.today)
})
const isLate = computed(() => {
  const installOn = plan.value?.installOn ?? null
  const readyOn = slip.value?.readyOn ?? null
  return installOn !== null && readyOn !== null && readyOn > installOn
})
</script>

<template>
  <template v-if="slip">
    <hr />
    <p class="slip">
      <label
        >If it slips
        <input v-model.number="slipDays" type="number" min="1" max="365" aria-label="Days it slips" />
        days</label
      >
    </p>
    <dl class="pairs">
      <div>
        <dt>All is ready</dt>
        <dd :class="{ inverted: isLate }">{{ slip.readyOn ? writeWeekdayDate(slip.readyOn) : '–' }}</dd>
      </div>
      <div>
        <dt>Moves with it</dt>
        <dd>{{ moved.length === 0 ? 'nothing' : `${moved.length} ${moved.length === 1 ? 'task' : 'tasks'}` }}</dd>
      </div>
      <div v-for="wait in slip.waits" :key="wait.hand">
        <dt>{{ wait.hand }} waits <span class="quiet how">was asked for a day</span></dt>
        <dd>
          {{ days(wait.days)
          }}<template v-if="wait.costs !== null"
            >, <MoneyAmount :amount="wait.costs" :currency="makeover.currency"
          /></template>
        </dd>
      </div>
    </dl>
    <p v-for="close in slip.closes" :key="`${close.is} ${close.name}`" class="quiet">
      {{ close.name }}: {{ close.is === 'return' ? 'can be sent back until' : 'goes back on' }}
      {{ writeDate(close.on) }}, before all is ready.
    </p>
    <p v-if="stands && isLate && all.length > 0" class="quiet">
      Whole on the install day all the same: {{ words(stands.whole.map(({ name }) => name)) }}. Not whole:
      {{ words(stands.broken.map(({ name }) => name)) }}.
    </p>
    <p v-else-if="slip.unready.length > 0" class="quiet">
      Not done by the install day: {{ words(slip.unready.map(({ name }) => name)) }}.
    </p>
    <template v-if="isLate && ways.length > 0">
      <h3>Instead</h3>
      <ul class="ways">
        <li v-for="(way, at) in ways" :key="at">
          <strong>{{ way.what }}</strong>: {{ way.words
          }}<template v-if="way.on">, {{ way.what === 'moved day' ? 'to' : 'on' }} {{ writeDate(way.on) }}</template
          ><span v-if="!way.inTime" class="quiet">, {{ way.on ? 'too late as well' : 'nobody said when' }}</span
          ><template v-if="way.more !== null && way.more !== 0"
            >, <MoneyAmount :amount="way.more" :currency="makeover.currency" />{{ ' '
            }}<span class="quiet">{{ way.more > 0 ? 'more' : 'against it' }}</span></template
          >
        </li>
      </ul>
    </template>
  </template>
</template>

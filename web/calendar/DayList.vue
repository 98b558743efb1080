<script setup lang="ts">
import { computed } from 'vue'
import { dateAt, type Planned } from '#core/calendar/index.ts'
import { addDays, writeWeekdayDate, type PlainDate } from '#core/measure/plain-date.ts'
import type { Calendar } from './calendar.ts'

/** Day by day, by hand: what begins, what goes on, what comes; ticked off here. */
const { calendar } = defineProps<{ calendar: Calendar }>()
const emit = defineEmits<{ note: [key: string] }>()
const { plan, today } = calendar
type Line = { readonly task: Planned; readonly says: string }
/** By hand, who begins first first; what needs no hand of ours comes after the work. */
function inHands(lines: readonly Line[]): Line[] {
  const begins = new Map<string, number>()
  for (const { task } of lines) {
    const start = task.is === 'work' ? task.start : Infinity
    begins.set(task.hand, Math.min(begins.get(task.hand) ?? Infinity, start))
  }
  const rank = ({ task }: Line): number => begins.get(task.hand) ?? Infinity
  return lines.toSorted((left, right) =>
    left.task.hand !== right.task.hand
      ? rank(left) === rank(right)
        ? left.task.hand.localeCompare(right.task.hand)
        : rank(left) - rank(right)
      : left.task.start - right.task.start,
  )
}
const list = computed(() => {
  const byDay = new Map<PlainDate, Line[]>()
  const put = (on: PlainDate, entry: Line): void => void byDay.set(on, [...(byDay.get(on) ?? []), entry])
  for (const task of plan.value?.tasks ?? []) {
    if (task.is === 'lead') put(dateAt(task.finish), { task, says: 'comes' })
    else if (task.is === 'order') put(task.startOn, { task, says: 'at the earliest' })
    else if (task.is === 'answer') put(task.startOn, { task, says: 'is waited for' })
    else {
      put(task.startOn, {
        task,
        says: task.finishOn === task.startOn ? '' : `until ${writeWeekdayDate(task.finishOn)}`,
      })
      for (let on = addDays(task.startOn, 1), step = 0; on <= task.finishOn && step < 60; on = addDays(on, 1), step++)
        put(on, { task, says: on === task.finishOn ? 'is done' : 'goes on' })
    }
  }
  const first = today.value
  return [...byDay]
    .filter(([on]) => first === null || on >= first)
    .sort(([left], [right]) => (left < right ? -1 : 1))
    .map(([on, lines]) => ({
      on,
      says: on === first ? 'today' : first !== null && on === addDays(first, 1) ? 'tomorrow' : '',
      isNear: first !== null && on <= addDays(first, 1),
      lines: inHands(lines),
    }))
})
</script>

<template>
  <div class="days">
    <section v-for="day in list" :key="day.on" :aria-label="writeWeekdayDate(day.on)">
      <h2>
        {{ writeWeekdayDate(day.on) }} <span v-if="day.says" class="quiet">{{ day.says }}</span>
      </h2>
      <ul>
        <li v-for="{ task, says } in day.lines" :key="task.key" :class="{ 'is-done': task.isDone }">
          <input
            v-if="task.is === 'work'"
            type="checkbox"
            :checked="task.isDone"
            :aria-label="`${task.name}: done`"
            @change="today && calendar.tick(task, task.isDone ? null : today)"
          />
          <span v-else class="no-box" aria-hidden="true">{{ task.is === 'lead' ? '│' : '○' }}</span>
          <button type="button" class="word" @click="calendar.selectedKey.value = task.key">{{ task.name }}</button>
          <span class="quiet">{{ task.hand }}{{ says === '' ? '' : `, ${says}` }}</span>
          <button
            v-if="task.is === 'work' && day.isNear"
            type="button"
            class="word"
            :aria-label="`Note or photograph ${task.name}`"
            @click="emit('note', task.key)"
          >
            Note
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

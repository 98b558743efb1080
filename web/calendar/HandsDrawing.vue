<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import {
  dateAt,
  dateOf,
  dayMinutes,
  dayOf,
  endOfDay,
  startOfDay,
  type Planned,
  type Schedule,
} from '#core/calendar/index.ts'
import { writeShortDate, type PlainDate } from '#core/measure/plain-date.ts'
import { useGrip } from '../parts/grip.ts'
import { handRows, shortName, type Bar } from './lanes.ts'
import { endsOf, timeScale } from './time-scale.ts'

/** The work by hands: what each does when, what dries meanwhile, what is on its way, and the chain that all waits for. */
const {
  plan,
  today,
  selectedKey,
  shifted,
  rowOf = null,
} = defineProps<{
  plan: Schedule
  today: PlainDate
  selectedKey: string
  /** Where what is in the hand would bring things. */
  shifted: readonly Planned[]
  /** The row a task stands in, where it is not that of its hand. */
  rowOf?: ((task: Planned) => string) | null
}>()
const emit = defineEmits<{ pick: [key: string]; move: [key: string, days: number]; put: [] }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const [topPx, lanePx, padPx] = [34, 24, 10]

const ends = computed(() => endsOf(plan, today))
const at = computed(() => timeScale(ends.value, width.value))
const isOneRoom = computed(() => new Set(plan.tasks.flatMap(({ roomId }) => roomId ?? [])).size === 1)
const rows = computed(() => {
  let y = topPx
  return handRows(plan.tasks, at.value, width.value - 4, isOneRoom.value, rowOf ?? undefined).map((row) => {
    const own = { ...row, y, height: row.lanes * lanePx + 2 * padPx }
    y += own.height
    return own
  })
})
const height = computed(() => (rows.value.at(-1)?.y ?? topPx) + (rows.value.at(-1)?.height ?? 0) + 4)
const yOf = (row: { y: number }, bar: Pick<Bar, 'lane'>): number => row.y + padPx + bar.lane * lanePx
const days = computed(() => {
  const [first, last] = [dayOf(ends.value[0]), dayOf(ends.value[1])]
  return Array.from({ length: Math.max(0, last - first) }, (_, step) => first + step)
})
/** 1970-01-01 was a Thursday: Mondays are marked, Saturdays and Sundays shaded. */
const weekends = computed(() => days.value.filter((day) => (day + 3) % 7 === 5))
const mondays = computed(() => {
  const all = days.value.filter((day) => (day + 3) % 7 === 0)
  const every = Math.max(1, Math.ceil((all.length * 52) / Math.max(1, width.value - 130)))
  return all.filter((_, index) => index % every === 0)
})
const dayX = (day: number): number => at.value(day * dayMinutes)
const todayX = computed(() => at.value(startOfDay(today) + dayMinutes / 2))
const installX = computed(() => (plan.installOn === null ? null : at.value(endOfDay(plan.installOn))))
const ranges = computed(() => new Map(plan.net.tasks.map(({ id, range }) => [id, range])))
const bandOf = ({ key, start }: Planned) => {
  const range = ranges.value.get(key)
  return range
    ? { x: at.value(start + range.least), width: at.value(start + range.most) - at.value(start + range.least) }
    : null
}
/** Middle heights of the tasks of the chain, and the line through them. */
const middles = computed(
  () => new Map(rows.value.flatMap((row) => row.bars.map((bar) => [bar.task.key, yOf(row, bar) + 9] as const))),
)
const chain = computed(() => {
  const steps = plan.chain.flatMap((key) => {
    const task = plan.tasks.find((known) => known.key === key)
    const y = middles.value.get(key)
    return task && y !== undefined ? [{ start: at.value(task.start), finish: at.value(task.finish), y }] : []
  })
  // down or up where one ends, then along to where the next begins: it waits there
  return steps
    .map(({ start, finish, y }, index) =>
      index === 0 ? `M${start} ${y} H${finish}` : `V${y} H${Math.max(start, finish)}`,
    )
    .join(' ')
})
const ghosts = computed(() =>
  shifted.flatMap((task) => {
    const y = middles.value.get(task.key)
    return y === undefined
      ? []
      : [
          {
            key: task.key,
            x: at.value(task.start),
            width: Math.max(5, at.value(task.finish) - at.value(task.start)),
            y: y - 9,
          },
        ]
  }),
)
const isOrdered = ({ key }: Planned): boolean => !plan.tasks.some((task) => task.key === key.replace('lead:', 'order:'))
const saidOf = (task: Planned): string =>
  `${task.name}, ${task.hand}, ${writeShortDate(task.startOn)} to ${writeShortDate(dateAt(task.finish))}${task.isDone ? ', done' : ''}`

let pulled = 0
const { take, letGo } = useGrip({
  pick: (key) => {
    pulled = 0
    emit('pick', key)
  },
  move: (key, dx) => {
    pulled += dx
    emit('move', key, Math.round(pulled / (at.value(dayMinutes) - at.value(0))))
  },
  put: () => emit('put'),
})
const isMoved = (task: Planned): boolean =>
  !task.isDone && (task.is === 'work' || (task.is === 'lead' && isOrdered(task)))
</script>

<template>
  <div ref="box" class="hands">
    <svg
      v-if="width > 0"
      :width="width"
      :height="height"
      role="group"
      aria-label="The work by hands"
      @click.self="letGo"
    >
      <defs>
        <pattern id="drying" width="7" height="7" patternTransform="rotate(-35)" patternUnits="userSpaceOnUse">
          <rect width="7" height="7" fill="#fff" />
          <line x1="0" y1="0" x2="0" y2="7" stroke="#8a8a8a" stroke-width="2" />
        </pattern>
      </defs>
      <rect
        v-for="day in weekends"
        :key="`w${day}`"
        class="weekend"
        :x="dayX(day)"
        :y="topPx"
        :width="Math.max(1, dayX(day + 2) - dayX(day))"
        :height="height - topPx"
      />
      <g v-for="day in mondays" :key="`m${day}`" class="week">
        <line :x1="dayX(day)" :x2="dayX(day)" :y1="topPx" :y2="height" />
        <text :x="dayX(day)" :y="14">{{ writeShortDate(dateOf(day)) }}</text>
      </g>
      <g v-for="row in rows" :key="row.hand">
        <line class="between" :x1="0" :x2="width" :y1="row.y" :y2="row.y" />
        <text class="hand" x="0" :y="row.y + padPx + 13">{{ row.hand === 'seller' ? 'sellers' : row.hand }}</text>
      </g>
      <line class="today" :x1="todayX" :x2="todayX" :y1="topPx - 6" :y2="height" />
      <text class="strong" :x="todayX + 4" :y="topPx - 5">today</text>
      <template v-if="installX !== null">
        <line class="install" :x1="installX" :x2="installX" :y1="topPx - 6" :y2="height" />
        <text class="strong end" :x="installX - 4" :y="topPx - 5">install</text>
      </template>
      <path class="chain" :d="chain" />
      <g v-for="row in rows" :key="`bars ${row.hand}`">
        <g
          v-for="bar in row.bars"
          :key="bar.task.key"
          class="bar"
          :class="{
            done: bar.task.isDone,
            tight: bar.task.slackDays !== null && bar.task.slackDays <= 0 && !bar.task.isDone,
            taken: bar.task.key === selectedKey,
            fixed: !isMoved(bar.task),
          }"
          tabindex="0"
          role="button"
          :aria-label="saidOf(bar.task)"
          :aria-pressed="bar.task.key === selectedKey"
          @focus="emit('pick', bar.task.key)"
          @pointerdown="isMoved(bar.task) ? take(bar.task.key, $event) : emit('pick', bar.task.key)"
        >
          <template v-if="bar.task.is === 'lead'">
            <rect
              v-if="bandOf(bar.task)"
              class="band"
              :x="bandOf(bar.task)?.x"
              :y="yOf(row, bar) + 6"
              :width="bandOf(bar.task)?.width"
              height="6"
            />
            <line class="way" :x1="bar.x" :x2="bar.x + bar.width" :y1="yOf(row, bar) + 9" :y2="yOf(row, bar) + 9" />
            <circle :cx="bar.x" :cy="yOf(row, bar) + 9" r="4.5" :class="{ ordered: isOrdered(bar.task) }" />
            <line
              class="likely"
              :x1="bar.x + bar.width"
              :x2="bar.x + bar.width"
              :y1="yOf(row, bar) + 2"
              :y2="yOf(row, bar) + 16"
            />
            <rect class="reach" :x="bar.x - 5" :y="yOf(row, bar)" :width="bar.width + 10" height="18" />
          </template>
          <template v-else>
            <rect
              v-if="bar.dries > 0"
              class="dries"
              :x="bar.x + bar.width"
              :y="yOf(row, bar)"
              :width="bar.dries"
              height="18"
            />
            <rect class="body" :x="bar.x" :y="yOf(row, bar)" :width="bar.width" height="18" />
          </template>
          <text
            :x="bar.label.x"
            :y="yOf(row, bar) + 13"
            :class="{ end: bar.label.anchor === 'end', inside: bar.label.isInside }"
          >
            {{ shortName(bar.task, isOneRoom) }}
          </text>
        </g>
      </g>
      <rect
        v-for="ghost in ghosts"
        :key="`g${ghost.key}`"
        class="ghost"
        :x="ghost.x"
        :y="ghost.y"
        :width="ghost.width"
        height="18"
      />
    </svg>
  </div>
</template>

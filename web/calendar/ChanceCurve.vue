<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { curveStepAfter, line, scaleLinear } from 'd3'
import { computed, useTemplateRef } from 'vue'
import { dayMinutes, dayOf, type Odds, type Schedule } from '#core/calendar/index.ts'
import { writeDate, writeShortDate, type PlainDate } from '#core/measure/plain-date.ts'
import { endsOf, timeScale } from './time-scale.ts'

/** How likely it is that all is ready by a day: by many runs, and what most threatens the install day. */
const { odds, plan, today } = defineProps<{ odds: Odds; plan: Schedule; today: PlainDate }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const high = 90
const days = computed(() => odds.byDay.map(({ on }) => dayOf(on)))
const installDay = computed(() => (plan.installOn === null ? null : dayOf(plan.installOn)))
const at = computed(() => timeScale(endsOf(plan, today), width.value))
/** A day lies where its work ends. */
const x = (day: number): number => Math.min(width.value - 2, at.value(day * dayMinutes + 17 * 60))
const y = scaleLinear().domain([0, 1]).range([high, 8])
const path = computed(
  () =>
    line<{ day: number; chance: number }>()
      .x(({ day }) => x(day))
      .y(({ chance }) => y(chance))
      .curve(curveStepAfter)([
      { day: (days.value[0] ?? 0) - 1, chance: 0 },
      ...odds.byDay.map(({ chance }, at) => ({ day: days.value[at] ?? 0, chance })),
      { day: (days.value.at(-1) ?? 0) + 3, chance: odds.byDay.at(-1)?.chance ?? 0 },
    ]) ?? '',
)
const ofHundred = (share: number): string => `${Math.floor(share * 100)} of 100`
const nameOf = (key: string): string => plan.tasks.find((task) => task.key === key)?.name ?? key
const even = computed(() => odds.byDay.find(({ chance }) => chance >= 0.5) ?? null)
const threats = computed(() => odds.threats.slice(0, 4))
</script>

<template>
  <section ref="box" aria-labelledby="ready-by">
    <div class="section-head">
      <h2 id="ready-by">
        Ready by <span class="quiet">chance by day, {{ odds.runs }} runs</span>
      </h2>
    </div>
    <svg
      v-if="width > 0"
      class="odds"
      :width="width"
      :height="high + 26"
      role="img"
      :aria-label="even ? `Even odds by ${writeDate(even.on)}` : 'Chances'"
    >
      <line class="foot" x1="130" :x2="width - 2" :y1="high" :y2="high" />
      <line v-if="installDay !== null" class="install" :x1="x(installDay)" :x2="x(installDay)" y1="2" :y2="high" />
      <path class="curve" :d="path" />
      <text v-if="even" :x="x(dayOf(even.on))" :y="high + 18" class="middle">{{ writeShortDate(even.on) }}</text>
      <text v-if="plan.installOn && installDay !== null" :x="x(installDay)" :y="high + 18" class="middle strong">
        {{ writeShortDate(plan.installOn) }}
      </text>
      <text x="0" :y="high">none</text>
      <text x="0" y="14">all</text>
    </svg>
    <p v-if="odds.simulated !== null && plan.installOn">
      <strong>{{ ofHundred(odds.simulated) }}</strong> by the install day, {{ writeDate(plan.installOn) }}.
      <span class="quiet"
        >By the classic formula, which adds up the one chain alone, {{ ofHundred(odds.classic ?? 0) }}. Durations are
        beta distributions with λ = 4; where nobody gave a range, the shares of the rulebook stand.</span
      >
    </p>
    <p v-if="threats.length > 0" class="quiet">
      What most threatens it, and how often all waits for it:
      {{ threats.map(({ key, share }) => `${nameOf(key)} (${ofHundred(share)})`).join(', ') }}.
    </p>
  </section>
</template>

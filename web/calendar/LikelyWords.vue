<script setup lang="ts">
import { toRaw, shallowRef, watch } from 'vue'
import { chanceWords, oddsOf, type Odds, type SumOdds } from '#core/calendar/index.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import type { Minor } from '#core/money/minor.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import { far, runs } from './far.ts'

/** How likely it is that the day holds, and that the sum holds: in words, with both ways of reckoning it. */
const makeover = useMakeover()
const odds = shallowRef<Odds | null>(null)
const sum = shallowRef<SumOdds | null>(null)
/** Only what was asked last is told. */
let asked = 0
watch(
  () => makeover.reckoning,
  async (reckoning) => {
    const mine = ++asked
    const opened = makeover.opened
    if (!reckoning || !opened) return
    const { schedule, money, practice } = reckoning
    const { pieces, total, agreement } = money
    const found = await far().sum(
      toRaw(opened.makeover),
      toRaw({ pieces, total, agreement }),
      toRaw(practice.rules),
      runs,
    )
    // a day has fewer runs here: the calendar has them all
    const likely =
      schedule.installOn === null
        ? null
        : oddsOf(schedule.net, schedule.chain, schedule.installOn, { runs: 1000, seed: 1 })
    if (mine !== asked) return
    sum.value = found
    odds.value = likely
  },
  { immediate: true },
)
const ofHundred = (share: number): string => `${Math.floor(share * 100)} of 100`
</script>

<template>
  <section v-if="sum || (odds && odds.simulated !== null)" class="likely" aria-label="How likely">
    <hr />
    <p v-if="odds && odds.simulated !== null && makeover.line?.installOn">
      Ready by {{ writeDate(makeover.line.installOn) }}: <strong>{{ chanceWords(odds.simulated) }}</strong>,
      {{ ofHundred(odds.simulated) }} runs.
      <span class="quiet">{{ ofHundred(odds.classic ?? 0) }} by the classic formula.</span>
    </p>
    <p v-if="sum">
      Within the agreed sum: <strong>{{ chanceWords(sum.simulated) }}</strong>, {{ ofHundred(sum.simulated) }} runs.
      <span class="quiet">{{ ofHundred(sum.classic) }} by the classic formula.</span>
    </p>
    <p v-if="sum" class="quiet">
      <template v-if="sum.open.length === 0">All that is wanted has a firm price.</template>
      <template v-else>
        {{ sum.open.length === 1 ? 'One thing has' : `${sum.open.length} things have` }} no firm price yet:
        {{
          sum.open
            .slice(0, 3)
            .map(({ name, because }) => `${name} (${because})`)
            .join(', ')
        }}{{ sum.open.length > 3 ? ` and ${sum.open.length - 3} more` : '' }}. Four of five runs stay within
        <MoneyAmount :amount="Math.round(sum.fourOfFive) as Minor" :currency="makeover.currency" />.
      </template>
      <template v-if="sum.unpriced.length > 0">
        {{ sum.unpriced.join(', ') }}: no price and no allowance, so in no sum.
      </template>
    </p>
  </section>
</template>

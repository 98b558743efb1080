<script setup lang="ts">
import { computed } from 'vue'
import { writeLength } from '#core/measure/length.ts'
import { keyOfWay } from '#core/placement/index.ts'
import RemarkMark from '../parts/RemarkMark.vue'
import { useEntry } from '../stores/entry.ts'
import CureLine from './CureLine.vue'
import type { Curing } from './curing.ts'
import type { OnThePlan } from './on-the-plan.ts'

/** The main ways of the room, each with how wide it is; the least move that widens one that is too narrow. */
const { plan, curing } = defineProps<{ plan: OnThePlan; curing: Curing }>()
const entry = useEntry()
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const wanted = computed(() => plan.rules.value['place.way-main'])
const ways = computed(() =>
  plan.ways.value.map((way) => ({
    way,
    key: keyOfWay(way),
    isNarrow: !way.isWide && way.clearMm < wanted.value - 1,
    isShut: way.clearMm < plan.rules.value['place.way-blocked'],
    // what is to be moved for it: none where two walls are what it is narrow between
    movable: (way.narrowest?.between ?? []).some((body) => body?.thing),
  })),
)
</script>

<template>
  <template v-if="ways.length > 0">
    <hr />
    <h3>Ways</h3>
    <p v-for="{ way, key, isNarrow, isShut, movable } in ways" :key="key">
      <RemarkMark v-if="isNarrow" :weight="isShut ? 'stop' : 'look'" />
      {{ way.from.name }} to {{ way.to.name }}:
      <strong>{{
        isNarrow ? (way.clearMm > 0 ? `${length(way.clearMm)} clear` : 'shut') : `${length(wanted)} or more`
      }}</strong>.
      <CureLine
        v-if="isNarrow && movable"
        :curing="curing"
        :wrong="key"
        :reach-mm="plan.rules.value['cure.reach']"
        does="widens"
        @look="curing.widen(way)"
      />
    </p>
  </template>
</template>

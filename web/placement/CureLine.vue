<script setup lang="ts">
import { writeLength } from '#core/measure/length.ts'
import { useEntry } from '../stores/entry.ts'
import type { Curing } from './curing.ts'

/** The least move that cures what is wrong: looked for when it is asked for, shown on the plan, then made or left. */
const { curing, wrong, reachMm, does } = defineProps<{
  curing: Curing
  /** The key of what is wrong. */
  wrong: string
  reachMm: number
  /** What the move does to it: "cures", "widens". */
  does: string
}>()
const emit = defineEmits<{ look: [] }>()
const { looking, incurable, found, words } = curing
const entry = useEntry()
</script>

<template>
  <span v-if="looking === wrong" class="quiet" role="status">Looking for the least move …</span>
  <span v-else-if="incurable.has(wrong)" class="quiet"
    >No move of one thing or two within {{ writeLength(reachMm, entry.units) }} {{ does }} it.</span
  >
  <span v-else-if="found?.key === wrong" class="cure"
    >Move {{ words }}: dashed on the plan. <button type="button" class="word" @click="curing.take">Move it</button
    >{{ ' ' }} <button type="button" class="word" @click="curing.leave">Leave it</button></span
  >
  <button v-else type="button" class="word" @click="emit('look')">The least move that {{ does }} it</button>
</template>

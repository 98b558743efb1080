<script setup lang="ts">
import { computed } from 'vue'
import { writeLength } from '#core/measure/length.ts'
import type { Room } from '#core/survey/index.ts'
import { useEntry } from '../stores/entry.ts'

/** The head of the survey: the rooms to turn to, and how well the one in hand closes. */
const { room, closing, rooms } = defineProps<{
  room: Room
  closing: Room['closing'] | undefined
  rooms: readonly Room[]
}>()
const emit = defineEmits<{ turn: [roomId: string]; working: []; add: [] }>()
const entry = useEntry()
const closes = computed(() => {
  if (closing?.state !== 'closed') return ''
  // a millimetre is what the tape reads to: less is none
  if (closing.misclosure && closing.misclosure.mm < 1) return 'closes'
  if (closing.misclosure)
    return `misses its start by ${writeLength(Math.round(closing.misclosure.mm), entry.value.units)}${closing.misclosure.oneIn ? `, 1 : ${closing.misclosure.oneIn}` : ''}`
  return closing.freedom === 0 ? 'nothing checks it' : 'closed over its diagonals'
})
</script>

<template>
  <div class="page-head">
    <h1>Survey</h1>
    <span class="rooms">
      <button
        v-for="place in rooms"
        :key="place.id"
        type="button"
        class="word"
        :class="{ here: place.id === room.id }"
        :aria-pressed="place.id === room.id"
        @click="emit('turn', place.id)"
      >
        {{ place.name }}
      </button>
    </span>
    <span v-if="closes" class="quiet"
      >{{ closes }} <button type="button" class="word" @click="emit('working')">How it closes</button></span
    >
    <span class="end"><button type="button" class="word" @click="emit('add')">Another room</button></span>
  </div>
</template>

<script setup lang="ts">
import { optionsOf, useRows } from '../stores/rows.ts'
import { asOptions } from '../parts/rowform.ts'
import FilterChoice from '../parts/FilterChoice.vue'
import type { LookedAt } from './looked-at.ts'

/** What the tray shows, chosen by room, zone and family. `all`: how many finishes there are. */
const { lookedAt, all } = defineProps<{ lookedAt: LookedAt; all: number }>()
const rooms = useRows('room')
const { family, roomId, zoneId, zonesHere, familiesHere, shown, filtered, clear } = lookedAt
</script>

<template>
  <div class="filters" role="group" aria-label="What the tray shows">
    <FilterChoice v-if="rooms.length > 1" v-model="roomId" label="Room" none="all rooms" :options="optionsOf(rooms)" />
    <FilterChoice
      v-if="zonesHere.length > 0"
      v-model="zoneId"
      label="Zone"
      none="all zones"
      :options="optionsOf(zonesHere)"
    />
    <FilterChoice v-model="family" label="Family" none="all families" :options="asOptions(familiesHere)" />
    <span v-if="filtered" class="quiet"
      >{{ shown.length }} of {{ all }} shown <button type="button" class="word" @click="clear">all</button></span
    >
    <slot />
  </div>
</template>

<script setup lang="ts">
import PageWays from '../parts/PageWays.vue'

/** From one page of the calendar to another. */
const ways = [
  ['calendar', 'The work'],
  ['deliveries', 'Deliveries'],
  ['install-day', 'Install day'],
] as const
</script>

<template><PageWays :ways="ways" /></template>

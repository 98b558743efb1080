<script setup lang="ts">
import PageWays from '../parts/PageWays.vue'

/** From one page of the surfaces to another. */
const ways = [
  ['surfaces', 'Walls, floor, ceiling'],
  ['windows', 'Windows'],
  ['made-things', 'Sewn, framed, made'],
] as const
</script>

<template><PageWays :ways="ways" /></template>

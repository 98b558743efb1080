<script setup lang="ts">
import PageWays from '../parts/PageWays.vue'

/** From one page of the reveal to another. */
const ways = [
  ['client', 'The client’s side'],
  ['reveal', 'The reveal'],
] as const
</script>

<template><PageWays :ways="ways" /></template>

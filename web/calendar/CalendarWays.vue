<script setup lang="ts">
/** From one page of the calendar to another. */
const ways = [
  ['calendar', 'The work'],
  ['deliveries', 'Deliveries'],
  ['install-day', 'Install day'],
] as const
</script>

<template>
  <span class="page-ways"
    ><router-link
      v-for="[name, words] in ways"
      :key="name"
      class="word"
      :to="{ name, params: { id: $route.params.id } }"
      :aria-current="$route.name === name ? 'page' : undefined"
      :class="{ here: $route.name === name }"
      >{{ words }}</router-link
    ></span
  >
</template>

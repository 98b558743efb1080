<script setup lang="ts">
/** From one page of a step to another. */
const { ways } = defineProps<{ ways: readonly (readonly [name: string, words: string])[] }>()
</script>

<template>
  <span class="page-ways"
    ><router-link
      v-for="[name, words] in ways"
      :key="name"
      class="word"
      :to="{ name, params: { id: $route.params.id }, query: $route.query.room ? { room: $route.query.room } : {} }"
      :aria-current="$route.name === name ? 'page' : undefined"
      :class="{ here: $route.name === name }"
      >{{ words }}</router-link
    ></span
  >
</template>

<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import type { Room } from '#core/survey/index.ts'

/** The head of a page of the placement: what it is, of which room, and the pages beside it. */
const { title, rooms, room } = defineProps<{ title: string; rooms: readonly Room[]; room: Room | null }>()
const route = useRoute()
const router = useRouter()
const pages = { placement: 'On the floor', walls: 'On the walls', light: 'By what light', shelves: 'On shelves' }
</script>

<template>
  <div class="page-head">
    <h1>{{ title }}</h1>
    <template v-if="rooms.length > 1"
      ><button
        v-for="known in rooms"
        :key="known.id"
        type="button"
        class="word"
        :class="{ here: known.id === room?.id }"
        :aria-pressed="known.id === room?.id"
        @click="router.replace({ query: { room: known.id } })"
      >
        {{ known.name }}
      </button></template
    >
    <span class="quiet"><slot /></span>
    <span class="end"
      ><template v-for="(words, name) in pages" :key="name"
        ><router-link
          v-if="route.name !== name"
          class="word"
          :to="{ name, params: route.params, query: room ? { room: room.id } : {} }"
          >{{ words }}</router-link
        ></template
      ><slot name="end"
    /></span>
  </div>
</template>

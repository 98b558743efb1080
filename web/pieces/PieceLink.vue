<script setup lang="ts">
import type { Row } from '#core/makeover/kinds.ts'

/** A piece in a list: the way to its page, and the needs it serves. */
const { piece, serves } = defineProps<{ piece: Row<'piece'>; serves: string }>()
</script>

<template>
  <router-link
    class="piece-link"
    :to="{ name: 'piece', params: { id: $route.params.id, pieceId: piece.id } }"
    @click.stop
    ><strong>{{ piece.name }}</strong></router-link
  >{{ ' ' }}
  <span class="quiet for">{{ serves }}</span>
</template>

<style scoped>
.piece-link {
  text-decoration: none;
}
tr:hover .piece-link {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.for {
  display: block;
  font-size: 12px;
  line-height: 16px;
}
</style>

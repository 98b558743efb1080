<script setup lang="ts">
import { computed } from 'vue'
import type { ThingKind } from '#core/makeover/choices.ts'
import { asksOf } from '#core/pieces/index.ts'

/** What to look for in a thing of its kind, while one stands before it. */
const { thing } = defineProps<{ thing: ThingKind }>()
const lines = computed(() => asksOf[thing].lookFor)
</script>

<template>
  <div v-if="lines.length > 0" class="look-for quiet">
    <strong>Look for</strong>
    <ul>
      <li v-for="what in lines" :key="what">{{ what }}</li>
    </ul>
  </div>
</template>

<style>
.look-for {
  margin: 6px 0 10px;
  font-size: 13px;
}
.look-for ul {
  margin: 2px 0 0;
  padding-left: 0;
}
</style>

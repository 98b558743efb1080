<script setup lang="ts">
/** How far a search for the shortest cloth has come, and its stop. */
const { share } = defineProps<{ share: number }>()
const emit = defineEmits<{ stop: [] }>()
</script>

<template>
  <p class="how-far">
    <progress :value="share" max="1" aria-label="Laying the panels" />
    <button type="button" class="word" @click="emit('stop')">Stop</button>
  </p>
</template>

<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { fetched, Refusal } from './guest.ts'

/** A picture that was sent with an answer. */
const { sha } = defineProps<{ sha: string }>()
const address = ref('')
fetched(`/pictures/${sha}`)
  .then((found) => (address.value = found))
  .catch((error: unknown) => {
    if (!(error instanceof Refusal)) throw error
  })
onBeforeUnmount(() => URL.revokeObjectURL(address.value))
</script>

<template>
  <img v-if="address" :src="address" alt="A picture sent with this answer" class="kept" />
</template>

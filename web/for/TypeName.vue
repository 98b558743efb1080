<script setup lang="ts">
import { ref } from 'vue'

/** A name typed as a signature, under words and figures that bear a digest. `put` answers with what went wrong, or nothing. */
const { button, digest, put } = defineProps<{
  button: string
  digest: string
  put: (name: string) => Promise<string>
}>()
const name = ref('')
const problem = ref('')
const isBusy = ref(false)
async function sign(): Promise<void> {
  if (isBusy.value) return
  problem.value = ''
  if (name.value.trim() === '') {
    problem.value = 'Type your name as you sign it.'
    return
  }
  isBusy.value = true
  try {
    problem.value = await put(name.value)
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <form @submit.prevent="sign">
    <label>Your name, as your signature <input v-model="name" autocomplete="name" maxlength="120" /></label>
    <button type="submit" :disabled="isBusy">{{ button }}</button>
  </form>
  <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
  <p class="quiet digest">
    These words and figures bear the digest {{ digest.slice(0, 16) }}…, which is kept with your signature.
  </p>
</template>

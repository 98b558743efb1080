<script setup lang="ts">
import { computed, ref } from 'vue'
import { copyOf } from '../away/away.ts'
import { useMakeover } from '../stores/makeover.ts'
import WaitingDialog from './WaitingDialog.vue'

/** What is saved and what waits, always in sight; opens to what waits. */
const makeover = useMakeover()
const open = ref(false)
const clock = (at: Date): string => at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
const changes = (count: number): string => `${count} ${count === 1 ? 'change' : 'changes'}`
const going = computed(() => makeover.sorted.going.length)
const held = computed(() => makeover.waiting.length - going.value)
</script>

<template>
  <div class="save-state">
    <span role="status">
      <template v-if="makeover.saving === 'saving'">Saving …</template>
      <strong v-else-if="makeover.saving === 'waiting'">Not saved yet, will try again</strong>
      <template v-else-if="copyOf">No answer from the server: as of {{ clock(copyOf) }}</template>
      <template v-else>{{ makeover.savedAt ? `Saved ${clock(makeover.savedAt)}` : 'Saved' }}</template>
    </span>
    <button v-if="held > 0 || makeover.saving === 'waiting'" type="button" class="word" @click="open = true">
      <template v-if="held > 0">{{ changes(held) }} to decide</template
      ><template v-if="held > 0 && going > 0">, </template
      ><template v-if="going > 0">{{ changes(going) }} waiting</template>
    </button>
    <WaitingDialog v-model="open" />
  </div>
</template>

<style>
.save-state {
  display: grid;
  justify-items: start;
}
.save-state .word {
  text-align: left;
  font-weight: 600;
  min-height: 24px;
}
</style>

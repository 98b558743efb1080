<script setup lang="ts">
import { computed, ref } from 'vue'
import { Refused } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'

/** An earlier moment is on the screen: which, and the way on, back and out. */
const makeover = useMakeover()
const problem = ref('')
const busy = ref(false)
const when = computed(() =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(makeover.past?.madeAt ?? 0)),
)
async function to(rev: number): Promise<void> {
  busy.value = true
  try {
    problem.value = ''
    await makeover.lookAt(rev)
  } catch (error) {
    problem.value = error instanceof Refused ? error.problem.detail : 'No answer from the server.'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section v-if="makeover.past" class="past-line" aria-label="Earlier moment">
    <p>
      <strong>As it was on {{ when }}</strong
      >, after “{{ makeover.past.sentence }}”. Every figure is of that day; nothing can be changed here.
      <span v-if="problem" role="alert">{{ problem }}</span>
    </p>
    <button type="button" :disabled="busy || makeover.past.rev <= 1" @click="to(makeover.past.rev - 1)">Earlier</button>
    <button
      type="button"
      :disabled="busy || makeover.past.rev >= (makeover.base?.makeover.rev ?? 0)"
      @click="to(makeover.past.rev + 1)"
    >
      Later
    </button>
    <button type="button" @click="makeover.backToNow()">Back to now</button>
  </section>
</template>

<style>
.past-line {
  display: flex;
  gap: 14px;
  align-items: center;
  background: var(--ink);
  color: var(--paper);
  padding: 6px 12px;
  margin-bottom: 14px;
  position: sticky;
  top: 76px;
  z-index: 4;
}
.past-line p {
  flex: 1;
}
.past-line button {
  background: none;
  border: 0;
  color: inherit;
  font: inherit;
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
  min-height: 28px;
  cursor: pointer;
  white-space: nowrap;
}
.past-line button:disabled {
  text-decoration: none;
  color: #949494;
  cursor: default;
}
@media (max-width: 1080px) {
  .past-line {
    position: static;
    flex-wrap: wrap;
  }
  .past-line p {
    flex-basis: 100%;
  }
}
</style>

<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Reading } from '#core/measure/decimal.ts'

/** One length in a table: typed in any unit, echoed as it was read, saved on Enter or when it is left. */
const {
  shown,
  label,
  read,
  echo,
  placeholder = '',
} = defineProps<{
  shown: string
  label: string
  read: (text: string) => Reading<unknown>
  echo: (text: string) => string
  placeholder?: string
}>()
const emit = defineEmits<{ draft: [text: string | null]; save: [text: string] }>()
const text = ref(shown)
const error = ref('')
const typing = ref(false)
watch(
  () => shown,
  (thisText) => {
    if (!typing.value) text.value = thisText
  },
)
function typed(): void {
  typing.value = true
  error.value = ''
  emit('draft', read(text.value).ok ? text.value : null)
}
function done(): void {
  if (!typing.value) return
  if (text.value.trim() === shown.trim()) {
    back()
    return
  }
  const found = read(text.value)
  if (!found.ok) {
    error.value = found.error
    return
  }
  typing.value = false
  emit('save', text.value)
}
function back(): void {
  typing.value = false
  error.value = ''
  text.value = shown
  emit('draft', null)
}
</script>

<template>
  <span class="length-cell">
    <input
      v-model="text"
      :aria-label="label"
      :aria-invalid="error !== ''"
      :placeholder="placeholder"
      inputmode="text"
      autocomplete="off"
      spellcheck="false"
      @input="typed"
      @keydown.enter.prevent="done"
      @keydown.esc.stop="back"
      @blur="done"
    />
    <span v-if="error" class="error" role="alert">{{ error }}</span>
    <span v-else-if="typing && echo(text)" class="quiet echo">{{ echo(text) }}</span>
  </span>
</template>

<style>
.length-cell {
  display: inline-grid;
  min-width: 0;
  position: relative;
}
.length-cell input {
  width: 112px;
  height: 26px;
  border: 1px solid var(--input);
  background: var(--sheet);
  padding: 0 7px;
  text-align: right;
}
.length-cell input:focus-visible {
  outline: 2px solid var(--ink);
  outline-offset: -1px;
}
.length-cell input[aria-invalid='true'] {
  border-width: 2px;
  border-color: var(--ink);
  font-weight: 600;
}
.length-cell .error,
.length-cell .echo {
  font-size: 12px;
  line-height: 15px;
  max-width: 260px;
  text-align: right;
}
/* what was read lies over the line below, so that the table stays where it is under the hand */
tr:not(.next) > td > .length-cell > input + .echo {
  position: absolute;
  right: 0;
  top: 100%;
  z-index: 2;
  background: var(--paper);
  padding: 1px 7px 2px;
  white-space: nowrap;
  border: 1px solid var(--rule);
  border-top: 0;
}
.length-cell .error {
  border-left: 4px solid var(--ink);
  padding-left: 6px;
  font-weight: 600;
  text-align: left;
}
</style>

<script setup lang="ts">
import { onMounted, useTemplateRef } from 'vue'

/** A length typed where it stands on the drawing, in pixels from its corner; below it what was read, or what is wrong. */
const { at, label, said, wrong } = defineProps<{
  at: { readonly x: number; readonly y: number }
  label: string
  said: string
  wrong: boolean
}>()
const text = defineModel<string>({ required: true })
const emit = defineEmits<{ typed: []; end: [keep: boolean] }>()
const field = useTemplateRef<HTMLInputElement>('field')
onMounted(() => field.value?.select())
</script>

<template>
  <span class="typed-here" :style="{ left: `${at.x}px`, top: `${at.y}px` }">
    <input
      ref="field"
      v-model="text"
      :aria-label="label"
      :aria-invalid="wrong"
      autocomplete="off"
      @input="emit('typed')"
      @keydown.enter.prevent="emit('end', true)"
      @keydown.esc.stop="emit('end', false)"
      @blur="emit('end', true)"
    />
    <span class="said" :class="{ error: wrong }">{{ said }}</span>
  </span>
</template>

<style scoped>
.typed-here {
  position: absolute;
  transform: translate(-50%, -50%);
  display: grid;
  z-index: 2;
}
.typed-here input {
  width: 120px;
  height: 28px;
  border: 2px solid var(--ink);
  background: var(--sheet);
  text-align: center;
  font: inherit;
}
.typed-here .said {
  background: var(--ink);
  color: var(--paper);
  font-size: 12px;
  padding: 0 6px;
  max-width: 280px;
}
</style>

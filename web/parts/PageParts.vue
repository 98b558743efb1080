<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { onMounted, ref } from 'vue'
import { toPart } from './to-part.ts'

/** The parts of a long page, to jump to, and which one is in sight: each by the id of its title without `-title`. */
const { parts, label } = defineProps<{ parts: readonly (readonly [id: string, name: string])[]; label: string }>()
const here = ref('')
/** The part whose title last went by the upper third of the window. */
function look(): void {
  const line = window.innerHeight / 3
  const passed = parts.filter(([id]) => {
    const title = document.getElementById(`${id}-title`)
    return title !== null && title.getBoundingClientRect().top < line
  })
  here.value = window.scrollY < 8 ? (parts[0]?.[0] ?? '') : (passed.at(-1)?.[0] ?? parts[0]?.[0] ?? '')
}
onMounted(look)
useEventListener(window, 'scroll', look, { passive: true })
</script>

<template>
  <span class="page-parts" role="navigation" :aria-label="label"
    ><button
      v-for="[id, name] in parts"
      :key="id"
      type="button"
      class="word"
      :class="{ here: id === here }"
      :aria-current="id === here ? 'location' : undefined"
      @click="toPart(id)"
    >
      {{ name }}
    </button></span
  >
</template>

<style>
.page-parts {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.page-parts .here {
  font-weight: 700;
  text-decoration-thickness: 3px;
}
</style>

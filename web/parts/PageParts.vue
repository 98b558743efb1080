<script setup lang="ts">
import { toPart } from './to-part.ts'

/** The parts of a long page, to jump to: each by the id of its title without `-title`. */
const { parts, label } = defineProps<{ parts: readonly (readonly [id: string, name: string])[]; label: string }>()
</script>

<template>
  <span role="navigation" :aria-label="label"
    ><button v-for="[id, name] in parts" :key="id" type="button" class="word" @click="toPart(id)">
      {{ name }}
    </button></span
  >
</template>

<script setup lang="ts">
import { computed } from 'vue'
import type { Schedule } from '#core/calendar/index.ts'
import { useMakeover } from '../stores/makeover.ts'

/** The calendar to take along, and for each hand its own. */
const { plan } = defineProps<{ plan: Schedule }>()
const makeover = useMakeover()
const base = computed(() => `/api/makeovers/${makeover.opened?.makeover.id ?? ''}/calendar`)
const hands = computed(() => [...new Set(plan.tasks.filter(({ is }) => is === 'work').map(({ hand }) => hand))])
</script>

<template>
  <section aria-labelledby="calendar-files">
    <div class="section-head"><h2 id="calendar-files">Out</h2></div>
    <p class="files">
      All of it as <a class="word" :href="`${base}.ics`" download>ICS</a>, for any calendar program, or as
      <a class="word" :href="`${base}.csv`" download>CSV</a>; what one hand does as ICS:
      <template v-for="(hand, at) in hands" :key="hand"
        ><template v-if="at > 0">, </template
        ><a class="word" :href="`${base}.ics?hand=${encodeURIComponent(hand)}`" download>{{ hand }}</a></template
      >.
    </p>
  </section>
</template>

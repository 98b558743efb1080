<script setup lang="ts">
import { computed } from 'vue'
import type { Schedule } from '#core/calendar/index.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useSession } from '../stores/session.ts'
import CalendarLinks from './CalendarLinks.vue'
import DaysIn from './DaysIn.vue'

/** The calendar to take along, on paper and as files, by links that other programs follow; and days away that come in. */
const { plan } = defineProps<{ plan: Schedule }>()
const makeover = useMakeover()
const session = useSession()
const base = computed(() => `/api/makeovers/${makeover.opened?.makeover.id ?? ''}`)
const hands = computed(() => [
  ...new Map(plan.tasks.filter(({ is }) => is === 'work').map(({ hand, handId }) => [handId, hand])),
])
</script>

<template>
  <section v-if="session.costs" aria-labelledby="calendar-files">
    <div class="section-head"><h2 id="calendar-files">Out and in</h2></div>
    <p class="papers">
      The plan as <a class="word" :href="`${base}/calendar.pdf`" download>PDF</a>, the sheet of the install day as
      <a class="word" :href="`${base}/install-day.pdf`" download>PDF</a>; all of it as
      <a class="word" :href="`${base}/calendar.ics`" download>ICS</a>, for any calendar program, or as
      <a class="word" :href="`${base}/calendar.csv`" download>CSV</a>; what one hand does as ICS:
      <template v-for="([id, hand], at) in hands" :key="id"
        ><template v-if="at > 0">, </template
        ><a class="word" :href="`${base}/calendar.ics?hand=${encodeURIComponent(hand)}`" download>{{
          hand
        }}</a></template
      >.
    </p>
    <CalendarLinks :hands="hands" />
    <DaysIn />
  </section>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { useMakeover } from '../stores/makeover.ts'

/** The plan with what stands there, to take along. */
const { roomId, layoutId } = defineProps<{ roomId: string; layoutId: string }>()
const makeover = useMakeover()
const base = computed(() => `/api/makeovers/${makeover.opened?.makeover.id ?? ''}/rooms/${roomId}/placement`)
const paper = computed(() =>
  makeover.opened?.makeover.rows.makeover[makeover.opened.makeover.id]?.units === 'metric' ? 'a4' : 'letter',
)
</script>

<template>
  <section aria-labelledby="placement-files">
    <div class="section-head"><h2 id="placement-files">Out</h2></div>
    <p class="files">
      The plan to scale, where each thing stands, and the carriers’ list as
      <a class="word" :href="`${base}.pdf?layout=${layoutId}&paper=${paper}`" download>PDF</a>; the plan as
      <a class="word" :href="`${base}.svg?layout=${layoutId}&paper=${paper}`" download>SVG</a> or
      <a class="word" :href="`${base}.dxf?layout=${layoutId}`" download>DXF in mm</a>.
    </p>
  </section>
</template>

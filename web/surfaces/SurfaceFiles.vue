<script setup lang="ts">
import { computed } from 'vue'
import { useMakeover } from '../stores/makeover.ts'
import { useSession } from '../stores/session.ts'
import type { Face, TakeOff } from '#core/surfaces/index.ts'
import { letterOf } from '#core/survey/index.ts'

/** The take-off and the layout in hand, as files to take along. */
const { inHand, faces, hasCuts } = defineProps<{
  inHand: TakeOff | null
  faces: readonly Face[]
  /** Rolls or lengths are cut for it: panels of a picture and squares of paper are not. */
  hasCuts: boolean
}>()
const makeover = useMakeover()
const session = useSession()
const base = computed(() => `/api/makeovers/${makeover.opened?.makeover.id ?? ''}`)
const paper = computed(() =>
  makeover.opened?.makeover.rows.makeover[makeover.opened.makeover.id]?.units === 'metric' ? 'a4' : 'letter',
)
/** The faces that something is laid on piece by piece. */
const laid = computed(() => {
  const reckoned = inHand?.reckoned
  if (!inHand || !reckoned?.ok || inHand.treatment.how === 'paint') return []
  return faces.flatMap((face, at) =>
    face.fills.some(({ treatmentId }) => treatmentId === inHand.treatment.id)
      ? [face.id === 'floor' ? 'floor' : letterOf(at)]
      : [],
  )
})
</script>

<template>
  <section v-if="session.costs" aria-labelledby="surface-files-title">
    <div class="section-head"><h2 id="surface-files-title">Out</h2></div>
    <p class="files">
      The take-off as <a class="word" :href="`${base}/take-off.xlsx`" download>XLSX</a> or
      <a class="word" :href="`${base}/take-off.csv`" download>CSV</a
      ><template v-if="inHand && (laid.length > 0 || hasCuts)"
        >; {{ inHand.finish.name }} to scale, for the workshop, as
        <a class="word" :href="`${base}/treatments/${inHand.treatment.id}/layout.pdf?paper=${paper}`" download>PDF</a
        ><template v-for="letter in laid" :key="letter"
          >,
          <a class="word" :href="`${base}/treatments/${inHand.treatment.id}/layout-${letter}.svg`" download
            >{{ letter }} as SVG</a
          ></template
        ><template v-if="hasCuts"
          >,
          <a class="word" :href="`${base}/treatments/${inHand.treatment.id}/layout-cuts.svg`" download
            >how it is cut as SVG</a
          ></template
        ></template
      >.
    </p>
  </section>
</template>

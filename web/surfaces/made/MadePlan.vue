<script setup lang="ts">
import { computed } from 'vue'
import type { Answer } from '#core/calculators/index.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { paletteFinishes } from '#core/makeover/laid.ts'
import type { UnitSystem } from '#core/measure/length.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'
import CutList from '../../calculators/CutList.vue'
import CuttingPlan from '../../calculators/CuttingPlan.vue'
import { useMakeover } from '../../stores/makeover.ts'
import { useRows } from '../../stores/rows.ts'
import { useCloths } from '../windows/cloths.ts'

/** How it is cut: its panels on their cloth, or its parts with their sizes. */
const { answer, making, units, rules } = defineProps<{
  answer: Answer
  making: Row<'making'>
  units: UnitSystem
  rules: Rules
}>()
const makeover = useMakeover()
const cloths = useCloths(
  computed(() => {
    const ids = [making.finishId, making.secondId]
    return makeover.opened ? paletteFinishes(makeover.opened.makeover).filter(({ id }) => ids.includes(id)) : []
  }),
  useRows('patternPart'),
  computed(() => rules),
)
const nameOf = (id: string | null): string => (id && makeover.opened?.makeover.rows.finish[id]?.name) || ''
</script>

<template>
  <CuttingPlan
    v-if="answer.packing"
    :told="answer.packing"
    :units="units"
    :cloth="cloths.get(making.finishId ?? '') ?? null"
    :title="nameOf(making.finishId)"
  />
  <CuttingPlan
    v-if="answer.second"
    :told="answer.second"
    :units="units"
    :cloth="cloths.get(making.secondId ?? '') ?? null"
    :title="nameOf(making.secondId) || 'The second cloth'"
  />
  <CutList v-if="answer.cuts" :cuts="answer.cuts" />
</template>

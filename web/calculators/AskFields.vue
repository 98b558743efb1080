<script setup lang="ts">
import type { Ask } from '#core/calculators/index.ts'
import type { UnitSystem } from '#core/measure/length.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldText from '../parts/FieldText.vue'
import type { Field } from '../parts/form.ts'
import { asOptions } from '../parts/rowform.ts'

/** What a calculator asks, a field each. */
const { shown, fields, units } = defineProps<{
  shown: readonly Ask[]
  fields: Record<string, Field<unknown>>
  units: UnitSystem
}>()
const typedAsNumbers = ({ as }: Ask): boolean =>
  as === 'number' || as === 'amount' || (as === 'length' && units === 'metric')
</script>

<template>
  <template v-for="ask in shown" :key="ask.key">
    <FieldChoice
      v-if="ask.as === 'choice' && fields[ask.key]"
      :field="fields[ask.key]!"
      :label="ask.label"
      :options="asOptions(ask.options)"
      :hint="ask.hint ?? ''"
    />
    <FieldText
      v-else-if="fields[ask.key]"
      :field="fields[ask.key]!"
      :label="ask.label"
      :hint="ask.hint ?? ''"
      :unit="ask.as === 'number' ? ask.unit : ''"
      :keypad="typedAsNumbers(ask) ? 'decimal' : undefined"
    />
  </template>
</template>

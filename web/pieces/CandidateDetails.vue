<script setup lang="ts">
import { computed } from 'vue'
import { cleanings, fronts, stuffs, uses, type ThingKind } from '#core/makeover/choices.ts'
import { asksOf, details, type Detail } from '#core/pieces/index.ts'
import FieldChoice from '../parts/FieldChoice.vue'
import FieldSeveral from '../parts/FieldSeveral.vue'
import FieldText from '../parts/FieldText.vue'
import type { Field } from '../parts/form.ts'
import LookFor from './LookFor.vue'
import { asOptions } from '../parts/rowform.ts'

/** What a thing of its kind is asked for, and what was written of it although its kind is not asked. */
const {
  fields,
  thing,
  unit,
  holdsUnit = '',
} = defineProps<{
  fields: Readonly<Record<Exclude<Detail, 'suits'>, Field<unknown>>> & { readonly suits: Field<string> }
  thing: ThingKind
  unit: string
  holdsUnit?: string
}>()
const asked = computed(() =>
  details.filter((detail) => asksOf[thing].details.includes(detail) || fields[detail].text !== ''),
)
const has = (detail: Detail): boolean => asked.value.includes(detail)
const top = computed(() =>
  thing === 'seat' ? 'Height of the seat' : thing === 'bed' ? 'Top of the mattress' : 'Height of its top',
)
</script>

<template>
  <LookFor :thing="thing" />
  <div class="columns">
    <FieldText v-if="has('topMm')" :field="fields.topMm" :label="top" optional :unit="unit" />
    <FieldText v-if="has('weightKg')" :field="fields.weightKg" label="Weighs" optional unit="kg" />
    <FieldText v-if="has('holds')" :field="fields.holds" label="It holds" optional :unit="holdsUnit" />
    <FieldText v-if="has('holes')" :field="fields.holes" label="Holes to put it up" optional />
    <FieldChoice
      v-if="has('front')"
      :field="fields.front"
      label="To the eye it is"
      :options="asOptions(fronts)"
      none="not said"
    />
    <FieldChoice
      v-if="has('madeOf')"
      :field="fields.madeOf"
      label="Made of"
      :options="asOptions(stuffs)"
      none="not said"
    />
    <FieldChoice
      v-if="has('cleaning')"
      :field="fields.cleaning"
      label="Cleaned by"
      :options="asOptions(cleanings)"
      none="not said"
    />
    <FieldText
      v-if="has('styles')"
      :field="fields.styles"
      label="Style"
      optional
      hint="rustic, deco: separated by commas"
    />
  </div>
  <FieldSeveral v-if="has('suits')" :field="fields.suits" label="It is made for" :options="uses" />
</template>

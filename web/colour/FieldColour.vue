<script setup lang="ts" generic="T">
import { computed, defineAsyncComponent, ref } from 'vue'
import { hexFromLab, readColour, type Lab } from '#core/colour/lab.ts'
import type { LibraryFinish } from '#core/palette/index.ts'
import FieldText from '../parts/FieldText.vue'
import type { Field } from '../parts/form.ts'
import { useRows } from '../stores/rows.ts'
import KeptColours from './KeptColours.vue'
import LibraryPicker from './LibraryPicker.vue'
import MeterReader from './MeterReader.vue'
import PhotoPicker from './PhotoPicker.vue'
import type { TakenFrom } from './taken.ts'

/** A colour, or several, typed or taken by hand: from the library, a picture, a meter, a wheel. */
const {
  field,
  label,
  hint = '#8fa3a8; Lab 65 -4 -6; oatmeal',
  optional = false,
  several = false,
} = defineProps<{ field: Field<T>; label: string; hint?: string; optional?: boolean; several?: boolean }>()
const emit = defineEmits<{ taken: [text: string, source: TakenFrom]; library: [finish: LibraryFinish] }>()
const ColourWheel = defineAsyncComponent(() => import('./ColourWheel.vue'))
const finishes = useRows('finish')
const kept = useRows('takenColour')
const most = 5
const ways = computed(
  () =>
    [
      ['library', 'From the library'],
      ['photo', 'From a picture'],
      ['meter', 'With a meter'],
      ['wheel', 'On a wheel'],
      ...(kept.value.length > 0 ? ([['kept', 'From pictures kept']] as const) : []),
    ] as const,
)
const way = ref<'library' | 'photo' | 'meter' | 'wheel' | 'kept' | null>(null)
const parts = computed(() =>
  field.text
    .split(';')
    .map((part) => part.trim())
    .filter((part) => part !== ''),
)
const chips = computed(() =>
  parts.value.flatMap((part) => {
    const read = readColour(part)
    return read.ok ? [read.value.lab] : []
  }),
)
const written = ({ L, a, b }: Lab): string =>
  [L, a, b].map((value) => (Math.round(value * 100) / 100).toString()).join(' ')
function take(lab: Lab, source: TakenFrom): void {
  const text = written(lab)
  field.text = several ? [...parts.value, text].slice(-most).join('; ') : text
  field.error = ''
  emit('taken', text, source)
  if (!several) way.value = null
}
function fromLibrary(finish: LibraryFinish): void {
  take(finish.lab, 'library')
  emit('library', finish)
}
</script>

<template>
  <div class="field-colour">
    <div class="typed">
      <FieldText :field="field" :label="label" :hint="hint" :optional="optional" />
      <span v-if="chips.length > 0" class="chips" aria-hidden="true"
        ><i v-for="(lab, at) in chips" :key="at" :style="{ background: hexFromLab(lab) }"
      /></span>
    </div>
    <div class="ways" role="group" :aria-label="`Where it comes from: ${label.toLowerCase()}`">
      <button
        v-for="[id, words] in ways"
        :key="id"
        type="button"
        class="word"
        :class="{ here: way === id }"
        :aria-pressed="way === id"
        @click="way = way === id ? null : id"
      >
        {{ words }}
      </button>
    </div>
    <LibraryPicker v-if="way === 'library'" @pick="fromLibrary" />
    <PhotoPicker v-else-if="way === 'photo'" @pick="take($event, 'photo')" />
    <MeterReader v-else-if="way === 'meter'" :finishes="finishes" @read="take($event, 'measured')" />
    <ColourWheel v-else-if="way === 'wheel'" :start="chips[0] ?? null" @pick="take($event, 'picker')" />
    <KeptColours v-else-if="way === 'kept'" @pick="take($event, 'photo')" />
  </div>
</template>

<style>
.field-colour {
  margin-bottom: 10px;
  min-width: 0;
  grid-column: 1 / -1;
}
.field-colour .typed {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
}
.field-colour .chips {
  display: flex;
  padding-top: 19px;
  height: 51px;
}
.field-colour .chips i {
  width: 40px;
  border: 1px solid var(--hairline);
}
.field-colour .chips i + i {
  border-left: 0;
}
.field-colour .ways {
  display: flex;
  gap: 2px 16px;
  flex-wrap: wrap;
  padding-bottom: 4px;
}
.field-colour .ways .word {
  font-size: 13px;
}
.field-colour .ways .here {
  font-weight: 700;
  text-decoration-thickness: 3px;
}
</style>

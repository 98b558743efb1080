<script setup lang="ts">
import { computed, ref } from 'vue'
import { chroma } from '#core/colour/lab.ts'
import { families, type Family } from '#core/makeover/choices.ts'
import { searchLibrary, undertone, type LibraryFinish } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { useMakeover } from '../stores/makeover.ts'

/** The library that ships: generic finishes, found by word and family, picked with a click. */
const emit = defineEmits<{ pick: [finish: LibraryFinish] }>()
const makeover = useMakeover()
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const text = ref('')
const family = ref<Family | ''>('')
const found = computed(() => searchLibrary(text.value, family.value === '' ? null : family.value))
const shown = computed(() => found.value.slice(0, 60))
const asFinish = (libraryFinish: LibraryFinish) => ({
  family: libraryFinish.family,
  texture: libraryFinish.texture,
  sheen: libraryFinish.sheen,
  labL: libraryFinish.lab.L,
  labA: libraryFinish.lab.a,
  labB: libraryFinish.lab.b,
})
const words = (libraryFinish: LibraryFinish): string =>
  chroma(libraryFinish.lab) < rules.value['colour.near-neutral'] ||
  ['wood', 'metal', 'greenery'].includes(libraryFinish.family)
    ? undertone(libraryFinish.family, libraryFinish.lab, rules.value).words
    : ''
</script>

<template>
  <div class="library">
    <div class="columns">
      <label
        ><span class="label">Find</span
        ><el-input v-model="text" aria-label="Find in the library" placeholder="white yellow; velvet; wet" clearable
      /></label>
      <label
        ><span class="label">Family</span
        ><el-select v-model="family" aria-label="Family in the library" placeholder="all"
          ><el-option value="" label="all" /><el-option
            v-for="family in families"
            :key="family"
            :value="family"
            :label="family" /></el-select
      ></label>
    </div>
    <p class="quiet count" role="status">
      {{
        found.length === 0
          ? 'None: fewer words find more'
          : `${found.length} ${found.length === 1 ? 'finish' : 'finishes'}${found.length > shown.length ? `, the first ${shown.length} shown` : ''}`
      }}. Generic, of no maker: a beginning, and no sample.
    </p>
    <ul class="on-ground" tabindex="0" aria-label="Library">
      <li v-for="entry in shown" :key="entry.name">
        <button type="button" class="bare" :aria-label="`Take ${entry.name}`" @click="emit('pick', entry)">
          <span><MaterialSwatch :finish="asFinish(entry)" :scale="0.6" /></span><em>{{ entry.name }}</em
          ><small v-if="words(entry)">{{ words(entry) }}</small>
        </button>
      </li>
    </ul>
  </div>
</template>

<style>
.library .count {
  font-size: 12px;
  line-height: 16px;
  padding: 4px 0;
}
.library ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 10px;
  background: var(--ground);
  padding: 12px;
  max-height: 340px;
  overflow-y: auto;
}
.library button {
  display: grid;
  width: 100%;
  align-content: start;
}
.library button > span {
  height: 62px;
  display: block;
}
.library em {
  font-style: normal;
  font-size: 12px;
  line-height: 15px;
  color: var(--on-ground);
  padding-top: 3px;
}
.library small {
  font-size: 11px;
  line-height: 13px;
  color: var(--soft-on-ground);
}
.library button:hover > span {
  outline: 2.5px solid var(--on-ground);
}
</style>

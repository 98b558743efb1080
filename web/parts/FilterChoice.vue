<script setup lang="ts" generic="T extends string">
import { computed } from 'vue'

/** One choice among few in a line of filters: small, without a label of its own on the page. */
const { label, options, none } = defineProps<{
  label: string
  options: readonly { readonly value: string; readonly label: string }[]
  /** What choosing nothing is called. */
  none?: string
}>()
const chosen = defineModel<T>({ required: true })
const all = computed(() => (none ? [{ value: '', label: none }, ...options] : options))
</script>

<template>
  <el-select
    v-model="chosen"
    class="filter-choice"
    size="small"
    :aria-label="label"
    :empty-values="[null, undefined]"
    :fit-input-width="false"
  >
    <el-option v-for="option in all" :key="option.value" :value="option.value" :label="option.label" />
  </el-select>
</template>

<style>
.filter-choice.el-select {
  width: auto;
  min-width: 118px;
}
</style>

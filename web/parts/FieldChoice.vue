<script setup lang="ts" generic="T">
import { computed, useId } from 'vue'
import type { Field } from './form.ts'

const {
  field,
  label,
  options,
  hint = '',
  none = '',
} = defineProps<{
  field: Field<T>
  label: string
  options: readonly { value: string; label: string }[]
  hint?: string
  /** What choosing nothing is called, where nothing may be chosen. */
  none?: string
}>()
const id = useId()
const all = computed(() => (none ? [{ value: '', label: none }, ...options] : options))
</script>

<template>
  <div class="field">
    <label class="label" :for="id">{{ label }}</label>
    <el-select
      :id="id"
      v-model="field.text"
      :aria-label="label"
      :filterable="all.length > 12"
      default-first-option
      placeholder="Choose"
      :empty-values="[null, undefined]"
      :value-on-clear="null"
      @change="field.error = ''"
    >
      <el-option v-for="option in all" :key="option.value" :value="option.value" :label="option.label" />
    </el-select>
    <p class="below" aria-live="polite">
      <span v-if="field.error" class="error">{{ field.error }}</span>
      <span v-else class="quiet">{{ hint }}</span>
    </p>
  </div>
</template>

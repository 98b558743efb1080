<script setup lang="ts">
import { computed } from 'vue'
import { joinSeveral, splitSeveral } from '#core/makeover/choices.ts'
import type { Field } from './form.ts'

const { field, label, options } = defineProps<{ field: Field<string>; label: string; options: readonly string[] }>()
const chosen = computed({
  get: () => splitSeveral(field.text),
  set: (words: string[]) => Object.assign(field, { text: joinSeveral(options, words) }),
})
</script>

<template>
  <fieldset class="field several">
    <legend class="label">{{ label }}</legend>
    <el-checkbox-group v-model="chosen">
      <el-checkbox v-for="option in options" :key="option" :value="option" :label="option" />
    </el-checkbox-group>
  </fieldset>
</template>

<style>
.several {
  border: 0;
  padding: 0;
  margin: 0 0 8px;
}
.several .el-checkbox {
  margin-right: 18px;
  height: 26px;
}
</style>

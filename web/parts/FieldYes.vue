<script setup lang="ts">
import { computed } from 'vue'
import type { Field } from './form.ts'

const { field, label } = defineProps<{ field: Field<boolean>; label: string }>()
const on = computed({
  get: () => field.text === 'yes',
  set: (value: boolean) => Object.assign(field, { text: value ? 'yes' : '' }),
})
</script>

<template>
  <el-checkbox v-model="on">{{ label }}</el-checkbox>
</template>

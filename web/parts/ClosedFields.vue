<script setup lang="ts">
import { formContextKey, type FormContext } from 'element-plus'
import { provide, reactive, toRef } from 'vue'

/** Fields that are read and not written, while they are closed. */
const { closed } = defineProps<{ closed: boolean }>()
provide(formContextKey, reactive({ disabled: toRef(() => closed) }) as unknown as FormContext)
</script>

<template>
  <fieldset :disabled="closed" class="closed-fields"><slot /></fieldset>
</template>

<style>
.closed-fields {
  display: contents;
}
</style>

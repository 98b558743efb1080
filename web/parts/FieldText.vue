<script setup lang="ts" generic="T">
import { computed, useId } from 'vue'
import type { Field } from './form.ts'

const {
  field,
  label,
  hint = '',
  unit = '',
  type = 'text',
  rows = 0,
  autocomplete = 'off',
  optional = false,
} = defineProps<{
  field: Field<T>
  label: string
  hint?: string
  unit?: string
  type?: 'text' | 'password' | 'email'
  rows?: number
  autocomplete?: string
  optional?: boolean
}>()
const id = useId()

/** What was typed, as it was read: shown when it says more than the text itself. */
const echo = computed(() => {
  if (field.error || field.text.trim() === '') return ''
  const read = field.read(field.text)
  if (!read.ok) return ''
  const said = field.echo(read.value)
  const digits = said.replace(/[^\d.-]/g, '')
  return said === field.text.trim() || (type !== 'password' && digits !== '' && digits === field.text.trim())
    ? ''
    : said
})

function check(): void {
  if (field.text.trim() === '') return
  const read = field.read(field.text)
  field.error = read.ok ? '' : read.error
}
</script>

<template>
  <div class="field">
    <label class="label" :for="id">{{ label }}<span v-if="optional">, if known</span></label>
    <el-input
      :id="id"
      v-model="field.text"
      :type="rows > 0 ? 'textarea' : type"
      :rows="rows || 2"
      :autocomplete="autocomplete"
      :aria-invalid="field.error !== ''"
      :aria-describedby="`${id}-below`"
      spellcheck="false"
      @blur="check"
      @input="field.error = ''"
    >
      <template v-if="unit" #suffix>{{ unit }}</template>
    </el-input>
    <p :id="`${id}-below`" class="below" aria-live="polite">
      <span v-if="field.error" class="error">{{ field.error }}</span>
      <span v-else class="quiet">{{ echo || hint }}</span>
    </p>
  </div>
</template>

<style>
.field {
  min-width: 0;
}
.field .label {
  display: block;
  margin-bottom: 3px;
}
.field .below {
  font-size: 12px;
  line-height: 16px;
  min-height: 18px;
  padding-top: 2px;
}
.field .error {
  border-left: 4px solid var(--ink);
  padding-left: 6px;
  font-weight: 600;
  display: inline-block;
}
.field .el-input__wrapper {
  padding: 1px 9px;
}
.field [aria-invalid='true'] {
  font-weight: 600;
}
</style>

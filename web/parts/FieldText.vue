<script setup lang="ts" generic="T">
import { Calendar } from '@element-plus/icons-vue'
import { computed, defineAsyncComponent, ref, useId, useTemplateRef } from 'vue'
import { isPlainDate, writeDate, type PlainDate } from '#core/measure/plain-date.ts'
import { useSession } from '../stores/session.ts'
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
  known = [],
  keypad = undefined,
} = defineProps<{
  field: Field<T>
  label: string
  hint?: string
  unit?: string
  type?: 'text' | 'password' | 'email'
  rows?: number
  autocomplete?: string
  optional?: boolean
  /** What is there already and may be meant: offered while it is typed. */
  known?: readonly string[]
  /** Which keys a phone brings up; decimal where only figures are typed. */
  keypad?: 'decimal' | 'numeric' | undefined
}>()
const id = useId()
const session = useSession()
/** What it costs is not shown to everybody. */
const hidden = computed(() => field.cost === true && !session.costs)
/** The month comes when it is first asked for: most days are typed. */
const DayPick = defineAsyncComponent(() => import('./DayPick.vue'))
const frame = useTemplateRef<HTMLElement>('frame')
const picking = ref(false)
const day = computed<PlainDate | null>({
  get: () => {
    const read = field.read(field.text)
    return read.ok && isPlainDate(read.value) ? read.value : null
  },
  set: (picked) => {
    if (picked === null) return
    field.text = writeDate(picked)
    field.error = ''
  },
})

/** What was typed, as it was read: shown when it says more than the text itself. */
const echo = computed(() => {
  if (hidden.value || field.error || field.text.trim() === '') return ''
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
  <div ref="frame" class="field">
    <label class="label" :for="id">{{ label }}<span v-if="optional">, if known</span></label>
    <el-input
      :id="id"
      :model-value="hidden ? '–' : field.text"
      :disabled="hidden || undefined"
      :type="rows > 0 ? 'textarea' : type"
      :rows="rows || 2"
      :autocomplete="autocomplete"
      :inputmode="keypad"
      :list="known.length > 0 ? `${id}-known` : undefined"
      :aria-invalid="field.error !== ''"
      :aria-describedby="`${id}-below`"
      spellcheck="false"
      @blur="check"
      @update:model-value="field.text = $event"
      @input="field.error = ''"
      @keydown.alt.down.prevent="picking = field.day === true"
    >
      <template v-if="unit || field.day" #suffix
        >{{ unit
        }}<button
          v-if="field.day"
          type="button"
          class="bare day"
          tabindex="-1"
          aria-label="Pick a day"
          :aria-expanded="picking"
          @click="picking = !picking"
        >
          <Calendar /></button
      ></template>
    </el-input>
    <datalist v-if="known.length > 0" :id="`${id}-known`">
      <option v-for="text in known" :key="text" :value="text" />
    </datalist>
    <DayPick v-if="field.day && picking" v-model:open="picking" v-model:day="day" :target="frame" />
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
.field .day {
  width: 22px;
  height: 24px;
  padding: 3px;
  color: var(--soft);
}
.field .day:hover {
  color: var(--ink);
}
.field .el-input__wrapper {
  padding: 1px 9px;
}
.field [aria-invalid='true'] {
  font-weight: 600;
}
</style>

<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, useTemplateRef, watch } from 'vue'
import type { Kind } from '#core/makeover/kinds.ts'
import { useClosed } from '../stores/makeover/closed.ts'
import { say } from '../stores/said.ts'
import ClosedFields from './ClosedFields.vue'
import { draftHere } from './draft.ts'
import { toMade } from './made.ts'

const {
  title,
  action,
  faults = [],
  busy = false,
  width = 560,
  blocked = '',
  away = 'Cancel',
  changes = [],
  reads = false,
} = defineProps<{
  title: string
  action: string
  faults?: readonly string[]
  busy?: boolean
  width?: number
  /** Why the action is not to be had; it is then outlined with dashes. */
  blocked?: string
  /** What going away without it is called. */
  away?: string
  /** The kinds of rows that it changes: where that is not in one's role, or the makeover is in the archive, nothing is typed first. */
  changes?: readonly Kind[]
  /** There is something to read in it, also for whoever changes nothing. */
  reads?: boolean
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ submit: [] }>()
const closed = useClosed(() => changes)
const shown = computed({
  get: () => open.value && (closed.value === '' || reads),
  set: (isOpen) => (open.value = isOpen),
})
watch(open, (isOpen) => {
  if (!isOpen || shown.value) return
  say(closed.value)
  open.value = false
})

const draft = draftHere()
const restored = draft?.restored
/** Did a person type something since it was opened? What the form fills in by itself is no draft. */
let typed = false
watch(open, (isOpen) => {
  if (isOpen) typed = false
  else if (typed && draft?.keep()) say('What you typed is kept: open the form again to go on.')
})

const form = useTemplateRef<HTMLFormElement>('form')
/** Typing begins at once, unless a person was quicker than the dialog came and types already. */
async function toFirstField(): Promise<void> {
  await nextTick()
  if (form.value?.contains(document.activeElement) && document.activeElement?.matches('input, textarea')) return
  const fields = [...(form.value?.querySelectorAll<HTMLElement>('input, textarea') ?? [])].filter(
    (field) =>
      field.offsetParent !== null &&
      !field.closest('.el-select') &&
      !field.matches('[disabled], [type=hidden], [type=checkbox], [type=radio]'),
  )
  fields[0]?.focus()
}

const warn = (event: BeforeUnloadEvent): void => {
  if (open.value && busy) event.preventDefault()
}
window.addEventListener('beforeunload', warn)
onBeforeUnmount(() => window.removeEventListener('beforeunload', warn))
</script>

<template>
  <el-dialog
    v-model="shown"
    :title="title"
    :width="width"
    :close-on-click-modal="false"
    :close-on-press-escape="!busy"
    append-to-body
    destroy-on-close
    top="7vh"
    @opened="toFirstField"
    @closed="toMade"
  >
    <form ref="form" novalidate @input="typed = true" @submit.prevent="closed || emit('submit')">
      <p v-if="restored" class="quiet" role="status">
        What was typed here before is back.
        <button type="button" class="word" @click="draft?.startAfresh()">Start afresh</button>
      </p>
      <ClosedFields :closed="closed !== ''"><slot /></ClosedFields>
      <p v-for="fault in faults" :key="fault" class="stop-line" role="alert">{{ fault }}</p>
      <div class="actions">
        <span v-if="closed || blocked" class="quiet">{{ closed || blocked }}</span>
        <slot v-if="!closed" name="before-action" />
        <el-button @click="open = false">{{ closed ? 'Close' : away }}</el-button>
        <el-button v-if="!closed" type="primary" native-type="submit" :disabled="blocked !== ''" :loading="busy">{{
          action
        }}</el-button>
      </div>
    </form>
  </el-dialog>
</template>

<style>
.el-dialog form {
  display: grid;
  gap: 4px;
}
.el-dialog .actions {
  display: flex;
  justify-content: flex-end;
  align-items: center;
  gap: 12px;
  margin-top: 12px;
}
.el-dialog .actions .quiet {
  margin-right: auto;
}
.el-dialog .actions .el-button,
.el-dialog .actions .el-button + .el-button {
  margin-left: 0;
}
.el-dialog .actions .first {
  margin-right: auto;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 4px 16px;
}
.stop-line + .stop-line {
  margin-top: 2px;
}
</style>

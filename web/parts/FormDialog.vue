<script setup lang="ts">
import { onBeforeUnmount } from 'vue'

const {
  title,
  action,
  faults = [],
  busy = false,
  width = 560,
  blocked = '',
} = defineProps<{
  title: string
  action: string
  faults?: readonly string[]
  busy?: boolean
  width?: number
  /** Why the action is not to be had; it is then outlined with dashes. */
  blocked?: string
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ submit: [] }>()

const warn = (event: BeforeUnloadEvent): void => {
  if (open.value && busy) event.preventDefault()
}
window.addEventListener('beforeunload', warn)
onBeforeUnmount(() => window.removeEventListener('beforeunload', warn))
</script>

<template>
  <el-dialog
    v-model="open"
    :title="title"
    :width="width"
    :close-on-click-modal="false"
    :close-on-press-escape="!busy"
    append-to-body
    destroy-on-close
    align-center
  >
    <form novalidate @submit.prevent="emit('submit')">
      <slot />
      <p v-for="fault in faults" :key="fault" class="stop-line" role="alert">{{ fault }}</p>
      <div class="actions">
        <span v-if="blocked" class="quiet">{{ blocked }}</span>
        <slot name="before-action" />
        <el-button @click="open = false">Cancel</el-button>
        <el-button type="primary" native-type="submit" :disabled="blocked !== ''" :loading="busy">{{
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

<script setup lang="ts">
import 'dayjs/locale/en-gb'
import { onClickOutside } from '@vueuse/core'
import en from 'element-plus/es/locale/lang/en'
import { computed } from 'vue'
import { isPlainDate, type PlainDate } from '#core/measure/plain-date.ts'

/** A month to pick a day from, below the field that it belongs to. Weeks begin on Monday. */
const { target } = defineProps<{ target: HTMLElement | null }>()
const open = defineModel<boolean>('open', { required: true })
const day = defineModel<PlainDate | null>('day', { required: true })
onClickOutside(
  () => target,
  () => (open.value = false),
  { ignore: ['.el-popper'] },
)
const british = { ...en, name: 'en-gb' }
const picked = computed({
  get: () => day.value ?? undefined,
  set: (value: unknown) => {
    if (!isPlainDate(value)) return
    day.value = value
    open.value = false
  },
})
</script>

<template>
  <el-popover :visible="open" :virtual-ref="target" virtual-triggering placement="bottom-start" width="auto">
    <el-config-provider :locale="british">
      <el-date-picker-panel v-model="picked" value-format="YYYY-MM-DD" :border="false" />
    </el-config-provider>
  </el-popover>
</template>

<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import type { Preview } from '#core/reckoning/preview.ts'
import type { Remark } from '#core/remarks/remark.ts'
import type { Remedy } from '#core/remarks/remedy.ts'
import DifferencePreview from '../parts/DifferencePreview.vue'
import FormDialog from '../parts/FormDialog.vue'
import { useMakeover } from '../stores/makeover.ts'

/** What would cure a remark, the least change first: each with what it would do, and made with one click. */
const { remark = null } = defineProps<{ remark?: Remark | null }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const remedies = shallowRef<readonly Remedy[]>([])
const picked = ref(0)
const preview = shallowRef<Preview | null>(null)
const problem = ref<string[]>([])
const busy = ref(false)
/** The remark for which cures are looked for. */
const looking = ref('')

watch(
  [open, () => makeover.reckoning],
  async ([isOpen]) => {
    if (!isOpen || !remark || !makeover.opened) return
    remedies.value = []
    picked.value = 0
    problem.value = []
    looking.value = remark.key
    const found = await makeover.remedies(remark)
    if (looking.value !== remark.key) return
    remedies.value = found
    looking.value = ''
  },
  { immediate: true },
)
watch([remedies, picked], async () => {
  preview.value = null
  const remedy = remedies.value[picked.value]
  if (!remedy) return
  const found = await makeover.preview(remedy.operations)
  if (remedies.value[picked.value] === remedy) preview.value = found
})

async function make(): Promise<void> {
  const remedy = remedies.value[picked.value]
  if (!remedy) return
  busy.value = true
  const faults = await makeover.change(remedy.title.slice(0, 300), remedy.operations)
  busy.value = false
  problem.value = faults.map((fault) => fault.message)
  if (faults.length === 0) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="remark?.title ?? ''"
    action="Do it"
    :busy="busy"
    :faults="problem"
    :blocked="looking ? 'Looking …' : remedies.length === 0 ? 'Nothing is free to change' : ''"
    :width="560"
    :changes="['makeover']"
    reads
    @submit="make"
  >
    <p v-if="looking" class="quiet" role="status">Looking for what cures it …</p>
    <p v-else-if="remedies.length === 0" class="quiet">
      Nothing that is free to change would cure it: it stays as it is, or is accepted with a reason.
    </p>
    <ol v-else class="remedies">
      <li v-for="(remedy, at) in remedies" :key="remedy.title" :class="{ chosen: at === picked }">
        <button type="button" class="bare" :aria-pressed="at === picked" @click="picked = at">
          <strong>{{ remedy.title }}</strong>{{ ' ' }}<span class="quiet">{{ remedy.detail }}</span>
        </button>
      </li>
    </ol>
    <DifferencePreview v-if="remedies.length > 0" :preview="preview" />
  </FormDialog>
</template>

<style scoped>
.remedies li {
  border-top: 1px solid var(--hairline);
}
.remedies li.chosen {
  border-left: 3px solid var(--ink);
}
.remedies button {
  text-align: left;
  padding: 6px 10px;
  min-height: 32px;
  width: 100%;
}
</style>

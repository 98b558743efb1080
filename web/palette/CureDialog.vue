<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { balanceCures, clashCures, labOf, staysBecause, type Cure } from '#core/palette/index.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import FormDialog from '../parts/FormDialog.vue'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import DifferencePreview from '../parts/DifferencePreview.vue'
import { useMakeover } from '../stores/makeover.ts'

/** What to change least, for two that clash or for shares that are off: each way with what it would do, before it is done. */
const { pair = null } = defineProps<{ pair?: { readonly left: string; readonly right: string } | null }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const picked = ref(0)
const preview = shallowRef<Preview | null>(null)
const problem = ref<string[]>([])
const busy = ref(false)
const cures = computed((): Cure[] => {
  const [opened, reckoning] = [makeover.opened, makeover.reckoning]
  if (!open.value || !opened || !reckoning) return []
  return pair
    ? clashCures(opened.makeover, pair, reckoning.practice)
    : balanceCures(opened.makeover, reckoning.palette, reckoning.practice)
})
const fixed = computed(() => {
  const opened = makeover.opened
  if (!opened || !pair) return []
  return [pair.left, pair.right].flatMap((id) => {
    const finish = opened.makeover.rows.finish[id]
    const why = finish ? staysBecause(opened.makeover, finish) : null
    return finish && why ? [`${finish.name} stays: ${why}.`] : []
  })
})
watch(
  [cures, picked, open],
  async () => {
    preview.value = null
    const cure = cures.value[picked.value]
    if (!open.value || !cure) return
    const found = await makeover.preview(cure.operations)
    if (cures.value[picked.value] === cure) preview.value = found
  },
  { immediate: true },
)
watch(open, (isOpen) => {
  if (!isOpen) return
  picked.value = 0
  problem.value = []
})
type Chip = Pick<Row<'finish'>, 'family' | 'texture' | 'sheen' | 'labL' | 'labA' | 'labB'>
/** Each finish that the cure changes, as it is and as it would be. */
function beforeAfter(cure: Cure): { id: string; before: Chip; after: Chip }[] {
  return cure.operations.flatMap((operation) => {
    const finish = makeover.opened?.makeover.rows.finish[operation.id]
    return operation.op === 'put' && finish
      ? [{ id: finish.id, before: finish, after: { ...finish, ...operation.fields } }]
      : []
  })
}
async function take(): Promise<void> {
  const cure = cures.value[picked.value]
  if (!cure) return
  busy.value = true
  const faults = await makeover.change(cure.title.slice(0, 300), cure.operations)
  busy.value = false
  problem.value = faults.map((fault) => fault.message)
  if (faults.length === 0) open.value = false
}
const lab = (chip: Chip): string => {
  const { L, a, b } = labOf(chip)
  return `${L.toFixed(0)} ${a.toFixed(0)} ${b.toFixed(0)}`
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="pair ? 'What would cure the clash' : 'What would bring the shares right'"
    action="Do this"
    :faults="problem"
    :busy="busy"
    :blocked="cures.length === 0 ? 'There is nothing that may be changed' : ''"
    :width="640"
    :changes="['finish']"
    @submit="take"
  >
    <p v-for="why in fixed" :key="why" class="quiet">{{ why }}</p>
    <p v-if="cures.length === 0">
      {{
        pair
          ? 'No small change cures it without another clash: part the two with something between them, or accept it with a reason.'
          : 'No finish that may change would bring the shares nearer. Give one more or less to cover, by its area.'
      }}
    </p>
    <div v-else class="cures" role="radiogroup" aria-label="Ways, the least change first">
      <div v-for="(cure, at) in cures" :key="at" class="way">
        <label>
          <input v-model="picked" type="radio" name="cure" :value="at" />
          <span class="chips on-ground"
            ><span v-for="entry in beforeAfter(cure)" :key="entry.id" class="pairing"
              ><MaterialSwatch :finish="entry.before" :scale="0.5" :title="lab(entry.before)" /><MaterialSwatch
                :finish="entry.after"
                :scale="0.5"
                :title="lab(entry.after)" /></span
          ></span>
          <span
            ><strong>{{ cure.title }}</strong
            ><br /><span class="quiet">{{ cure.detail }}</span></span
          >
        </label>
      </div>
    </div>
    <DifferencePreview v-if="cures.length > 0" :preview="preview" />
  </FormDialog>
</template>

<style>
.cures .way {
  border-top: 1px solid var(--hairline);
}
.cures label {
  display: grid;
  grid-template-columns: 20px 108px 1fr;
  gap: 12px;
  align-items: center;
  padding: 7px 0;
  cursor: pointer;
  font-size: 13px;
  line-height: 18px;
}
.cures input {
  accent-color: var(--ink);
  width: 18px;
  height: 18px;
}
.cures .chips {
  background: var(--ground);
  padding: 6px;
  display: grid;
  gap: 4px;
}
.cures .pairing {
  display: grid;
  grid-template-columns: 1fr 1fr;
  height: 30px;
}
</style>

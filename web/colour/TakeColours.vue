<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { hexFromLab, type Lab } from '#core/colour/lab.ts'
import { add, remove } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { labOf } from '#core/palette/index.ts'
import FormDialog from '../parts/FormDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import PhotoPicker from './PhotoPicker.vue'

/** Up to five colours taken from one picture, and kept with it. */
const { picture } = defineProps<{ picture: Row<'attachment'> }>()
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const all = useRows('takenColour')
const own = computed(() => all.value.filter((row) => row.attachmentId === picture.id))
const most = 5
const colours = shallowRef<readonly Lab[]>([])
const faults = ref<readonly string[]>([])
watch(open, (isOpen) => isOpen && (colours.value = own.value.map(labOf)), { immediate: true })
const take = (lab: Lab): void => void (colours.value = [...colours.value, lab].slice(-most))
const without = (at: number): void => void (colours.value = colours.value.filter((_, index) => index !== at))
async function save(): Promise<void> {
  const found = await makeover.change(`Kept ${colours.value.length} colours with the picture ${picture.name}`, [
    ...own.value.map((row) => remove('takenColour', row)),
    ...colours.value.map(({ L, a, b }) =>
      add('takenColour', uuidv7(), { attachmentId: picture.id, sharePpm: 0, labL: L, labA: a, labB: b }),
    ),
  ])
  faults.value = found.map(({ message }) => message)
  if (found.length === 0) open.value = false
}
</script>

<template>
  <FormDialog
    v-model="open"
    :title="`Colours of ${picture.name}`"
    action="Keep them"
    :faults="faults"
    :busy="false"
    :width="760"
    :changes="['takenColour']"
    @submit="save"
  >
    <PhotoPicker :start="picture" @pick="take" />
    <ul v-if="colours.length > 0" class="taken" aria-label="Colours taken">
      <li v-for="(lab, at) in colours" :key="at">
        <button type="button" class="bare" :aria-label="`Leave out colour ${at + 1}`" @click="without(at)">
          <i :style="{ background: hexFromLab(lab) }" />{{ hexFromLab(lab) }}
        </button>
      </li>
    </ul>
    <p class="quiet">
      {{ colours.length }} of {{ most }}. Kept colours are offered wherever a colour is asked; press one to leave it
      out.
    </p>
  </FormDialog>
</template>

<style scoped>
.taken {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  padding-top: 10px;
}
.taken button {
  display: grid;
  font-size: 12px;
  min-width: 64px;
}
.taken i {
  height: 44px;
  border: 1px solid var(--hairline);
}
</style>

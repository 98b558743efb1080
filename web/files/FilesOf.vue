<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, defineAsyncComponent, ref, shallowRef, useTemplateRef } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import { add, remove } from '#core/makeover/change.ts'
import { blank } from '#core/makeover/blank.ts'
import type { Fields, Row } from '#core/makeover/kinds.ts'
import { NoAnswer, Refused } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { upload } from './upload.ts'

/** The files that hang on a thing: photographed on a phone, chosen, or dropped here. */
const {
  owner,
  name,
  pictures = false,
  many = false,
  onlyLook = false,
} = defineProps<{
  owner: Partial<
    Pick<
      Fields<'attachment'>,
      | 'orderId'
      | 'deliveryId'
      | 'candidateId'
      | 'inspirationId'
      | 'finishId'
      | 'roomId'
      | 'taskId'
      | 'snagId'
      | 'replyId'
      | 'viewId'
      | 'moment'
    >
  >
  name: string
  pictures?: boolean
  many?: boolean
  /** What is here is looked at; nothing is added or taken away. */
  onlyLook?: boolean
}>()
const TakeColours = defineAsyncComponent(() => import('../colour/TakeColours.vue'))
const makeover = useMakeover()
const attachments = useRows('attachment')
const here = computed(() =>
  attachments.value.filter((row) => Object.entries(owner).every(([field, id]) => row[field as 'orderId'] === id)),
)
const input = useTemplateRef<HTMLInputElement>('input')
const problem = ref('')
const busy = ref(false)
/** What share of the file in hand is sent, 0 to 1. */
const sent = ref(0)
const over = ref(false)
const asks = computed(() => (pictures ? 'Drop a picture, or choose one' : 'Photograph, choose or drop a receipt'))
const address = (row: Row<'attachment'>): string => `/api/files/${row.sha256}`

async function take(files: Iterable<File>): Promise<void> {
  const today = makeover.opened?.today
  if (!today) return
  busy.value = true
  sent.value = 0
  problem.value = ''
  for (const file of files) {
    try {
      const kept = await upload(file, { told: (share) => (sent.value = share) })
      const faults = await makeover.change(`Kept a ${pictures ? 'picture' : 'receipt'} with ${name}`, [
        add('attachment', uuidv7(), {
          ...blank.attachment,
          ...owner,
          ...kept,
          name: file.name.slice(0, 200) || 'photograph',
          addedOn: today,
        }),
      ])
      if (faults.length > 0) problem.value = faults.map((fault) => fault.message).join('; ')
    } catch (error) {
      if (error instanceof Refused) problem.value = `${file.name}: ${error.problem.detail}`
      else if (error instanceof NoAnswer)
        problem.value = `${file.name}: the line stayed broken. Choose it again later: it goes on where it stopped.`
      else throw error
    }
  }
  busy.value = false
  if (input.value) input.value.value = ''
}
function drop(event: DragEvent): void {
  over.value = false
  void take([...(event.dataTransfer?.files ?? [])])
}
const takeAway = (row: Row<'attachment'>): Promise<unknown> =>
  makeover.change(`Took “${row.name}” off ${name}`, [
    ...coloursOf(row).map((colour) => remove('takenColour', colour)),
    remove('attachment', row),
  ])
const colours = useRows('takenColour')
const coloursOf = (row: Row<'attachment'>): Row<'takenColour'>[] =>
  colours.value.filter(({ attachmentId }) => attachmentId === row.id)
const picking = shallowRef<Row<'attachment'> | null>(null)
const pickingOpen = ref(false)
function pick(row: Row<'attachment'>): void {
  picking.value = row
  pickingOpen.value = true
}
</script>

<template>
  <div class="files" :class="{ over }" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent="drop">
    <ul v-if="here.length > 0">
      <li v-for="row in here" :key="row.id">
        <a :href="address(row)" target="_blank" rel="noopener">
          <img
            v-if="row.mediaType !== 'application/pdf'"
            :src="`${address(row)}/thumbnail`"
            :alt="row.name"
            loading="lazy"
          />
          <span v-else>{{ row.name }}</span>
        </a>
        <span v-if="coloursOf(row).length > 0" class="colours-taken" :aria-label="`Colours of ${row.name}`" role="img"
          ><i
            v-for="colour in coloursOf(row)"
            :key="colour.id"
            :style="{ background: hexFromLab({ L: colour.labL, a: colour.labA, b: colour.labB }) }"
        /></span>
        <button
          v-if="pictures && row.mediaType !== 'application/pdf'"
          type="button"
          class="word"
          :aria-label="`Take colours from ${row.name}`"
          @click="pick(row)"
        >
          Take colours
        </button>
        <button
          v-if="!onlyLook && (!pictures || many || here.length > 1)"
          type="button"
          class="word"
          :aria-label="`Take away ${row.name}`"
          @click="takeAway(row)"
        >
          Take away
        </button>
      </li>
    </ul>
    <label v-if="!onlyLook && (!pictures || many || here.length === 0)" class="drop">
      <input
        ref="input"
        type="file"
        class="visually-hidden"
        accept="image/jpeg,image/png,image/webp,application/pdf"
        :aria-label="`${asks}: ${name}`"
        :capture="pictures ? undefined : 'environment'"
        multiple
        @change="take([...(($event.target as HTMLInputElement).files ?? [])])"
      />
      <span>{{ busy ? 'Keeping it …' : asks }}</span>
    </label>
    <el-progress
      v-if="busy"
      :percentage="Math.round(100 * sent)"
      :stroke-width="4"
      :show-text="false"
      :aria-label="`Sending the file: ${Math.round(100 * sent)} %`"
    />
    <p v-if="problem" class="error-line" role="alert">{{ problem }}</p>
    <TakeColours v-if="picking" :key="picking.id" v-model="pickingOpen" :picture="picking" />
  </div>
</template>

<style>
.files img {
  display: block;
  max-width: 100%;
  max-height: 130px;
  border: 1px solid var(--rule);
}
.files a {
  display: block;
  min-width: 60px;
  min-height: 28px;
}
.files li {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  padding: 2px 0;
  font-size: 13px;
}
.files .colours-taken {
  display: flex;
  align-self: stretch;
}
.files .colours-taken i {
  width: 22px;
}
.files .drop {
  display: block;
  border: 1px dashed var(--input);
  padding: 5px 10px;
  font-size: 12px;
  line-height: 16px;
  cursor: pointer;
  min-height: 28px;
  color: var(--soft);
}
@media (max-width: 720px) {
  .files .drop {
    min-height: 48px;
    padding: 14px;
    font-size: 14px;
  }
}
.files .drop:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}
.files.over .drop {
  border: 1.5px solid var(--ink);
  color: var(--ink);
}
.error-line {
  border-left: 4px solid var(--ink);
  padding-left: 6px;
  font-weight: 600;
  font-size: 12px;
  line-height: 16px;
  margin-top: 4px;
}
</style>

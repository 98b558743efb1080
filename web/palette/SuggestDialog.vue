<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { layOn } from '#core/makeover/lay.ts'
import { add, type Operation } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { LaidFinish } from '#core/makeover/laid.ts'
import { suggest, wants, type Suggestion, type Want } from '#core/palette/index.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import { schoolOf } from '#core/rulebook/schools.ts'
import RemarkMark from '../parts/RemarkMark.vue'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useSuggested } from './suggested.ts'

/** Whites, neutrals, a second, an accent, a third: from the library or free, each obeying the rules, with its reason. */
const { room, finishes } = defineProps<{ room: Row<'room'>; finishes: readonly LaidFinish[] }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ laid: [id: string] }>()
const makeover = useMakeover()
const want = ref<Want>('white')
const shelf = ref<'library' | 'free'>('library')
const words: Readonly<Record<Want, string>> = {
  white: 'A white',
  neutral: 'A neutral',
  second: 'A second',
  accent: 'An accent',
  third: 'A third for the two mains',
}
const { seen, turned, putAside, back } = useSuggested(() => `${room.id} ${want.value} ${shelf.value}`)
const found = computed(() => {
  const [opened, reckoning] = [makeover.opened, makeover.reckoning]
  return open.value && opened && reckoning
    ? suggest(opened.makeover, reckoning.palette, reckoning.practice, {
        roomId: room.id,
        want: want.value,
        from: shelf.value,
        seen: seen.value,
      })
    : { list: [], why: null }
})
const picked = shallowRef<Suggestion | null>(null)
const preview = shallowRef<Preview | null>(null)
const problem = ref('')
watch([want, shelf, open, turned], () => {
  picked.value = null
  problem.value = ''
})
const round = (value: number): number => Math.round(value * 100) / 100
let fresh = uuidv7()
function laying(suggestion: Suggestion): Operation[] {
  const place =
    1 + Math.max(0, ...finishes.filter((row) => row.role === suggestion.role).map((row) => Math.floor(row.place)))
  return [
    add('finish', fresh, {
      ...blank.finish,
      roomId: room.id,
      name: suggestion.name,
      role: suggestion.role,
      place,
      family: suggestion.family,
      texture: suggestion.texture,
      sheen: suggestion.sheen,
      labL: round(suggestion.lab.L),
      labA: round(suggestion.lab.a),
      labB: round(suggestion.lab.b),
      colourSource: suggestion.from === 'library' ? 'library' : 'lch',
      usedFor: '',
      visibleM2: null,
      suits: suggestion.suits,
    }),
    ...(suggestion.family === 'paint' && want.value === 'white'
      ? layOn(fresh, { ...suggestion, id: fresh }, { surface: 'trim' })
      : []),
  ]
}
watch(picked, async (suggestion) => {
  preview.value = null
  fresh = uuidv7()
  if (!suggestion) return
  const result = await makeover.preview(laying(suggestion))
  if (picked.value === suggestion) preview.value = result
})
async function lay(): Promise<void> {
  const suggestion = picked.value
  if (!suggestion) return
  const faults = await makeover.change(`Laid ${suggestion.name} into the palette, as suggested`, laying(suggestion))
  problem.value = faults.map((fault) => fault.message).join('; ')
  if (faults.length > 0) return
  emit('laid', fresh)
  open.value = false
}
const chip = (suggestion: Suggestion) => ({
  family: suggestion.family,
  texture: suggestion.texture,
  sheen: suggestion.sheen,
  labL: suggestion.lab.L,
  labA: suggestion.lab.a,
  labB: suggestion.lab.b,
})
const beside = computed(() =>
  finishes
    .filter((row) => row.roomId === room.id && row.surface !== 'ceiling')
    .toSorted((left, right) => share(right.id) - share(left.id))
    .slice(0, 3),
)
const share = (id: string): number => byId(makeover.reckoning?.palette.finishes, id)?.share ?? 0
const school = computed(() =>
  makeover.reckoning?.practice.chosen.includes('colours')
    ? schoolOf('colours', makeover.reckoning.practice.schools.colours).name.toLowerCase()
    : null,
)
</script>

<template>
  <el-dialog v-model="open" title="What would go with it" :width="860" append-to-body destroy-on-close align-center>
    <div class="suggest">
      <div class="ask">
        <span role="group" aria-label="What is wanted"
          ><button
            v-for="thisWant in wants"
            :key="thisWant"
            type="button"
            class="word"
            :class="{ here: want === thisWant }"
            :aria-pressed="want === thisWant"
            @click="want = thisWant"
          >
            {{ words[thisWant] }}
          </button></span
        >
        <span role="group" aria-label="Where from"
          ><button
            type="button"
            class="word"
            :class="{ here: shelf === 'library' }"
            :aria-pressed="shelf === 'library'"
            @click="shelf = 'library'"
          >
            from the library</button
          ><button
            type="button"
            class="word"
            :class="{ here: shelf === 'free' }"
            :aria-pressed="shelf === 'free'"
            @click="shelf = 'free'"
          >
            any colour
          </button></span
        >
      </div>
      <p class="quiet">
        For {{ room.name }}, from what is laid there{{ school ? ` and the school “${school}”` : '' }}. Each agrees in
        undertone with everything in the room, and is shown beside what is seen most.
      </p>
      <p v-if="found.why" class="why">{{ found.why }}</p>
      <ul class="on-ground" :class="{ none: found.list.length === 0 }">
        <li v-for="entry in found.list" :key="entry.key">
          <button
            type="button"
            class="bare"
            :aria-pressed="picked?.key === entry.key"
            :aria-label="`${entry.name}: ${entry.reason}`"
            @click="picked = picked?.key === entry.key ? null : entry"
          >
            <span class="look"
              ><MaterialSwatch :finish="chip(entry)" /><span class="near"
                ><MaterialSwatch v-for="row in beside" :key="row.id" :finish="row" :scale="0.6" /></span
            ></span>
            <strong>{{ entry.name }}</strong><span class="reason">{{ entry.reason }}</span>
          </button>
        </li>
      </ul>
      <div class="foot">
        <div class="would" aria-live="polite">
          <template v-if="picked && preview">
            <p v-if="preview.newRemarks.length === 0 && preview.curedRemarks.length === 0" class="quiet">
              {{ picked.name }} brings no new remark.
            </p>
            <p v-for="remark in preview.newRemarks" :key="remark.key">
              <RemarkMark :weight="remark.weight" /> {{ remark.title }}
            </p>
            <p v-for="remark in preview.curedRemarks" :key="remark.key" class="quiet">
              <s>{{ remark.title }}</s>
            </p>
          </template>
          <p v-else-if="found.list.length > 0" class="quiet">Pick one to see what it would change.</p>
          <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
        </div>
        <el-button v-if="turned > 0" @click="back">Earlier</el-button>
        <el-button :disabled="found.list.length === 0" @click="putAside(found.list.map((entry) => entry.key))"
          >Others</el-button
        >
        <el-button type="primary" :disabled="!picked" @click="lay">Lay it in</el-button>
      </div>
    </div>
  </el-dialog>
</template>

<style>
.suggest {
  display: grid;
  gap: 10px;
}
.suggest .ask {
  display: flex;
  justify-content: space-between;
  gap: 6px 24px;
  flex-wrap: wrap;
}
.suggest .ask > span {
  display: flex;
  gap: 4px 18px;
  flex-wrap: wrap;
}
.suggest .here {
  font-weight: 700;
  text-decoration-thickness: 3px;
}
.suggest ul {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 16px;
  background: var(--ground);
  padding: 18px;
}
.suggest ul.none {
  display: none;
}
.suggest li button {
  display: grid;
  width: 100%;
  color: var(--on-ground);
  align-content: start;
}
.suggest .look {
  display: grid;
  grid-template-columns: 2fr 1fr;
  height: 104px;
}
.suggest .near {
  display: grid;
}
.suggest .reason {
  font-size: 12px;
  line-height: 16px;
  color: var(--soft-on-ground);
}
.suggest li strong {
  padding-top: 5px;
  line-height: 18px;
}
.suggest [aria-pressed='true'] > .look {
  outline: 4px solid var(--on-ground);
  outline-offset: 2px;
}
.suggest .why {
  font-size: 15px;
}
.suggest .foot {
  display: flex;
  gap: 12px;
  align-items: end;
}
.suggest .foot .would {
  flex: 1;
  font-size: 13px;
  line-height: 18px;
}
.suggest .foot .el-button + .el-button {
  margin-left: 0;
}
@media (max-width: 720px) {
  .suggest ul {
    grid-template-columns: 1fr 1fr;
  }
}
</style>

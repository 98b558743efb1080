<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { rowsOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeLength } from '#core/measure/length.ts'
import { minus } from '#core/money/minor.ts'
import { atOf, finishOf, heldAgainst, leftoversFor, productOf, takeOff, type TakeOff } from '#core/surfaces/index.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RemarkList from '../remarks/RemarkList.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import InsteadOf from './InsteadOf.vue'
import type { LookedAt } from './looked-at.ts'
import PrepareFirst from './PrepareFirst.vue'
import { heldWords } from './words.ts'

/** One treatment: its working in the order a person would write it, what competes for it, and its line to buy. */
const { taken, lookedAt } = defineProps<{ taken: TakeOff; lookedAt: LookedAt }>()
const emit = defineEmits<{
  change: []
  also: []
  part: [row: Row<'treatedPart'>]
  instead: []
  swap: []
  useUp: [leftover: { amount: number; from: string }]
  sold: []
  makeUp: [candidate: Row<'candidate'>]
  size: [candidate: Row<'candidate'>, row: Row<'saleSize'> | null]
  line: []
  face: [wallId: string]
  take: [treatmentId: string]
}>()
const route = useRoute()
const makeover = useMakeover()
const entry = useEntry()
const reckoned = computed(() => (taken.reckoned?.ok ? taken.reckoned : null))
const error = computed(() => (taken.reckoned && !taken.reckoned.ok ? taken.reckoned.error : ''))
const row = computed(() => makeover.opened?.makeover.rows.treatment[taken.treatment.id] ?? taken.treatment)
const parts = computed(() =>
  makeover.opened
    ? rowsOf(makeover.opened.makeover, 'treatedPart').filter((part) => part.treatmentId === taken.treatment.id)
    : [],
)
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter((remark) =>
    remark.subjects.some(({ id }) => id === taken.treatment.id || id === taken.finish.id),
  ),
)
const held = computed(() =>
  makeover.opened && makeover.reckoning
    ? heldAgainst(makeover.opened.makeover, taken, makeover.reckoning.takeOffs, makeover.reckoning.money.pieces)
    : null,
)
/** Every candidate of its line with what it would cost here, the cheapest first. */
const competing = computed(() => {
  const { opened } = makeover
  const measured = lookedAt.here.value
  const { pieceId } = row.value
  if (!opened || !measured || pieceId === null) return []
  const finish = finishOf(opened.makeover, row.value)
  const chosenId = opened.makeover.rows.piece[pieceId]?.chosenId ?? null
  if (!finish) return []
  const at = atOf(opened.makeover, measured, lookedAt.rules.value)
  return rowsOf(opened.makeover, 'candidate')
    .filter((candidate) => candidate.pieceId === pieceId && candidate.turnedDown === null)
    .map((candidate) => {
      const found = takeOff(at, finish, row.value, productOf(opened.makeover, candidate))
      return {
        candidate,
        chosen: candidate.id === chosenId,
        words: found.reckoned?.ok ? found.reckoned.words : (found.reckoned?.error ?? ''),
        cost: found.buying?.cost ?? null,
        sizes: rowsOf(opened.makeover, 'saleSize').filter(({ candidateId }) => candidateId === candidate.id),
      }
    })
    .toSorted((left, right) => (left.cost ?? Infinity) - (right.cost ?? Infinity))
})
const chosenCost = computed(() => competing.value.find(({ chosen }) => chosen)?.cost ?? null)
/** What was thought of in its place, beside it. */
const thought = computed(() =>
  lookedAt.taken.value.filter(({ treatment }) => treatment.insteadOfId === taken.treatment.id),
)
const isThought = computed(() => row.value.insteadOfId !== null)
/** What is left over of it elsewhere. */
const leftovers = computed(() =>
  makeover.opened && makeover.reckoning
    ? leftoversFor(makeover.opened.makeover, taken, makeover.reckoning.takeOffs)
    : [],
)
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const spotOf = (part: Row<'treatedPart'>): string => {
  const wall = lookedAt.here.value?.room.walls.find(({ row: wallRow }) => wallRow.id === part.wallId)
  const band =
    part.bandFromMm === null && part.bandToMm === null
      ? ''
      : `, ${length(part.bandFromMm ?? 0)} to ${part.bandToMm === null ? 'the ceiling' : length(part.bandToMm)}`
  return `${wall ? wall.name : part.surface}${band}`
}
</script>

<template>
  <h2>{{ taken.finish.name }}, {{ taken.treatment.how }}</h2>
  <p class="quiet spots">
    <button v-for="part in parts" :key="part.id" type="button" class="word" @click="emit('part', part)">
      {{ spotOf(part) }}
    </button>
    <button type="button" class="word" @click="emit('also')">also on …</button>
  </p>
  <hr />
  <p v-if="error" class="stop-line">{{ error.replace(/^./, (letter) => letter.toUpperCase()) }}.</p>
  <dl v-if="reckoned" class="pairs working">
    <div v-for="(line, index) in reckoned.lines" :key="index">
      <dt>
        <button v-if="line.wallId" type="button" class="word" @click="emit('face', line.wallId)">
          {{ line.label }}</button><template v-else>{{ line.label }}</template>
        <span v-if="line.how" class="quiet how">{{ line.how }}</span>
      </dt>
      <dd>{{ line.amount }}</dd>
    </div>
  </dl>
  <template v-if="reckoned && reckoned.beside.length > 0">
    <hr />
    <dl class="pairs working">
      <div v-for="(line, index) in reckoned.beside" :key="index">
        <dt>
          {{ line.label }} <span v-if="line.how" class="quiet how">{{ line.how }}</span>
        </dt>
        <dd>{{ line.amount }}</dd>
      </div>
    </dl>
  </template>
  <p v-for="saying in reckoned?.says ?? []" :key="saying.text" class="quiet">{{ saying.text }}</p>
  <p v-for="leftover in leftovers" :key="leftover.from">
    {{ leftover.amount }} {{ leftover.unit }} are left of {{ leftover.from }}.
    <button type="button" class="word" @click="emit('useUp', leftover)">Use them first</button>
  </p>
  <PrepareFirst v-if="taken.works.length > 0" :taken="taken" />
  <template v-if="competing.length > 0">
    <hr />
    <h3>What it would cost here</h3>
    <ul class="competing">
      <li v-for="{ candidate, chosen, words, cost, sizes } in competing" :key="candidate.id">
        <strong v-if="chosen">{{ candidate.name }}</strong><template v-else>{{ candidate.name }}</template
        ><span class="quiet">{{ `, ${words}` }}</span>
        <span class="cost"
          ><template v-if="cost !== null"
            ><MoneyAmount :amount="cost" :currency="makeover.currency" /><span
              v-if="!chosen && chosenCost !== null"
              class="quiet"
            >
              (<template v-if="cost > chosenCost">+</template
              ><MoneyAmount :amount="minus(cost, chosenCost)" :currency="makeover.currency" />)</span
            ></template
          ><template v-else>–</template></span
        >
        <span class="quiet acts"
          ><button type="button" class="word" @click="emit('makeUp', candidate)">made up of</button>
          <button
            v-for="size in sizes"
            :key="size.id"
            type="button"
            class="word"
            @click="emit('size', candidate, size)"
          >
            {{ size.name }}
          </button>
          <button type="button" class="word" @click="emit('size', candidate, null)">another size</button></span
        >
      </li>
    </ul>
  </template>
  <template v-if="thought.length > 0">
    <hr />
    <h3>Instead of it</h3>
    <ul class="competing">
      <li v-for="other in thought" :key="other.treatment.id">
        <button type="button" class="word" @click="emit('take', other.treatment.id)">
          {{ other.finish.name }}, {{ other.treatment.how }}
        </button>
        <span class="quiet">{{ other.reckoned?.ok ? other.reckoned.words : (other.reckoned?.error ?? '') }}</span>
        <span class="cost"
          ><MoneyAmount v-if="other.buying" :amount="other.buying.cost" :currency="makeover.currency"
        /></span>
      </li>
    </ul>
  </template>
  <InsteadOf v-if="isThought" :taken="taken" :looked-at="lookedAt" />
  <RemarkList v-if="remarks.length > 0" :remarks="remarks" />
  <div class="tag-actions">
    <el-button
      v-if="held && (held.state === 'no line' || held.state === 'to update')"
      type="primary"
      @click="emit('line')"
      >{{ heldWords(held) }}</el-button
    >
    <el-button v-if="isThought" type="primary" @click="emit('swap')">Do it instead</el-button>
    <el-button @click="emit('change')">Change</el-button>
    <el-button v-if="taken.treatment.insteadOfId === null" @click="emit('instead')">Think of another</el-button>
    <el-button @click="emit('sold')">{{ competing.length > 0 ? 'Another product' : 'What it is bought as' }}</el-button>
    <router-link
      v-if="row.pieceId"
      class="word"
      :to="{ name: 'piece', params: { id: String(route.params.id), pieceId: row.pieceId } }"
      >Its line{{ held ? `: ${heldWords(held)}` : '' }}</router-link
    >
  </div>
</template>

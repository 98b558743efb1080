<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { edit, remove, type Operation } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { whyNot } from '#core/pieces/index.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { writeDate, writeShortDate } from '#core/measure/plain-date.ts'

import { useKeys } from '../frame/keys.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import OrderDialog from '../purchases/OrderDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

import CandidateDialog from './CandidateDialog.vue'
import ChooseDialog from './ChooseDialog.vue'
import { questionForm } from '../brief/answer-forms.ts'
import { useSetting } from '../stores/setting.ts'
import RowDialog from '../parts/RowDialog.vue'
import ArrivalsDialog from './ArrivalsDialog.vue'
import PieceDialog from './PieceDialog.vue'
import { priceForm, turnDownForm } from './forms.ts'
import PieceTag, { type PieceAct } from './PieceTag.vue'
import { useSideBySide } from './side-by-side.ts'
import SideBySide, { type CandidateAct } from './SideBySide.vue'
import SubstituteDialog from './SubstituteDialog.vue'

const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const needs = useRows('need')
const servings = useRows('serving')
const prices = useRows('price')
const substitutions = useRows('substitution')
const questions = useRows('question')
const setting = useSetting()
const rows = useRows('candidate')
const pieces = useRows('piece')
const categories = useRows('category')

const piece = computed(() => byId(pieces.value, String(route.params.pieceId)) ?? null)
const reading = computed(() => byId(makeover.reckoning?.money.pieces, piece.value?.id) ?? null)
const served = computed(() =>
  servings.value
    .filter((row) => row.pieceId === piece.value?.id)
    .map((row) => byId(needs.value, row.needId)?.name ?? ''),
)
const category = computed(() => byId(categories.value, piece.value?.categoryId) ?? null)
const candidates = useSideBySide(() => piece.value)
const chosen = computed(() => candidates.value.find((candidate) => candidate.chosen) ?? null)
const replaced = computed(() => substitutions.value.filter((row) => row.pieceId === piece.value?.id))
const candidateName = (id: string): string => byId(rows.value, id)?.name ?? ''
const clientName = (id: string | null): string => (id ? (makeover.opened?.makeover.rows.client[id]?.name ?? '') : '')
const asked = computed(() => questions.value.filter((row) => row.pieceId === piece.value?.id))

const editOpen = ref(false)
const candidateOpen = ref(false)
const edited = ref<Row<'candidate'> | null>(null)
const chooseOpen = ref(false)
const choosing = ref<Row<'candidate'> | null>(null)
const orderOpen = ref(false)
const problem = ref('')
const arriving = ref(false)

function openCandidate(row: Row<'candidate'> | null): void {
  edited.value = row
  candidateOpen.value = true
}
function choose(row: Row<'candidate'>): void {
  choosing.value = row
  // what replaces a choice that was made is a substitution: the planned line is kept beside it
  if (chosen.value) substituteOpen.value = true
  else chooseOpen.value = true
}
const substituteOpen = ref(false)
const substitute = computed(() => candidates.value.find((candidate) => candidate.row.id === choosing.value?.id) ?? null)
const priceOpen = ref(false)
const turningOpen = ref(false)
const questionOpen = ref(false)
const notBecause = (row: Row<'candidate'>): string => {
  const found = candidates.value.find((candidate) => candidate.row.id === row.id)
  return found ? whyNot(found, chosen.value !== null) : ''
}
const forms = computed(() =>
  setting.value && piece.value
    ? {
        price: priceForm(setting.value, edited.value),
        turnDown: turnDownForm(edited.value ? notBecause(edited.value) : ''),
        question: questionForm(setting.value, piece.value.id),
      }
    : null,
)
function notePrice(row: Row<'candidate'>): void {
  edited.value = row
  priceOpen.value = true
}
function turnDown(row: Row<'candidate'>): void {
  edited.value = row
  turningOpen.value = true
}
async function makeIt(sentence: string, operations: Parameters<typeof makeover.change>[1]): Promise<boolean> {
  const faults = await makeover.change(sentence, operations)
  problem.value = faults.map((fault) => fault.message).join('; ')
  return faults.length === 0
}
const furtherColours = useRows('candidateColour')
const makeUps = useRows('makeUp')
const sizes = useRows('saleSize')
const treatments = useRows('treatment')
const sundries = useRows('sundry')
const everythingOf = (row: Row<'candidate'>): Operation[] => [
  ...furtherColours.value
    .filter((furtherColour) => furtherColour.candidateId === row.id)
    .map((furtherColour) => remove('candidateColour', furtherColour)),
  ...prices.value.filter((price) => price.candidateId === row.id).map((price) => remove('price', price)),
  ...makeUps.value.filter((makeUp) => makeUp.candidateId === row.id).map((makeUp) => remove('makeUp', makeUp)),
  ...sizes.value.filter((size) => size.candidateId === row.id).map((size) => remove('saleSize', size)),
  remove('candidate', row),
]
async function takeAway(): Promise<void> {
  const gone = piece.value
  if (!gone) return
  if (
    await makeIt(`Took away the piece “${gone.name}”`, [
      ...candidates.value.flatMap(({ row }) => everythingOf(row)),
      ...servings.value.filter((row) => row.pieceId === gone.id).map((row) => remove('serving', row)),
      ...treatments.value
        .filter((row) => row.pieceId === gone.id)
        .map((row) => edit('treatment', row, { pieceId: null })),
      ...sundries.value.filter((row) => row.pieceId === gone.id).map((row) => edit('sundry', row, { pieceId: null })),
      remove('piece', gone),
    ])
  )
    await router.push({ name: 'pieces', params: { id: route.params.id } })
}
const unchoose = (): Promise<boolean> | undefined =>
  piece.value
    ? makeIt(`Left open again: ${piece.value.name}`, [edit('piece', piece.value, { chosenId: null, chosenReason: '' })])
    : undefined
function act(what: PieceAct): void {
  if (what === 'ask') questionOpen.value = true
  else if (what === 'order') orderOpen.value = true
  else if (what === 'change') editOpen.value = true
  else void (what === 'leave open' ? unchoose() : takeAway())
}
function actOn(what: CandidateAct, row: Row<'candidate'>): void {
  if (what === 'choose') choose(row)
  else if (what === 'change') openCandidate(row)
  else if (what === 'price') notePrice(row)
  else if (what === 'turn down') turnDown(row)
  else if (what === 'take up') void makeIt(`Took up again: ${row.name}`, [edit('candidate', row, { turnedDown: null })])
  else void makeIt(`Took away the candidate “${row.name}”`, everythingOf(row))
}
useKeys([
  { key: 'n', does: 'A new candidate', run: () => openCandidate(null) },
  { key: 'v', does: 'Bring in a page, a list or a paste', run: () => (arriving.value = true) },
  { key: 'a', does: 'Ask them about this piece', run: () => (questionOpen.value = true) },
  {
    key: 'o',
    does: 'Order what is chosen',
    run: () => (orderOpen.value = Boolean(piece.value?.chosenId && (reading.value?.open ?? 0) > 0)),
  },
])
</script>

<template>
  <div v-if="piece && reading" class="piece-page">
    <p class="crumb"><router-link :to="{ name: 'pieces', params: { id: $route.params.id } }">Pieces</router-link></p>
    <div class="page-head">
      <h1 :data-line="piece.id">{{ piece.name }}</h1>
      <span class="quiet"
        >{{ writeQuantity(piece.quantity, piece.unit) }} ·
        {{ served.length > 0 ? `for “${served.join('”, “')}”` : 'for no need yet' }} ·
        {{ category?.name ?? 'costs nothing' }}</span
      >
      <span class="end"
        ><button type="button" class="word" @click="arriving = true">Bring in<kbd aria-hidden="true">V</kbd></button
        ><button type="button" class="word" @click="openCandidate(null)">
          Add a candidate<kbd aria-hidden="true">N</kbd>
        </button></span
      >
    </div>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-if="candidates.length === 0" class="opening">
      No candidate yet. Add two or more real things at real sellers; they are compared by what they cost here, not by
      their list price.
    </p>
    <SideBySide v-else :candidates="candidates" :piece="piece" :reading="reading" @act="actOn" />
    <section v-if="replaced.length > 0 || asked.length > 0" class="kept-lines">
      <p v-for="row in replaced" :key="row.id">
        <strong>Planned was {{ candidateName(row.fromId) }}</strong> at
        <MoneyAmount :amount="row.fromLandedMinor" :currency="makeover.currency" />; {{ candidateName(row.toId) }} at
        <MoneyAmount :amount="row.toLandedMinor" :currency="makeover.currency" /> was taken instead on
        {{ writeDate(row.madeOn) }}: {{ row.reason
        }}<span class="quiet">{{
          row.agreedById ? `, agreed by ${clientName(row.agreedById)}` : ', not agreed yet'
        }}</span>
      </p>
      <p v-for="row in asked" :key="row.id">
        <strong>Asked:</strong> {{ row.ask }}
        <span class="quiet">{{
          row.answer === 'waiting'
            ? `no answer since ${writeShortDate(row.askedOn)}`
            : `they said ${row.answer}${row.answerNote ? `: “${row.answerNote}”` : ''}`
        }}</span>
      </p>
    </section>
    <Teleport defer to="#tag">
      <PieceTag :piece="piece" :reading="reading" :chosen="chosen?.row ?? null" @act="act" />
    </Teleport>
    <PieceDialog v-model="editOpen" :piece="piece" />
    <ArrivalsDialog v-model="arriving" :piece-id="piece.id" />
    <CandidateDialog v-model="candidateOpen" :piece="piece" :candidate="edited" />
    <ChooseDialog v-if="choosing" v-model="chooseOpen" :piece="piece" :candidate="choosing" />
    <SubstituteDialog
      v-if="chosen && substitute"
      v-model="substituteOpen"
      :piece="piece"
      :chosen="chosen"
      :substitute="substitute"
    />
    <template v-if="forms">
      <RowDialog v-model="priceOpen" :form="forms.price" />
      <RowDialog v-model="turningOpen" :form="forms.turnDown" :row="edited" />
      <RowDialog v-model="questionOpen" :form="forms.question" />
    </template>
    <OrderDialog v-model="orderOpen" :first="piece" />
  </div>
  <p v-else class="quiet">
    This piece is no longer there.
    <router-link :to="{ name: 'pieces', params: { id: $route.params.id } }">To the pieces</router-link>
  </p>
</template>

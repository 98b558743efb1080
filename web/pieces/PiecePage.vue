<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { hexFromLab } from '#core/colour/lab.ts'
import { edit, remove } from '#core/makeover/change.ts'
import { headOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { addDays, daysBetween, writeDate } from '#core/measure/plain-date.ts'
import { minus } from '#core/money/minor.ts'
import { writeRate } from '#core/money/written.ts'
import { nearestFinish, seenWords } from '#core/palette/index.ts'
import { landedCost, landedWorking, packsFor, pieceWorking, quantityOf } from '#core/purchases/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { useKeys } from '../frame/keys.ts'
import FigureButton from '../parts/FigureButton.vue'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import OrderDialog from '../purchases/OrderDialog.vue'
import RemarkList from '../remarks/RemarkList.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import CandidateDialog from './CandidateDialog.vue'
import ChooseDialog from './ChooseDialog.vue'
import PieceDialog from './PieceDialog.vue'

const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const working = useWorking()
const rules = effectiveRules()
const needs = useRows('need')
const finishes = useRows('finish')
const rows = useRows('candidate')
const pieces = useRows('piece')
const categories = useRows('category')

const piece = computed(() => pieces.value.find((one) => one.id === route.params.pieceId) ?? null)
const reading = computed(() => makeover.reckoning?.money.pieces.find((one) => one.id === piece.value?.id) ?? null)
const need = computed(() => needs.value.find((one) => one.id === piece.value?.needId) ?? null)
const category = computed(() => categories.value.find((one) => one.id === piece.value?.categoryId) ?? null)
const remarks = computed(() => (makeover.reckoning?.remarks ?? []).filter((remark) => remark.subjects.some((subject) => subject.id === piece.value?.id)))

/** Each candidate with what is computed of it, for all that is wanted of the piece. */
const candidates = computed(() => {
  const wanted = piece.value
  if (!wanted || !makeover.opened) return []
  const installOn = headOf(makeover.opened.makeover)?.installOn ?? null
  const wantedOn = installOn ? addDays(installOn, -rules['dates.buffer']) : null
  const { today, studio } = makeover.opened
  return rows.value
    .filter((row) => row.pieceId === wanted.id)
    .map((row) => {
      const packs = packsFor(wanted.quantity, row.packSize)
      const landed = landedCost(row, packs)
      const lab = row.labL !== null && row.labA !== null && row.labB !== null ? { L: row.labL, a: row.labA, b: row.labB } : null
      const near = lab ? nearestFinish(lab, finishes.value) : null
      const here = addDays(today, row.leadDays)
      return {
        row,
        seller: studio.rows.seller[row.sellerId]?.name ?? '',
        packs,
        over: Math.round((quantityOf(packs, row.packSize) - wanted.quantity) * 1000) / 1000,
        landed,
        against: minus(wanted.allowanceMinor, landed.landed),
        hex: lab ? hexFromLab(lab) : null,
        swatch: lab ? { family: 'paper' as const, sheen: 'matt' as const, labL: lab.L, labA: lab.a, labB: lab.b } : null,
        near,
        orderBy: wantedOn ? addDays(wantedOn, -row.leadDays) : null,
        slack: wantedOn ? daysBetween(here, wantedOn) : null,
        chosen: row.id === wanted.chosenId,
        ordered: Object.values(makeover.opened?.makeover.rows.purchase ?? {}).some((purchase) => purchase.candidateId === row.id),
      }
    })
})
const cheapest = computed(() => Math.min(...candidates.value.map((one) => one.landed.landed)))

const editOpen = ref(false)
const candidateOpen = ref(false)
const edited = ref<Row<'candidate'> | null>(null)
const chooseOpen = ref(false)
const choosing = ref<Row<'candidate'> | null>(null)
const orderOpen = ref(false)
const problem = ref('')

function openCandidate(row: Row<'candidate'> | null): void {
  edited.value = row
  candidateOpen.value = true
}
function choose(row: Row<'candidate'>): void {
  choosing.value = row
  chooseOpen.value = true
}
async function makeIt(sentence: string, operations: Parameters<typeof makeover.change>[1]): Promise<boolean> {
  const faults = await makeover.change(sentence, operations)
  problem.value = faults.map((fault) => fault.message).join('; ')
  return faults.length === 0
}
async function takeAway(): Promise<void> {
  const gone = piece.value
  if (!gone) return
  if (await makeIt(`Took away the piece “${gone.name}”`, [...candidates.value.map(({ row }) => remove('candidate', row)), remove('piece', gone)])) await router.push({ name: 'pieces', params: { id: route.params.id } })
}
const unchoose = (): Promise<boolean> | undefined => (piece.value ? makeIt(`Left open again: ${piece.value.name}`, [edit('piece', piece.value, { chosenId: null, chosenReason: '' })]) : undefined)
useKeys([
  { key: 'n', does: 'A new candidate', run: () => openCandidate(null) },
  { key: 'o', does: 'Order what is chosen', run: () => (orderOpen.value = Boolean(piece.value?.chosenId && (reading.value?.open ?? 0) > 0)) },
])
</script>

<template>
  <div v-if="piece && reading" class="piece-page">
    <p class="crumb"><router-link :to="{ name: 'pieces', params: { id: $route.params.id } }">Pieces</router-link></p>
    <div class="page-head">
      <h1>{{ piece.name }}</h1>
      <span class="quiet">{{ writeQuantity(piece.quantity, piece.unit) }} · {{ need ? `for “${need.name}”` : 'for no need yet' }} · {{ category?.name }}</span>
      <span class="end"><button type="button" class="word" @click="openCandidate(null)">Add a candidate<kbd>N</kbd></button></span>
    </div>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-if="candidates.length === 0" class="opening">No candidate yet. Add two or more real things at real sellers; they are compared by what they cost here, not by their list price.</p>
    <div v-else class="scroll" tabindex="0" role="region" aria-label="Candidates side by side">
      <table class="side-by-side">
        <thead>
          <tr>
            <td />
            <th v-for="one in candidates" :key="one.row.id" scope="col" :class="{ chosen: one.chosen }">
              <span class="colour on-ground"><span><MaterialSwatch v-if="one.swatch" :finish="one.swatch" /></span></span>
              <strong>{{ one.row.name }}</strong>
              <span>{{ one.seller }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Price</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }"><MoneyAmount :amount="one.row.priceMinor" :currency="makeover.currency" /><span class="quiet">{{ one.row.packSize === 1 ? '' : ` a pack of ${one.row.packSize} ${piece.unit}` }}{{ one.row.discountPpm > 0 ? `, less ${writeRate(one.row.discountPpm)}` : '' }}</span></td>
          </tr>
          <tr>
            <th scope="row">To buy</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">{{ one.row.packSize === 1 ? one.packs : writeQuantity(one.packs, 'packs') }}<span v-if="one.over > 0" class="quiet">, {{ writeQuantity(one.over, piece.unit) }} over</span></td>
          </tr>
          <tr>
            <th scope="row">Delivery, tax</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }"><MoneyAmount :amount="one.row.deliveryMinor" :currency="makeover.currency" /><span class="quiet">, {{ writeRate(one.row.taxPpm) }}{{ one.row.taxIncluded ? ' included' : '' }}</span></td>
          </tr>
          <tr class="landed">
            <th scope="row">Landed</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <strong><FigureButton :amount="one.landed.landed" :of="`Landed cost of ${one.row.name}`" @click="working.showWorking(landedWorking(one.row, one.landed, makeover.currency))" /></strong>
              <span v-if="one.landed.landed === cheapest && candidates.length > 1" class="quiet"> least</span>
            </td>
          </tr>
          <tr>
            <th scope="row">Against the allowance</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }"><template v-if="one.against >= 0"><MoneyAmount :amount="one.against" :currency="makeover.currency" /> <span class="quiet">under</span></template><span v-else class="inverted"><MoneyAmount :amount="minus(one.landed.landed, piece.allowanceMinor)" :currency="makeover.currency" /> over</span></td>
          </tr>
          <tr>
            <th scope="row">Colour</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }"><template v-if="one.near">ΔE {{ one.near.deltaE.toFixed(1) }} from {{ one.near.finish.name }} <span class="quiet seen">{{ seenWords(one.near.deltaE, rules) }}</span></template><span v-else class="quiet">{{ one.hex ?? 'not known' }}</span></td>
          </tr>
          <tr>
            <th scope="row">Lead time</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">{{ one.row.leadDays }} days</td>
          </tr>
          <tr v-if="reading.open > 0">
            <th scope="row">Order by</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }"><template v-if="one.orderBy">{{ writeDate(one.orderBy) }}<span class="quiet">, </span><span :class="one.slack !== null && one.slack < 0 ? 'inverted' : 'quiet'">{{ one.slack !== null && one.slack < 0 ? `${-one.slack} days late` : `${one.slack} days slack` }}</span></template><span v-else class="quiet">no install date</span></td>
          </tr>
          <tr>
            <th scope="row">To return</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">{{ one.row.returnDays === null ? 'final sale' : `${one.row.returnDays} days from delivery` }}</td>
          </tr>
          <tr class="last">
            <th scope="row"><span class="visually-hidden">Do</span></th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <strong v-if="one.chosen" class="is-chosen">Chosen</strong>
              <el-button v-else-if="reading.open > 0" type="primary" :aria-label="`Choose ${one.row.name}`" @click="choose(one.row)">Choose</el-button>
              <button type="button" class="word" :aria-label="`Change ${one.row.name}`" @click="openCandidate(one.row)">Change</button>
              <button v-if="!one.chosen && !one.ordered" type="button" class="word" :aria-label="`Take away ${one.row.name}`" @click="makeIt(`Took away the candidate “${one.row.name}”`, [remove('candidate', one.row)])">Take away</button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <Teleport defer to="#tag">
      <section class="tag" aria-label="Piece">
        <span class="hole" aria-hidden="true" />
        <h2>{{ piece.name }}</h2>
        <p v-if="piece.chosenId && piece.chosenReason">{{ piece.chosenReason }}.</p>
        <p v-else-if="!piece.chosenId" class="quiet">Nothing chosen yet: it counts with its allowance.</p>
        <hr />
        <dl class="pairs">
          <div><dt>Allowance</dt><dd><MoneyAmount :amount="piece.allowanceMinor" :currency="makeover.currency" /></dd></div>
          <div><dt>Ordered</dt><dd>{{ writeQuantity(reading.ordered, piece.unit) }}</dd></div>
          <div v-if="reading.givenUp > 0"><dt>Back, not wanted again</dt><dd>{{ writeQuantity(reading.givenUp, piece.unit) }}</dd></div>
          <div><dt>Still wanted</dt><dd>{{ writeQuantity(reading.open, piece.unit) }}</dd></div>
          <div><dt>Still to buy</dt><dd><strong><FigureButton :amount="reading.stillToBuy" of="Still to buy" @click="makeover.opened && reading && working.showWorking(pieceWorking(makeover.opened.makeover, reading))" /></strong></dd></div>
        </dl>
        <RemarkList :remarks="remarks" />
        <div class="tag-actions">
          <el-button v-if="piece.chosenId && reading.open > 0" type="primary" @click="orderOpen = true">Order</el-button>
          <el-button @click="editOpen = true">Change</el-button>
          <el-button v-if="piece.chosenId && reading.ordered === 0" @click="unchoose">Leave open</el-button>
          <el-button v-if="reading.ordered === 0" @click="takeAway">Take away</el-button>
        </div>
      </section>
    </Teleport>
    <PieceDialog v-model="editOpen" :piece="piece" />
    <CandidateDialog v-model="candidateOpen" :piece="piece" :candidate="edited" />
    <ChooseDialog v-if="choosing" v-model="chooseOpen" :piece="piece" :candidate="choosing" />
    <OrderDialog v-model="orderOpen" :piece="piece" />
  </div>
  <p v-else class="quiet">This piece is no longer there. <router-link :to="{ name: 'pieces', params: { id: $route.params.id } }">To the pieces</router-link></p>
</template>

<style>
.crumb { font-size: 13px; margin-bottom: 2px; }
.side-by-side { width: auto; min-width: 100%; table-layout: fixed; }
.side-by-side thead td { border: 0; width: 128px; }
.side-by-side thead th { padding: 0 14px 10px; font-size: 13px; line-height: 18px; color: var(--soft); min-width: 170px; }
.side-by-side thead strong { display: block; color: var(--ink); font-size: 14px; line-height: 20px; }
.side-by-side .colour { display: block; background: var(--ground); padding: 12px; margin: 0 -14px 8px; height: 76px; }
.side-by-side .colour > span { display: block; height: 100%; background: repeating-linear-gradient(-55deg, var(--line-on-ground) 0 1px, transparent 1px 8px); }
.side-by-side tbody th { border-bottom: 1px solid var(--hairline); padding: 6px 12px 6px 0; font-size: 13px; line-height: 20px; vertical-align: top; }
.side-by-side tbody td { padding: 6px 14px; }
.side-by-side td.chosen { background: var(--shade); }
.side-by-side th.chosen { box-shadow: inset 0 4px 0 var(--ink); background: var(--shade); }
.side-by-side .landed td { font-size: 15px; }
.side-by-side .seen { display: block; font-size: 12px; line-height: 16px; }
.side-by-side .last td { border-bottom: 0; padding-top: 12px; }
.side-by-side .last .word { margin-left: 10px; font-size: 13px; }
.side-by-side .last .el-button { padding: 8px 11px; }
.is-chosen { display: inline-block; padding: 5px 0; }
</style>

<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { hexFromLab } from '#core/colour/lab.ts'
import { edit, remove, type Operation } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { writeDate, writeShortDate } from '#core/measure/plain-date.ts'
import { minus } from '#core/money/minor.ts'
import { writeRate } from '#core/money/written.ts'
import { because, insteadOf } from '#core/brief/index.ts'
import { nearestFinish, seenWords } from '#core/palette/index.ts'
import { compareCandidates } from '#core/pieces/index.ts'
import { workingLine } from '#core/money/working.ts'
import { landedWorking, pieceWorking } from '#core/purchases/index.ts'
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
import { questionForm } from '../brief/forms.ts'
import { useSetting } from '../brief/setting.ts'
import FilesOf from '../files/FilesOf.vue'
import RowDialog from '../parts/RowDialog.vue'
import PieceDialog from './PieceDialog.vue'
import { priceForm, turnDownForm } from './forms.ts'
import SubstituteDialog from './SubstituteDialog.vue'

const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const working = useWorking()
const needs = useRows('need')
const servings = useRows('serving')
const prices = useRows('price')
const substitutions = useRows('substitution')
const questions = useRows('question')
const setting = useSetting()
const finishes = useRows('finish')
const rows = useRows('candidate')
const pieces = useRows('piece')
const categories = useRows('category')

const piece = computed(() => byId(pieces.value, String(route.params.pieceId)) ?? null)
const reading = computed(() => byId(makeover.reckoning?.money.pieces, piece.value?.id) ?? null)
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const served = computed(() =>
  servings.value
    .filter((row) => row.pieceId === piece.value?.id)
    .map((row) => byId(needs.value, row.needId)?.name ?? ''),
)
const category = computed(() => byId(categories.value, piece.value?.categoryId) ?? null)
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter((remark) =>
    remark.subjects.some((subject) => subject.id === piece.value?.id),
  ),
)
const purchases = useRows('purchase')
const ordered = (row: Row<'candidate'>): boolean => purchases.value.some((purchase) => purchase.candidateId === row.id)

/** Each candidate with what is computed of it, for all that is wanted of the piece. */
const candidates = computed(() => {
  const wanted = piece.value
  if (!wanted || !makeover.opened) return []
  return compareCandidates(
    makeover.opened.makeover,
    makeover.opened.studio,
    wanted,
    rules.value,
    makeover.opened.today,
  ).map((compareCandidate) => {
    const lab =
      compareCandidate.row.labL !== null && compareCandidate.row.labA !== null && compareCandidate.row.labB !== null
        ? { L: compareCandidate.row.labL, a: compareCandidate.row.labA, b: compareCandidate.row.labB }
        : null
    return {
      ...compareCandidate,
      hex: lab ? hexFromLab(lab) : null,
      swatch: lab ? { family: 'paper' as const, sheen: 'matt' as const, labL: lab.L, labA: lab.a, labB: lab.b } : null,
      near: lab ? nearestFinish(lab, finishes.value) : null,
      chosen: compareCandidate.row.id === wanted.chosenId,
      ordered: ordered(compareCandidate.row),
      kept: compareCandidate.row.keepReason === 'sentimental',
    }
  })
})
const chosen = computed(() => candidates.value.find((candidate) => candidate.chosen) ?? null)
const tied = (candidate: (typeof candidates.value)[number], tie: 'same' | 'hue' | 'clash'): string =>
  candidate.cells
    .filter((cell) => cell.tie === tie)
    .map((cell) => byId(finishes.value, cell.finishId)?.name ?? '')
    .join(', ')
/** "is Damson; ties to Elm", or nothing. */
const tiesOf = (candidate: (typeof candidates.value)[number]): string =>
  [
    tied(candidate, 'same') && `is ${tied(candidate, 'same')}`,
    tied(candidate, 'hue') && `ties to ${tied(candidate, 'hue')}`,
  ]
    .filter(Boolean)
    .join('; ')
const pricesOf = (row: Row<'candidate'>): Row<'price'>[] =>
  prices.value
    .filter((price) => price.candidateId === row.id)
    .toSorted((left, right) => (left.seenOn < right.seenOn ? 1 : -1))
const replaced = computed(() => substitutions.value.filter((row) => row.pieceId === piece.value?.id))
const candidateName = (id: string): string => byId(rows.value, id)?.name ?? ''
const clientName = (id: string | null): string => (id ? (makeover.opened?.makeover.rows.client[id]?.name ?? '') : '')
const asked = computed(() => questions.value.filter((row) => row.pieceId === piece.value?.id))

/** The working of a score: what is known of each criterion, how good that is, and what it weighs. */
function showScore(candidate: (typeof candidates.value)[number]): void {
  const known = candidate.marks.filter((mark) => mark.score !== null)
  const weight = known.reduce((total, mark) => total + mark.weight, 0)
  working.showWorking({
    title: `Score of ${candidate.row.name}`,
    means: 'What can be computed of it, each from 0 to 100, by its weight. What is not known is left out.',
    lines: candidate.marks.map((mark) =>
      workingLine(
        `${mark.criterion}, weight ${mark.weight}`,
        mark.score === null ? '–' : String(Math.round(100 * mark.score)),
        mark.said,
      ),
    ),
    result: workingLine(
      'Score',
      String(Math.round(candidate.score)),
      `Σ score × weight ÷ ${weight}; the weights are rules of the studio, or set by a school`,
    ),
  })
}
const cheapest = computed(() =>
  Math.min(
    ...candidates.value
      .filter((candidate) => candidate.row.turnedDown === null)
      .map((candidate) => candidate.landed.landed),
  ),
)

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
  // what replaces a choice that was made is a substitution: the planned line is kept beside it
  if (chosen.value) substituteOpen.value = true
  else chooseOpen.value = true
}
const substituteOpen = ref(false)
const substitute = computed(() => candidates.value.find((candidate) => candidate.row.id === choosing.value?.id) ?? null)
const priceOpen = ref(false)
const turningOpen = ref(false)
const questionOpen = ref(false)
const forms = computed(() =>
  setting.value && piece.value
    ? {
        price: priceForm(setting.value, edited.value),
        turnDown: turnDownForm(),
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
const everythingOf = (row: Row<'candidate'>): Operation[] => [
  ...furtherColours.value
    .filter((furtherColour) => furtherColour.candidateId === row.id)
    .map((furtherColour) => remove('candidateColour', furtherColour)),
  ...pricesOf(row).map((price) => remove('price', price)),
  remove('candidate', row),
]
async function takeAway(): Promise<void> {
  const gone = piece.value
  if (!gone) return
  if (
    await makeIt(`Took away the piece “${gone.name}”`, [
      ...candidates.value.flatMap(({ row }) => everythingOf(row)),
      ...servings.value.filter((row) => row.pieceId === gone.id).map((row) => remove('serving', row)),
      remove('piece', gone),
    ])
  )
    await router.push({ name: 'pieces', params: { id: route.params.id } })
}
const unchoose = (): Promise<boolean> | undefined =>
  piece.value
    ? makeIt(`Left open again: ${piece.value.name}`, [edit('piece', piece.value, { chosenId: null, chosenReason: '' })])
    : undefined
useKeys([
  { key: 'n', does: 'A new candidate', run: () => openCandidate(null) },
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
      <h1>{{ piece.name }}</h1>
      <span class="quiet"
        >{{ writeQuantity(piece.quantity, piece.unit) }} ·
        {{ served.length > 0 ? `for “${served.join('”, “')}”` : 'for no need yet' }} ·
        {{ category?.name ?? 'costs nothing' }}</span
      >
      <span class="end"
        ><button type="button" class="word" @click="openCandidate(null)">Add a candidate<kbd>N</kbd></button></span
      >
    </div>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-if="candidates.length === 0" class="opening">
      No candidate yet. Add two or more real things at real sellers; they are compared by what they cost here, not by
      their list price.
    </p>
    <div v-else class="scroll" tabindex="0" role="region" aria-label="Candidates side by side">
      <table class="side-by-side">
        <thead>
          <tr>
            <td />
            <th
              v-for="candidate in candidates"
              :key="candidate.row.id"
              scope="col"
              :class="{ chosen: candidate.chosen, down: candidate.row.turnedDown !== null }"
            >
              <span class="colour on-ground"
                ><span><MaterialSwatch v-if="candidate.swatch" :finish="candidate.swatch" /></span
              ></span>
              <strong>{{ candidate.row.name }}</strong>
              <span
                >{{ candidate.seller || candidate.row.source
                }}<template v-if="candidate.seller && candidate.row.source !== 'new'"
                  >, {{ candidate.row.source }}</template
                ></span
              >
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Price</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <MoneyAmount :amount="candidate.row.priceMinor" :currency="makeover.currency" /><span class="quiet"
                >{{ candidate.row.packSize === 1 ? '' : ` a pack of ${candidate.row.packSize} ${piece.unit}`
                }}{{ candidate.row.discountPpm > 0 ? `, less ${writeRate(candidate.row.discountPpm)}` : '' }},
                {{ candidate.row.priceKind
                }}{{ candidate.row.pricedOn ? ` ${writeShortDate(candidate.row.pricedOn)}` : '' }}</span
              ><span v-for="price in pricesOf(candidate.row)" :key="price.id" class="quiet seen"
                ><MoneyAmount :amount="price.amountMinor" :currency="makeover.currency" /> {{ price.kind }}
                {{ writeShortDate(price.seenOn) }}</span
              >
            </td>
          </tr>
          <tr>
            <th scope="row">To buy</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              {{ candidate.row.packSize === 1 ? candidate.packs : writeQuantity(candidate.packs, 'packs')
              }}<span v-if="candidate.over > 0" class="quiet"
                >, {{ writeQuantity(candidate.over, piece.unit) }} over</span
              >
            </td>
          </tr>
          <tr>
            <th scope="row">Delivery, tax</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <MoneyAmount :amount="candidate.row.deliveryMinor" :currency="makeover.currency" /><span class="quiet"
                >, {{ writeRate(candidate.row.taxPpm) }}{{ candidate.row.taxIncluded ? ' included' : '' }}</span
              >
            </td>
          </tr>
          <tr class="landed">
            <th scope="row">Landed</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <strong
                ><FigureButton
                  :amount="candidate.landed.landed"
                  :figure="`Landed cost of ${candidate.row.name}`"
                  @click="working.showWorking(landedWorking(candidate.row, candidate.landed, makeover.currency))"
              /></strong>
              <span v-if="candidate.landed.landed === cheapest && candidates.length > 1" class="quiet"> least</span>
            </td>
          </tr>
          <tr>
            <th scope="row">Against the allowance</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <template v-if="candidate.against >= 0"
                ><MoneyAmount :amount="candidate.against" :currency="makeover.currency" />{{ ' ' }}
                <span class="quiet">under</span></template
              ><span v-else class="inverted"
                ><MoneyAmount
                  :amount="minus(candidate.landed.landed, piece.allowanceMinor)"
                  :currency="makeover.currency"
                />
                over</span
              >
            </td>
          </tr>
          <tr>
            <th scope="row">Colour</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <template v-if="candidate.cells.length > 0"
                >{{ tiesOf(candidate)
                }}<strong v-if="candidate.clashes > 0"
                  >{{ tiesOf(candidate) ? '; ' : '' }}clashes with {{ tied(candidate, 'clash') }}</strong
                ><span v-if="candidate.near" class="quiet seen"
                  >ΔE {{ candidate.near.deltaE.toFixed(1) }} from {{ candidate.near.finish.name }}.
                  {{ seenWords(candidate.near.deltaE, rules) }}</span
                ></template
              ><span v-else class="quiet">{{ candidate.hex ?? 'not known' }}</span>
            </td>
          </tr>
          <tr>
            <th scope="row">Fit</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <span :class="{ inverted: candidate.fit.is === 'too large', quiet: candidate.fit.is === 'not known' }">{{
                candidate.fit.words
              }}</span>
            </td>
          </tr>
          <tr>
            <th scope="row">A year of it</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <template v-if="candidate.perYear !== null"
                ><MoneyAmount :amount="candidate.perYear" :currency="makeover.currency" />{{ ' ' }}
                <span class="quiet">over {{ candidate.row.lifeYears }} years</span></template
              ><span v-else class="quiet">its life is not known</span>
            </td>
          </tr>
          <tr v-if="candidates.some((candidate) => candidate.ruledOut.length > 0)">
            <th scope="row">Ruled out by</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <template v-if="candidate.ruledOut.length > 0"
                ><strong>{{ candidate.ruledOut.map((entry) => entry.word).join(', ') }}</strong
                ><span class="quiet seen"
                  >{{ candidate.ruledOut.map((entry) => because(entry)).join(', ') }}; instead:
                  {{ candidate.ruledOut.map((entry) => insteadOf(entry.word)).join('; ') }}</span
                ></template
              ><span v-else class="quiet">nothing</span>
            </td>
          </tr>
          <tr>
            <th scope="row">Lead time</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              {{ candidate.row.leadDays }} days
            </td>
          </tr>
          <tr v-if="reading.open > 0">
            <th scope="row">Order by</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <template v-if="candidate.orderBy"
                >{{ writeDate(candidate.orderBy) }}<span class="quiet">, </span
                ><span :class="candidate.slackDays !== null && candidate.slackDays < 0 ? 'inverted' : 'quiet'">{{
                  candidate.slackDays !== null && candidate.slackDays < 0
                    ? `${-candidate.slackDays} days late`
                    : `${candidate.slackDays} days slack`
                }}</span></template
              ><span v-else class="quiet">no install date</span>
            </td>
          </tr>
          <tr>
            <th scope="row">To return</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              {{ candidate.row.returnDays === null ? 'final sale' : `${candidate.row.returnDays} days from delivery` }}
            </td>
          </tr>
          <tr>
            <th scope="row">Score</th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <button
                type="button"
                class="bare figure-button"
                :aria-label="`Score of ${candidate.row.name}, working`"
                @click="showScore(candidate)"
              >
                <strong>{{ Math.round(candidate.score) }}</strong></button
              >{{ ' ' }} <span class="quiet">of 100</span
              ><span v-if="candidate.row.turnedDown !== null" class="quiet seen"
                >Turned down: {{ candidate.row.turnedDown }}</span
              ><span v-if="candidate.kept" class="quiet seen">Kept for its own sake: not to be replaced</span>
            </td>
          </tr>
          <tr class="last">
            <th scope="row"><span class="visually-hidden">Do</span></th>
            <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
              <strong v-if="candidate.chosen" class="is-chosen">Chosen</strong>
              <el-button
                v-else-if="
                  (reading.open > 0 || reading.basis === 'in hand' || reading.basis === 'placeholder') &&
                  candidate.row.turnedDown === null
                "
                :type="chosen ? 'default' : 'primary'"
                :aria-label="`${chosen ? 'Take instead' : 'Choose'} ${candidate.row.name}`"
                @click="choose(candidate.row)"
                >{{ chosen ? 'Take instead' : 'Choose' }}</el-button
              >
              <button
                type="button"
                class="word"
                :aria-label="`Change ${candidate.row.name}`"
                @click="openCandidate(candidate.row)"
              >
                Change
              </button>
              <button
                type="button"
                class="word"
                :aria-label="`Note a price of ${candidate.row.name}`"
                @click="notePrice(candidate.row)"
              >
                Price
              </button>
              <button
                v-if="!candidate.chosen && candidate.row.turnedDown === null && !candidate.kept"
                type="button"
                class="word"
                :aria-label="`Turn down ${candidate.row.name}`"
                @click="turnDown(candidate.row)"
              >
                Turn down
              </button>
              <button
                v-if="candidate.row.turnedDown !== null"
                type="button"
                class="word"
                :aria-label="`Take up again ${candidate.row.name}`"
                @click="
                  makeIt(`Took up again: ${candidate.row.name}`, [
                    edit('candidate', candidate.row, { turnedDown: null }),
                  ])
                "
              >
                Take up again
              </button>
              <button
                v-if="!candidate.chosen && !candidate.ordered && !candidate.kept"
                type="button"
                class="word"
                :aria-label="`Take away ${candidate.row.name}`"
                @click="makeIt(`Took away the candidate “${candidate.row.name}”`, everythingOf(candidate.row))"
              >
                Take away
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
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
      <section class="tag" aria-label="Piece">
        <span class="hole" aria-hidden="true" />
        <h2>{{ piece.name }}</h2>
        <p v-if="piece.chosenId && piece.chosenReason">{{ piece.chosenReason }}.</p>
        <p v-else-if="!piece.chosenId" class="quiet">Nothing chosen yet: it counts with its allowance.</p>
        <hr />
        <dl class="pairs">
          <div>
            <dt>Allowance</dt>
            <dd><MoneyAmount :amount="piece.allowanceMinor" :currency="makeover.currency" /></dd>
          </div>
          <div>
            <dt>Ordered</dt>
            <dd>{{ writeQuantity(reading.ordered, piece.unit) }}</dd>
          </div>
          <div v-if="reading.givenUp > 0">
            <dt>Back, not wanted again</dt>
            <dd>{{ writeQuantity(reading.givenUp, piece.unit) }}</dd>
          </div>
          <div>
            <dt>Still wanted</dt>
            <dd>{{ writeQuantity(reading.open, piece.unit) }}</dd>
          </div>
          <div>
            <dt>Still to buy</dt>
            <dd>
              <strong
                ><FigureButton
                  :amount="reading.stillToBuy"
                  figure="Still to buy"
                  @click="
                    makeover.opened && reading && working.showWorking(pieceWorking(makeover.opened.makeover, reading))
                  "
              /></strong>
            </dd>
          </div>
        </dl>
        <dl
          v-if="piece.setName || chosen?.row.article || chosen?.row.batch || chosen?.row.colourName || chosen?.row.link"
          class="pairs"
        >
          <div v-if="piece.setName">
            <dt>Set</dt>
            <dd>{{ piece.setName }}</dd>
          </div>
          <div v-if="chosen?.row.article">
            <dt>Article</dt>
            <dd>{{ chosen.row.article }}</dd>
          </div>
          <div v-if="chosen?.row.colourName">
            <dt>Colour name</dt>
            <dd>{{ chosen.row.colourName }}</dd>
          </div>
          <div v-if="chosen?.row.batch">
            <dt>Batch</dt>
            <dd>{{ chosen.row.batch }}</dd>
          </div>
          <div v-if="chosen?.row.link">
            <dt>Seen at</dt>
            <dd>{{ chosen.row.link }}</dd>
          </div>
        </dl>
        <FilesOf v-if="chosen" :owner="{ candidateId: chosen.row.id }" :name="chosen.row.name" pictures />
        <p class="quiet">
          <router-link :to="{ name: 'history', params: { id: $route.params.id }, query: { of: piece.id } }"
            >Its history</router-link
          >
        </p>
        <RemarkList :remarks="remarks" />
        <div class="tag-actions">
          <el-button @click="questionOpen = true">Ask them</el-button>
          <el-button v-if="piece.chosenId && reading.open > 0" type="primary" @click="orderOpen = true"
            >Order</el-button
          >
          <el-button @click="editOpen = true">Change</el-button>
          <el-button v-if="piece.chosenId && reading.ordered === 0" @click="unchoose">Leave open</el-button>
          <el-button v-if="reading.ordered === 0" @click="takeAway">Take away</el-button>
        </div>
      </section>
    </Teleport>
    <PieceDialog v-model="editOpen" :piece="piece" />
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

<style>
.crumb {
  font-size: 13px;
  margin-bottom: 2px;
}
.side-by-side {
  width: auto;
  min-width: 100%;
  table-layout: fixed;
}
.side-by-side thead td {
  border: 0;
  width: 128px;
}
.side-by-side thead th {
  padding: 0 14px 10px;
  font-size: 13px;
  line-height: 18px;
  color: var(--soft);
  min-width: 170px;
}
.side-by-side thead strong {
  display: block;
  color: var(--ink);
  font-size: 14px;
  line-height: 20px;
}
.side-by-side .colour {
  display: block;
  background: var(--ground);
  padding: 12px;
  margin: 0 -14px 8px;
  height: 76px;
}
.side-by-side .colour > span {
  display: block;
  height: 100%;
  background: repeating-linear-gradient(-55deg, var(--line-on-ground) 0 1px, transparent 1px 8px);
}
.side-by-side tbody th {
  border-bottom: 1px solid var(--hairline);
  padding: 6px 12px 6px 0;
  font-size: 13px;
  line-height: 20px;
  vertical-align: top;
}
.side-by-side tbody td {
  padding: 6px 14px;
}
.side-by-side td.chosen {
  background: var(--shade);
}
.side-by-side th.chosen {
  box-shadow: inset 0 4px 0 var(--ink);
  background: var(--shade);
}
.side-by-side .landed td {
  font-size: 15px;
}
.side-by-side .seen {
  display: block;
  font-size: 12px;
  line-height: 16px;
}
.side-by-side .last td {
  border-bottom: 0;
  padding-top: 12px;
}
.side-by-side .last .word {
  margin-left: 10px;
  font-size: 13px;
}
.side-by-side .last .el-button {
  padding: 8px 11px;
}
.side-by-side th.down {
  opacity: 0.75;
}
.side-by-side th.down strong {
  text-decoration: line-through;
}
.kept-lines {
  margin-top: 18px;
  font-size: 13px;
  line-height: 19px;
  display: grid;
  gap: 6px;
}
.side-by-side .figure-button {
  min-width: 0;
  text-align: left;
}
.is-chosen {
  display: inline-block;
  padding: 5px 0;
}
</style>

<script setup lang="ts">
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

const piece = computed(() => pieces.value.find((one) => one.id === route.params.pieceId) ?? null)
const reading = computed(() => makeover.reckoning?.money.pieces.find((one) => one.id === piece.value?.id) ?? null)
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const served = computed(() =>
  servings.value
    .filter((row) => row.pieceId === piece.value?.id)
    .map((row) => needs.value.find((need) => need.id === row.needId)?.name ?? ''),
)
const category = computed(() => categories.value.find((one) => one.id === piece.value?.categoryId) ?? null)
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
  ).map((one) => {
    const lab =
      one.row.labL !== null && one.row.labA !== null && one.row.labB !== null
        ? { L: one.row.labL, a: one.row.labA, b: one.row.labB }
        : null
    return {
      ...one,
      hex: lab ? hexFromLab(lab) : null,
      swatch: lab ? { family: 'paper' as const, sheen: 'matt' as const, labL: lab.L, labA: lab.a, labB: lab.b } : null,
      near: lab ? nearestFinish(lab, finishes.value) : null,
      chosen: one.row.id === wanted.chosenId,
      ordered: ordered(one.row),
      kept: one.row.keepReason === 'sentimental',
    }
  })
})
const chosen = computed(() => candidates.value.find((one) => one.chosen) ?? null)
const tied = (one: (typeof candidates.value)[number], tie: 'same' | 'hue' | 'clash'): string =>
  one.cells
    .filter((cell) => cell.tie === tie)
    .map((cell) => finishes.value.find((finish) => finish.id === cell.finishId)?.name ?? '')
    .join(', ')
/** "is Damson; ties to Elm", or nothing. */
const tiesOf = (one: (typeof candidates.value)[number]): string =>
  [tied(one, 'same') && `is ${tied(one, 'same')}`, tied(one, 'hue') && `ties to ${tied(one, 'hue')}`]
    .filter(Boolean)
    .join('; ')
const pricesOf = (row: Row<'candidate'>): Row<'price'>[] =>
  prices.value
    .filter((price) => price.candidateId === row.id)
    .toSorted((one, other) => (one.seenOn < other.seenOn ? 1 : -1))
const replaced = computed(() => substitutions.value.filter((row) => row.pieceId === piece.value?.id))
const candidateName = (id: string): string => rows.value.find((row) => row.id === id)?.name ?? ''
const clientName = (id: string | null): string => (id ? (makeover.opened?.makeover.rows.client[id]?.name ?? '') : '')
const asked = computed(() => questions.value.filter((row) => row.pieceId === piece.value?.id))

/** The working of a score: what is known of each criterion, how good that is, and what it weighs. */
function showScore(one: (typeof candidates.value)[number]): void {
  const known = one.marks.filter((mark) => mark.score !== null)
  const weight = known.reduce((total, mark) => total + mark.weight, 0)
  working.showWorking({
    title: `Score of ${one.row.name}`,
    means: 'What can be computed of it, each from 0 to 100, by its weight. What is not known is left out.',
    lines: one.marks.map((mark) =>
      workingLine(
        `${mark.criterion}, weight ${mark.weight}`,
        mark.score === null ? '–' : String(Math.round(100 * mark.score)),
        mark.said,
      ),
    ),
    result: workingLine(
      'Score',
      String(Math.round(one.score)),
      `Σ score × weight ÷ ${weight}; the weights are rules of the studio, or set by a school`,
    ),
  })
}
const cheapest = computed(() =>
  Math.min(...candidates.value.filter((one) => one.row.turnedDown === null).map((one) => one.landed.landed)),
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
const substitute = computed(() => candidates.value.find((one) => one.row.id === choosing.value?.id) ?? null)
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
  ...furtherColours.value.filter((one) => one.candidateId === row.id).map((one) => remove('candidateColour', one)),
  ...pricesOf(row).map((one) => remove('price', one)),
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
              v-for="one in candidates"
              :key="one.row.id"
              scope="col"
              :class="{ chosen: one.chosen, down: one.row.turnedDown !== null }"
            >
              <span class="colour on-ground"
                ><span><MaterialSwatch v-if="one.swatch" :finish="one.swatch" /></span
              ></span>
              <strong>{{ one.row.name }}</strong>
              <span
                >{{ one.seller || one.row.source
                }}<template v-if="one.seller && one.row.source !== 'new'">, {{ one.row.source }}</template></span
              >
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Price</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <MoneyAmount :amount="one.row.priceMinor" :currency="makeover.currency" /><span class="quiet"
                >{{ one.row.packSize === 1 ? '' : ` a pack of ${one.row.packSize} ${piece.unit}`
                }}{{ one.row.discountPpm > 0 ? `, less ${writeRate(one.row.discountPpm)}` : '' }}, {{ one.row.priceKind
                }}{{ one.row.pricedOn ? ` ${writeShortDate(one.row.pricedOn)}` : '' }}</span
              ><span v-for="price in pricesOf(one.row)" :key="price.id" class="quiet seen"
                ><MoneyAmount :amount="price.amountMinor" :currency="makeover.currency" /> {{ price.kind }}
                {{ writeShortDate(price.seenOn) }}</span
              >
            </td>
          </tr>
          <tr>
            <th scope="row">To buy</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              {{ one.row.packSize === 1 ? one.packs : writeQuantity(one.packs, 'packs')
              }}<span v-if="one.over > 0" class="quiet">, {{ writeQuantity(one.over, piece.unit) }} over</span>
            </td>
          </tr>
          <tr>
            <th scope="row">Delivery, tax</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <MoneyAmount :amount="one.row.deliveryMinor" :currency="makeover.currency" /><span class="quiet"
                >, {{ writeRate(one.row.taxPpm) }}{{ one.row.taxIncluded ? ' included' : '' }}</span
              >
            </td>
          </tr>
          <tr class="landed">
            <th scope="row">Landed</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <strong
                ><FigureButton
                  :amount="one.landed.landed"
                  :of="`Landed cost of ${one.row.name}`"
                  @click="working.showWorking(landedWorking(one.row, one.landed, makeover.currency))"
              /></strong>
              <span v-if="one.landed.landed === cheapest && candidates.length > 1" class="quiet"> least</span>
            </td>
          </tr>
          <tr>
            <th scope="row">Against the allowance</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <template v-if="one.against >= 0"
                ><MoneyAmount :amount="one.against" :currency="makeover.currency" />
                <span class="quiet">under</span></template
              ><span v-else class="inverted"
                ><MoneyAmount :amount="minus(one.landed.landed, piece.allowanceMinor)" :currency="makeover.currency" />
                over</span
              >
            </td>
          </tr>
          <tr>
            <th scope="row">Colour</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <template v-if="one.cells.length > 0"
                >{{ tiesOf(one)
                }}<strong v-if="one.clashes > 0"
                  >{{ tiesOf(one) ? '; ' : '' }}clashes with {{ tied(one, 'clash') }}</strong
                ><span v-if="one.near" class="quiet seen"
                  >ΔE {{ one.near.deltaE.toFixed(1) }} from {{ one.near.finish.name }}.
                  {{ seenWords(one.near.deltaE, rules) }}</span
                ></template
              ><span v-else class="quiet">{{ one.hex ?? 'not known' }}</span>
            </td>
          </tr>
          <tr>
            <th scope="row">Fit</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <span :class="{ inverted: one.fit.is === 'too large', quiet: one.fit.is === 'not known' }">{{
                one.fit.words
              }}</span>
            </td>
          </tr>
          <tr>
            <th scope="row">A year of it</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <template v-if="one.perYear !== null"
                ><MoneyAmount :amount="one.perYear" :currency="makeover.currency" />
                <span class="quiet">over {{ one.row.lifeYears }} years</span></template
              ><span v-else class="quiet">its life is not known</span>
            </td>
          </tr>
          <tr v-if="candidates.some((one) => one.ruledOut.length > 0)">
            <th scope="row">Ruled out by</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <template v-if="one.ruledOut.length > 0"
                ><strong>{{ one.ruledOut.map((each) => each.word).join(', ') }}</strong
                ><span class="quiet seen"
                  >{{ one.ruledOut.map((each) => because(each)).join(', ') }}; instead:
                  {{ one.ruledOut.map((each) => insteadOf(each.word)).join('; ') }}</span
                ></template
              ><span v-else class="quiet">nothing</span>
            </td>
          </tr>
          <tr>
            <th scope="row">Lead time</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              {{ one.row.leadDays }} days
            </td>
          </tr>
          <tr v-if="reading.open > 0">
            <th scope="row">Order by</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <template v-if="one.orderBy"
                >{{ writeDate(one.orderBy) }}<span class="quiet">, </span
                ><span :class="one.slackDays !== null && one.slackDays < 0 ? 'inverted' : 'quiet'">{{
                  one.slackDays !== null && one.slackDays < 0
                    ? `${-one.slackDays} days late`
                    : `${one.slackDays} days slack`
                }}</span></template
              ><span v-else class="quiet">no install date</span>
            </td>
          </tr>
          <tr>
            <th scope="row">To return</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              {{ one.row.returnDays === null ? 'final sale' : `${one.row.returnDays} days from delivery` }}
            </td>
          </tr>
          <tr>
            <th scope="row">Score</th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <button
                type="button"
                class="bare figure-button"
                :aria-label="`Score of ${one.row.name}, working`"
                @click="showScore(one)"
              >
                <strong>{{ Math.round(one.score) }}</strong>
              </button>
              <span class="quiet">of 100</span
              ><span v-if="one.row.turnedDown !== null" class="quiet seen">Turned down: {{ one.row.turnedDown }}</span
              ><span v-if="one.kept" class="quiet seen">Kept for its own sake: not to be replaced</span>
            </td>
          </tr>
          <tr class="last">
            <th scope="row"><span class="visually-hidden">Do</span></th>
            <td v-for="one in candidates" :key="one.row.id" :class="{ chosen: one.chosen }">
              <strong v-if="one.chosen" class="is-chosen">Chosen</strong>
              <el-button
                v-else-if="
                  (reading.open > 0 || reading.basis === 'in hand' || reading.basis === 'placeholder') &&
                  one.row.turnedDown === null
                "
                :type="chosen ? 'default' : 'primary'"
                :aria-label="`${chosen ? 'Take instead' : 'Choose'} ${one.row.name}`"
                @click="choose(one.row)"
                >{{ chosen ? 'Take instead' : 'Choose' }}</el-button
              >
              <button type="button" class="word" :aria-label="`Change ${one.row.name}`" @click="openCandidate(one.row)">
                Change
              </button>
              <button
                type="button"
                class="word"
                :aria-label="`Note a price of ${one.row.name}`"
                @click="notePrice(one.row)"
              >
                Price
              </button>
              <button
                v-if="!one.chosen && one.row.turnedDown === null && !one.kept"
                type="button"
                class="word"
                :aria-label="`Turn down ${one.row.name}`"
                @click="turnDown(one.row)"
              >
                Turn down
              </button>
              <button
                v-if="one.row.turnedDown !== null"
                type="button"
                class="word"
                :aria-label="`Take up again ${one.row.name}`"
                @click="makeIt(`Took up again: ${one.row.name}`, [edit('candidate', one.row, { turnedDown: null })])"
              >
                Take up again
              </button>
              <button
                v-if="!one.chosen && !one.ordered && !one.kept"
                type="button"
                class="word"
                :aria-label="`Take away ${one.row.name}`"
                @click="makeIt(`Took away the candidate “${one.row.name}”`, everythingOf(one.row))"
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
                  of="Still to buy"
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
        <FilesOf v-if="chosen" :of="{ candidateId: chosen.row.id }" :name="chosen.row.name" pictures />
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
      :from="chosen"
      :to="substitute"
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

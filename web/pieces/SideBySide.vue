<script setup lang="ts">
import { computed } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate, writeShortDate } from '#core/measure/plain-date.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { minus } from '#core/money/minor.ts'
import { writeRate } from '#core/money/written.ts'
import { returnOf } from '#core/pieces/index.ts'
import { seenWords } from '#core/palette/index.ts'
import { landedWorking, type PieceReckoning } from '#core/purchases/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import FigureButton from '../parts/FigureButton.vue'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import LastingRows from './LastingRows.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import { nearWorking, scoreWorking, tied, tiesIn, writeSides, type Shown } from './side-by-side.ts'

/** Candidates side by side: each line is one question, each column one thing. */
const { candidates, piece, reading } = defineProps<{
  candidates: readonly Shown[]
  piece: Row<'piece'>
  reading: PieceReckoning
}>()
export type CandidateAct = 'choose' | 'change' | 'price' | 'turn down' | 'take up' | 'take away'
const emit = defineEmits<{ act: [act: CandidateAct, row: Row<'candidate'>] }>()
const makeover = useMakeover()
const working = useWorking()
const entry = useEntry()
const finishes = useRows('finish')
const prices = useRows('price')
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const anyChosen = computed(() => candidates.some((candidate) => candidate.chosen))
const tiesOf = (candidate: Shown): string => tiesIn(candidate, finishes.value)
const sizeOf = ({ row }: Shown): string => writeSides(row, entry.value.units)
const pricesOf = (row: Row<'candidate'>): Row<'price'>[] =>
  prices.value
    .filter((price) => price.candidateId === row.id)
    .toSorted((left, right) => (left.seenOn < right.seenOn ? 1 : -1))
const cheapest = computed(() =>
  Math.min(...candidates.filter(({ row }) => row.turnedDown === null).map(({ landed }) => landed.landed)),
)
</script>

<template>
  <div class="scroll" tabindex="0" role="region" aria-label="Candidates side by side">
    <table class="side-by-side">
      <thead>
        <tr>
          <td />
          <th
            v-for="candidate in candidates"
            :key="candidate.row.id"
            scope="col"
            :data-line="candidate.row.id"
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
                >{{ tiesOf(candidate) ? '; ' : '' }}clashes with {{ tied(candidate, 'clash', finishes) }}</strong
              ><span v-if="candidate.near" class="quiet seen"
                >Nearest to
                <button type="button" class="word" @click="working.showWorking(nearWorking(candidate))">
                  {{ candidate.near.finish.name }}</button>: {{ seenWords(candidate.near.deltaE, rules) }}</span
              ></template
            ><span v-else class="quiet">{{ candidate.hex ?? 'not known' }}</span>
          </td>
        </tr>
        <tr v-if="candidates.some((candidate) => sizeOf(candidate))">
          <th scope="row">Size</th>
          <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
            {{ sizeOf(candidate) }}<span v-if="!sizeOf(candidate)" class="quiet">not measured</span>
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
        <LastingRows :candidates="candidates" />
        <tr>
          <th scope="row">Lead time</th>
          <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
            {{ candidate.row.leadDays === null ? 'not asked yet' : `${candidate.row.leadDays} days` }}
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
            {{ returnOf(candidate.row).words }}
          </td>
        </tr>
        <tr>
          <th scope="row">Score</th>
          <td v-for="candidate in candidates" :key="candidate.row.id" :class="{ chosen: candidate.chosen }">
            <button
              type="button"
              class="bare figure-button"
              :aria-label="`Score of ${candidate.row.name}, working`"
              @click="working.showWorking(scoreWorking(candidate))"
            >
              <strong>{{ candidate.ruledOut.length > 0 ? 'ruled out' : Math.round(candidate.score) }}</strong></button
            >{{ ' ' }} <span class="quiet">{{ candidate.ruledOut.length > 0 ? '' : 'of 100' }}</span><span
              v-if="candidate.row.turnedDown !== null"
              class="quiet seen"
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
                (reading.open > 0 ||
                  reading.basis === 'in hand' ||
                  reading.basis === 'promised' ||
                  reading.basis === 'placeholder') &&
                candidate.row.turnedDown === null
              "
              :type="anyChosen ? 'default' : 'primary'"
              :aria-label="`${anyChosen ? 'Take instead' : 'Choose'} ${candidate.row.name}`"
              @click="emit('act', 'choose', candidate.row)"
              >{{ anyChosen ? 'Take instead' : 'Choose' }}</el-button
            >
            <button
              type="button"
              class="word"
              :aria-label="`Change ${candidate.row.name}`"
              @click="emit('act', 'change', candidate.row)"
            >
              Change
            </button>
            <button
              type="button"
              class="word"
              :aria-label="`Note a price of ${candidate.row.name}`"
              @click="emit('act', 'price', candidate.row)"
            >
              Price
            </button>
            <button
              v-if="!candidate.chosen && candidate.row.turnedDown === null && !candidate.kept"
              type="button"
              class="word"
              :aria-label="`Turn down ${candidate.row.name}`"
              @click="emit('act', 'turn down', candidate.row)"
            >
              Turn down
            </button>
            <button
              v-if="candidate.row.turnedDown !== null"
              type="button"
              class="word"
              :aria-label="`Take up again ${candidate.row.name}`"
              @click="emit('act', 'take up', candidate.row)"
            >
              Take up again
            </button>
            <button
              v-if="!candidate.chosen && !candidate.ordered && !candidate.kept"
              type="button"
              class="word"
              :aria-label="`Take away ${candidate.row.name}`"
              @click="emit('act', 'take away', candidate.row)"
            >
              Take away
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style src="./side-by-side.css"></style>

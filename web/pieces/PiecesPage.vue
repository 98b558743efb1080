<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { pieceWorking } from '#core/purchases/index.ts'
import { useKeys } from '../frame/keys.ts'
import FigureButton from '../parts/FigureButton.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RemarkList from '../remarks/RemarkList.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import PieceDialog from './PieceDialog.vue'

const router = useRouter()
const makeover = useMakeover()
const working = useWorking()
const pieces = useRows('piece')
const candidates = useRows('candidate')
const needs = useRows('need')
const dialogOpen = ref(false)
const sought = ref('')

const groups = computed(() =>
  (makeover.reckoning?.money.categories ?? [])
    .map((category) => ({
      ...category,
      pieces: pieces.value.filter((piece) => piece.categoryId === category.id && matches(piece)),
    }))
    .filter((group) => group.pieces.length > 0),
)
/** What stays and costs nothing lies in no category. */
const free = computed(() => pieces.value.filter((piece) => piece.categoryId === null && matches(piece)))
const matches = (piece: Row<'piece'>): boolean =>
  sought.value.trim() === '' || piece.name.toLocaleLowerCase('en').includes(sought.value.trim().toLocaleLowerCase('en'))
const reading = (piece: Row<'piece'>) => byId(makeover.reckoning?.money.pieces, piece.id)
const dates = (piece: Row<'piece'>) => byId(makeover.reckoning?.dates, piece.id)
const chosen = (piece: Row<'piece'>) => byId(candidates.value, piece.chosenId)
const count = (piece: Row<'piece'>): number =>
  candidates.value.filter((candidate) => candidate.pieceId === piece.id).length
const signed = computed(() => makeover.line?.signed ?? false)
const servings = useRows('serving')
const need = (piece: Row<'piece'>): string =>
  servings.value
    .filter((row) => row.pieceId === piece.id)
    .map((row) => byId(needs.value, row.needId)?.name ?? '')
    .join(', ') || 'no need'
const remarks = computed(() => (makeover.reckoning?.remarks ?? []).filter((remark) => remark.step === 'pieces'))
useKeys([{ key: 'n', does: 'A new piece', run: () => (dialogOpen.value = true) }])
</script>

<template>
  <div>
    <div class="page-head">
      <h1>Pieces</h1>
      <span class="quiet"
        >{{ pieces.length }} wanted · {{ pieces.filter((piece) => reading(piece)?.open === 0).length }} bought or in
        hand · {{ pieces.filter((piece) => piece.chosenId === null).length }} to choose</span
      >
      <span class="end"
        ><button
          type="button"
          class="word"
          :disabled="groups.length === 0 && (makeover.reckoning?.money.categories.length ?? 0) === 0"
          @click="dialogOpen = true"
        >
          Add a piece<kbd>N</kbd>
        </button></span
      >
    </div>
    <StepRemarks step="pieces" />
    <p v-if="(makeover.reckoning?.money.categories.length ?? 0) === 0" class="opening">
      Pieces are planned within the budget's categories.
      <router-link :to="{ name: 'brief', params: { id: $route.params.id } }">Draft the budget</router-link> first.
    </p>
    <p v-else-if="pieces.length === 0" class="opening">
      Nothing is planned yet. Add a piece for a need, with what it may cost; then set candidates against each other.
    </p>
    <label v-if="pieces.length > 12" class="seek-pieces"
      ><span class="label">Find a piece</span><el-input v-model="sought" clearable
    /></label>
    <table v-if="pieces.length > 0" class="pieces-table">
      <thead>
        <tr>
          <th>Piece</th>
          <th class="number">Wanted</th>
          <th>Chosen</th>
          <th>Order by</th>
          <th class="number">Allowance</th>
          <th class="number">Still to buy</th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group.id">
        <tr class="group">
          <th scope="rowgroup" colspan="4">{{ group.name }}</th>
          <td class="number quiet">{{ !signed ? '' : group.left < 0 ? 'over by' : 'left' }}</td>
          <td class="number">
            <FigureButton
              v-if="signed"
              :amount="group.left"
              :figure="`Left in ${group.name}`"
              :over="group.left < 0"
              @click="working.show('left', group.id)"
            />
          </td>
        </tr>
        <tr
          v-for="piece in group.pieces"
          :key="piece.id"
          class="row"
          @click="router.push({ name: 'piece', params: { id: $route.params.id, pieceId: piece.id } })"
        >
          <td>
            <router-link :to="{ name: 'piece', params: { id: $route.params.id, pieceId: piece.id } }" @click.stop
              ><strong>{{ piece.name }}</strong></router-link
            >
            <span class="quiet for">{{ need(piece) }}</span>
          </td>
          <td class="number">{{ writeQuantity(piece.quantity, piece.unit) }}</td>
          <td>
            <template v-if="chosen(piece)">{{ chosen(piece)?.name }}</template>
            <span v-else class="quiet">{{
              count(piece) === 0 ? 'no candidate yet' : `${count(piece)} to choose from`
            }}</span>
          </td>
          <td>
            <template v-if="reading(piece)?.open === 0"
              ><span class="quiet">{{ reading(piece)?.basis === 'in hand' ? 'in hand' : 'ordered' }}</span></template
            >
            <template v-else-if="dates(piece)?.orderBy"
              ><span :class="{ inverted: (dates(piece)?.slackDays ?? 0) < 0 }">{{
                writeDate(dates(piece)!.orderBy!).replace(/ \d+$/, '')
              }}</span></template
            >
            <span v-else class="quiet">–</span>
          </td>
          <td class="number quiet"><MoneyAmount :amount="piece.allowanceMinor" :currency="makeover.currency" /></td>
          <td class="number" :class="{ quiet: reading(piece)?.stillToBuy === 0 }">
            <FigureButton
              v-if="reading(piece)"
              :amount="reading(piece)!.stillToBuy"
              :figure="`Still to buy of ${piece.name}`"
              @click="makeover.opened && working.showWorking(pieceWorking(makeover.opened.makeover, reading(piece)!))"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <table v-if="free.length > 0" class="pieces-table free">
      <thead>
        <tr>
          <th>Stays, and costs nothing</th>
          <th>What it is</th>
          <th>From</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="piece in free"
          :key="piece.id"
          class="row"
          @click="router.push({ name: 'piece', params: { id: $route.params.id, pieceId: piece.id } })"
        >
          <td>
            <router-link :to="{ name: 'piece', params: { id: $route.params.id, pieceId: piece.id } }" @click.stop
              ><strong>{{ piece.name }}</strong></router-link
            >{{ ' ' }}
            <span class="quiet for">{{ need(piece) }}</span>
          </td>
          <td>
            {{ chosen(piece)?.source ?? 'open'
            }}<template v-if="chosen(piece)?.keepReason">, {{ chosen(piece)?.keepReason }}</template>
          </td>
          <td class="quiet">{{ chosen(piece)?.origin }}</td>
        </tr>
      </tbody>
    </table>
    <Teleport defer to="#tag">
      <section class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>Pieces and needs</h2>
        <p class="quiet">
          Open a piece to set its candidates side by side. What is not chosen counts with its allowance.
        </p>
        <RemarkList :remarks="remarks" />
      </section>
    </Teleport>
    <PieceDialog v-model="dialogOpen" :piece="null" />
  </div>
</template>

<style>
.pieces-table td {
  padding-top: 5px;
  padding-bottom: 5px;
}
.pieces-table .group > * {
  padding-top: 12px;
  border-bottom: 1px solid var(--rule);
}
.pieces-table .group th {
  font-size: 14px;
  font-weight: 600;
  color: var(--ink);
}
.pieces-table.free {
  margin-top: 20px;
}
.pieces-table .row {
  cursor: pointer;
}
.pieces-table .row:hover td {
  background: var(--shade);
}
.pieces-table .row a {
  text-decoration: none;
}
.pieces-table .row:hover a {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.pieces-table .for {
  display: block;
  font-size: 12px;
  line-height: 16px;
}
.seek-pieces {
  display: block;
  max-width: 260px;
  margin-bottom: 8px;
}
</style>

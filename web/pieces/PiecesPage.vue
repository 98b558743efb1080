<script setup lang="ts">
import { belongingTo, byId } from '#core/makeover/by-id.ts'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { negate, zero } from '#core/money/minor.ts'
import { pieceWorking } from '#core/purchases/index.ts'
import { useKeys } from '../frame/keys.ts'
import FigureButton from '../parts/FigureButton.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { words, type Column } from '../parts/row-table.ts'
import RowTable from '../parts/RowTable.vue'
import RemarkList from '../remarks/RemarkList.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import ArrivalsDialog from './ArrivalsDialog.vue'
import PieceDialog from './PieceDialog.vue'
import PieceLink from './PieceLink.vue'

const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const working = useWorking()
const pieces = useRows('piece')
const candidates = useRows('candidate')
const needs = useRows('need')
const dialogOpen = ref(false)
const reading = (piece: Row<'piece'>) => byId(makeover.reckoning?.money.pieces, piece.id)
const dates = (piece: Row<'piece'>) => byId(makeover.reckoning?.dates, piece.id)
const chosen = (piece: Row<'piece'>) => byId(candidates.value, piece.chosenId)
const count = (piece: Row<'piece'>): number => belongingTo(candidates.value, 'pieceId', piece.id).length
const signed = computed(() => makeover.line?.signed ?? false)
const servings = useRows('serving')
const need = (piece: Row<'piece'>): string =>
  belongingTo(servings.value, 'pieceId', piece.id)
    .map((row) => byId(needs.value, row.needId)?.name ?? '')
    .join(', ') || 'no need'
const categories = computed(() => makeover.reckoning?.money.categories ?? [])
const bought = computed(() => pieces.value.filter((piece) => piece.categoryId !== null))
/** What stays and costs nothing lies in no category. */
const free = computed(() => pieces.value.filter((piece) => piece.categoryId === null))
const groups = computed(() => ({
  order: categories.value.map((category) => category.id),
  groupId: (piece: Row<'piece'>): string => piece.categoryId ?? '',
}))
const category = (id: string) => byId(categories.value, id)
const columns = computed((): Column<Row<'piece'>>[] => [
  { id: 'piece', title: 'Piece', cell: (piece) => words(piece.name) },
  { id: 'serves', title: 'Serves', cell: (piece) => words(need(piece)), aside: true },
  { id: 'wanted', title: 'Wanted', cell: (piece) => words(writeQuantity(piece.quantity, piece.unit)), number: true },
  { id: 'choice', title: 'Chosen', cell: (piece) => words(chosen(piece)?.name ?? '') },
  {
    id: 'by',
    title: 'Order by',
    cell: (piece) => {
      const orderBy = reading(piece)?.open === 0 ? null : dates(piece)?.orderBy
      return orderBy ? { date: orderBy } : null
    },
  },
  { id: 'allowance', title: 'Allowance', cell: (piece) => ({ amount: piece.allowanceMinor }), number: true },
  {
    id: 'still',
    title: 'Still to buy',
    cell: (piece) => ({ amount: reading(piece)?.stillToBuy ?? zero }),
    number: true,
  },
])
const kept: readonly Column<Row<'piece'>>[] = [
  { id: 'piece', title: 'Stays, and costs nothing', cell: (piece) => words(piece.name) },
  { id: 'what', title: 'What it is', cell: (piece) => words(chosen(piece)?.source ?? 'open') },
  { id: 'from', title: 'From', cell: (piece) => words(chosen(piece)?.origin ?? '') },
]
const open = (id: string): void => void router.push({ name: 'piece', params: { id: route.params.id, pieceId: id } })
const remarks = computed(() => (makeover.reckoning?.remarks ?? []).filter((remark) => remark.step === 'pieces'))
const arriving = ref(false)
/** To the piece that the first of them is for. */
function toPiece(candidateId: string): void {
  const pieceId = makeover.opened?.makeover.rows.candidate[candidateId]?.pieceId
  if (pieceId !== undefined) open(pieceId)
}
useKeys([
  { key: 'n', does: 'A new piece', run: () => (dialogOpen.value = true) },
  { key: 'v', does: 'Bring in a list, a page or a paste', run: () => (arriving.value = true) },
])
</script>

<template>
  <div>
    <div class="page-head">
      <h1>Pieces</h1>
      <span class="quiet"
        >{{ pieces.length }} wanted ·
        {{ pieces.filter((piece) => reading(piece)?.open === 0 && reading(piece)?.state !== 'went back').length }}
        bought or in hand · {{ pieces.filter((piece) => piece.chosenId === null).length }} to choose</span
      >
      <span class="end"
        ><button type="button" class="word" :disabled="categories.length === 0" @click="arriving = true">
          Bring in a list<kbd aria-hidden="true">V</kbd></button
        ><router-link :to="{ name: 'shop', params: { id: $route.params.id } }">Seen in a shop</router-link>
        <button type="button" class="word" :disabled="categories.length === 0" @click="dialogOpen = true">
          Add a piece<kbd aria-hidden="true">N</kbd>
        </button></span
      >
    </div>
    <StepRemarks step="pieces" />
    <p v-if="categories.length === 0" class="opening">
      Pieces are planned within the budget's categories.
      <router-link :to="{ name: 'brief', params: { id: $route.params.id } }">Draft the budget</router-link> first.
    </p>
    <p v-else-if="pieces.length === 0" class="opening">
      Nothing is planned yet. Add a piece for a need, with what it may cost; then set candidates against each other.
    </p>
    <RowTable
      v-if="bought.length > 0"
      class="pieces-table"
      name="pieces"
      :lines="bought"
      :columns="columns"
      :currency="makeover.currency"
      :groups="groups"
      @choose="open"
    >
      <template #group="{ id, columns: wide }">
        <th scope="rowgroup" :colspan="Math.max(1, wide - 2)">{{ category(id)?.name }}</th>
        <td class="number quiet">{{ !signed ? '' : (category(id)?.left ?? 0) < 0 ? 'over by' : 'left' }}</td>
        <td class="number">
          <FigureButton
            v-if="signed && category(id)"
            :amount="category(id)!.left < 0 ? negate(category(id)!.left) : category(id)!.left"
            :figure="`Left in ${category(id)!.name}`"
            :over="category(id)!.left < 0"
            @click="working.show('left', id)"
          />
        </td>
      </template>
      <template #piece="{ line: piece }">
        <PieceLink :piece="piece" :serves="need(piece)" />
      </template>
      <template #choice="{ line: piece }">
        <template v-if="chosen(piece)">{{ chosen(piece)?.name }}</template>
        <span v-else class="quiet">{{
          count(piece) === 0 ? 'no candidate yet' : `${count(piece)} to choose from`
        }}</span>
      </template>
      <template #by="{ line: piece }">
        <span v-if="reading(piece)?.open === 0" class="quiet">{{ reading(piece)?.state }}</span>
        <span v-else-if="dates(piece)?.orderBy" :class="{ inverted: (dates(piece)?.slackDays ?? 0) < 0 }">{{
          writeDate(dates(piece)!.orderBy!).replace(/ \d+$/, '')
        }}</span>
        <span v-else class="quiet">–</span>
      </template>
      <template #allowance="{ line: piece }"
        ><span class="quiet"><MoneyAmount :amount="piece.allowanceMinor" :currency="makeover.currency" /></span
      ></template>
      <template #still="{ line: piece }">
        <FigureButton
          v-if="reading(piece)"
          :class="{ quiet: reading(piece)!.stillToBuy === 0 }"
          :amount="reading(piece)!.stillToBuy"
          :figure="`Still to buy of ${piece.name}`"
          @click="makeover.opened && working.showWorking(pieceWorking(makeover.opened.makeover, reading(piece)!))"
        />
      </template>
    </RowTable>
    <RowTable
      v-if="free.length > 0"
      class="pieces-table free"
      name="pieces that stay"
      :lines="free"
      :columns="kept"
      @choose="open"
    >
      <template #piece="{ line: piece }"><PieceLink :piece="piece" :serves="need(piece)" /></template>
      <template #what="{ line: piece }"
        >{{ chosen(piece)?.source ?? 'open'
        }}<template v-if="chosen(piece)?.keepReason">, {{ chosen(piece)?.keepReason }}</template></template
      >
      <template #from="{ line: piece }"
        ><span class="quiet">{{ chosen(piece)?.origin }}</span></template
      >
    </RowTable>
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
    <ArrivalsDialog v-model="arriving" @kept="toPiece" />
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
.pieces-table tbody tr:not(.group) {
  cursor: pointer;
}
.pieces-table tbody tr:not(.group):hover td {
  background: var(--shade);
}
</style>

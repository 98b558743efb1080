<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { zero } from '#core/money/minor.ts'
import { pieceWorking } from '#core/purchases/index.ts'
import FigureButton from '../parts/FigureButton.vue'
import { words, type Column } from '../parts/row-table.ts'
import RowTable from '../parts/RowTable.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useWorking } from '../stores/working.ts'

/** What is chosen and not ordered yet, with the last day to order it. */
const { wishes } = defineProps<{ wishes: readonly Row<'piece'>[] }>()
const emit = defineEmits<{ order: [piece: Row<'piece'>] }>()
const makeover = useMakeover()
const working = useWorking()
const wish = (piece: Row<'piece'>) => byId(makeover.reckoning?.money.pieces, piece.id)
const columns: readonly Column<Row<'piece'>>[] = [
  { id: 'what', title: 'What', cell: (piece) => words(piece.name) },
  {
    id: 'by',
    title: 'Order by',
    cell: (piece) => {
      const day = orderBy(piece)?.orderBy
      return day ? { date: day } : null
    },
  },
  { id: 'landed', title: 'Landed', cell: (piece) => ({ amount: wish(piece)?.stillToBuy ?? zero }), number: true },
  { id: 'do', title: 'Do', cell: () => null, number: true, plain: true, silent: true },
]
const orderBy = (piece: Row<'piece'>) => byId(makeover.reckoning?.dates, piece.id)
</script>

<template>
  <section class="wishes" aria-labelledby="wishes-title">
    <h2 id="wishes-title">Chosen, to be ordered</h2>
    <RowTable name="pieces to order" sorted="by" :lines="wishes" :columns="columns" :currency="makeover.currency">
      <template #what="{ line: piece }">
        {{ piece.name }} <span class="quiet">{{ writeQuantity(wish(piece)?.open ?? 0, piece.unit) }}</span>
      </template>
      <template #by="{ line: piece }">
        <span v-if="orderBy(piece)?.orderBy" :class="{ inverted: (orderBy(piece)?.slackDays ?? 0) < 0 }">{{
          writeDate(orderBy(piece)!.orderBy!)
        }}</span>
        <span v-else class="quiet">no install date</span>
      </template>
      <template #landed="{ line: piece }">
        <FigureButton
          v-if="wish(piece)"
          :amount="wish(piece)!.stillToBuy"
          :figure="`Landed cost of ${piece.name}`"
          @click="makeover.opened && working.showWorking(pieceWorking(makeover.opened.makeover, wish(piece)!))"
        />
      </template>
      <template #do="{ line: piece }">
        <button type="button" class="word" :aria-label="`Order ${piece.name}`" @click="emit('order', piece)">
          Order<kbd v-if="piece.id === wishes[0]?.id" aria-hidden="true">N</kbd>
        </button>
      </template>
    </RowTable>
  </section>
</template>

<style>
.wishes {
  margin-top: 24px;
}
.wishes td {
  padding-top: 5px;
  padding-bottom: 5px;
}
</style>

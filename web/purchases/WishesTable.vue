<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { pieceWorking } from '#core/purchases/index.ts'
import FigureButton from '../parts/FigureButton.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useWorking } from '../stores/working.ts'

/** What is chosen and not ordered yet, with the last day to order it. */
const { wishes } = defineProps<{ wishes: readonly Row<'piece'>[] }>()
const emit = defineEmits<{ order: [piece: Row<'piece'>] }>()
const makeover = useMakeover()
const working = useWorking()
const wish = (piece: Row<'piece'>) => byId(makeover.reckoning?.money.pieces, piece.id)
const orderBy = (piece: Row<'piece'>) => byId(makeover.reckoning?.dates, piece.id)
</script>

<template>
  <section class="wishes" aria-labelledby="wishes-title">
    <h2 id="wishes-title">Chosen, to be ordered</h2>
    <table>
      <thead>
        <tr>
          <th>What</th>
          <th>Order by</th>
          <th class="number">Landed</th>
          <th><span class="visually-hidden">Do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="piece in wishes" :key="piece.id">
          <td>
            {{ piece.name }} <span class="quiet">{{ writeQuantity(wish(piece)?.open ?? 0, piece.unit) }}</span>
          </td>
          <td>
            <span v-if="orderBy(piece)?.orderBy" :class="{ inverted: (orderBy(piece)?.slackDays ?? 0) < 0 }">{{
              writeDate(orderBy(piece)!.orderBy!)
            }}</span><span v-else class="quiet">no install date</span>
          </td>
          <td class="number">
            <FigureButton
              v-if="wish(piece)"
              :amount="wish(piece)!.stillToBuy"
              :figure="`Landed cost of ${piece.name}`"
              @click="makeover.opened && working.showWorking(pieceWorking(makeover.opened.makeover, wish(piece)!))"
            />
          </td>
          <td class="number">
            <button type="button" class="word" :aria-label="`Order ${piece.name}`" @click="emit('order', piece)">
              Order
            </button>
          </td>
        </tr>
      </tbody>
    </table>
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

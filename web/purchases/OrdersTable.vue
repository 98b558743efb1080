<script setup lang="ts">
import type { Row } from '#core/makeover/kinds.ts'
import { writeShortDate } from '#core/measure/plain-date.ts'
import { minor, negate } from '#core/money/minor.ts'
import { purchaseWorking } from '#core/purchases/index.ts'
import FigureButton from '../parts/FigureButton.vue'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RowTable from '../parts/RowTable.vue'
import StateDots from '../parts/StateDots.vue'
import { words, type Column } from '../parts/row-table.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useWorking } from '../stores/working.ts'
import type { OrderLine } from './order-lines.ts'

/** All that was ordered: how far it is, its tags, what is paid and what is due. */
const { lines, chosen } = defineProps<{ lines: readonly OrderLine[]; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: string] }>()
const makeover = useMakeover()
const working = useWorking()

/** What comes back stands below nothing. */
const due = ({ money }: OrderLine) => (money.refundDue > 0 ? negate(money.refundDue) : money.committed)
const columns: readonly Column<OrderLine>[] = [
  { id: 'swatch', title: 'Colour', cell: () => null, plain: true, silent: true },
  { id: 'what', title: 'What', cell: ({ name }) => words(name) },
  { id: 'from', title: 'Where from', cell: ({ seller }) => words(seller) },
  { id: 'far', title: 'How far', cell: ({ money }) => words(money.state) },
  { id: 'tags', title: 'Tags and return', cell: ({ money }) => (money.returnBy ? { date: money.returnBy } : null) },
  { id: 'ordered', title: 'Ordered', cell: ({ order }) => ({ date: order.orderedOn }), aside: true },
  { id: 'thing', title: 'Candidate', cell: ({ candidate }) => words(candidate?.name ?? ''), aside: true },
  { id: 'paid', title: 'Paid', cell: ({ money }) => ({ amount: money.paid }), number: true },
  { id: 'due', title: 'Due', cell: (line) => ({ amount: minor(due(line)) }), number: true },
]
const swatchOf = (candidate: Row<'candidate'> | undefined) =>
  candidate?.labL == null || candidate.labA === null || candidate.labB === null
    ? null
    : {
        family: 'paper' as const,
        sheen: 'matt' as const,
        labL: candidate.labL,
        labA: candidate.labA,
        labB: candidate.labB,
      }
</script>

<template>
  <RowTable
    own-cards
    class="orders"
    name="orders"
    sorted="ordered"
    :lines="lines"
    :columns="columns"
    :currency="makeover.currency"
    :chosen="chosen ?? ''"
    @choose="emit('choose', $event)"
  >
    <template #swatch="{ line }"
      ><span class="chip"
        ><MaterialSwatch v-if="swatchOf(line.candidate)" :finish="swatchOf(line.candidate)!" :scale="0.5" /></span
    ></template>
    <template #what="{ line }">
      <button type="button" class="bare name" :aria-pressed="line.id === chosen" @click.stop="emit('choose', line.id)">
        {{ line.name }}</button><span v-if="line.standIn" class="quiet">, a stand-in</span
      ><span v-if="line.together > 1" class="quiet with">one order with {{ line.together - 1 }} more</span>
    </template>
    <template #from="{ line }"
      ><span class="quiet">{{ line.seller }}</span></template
    >
    <template #far="{ line }"><StateDots :state="line.money.state" /></template>
    <template #tags="{ line }">
      <template v-if="line.money.returnBy"
        ><span class="shop-tag" aria-hidden="true" />on, till {{ writeShortDate(line.money.returnBy) }}</template
      >
      <span v-else-if="line.money.tagsOffOn" class="quiet">off, {{ writeShortDate(line.money.tagsOffOn) }}</span>
      <span v-else-if="line.row.returnDays === null" class="quiet">no return</span>
      <span v-else class="quiet">–</span>
    </template>
    <template #paid="{ line }"><MoneyAmount :amount="line.money.paid" :currency="makeover.currency" /></template>
    <template #due="{ line }">
      <FigureButton
        :amount="due(line)"
        :figure="`Due on ${line.name}`"
        :over="line.money.refundDue > 0"
        @click="makeover.opened && working.showWorking(purchaseWorking(makeover.opened.makeover, line.money))"
      />
    </template>
  </RowTable>
</template>

<style>
.orders td {
  padding-top: 7px;
  padding-bottom: 7px;
  vertical-align: middle;
}
.orders tbody tr {
  cursor: pointer;
}
.orders tbody tr:hover td {
  background: var(--shade);
}
.orders .swatch {
  width: 46px;
}
.orders .chip {
  display: block;
  width: 34px;
  height: 24px;
  border: 1px solid var(--rule);
}
.orders td.tags {
  white-space: nowrap;
}
.orders .name {
  font-weight: 600;
  min-height: 24px;
}
.orders .with {
  display: block;
  font-size: 12px;
  line-height: 16px;
}
.shop-tag {
  display: inline-block;
  width: 22px;
  height: 12px;
  background: var(--ink);
  clip-path: polygon(30% 0, 100% 0, 100% 100%, 30% 100%, 0 50%);
  margin-right: 7px;
  vertical-align: -1px;
}
@media (max-width: 720px) {
  .orders thead {
    display: none;
  }
  main .orders,
  .orders tbody {
    display: block;
  }
  .orders tr {
    display: grid;
    grid-template-columns: 46px 1fr auto;
    grid-template-areas: 'swatch what due' 'swatch far paid' 'swatch tags tags';
    border-bottom: 1px solid var(--hairline);
    padding: 6px 0;
  }
  .orders td {
    border: 0;
    padding: 2px 8px 2px 0;
  }
  .orders tr.chosen > td {
    box-shadow: none;
    border: 0;
  }
  .orders tr.chosen {
    outline: 1.5px solid var(--ink);
  }
  .orders .swatch {
    grid-area: swatch;
  }
  .orders .what {
    grid-area: what;
  }
  .orders .far {
    grid-area: far;
  }
  .orders .tags {
    grid-area: tags;
    font-size: 13px;
  }
  .orders .due {
    grid-area: due;
    font-weight: 600;
  }
  .orders .paid {
    grid-area: paid;
    color: var(--soft);
  }
  .orders .from {
    display: none;
  }
  .orders td.tags {
    white-space: nowrap;
  }
  .orders .name {
    min-height: 32px;
  }
}
</style>

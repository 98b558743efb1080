<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { Figure } from '#core/purchases/index.ts'
import type { LineFigures } from '#core/reckoning/summary.ts'
import type { Minor } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useWorking } from '../stores/working.ts'
import ReckoningBar from './ReckoningBar.vue'

const { line } = defineProps<{ line: LineFigures }>()
const working = useWorking()
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)

type Label = { figure: Figure; name: string; amount: Minor; starts: number; over?: boolean }
/** Each figure stands over the beginning of its part of the bar, pushed along only as far as its neighbour needs. */
const labels = computed(() => {
  const whole = Math.max(line.agreed, line.paid + line.committed + line.stillToBuy - line.refundsDue, 1)
  const at = (amount: number): number => (width.value * amount) / whole
  const paid = line.paid - line.refundsDue
  const list: Label[] = [
    { figure: 'paid', name: 'Paid', amount: line.paid, starts: 0 },
    { figure: 'committed', name: 'Committed', amount: line.committed, starts: at(paid) },
    { figure: 'stillToBuy', name: 'Still to buy', amount: line.stillToBuy, starts: at(paid + line.committed) },
    ...(line.refundsDue > 0
      ? [
          {
            figure: 'refundsDue' as const,
            name: 'Refunds due',
            amount: line.refundsDue,
            starts: at(paid + line.committed + line.stillToBuy / 2),
          },
        ]
      : []),
    ...(line.signed
      ? [
          {
            figure: 'left' as const,
            name: line.left < 0 ? 'Over the categories' : 'Left',
            amount: line.left,
            starts: at(paid + line.committed + line.stillToBuy),
            over: line.left < 0,
          },
        ]
      : []),
  ]
  const wide = (label: Label): number =>
    Math.max(label.name.length * 6.1, writeMoney(label.amount, line.currency).length * 8.3 + (label.over ? 10 : 0)) + 16
  let right = width.value - Math.max(60, (writeMoney(line.agreed, line.currency).length + 4) * 8.3) - 8
  const rights = list.toReversed().map((label) => (right -= wide(label)))
  let left = 0
  return list.map((label, place) => {
    const start = Math.max(left, Math.min(label.starts, rights.toReversed()[place] ?? 0))
    left = start + wide(label)
    return { ...label, start }
  })
})
</script>

<template>
  <section ref="frame" class="reckoning-line" aria-label="Reckoning">
    <div class="labels">
      <button
        v-for="label in labels"
        :key="label.figure"
        type="button"
        class="bare"
        :class="{ aside: label.figure !== 'left' && label.figure !== 'stillToBuy' }"
        :style="{ left: `${label.start}px` }"
        @click="working.show(label.figure)"
      >
        <span class="label">{{ label.name }}</span>
        <span class="figure" :class="{ inverted: label.over }"
          ><MoneyAmount :amount="label.amount" :currency="line.currency"
        /></span>
      </button>
      <button type="button" class="bare agreed" :class="{ aside: line.signed }" @click="working.show('agreed')">
        <span class="label">Agreed</span>
        <span class="figure"
          ><MoneyAmount v-if="line.signed" :amount="line.agreed" :currency="line.currency" with-currency /><template
            v-else
            >not signed yet</template
          ></span
        >
      </button>
    </div>
    <ReckoningBar :line="line" />
  </section>
</template>

<style>
.reckoning-line {
  position: relative;
  min-width: 0;
}
.reckoning-line .labels {
  position: relative;
  height: 37px;
}
.reckoning-line .labels button {
  position: absolute;
  top: 0;
  display: grid;
  min-width: 24px;
}
.reckoning-line .labels button:hover .label {
  text-decoration: underline;
  text-underline-offset: 2px;
}
.reckoning-line .agreed {
  right: 0;
  text-align: right;
}
.reckoning-line .figure {
  font-size: 15px;
  line-height: 19px;
  font-weight: 600;
  white-space: nowrap;
  justify-self: start;
}
.reckoning-line .agreed .figure {
  justify-self: end;
}
@media (max-width: 820px) {
  .reckoning-line .labels {
    height: auto;
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
    margin-bottom: 6px;
  }
  .reckoning-line .labels button {
    position: static;
  }
}
/* on a phone: what is left, what is still to buy, what is over */
@media (max-width: 560px) {
  .reckoning-line .labels {
    gap: 4px 28px;
  }
  .reckoning-line .labels .aside {
    display: none;
  }
  .reckoning-line .labels .figure {
    font-size: 17px;
  }
}
</style>

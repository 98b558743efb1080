<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3'
import { computed, useTemplateRef } from 'vue'
import { minus, zero, type Minor } from '#core/money/minor.ts'
import type { Figure, Money } from '#core/purchases/index.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useWorking } from '../stores/working.ts'

/** Money by category on one common scale: paid solid, committed close hatch, still to buy open hatch, the agreed sum an upright stroke. */
const { money, currency } = defineProps<{ money: Money; currency: string }>()
const working = useWorking()
const column = useTemplateRef<HTMLElement>('column')
const { width } = useElementSize(column)
const scale = computed(() => {
  const most = Math.max(
    1,
    ...money.categories.flatMap((category) => [category.agreed, category.forecast + category.refundsDue]),
  )
  return scaleLinear([0, most], [0, Math.max(0, width.value - 4)])
})
const bar = (amount: Minor): string => `${scale.value(Math.max(0, amount))}px`
const parts: readonly { figure: Figure; name: string; key: 'paid' | 'committed' | 'stillToBuy' }[] = [
  { figure: 'paid', name: 'Paid', key: 'paid' },
  { figure: 'committed', name: 'Committed', key: 'committed' },
  { figure: 'stillToBuy', name: 'Still to buy', key: 'stillToBuy' },
]
</script>

<template>
  <section class="ladder" aria-label="Money by category">
    <div class="rung legend">
      <span class="label">By category</span>
      <span class="label key">
        <span v-for="part in parts" :key="part.key"
          ><i :class="part.key" aria-hidden="true" />{{ part.name.toLowerCase() }}</span
        >
        <span><i class="agreed" aria-hidden="true" />agreed</span>
      </span>
      <span class="label number">agreed</span>
      <span class="label number">left</span>
    </div>
    <div class="rung measure" aria-hidden="true"><span /><span ref="column" /><span /><span /></div>
    <div v-for="category in money.categories" :key="category.id" class="rung">
      <span>{{ category.name }}</span>
      <span class="bars">
        <button
          v-for="part in parts"
          v-show="category[part.key] > 0"
          :key="part.key"
          type="button"
          class="bare"
          :style="{ width: bar(category[part.key]) }"
          :aria-label="`${part.name} in ${category.name}, working`"
          @click="working.show(part.figure, category.id)"
        >
          <i :class="part.key" />
        </button>
        <span v-if="money.agreement" class="agreed" aria-hidden="true" :style="{ left: bar(category.agreed) }" />
      </span>
      <button
        type="button"
        class="bare number quiet"
        :aria-label="`Agreed for ${category.name}, working`"
        @click="working.show('agreed', category.id)"
      >
        <MoneyAmount :amount="category.agreed" :currency="currency" />
      </button>
      <span v-if="money.agreement === null" class="number quiet">not agreed</span>
      <button
        v-else
        type="button"
        class="bare number"
        :aria-label="`Left in ${category.name}, working`"
        @click="working.show('left', category.id)"
      >
        <strong :class="{ inverted: category.left < 0 }"
          ><MoneyAmount
            :amount="category.left < 0 ? minus(zero, category.left) : category.left"
            :currency="currency"
          /><template v-if="category.left < 0"> over</template></strong
        >
      </button>
    </div>
  </section>
</template>

<style>
.ladder {
  border-top: 1.5px solid var(--ink);
  margin-bottom: 18px;
}
.rung {
  display: grid;
  grid-template-columns: 116px minmax(0, 1fr) 90px 116px;
  gap: 0 14px;
  align-items: center;
  min-height: 27px;
  border-bottom: 1px solid var(--hairline);
}
.rung.legend {
  min-height: 24px;
}
.rung.measure {
  min-height: 0;
  height: 0;
  border: 0;
}
.rung .key {
  display: flex;
  gap: 16px;
}
.rung .key i {
  display: inline-block;
  width: 18px;
  height: 8px;
  margin-right: 5px;
}
.rung .key i.agreed {
  width: 2px;
  height: 12px;
  background: var(--ink);
  vertical-align: -2px;
}
.rung .bars {
  position: relative;
  display: flex;
  height: 27px;
  align-items: center;
}
.rung .bars button {
  height: 24px;
  padding: 7px 0;
  min-width: 3px;
}
.rung .bars i {
  display: block;
  height: 10px;
}
.ladder .paid {
  background: var(--ink);
}
.ladder .committed {
  background: var(--close);
}
.ladder .stillToBuy {
  background: var(--open);
  border-right: 1px solid var(--soft);
}
.rung .bars .agreed {
  position: absolute;
  top: 2px;
  bottom: 2px;
  border-left: 2px solid var(--ink);
  pointer-events: none;
}
.rung button.number {
  min-height: 24px;
}
@media (max-width: 720px) {
  .rung.legend {
    grid-template-columns: 1fr;
  }
  .rung.legend > .label:not(.key) {
    display: none;
  }
  .rung.legend .key > span {
    white-space: nowrap;
  }
  .rung {
    grid-template-columns: 76px minmax(0, 1fr) 96px;
    gap: 0 8px;
  }
  .rung > :nth-child(3) {
    display: none;
  }
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { Minor } from '#core/money/minor.ts'
import { moneyParts } from '#core/money/written.ts'
import { useSession } from '../stores/session.ts'

/** An amount with its decimals set quietly, so that the eye reads whole units first. */
const {
  amount,
  currency,
  withCurrency = false,
} = defineProps<{ amount: Minor; currency: string; withCurrency?: boolean }>()
const session = useSession()
const parts = computed(() => moneyParts(amount, currency))
</script>

<template>
  <span v-if="!session.costs" class="amount quiet" title="Costs are not shown to you">–</span>
  <span v-else class="amount"
    ><span v-if="withCurrency" class="currency">{{ currency }}&nbsp;</span>{{ parts[0]
    }}<span class="decimals">{{ parts[1] }}</span></span
  >
</template>

<style>
.amount .decimals {
  font-size: 0.82em;
}
.amount .currency {
  font-size: 0.82em;
  font-weight: 400;
}
</style>

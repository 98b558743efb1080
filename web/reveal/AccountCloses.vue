<script setup lang="ts">
import { computed } from 'vue'
import { closedNow, outcomeOf, toSettle } from '#core/reveal/index.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import ClosingWays from './ClosingWays.vue'

/** What has to be settled first, in its order; what it came to; the client's statement signed; and the account closed. */
const makeover = useMakeover()
const permissions = useRows('permission')
const open = computed(() =>
  makeover.opened && makeover.reckoning ? toSettle(makeover.opened.makeover, makeover.reckoning.money) : [],
)
const holding = computed(() => open.value.filter(({ holds }) => holds))
const came = computed(() =>
  makeover.opened && makeover.reckoning ? outcomeOf(makeover.opened.makeover, makeover.reckoning.money) : null,
)
const closed = computed(() => (makeover.opened ? closedNow(makeover.opened.makeover) : null))
const restoring = computed(() => permissions.value.filter(({ restore }) => restore !== ''))
</script>

<template>
  <section aria-labelledby="account-title">
    <div class="section-head"><h2 id="account-title">The account</h2></div>
    <dl v-if="came" class="pairs sums">
      <div>
        <dt>
          Agreed{{
            came.changes === 0
              ? ''
              : came.changes === 1
                ? ', with one signed change'
                : `, with ${came.changes} signed changes`
          }}
        </dt>
        <dd><MoneyAmount :amount="came.agreed" :currency="makeover.currency" /></dd>
      </div>
      <div>
        <dt>Spent</dt>
        <dd><MoneyAmount :amount="came.spent" :currency="makeover.currency" /></dd>
      </div>
      <div>
        <dt>Not spent</dt>
        <dd><MoneyAmount :amount="came.left" :currency="makeover.currency" /></dd>
      </div>
      <div>
        <dt>Contingency drawn on</dt>
        <dd><MoneyAmount :amount="came.drawn" :currency="makeover.currency" /></dd>
      </div>
      <div>
        <dt>Saved against list prices</dt>
        <dd><MoneyAmount :amount="came.savedOnList" :currency="makeover.currency" /></dd>
      </div>
      <div>
        <dt>Against what was allowed for what was bought</dt>
        <dd><MoneyAmount :amount="came.savedOnEstimate" :currency="makeover.currency" /></dd>
      </div>
    </dl>
    <template v-if="!closed">
      <h3>{{ holding.length === 0 ? 'All is settled' : 'To settle first, in this order' }}</h3>
      <ol v-if="open.length > 0" class="reveal-list">
        <li v-for="(line, at) in open" :key="at">
          <span class="name">{{ line.words }}</span>
          <MoneyAmount v-if="line.amount !== null" :amount="line.amount" :currency="makeover.currency" />
          <span class="quiet">{{ line.holds ? '' : 'does not hold the closing up' }}</span>
        </li>
      </ol>
    </template>
    <ClosingWays :is-settled="holding.length === 0" />
    <template v-if="restoring.length > 0">
      <h3>To put back as it was</h3>
      <ul class="reveal-list">
        <li v-for="row in restoring" :key="row.id">
          <span class="name">{{ row.ask }}</span> {{ row.restore }}
          <MoneyAmount
            v-if="row.restorePieceId && makeover.opened?.makeover.rows.piece[row.restorePieceId]"
            :amount="makeover.opened.makeover.rows.piece[row.restorePieceId]!.allowanceMinor"
            :currency="makeover.currency"
          />
        </li>
      </ul>
    </template>
  </section>
</template>

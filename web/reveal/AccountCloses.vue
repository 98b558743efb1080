<script setup lang="ts">
import { computed, ref } from 'vue'
import { edit } from '#core/makeover/change.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { closedNow, outcomeOf, toSettle } from '#core/reveal/index.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** What has to be settled first, in its order; what it came to; the client's statement signed; and the account closed. */
const makeover = useMakeover()
const [clients, permissions, closings] = [useRows('client'), useRows('permission'), useRows('closing')]
const open = computed(() =>
  makeover.opened && makeover.reckoning ? toSettle(makeover.opened.makeover, makeover.reckoning.money) : [],
)
const holding = computed(() => open.value.filter(({ holds }) => holds))
const came = computed(() =>
  makeover.opened && makeover.reckoning ? outcomeOf(makeover.opened.makeover, makeover.reckoning.money) : null,
)
const closed = computed(() => (makeover.opened ? closedNow(makeover.opened.makeover) : null))
const signedById = ref('')
const reason = ref('')
const problem = ref('')
async function close(): Promise<void> {
  problem.value = ''
  const by = signedById.value || clients.value[0]?.id
  if (by === undefined) {
    problem.value = 'Say in the brief who the client is.'
    return
  }
  try {
    await request('POST', `/makeovers/${makeover.opened?.makeover.id ?? ''}/closings`, { signedById: by })
  } catch (error) {
    if (error instanceof Refused) problem.value = error.problem.detail
    else if (error instanceof NoAnswer) problem.value = 'No answer from the server: nothing was closed.'
    else throw error
  }
}
async function reopen(): Promise<void> {
  const row = closed.value
  const today = makeover.opened?.today
  if (!row || !today) return
  const faults = await makeover.change(`Opened the account again: ${reason.value}`.slice(0, 500), [
    edit('closing', row, { reopenedOn: today, reason: reason.value }),
  ])
  problem.value = faults.map(({ field, message }) => (field ? `${field}: ${message}` : message)).join('; ')
  if (faults.length === 0) reason.value = ''
}
const restoring = computed(() => permissions.value.filter(({ restore }) => restore !== ''))
const nameOf = (id: string | null): string => clients.value.find((client) => client.id === id)?.name ?? ''
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
        <dt>Left</dt>
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
      <p class="closing">
        <label
          >The client’s statement is signed by
          <select v-model="signedById">
            <option value="">{{ clients[0]?.name ?? 'nobody' }}</option>
            <option v-for="client in clients.slice(1)" :key="client.id" :value="client.id">{{ client.name }}</option>
          </select></label
        >
        <el-button type="primary" :disabled="holding.length > 0" @click="close">Close the account</el-button>
      </p>
    </template>
    <template v-else>
      <p>
        Closed on {{ writeDate(closed.closedOn) }}, the statement signed by {{ nameOf(closed.signedById) }}.
        <span class="quiet">It is kept word for word under the digest {{ closed.digest.slice(0, 16) }}….</span>
      </p>
      <p class="closing">
        <label>Why it is opened again <input v-model="reason" maxlength="500" /></label>
        <el-button @click="reopen">Open it again</el-button>
      </p>
    </template>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <ul v-if="closings.some(({ reopenedOn }) => reopenedOn !== null)" class="reveal-list">
      <li v-for="row in closings.filter(({ reopenedOn }) => reopenedOn !== null)" :key="row.id">
        Closed on {{ writeDate(row.closedOn) }}, opened again on {{ writeDate(row.reopenedOn!) }}: {{ row.reason }}
      </li>
    </ul>
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

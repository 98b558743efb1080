<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import type { Minor } from '#core/money/minor.ts'
import { rulebook, ruleIds } from '#core/rulebook/rulebook.ts'
import { questions } from '#core/rulebook/schools.ts'
import { NoAnswer, Refused, sendFile } from '../api.ts'
import MoneyAmount from '../parts/MoneyAmount.vue'

/** A makeover brought in from a file: first what it would do, then, on a word, that and nothing else. */
type Fault = { readonly message: string; readonly field: string | null }
type Way = { readonly puts: number; readonly removes: number; readonly faults: readonly Fault[] } | null
type Dry = {
  readonly id: string
  readonly name: string
  readonly exists: boolean
  readonly currency: string
  readonly history: number | null
  readonly rows: readonly { readonly what: string; readonly count: number }[]
  readonly files: { readonly count: number; readonly bytes: number }
  readonly money: { readonly agreed: Minor; readonly forecast: Minor; readonly paid: Minor; readonly over: Minor }
  readonly signed: number
  readonly remarks: { readonly stop: number; readonly look: number; readonly note: number }
  readonly newSellers: readonly string[]
  readonly knownSellers: readonly string[]
  readonly ownPractice: readonly string[]
  readonly ways: { readonly new: Way; readonly itself: Way; readonly copy: Way }
}
const router = useRouter()
const input = useTemplateRef<HTMLInputElement>('input')
const file = ref<File | null>(null)
const dry = ref<Dry | null>(null)
const problem = ref('')
const done = ref<{ id: string; name: string; changed: boolean } | null>(null)
const busy = ref('')
const over = ref(false)
const as = ref<'new' | 'itself' | 'copy'>('new')

const said = (error: unknown): string => {
  if (error instanceof Refused) return error.problem.detail
  if (error instanceof NoAnswer) return 'No answer from the server. Nothing was changed: try again.'
  throw error
}
async function look(chosen: File | undefined): Promise<void> {
  over.value = false
  if (!chosen) return
  file.value = chosen
  dry.value = done.value = null
  problem.value = ''
  busy.value = 'Reading it …'
  try {
    dry.value = await sendFile<Dry>('/imports/dry', chosen)
    as.value = dry.value.exists ? (dry.value.ways.itself?.faults.length === 0 ? 'itself' : 'copy') : 'new'
  } catch (error) {
    problem.value = `${chosen.name}: ${said(error)}`
  } finally {
    busy.value = ''
    if (input.value) input.value.value = ''
  }
}
async function bringIn(): Promise<void> {
  if (!file.value || !dry.value) return
  busy.value = 'Bringing it in …'
  problem.value = ''
  try {
    const { id, changed } = await sendFile<{ id: string; changed: boolean }>(`/imports?as=${as.value}`, file.value)
    done.value = { id, name: dry.value.name, changed }
    dry.value = null
  } catch (error) {
    problem.value = said(error)
  } finally {
    busy.value = ''
  }
}
const ways = computed(() => {
  const tried = dry.value
  if (!tried) return []
  return (['new', 'itself', 'copy'] as const).flatMap((which) => {
    const way = tried.ways[which]
    if (!way || (which === 'copy' && !tried.exists)) return []
    const same = which === 'itself' && way.puts + way.removes === 0
    const title = { new: 'As a new makeover', itself: 'Over the one you have', copy: 'As a copy beside it' }[which]
    const does = same
      ? 'they are the same: nothing would change'
      : which === 'itself'
        ? `${way.puts} rows as the file says, ${way.removes} taken away; it stands in the history and can be undone`
        : `${way.puts} rows`
    return [{ which, title, does, faults: way.faults }]
  })
})
const chosen = computed(() => ways.value.find((way) => way.which === as.value))
const many = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`
const size = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`
const practiceWords = (name: string): string => {
  const rule = ruleIds.find((id) => id === name)
  return rule ? rulebook[rule].why.replace(/\.$/, '') : (byId(questions, name)?.asks ?? name)
}
</script>

<template>
  <div
    class="import"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="look($event.dataTransfer?.files[0])"
  >
    <label class="drop">
      <input
        ref="input"
        type="file"
        class="visually-hidden"
        accept=".zip,application/zip"
        @change="look(($event.target as HTMLInputElement).files?.[0])"
      />
      <span>{{
        busy || 'Bring in a makeover: drop its file here, or choose it. First you see what it would do.'
      }}</span>
    </label>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-if="done" class="said-line" role="status">
      {{ done.changed ? `${done.name} is in.` : `${done.name} is here as the file says: nothing was changed.` }}
      <button type="button" class="word" @click="router.push({ name: 'brief', params: { id: done.id } })">
        Open it
      </button>
    </p>
    <section v-if="dry" class="dry" aria-labelledby="dry-title">
      <h2 id="dry-title" class="serif">{{ dry.name }}</h2>
      <p class="quiet">
        {{ dry.exists ? 'You have this makeover.' : 'You do not have this makeover yet.' }} Nothing is changed until you
        say so.
      </p>
      <dl class="pairs">
        <div>
          <dt>Agreed</dt>
          <dd><MoneyAmount :amount="dry.money.agreed" :currency="dry.currency" with-currency /></dd>
        </div>
        <div>
          <dt>Forecast</dt>
          <dd><MoneyAmount :amount="dry.money.forecast" :currency="dry.currency" with-currency /></dd>
        </div>
        <div>
          <dt>Paid</dt>
          <dd><MoneyAmount :amount="dry.money.paid" :currency="dry.currency" with-currency /></dd>
        </div>
        <div>
          <dt>Open remarks</dt>
          <dd>{{ dry.remarks.stop }} stop, {{ dry.remarks.look }} look, {{ many(dry.remarks.note, 'note') }}</dd>
        </div>
        <div>
          <dt>History</dt>
          <dd>{{ dry.history === null ? 'left out of the file' : many(dry.history, 'change') }}</dd>
        </div>
        <div>
          <dt>Pictures and receipts</dt>
          <dd>{{ dry.files.count === 0 ? 'none' : `${dry.files.count}, ${size(dry.files.bytes)}` }}</dd>
        </div>
      </dl>
      <p v-if="dry.money.over > 0" class="final">
        It comes to <MoneyAmount :amount="dry.money.over" :currency="dry.currency" with-currency /> over the agreed sum,
        and stands over until a change is signed: nothing more can be ordered before.
      </p>
      <p v-if="dry.signed > 0">
        {{ many(dry.signed, 'version') }} of the budget {{ dry.signed === 1 ? 'comes' : 'come' }} as signed. What a file
        says is marked as brought in: only what is signed here is vouched for here.
      </p>
      <ul class="rows-in" aria-label="What is in it">
        <li v-for="row in dry.rows" :key="row.what">
          <strong>{{ row.count }}</strong> {{ row.what }}
        </li>
      </ul>
      <p v-if="dry.newSellers.length > 0">New sellers: {{ dry.newSellers.join(', ') }}.</p>
      <p v-if="dry.knownSellers.length > 0" class="quiet">
        Sellers you have already, taken for the same: {{ dry.knownSellers.join(', ') }}.
      </p>
      <p v-if="dry.ownPractice.length > 0">
        Reckoned by a practice that is not this studio’s. The makeover keeps as its own:
        {{ dry.ownPractice.map(practiceWords).join('; ') }}.
      </p>
      <fieldset>
        <legend class="label">How it comes in</legend>
        <label v-for="way in ways" :key="way.which" :class="{ kept: as === way.which }">
          <input v-model="as" type="radio" name="as" :value="way.which" />
          <span
            ><strong>{{ way.title }}</strong
            >{{ ' ' }} <span class="quiet">{{ way.faults.length > 0 ? '' : way.does }}</span><span
              v-for="fault in way.faults.slice(0, 3)"
              :key="fault.message"
              class="why"
              >Not possible: {{ fault.message }}.</span
            ></span
          >
        </label>
      </fieldset>
      <p class="do">
        <el-button type="primary" :disabled="(chosen?.faults.length ?? 1) > 0" :loading="busy !== ''" @click="bringIn"
          >Bring it in</el-button
        >
        <el-button @click="dry = null">Leave it</el-button>
      </p>
    </section>
  </div>
</template>

<style>
.import {
  margin-top: 12px;
}
.import .drop {
  display: block;
  border: 1px dashed var(--input);
  padding: 12px 14px;
  cursor: pointer;
  color: var(--soft);
}
.import.over .drop {
  border: 1.5px solid var(--ink);
  color: var(--ink);
}
.import .drop:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}
.import .stop-line,
.import .said-line {
  margin-top: 10px;
}
.dry {
  border: 1.5px solid var(--ink);
  padding: 16px 20px;
  margin-top: 12px;
  background: var(--sheet);
  display: grid;
  gap: 8px;
  max-width: 860px;
}
.dry .pairs {
  columns: 2;
  column-gap: 48px;
}
.dry .pairs > div {
  break-inside: avoid;
}
.dry .rows-in {
  columns: 4 140px;
  font-size: 13px;
  line-height: 20px;
  border-top: 1px solid var(--hairline);
  border-bottom: 1px solid var(--hairline);
  padding: 6px 0;
}
.dry .rows-in strong {
  display: inline-block;
  min-width: 22px;
  text-align: right;
  margin-right: 4px;
}
.dry fieldset {
  border: 0;
  padding: 0;
  min-width: 0;
  margin: 6px 0 0;
  display: grid;
  gap: 6px;
}
.dry label {
  display: flex;
  gap: 10px;
  align-items: baseline;
  border: 1px solid var(--input);
  padding: 7px 12px;
  cursor: pointer;
}
.dry label.kept {
  border: 1.5px solid var(--ink);
  box-shadow: inset 4px 0 0 var(--ink);
}
.dry input {
  accent-color: var(--ink);
}
.dry .why {
  display: block;
}
.dry .do {
  display: flex;
  gap: 8px;
  margin-top: 6px;
}
</style>

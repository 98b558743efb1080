<script setup lang="ts">
import { computed } from 'vue'
import { fieldWords } from '#core/diary/index.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { Waiting } from '../stores/waiting.ts'
import { toldOf } from './told.ts'

/** What is not saved yet: what only waits for the server, and what was refused or met another's change and wants a decision. */
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const told = (waiting: Waiting) => (makeover.opened ? toldOf(waiting, makeover.opened, makeover.currency) : [])
const resting = (waiting: Waiting): readonly Waiting[] => makeover.sorted.resting.get(waiting.changeSet.id) ?? []
const why = (waiting: Waiting): string =>
  waiting.held?.is === 'refused'
    ? waiting.held.faults
        .map((fault) => (fault.field === null ? fault.message : `${fieldWords(fault.field)}: ${fault.message}`))
        .join('; ')
    : 'somebody changed the same meanwhile'
const clock = (at: string): string =>
  at.startsWith('1970') || at === ''
    ? 'earlier'
    : new Intl.DateTimeFormat('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' }).format(new Date(at))
const since = computed(() => makeover.away?.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }) ?? '')
function decide(waiting: Waiting): void {
  open.value = false
  makeover.deciding = waiting.changeSet.id
}
</script>

<template>
  <el-dialog v-model="open" title="Not saved yet" :width="640" append-to-body align-center>
    <p v-if="makeover.away" class="quiet">
      No answer from the server since {{ since }}. You can go on: everything typed is kept in this browser, and sent in
      order when the server is back.
    </p>
    <p v-if="makeover.waiting.length === 0" class="quiet">Everything is saved.</p>
    <section v-if="makeover.sorted.held.length > 0" class="waiting">
      <h2>For you to decide</h2>
      <article v-for="entry in makeover.sorted.held" :key="entry.changeSet.id">
        <p>
          <strong>{{ entry.changeSet.sentence }}</strong> <span class="quiet">{{ clock(entry.addedAt) }}</span>
        </p>
        <p class="why">Not made: {{ why(entry) }}.</p>
        <table v-for="row in told(entry)" :key="row.rowId">
          <caption>
            {{
              row.what
            }}
            {{
              row.name
            }}
            <span class="quiet">{{ row.did }}</span>
          </caption>
          <tbody>
            <tr v-for="field in row.fields" :key="field.field">
              <th scope="row">{{ field.field }}</th>
              <td>{{ row.did === 'taken away' ? field.before : field.after }}</td>
            </tr>
          </tbody>
        </table>
        <pre v-if="entry.raw">{{ entry.raw }}</pre>
        <p v-if="resting(entry).length > 0" class="quiet">
          Rests on it, and waits with it:
          {{
            resting(entry)
              .map((entry) => `“${entry.changeSet.sentence}”`)
              .join(', ')
          }}.
        </p>
        <p class="do">
          <button v-if="entry.held?.is === 'conflict'" type="button" class="word" @click="decide(entry)">
            Choose whose
          </button>
          <button v-else-if="!entry.raw" type="button" class="word" @click="makeover.decide(entry.changeSet.id)">
            Try again
          </button>
          <button type="button" class="word" @click="makeover.letGo(entry.changeSet.id)">Let it go</button>
        </p>
      </article>
    </section>
    <section v-if="makeover.sorted.going.length > 0" class="waiting">
      <h2>Waiting to be sent, in this order</h2>
      <ol>
        <li v-for="entry in makeover.sorted.going" :key="entry.changeSet.id">
          {{ entry.changeSet.sentence }} <span class="quiet">{{ clock(entry.addedAt) }}</span>
        </li>
      </ol>
    </section>
    <template #footer><el-button @click="open = false">Close</el-button></template>
  </el-dialog>
</template>

<style>
.waiting {
  margin-top: 12px;
}
.waiting h2 {
  border-bottom: 1.5px solid var(--ink);
  padding-bottom: 3px;
}
.waiting article {
  padding: 8px 0;
  border-bottom: 1px solid var(--hairline);
}
.waiting .why {
  border-left: 4px solid var(--ink);
  padding-left: 8px;
  margin: 4px 0;
  font-weight: 600;
}
.waiting table {
  width: auto;
  margin: 2px 0 6px 12px;
}
.waiting caption {
  text-align: left;
  font-size: 13px;
  white-space: nowrap;
}
.waiting th,
.waiting td {
  border: 0;
  padding: 1px 16px 1px 0;
  font-size: 13px;
  line-height: 18px;
  vertical-align: top;
  text-align: left;
}
.waiting .do {
  display: flex;
  gap: 16px;
}
.waiting li {
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
.waiting pre {
  white-space: pre-wrap;
  font-size: 12px;
}
</style>

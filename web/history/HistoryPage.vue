<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { namesIn, tellRow, type DiaryEntry } from '#core/diary/index.ts'
import { Refused, request } from '../api.ts'
import { useKeys } from '../frame/keys.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useSession } from '../stores/session.ts'
import { useUndo } from '../stores/undo.ts'

/** The diary: who did what, when, and what it was before; of the whole makeover, or of one thing. */
type Entry = DiaryEntry & {
  readonly who: string
  readonly told: boolean
  readonly personId: string
  readonly madeAt: string
}
const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const undo = useUndo()
const session = useSession()
const entries = ref<readonly Entry[] | null>(null)
const more = ref(false)
const failed = ref(false)
const sought = ref('')
const opened = ref<ReadonlySet<string>>(new Set())
const thing = computed(() => (typeof route.query.of === 'string' ? route.query.of : null))

async function load(before: number | null = null): Promise<void> {
  try {
    const query = new URLSearchParams()
    if (before !== null) query.set('before', String(before))
    if (thing.value) query.set('of', thing.value)
    const page = await request<Entry[]>('GET', `/makeovers/${String(route.params.id)}/diary?${query.toString()}`)
    entries.value = before === null ? page : [...(entries.value ?? []), ...page]
    more.value = page.length === 100
    failed.value = false
  } catch {
    failed.value = true
  }
}
onMounted(() => load())
watch([thing, () => makeover.base?.makeover.rev], () => load())

const names = computed(() => (makeover.opened ? namesIn(makeover.opened) : new Map<string, string>()))
const about = computed(() => (thing.value ? (names.value.get(thing.value) ?? 'something that is gone') : ''))
const shown = computed(() => {
  const words = sought.value.trim().toLocaleLowerCase('en')
  return (entries.value ?? []).filter(
    (entry) => words === '' || `${entry.sentence} ${entry.who}`.toLocaleLowerCase('en').includes(words),
  )
})
const told = (entry: Entry) =>
  makeover.opened
    ? entry.rows.map((row) => tellRow(row, makeover.opened ?? never(), makeover.currency, names.value))
    : []
const never = (): never => {
  throw new Error('the makeover was open a moment ago')
}
const day = (at: string): string =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' }).format(
    new Date(at),
  )
const time = (at: string): string =>
  new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(new Date(at))
const isNewDay = (at: number): boolean =>
  at === 0 || day(shown.value[at]?.madeAt ?? '') !== day(shown.value[at - 1]?.madeAt ?? '')
function toggle(id: string): void {
  const next = new Set(opened.value)
  if (!next.delete(id)) next.add(id)
  opened.value = next
}
const cannot = ref('')
async function look(entry: Entry): Promise<void> {
  try {
    cannot.value = ''
    await makeover.lookAt(entry.rev)
    window.scrollTo({ top: 0 })
  } catch (error) {
    cannot.value = error instanceof Refused ? error.problem.detail : 'No answer from the server: try again.'
  }
}
const isMine = (entry: Entry): boolean => entry.personId === session.person?.personId
useKeys([
  {
    key: 'o',
    does: 'Lay all open, or close them',
    run: () => (opened.value = opened.value.size > 0 ? new Set() : new Set(shown.value.map((entry) => entry.id))),
  },
])
</script>

<template>
  <div class="history">
    <div class="page-head">
      <h1>History</h1>
      <span class="quiet">{{ thing ? `of ${about}` : 'every change, the last first' }}</span>
      <span class="end"
        ><button
          v-if="thing"
          type="button"
          class="word"
          @click="router.push({ name: 'history', params: { id: $route.params.id } })"
        >
          Of the whole makeover
        </button></span
      >
    </div>
    <label class="seek-history"
      ><span class="label">Find by what was done, or by whom</span><el-input v-model="sought" clearable
    /></label>
    <p v-if="failed" class="stop-line" role="alert">
      No answer from the server. <button type="button" class="word" @click="load()">Try again</button>
    </p>
    <p v-if="cannot" class="stop-line" role="alert">{{ cannot }}</p>
    <p v-if="entries && shown.length === 0" class="quiet">Nothing like that was done.</p>
    <ol class="diary">
      <li v-for="(entry, at) in shown" :key="entry.id">
        <h2 v-if="isNewDay(at)">{{ day(entry.madeAt) }}</h2>
        <button type="button" class="bare entry" :aria-expanded="opened.has(entry.id)" @click="toggle(entry.id)">
          <span class="quiet">{{ time(entry.madeAt) }}</span><span>{{ entry.sentence }}</span
          ><span class="quiet">{{ entry.told ? `${entry.who}, as a file tells` : entry.who }}</span>
        </button>
        <p v-if="opened.has(entry.id)" class="entry-do">
          <button type="button" class="word" @click="look(entry)">Look at this moment</button>
          <button v-if="isMine(entry) && !makeover.past" type="button" class="word" @click="undo.takeBack(entry)">
            Undo this
          </button>
        </p>
        <ul v-if="opened.has(entry.id)" class="rows">
          <li v-for="row in told(entry)" :key="row.kind + row.rowId">
            <p>
              <strong>{{ row.what }}</strong> {{ row.name }} <span class="quiet">{{ row.did }}</span>{{ ' ' }}
              <button
                v-if="thing !== row.rowId"
                type="button"
                class="word"
                :aria-label="`History of ${row.what} ${row.name}`"
                @click="router.push({ name: 'history', params: { id: $route.params.id }, query: { of: row.rowId } })"
              >
                only this
              </button>
            </p>
            <table v-if="row.fields.length > 0">
              <tbody>
                <tr v-for="field in row.fields" :key="field.field">
                  <th scope="row">{{ field.field }}</th>
                  <td v-if="row.did !== 'new'" class="quiet">
                    <s v-if="field.before !== '–' && row.did === 'changed'">{{ field.before }}</s><template v-else>{{
                      field.before
                    }}</template>
                  </td>
                  <td v-if="row.did !== 'taken away'">{{ field.after }}</td>
                </tr>
              </tbody>
            </table>
          </li>
        </ul>
      </li>
    </ol>
    <p v-if="more"><button type="button" class="word" @click="load(entries?.at(-1)?.rev ?? null)">Earlier</button></p>
    <Teleport defer to="#tag">
      <section class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>What was done</h2>
        <p class="quiet">
          Each line opens to what it changed, before and after, and to the makeover as it was then. Your own can be
          taken back, if nobody built on them since. Of clients the diary keeps the names of fields and never what stood
          in them.
        </p>
      </section>
    </Teleport>
  </div>
</template>

<style>
.seek-history {
  display: block;
  max-width: 320px;
  margin-bottom: 8px;
}
.diary h2 {
  margin: 14px 0 2px;
  border-bottom: 1.5px solid var(--ink);
  padding-bottom: 3px;
}
.diary .entry {
  display: grid;
  grid-template-columns: 52px 1fr auto;
  gap: 10px;
  width: 100%;
  padding: 5px 0;
  border-bottom: 1px solid var(--hairline);
  min-height: 28px;
}
.diary .entry:hover {
  background: var(--shade);
}
.entry-do {
  display: flex;
  gap: 16px;
  margin: 2px 0 0 62px;
}
.diary .rows {
  margin: 4px 0 10px 62px;
  font-size: 13px;
  line-height: 18px;
}
.diary .rows li + li {
  margin-top: 6px;
}
.diary .rows table {
  width: auto;
}
.diary .rows th,
.diary .rows td {
  border: 0;
  padding: 1px 16px 1px 0;
  font-size: 13px;
  line-height: 18px;
  vertical-align: top;
}
</style>

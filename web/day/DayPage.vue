<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { plainDate, writeDate, writeWeekdayDate, type PlainDate } from '#core/measure/plain-date.ts'
import { byUrgency } from '#core/remarks/attention.ts'
import type { Summary } from '#core/reckoning/summary.ts'
import { request } from '../api.ts'
import GroundSwitch from '../frame/GroundSwitch.vue'
import { useKeys } from '../frame/keys.ts'
import KeysDialog from '../frame/KeysDialog.vue'
import ReckoningBar from '../frame/ReckoningBar.vue'
import MaterialStrip from '../parts/MaterialStrip.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RemarkMark from '../parts/RemarkMark.vue'
import { useLive } from '../stores/live.ts'
import { useSession } from '../stores/session.ts'
import { useViewing } from '../stores/viewing.ts'
import { makeoversWaiting } from '../stores/waiting.ts'
import AttentionList from './AttentionList.vue'
import BeginDialog from './BeginDialog.vue'

type Line = Summary & { readonly clients: readonly string[] }
const router = useRouter()
const session = useSession()
const viewing = useViewing()
const lines = ref<readonly Line[] | null>(null)
const today = ref<PlainDate | null>(null)
const failed = ref(false)
const beginning = ref(false)
const keysOpen = ref(false)
const sought = ref('')

async function load(): Promise<void> {
  try {
    const day = await request<{ today: PlainDate; makeovers: Line[] }>('GET', '/day')
    lines.value = day.makeovers.toSorted((left, right) =>
      (left.line.installOn ?? '9999') < (right.line.installOn ?? '9999') ? -1 : 1,
    )
    today.value = day.today
    failed.value = false
  } catch {
    failed.value = true
  }
}
onMounted(load)
// what another window or person did moves the figures here too; many changes in a row are looked at once
const soon = useDebounceFn(load, 400)
useLive().hear((heard) => {
  if (heard.is !== 'here') void soon()
})
const unsent = computed(() => {
  const waiting = new Set(makeoversWaiting(session.person?.personId ?? ''))
  return (lines.value ?? []).filter((line) => waiting.has(line.id))
})

const found = computed(() => {
  const words = sought.value.trim().toLocaleLowerCase('en')
  return (lines.value ?? []).filter(
    (line) =>
      words === '' ||
      [line.name, ...line.clients, ...line.rooms].some((text) => text.toLocaleLowerCase('en').includes(words)),
  )
})

/** What needs a hand in any of them, the most urgent first. */
const attention = computed(() =>
  byUrgency(
    (lines.value ?? []).flatMap((line) =>
      line.attention.map((thisLine) => ({ ...thisLine, makeoverId: line.id, makeover: line.name })),
    ),
    today.value ?? plainDate('1970-01-01'),
  ),
)

/** Who only looks on, or keeps the books, begins none. */
const mayBegin = computed(() => ['owner', 'member'].includes(session.person?.role ?? ''))
async function signOut(): Promise<void> {
  await session.signOut()
  await router.push({ name: 'sign-in' })
}
useKeys([
  { key: 'n', does: 'Begin a makeover', run: () => (beginning.value = mayBegin.value) },
  ...[1, 2, 3, 4, 5].map((at) => ({
    key: String(at),
    does: `Open makeover ${at} of the list`,
    run: () =>
      found.value[at - 1] && void router.push({ name: 'brief', params: { id: found.value[at - 1]?.id ?? '' } }),
  })),
  { key: 's', does: 'To the studio: people, phone, files', run: () => void router.push({ name: 'studio' }) },
  { key: 'c', does: 'To the calculators', run: () => void router.push({ name: 'calculators' }) },
  { key: 'g', does: 'Next ground behind finishes', run: () => viewing.nextGround() },
  { key: '?', does: 'This list', run: () => (keysOpen.value = true) },
])
</script>

<template>
  <div class="day">
    <section class="studio-line" aria-label="Studio">
      <span class="wordmark serif">Bonitas</span>
      <span class="quiet">{{ session.person?.studioName }}</span>
      <span class="end">
        <GroundSwitch />
        <button type="button" class="bare quiet" @click="keysOpen = true">Keys<kbd>?</kbd></button>
        <router-link :to="{ name: 'calculators' }">Calculators</router-link>
        <router-link :to="{ name: 'studio' }">Studio</router-link>
        <span class="quiet">{{ session.person?.name }}</span>
        <button type="button" class="word" @click="signOut">Sign out</button>
      </span>
    </section>
    <main>
      <div class="page-head">
        <h1>{{ today ? writeWeekdayDate(today) : 'Today' }}</h1>
        <span v-if="lines && lines.length > 0" class="quiet">{{
          lines.length === 1 ? 'One makeover' : `${lines.length} makeovers, the nearest install date first`
        }}</span>
        <span v-if="mayBegin" class="end"
          ><el-button type="primary" @click="beginning = true"
            >Begin a makeover<kbd aria-hidden="true">N</kbd></el-button
          ></span
        >
      </div>
      <p v-if="failed" class="stop-line" role="alert">
        No answer from the server. <button type="button" class="word" @click="load">Try again</button>
      </p>
      <p v-for="line in unsent" :key="line.id" class="said-line">
        Something typed in {{ line.name }} is not saved yet.
        <router-link :to="{ name: 'brief', params: { id: line.id } }">Open it</router-link> and it is sent.
      </p>
      <AttentionList v-if="lines && lines.length > 0 && today" :lines="attention" :today="today" />
      <h2 v-if="lines && lines.length > 0" class="all">All makeovers</h2>
      <label v-if="(lines?.length ?? 0) > 5" class="seek"
        ><span class="label">Find by name, client or room</span><el-input v-model="sought" clearable
      /></label>

      <p v-if="lines && lines.length === 0" class="opening">
        No makeover yet. Begin one with a client, a room and a date; the budget, the palette and the pieces follow from
        there.
      </p>
      <ol v-else class="makeovers" aria-label="All makeovers">
        <li v-for="line in found" :key="line.id">
          <router-link :to="{ name: 'brief', params: { id: line.id } }">
            <div class="whole on-ground"><MaterialStrip :parts="line.strip" :height="56" /></div>
            <div class="who">
              <h2 class="serif">{{ line.name }}</h2>
              <p class="quiet">{{ line.clients.join(' and ') }}</p>
            </div>
            <div v-if="!session.costs" class="sums" />
            <div v-else class="sums">
              <template v-if="line.line.signed">
                <div class="figures">
                  <span
                    ><span class="label">Paid</span>{{ ' ' }}
                    <MoneyAmount :amount="line.line.paid" :currency="line.line.currency"
                  /></span>
                  <span
                    ><span class="label">Committed</span>{{ ' ' }}
                    <MoneyAmount :amount="line.line.committed" :currency="line.line.currency"
                  /></span>
                  <span
                    ><span class="label">Still to buy</span>{{ ' ' }}
                    <MoneyAmount :amount="line.line.stillToBuy" :currency="line.line.currency"
                  /></span>
                  <span
                    ><span class="label">Left</span>{{ ' ' }}
                    <strong :class="{ inverted: line.line.left < 0 }"
                      ><MoneyAmount :amount="line.line.left" :currency="line.line.currency" /></strong
                  ></span>
                  <span class="agreed"
                    ><span class="label">Agreed</span>{{ ' ' }}
                    <MoneyAmount :amount="line.line.agreed" :currency="line.line.currency" with-currency
                  /></span>
                </div>
                <ReckoningBar :line="line.line" :height="11" />
              </template>
              <p v-else class="quiet">
                No budget signed yet<template v-if="line.line.stillToBuy > 0"
                  >;
                  <MoneyAmount :amount="line.line.stillToBuy" :currency="line.line.currency" with-currency />
                  planned</template
                >
              </p>
            </div>
            <dl class="state">
              <div>
                <dt class="label">Install</dt>
                <dd>{{ line.line.installOn ? writeDate(line.line.installOn) : 'no date yet' }}</dd>
              </div>
              <div v-if="line.line.slackDays !== null">
                <dt class="label">Slack</dt>
                <dd :class="{ inverted: line.line.slackDays < 0 }">{{ line.line.slackDays }} days</dd>
              </div>
              <div>
                <dt class="label">Needs</dt>
                <dd>{{ line.line.needsCovered }} of {{ line.line.needs }}</dd>
              </div>
              <div>
                <dt class="label">Remarks</dt>
                <dd class="marks">
                  <span v-if="line.line.remarks.stop"><RemarkMark weight="stop" /> {{ line.line.remarks.stop }}</span>
                  <span><RemarkMark weight="look" /> {{ line.line.remarks.look }}</span>
                  <span><RemarkMark weight="note" /> {{ line.line.remarks.note }}</span>
                </dd>
              </div>
            </dl>
          </router-link>
        </li>
      </ol>
      <p v-if="lines && lines.length > 0 && found.length === 0" class="opening">Nothing is called that.</p>
    </main>
    <BeginDialog v-if="today" v-model="beginning" :today="today" :earlier="lines ?? []" />
    <KeysDialog v-model="keysOpen" />
  </div>
</template>

<style>
.day .seek {
  display: block;
  max-width: 320px;
  margin-bottom: 16px;
}
.day .all {
  margin-bottom: 4px;
}
.makeovers {
  border-top: 1.5px solid var(--ink);
}
.makeovers li {
  border-bottom: 1px solid var(--hairline);
}
.makeovers a {
  display: grid;
  grid-template-columns: 200px 220px minmax(0, 1fr) 170px;
  gap: 0 28px;
  padding: 18px 0;
  text-decoration: none;
  align-items: center;
}
.makeovers a:hover h2 {
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 4px;
}
.makeovers .whole {
  background: var(--ground);
  padding: 14px;
}
.makeovers h2 {
  font: 500 19px/24px var(--serif);
}
.makeovers .figures {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 16px;
  margin-bottom: 6px;
}
.makeovers .figures > span {
  display: grid;
}
.makeovers .figures strong {
  justify-self: start;
}
.makeovers .agreed {
  text-align: right;
}
.makeovers .state {
  font-size: 13px;
  line-height: 18px;
}
.makeovers .state > div {
  display: grid;
  grid-template-columns: 62px 1fr;
  align-items: baseline;
}
.makeovers .state dd {
  justify-self: start;
}
.makeovers .marks {
  display: flex;
  gap: 10px;
}
@media (max-width: 960px) {
  .makeovers a {
    grid-template-columns: 1fr;
    gap: 10px;
  }
}
</style>

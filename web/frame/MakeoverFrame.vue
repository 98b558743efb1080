<script setup lang="ts">
import { useEventListener, useMutationObserver, useWindowScroll } from '@vueuse/core'
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { headOf } from '#core/makeover/document.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { weights } from '#core/remarks/remark.ts'
import { stripOf } from '#core/reckoning/summary.ts'
import { Refused } from '../api.ts'
import MaterialStrip from '../parts/MaterialStrip.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RemarkMark from '../parts/RemarkMark.vue'
import WorkingSlip from '../parts/WorkingSlip.vue'
import { steps } from '#core/steps/index.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useViewing } from '../stores/viewing.ts'
import { useWorking } from '../stores/working.ts'
import GroundSwitch from './GroundSwitch.vue'
import { useKeys } from './keys.ts'
import KeysDialog from './KeysDialog.vue'
import PastLine from '../history/PastLine.vue'
import NowherePage from './NowherePage.vue'
import ReckoningLine from './ReckoningLine.vue'
import ConflictDialog from '../saving/ConflictDialog.vue'
import SaveState from '../saving/SaveState.vue'
import { useHere } from '../stores/here.ts'
import { useSession } from '../stores/session.ts'
import ShutLine from './ShutLine.vue'
import { useUndo } from '../stores/undo.ts'
import { stepProgress } from './progress.ts'

/** What takes a worker is fetched when it is asked for. */
const LikelyWords = defineAsyncComponent(() => import('../calendar/LikelyWords.vue'))
const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const session = useSession()
/** Where costs are not shown, there is nothing to see at the purchases. */
const shownSteps = computed(() => steps.filter(({ name }) => session.costs || name !== 'purchases'))
const viewing = useViewing()
const working = useWorking()
const undo = useUndo()
const missing = ref('')
const keysOpen = ref(false)
const slip = useTemplateRef<HTMLElement>('slip')

// on the way out the address names none any more: the one that is open stays until the page is gone
const id = computed<string>((before) => (typeof route.params.id === 'string' ? route.params.id : (before ?? '')))
const others = useHere(
  id,
  computed(() => String(route.name)),
)
const titles: Readonly<Record<string, string>> = Object.fromEntries(
  router
    .getRoutes()
    .map((getRoute) => [String(getRoute.name), typeof getRoute.meta.title === 'string' ? getRoute.meta.title : '']),
)
watch(
  id,
  async (to) => {
    missing.value = ''
    try {
      await makeover.open(to)
    } catch (error) {
      missing.value = error instanceof Refused && error.status === 404 ? 'nowhere' : 'No answer from the server'
    }
  },
  { immediate: true },
)
watch([id, () => route.name], () => (undo.said = null))
watch(
  () => working.shown,
  async (shown) => {
    if (!shown) return
    await nextTick()
    slip.value?.focus()
  },
)

const head = computed(() => (makeover.opened ? headOf(makeover.opened.makeover) : undefined))
const strip = computed(() =>
  makeover.opened && makeover.reckoning ? stripOf(makeover.opened.makeover, makeover.reckoning) : [],
)
const openRemarks = (step: string) =>
  (makeover.reckoning?.remarks ?? []).filter((remark) => remark.step === step && remark.accepted === null)
const marksOf = (step: string) =>
  weights
    .map((weight) => ({ weight, count: openRemarks(step).filter((remark) => remark.weight === weight).length }))
    .filter(({ count, weight }) => count > 0 && weight !== 'note')
const progress = computed(() =>
  makeover.opened && makeover.reckoning ? stepProgress(makeover.opened.makeover, makeover.reckoning) : null,
)
const here = (name: string): boolean => route.name === name || route.meta.step === name
const slack = computed(() => {
  const days = makeover.line?.slackDays ?? null
  if (days === null) return ''
  return days < 0 ? `${-days} days late` : `${days} ${days === 1 ? 'day' : 'days'} slack`
})

// on a phone the tag is a sheet over the page: it comes up with what was tapped
const { y } = useWindowScroll()
const ticket = useTemplateRef<HTMLElement>('ticket')
const sheetOpen = ref(false)
let tappedAt = -Infinity
useEventListener(document, 'pointerup', (event) => {
  if (event.target instanceof Element && event.target.closest('.surface')) tappedAt = event.timeStamp
})
useMutationObserver(
  ticket,
  () => {
    // what a tap opened a form for is in the form
    const inForm = document.querySelector('.el-overlay-dialog') !== null
    if (performance.now() - tappedAt < 600 && !inForm) sheetOpen.value = true
  },
  { childList: true, subtree: true, characterData: true },
)
watch(
  () => route.name,
  () => {
    // who comes for one thing finds it up
    sheetOpen.value = Object.keys(route.query).length > 0
    window.scrollTo(0, 0)
  },
  { immediate: true },
)

const go = (name: string): void => void router.push({ name, params: { id: id.value } })
useKeys([
  ...steps.map((step, at) => ({ key: String(at + 1), does: `To ${step.title}`, run: () => go(step.name) })),
  { key: '0', does: 'To the day page', run: () => void router.push({ name: 'day' }) },
  { key: 'r', does: 'To the remarks', run: () => go('remarks') },
  { key: 'h', does: 'To the history', run: () => go('history') },
  { key: 'z', ctrl: true, does: 'Undo what you did last', run: () => void undo.undo() },
  { key: 'y', ctrl: true, does: 'Do again what you undid', run: () => void undo.redo() },
  { key: 'g', does: 'Next ground behind finishes', run: () => viewing.nextGround() },
  { key: 't', does: 'Fold the tag away, or bring it back', run: () => (viewing.tagFolded = !viewing.tagFolded) },
  { key: 'f', does: 'Fold the run to marks, or bring it back', run: () => (viewing.runFolded = !viewing.runFolded) },
  { key: '?', does: 'This list', run: () => (keysOpen.value = true) },
])
</script>

<template>
  <NowherePage v-if="missing === 'nowhere'" />
  <main v-else-if="missing" class="nowhere">
    <h1>{{ missing }}</h1>
    <p>Nothing is lost. <button type="button" class="word" @click="$router.go(0)">Try again</button></p>
  </main>
  <div
    v-else
    class="frame"
    :class="{ 'tag-folded': viewing.tagFolded && !working.shown, 'run-folded': viewing.runFolded }"
  >
    <section class="head" aria-label="Makeover">
      <div class="whose">
        <router-link :to="{ name: 'day' }" class="wordmark serif" aria-label="Bonitas, to all makeovers"
          >Bonitas</router-link
        >
        <p class="quiet name" :title="head?.name ?? ''">{{ head?.name ?? '…' }}</p>
        <MaterialStrip :parts="strip" :height="6" />
      </div>
      <ReckoningLine v-if="makeover.line && session.costs" class="money" :line="makeover.line" />
      <div v-if="makeover.line" class="beside">
        <button type="button" class="bare" aria-label="Install date and slack, working" @click="working.show('slack')">
          <span class="label">Install</span>
          <strong>{{
            makeover.line.installOn ? writeDate(makeover.line.installOn).replace(/ \d+$/, '') : 'no date'
          }}</strong>
          <span class="label" :class="{ inverted: (makeover.line.slackDays ?? 0) < 0 }">{{ slack }}</span>
        </button>
        <router-link :to="{ name: 'brief', params: { id } }">
          <span class="label">Needs</span>
          <strong>{{ makeover.line.needsCovered }} of {{ makeover.line.needs }}</strong>
          <span class="label">covered</span>
        </router-link>
        <router-link class="remarks" :to="{ name: 'remarks', params: { id } }">
          <span class="label">Remarks</span>
          <strong>
            <template v-for="weight in ['stop', 'look'] as const" :key="weight">
              <span v-if="weight === 'look' || makeover.line.remarks.stop > 0" class="count"
                ><RemarkMark :weight="weight" /> {{ makeover.line.remarks[weight] }}
                <span class="visually-hidden">{{ weight }}</span></span
              >
            </template>
          </strong>
          <span class="label"
            ><RemarkMark weight="note" /> {{ makeover.line.remarks.note }}
            {{ makeover.line.remarks.note === 1 ? 'note' : 'notes' }}</span
          >
        </router-link>
      </div>
    </section>

    <nav class="run" aria-label="Steps">
      <ol>
        <li v-for="step in shownSteps" :key="step.name" :class="{ here: here(step.name) }">
          <router-link :to="{ name: step.name, params: { id } }" :aria-current="here(step.name) ? 'page' : undefined">
            <span class="title">{{ step.title }}</span>
            <span class="marks">
              <span v-for="mark in marksOf(step.name)" :key="mark.weight"
                ><RemarkMark :weight="mark.weight" /> {{ mark.count
                }}<span class="visually-hidden"> to {{ mark.weight }} at</span></span
              >
            </span>
          </router-link>
          <span class="far" aria-hidden="true"
            ><span :style="{ width: `${100 * (progress?.[step.name] ?? 0)}%` }"
          /></span>
        </li>
        <li class="on-phone" :class="{ here: route.name === 'shop' }">
          <router-link :to="{ name: 'shop', params: { id } }"><span class="title">In a shop</span></router-link>
        </li>
      </ol>
      <div class="foot">
        <router-link v-if="session.costs" :to="{ name: 'history', params: { id } }" class="keys-word"
          >History<kbd>H</kbd></router-link
        >
        <span class="undo"
          ><button type="button" class="bare keys-word" @click="undo.undo()">Undo</button
          ><button type="button" class="bare keys-word" @click="undo.redo()">Redo</button></span
        >
        <SaveState />
        <p v-for="entry in others" :key="entry.name" class="beside-me">
          {{ entry.self ? 'You, in another window' : entry.name
          }}<template v-if="!entry.self">
            is at {{ entry.pages.map((page) => titles[page] ?? page).join(', ') }}</template
          >
        </p>
        <GroundSwitch />
        <button type="button" class="bare keys-word keys-all" @click="keysOpen = true">Keys<kbd>?</kbd></button>
      </div>
    </nav>

    <main v-if="makeover.opened && makeover.reckoning" class="surface">
      <PastLine v-if="makeover.past" />
      <ShutLine v-else />
      <p v-if="undo.said" :class="undo.said.stop ? 'stop-line' : 'said-line'" role="status">
        {{ undo.said.text }}
        <button v-if="undo.said.opposite" type="button" class="word" @click="undo.enterOpposite()">
          Enter the opposite instead</button
        >{{ ' ' }}
        <button type="button" class="word" @click="undo.said = null">Close</button>
      </p>
      <router-view :key="id" />
    </main>
    <main v-else class="surface"><p class="quiet" role="status">Opening …</p></main>

    <p v-if="y > 130 && session.costs" class="head-line" aria-hidden="true">
      <span class="name">{{ head?.name }}</span>
      <span v-if="makeover.line?.signed"
        >{{ makeover.line.left < 0 ? 'over' : 'left' }}
        <MoneyAmount
          :amount="makeover.line.left"
          :currency="makeover.currency"
          :class="{ inverted: makeover.line.left < 0 }"
      /></span>
    </p>

    <aside ref="ticket" class="ticket" :class="{ open: sheetOpen }" aria-label="Selected">
      <button type="button" class="sheet-handle" :aria-expanded="sheetOpen" @click="sheetOpen = !sheetOpen">
        {{ sheetOpen ? 'Fold away' : 'What is selected' }}
      </button>
      <section
        v-if="working.shown"
        ref="slip"
        class="tag"
        tabindex="-1"
        aria-label="Working"
        @keydown.esc="working.close()"
      >
        <span class="hole" aria-hidden="true" />
        <h2 class="serif">
          {{ working.shown.title }}<template v-if="working.where">, {{ working.where.toLowerCase() }}</template>
        </h2>
        <WorkingSlip :working="working.shown" :currency="makeover.currency" />
        <LikelyWords v-if="working.ofAll" />
        <div class="tag-actions"><el-button @click="working.close()">Close</el-button></div>
      </section>
      <div id="tag" :hidden="working.shown !== null" />
    </aside>
    <KeysDialog v-model="keysOpen" />
    <ConflictDialog />
  </div>
</template>

<style src="./makeover-frame.css"></style>
<style src="./makeover-frame-narrow.css"></style>

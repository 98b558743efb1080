<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { writeDate } from '#core/measure/plain-date.ts'
import { writeMoney } from '#core/money/written.ts'
import type { Minor } from '#core/money/minor.ts'
import AnswerTo from './AnswerTo.vue'
import CloseAccount from './CloseAccount.vue'
import { fetched, look, Refusal, sayWord, type Shown } from './guest.ts'
import MaterialTray from './MaterialTray.vue'
import PlanOf from './PlanOf.vue'
import SignBudget from './SignBudget.vue'

/** What a client was sent: the brief, the materials, the plan, each choice with its reason; and what they say to it. */
const shown = shallowRef<Shown | null>(null)
const state = ref<'asks' | 'word' | 'closed' | 'away' | 'open'>('asks')
const says = ref('')
const word = ref('')
async function load(): Promise<void> {
  try {
    shown.value = await look()
    state.value = 'open'
    document.title = presented.value?.name ?? 'For you'
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    says.value = error.message
    state.value = error.status === 401 ? 'word' : error.status === 404 ? 'closed' : 'away'
  }
}
function tryWord(): void {
  sayWord(word.value)
  void load()
}
onMounted(load)
const presented = computed(() => shown.value?.presented ?? null)
const money = (amount: number): string => writeMoney(amount as Minor, presented.value?.currency ?? 'EUR')
const byRoom = computed(() => {
  const rooms = new Map<string, NonNullable<typeof presented.value>['choices']>()
  for (const choice of presented.value?.choices ?? [])
    rooms.set(choice.room, [...(rooms.get(choice.room) ?? []), choice])
  return [...rooms]
})
const questionOf = (pieceId: string): string => shown.value?.asked.find((met) => met.pieceId === pieceId)?.ask ?? ''
/** Questions that are of no one thing. */
const asked = computed(() => (shown.value?.asked ?? []).filter(({ pieceId }) => pieceId === null))
const problem = ref('')
async function paper(): Promise<void> {
  problem.value = ''
  try {
    const link = document.createElement('a')
    link.href = await fetched('/presentation.pdf')
    link.download = `${presented.value?.name ?? 'presentation'}.pdf`
    link.click()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    problem.value = error.message
  }
}
</script>

<template>
  <main v-if="state === 'word'" class="shut">
    <h1>A word, please</h1>
    <form @submit.prevent="tryWord">
      <label>The word that the studio told you <input v-model="word" autocomplete="off" /></label>
      <button type="submit">Open</button>
    </form>
    <p role="status">{{ says }}</p>
  </main>
  <main v-else-if="state === 'closed' || state === 'away'" class="shut">
    <h1>{{ state === 'closed' ? 'This link opens nothing' : 'Not reachable just now' }}</h1>
    <p>{{ says }}</p>
    <button v-if="state === 'away'" type="button" @click="load">Try again</button>
  </main>
  <main v-else-if="shown" class="letter">
    <header>
      <h1>{{ presented?.name ?? 'For you' }}</h1>
      <p class="quiet">
        For {{ shown.client
        }}<template v-if="shown.version"
          >,
          {{
            shown.version.isLive
              ? 'as it stands today'
              : `version ${shown.version.number}, as sent on ${writeDate(shown.version.sentOn)}`
          }}</template
        >
      </p>
    </header>
    <p v-if="!presented && !shown.toClose && shown.closed.length === 0" class="greeting">
      Nothing has been sent yet: the studio will tell you when there is something to look at.
    </p>
    <template v-if="presented">
      <p v-if="presented.greeting" class="greeting">{{ presented.greeting }}</p>
      <section v-if="presented.palette && presented.palette.length > 0" aria-labelledby="materials">
        <h2 id="materials">Colours and materials</h2>
        <MaterialTray :finishes="presented.palette" />
      </section>
      <section v-if="presented.brief" aria-labelledby="brief">
        <h2 id="brief">What it is for</h2>
        <ul class="plain">
          <li v-for="need in presented.brief.needs" :key="need.name">
            <strong>{{ need.name }}</strong><span v-if="need.servedBy.length > 0" class="quiet">
              {{ need.servedBy.join(', ') }}</span
            >
          </li>
        </ul>
        <p v-if="presented.brief.stays.length > 0">It stays: {{ presented.brief.stays.join(', ') }}.</p>
      </section>
      <PlanOf
        v-for="plan in presented.plans ?? []"
        :key="plan.room"
        :plan="plan"
        :shown="shown"
        @said="shown = $event"
      />
      <section v-for="[room, choices] in byRoom" :key="room" :aria-label="room">
        <h2>{{ room }}</h2>
        <article v-for="choice in choices" :key="choice.pieceId" class="choice">
          <h3>
            <template v-if="choice.count > 1">{{ choice.count }} × </template>{{ choice.name }}
          </h3>
          <p>
            {{ choice.chosen ?? 'Not chosen yet' }}<span v-if="choice.size" class="quiet">, {{ choice.size }}</span
            ><span v-if="choice.here === 'on its way' || choice.here === 'here'" class="quiet"
              >, {{ choice.here }}</span
            >
          </p>
          <p v-if="choice.reason" class="reason">{{ choice.reason }}</p>
          <details v-if="choice.turnedDown.length > 0">
            <summary>What was turned down, and why</summary>
            <ul>
              <li v-for="gone in choice.turnedDown" :key="gone.name">
                {{ gone.name }}<span v-if="gone.reason" class="quiet">: {{ gone.reason }}</span>
              </li>
            </ul>
          </details>
          <AnswerTo
            :name="choice.name"
            :shown="shown"
            :piece-id="choice.pieceId"
            :about="choice.about"
            :asks="questionOf(choice.pieceId)"
            @said="shown = $event"
          />
        </article>
      </section>
      <section v-if="presented.treatments && presented.treatments.length > 0" aria-labelledby="surfaces">
        <h2 id="surfaces">Walls, floor and ceiling</h2>
        <ul class="plain">
          <li v-for="(line, at) in presented.treatments" :key="at">{{ line.room }}, {{ line.words }}</li>
        </ul>
      </section>
      <section v-if="presented.dates && presented.dates.length > 0" aria-labelledby="dates">
        <h2 id="dates">Dates</h2>
        <dl>
          <div v-for="date in presented.dates" :key="`${date.on} ${date.what}`">
            <dt>{{ writeDate(date.on) }}</dt>
            <dd>{{ date.what }}</dd>
          </div>
        </dl>
      </section>
      <section v-if="presented.money" aria-labelledby="money">
        <h2 id="money">Money, as agreed</h2>
        <dl class="sums">
          <div>
            <dt>Agreed</dt>
            <dd>{{ money(presented.money.agreed) }}</dd>
          </div>
          <div>
            <dt>Spent</dt>
            <dd>{{ money(presented.money.spent) }}</dd>
          </div>
          <div>
            <dt>Still open</dt>
            <dd>{{ money(presented.money.open) }}</dd>
          </div>
          <div>
            <dt>Left</dt>
            <dd>{{ money(presented.money.left) }}</dd>
          </div>
        </dl>
      </section>
      <section v-for="question in asked" :key="question.id" :aria-label="question.ask" class="choice">
        <AnswerTo
          :name="question.ask"
          :shown="shown"
          :question-id="question.id"
          :asks="question.ask"
          @said="shown = $event"
        />
      </section>
      <SignBudget v-if="shown.toSign" :to-sign="shown.toSign" :currency="presented.currency" @said="shown = $event" />
      <p v-for="signed in shown.signed" :key="signed.number" class="quiet">
        Budget {{ signed.number }} was signed on {{ writeDate(signed.signedOn) }}: {{ money(signed.whole) }}.
      </p>
      <section aria-labelledby="all-of-it" class="choice">
        <h2 id="all-of-it">All of it</h2>
        <AnswerTo
          name="this version"
          :shown="shown"
          :presentation-id="shown.version?.id ?? null"
          @said="shown = $event"
        />
      </section>
      <p>
        <button type="button" class="link" @click="paper">Take it along as a PDF</button>
        <span v-if="problem" role="alert">{{ problem }}</span>
      </p>
    </template>
    <CloseAccount v-if="shown.toClose" :to-close="shown.toClose" @said="shown = $event" />
    <p v-for="end in shown.closed" :key="end.digest" class="quiet">
      The account was closed on {{ writeDate(end.closedOn) }}; its statement bears the digest
      {{ end.digest.slice(0, 16) }}….
    </p>
  </main>
</template>

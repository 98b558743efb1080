<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, watch } from 'vue'
import { presentNow } from '#core/client/now.ts'
import { add, edit } from '#core/makeover/change.ts'
import { presentedParts, type PresentedPart } from '#core/makeover/client-choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { dateIn, writeDate } from '#core/measure/plain-date.ts'
import FilesOf from '../files/FilesOf.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useSession } from '../stores/session.ts'
import { useLetters } from './letters.ts'
import RevealWays from './RevealWays.vue'

/** What goes to the client, what they said to it, and the post that would carry it. */
const makeover = useMakeover()
const session = useSession()
const [versions, replies, clients, pieces] = [
  useRows('presentation'),
  useRows('reply'),
  useRows('client'),
  useRows('piece'),
]
const { letters, problem: postProblem, load, write, fate, takeBack } = useLetters()
watch(
  () => makeover.opened?.makeover.id,
  () => void load(),
  { immediate: true },
)

const greeting = ref('')
const parts = ref<PresentedPart[]>(presentedParts.filter((part) => part !== 'turned down'))
const isLive = ref(false)
const word = ref('')
const problem = ref('')
const isBusy = ref(false)
function toggle(part: PresentedPart): void {
  parts.value = presentedParts.filter((known) => parts.value.includes(known) !== (known === part))
}
const number = computed(() => Math.max(0, ...versions.value.map((version) => version.number)) + 1)
/** Keeps the version as it stands, then writes to each client. */
async function send(): Promise<void> {
  const { opened } = makeover
  if (!opened || isBusy.value) return
  isBusy.value = true
  problem.value = ''
  const shows = parts.value.join(', ')
  const kept = isLive.value
    ? ''
    : JSON.stringify(
        presentNow({ makeover: opened.makeover, studio: opened.studio }, shows, greeting.value.trim(), opened.today),
      )
  const faults = await makeover.change(`Sent version ${number.value} to the client`, [
    add('presentation', uuidv7(), {
      number: number.value,
      greeting: greeting.value.trim(),
      sentOn: opened.today,
      isLive: isLive.value,
      parts: shows,
      kept,
    }),
  ])
  problem.value = faults.map(({ message }) => message).join('; ')
  if (faults.length === 0) for (const client of clients.value) await write(client.id, 90, word.value)
  isBusy.value = false
}

const said = { yes: 'yes', another: 'another, please', comment: 'a comment', 'asks back': 'a question back' } as const
const byThing = computed(() => {
  const groups = new Map<string, { name: string; pieceId: string | null; all: Row<'reply'>[] }>()
  for (const reply of replies.value.toReversed()) {
    const key = reply.pieceId ?? 'version'
    const name =
      reply.pieceId === null
        ? 'The version as a whole'
        : (pieces.value.find(({ id }) => id === reply.pieceId)?.name ?? '')
    const group = groups.get(key) ?? { name, pieceId: reply.pieceId, all: [] }
    group.all.push(reply)
    groups.set(key, group)
  }
  return [...groups.values()]
})
const nameOf = (id: string): string => clients.value.find((client) => client.id === id)?.name ?? ''
const isOld = (reply: Row<'reply'>): boolean =>
  reply.pieceId !== null && (makeover.opened?.makeover.rows.piece[reply.pieceId]?.chosenId ?? '') !== reply.about
const differ = (pieceId: string | null): boolean =>
  makeover.reckoning?.replies.some((thing) => thing.pieceId === pieceId && thing.disagree) ?? false
const unseen = computed(() => replies.value.filter(({ seenOn }) => seenOn === null))
const see = (all: readonly Row<'reply'>[]): Promise<unknown> =>
  makeover.change(
    'Looked at what the client said',
    all.map((reply) => edit('reply', reply, { seenOn: makeover.opened?.today ?? null })),
  )
const day = (at: string): string => writeDate(dateIn(session.person?.timeZone ?? 'UTC', Date.parse(at)))
</script>

<template>
  <div class="client-side">
    <div class="page-head">
      <h1>The client’s side</h1>
      <span class="page-acts"><RevealWays /></span>
    </div>
    <StepRemarks step="reveal" />
    <section aria-labelledby="answers-title">
      <div class="section-head">
        <h2 id="answers-title">
          What they said <span v-if="unseen.length > 0" class="quiet">{{ unseen.length }} new</span>
        </h2>
        <el-button v-if="unseen.length > 0" @click="see(unseen)">I have seen all of it</el-button>
      </div>
      <p v-if="replies.length === 0" class="quiet">Nothing yet.</p>
      <div v-for="thing in byThing" :key="thing.name" class="thing">
        <h3>
          <router-link
            v-if="thing.pieceId"
            class="word"
            :to="{ name: 'pieces', params: $route.params, query: { open: thing.pieceId } }"
            >{{ thing.name }}</router-link><template v-else>{{ thing.name }}</template>
          <span v-if="differ(thing.pieceId)" class="inverted">they differ</span>
        </h3>
        <ul class="said-list">
          <li v-for="reply in thing.all" :key="reply.id" :class="{ unseen: reply.seenOn === null }">
            <strong>{{ nameOf(reply.clientId) }}</strong> {{ said[reply.says]
            }}<template v-if="reply.words">: “{{ reply.words }}”</template>
            <span class="quiet"
              >{{ writeDate(reply.saidOn) }}{{ isOld(reply) ? ', to an earlier choice' : ''
              }}{{ reply.atX !== null ? ', with a place on the plan' : '' }}</span
            >
            <button
              v-if="reply.seenOn === null"
              type="button"
              class="word"
              :aria-label="`Seen: ${nameOf(reply.clientId)} on ${thing.name}`"
              @click="see([reply])"
            >
              Seen
            </button>
            <FilesOf :owner="{ replyId: reply.id }" :name="`${nameOf(reply.clientId)}’s answer`" pictures only-look />
          </li>
        </ul>
      </div>
    </section>
    <section aria-labelledby="send-title">
      <div class="section-head">
        <h2 id="send-title">Send version {{ number }}</h2>
      </div>
      <p v-if="clients.length === 0" class="quiet">
        Say in the <router-link class="word" :to="{ name: 'brief', params: $route.params }">brief</router-link> who the
        client is.
      </p>
      <form v-else class="sending" @submit.prevent="send">
        <label class="wide">A word to begin with <textarea v-model="greeting" rows="3" maxlength="2000" /></label>
        <fieldset>
          <legend>What it shows</legend>
          <label v-for="part in presentedParts" :key="part"
            ><input type="checkbox" :checked="parts.includes(part)" @change="toggle(part)" /> {{ part }}</label
          >
        </fieldset>
        <label
          ><input v-model="isLive" type="checkbox" /> Goes along with the makeover; otherwise it stays as it is
          today</label
        >
        <label>A word that opens it, if you like <input v-model="word" maxlength="80" autocomplete="off" /></label>
        <div class="acts">
          <el-button type="primary" native-type="submit" :disabled="isBusy"
            >Send to {{ clients.map(({ name }) => name).join(' and ') }}</el-button
          >
        </div>
        <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      </form>
      <ul v-if="versions.length > 0" class="said-list">
        <li v-for="version in versions.toReversed()" :key="version.id">
          Version {{ version.number }}
          <span class="quiet"
            >{{ writeDate(version.sentOn) }}{{ version.isLive ? ', goes along' : '' }}; {{ version.parts }}</span
          >
        </li>
      </ul>
    </section>
    <section aria-labelledby="post-title">
      <div class="section-head">
        <h2 id="post-title">Outbox <span class="quiet">simulated: nothing leaves this machine</span></h2>
      </div>
      <p v-if="postProblem" class="stop-line" role="alert">{{ postProblem }}</p>
      <p v-if="letters.length === 0" class="quiet">No letter yet.</p>
      <ul class="said-list">
        <li v-for="letter in letters" :key="letter.id">
          To {{ nameOf(letter.forWhom) }}: “{{ letter.subject }}”
          <span class="quiet">{{ day(letter.writtenAt) }}, {{ letter.state }}</span>
          <a v-if="letter.opens" class="word" :href="letter.opens" target="_blank" rel="noopener noreferrer"
            >Open it as they would</a
          >
          <button v-if="letter.state !== 'lost'" type="button" class="word" @click="fate(letter, 'lost')">
            Lose it
          </button>
          <button v-if="letter.state === 'sent'" type="button" class="word" @click="fate(letter, 'held up')">
            Hold it up
          </button>
          <button v-if="letter.state !== 'sent'" type="button" class="word" @click="fate(letter, 'sent')">
            Let it come
          </button>
          <button v-if="letter.opens" type="button" class="word" @click="takeBack(letter)">Take its link back</button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style src="./client-page.css"></style>

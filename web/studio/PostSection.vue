<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { request } from '../api.ts'
import { vCards } from '../parts/cards.ts'
import { moment, useTelling } from '../parts/telling.ts'

/** The outbox of the simulated post: every letter of the studio, and what becomes of it. */
type Letter = {
  readonly id: string
  readonly makeoverId: string | null
  readonly forWhom: string
  readonly subject: string
  readonly opens: string | null
  readonly state: 'sent' | 'held up' | 'lost'
  readonly writtenAt: string
  readonly arrivesAt: string | null
}
const letters = ref<readonly Letter[]>([])
const { said, failed, told } = useTelling(async () => {
  letters.value = await request<Letter[]>('GET', '/letters')
})
onMounted(() => told(() => Promise.resolve('')))
const fate = (letter: Letter, state: Letter['state']): Promise<void> =>
  told(async () => {
    await request('POST', `/letters/${letter.id}`, { state })
    return { sent: 'It is there.', lost: 'It is lost on its way.', 'held up': 'It comes two days late.' }[state]
  })
const shut = (letter: Letter): Promise<void> =>
  told(async () => {
    await request('DELETE', `/letters/${letter.id}/link`)
    return 'What it opened is shut.'
  })
const whose = ({ makeoverId, forWhom }: Letter): string => (makeoverId === null ? forWhom : 'a client')
</script>

<template>
  <section aria-labelledby="post-title">
    <div class="section-head"><h2 id="post-title">The post</h2></div>
    <p class="quiet">
      <strong>Simulated:</strong> nothing leaves this machine. What would be sent lies here, where it can be lost or
      held up on purpose. The letter for an owner’s password is not opened from here: it lies among the files of the
      machine alone.
    </p>
    <p v-if="said" :class="failed ? 'stop-line' : ''" role="status">{{ said }}</p>
    <p v-if="letters.length === 0 && !failed">No letter yet. An invitation or a client’s link writes one.</p>
    <table v-else v-cards>
      <thead>
        <tr>
          <th scope="col">Written</th>
          <th scope="col">To</th>
          <th scope="col">About</th>
          <th scope="col">How it goes</th>
          <th scope="col"><span class="visually-hidden">What to do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="letter in letters" :key="letter.id">
          <td>{{ moment(letter.writtenAt) }}</td>
          <td>{{ whose(letter) }}</td>
          <td>{{ letter.subject }}</td>
          <td>
            {{ letter.state
            }}<template v-if="letter.state === 'held up' && letter.arrivesAt"
              >, until {{ moment(letter.arrivesAt) }}</template
            >
          </td>
          <td class="do-ways">
            <a v-if="letter.opens" class="word" :href="letter.opens" target="_blank" rel="noopener noreferrer"
              >Open as they would</a
            >
            <button v-if="letter.state !== 'lost'" type="button" class="word" @click="fate(letter, 'lost')">
              Lose it
            </button>
            <button v-if="letter.state === 'sent'" type="button" class="word" @click="fate(letter, 'held up')">
              Hold it up
            </button>
            <button v-if="letter.state !== 'sent'" type="button" class="word" @click="fate(letter, 'sent')">
              Deliver it
            </button>
            <button v-if="letter.opens" type="button" class="word" @click="shut(letter)">Shut its link</button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

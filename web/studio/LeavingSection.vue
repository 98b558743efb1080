<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { dateIn, writeDate } from '#core/measure/plain-date.ts'
import { request } from '../api.ts'
import { useSession } from '../stores/session.ts'
import EraseDialog from './EraseDialog.vue'
import PutAwayDialog from './PutAwayDialog.vue'

/** What leaves for good: a client’s name, or a whole makeover after thirty days in which it can be brought back. */
type Line = { readonly id: string; readonly name: string; readonly clients: readonly string[] }
type PutAway = { readonly id: string; readonly name: string; readonly goneOn: string }
const session = useSession()
const lines = ref<readonly Line[]>([])
const away = ref<readonly PutAway[]>([])
const failed = ref(false)
const erasing = ref<Line | null>(null)
const leaving = ref<Line | null>(null)

async function load(): Promise<void> {
  try {
    const [day, put] = await Promise.all([
      request<{ makeovers: readonly Line[] }>('GET', '/day'),
      request<readonly PutAway[]>('GET', '/put-away'),
    ])
    lines.value = day.makeovers
    away.value = put
    failed.value = false
  } catch {
    failed.value = true
  }
}
onMounted(load)
async function bringBack({ id }: PutAway): Promise<void> {
  await request('POST', `/makeovers/${id}/bring-back`).catch(() => (failed.value = true))
  await load()
}
const dayOf = (moment: string): string => writeDate(dateIn(session.person?.timeZone ?? 'UTC', Date.parse(moment)))
</script>

<template>
  <section aria-labelledby="leaving-title">
    <div class="section-head"><h2 id="leaving-title">What leaves for good</h2></div>
    <p v-if="failed" class="stop-line" role="alert">
      No answer from the server. <button type="button" class="word" @click="load">Try again</button>
    </p>
    <p class="quiet">
      A client may ask that their name goes. Sums, orders and payments stay: books are kept as long as the law where you
      work asks for.
    </p>
    <table v-if="lines.length > 0">
      <thead>
        <tr>
          <th scope="col">Makeover</th>
          <th scope="col">Clients</th>
          <th scope="col"><span class="visually-hidden">What to do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.id">
          <td>
            <strong>{{ line.name }}</strong>
          </td>
          <td>{{ line.clients.join(', ') }}</td>
          <td class="leaving-ways">
            <button type="button" class="word" :aria-label="`Erase a name from ${line.name}`" @click="erasing = line">
              Erase a name
            </button>
            <button type="button" class="word" :aria-label="`Put away ${line.name}`" @click="leaving = line">
              Put away
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="away.length > 0">
      <h3>Put away</h3>
      <ul class="away-list">
        <li v-for="makeover in away" :key="makeover.id">
          <strong>{{ makeover.name }}</strong>, gone with all its files on {{ dayOf(makeover.goneOn) }}
          <button type="button" class="word" :aria-label="`Bring back ${makeover.name}`" @click="bringBack(makeover)">
            Bring back
          </button>
        </li>
      </ul>
    </template>
    <EraseDialog v-if="erasing" :makeover="erasing" @close="((erasing = null), load())" />
    <PutAwayDialog v-if="leaving" :makeover="leaving" @close="((leaving = null), load())" />
  </section>
</template>

<style>
.leaving-ways {
  text-align: right;
  white-space: nowrap;
}
.leaving-ways .word + .word {
  margin-left: 18px;
}
.away-list li {
  padding: 4px 0;
}
</style>

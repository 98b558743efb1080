<script setup lang="ts">
import { onMounted, ref } from 'vue'
import type { Documents } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import { request } from '../api.ts'
import { saidOf } from '../parts/telling.ts'
import { useSession } from '../stores/session.ts'

/** What is kept and how long; and what is kept of one person or client, as one file for whoever asks. */
const session = useSession()
type Line = { readonly id: string; readonly name: string }
const lines = ref<readonly Line[]>([])
const chosen = ref('')
const clients = ref<readonly Line[]>([])
const problem = ref('')
async function tried(work: () => Promise<void>): Promise<void> {
  try {
    problem.value = ''
    await work()
  } catch (error) {
    problem.value = saidOf(error)
  }
}
onMounted(() =>
  tried(async () => {
    if (!session.owns) return
    const { makeovers } = await request<{ makeovers: readonly Line[] }>('GET', '/day')
    lines.value = [...makeovers, ...(await request<readonly Line[]>('GET', '/archive'))]
  }),
)
const look = (id: string): Promise<void> =>
  tried(async () => {
    chosen.value = id
    const { makeover } = await request<Documents>('GET', `/makeovers/${id}`)
    clients.value = rowsOf(makeover, 'client')
  })
const kept = [
  ['Makeovers, their history and files', 'until they are put away, and thirty days longer'],
  ['What was signed, and the record', 'as long as the makeover, or the studio, is kept'],
  ['Who signed in with which browser', 'fourteen days, or until it is signed out'],
  ['How often a wrong password was tried', 'for a quarter of an hour, without a name; it is gone within two hours'],
  ['Letters of the post', 'what they open for fourteen days; that they were written, as long as the makeover'],
  ['Invitations; letters for another password', 'open for fourteen days; for one hour'],
  ['Pictures and receipts that hang on nothing', 'thirty days'],
  ['People who left', 'their name with what they did; no password and no session'],
  ['Backups', 'as many as are set where Bonitas runs, fourteen unless said'],
] as const
</script>

<template>
  <section aria-labelledby="kept-title">
    <div class="section-head"><h2 id="kept-title">What is kept, and how long</h2></div>
    <dl class="kept-long">
      <div v-for="[what, long] in kept" :key="what">
        <dt>{{ what }}</dt>
        <dd>{{ long }}</dd>
      </div>
    </dl>
    <p class="quiet">
      How long books have to be kept, and when somebody’s data has to go, the law where you work says: it comes first.
    </p>
    <p><a href="/api/me/data">What is kept of you, as one file</a></p>
    <template v-if="session.owns">
      <div class="field whose">
        <label class="label" for="kept-of">What is kept of a client of</label>
        <el-select
          id="kept-of"
          :model-value="chosen"
          :filterable="lines.length > 12"
          placeholder="Choose a makeover"
          aria-label="What is kept of a client of"
          @change="look"
        >
          <el-option v-for="line in lines" :key="line.id" :value="line.id" :label="line.name" />
        </el-select>
      </div>
      <ul v-if="clients.length > 0" class="plain-lines">
        <li v-for="client in clients" :key="client.id">
          <a :href="`/api/makeovers/${chosen}/clients/${client.id}/data`">{{ client.name }}, as one file</a>
        </li>
      </ul>
    </template>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
  </section>
</template>

<style>
.studio .kept-long + p {
  margin-top: 12px;
}
.studio .kept-long > div {
  display: grid;
  grid-template-columns: minmax(200px, 320px) 1fr;
  gap: 2px 24px;
  padding: 5px 0;
  border-bottom: 1px solid var(--hairline);
}
.studio .kept-long dd {
  margin: 0;
}
.studio .whose {
  max-width: 340px;
  margin-top: 12px;
}
.studio .plain-lines li {
  padding: 4px 0;
}
@media (max-width: 600px) {
  .studio .kept-long > div {
    grid-template-columns: 1fr;
  }
}
</style>

<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { edit, remove } from '#core/makeover/change.ts'
import { dateIn, writeDate } from '#core/measure/plain-date.ts'
import { closedNow, offeredNow } from '#core/reveal/index.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useSession } from '../stores/session.ts'

/** The client’s statement put before them, or signed here; the account closed by it, and opened again with a reason. */
const { isSettled } = defineProps<{ isSettled: boolean }>()
const makeover = useMakeover()
const session = useSession()
const [clients, closings] = [useRows('client'), useRows('closing')]
const closed = computed(() => (makeover.opened ? closedNow(makeover.opened.makeover) : null))
const offered = computed(() => (makeover.opened ? offeredNow(makeover.opened.makeover) : null))
const reopened = computed(() => closings.value.filter(({ reopenedOn }) => reopenedOn !== null))
const nameOf = (id: string | null): string => clients.value.find((client) => client.id === id)?.name ?? ''
const signedById = ref('')
watch(
  clients,
  (all) => {
    if (signedById.value === '') signedById.value = all[0]?.id ?? ''
  },
  { immediate: true },
)
const reason = ref('')
const problem = ref('')
const isBusy = ref(false)
async function put(by: string | null): Promise<void> {
  if (isBusy.value) return
  isBusy.value = true
  problem.value = clients.value.length === 0 ? 'Say in the brief who the client is.' : ''
  try {
    if (problem.value === '')
      await request('POST', `/makeovers/${makeover.opened?.makeover.id ?? ''}/closings`, { signedById: by })
  } catch (error) {
    if (error instanceof Refused) problem.value = error.problem.detail
    else if (error instanceof NoAnswer) problem.value = 'No answer from the server: nothing was closed.'
    else throw error
  } finally {
    isBusy.value = false
  }
}
const told = (faults: readonly { field: string | null; message: string }[]): string =>
  faults.map(({ field, message }) => (field ? `${field}: ${message}` : message)).join('; ')
async function takeBack(): Promise<void> {
  const row = offered.value
  if (row) problem.value = told(await makeover.change('Took the closing statement back', [remove('closing', row)]))
}
async function reopen(): Promise<void> {
  const row = closed.value
  const today = makeover.opened?.today
  if (!row || !today) return
  const faults = await makeover.change(`Opened the account again: ${reason.value}`.slice(0, 500), [
    edit('closing', row, { reopenedOn: today, reason: reason.value }),
  ])
  problem.value = told(faults)
  if (faults.length === 0) reason.value = ''
}

type Typed = {
  readonly agreementId: string
  readonly here: {
    readonly typedBy: string
    readonly byClient: { readonly from: string } | null
    readonly typedAt: string
  } | null
}
/** How it was signed, where the client did so on their own page. */
const typed = ref<Typed['here']>(null)
watch(
  () => closed.value?.id,
  async (id) => {
    typed.value = null
    if (id === undefined) return
    try {
      const all = await request<Typed[]>('GET', `/makeovers/${makeover.opened?.makeover.id ?? ''}/signings`)
      typed.value = all.find(({ agreementId }) => agreementId === id)?.here ?? null
    } catch (error) {
      if (!(error instanceof NoAnswer || error instanceof Refused)) throw error
    }
  },
  { immediate: true },
)
const typedOn = (at: string): string => writeDate(dateIn(session.person?.timeZone ?? 'UTC', Date.parse(at)))
</script>

<template>
  <template v-if="closed">
    <p>
      Closed on {{ writeDate(closed.closedOn) }}, the statement signed by {{ nameOf(closed.signedById)
      }}<template v-if="typed?.byClient"
        >, by typing “{{ typed.typedBy }}” on their own page on {{ typedOn(typed.typedAt) }}</template
      >. <span class="quiet">It is kept word for word under the digest {{ closed.digest.slice(0, 16) }}….</span>
    </p>
    <form class="closing" @submit.prevent="reopen">
      <label>Why it is opened again <el-input v-model="reason" maxlength="500" /></label>
      <el-button native-type="submit">Open it again</el-button>
    </form>
  </template>
  <p v-else-if="offered" class="closing">
    <span>
      The statement lies before the client since {{ writeDate(offered.closedOn) }}: the account closes when they sign it
      on their page, with the figures of that moment.
    </span>
    <el-button @click="takeBack">Take it back</el-button>
  </p>
  <p v-else class="closing">
    <el-button type="primary" :disabled="!isSettled || isBusy" @click="put(null)">Put it before the client</el-button>
    <span>or they sign it here, as</span>
    <el-select v-model="signedById" aria-label="Who signs the statement" style="width: 220px">
      <el-option v-for="client in clients" :key="client.id" :value="client.id" :label="client.name" />
    </el-select>
    <el-button :disabled="!isSettled || isBusy" @click="put(signedById)">Close the account</el-button>
  </p>
  <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
  <ul v-if="reopened.length > 0" class="reveal-list">
    <li v-for="row in reopened" :key="row.id">
      Closed on {{ writeDate(row.closedOn) }}, opened again on {{ writeDate(row.reopenedOn!) }}: {{ row.reason }}
    </li>
  </ul>
</template>

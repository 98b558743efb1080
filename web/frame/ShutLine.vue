<script setup lang="ts">
import { computed, ref } from 'vue'
import { roleWords } from '#core/people/roles.ts'
import { request } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'
import { saidOf } from '../parts/telling.ts'
import { useSession } from '../stores/session.ts'

/** Why nothing, or not everything, can be changed here: the makeover is in the archive, or it is not in one's role. */
const makeover = useMakeover()
const session = useSession()
const problem = ref('')
const shut = computed(() => makeover.opened?.archivedAt ?? null)
const since = computed(() =>
  new Date(shut.value ?? 0).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' }),
)
const mayTakeUp = computed(() => ['owner', 'member'].includes(session.person?.role ?? ''))
async function takeUp(): Promise<void> {
  try {
    await request('POST', `/makeovers/${makeover.opened?.makeover.id ?? ''}/take-up`)
    await makeover.refresh()
  } catch (error) {
    problem.value = saidOf(error)
  }
}
</script>

<template>
  <p v-if="shut" class="said-line" role="status">
    In the archive since {{ since }}: it can be looked at, and nothing in it changes.
    <button v-if="mayTakeUp" type="button" class="word" @click="takeUp">Take it up again</button> {{ problem }}
  </p>
  <p v-else-if="session.person?.role === 'looker-on'" class="said-line" role="status">
    You look on: nothing is changed from here<template v-if="!session.costs">, and costs are not shown</template>.
  </p>
  <p v-else-if="session.person?.role === 'bookkeeper'" class="said-line" role="status">
    You are here as {{ roleWords.bookkeeper.title.toLowerCase() }}: payments, credits, claims, what the client is asked
    and pays, receipts and sellers are yours to change.
  </p>
</template>

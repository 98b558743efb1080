<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { dateIn, writeDate, type PlainDate } from '#core/measure/plain-date.ts'
import { plus, zero } from '#core/money/minor.ts'
import FigureButton from '../parts/FigureButton.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import { request } from '../api.ts'
import { useSession } from '../stores/session.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import BudgetDialog from './BudgetDialog.vue'

/** How a signed version came about; null where a file brought it in. */
type Signed = {
  readonly agreementId: string
  readonly here: { readonly typedBy: string; readonly typedAt: string; readonly holds: boolean } | null
}

/** The agreed budget: every version side by side, the draft last. */
const makeover = useMakeover()
const working = useWorking()
const session = useSession()
const route = useRoute()
const router = useRouter()
const clients = useRows('client')
const categories = computed(() => makeover.reckoning?.money.categories ?? [])
const versions = computed(() => makeover.reckoning?.money.versions ?? [])
const draft = computed(() => versions.value.find(({ row }) => row.signedOn === null) ?? null)
const agreement = computed(() => makeover.reckoning?.money.agreement ?? null)
const signer = (id: string | null): string => byId(clients.value, id)?.name ?? ''
/** How each signed version came to be signed, asked of the server, which alone can vouch for it. */
const signings = shallowRef<readonly Signed[]>([])
watch(
  // what is signed here is noted when the server takes it
  () => [versions.value.map(({ row }) => `${row.id} ${row.signedOn ?? ''}`).join(), makeover.savedAt?.getTime()].join(),
  async () => {
    if (!session.costs) return
    signings.value = await request<readonly Signed[]>('GET', `/makeovers/${String(route.params.id)}/signings`).catch(
      () => [],
    )
  },
  { immediate: true },
)
function vouched(id: string, signedOn: PlainDate): string {
  const signing = signings.value.find((signed) => signed.agreementId === id)
  if (!signing) return ''
  if (!signing.here) return 'brought in with a file, not signed here'
  const typedOn = dateIn(session.person?.timeZone ?? 'UTC', Date.parse(signing.here.typedAt))
  const late = typedOn === signedOn ? '' : ` on ${writeDate(typedOn)}`
  return signing.here.holds
    ? `entered by ${signing.here.typedBy}${late}`
    : 'changed since it was signed, by another way than here'
}
const open = ref(false)
const mode = ref<'draft' | 'sign' | 'change'>('draft')
function start(as: 'draft' | 'sign' | 'change'): void {
  mode.value = as
  open.value = true
}

// a remark elsewhere leads here to have the budget signed, or a change of it
onMounted(() => {
  const asked = route.query.sign
  if (asked === 'sign' && !agreement.value) start(draft.value ? 'sign' : 'draft')
  else if (asked === 'change' && agreement.value && !draft.value) start('change')
  else return
  void router.replace({ query: {} })
})
</script>

<template>
  <section aria-labelledby="budget-title">
    <div class="section-head">
      <h2 id="budget-title">Agreed budget</h2>
      <span>
        <template v-if="versions.length === 0"
          ><el-button type="primary" @click="start('draft')">Draft the budget</el-button></template
        >
        <template v-else-if="draft">
          <el-button @click="start('draft')">Change the draft</el-button>
          <el-button type="primary" @click="start('sign')">Have it signed</el-button>
        </template>
        <button v-else type="button" class="word" @click="start('change')">Sign a change</button>
      </span>
    </div>
    <p v-if="versions.length === 0" class="quiet">
      Nothing is agreed yet. Draft the sums by category with a contingency; once signed, they change only by a signed
      change.
    </p>
    <div v-else class="scroll" tabindex="0" role="region" aria-label="Versions of the agreed budget">
      <table v-cards class="budget">
        <thead>
          <tr>
            <th>Category</th>
            <th v-for="{ row } in versions" :key="row.id" class="number">
              <template v-if="row.signedOn"
                ><strong>{{ row.number === 1 ? 'Agreed' : `Change ${row.number - 1}` }}</strong
                ><br />{{ writeDate(row.signedOn) }}, {{ signer(row.signedById) }}<br /><template
                  v-if="vouched(row.id, row.signedOn)"
                  ><span class="quiet">{{ vouched(row.id, row.signedOn) }}</span
                  ><br /></template
                ><a
                  v-if="session.costs"
                  :href="`/api/makeovers/${$route.params.id}/brief.pdf?version=${row.number}`"
                  :aria-label="`The brief as signed, ${row.number === 1 ? 'agreed' : `change ${row.number - 1}`}, PDF`"
                  >as signed</a
                ></template
              >
              <template v-else><strong>Draft</strong><br />not signed</template>
            </th>
            <th v-if="agreement" class="number">Forecast</th>
            <th v-if="agreement" class="number">Left</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="category in categories" :key="category.id">
            <td>{{ category.name }}</td>
            <td
              v-for="({ row, amounts }, at) in versions"
              :key="row.id"
              class="number"
              :class="{ changed: at > 0 && amounts.get(category.id) !== versions[at - 1]?.amounts.get(category.id) }"
            >
              <MoneyAmount :amount="amounts.get(category.id) ?? zero" :currency="makeover.currency" />
            </td>
            <td v-if="agreement" class="number">
              <FigureButton
                :amount="category.forecast"
                :figure="`Forecast for ${category.name}`"
                @click="working.show('forecast', category.id)"
              />
            </td>
            <td v-if="agreement" class="number">
              <FigureButton
                :amount="category.left"
                :figure="`Left in ${category.name}`"
                :over="category.left < 0"
                @click="working.show('left', category.id)"
              />
            </td>
          </tr>
          <tr>
            <td>Contingency</td>
            <td v-for="{ row } in versions" :key="row.id" class="number">
              <MoneyAmount :amount="row.contingencyMinor" :currency="makeover.currency" />
            </td>
            <td v-if="agreement" class="number quiet">
              drawn
              <FigureButton
                :amount="makeover.reckoning?.money.total.contingencyDrawn ?? zero"
                figure="Drawn from the contingency"
                @click="working.show('contingency')"
              />
            </td>
            <td v-if="agreement" />
          </tr>
          <tr class="sum">
            <td>Agreed in all</td>
            <td v-for="{ row, categories: sum } in versions" :key="row.id" class="number">
              <MoneyAmount :amount="plus(sum, row.contingencyMinor)" :currency="makeover.currency" with-currency />
            </td>
            <td v-if="agreement" class="number">
              <FigureButton
                :amount="makeover.reckoning?.money.total.forecast ?? zero"
                figure="Forecast"
                @click="working.show('forecast')"
              />
            </td>
            <td v-if="agreement" class="number">
              <FigureButton
                :amount="makeover.reckoning?.money.total.left ?? zero"
                figure="Left"
                :over="(makeover.reckoning?.money.total.left ?? 0) < 0"
                @click="working.show('left')"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <ul class="reasons">
      <li v-for="{ row } in versions.filter((version) => version.row.reason)" :key="row.id">
        <span class="quiet">Change {{ row.number - 1 }}:</span> {{ row.reason }}
      </li>
    </ul>
    <BudgetDialog v-model="open" :mode="mode" />
  </section>
</template>

<style>
.budget td {
  padding-top: 5px;
  padding-bottom: 5px;
}
.budget .changed {
  font-weight: 700;
}
.budget .sum td {
  border-bottom: 1.5px solid var(--ink);
  font-weight: 600;
}
.reasons {
  font-size: 13px;
  margin-top: 8px;
}
</style>

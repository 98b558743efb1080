<script setup lang="ts">
import { computed, ref } from 'vue'
import { headOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { useKeys } from '../frame/keys.ts'
import FigureButton from '../parts/FigureButton.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RemarkList from '../remarks/RemarkList.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import BudgetTable from './BudgetTable.vue'
import HeadDialog from './HeadDialog.vue'
import NeedDialog from './NeedDialog.vue'

const makeover = useMakeover()
const working = useWorking()
const needs = useRows('need')
const rooms = useRows('room')
const zones = useRows('zone')
const clients = useRows('client')
const pieces = useRows('piece')

const head = computed(() => (makeover.opened ? headOf(makeover.opened.makeover) : undefined))
const serving = (need: Row<'need'>): string => pieces.value.filter((piece) => piece.needId === need.id).map((piece) => piece.name).join(', ')
const covered = (need: Row<'need'>): boolean => makeover.reckoning?.needs.find((one) => one.id === need.id)?.covered ?? false
const place = (need: Row<'need'>): string => zones.value.find((zone) => zone.id === need.zoneId)?.name ?? rooms.value.find((room) => room.id === need.roomId)?.name ?? ''
const open = computed(() => needs.value.filter((need) => need.importance === 'must' && !covered(need)))
const remarks = computed(() => (makeover.reckoning?.remarks ?? []).filter((remark) => remark.step === 'brief' && remark.weight !== 'stop'))
const order = { must: 0, should: 1, nice: 2 }
const sorted = computed(() => needs.value.toSorted((one, other) => order[one.importance] - order[other.importance]))

const needOpen = ref(false)
const needEdited = ref<Row<'need'> | null>(null)
const headOpen = ref(false)

function openNeed(need: Row<'need'> | null): void {
  needEdited.value = need
  needOpen.value = true
}
useKeys([{ key: 'n', does: 'A new need', run: () => openNeed(null) }])
</script>

<template>
  <div v-if="makeover.opened && makeover.reckoning && head" class="brief">
    <div class="page-head">
      <h1>Brief</h1>
      <span class="quiet">for {{ clients.map((client) => client.name).join(' and ') }} · {{ rooms.map((room) => room.name).join(', ') }} · {{ head.installOn ? `to be installed on ${writeDate(head.installOn)}` : 'no install date yet' }} · {{ head.units }}</span>
      <span class="end"><button type="button" class="word" @click="headOpen = true">Change these</button></span>
    </div>
    <StepRemarks step="brief" />

    <section aria-labelledby="needs-title">
      <div class="section-head">
        <h2 id="needs-title">What the room is for</h2>
        <button type="button" class="word" @click="openNeed(null)">Add a need<kbd>N</kbd></button>
      </div>
      <p v-if="needs.length === 0" class="quiet">Write down what has to be possible here: sit, read, play, store, host. Pieces are then held against it.</p>
      <table v-else>
        <thead>
          <tr><th>Need</th><th class="keep">How much</th><th>Served by</th><th>Covered</th><th><span class="visually-hidden">Change</span></th></tr>
        </thead>
        <tbody>
          <tr v-for="need in sorted" :key="need.id">
            <td class="what"><strong>{{ need.name }}</strong> <span class="quiet place">{{ place(need) }}</span></td>
            <td>{{ need.importance }}</td>
            <td :class="{ quiet: !serving(need) }">{{ serving(need) || 'nothing yet' }}</td>
            <td class="keep"><span class="covered" :class="{ yes: covered(need) }" aria-hidden="true" />{{ covered(need) ? 'yes' : 'not yet' }}</td>
            <td class="number">
              <button type="button" class="word" :aria-label="`Change ${need.name}`" @click="openNeed(need)">Change</button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>

    <BudgetTable />
    <Teleport defer to="#tag">
      <section class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>{{ head.name }}</h2>
        <p v-if="open.length > 0">Not covered yet: {{ open.map((need) => need.name).join('; ') }}.</p>
        <dl class="pairs">
          <div><dt>Agreed</dt><dd><MoneyAmount :amount="makeover.reckoning.money.total.agreed" :currency="makeover.currency" with-currency /></dd></div>
          <div><dt>Forecast</dt><dd><FigureButton :amount="makeover.reckoning.money.total.forecast" of="Forecast" @click="working.show('forecast')" /></dd></div>
          <div><dt>Needs covered</dt><dd>{{ makeover.line?.needsCovered }} of {{ needs.length }}</dd></div>
          <div><dt>Must haves not covered</dt><dd>{{ open.length }}</dd></div>
        </dl>
        <RemarkList :remarks="remarks" />
      </section>
    </Teleport>
    <NeedDialog v-model="needOpen" :need="needEdited" :served="needEdited !== null && serving(needEdited) !== ''" />
    <HeadDialog v-model="headOpen" :head="head" />
  </div>
</template>

<style>
.brief section + section { margin-top: 26px; }
.brief .what { width: 42%; }
.brief .place { display: block; font-size: 12px; line-height: 16px; }
.keep { white-space: nowrap; }
.brief td { padding-top: 5px; padding-bottom: 5px; }
.covered { display: inline-block; width: 10px; height: 10px; border: 1.5px solid var(--ink); border-radius: 50%; margin-right: 7px; }
.covered.yes { background: var(--ink); }
</style>

<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, ref } from 'vue'
import { headOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { useKeys } from '../frame/keys.ts'
import FilesOf from '../files/FilesOf.vue'
import FigureButton from '../parts/FigureButton.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import PageParts from '../parts/PageParts.vue'
import RowDialog from '../parts/RowDialog.vue'
import { toPart } from '../parts/to-part.ts'
import RemarkList from '../remarks/RemarkList.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useSession } from '../stores/session.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import BudgetTable from './BudgetTable.vue'
import CollectionSection from './CollectionSection.vue'
import ConstraintsSection from './ConstraintsSection.vue'
import HeadDialog from './HeadDialog.vue'
import TemplateDialog from './TemplateDialog.vue'
import NeedsSection from './NeedsSection.vue'
import HouseholdSection from './HouseholdSection.vue'
import KeepersSection from './KeepersSection.vue'
import PracticeSection from './PracticeSection.vue'
import QuestionsSection from './QuestionsSection.vue'
import WaysSection from './WaysSection.vue'
import { needForm } from './forms.ts'
import { useSetting } from '../stores/setting.ts'

const makeover = useMakeover()
const session = useSession()
const working = useWorking()
const setting = useSetting()
const needs = useRows('need')
const rooms = useRows('room')
const clients = useRows('client')

const head = computed(() => (makeover.opened ? headOf(makeover.opened.makeover) : undefined))
const reckoned = (need: Row<'need'>) => byId(makeover.reckoning?.needs, need.id)
const covered = (need: Row<'need'>): boolean => reckoned(need)?.covered ?? false
const open = computed(() =>
  needs.value.filter((need) => need.importance === 'must' && need.struckOn === null && !covered(need)),
)
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter((remark) => remark.step === 'brief' && remark.weight !== 'stop'),
)
const needOpen = ref(false)
const needEdited = ref<Row<'need'> | null>(null)
const headOpen = ref(false)
const templateOpen = ref(false)
const form = computed(() => (setting.value ? needForm(setting.value, needEdited.value === null) : null))

function openNeed(need: Row<'need'> | null): void {
  needEdited.value = need
  needOpen.value = true
}
const parts = [
  ['needs', 'Needs'],
  ['budget', 'Budget'],
  ['asis', 'As it is'],
  ['household', 'Who lives there'],
  ['stays', 'What stays'],
  ['forbidden', 'What may not be'],
  ['ways', 'Ways'],
  ['collection', 'Collection'],
  ['questions', 'Questions'],
  ['practice', 'Practice'],
] as const
useKeys([
  { key: 'n', does: 'A new need', run: () => openNeed(null) },
  { key: 'b', does: 'To the budget', run: () => toPart('budget') },
  { key: 'w', does: 'To whose practice is followed', run: () => toPart('practice') },
])
</script>

<template>
  <div v-if="makeover.opened && makeover.reckoning && head" class="brief">
    <div class="page-head">
      <h1>Brief</h1>
      <span class="quiet"
        >for {{ clients.map((client) => client.name).join(' and ') }} ·
        {{ rooms.map((room) => room.name).join(', ') }} · to {{ head.scope }} ·
        {{ head.installOn ? `install ${writeDate(head.installOn)}` : 'no install date yet' }} · {{ head.units }}</span
      >
      <span class="end"
        ><button type="button" class="word" @click="templateOpen = true">Keep as a template</button
        ><button type="button" class="word" @click="headOpen = true">Change these</button></span
      >
    </div>
    <PageParts class="parts" :parts="parts" label="Parts of the brief" />
    <StepRemarks step="brief" />

    <NeedsSection @open="openNeed" />

    <BudgetTable />
    <section aria-labelledby="asis-title">
      <div class="section-head"><h2 id="asis-title">As it is</h2></div>
      <div class="as-it-is">
        <div v-for="room in rooms" :key="room.id">
          <p v-if="rooms.length > 1">
            <strong>{{ room.name }}</strong>
          </p>
          <FilesOf :owner="{ roomId: room.id }" :name="room.name" pictures many />
        </div>
      </div>
    </section>
    <HouseholdSection />
    <KeepersSection />
    <ConstraintsSection />
    <WaysSection />
    <CollectionSection />
    <QuestionsSection />
    <PracticeSection />
    <Teleport defer to="#tag">
      <section class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>{{ head.name }}</h2>
        <p v-if="open.length > 0">Not covered yet: {{ open.map((need) => need.name).join('; ') }}.</p>
        <dl class="pairs">
          <div>
            <dt>Agreed</dt>
            <dd>
              <MoneyAmount
                :amount="makeover.reckoning.money.total.agreed"
                :currency="makeover.currency"
                with-currency
              />
            </dd>
          </div>
          <div>
            <dt>Forecast</dt>
            <dd>
              <FigureButton
                :amount="makeover.reckoning.money.total.forecast"
                figure="Forecast"
                @click="working.show('forecast')"
              />
            </dd>
          </div>
          <div>
            <dt>Needs covered</dt>
            <dd>{{ makeover.line?.needsCovered }} of {{ makeover.line?.needs }}</dd>
          </div>
          <div>
            <dt>Must haves not covered</dt>
            <dd>{{ open.length }}</dd>
          </div>
        </dl>
        <p v-if="session.costs">
          <a :href="`/api/makeovers/${makeover.opened.makeover.id}/brief.pdf`" target="_blank" rel="noopener"
            >The brief as a page to sign (PDF)</a
          >
        </p>
        <p v-if="session.costs">
          All of it as one file:
          <a :href="`/api/makeovers/${makeover.opened.makeover.id}/export?history=yes`">with its history</a>,
          <a :href="`/api/makeovers/${makeover.opened.makeover.id}/export`">without</a>
        </p>
        <RemarkList :remarks="remarks" />
      </section>
    </Teleport>
    <RowDialog v-if="form" v-model="needOpen" :form="form" :row="needEdited" />
    <HeadDialog v-model="headOpen" :head="head" />
    <TemplateDialog v-model="templateOpen" />
  </div>
</template>

<style>
.brief section + section {
  margin-top: 26px;
}
.brief section[aria-labelledby] {
  scroll-margin-top: 122px;
}
.brief h2 {
  scroll-margin-top: 122px;
}
@media (min-width: 561px) {
  .brief .what {
    width: 42%;
  }
}
.brief .place {
  display: block;
  font-size: 12px;
  line-height: 16px;
}
.as-it-is .files ul {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-bottom: 6px;
}
.as-it-is .files li {
  display: grid;
  gap: 2px;
  justify-items: start;
}
.as-it-is .files .drop {
  max-width: 320px;
}
.brief .parts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: -8px 0 14px;
  padding: 6px 0;
  font-size: 13px;
  position: sticky;
  top: 76px;
  z-index: 3;
  background: var(--paper);
  border-bottom: 1px solid var(--hairline);
}
@media (max-width: 960px) {
  .brief .parts {
    position: static;
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .brief .parts .word {
    white-space: nowrap;
  }
}
.keep {
  white-space: nowrap;
}
.brief td {
  padding-top: 5px;
  padding-bottom: 5px;
}
</style>

<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed, ref, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import { paletteFinishes } from '#core/makeover/laid.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { schoolOf } from '#core/rulebook/schools.ts'
import { useKeys } from '../frame/keys.ts'
import PageParts from '../parts/PageParts.vue'
import RemarkList from '../remarks/RemarkList.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import BalanceRuler from './BalanceRuler.vue'
import ContrastSection from './ContrastSection.vue'
import CureDialog from './CureDialog.vue'
import FinishDialog from './FinishDialog.vue'
import FinishTag from './FinishTag.vue'
import LaidOut from './LaidOut.vue'
import { useLookedAt } from './looked-at.ts'
import PairTag from './PairTag.vue'
import { printOf } from './print.ts'
import SamplesSection from './SamplesSection.vue'
import SchoolSection from './SchoolSection.vue'
import SpreadSection from './SpreadSection.vue'
import SuggestDialog from './SuggestDialog.vue'
import { useTrayChanges } from './tray-changes.ts'
import TrayBoard from './TrayBoard.vue'
import TrayFilters from './TrayFilters.vue'
import UndertoneDial from './UndertoneDial.vue'
import VarietySection from './VarietySection.vue'

const route = useRoute()
const makeover = useMakeover()
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const palette = computed(() => makeover.reckoning?.palette ?? null)
const finishes = computed(() => (makeover.opened ? paletteFinishes(makeover.opened.makeover) : []))
const patternParts = useRows('patternPart')
const samples = useRows('sample')
const rooms = useRows('room')
const printed = (finish: Row<'finish'>) => printOf(finish, finishes.value, patternParts.value, rules.value)
const readings = computed(() => new Map(palette.value?.finishes.map((finish) => [finish.id, finish])))

const lookedAt = useLookedAt(finishes, readings)
const { roomId, laid, shown, clear } = lookedAt
const { problem, move, toRole, takeOut } = useTrayChanges(finishes, readings, laid)
const takeOutInHand = async (finish: Row<'finish'>): Promise<void> => {
  if (await takeOut(finish)) taken.value = []
}

/** Taken up: one is read on the tag, two to four lie edge to edge over the tray. */
const most = 4
const taken = ref<string[]>(typeof route.query.open === 'string' ? [route.query.open] : [])
const pairing = ref(false)
const up = computed(() => taken.value.flatMap((id) => byId(finishes.value, id) ?? []))
const inHand = computed(() => (up.value.length === 1 ? (up.value[0] ?? null) : null))
function take(finish: Row<'finish'>, beside = false): void {
  if (up.value.length > 0 && (beside || pairing.value) && !taken.value.includes(finish.id))
    taken.value = [...taken.value.slice(0, most - 1), finish.id]
  else taken.value = taken.value.length === 1 && taken.value[0] === finish.id ? [] : [finish.id]
  pairing.value = false
}
const putBack = (id: string): void => void (taken.value = taken.value.filter((otherId) => otherId !== id))
const swap = (): void => void (taken.value = [...taken.value.slice(1), ...taken.value.slice(0, 1)])
const pairUp = (first: string, second: string): void => {
  taken.value = [first, second]
  window.scrollTo({ top: 0, behavior: 'smooth' })
}
const remarks = computed(() => (makeover.reckoning?.remarks ?? []).filter((remark) => remark.step === 'palette'))

const dialogOpen = ref(false)
const edited = ref<Row<'finish'> | null>(null)
function openDialog(finish: Row<'finish'> | null): void {
  edited.value = finish
  dialogOpen.value = true
}
const suggesting = ref(false)
const roomAsked = computed(() => byId(rooms.value, roomId.value || inHand.value?.roomId) ?? rooms.value[0])
const curing = ref(false)
const cured = ref<{ left: string; right: string } | null>(null)
function cure(pair: { left: string; right: string } | null): void {
  cured.value = pair
  curing.value = true
}
const samplesSection = useTemplateRef<{ note: (finish: Row<'finish'>, row: Row<'sample'> | null) => void }>(
  'samplesSection',
)
const note = (finish: Row<'finish'>): void =>
  samplesSection.value?.note(finish, samples.value.find((row) => row.finishId === finish.id) ?? null)

const school = computed(() =>
  makeover.reckoning?.practice.chosen.includes('colours')
    ? schoolOf('colours', makeover.reckoning.practice.schools.colours).name.toLowerCase()
    : 'no school chosen',
)
const held = computed(
  () =>
    palette.value !== null &&
    palette.value.balance.held &&
    (makeover.reckoning?.practice.chosen.includes('colours') ?? false),
)
const offBalance = computed(() => held.value && (palette.value?.balance.roles.some((role) => role.off > 0) ?? false))
const board = useTemplateRef<{
  tray: { places: readonly { finish: Row<'finish'>; smallest: boolean; larger: number }[] }
}>('board')
const tooSmall = computed(() =>
  (board.value?.tray.places ?? [])
    .filter((place) => place.smallest)
    .map(({ finish, larger }) => `${finish.name}${larger >= 1.5 ? ` ${Math.round(larger)} times` : ''}`),
)
const parts = [
  ['undertones', 'Undertones'],
  ['ties', 'Ties'],
  ['contrast', 'Before its wall'],
  ['variety', 'Variety'],
  ['samples', 'Samples'],
  ['schools', 'School'],
] as const
useKeys([
  { key: 'n', does: 'A new finish', run: () => openDialog(null) },
  { key: 's', does: 'Suggest what would go with it', run: () => (suggesting.value = true) },
  {
    key: 'c',
    does: 'Lay the next finish you pick beside what is taken up',
    run: () => (pairing.value = up.value.length > 0 && !pairing.value),
  },
  { key: 'm', does: 'Note a sample of the finish in hand', run: () => inHand.value && note(inHand.value) },
  { key: 'x', does: 'Change the places of those laid edge to edge', run: swap },
  { key: 'Escape', does: 'Put what is taken up back', run: () => (taken.value = []) },
])
</script>

<template>
  <div class="palette">
    <div class="page-head">
      <h1>Palette</h1>
      <span class="quiet">{{ school }} · each finish as large as it is in the room</span>
      <span class="end"
        ><button type="button" class="word" @click="suggesting = true">Suggest<kbd aria-hidden="true">S</kbd></button
        ><button type="button" class="word" @click="openDialog(null)">
          Add a finish<kbd aria-hidden="true">N</kbd>
        </button></span
      >
    </div>
    <StepRemarks step="palette" />
    <p v-if="finishes.length === 0" class="opening">
      No finish yet. <button type="button" class="word" @click="openDialog(null)">Lay down the first</button>: the
      walls, the floor that stays, the cloth it all began with.
    </p>
    <template v-else-if="palette">
      <TrayFilters :looked-at="lookedAt" :all="finishes.length">
        <PageParts class="jump" :parts="parts" label="Parts of the palette" />
      </TrayFilters>
      <TrayBoard
        ref="board"
        :finishes="laid"
        :taken="taken"
        :lrv-of="(id) => readings.get(id)?.lrv ?? 0"
        :print-of="printed"
        @take="take"
        @move="move"
      >
        <LaidOut v-if="up.length > 1" :finishes="up" :print-of="printed" @back="putBack" />
        <p v-if="shown.length === 0" class="nothing">
          Nothing in the palette is so. <button type="button" class="word" @click="clear">Show all</button>
        </p>
      </TrayBoard>
      <p v-if="pairing" class="said-line" role="status">
        Pick the finish to lay beside {{ up.map((entry) => entry.name).join(', ') }}.
      </p>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      <BalanceRuler :balance="palette.balance" :held="held">
        <template v-if="tooSmall.length > 0">
          Drawn larger than they are, to be seen at all: {{ tooSmall.join(', ') }}.</template
        >
        <button v-if="offBalance" type="button" class="word" @click="cure(null)">What would bring it right</button>
      </BalanceRuler>
      <UndertoneDial :palette="palette" :finishes="finishes" @pair="pairUp" @take="taken = [$event]" />
      <SpreadSection :palette="palette" :finishes="finishes" />
      <ContrastSection :palette="palette" :finishes="finishes" />
      <VarietySection :palette="palette" :finishes="finishes" :rooms="rooms" />
      <SamplesSection ref="samplesSection" :finishes="finishes" />
      <SchoolSection />
    </template>

    <Teleport defer to="#tag">
      <section v-if="up.length > 1" class="tag" aria-label="Finish">
        <span class="hole" aria-hidden="true" />
        <PairTag
          :finishes="up"
          :others="finishes.filter((finish) => !taken.includes(finish.id))"
          @beside="taken = [...taken, $event]"
          @swap="swap"
          @back="taken = taken.slice(0, 1)"
          @cure="(first, second) => cure({ left: first, right: second })"
        />
      </section>
      <section v-else-if="inHand" class="tag" aria-label="Finish">
        <span class="hole" aria-hidden="true" />
        <FinishTag
          :finish="inHand"
          :finishes="finishes"
          :print="printed(inHand)"
          @change="openDialog(inHand)"
          @take-out="takeOutInHand(inHand)"
          @beside="taken = [...taken, $event]"
          @sample="note(inHand)"
          @role="toRole(inHand, $event)"
        />
      </section>
      <section v-else-if="finishes.length > 0" class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>Take up a finish</h2>
        <p class="quiet">
          Pick one to read it; hold Shift and pick up to three more to lay them edge to edge. Drag one to another role
          or place.
        </p>
        <RemarkList v-slot="{ remark }" :remarks="remarks">
          <button
            v-if="remark.subjects.length === 2 && remark.subjects.every(({ kind }) => kind === 'finish')"
            type="button"
            class="word"
            @click="pairUp(remark.subjects[0]?.id ?? '', remark.subjects[1]?.id ?? '')"
          >
            Lay them out
          </button>
        </RemarkList>
      </section>
      <p class="caution quiet">
        Computed, and a screen is not a sample: paint a board, hold it to the others in the room, and look again in the
        evening.
      </p>
    </Teleport>
    <FinishDialog v-model="dialogOpen" :finish="edited" />
    <SuggestDialog
      v-if="roomAsked"
      v-model="suggesting"
      :room="roomAsked"
      :finishes="finishes"
      @laid="taken = [$event]"
    />
    <CureDialog v-model="curing" :pair="cured" />
  </div>
</template>

<style src="./palette-page.css"></style>

<script setup lang="ts">
import PageParts from '../parts/PageParts.vue'
import PutOff from '../calendar/PutOff.vue'
import StepRemarks from '../remarks/StepRemarks.vue'
import AccountCloses from './AccountCloses.vue'
import EditPass from './EditPass.vue'
import EverythingSheet from './EverythingSheet.vue'
import NeedTicks from './NeedTicks.vue'
import RemindersLater from './RemindersLater.vue'
import RevealWays from './RevealWays.vue'
import ViewPairs from './ViewPairs.vue'

/** The end of the job: before and after, spot by spot, what was promised, everything on a sheet, the account, and what comes later. */
const parts = [
  ['views', 'Before and after'],
  ['pass', 'Spot by spot'],
  ['needs', 'What was promised'],
  ['everything', 'Everything'],
  ['account', 'The account'],
  ['later', 'Later'],
] as const
</script>

<template>
  <div class="reveal">
    <div class="page-head">
      <h1>Reveal</h1>
      <PageParts :parts="parts" label="Parts of the reveal" />
      <span class="page-acts"><RevealWays /></span>
    </div>
    <StepRemarks step="reveal" />
    <ViewPairs />
    <EditPass />
    <NeedTicks />
    <EverythingSheet />
    <AccountCloses />
    <RemindersLater />
    <PutOff />
  </div>
</template>

<style src="./reveal-page.css"></style>

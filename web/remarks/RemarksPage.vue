<script setup lang="ts">
import { computed } from 'vue'
import { steps } from '#core/steps/index.ts'
import { useMakeover } from '../stores/makeover.ts'
import RemarkMark from '../parts/RemarkMark.vue'
import RemarkList from './RemarkList.vue'

const makeover = useMakeover()
const all = computed(() => makeover.reckoning?.remarks ?? [])
const open = computed(() => all.value.filter((remark) => remark.accepted === null))
const accepted = computed(() => all.value.filter((remark) => remark.accepted !== null))
const groups = computed(() => [
  ...(open.value.some((remark) => remark.weight === 'stop')
    ? [{ title: 'Stops', remarks: open.value.filter((remark) => remark.weight === 'stop'), to: null }]
    : []),
  ...steps
    .map((step) => ({
      title: step.title,
      to: step.name,
      remarks: open.value.filter((remark) => remark.step === step.name && remark.weight !== 'stop'),
    }))
    .filter((group) => group.remarks.length > 0),
])
</script>

<template>
  <div>
    <div class="page-head">
      <h1>Remarks</h1>
      <span class="quiet">What a good practitioner would raise. Cure it, or accept it with a reason.</span>
    </div>
    <p v-if="all.length === 0" class="opening">Nothing to remark.</p>
    <section v-for="group in groups" :key="group.title" class="remark-group" :aria-label="group.title">
      <h2>
        <router-link v-if="group.to" :to="{ name: group.to, params: { id: $route.params.id } }">{{
          group.title
        }}</router-link>
        <template v-else>{{ group.title }}</template>
      </h2>
      <RemarkList :remarks="group.remarks" />
    </section>
    <section v-if="accepted.length > 0" class="remark-group" aria-label="Accepted">
      <h2>Accepted</h2>
      <RemarkList :remarks="accepted" />
    </section>
    <Teleport defer to="#tag">
      <section class="tag">
        <span class="hole" aria-hidden="true" />
        <h2>How they weigh</h2>
        <dl class="weights">
          <div>
            <dt><RemarkMark weight="stop" /> Stop</dt>
            <dd>cannot be done, is unsafe, or breaks what was signed</dd>
          </div>
          <div>
            <dt><RemarkMark weight="look" /> Look</dt>
            <dd>a good practitioner would raise it</dd>
          </div>
          <div>
            <dt><RemarkMark weight="note" /> Note</dt>
            <dd>worth knowing, nothing is wrong</dd>
          </div>
        </dl>
      </section>
    </Teleport>
  </div>
</template>

<style>
.weights > div {
  display: grid;
  grid-template-columns: 64px 1fr;
  padding: 3px 0;
  font-size: 13px;
  line-height: 18px;
}
.weights dd {
  color: var(--soft);
}
.remark-group {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  margin-bottom: 14px;
}
.remark-group h2 {
  padding-top: 8px;
  border-top: 1.5px solid var(--ink);
}
.remark-group .remark-list li {
  font-size: 14px;
  line-height: 20px;
}
.remark-group .remark-list li + li {
  border-top: 1px solid var(--hairline);
}
@media (max-width: 720px) {
  .remark-group {
    grid-template-columns: 1fr;
  }
}
</style>

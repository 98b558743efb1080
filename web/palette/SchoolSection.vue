<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import { add, edit, type Operation } from '#core/makeover/change.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import { questionOf, schoolOf } from '#core/rulebook/schools.ts'
import RemarkMark from '../parts/RemarkMark.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** The schools of colour: whose checks are followed, and what another would say, before it is taken. */
const makeover = useMakeover()
const own = useRows('school')
const schools = questionOf('colours').schools
const practice = computed(() => makeover.reckoning?.practice)
const followed = computed(() => practice.value?.schools.colours ?? '')
const chosen = computed(() => practice.value?.chosen.includes('colours') ?? false)
const looked = ref('')
const shown = shallowRef<Preview | null>(null)
const problem = ref('')
function operations(school: string): Operation[] {
  const row = own.value.find((school) => school.question === 'colours')
  return [row ? edit('school', row, { school }) : add('school', uuidv7(), { question: 'colours', school })]
}
async function look(school: string): Promise<void> {
  looked.value = looked.value === school ? '' : school
  shown.value = null
  if (looked.value === '') return
  const found = await makeover.preview(operations(school))
  if (looked.value === school) shown.value = found
}
async function take(school: string): Promise<void> {
  const faults = await makeover.change(
    `Follows “${schoolOf('colours', school).name}” for the palette`,
    operations(school),
  )
  problem.value = faults.map((fault) => fault.message).join('; ')
  if (faults.length === 0) looked.value = ''
}
const name = (role: string): string => role.replace(/^./, (letter) => letter.toUpperCase())
const targets = computed(() => {
  const after = shown.value?.after.palette.balance
  return after?.held
    ? after.roles.map((role) => `${name(role.role)} ${role.share.toFixed(0)} of ${role.target}`).join(', ')
    : 'Shares are not held against targets.'
})
</script>

<template>
  <section class="schools" aria-labelledby="schools-title">
    <div class="section-head">
      <h2 id="schools-title">
        School:
        {{ chosen ? schoolOf('colours', followed).name.toLowerCase() : 'none chosen yet, so colours are not counted' }}
      </h2>
      <span class="quiet">good practitioners differ: the checks follow the one you choose</span>
    </div>
    <ul>
      <li v-for="school in schools" :key="school.id" :class="{ here: chosen && school.id === followed }">
        <span class="dot" aria-hidden="true" />
        <p>
          <strong>{{ school.name }}</strong> <span class="quiet">{{ school.then }}</span>
        </p>
        <span v-if="chosen && school.id === followed" class="quiet">followed</span>
        <button
          v-else
          type="button"
          class="word"
          :aria-expanded="looked === school.id"
          :aria-label="`What “${school.name}” would change`"
          @click="look(school.id)"
        >
          What would change
        </button>
        <div v-if="looked === school.id" class="would" aria-live="polite">
          <template v-if="shown">
            <p>{{ targets }}</p>
            <p v-for="remark in shown.newRemarks" :key="remark.key">
              <RemarkMark :weight="remark.weight" /> It would say: {{ remark.title }}
            </p>
            <p v-for="remark in shown.curedRemarks" :key="remark.key" class="quiet">
              No longer said: <s>{{ remark.title }}</s>
            </p>
            <p v-if="shown.newRemarks.length === 0 && shown.curedRemarks.length === 0" class="quiet">
              It would say nothing new, and leave nothing unsaid.
            </p>
            <el-button type="primary" @click="take(school.id)">Follow it</el-button>
          </template>
          <p v-else class="quiet">Reckoning …</p>
        </div>
      </li>
    </ul>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
  </section>
</template>

<style>
.schools {
  margin: 26px 14px 0;
}
.schools li {
  display: grid;
  grid-template-columns: 14px minmax(0, 1fr) auto;
  gap: 2px 12px;
  padding: 7px 0;
  border-top: 1px solid var(--hairline);
  font-size: 13px;
  line-height: 18px;
  align-items: baseline;
}
.schools li .quiet {
  font-size: 13px;
}
.schools .word {
  font-size: 13px;
}
.schools .dot {
  width: 10px;
  height: 10px;
  border: 1.5px solid var(--ink);
  border-radius: 50%;
  align-self: start;
  margin-top: 4px;
}
.schools .here .dot {
  background: var(--ink);
}
.schools .would {
  grid-column: 2 / -1;
  border-left: 3px solid var(--ink);
  padding: 4px 0 4px 12px;
  margin: 4px 0;
  display: grid;
  gap: 4px;
  justify-items: start;
}
@media (max-width: 720px) {
  .schools {
    margin: 22px 4px 0;
  }
  .schools li {
    grid-template-columns: 14px minmax(0, 1fr);
  }
  .schools li > :nth-child(3) {
    grid-column: 2;
    justify-self: start;
  }
}
</style>

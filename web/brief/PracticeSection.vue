<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { add, edit, remove, type Operation } from '#core/makeover/change.ts'
import { studioRows } from '#core/makeover/document.ts'
import { questions, schoolOf, type QuestionId } from '#core/rulebook/schools.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import RulesDialog from './RulesDialog.vue'

/** Whose practice the checks follow: chosen here, or by the studio for all its makeovers. */
const makeover = useMakeover()
const own = useRows('school')
const studio = computed(() => (makeover.opened ? studioRows(makeover.opened.studio, 'studioSchool') : []))
const schools = computed(() => makeover.reckoning?.practice.schools ?? null)
const all = ref(false)
const rulesOpen = ref(false)
const problem = ref('')
const chosenBy = (id: QuestionId): string =>
  own.value.some((row) => row.question === id)
    ? 'chosen here'
    : studio.value.some((row) => row.question === id)
      ? 'the studio’s'
      : 'not chosen'
const shown = computed(() => questions.filter((question) => all.value || chosenBy(question.id) !== 'not chosen'))

async function choose(question: QuestionId, school: string): Promise<void> {
  const row = own.value.find((school) => school.question === question)
  const name = schoolOf(question, school).name
  const operation: Operation = row ? edit('school', row, { school }) : add('school', uuidv7(), { question, school })
  await make(`Follows “${name}”`, [operation])
}
async function forAll(question: QuestionId): Promise<void> {
  const school = schools.value?.[question]
  if (!school) return
  const row = studio.value.find((studioSchool) => studioSchool.question === question)
  const mine = own.value.find((school) => school.question === question)
  await make(`The studio follows “${schoolOf(question, school).name}”`, [
    row ? edit('studioSchool', row, { school }) : add('studioSchool', uuidv7(), { question, school }),
    ...(mine ? [remove('school', mine)] : []),
  ])
}
async function make(sentence: string, operations: readonly Operation[]): Promise<void> {
  const faults = await makeover.change(sentence, operations)
  problem.value = faults.map((fault) => fault.message).join('; ')
}
</script>

<template>
  <section v-if="schools" aria-labelledby="practice-title">
    <div class="section-head">
      <h2 id="practice-title">Whose practice is followed</h2>
      <span class="ends"
        ><button type="button" class="word" @click="all = !all">
          {{ all ? 'Only what was chosen' : `All ${questions.length} questions` }}</button
        ><button type="button" class="word" @click="rulesOpen = true">The numbers behind it</button></span
      >
    </div>
    <p v-if="shown.length === 0" class="quiet">
      Good practitioners disagree. Nothing is chosen yet: each question follows its first school, and colours are not
      counted by any.
    </p>
    <table v-cards v-else class="practice">
      <thead>
        <tr>
          <th>Question</th>
          <th>School</th>
          <th>What the checks then do</th>
          <th>By</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="question in shown" :key="question.id">
          <td>{{ question.asks }}</td>
          <td class="school">
            <el-select
              :model-value="schools[question.id]"
              :aria-label="question.asks"
              size="small"
              @update:model-value="choose(question.id, $event)"
            >
              <el-option v-for="school in question.schools" :key="school.id" :value="school.id" :label="school.name" />
            </el-select>
          </td>
          <td class="quiet">{{ schoolOf(question.id, schools[question.id]).then }}</td>
          <td class="keep">
            {{ chosenBy(question.id) }}
            <button
              v-if="chosenBy(question.id) === 'chosen here'"
              type="button"
              class="word"
              :aria-label="`For all the studio’s makeovers: ${question.asks}`"
              @click="forAll(question.id)"
            >
              for all
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <RulesDialog v-model="rulesOpen" />
  </section>
</template>

<style>
.practice .school {
  width: 230px;
}
.practice td {
  vertical-align: middle;
}
.section-head .ends {
  display: flex;
  gap: 16px;
}
</style>

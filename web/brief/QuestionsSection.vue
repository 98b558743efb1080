<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { questionForm } from './answer-forms.ts'
import { useSetting } from '../stores/setting.ts'

/** What was asked of the clients, and what they said. */
const makeover = useMakeover()
const setting = useSetting()
const questions = useRows('question')
const sorted = computed(() =>
  questions.value.toSorted((left, right) => Number(left.answer !== 'waiting') - Number(right.answer !== 'waiting')),
)
const who = (id: string | null): string => (id ? (makeover.opened?.makeover.rows.client[id]?.name ?? '') : '')
const piece = (id: string | null) => (id ? makeover.opened?.makeover.rows.piece[id] : undefined)
const edited = ref<Row<'question'> | null>(null)
const open = ref(false)
const form = computed(() => (setting.value ? questionForm(setting.value) : null))
function openForm(row: Row<'question'> | null): void {
  edited.value = row
  open.value = true
}
</script>

<template>
  <section aria-labelledby="questions-title">
    <div class="section-head">
      <h2 id="questions-title">Asked of them</h2>
      <button type="button" class="word" @click="openForm(null)">Ask them</button>
    </div>
    <p v-if="questions.length === 0" class="quiet">
      Nothing is waiting for an answer. What waits on them stands on the day page until they say.
    </p>
    <table v-cards v-else>
      <thead>
        <tr>
          <th>Question</th>
          <th>Asked</th>
          <th>Needed by</th>
          <th>Answer</th>
          <th><span class="visually-hidden">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in sorted" :key="row.id">
          <td>
            <strong>{{ row.ask }}</strong><span v-if="piece(row.pieceId)" class="place"
              ><router-link :to="{ name: 'piece', params: { id: $route.params.id, pieceId: row.pieceId! } }">{{
                piece(row.pieceId)?.name
              }}</router-link></span
            >
          </td>
          <td class="keep">{{ writeDate(row.askedOn) }}</td>
          <td class="keep">{{ row.neededBy ? writeDate(row.neededBy) : '–' }}</td>
          <td>
            <span class="covered" :class="{ yes: row.answer !== 'waiting' }" aria-hidden="true" />{{ row.answer
            }}<span v-if="row.answeredOn" class="quiet place"
              >{{ who(row.answeredById) }} {{ writeDate(row.answeredOn)
              }}<template v-if="row.answerNote">: “{{ row.answerNote }}”</template></span
            >
          </td>
          <td class="number">
            <button type="button" class="word" :aria-label="`Change: ${row.ask}`" @click="openForm(row)">
              {{ row.answer === 'waiting' ? 'Answer' : 'Change' }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <RowDialog v-if="form" v-model="open" :form="form" :row="edited" />
  </section>
</template>

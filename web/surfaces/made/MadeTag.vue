<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Answer } from '#core/calculators/index.ts'
import { edit } from '#core/makeover/change.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { useMakeover } from '../../stores/makeover.ts'

/** What a made thing takes, its working, and the line to buy of its cloth. */
const { making, piece, answer, isOnly } = defineProps<{
  making: Row<'making'>
  piece: Row<'piece'> | null
  answer: Answer | null
  isOnly: boolean
}>()
const emit = defineEmits<{ change: []; again: []; count: [] }>()
const route = useRoute()
const makeover = useMakeover()
const problem = ref('')
const line = computed(() => (making.clothId ? (makeover.opened?.makeover.rows.piece[making.clothId] ?? null) : null))
/** What the line would say; null where it says so already, or is counted in something else. */
const wanted = computed(() => {
  if (!line.value || !answer || line.value.unit !== answer.keeps.unit) return null
  return Math.abs(line.value.quantity - answer.keeps.quantity) > 5e-4 ? answer.keeps.quantity : null
})
async function bring(): Promise<void> {
  if (!line.value || wanted.value === null) return
  const faults = await makeover.change(`Brought up to date the line for ${making.name}, ${piece?.name ?? ''}`, [
    edit('piece', line.value, { quantity: wanted.value }),
  ])
  problem.value = faults.map(({ message }) => message).join('; ')
}
</script>

<template>
  <h2>{{ piece?.name ?? making.name }}</h2>
  <p class="quiet">{{ making.name }}{{ !isOnly && making.counts ? ' · taken' : '' }}</p>
  <hr />
  <template v-if="answer">
    <p class="headline">{{ answer.headline }}</p>
    <dl class="pairs working">
      <div v-for="told in answer.lines" :key="told.label">
        <dt>
          {{ told.label }} <span v-if="told.how" class="quiet how">{{ told.how }}</span>
        </dt>
        <dd>{{ told.amount }}</dd>
      </div>
    </dl>
    <p v-for="says in answer.says" :key="says">{{ says }}</p>
  </template>
  <p v-if="making.note" class="quiet">{{ making.note }}</p>
  <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
  <div class="tag-actions">
    <el-button v-if="wanted !== null" type="primary" @click="bring">Bring the line up to date</el-button>
    <el-button v-if="!isOnly && !making.counts" type="primary" @click="emit('count')">Take this one</el-button>
    <el-button @click="emit('change')">Change</el-button>
    <el-button @click="emit('again')">Another try</el-button>
    <router-link
      v-if="line"
      class="word"
      :to="{ name: 'piece', params: { id: String(route.params.id), pieceId: line.id } }"
      >Its line: {{ line.quantity }} {{ line.unit }}</router-link
    >
    <router-link
      v-else-if="piece"
      class="word"
      :to="{ name: 'piece', params: { id: String(route.params.id), pieceId: piece.id } }"
      >The piece</router-link
    >
  </div>
</template>

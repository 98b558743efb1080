<script setup lang="ts">
import { computed } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { pieceWorking, type PieceReckoning } from '#core/purchases/index.ts'
import FilesOf from '../files/FilesOf.vue'
import FigureButton from '../parts/FigureButton.vue'
import MoneyAmount from '../parts/MoneyAmount.vue'
import RemarkList from '../remarks/RemarkList.vue'
import { useMakeover } from '../stores/makeover.ts'
import { useWorking } from '../stores/working.ts'

/** A piece in hand: what it may cost, what is ordered of it, what holds its place. */
const { piece, reading, chosen } = defineProps<{
  piece: Row<'piece'>
  reading: PieceReckoning
  chosen: Row<'candidate'> | null
}>()
export type PieceAct = 'ask' | 'order' | 'change' | 'leave open' | 'take away'
const emit = defineEmits<{ act: [act: PieceAct] }>()
const makeover = useMakeover()
const working = useWorking()
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter((remark) => remark.subjects.some((subject) => subject.id === piece.id)),
)
</script>

<template>
  <section class="tag" aria-label="Piece">
    <span class="hole" aria-hidden="true" />
    <h2>{{ piece.name }}</h2>
    <p v-if="piece.chosenId && piece.chosenReason">{{ piece.chosenReason }}.</p>
    <p v-else-if="!piece.chosenId" class="quiet">Nothing chosen yet: it counts with its allowance.</p>
    <hr />
    <dl class="pairs">
      <div>
        <dt>Allowance</dt>
        <dd><MoneyAmount :amount="piece.allowanceMinor" :currency="makeover.currency" /></dd>
      </div>
      <div>
        <dt>Ordered</dt>
        <dd>{{ writeQuantity(reading.held, piece.unit) }}</dd>
      </div>
      <div v-if="reading.givenUp > 0">
        <dt>Back, not wanted again</dt>
        <dd>{{ writeQuantity(reading.givenUp, piece.unit) }}</dd>
      </div>
      <div>
        <dt>Still wanted</dt>
        <dd>{{ writeQuantity(reading.open, piece.unit) }}</dd>
      </div>
      <div>
        <dt>Still to buy</dt>
        <dd>
          <strong
            ><FigureButton
              :amount="reading.stillToBuy"
              figure="Still to buy"
              @click="
                makeover.opened && reading && working.showWorking(pieceWorking(makeover.opened.makeover, reading))
              "
          /></strong>
        </dd>
      </div>
    </dl>
    <dl v-if="piece.setName || chosen?.article || chosen?.batch || chosen?.colourName || chosen?.link" class="pairs">
      <div v-if="piece.setName">
        <dt>Set</dt>
        <dd>{{ piece.setName }}</dd>
      </div>
      <div v-if="chosen?.article">
        <dt>Article</dt>
        <dd>{{ chosen.article }}</dd>
      </div>
      <div v-if="chosen?.colourName">
        <dt>Colour name</dt>
        <dd>{{ chosen.colourName }}</dd>
      </div>
      <div v-if="chosen?.batch">
        <dt>Batch</dt>
        <dd>{{ chosen.batch }}</dd>
      </div>
      <div v-if="chosen?.link">
        <dt>Seen at</dt>
        <dd>{{ chosen.link }}</dd>
      </div>
    </dl>
    <FilesOf v-if="chosen" :owner="{ candidateId: chosen.id }" :name="chosen.name" pictures />
    <p class="quiet">
      <router-link :to="{ name: 'history', params: { id: $route.params.id }, query: { of: piece.id } }"
        >Its history</router-link
      >
    </p>
    <RemarkList :remarks="remarks" />
    <div class="tag-actions">
      <el-button @click="emit('act', 'ask')">Ask them<kbd aria-hidden="true">A</kbd></el-button>
      <el-button v-if="piece.chosenId && reading.open > 0" type="primary" @click="emit('act', 'order')"
        >Order<kbd aria-hidden="true">O</kbd></el-button
      >
      <el-button @click="emit('act', 'change')">Change</el-button>
      <el-button v-if="piece.chosenId && reading.ordered === 0" @click="emit('act', 'leave open')"
        >Leave open</el-button
      >
      <el-button v-if="reading.ordered === 0" @click="emit('act', 'take away')">Take away</el-button>
    </div>
  </section>
</template>

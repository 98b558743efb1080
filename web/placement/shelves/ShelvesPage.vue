<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { writeLength } from '#core/measure/length.ts'
import { saidOfShelf, type Shown } from '#core/placement/index.ts'
import { roomsOf } from '#core/survey/index.ts'
import { useKeys } from '../../frame/keys.ts'
import { vCards } from '../../parts/cards.ts'
import { arrowStep } from '../../parts/grip.ts'
import RemarkMark from '../../parts/RemarkMark.vue'
import RowDialog from '../../parts/RowDialog.vue'
import type { AnyRowForm } from '../../parts/rowform.ts'
import StepRemarks from '../../remarks/StepRemarks.vue'
import { useEntry } from '../../stores/entry.ts'
import RoomHead from '../RoomHead.vue'
import { useComposing } from './composing.ts'
import { useOnAShelf } from './on-a-shelf.ts'
import ShelfDrawing from './ShelfDrawing.vue'
import { shelvingForm, showpieceForm } from './shelf-forms.ts'

/** Things on shelves, mantels, table tops and trays: drawn to scale, judged together, put in an order that pleases more. */
const route = useRoute()
const router = useRouter()
const entry = useEntry()
const asked = (name: string) => computed(() => (typeof route.query[name] === 'string' ? route.query[name] : ''))
const on = useOnAShelf(asked('room'), asked('piece'))
const { piece, shelf, checks, bearers, selectedId, selected, problem, thought } = on
const composing = useComposing(on)
const rooms = computed(() => (on.opened.value ? roomsOf(on.opened.value, on.rules.value) : []))
const room = computed(() => rooms.value.find(({ id }) => id === on.room.value?.id) ?? null)
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const told = computed(() =>
  checks.value.map((check) => ({
    key: `${check.code} ${check.ids.join(' ')}`,
    ids: check.ids,
    weight: check.weight,
    ...saidOfShelf(check, on.rules.value, entry.value.units),
  })),
)
const found = computed(() =>
  selectedId.value === '' ? told.value : told.value.filter(({ ids }) => ids.includes(selectedId.value)),
)
/** For the hand that styles: what is of one material lies together first. */
const sorted = computed(() =>
  (shelf.value?.all ?? []).toSorted(
    (left, right) => (left.row.madeOf ?? '~').localeCompare(right.row.madeOf ?? '~') || right.high - left.high,
  ),
)

const what = ref<'thing' | 'boards'>('thing')
const isNew = ref(false)
const isOpen = ref(false)
function ask(form: 'thing' | 'boards', fresh = false): void {
  what.value = form
  isNew.value = fresh
  void nextTick(() => (isOpen.value = true))
}
const form = computed((): AnyRowForm | null => {
  if (!piece.value || !shelf.value) return null
  const last = shelf.value.boards[0]?.shown.at(-1)
  const freeAt = Math.min(shelf.value.wide, (last?.right ?? 0) + 150)
  return (what.value === 'boards'
    ? shelvingForm(entry.value, piece.value)
    : showpieceForm(entry.value, piece.value, shelf.value.boards.length, freeAt)) as unknown as AnyRowForm
})
const row = computed(() =>
  what.value === 'boards' ? on.boardsRow.value : isNew.value ? null : (on.rowOf(selectedId.value) ?? null),
)
const nameOfBoard = ({ row: { board } }: Shown): string => String(board)
useKeys([{ key: 'Escape', does: 'Let go of it', run: () => (selectedId.value = '') }])
function arrow(event: KeyboardEvent): void {
  const step = arrowStep(event)
  if (!step || selectedId.value === '') return
  event.preventDefault()
  on.nudge(step[0], Math.sign(step[1]))
}
const goTo = (pieceId: string): void => void router.replace({ query: { ...route.query, piece: pieceId } })
</script>

<template>
  <div class="placement shelves">
    <RoomHead title="On shelves" :rooms="rooms" :room="room">
      <template v-if="shelf">{{ shelf.all.length }} {{ shelf.all.length === 1 ? 'thing' : 'things' }}</template>
    </RoomHead>
    <StepRemarks step="placement" />
    <p v-if="!piece || !shelf" class="opening">
      No shelf, cupboard, table or tray is planned here yet.
      <router-link class="word" :to="{ name: 'pieces', params: route.params }">Plan one</router-link>
      first: then what stands on it is composed here.
    </p>
    <template v-else>
      <div class="show">
        <button
          v-for="known in bearers"
          :key="known.id"
          type="button"
          class="word"
          :class="{ here: known.id === piece.id }"
          :aria-pressed="known.id === piece.id"
          @click="goTo(known.id)"
        >
          {{ known.name }}<template v-if="on.countOn(known.id) > 0">, {{ on.countOn(known.id) }}</template>
        </button>
        <span class="end"
          ><button type="button" class="word" @click="ask('boards')">Its boards</button>
          <button type="button" class="word" @click="ask('thing', true)">Stand a thing on it</button></span
        >
      </div>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      <div
        role="application"
        aria-label="Things on the shelf: arrow keys move what is taken up, up and down from board to board"
        @keydown="arrow"
      >
        <ShelfDrawing
          :shelf="shelf"
          :checks="checks"
          :selected-id="selectedId"
          :units="entry.units"
          @pick="selectedId = $event"
          @move="on.move"
          @put="on.put"
        />
      </div>
      <section v-if="shelf.all.length > 1" aria-labelledby="composed">
        <div class="section-head"><h2 id="composed">Composed for you</h2></div>
        <div v-if="composing.done.value !== null" class="arranging" role="status">
          <progress :value="Math.round(100 * composing.done.value)" max="100" aria-label="How far it is" />
          <el-button @click="composing.stop">That is enough</el-button>
        </div>
        <template v-else-if="composing.found.value && thought.size > 0">
          <p role="status">
            {{
              composing.reasons.value.length > 0
                ? `So ${composing.reasons.value.join('; ')}.`
                : 'Nothing better was found: it is well as it stands.'
            }}
          </p>
          <p>
            <el-button type="primary" @click="composing.take">Stand them so</el-button>
            <el-button @click="composing.run">Try again</el-button>
            <el-button @click="composing.leave">Leave them</el-button>
          </p>
        </template>
        <p v-else><el-button @click="composing.run">Compose it</el-button></p>
      </section>
      <section v-if="shelf.all.length > 0" aria-labelledby="by-material">
        <div class="section-head">
          <h2 id="by-material">What stands there <span class="quiet">by what it is made of</span></h2>
        </div>
        <div class="scroll">
          <table v-cards class="placed">
            <thead>
              <tr>
                <th>Thing</th>
                <th>Made of</th>
                <th class="number">Wide</th>
                <th class="number">High</th>
                <th class="number">Board</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="thing in sorted" :key="thing.id">
                <td>
                  <button type="button" class="word" @click="selectedId = thing.id">{{ thing.name }}</button>
                  <span v-if="thing.row.leads" class="quiet"> looked at first</span>
                </td>
                <td class="quiet">{{ thing.row.madeOf ?? 'not said' }}</td>
                <td class="number">{{ length(thing.wide) }}</td>
                <td class="number">{{ length(thing.high) }}</td>
                <td class="number">{{ nameOfBoard(thing) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </template>
    <Teleport defer to="#tag">
      <section v-if="shelf" class="tag" aria-label="On show">
        <span class="hole" aria-hidden="true" />
        <template v-if="selected">
          <h2>{{ selected.name }}</h2>
          <dl class="pairs">
            <div>
              <dt>Size</dt>
              <dd>{{ length(selected.wide) }} × {{ length(selected.high) }}</dd>
            </div>
            <div>
              <dt>From the left end</dt>
              <dd>{{ length(Math.max(0, selected.left)) }}</dd>
            </div>
          </dl>
        </template>
        <template v-else>
          <h2>{{ piece?.name }}</h2>
          <p v-if="found.length === 0" class="quiet">
            {{ shelf.all.length === 0 ? 'Nothing stands on it yet.' : 'Nothing is held against it.' }}
          </p>
        </template>
        <hr v-if="found.length > 0" />
        <p v-for="{ key, weight, title, sentence } in found" :key="key">
          <RemarkMark :weight="weight" /> <strong>{{ title }}.</strong> {{ sentence }}
        </p>
        <div v-if="selected" class="tag-actions">
          <el-button @click="ask('thing')">Change it</el-button>
          <el-button @click="selectedId = ''">Let go of it</el-button>
        </div>
      </section>
      <p class="caution quiet">
        Tall shelves are fixed to the wall first. Nothing heavy or of glass where a child reaches; candles away from
        cloth and leaves.
      </p>
    </Teleport>
    <RowDialog
      v-if="form"
      :key="`${what} ${isNew} ${selectedId} ${piece?.id}`"
      v-model="isOpen"
      :form="form"
      :row="row"
      :width="620"
    />
  </div>
</template>

<style src="../placement-page.css"></style>
<style src="./shelves-page.css"></style>

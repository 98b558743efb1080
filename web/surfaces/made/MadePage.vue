<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answersOf, calculators, keepAnswers, type Calculator, type Values } from '#core/calculators/index.ts'
import { fromTheRoom } from '#core/calculators/from-room.ts'
import { edit } from '#core/makeover/change.ts'
import { rowsOf } from '#core/makeover/document.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import { useAsked } from '../../calculators/asked.ts'
import AskFields from '../../calculators/AskFields.vue'
import HowFar from '../../calculators/HowFar.vue'
import { useKeys } from '../../frame/keys.ts'
import RowDialog from '../../parts/RowDialog.vue'
import type { AnyRowForm } from '../../parts/rowform.ts'
import { useEntry } from '../../stores/entry.ts'
import { useMakeover } from '../../stores/makeover.ts'
import SurfaceWays from '../SurfaceWays.vue'
import FrameTries from './FrameTries.vue'
import MadeOrBought from './MadeOrBought.vue'
import MadePlan from './MadePlan.vue'
import MadeTag from './MadeTag.vue'
import { makingForm } from './making-form.ts'
import { useTries } from './tries.ts'

/** What is sewn, framed or made for a makeover: its measures, how it is cut, tries side by side, and made against bought. */
const route = useRoute()
const router = useRouter()
const makeover = useMakeover()
const entry = useEntry()
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const rooms = computed(() => (makeover.opened ? roomsOf(makeover.opened.makeover, rules.value) : []))
const pieceOf = ({ pieceId }: Row<'making'>): Row<'piece'> | undefined => makeover.opened?.makeover.rows.piece[pieceId]
const all = computed(() =>
  makeover.opened
    ? rowsOf(makeover.opened.makeover, 'making').toSorted(
        (left, right) => left.place - right.place || (left.id < right.id ? -1 : 1),
      )
    : [],
)
const openId = computed(() => (typeof route.query.open === 'string' ? route.query.open : ''))
const inHand = computed(
  () => all.value.find(({ id, pieceId }) => id === openId.value || pieceId === openId.value) ?? all.value[0] ?? null,
)
const pick = (id: string): void => void router.replace({ query: { open: id } })
/** Each piece once, by the first of its tries. */
const pieces = computed(() => {
  const first = new Map<string, Row<'making'>>()
  for (const making of all.value) if (!first.has(making.pieceId)) first.set(making.pieceId, making)
  return [...first.values()].flatMap((making) => {
    const piece = pieceOf(making)
    return piece ? [{ piece, making }] : []
  })
})
const tried = computed(() => all.value.filter(({ pieceId }) => pieceId === inHand.value?.pieceId))
const calculator = computed(
  (): Calculator => calculators.find(({ id }) => id === inHand.value?.calculator) ?? (calculators[0] as Calculator),
)
const known = computed((): Values =>
  makeover.opened && inHand.value ? answersOf(makeover.opened.makeover, calculator.value, inHand.value.id) : {},
)
const besides = computed((): Values => ({ school: makeover.reckoning?.practice.schools.framing ?? 'archival' }))
const { state, shown, answer, values, missing, share, stop } = useAsked(calculator, entry, { known, besides, rules })
const { frames, wallHex } = useTries(tried, besides, rules)

const nameInHand = computed(() => (inHand.value && pieceOf(inHand.value)?.name) ?? '')
const problem = ref('')
async function save(answers: Values, sentence: string): Promise<void> {
  const { opened } = makeover
  const making = inHand.value
  if (!opened || !making) return
  const operations = keepAnswers(opened.makeover, making.id, answers, uuidv7)
  if (operations.length === 0) return
  const faults = await makeover.change(sentence.slice(0, 300), operations)
  problem.value = faults.map(({ message }) => message).join('; ')
}
/** Saved when a field is left, or a choice is made; what cannot be read stays as it was kept. */
function keep(): void {
  if (shown.value.every(({ key }) => state.fields[key]?.error === ''))
    void save(values.value, `Measured ${nameInHand.value}`)
}
/** What was chosen otherwise than it is kept: fields that are filled anew, with another try, are as they are kept. */
const chosenAnew = computed(() =>
  shown.value.some(
    ({ as, key }) => as === 'choice' && known.value[key] !== undefined && state.fields[key]?.text !== known.value[key],
  ),
)
watch(chosenAnew, (is) => {
  if (is) void nextTick(keep)
})
const suggested = computed(() => {
  const { opened } = makeover
  const making = inHand.value
  const piece = making && pieceOf(making)
  if (!opened || !piece) return []
  const room = rooms.value.find(({ id }) => id === piece.roomId) ?? null
  return fromTheRoom(calculator.value.id, { makeover: opened.makeover, room, piece, rules: rules.value }).filter(
    ({ values: told }) => Object.entries(told).some(([key, value]) => known.value[key] !== value),
  )
})

const open = ref(false)
const asked = ref<{ readonly row: Row<'making'> | null; readonly like: Row<'making'> | null }>({
  row: null,
  like: null,
})
const form = computed((): AnyRowForm | null => {
  const { opened } = makeover
  if (!opened) return null
  const roomId =
    ((asked.value.row ?? asked.value.like)
      ? pieceOf((asked.value.row ?? asked.value.like) as Row<'making'>)?.roomId
      : undefined) ?? rooms.value[0]?.id
  if (roomId === undefined) return null
  return makingForm(opened.makeover, roomId, makeover.currency, asked.value.like) as unknown as AnyRowForm
})
function ask(row: Row<'making'> | null, like: Row<'making'> | null = null): void {
  asked.value = { row, like }
  void nextTick(() => (open.value = true))
}
/** A further try begins with what the one it is like was measured by. */
async function made(id: string): Promise<void> {
  const { opened } = makeover
  const { like } = asked.value
  pick(id)
  if (!opened || !like) return
  const answers = answersOf(opened.makeover, calculator.value, like.id)
  await makeover.change('Took over the measures of the try before', keepAnswers(opened.makeover, id, answers, uuidv7))
}
async function count(making: Row<'making'>): Promise<void> {
  const faults = await makeover.change(
    `Took ${making.name} for ${pieceOf(making)?.name ?? 'it'}`,
    tried.value
      .filter(({ id, counts }) => counts !== (id === making.id))
      .map((row) => edit('making', row, { counts: row.id === making.id })),
  )
  problem.value = faults.map(({ message }) => message).join('; ')
}
useKeys([{ key: 'n', does: 'Make something', run: () => ask(null) }])
</script>

<template>
  <div class="surfaces made">
    <div class="page-head">
      <h1>Sewn, framed, made</h1>
      <SurfaceWays />
      <span class="end"
        ><button type="button" class="word" @click="ask(null)">
          Make something<kbd aria-hidden="true">N</kbd>
        </button></span
      >
    </div>
    <p v-if="!inHand" class="opening">
      Nothing is made for it yet.
      <button type="button" class="word" @click="ask(null)">Make something</button>: cushions and covers, a frame, a
      shade, a shelf.
    </p>
    <template v-else>
      <nav class="window-list" aria-label="What is made">
        <button
          v-for="{ piece, making } in pieces"
          :key="piece.id"
          type="button"
          class="word"
          :class="{ here: piece.id === inHand.pieceId }"
          :aria-pressed="piece.id === inHand.pieceId"
          @click="pick(making.id)"
        >
          {{ piece.name }}
        </button>
      </nav>
      <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
      <p v-if="tried.length > 1 && frames.length < 2" class="layers">
        <span class="label">Tries</span>
        <button
          v-for="making in tried"
          :key="making.id"
          type="button"
          class="word"
          :class="{ here: making.id === inHand.id }"
          :aria-pressed="making.id === inHand.id"
          @click="pick(making.id)"
        >
          {{ making.name }}
        </button>
      </p>
      <FrameTries
        v-if="frames.length > 0"
        :tries="frames"
        :wall-hex="wallHex"
        :units="entry.units"
        :in-hand="inHand.id"
        @pick="pick"
      />
      <div class="plan">
        <HowFar v-if="share !== null" :share="share" @stop="stop" />
        <p v-if="!answer" class="quiet">{{ missing || 'Type the measures, and what it takes stands here.' }}</p>
        <MadePlan v-else :answer="answer" :making="inHand" :units="entry.units" :rules="rules" />
      </div>
      <form
        novalidate
        class="measures"
        :aria-label="`${calculator.title}, ${inHand.name}`"
        @submit.prevent="keep"
        @focusout="keep"
      >
        <AskFields :key="inHand.id" :shown="shown" :fields="state.fields" :units="entry.units" />
      </form>
      <ul v-if="suggested.length > 0" class="suggested" aria-label="From the room">
        <li v-for="{ why, values: told } in suggested" :key="why">
          {{ why }}
          <button type="button" class="word" @click="save(told, `Took over for ${nameInHand}: ${why}`)">
            take it over
          </button>
        </li>
      </ul>
      <MadeOrBought :key="inHand.id" :making="inHand" @change="ask(inHand)" />
    </template>
    <Teleport defer to="#tag">
      <section v-if="inHand" class="tag" aria-label="What it takes">
        <span class="hole" aria-hidden="true" />
        <MadeTag
          :making="inHand"
          :piece="pieceOf(inHand) ?? null"
          :answer="answer"
          :is-only="tried.length < 2"
          @change="ask(inHand)"
          @again="ask(null, inHand)"
          @count="count(inHand)"
        />
      </section>
      <p class="caution quiet">
        Cut cloth only when the last measure was taken twice. Glass: gloves; glue and staples: ventilate.
      </p>
    </Teleport>
    <RowDialog
      v-if="form"
      :key="`${asked.row?.id ?? ''} ${asked.like?.id ?? ''}`"
      v-model="open"
      :form="form"
      :row="asked.row"
      :width="680"
      @made="made"
    />
  </div>
</template>

<style src="../surfaces-page.css"></style>
<style src="../windows/windows-page.css"></style>
<style src="./made-page.css"></style>

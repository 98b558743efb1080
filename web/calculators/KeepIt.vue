<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { ref } from 'vue'
import { keepAnswers, type Answer, type Calculator, type Values } from '#core/calculators/index.ts'
import { blank } from '#core/makeover/blank.ts'
import { add } from '#core/makeover/change.ts'
import { rowsOf, type Makeover } from '#core/makeover/document.ts'
import { zero } from '#core/money/minor.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'

/** What was reckoned, kept as a piece of a makeover: its room is tapped, and it is there. */
const { keeps, calculator, values } = defineProps<{ keeps: Answer['keeps']; calculator: Calculator; values: Values }>()
const makeover = useMakeover()
type Line = { readonly id: string; readonly name: string; readonly rooms: readonly string[] }
const places = ref<readonly Line[] | null>(null)
const problem = ref('')
const kept = ref<{ readonly id: string; readonly where: string; readonly pieceId: string } | null>(null)
async function ask(): Promise<void> {
  problem.value = ''
  kept.value = null
  try {
    places.value = (await request<{ makeovers: readonly Line[] }>('GET', '/day')).makeovers
    if (places.value.length === 0) problem.value = 'There is no makeover yet to keep it in.'
  } catch (error) {
    if (!(error instanceof NoAnswer || error instanceof Refused)) throw error
    problem.value = 'No answer from the server: the makeovers are not known just now.'
  }
}
/** Where such things are counted already; else the first category of the budget. */
function categoryOf(document: Makeover): string | null {
  const alike = rowsOf(document, 'piece').find(({ thing, categoryId }) => thing === keeps.thing && categoryId !== null)
  const first = rowsOf(document, 'category').toSorted((left, right) => left.place - right.place)[0]
  return alike?.categoryId ?? first?.id ?? null
}
async function keep(line: Line, roomName: string): Promise<void> {
  problem.value = ''
  try {
    await makeover.open(line.id)
  } catch (error) {
    if (!(error instanceof NoAnswer || error instanceof Refused)) throw error
    problem.value = `${line.name} cannot be opened just now: it was not opened in this browser before.`
    return
  }
  const document = makeover.opened?.makeover
  const room = document && rowsOf(document, 'room').find(({ name }) => name === roomName)
  const categoryId = document ? categoryOf(document) : null
  if (!room || categoryId === null) {
    problem.value = `${line.name} has no budget yet to count it in: draft one in its brief first.`
    return
  }
  const [pieceId, makingId] = [uuidv7(), uuidv7()]
  const faults = await makeover.change(`Reckoned ${keeps.name}: ${keeps.quantity} ${keeps.unit}`, [
    add('piece', pieceId, {
      ...blank.piece,
      zoneId: null,
      chosenId: null,
      chosenReason: '',
      allowanceMinor: zero,
      roomId: room.id,
      categoryId,
      ...keeps,
    }),
    // a cloth that was reckoned is its own line to buy
    add('making', makingId, {
      ...blank.making,
      pieceId,
      name: calculator.title,
      calculator: calculator.id,
      clothId: keeps.thing === 'material' ? pieceId : null,
    }),
    ...keepAnswers(document, makingId, values, uuidv7),
  ])
  problem.value = faults.map(({ message }) => message).join('; ')
  if (faults.length > 0) return
  kept.value = { id: line.id, where: `${roomName}, ${line.name}`, pieceId }
  places.value = null
}
</script>

<template>
  <div class="keep">
    <el-button v-if="places === null" @click="ask">Keep it in a makeover</el-button>
    <template v-else>
      <p class="label">In which room</p>
      <ul>
        <template v-for="line in places" :key="line.id">
          <li v-for="room in line.rooms" :key="room">
            <el-button @click="keep(line, room)"
              >{{ room }}<span class="quiet">, {{ line.name }}</span></el-button
            >
          </li>
        </template>
      </ul>
      <button type="button" class="word" @click="places = null">Leave no trace</button>
    </template>
    <p v-if="kept" role="status">
      Kept in {{ kept.where }}.
      <router-link :to="{ name: 'made-things', params: { id: kept.id }, query: { open: kept.pieceId } }"
        >Open it</router-link
      >
    </p>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
  </div>
</template>

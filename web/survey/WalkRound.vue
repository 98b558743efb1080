<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { v7 as uuidv7 } from 'uuid'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, type Operation } from '#core/makeover/change.ts'
import { corners as cornerKinds } from '#core/makeover/choices.ts'
import { readNumber } from '#core/measure/decimal.ts'
import { readLength, writeLength } from '#core/measure/length.ts'
import { letterOf, type LengthReading, type Room, type Subject } from '#core/survey/index.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { Draft } from './draft.ts'
import { asTyped, readWallEntry } from './entry-line.ts'
import { cornerWords } from './forms.ts'
import LengthCell from './LengthCell.vue'

/** The walls in the order they are walked, typed one after the other; beside each what closing the room made of it. */
const { room, selected = null } = defineProps<{ room: Room; selected?: Subject | null }>()
const emit = defineEmits<{
  draft: [draft: Draft]
  select: [subject: Subject | null]
  change: [wallId: string]
  shape: [wallId: string]
  diagonal: [id: string | null]
}>()
const makeover = useMakeover()
const entry = useEntry()
const problem = ref('')
const next = ref('')
const nextError = ref('')
const nextField = useTemplateRef<HTMLInputElement>('nextField')
const closed = computed(() => room.closing.state === 'closed')
const reading = (id: string): LengthReading | undefined => (closed.value ? byId(room.closing.lengths, id) : undefined)
const again = computed(() => new Set(room.closing.again?.set ?? []))
const read = (text: string) => readWallEntry(text, entry.value.unit)
const readOne = (text: string) => readLength(text, entry.value.unit)
const echoOf = (text: string): string => {
  const found = read(text)
  return found.ok
    ? `${writeLength(found.value.lengthMm, entry.value.units)}${found.value.corner ? `, ${cornerWord(found.value.corner)}` : ''}`
    : ''
}
const cornerWord = ({ corner, cornerDeg }: { corner: string; cornerDeg: number | null }): string =>
  corner === 'angle'
    ? `${cornerDeg ?? '?'}°`
    : (cornerWords.find((cornerWord) => cornerWord.value === corner)?.label ?? corner)
const row = (id: string) => makeover.opened?.makeover.rows.wall[id]

async function put(sentence: string, operations: readonly Operation[]): Promise<boolean> {
  const faults = await makeover.change(sentence, operations)
  problem.value = faults.map((fault) => fault.message).join('; ')
  return faults.length === 0
}
async function saveLength(id: string, at: number, text: string): Promise<void> {
  const [found, wall] = [read(text), row(id)]
  if (!found.ok || !wall) return
  await put(`Wall ${letterOf(at)} is ${writeLength(found.value.lengthMm, entry.value.units)}`, [
    edit('wall', wall, { lengthMm: found.value.lengthMm, ...found.value.corner }),
  ])
  emit('draft', null)
}
const draftLength = (id: string, text: string | null): void => {
  const found = text === null ? null : read(text)
  emit(
    'draft',
    found?.ok ? { kind: 'wall', id, fields: { lengthMm: found.value.lengthMm, ...found.value.corner } } : null,
  )
}
async function saveCorner(id: string, at: number, corner: string): Promise<void> {
  const [wall, kind] = [row(id), cornerKinds.find((cornerKind) => cornerKind === corner)]
  if (!wall || !kind) return
  await put(
    `The corner at the end of wall ${letterOf(at)} is ${cornerWords.find((cornerWord) => cornerWord.value === kind)?.label ?? ''}`,
    [edit('wall', wall, { corner: kind, cornerDeg: kind === 'angle' ? (wall.cornerDeg ?? 135) : null })],
  )
}
async function saveAngle(id: string, at: number, text: string): Promise<void> {
  const [wall, found] = [row(id), readNumber(text.replace('°', ''), { decimals: 2, least: 1, most: 359 })]
  problem.value = found.ok ? '' : `Corner ${at + 2}: ${found.error}`
  if (wall && found.ok && found.value !== wall.cornerDeg)
    await put(`The corner at the end of wall ${letterOf(at)} has ${found.value}°`, [
      edit('wall', wall, { cornerDeg: found.value }),
    ])
}
async function addWall(): Promise<void> {
  if (next.value.trim() === '') return
  const found = read(next.value)
  nextError.value = found.ok ? '' : found.error
  if (!found.ok) return
  const last = room.walls.at(-1)?.row.place ?? 0
  const survey: Operation[] = room.survey ? [] : [add('survey', uuidv7(), { ...blank.survey, roomId: room.id })]
  if (
    await put(`Wall ${letterOf(room.walls.length)} is ${writeLength(found.value.lengthMm, entry.value.units)}`, [
      ...survey,
      add('wall', uuidv7(), {
        ...blank.wall,
        roomId: room.id,
        place: last + 1,
        lengthMm: found.value.lengthMm,
        ...found.value.corner,
      }),
    ])
  ) {
    next.value = ''
    await nextTick()
    nextField.value?.focus()
  }
}
const diagonalRow = (id: string) => makeover.opened?.makeover.rows.diagonal[id]
async function saveCheck(id: string, name: string, text: string): Promise<void> {
  const [found, check] = [readOne(text), diagonalRow(id)]
  if (!found.ok || !check) return
  await put(`${name} is ${writeLength(found.value, entry.value.units)}`, [
    edit('diagonal', check, { lengthMm: found.value }),
  ])
  emit('draft', null)
}
const length = (mm: number): string => writeLength(Math.round(mm * 10) / 10, entry.value.units)
const moved = (mm: number): string => (Math.abs(mm) < 0.05 ? '0.0' : `${mm < 0 ? '−' : '+'}${Math.abs(mm).toFixed(1)}`)
const standing = (lengthReading: LengthReading | undefined): string =>
  !lengthReading || lengthReading.measuredMm === null
    ? ''
    : lengthReading.standardised === null
      ? 'unchecked'
      : lengthReading.standardised.toFixed(1)
defineExpose({ focus: () => nextField.value?.focus() })
</script>

<template>
  <section class="walk" aria-labelledby="walk-title">
    <div class="section-head">
      <h2 id="walk-title">Walk round</h2>
      <span class="quiet"
        >clockwise, the wall to your left; a bare number is in {{ entry.unit === 'in' ? 'inches' : entry.unit }}; a
        corner is square and drawn in unless you say: <i>380 out</i>, <i>890 128°</i>, <i>2400 ?</i></span
      >
    </div>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th>Wall</th>
            <th class="number">Measured</th>
            <th>Corner at its end</th>
            <th class="number">Adjusted</th>
            <th class="number">Moved, mm</th>
            <th class="number">Doubt, σ</th>
            <th><span class="visually-hidden">More</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="wall in room.walls"
            :key="wall.row.id"
            :class="{ chosen: selected?.id === wall.row.id }"
            @focusin="emit('select', { kind: 'wall', id: wall.row.id })"
          >
            <td>
              <strong>{{ letterOf(wall.at) }}</strong>{{ ' ' }}
              <span class="quiet"
                >{{ wall.row.name }}<template v-if="wall.arc"> an arc, rise {{ length(wall.arc.rise) }}</template></span
              ><span v-if="again.has(wall.row.id)" class="inverted again">measure again</span>
            </td>
            <td class="number">
              <LengthCell
                :shown="asTyped(row(wall.row.id)?.lengthMm ?? null, entry)"
                :label="`Length of wall ${letterOf(wall.at)}`"
                placeholder="not measured"
                :read="read"
                :echo="echoOf"
                @draft="draftLength(wall.row.id, $event)"
                @save="saveLength(wall.row.id, wall.at, $event)"
              />
            </td>
            <td class="corner">
              <select
                :value="wall.row.corner"
                :aria-label="`Corner at the end of wall ${letterOf(wall.at)}`"
                @change="saveCorner(wall.row.id, wall.at, ($event.target as HTMLSelectElement).value)"
              >
                <option v-for="word in cornerWords" :key="word.value" :value="word.value">{{ word.label }}</option>
              </select>
              <input
                v-if="wall.row.corner === 'angle'"
                :value="wall.row.cornerDeg"
                :aria-label="`Angle at the end of wall ${letterOf(wall.at)}, degrees`"
                @change="saveAngle(wall.row.id, wall.at, ($event.target as HTMLInputElement).value)"
                @keydown.enter.prevent="($event.target as HTMLInputElement).blur()"
              />
            </td>
            <td class="number">{{ reading(wall.row.id) ? length(reading(wall.row.id)?.adjustedMm ?? 0) : '' }}</td>
            <td class="number">
              {{ reading(wall.row.id)?.measuredMm != null ? moved(reading(wall.row.id)?.residualMm ?? 0) : '' }}
            </td>
            <td class="number">{{ standing(reading(wall.row.id)) }}</td>
            <td class="number keep">
              <button
                type="button"
                class="word"
                :aria-label="`Shape wall ${letterOf(wall.at)}: a bump, recess, bay or slant`"
                @click="emit('shape', wall.row.id)"
              >
                Shape</button
              >&ensp;<button
                type="button"
                class="word"
                :aria-label="`Change wall ${letterOf(wall.at)}`"
                @click="emit('change', wall.row.id)"
              >
                More
              </button>
            </td>
          </tr>
          <tr class="next">
            <td>
              <strong>{{ letterOf(room.walls.length) }}</strong> <span class="quiet">next wall</span>
            </td>
            <td class="number">
              <span class="length-cell"
                ><input
                  ref="nextField"
                  v-model="next"
                  aria-label="Length of the next wall"
                  :aria-invalid="nextError !== ''"
                  :placeholder="room.walls.length === 0 ? 'begin here' : ''"
                  autocomplete="off"
                  spellcheck="false"
                  @input="nextError = ''"
                  @keydown.enter.prevent="addWall"
                /><span v-if="nextError" class="error" role="alert">{{ nextError }}</span
                ><span v-else-if="echoOf(next)" class="quiet echo">{{ echoOf(next) }}</span></span
              >
            </td>
            <td colspan="5">
              <button type="button" class="word" @click="addWall">Add it</button
              ><span class="quiet">&ensp;or press Enter, and type the next</span>
            </td>
          </tr>
        </tbody>
        <tbody v-if="room.walls.length > 2" class="checks">
          <tr
            v-for="check in room.checks"
            :key="check.id"
            :class="{ chosen: selected?.id === check.id }"
            @focusin="emit('select', { kind: 'diagonal', id: check.id })"
          >
            <td>
              <strong>{{ check.from + 1 }}–{{ check.to + 1 }}</strong> <span class="quiet">corner to corner</span
              ><span v-if="again.has(check.id)" class="inverted again">measure again</span>
            </td>
            <td class="number">
              <LengthCell
                :shown="asTyped(diagonalRow(check.id)?.lengthMm ?? null, entry)"
                :label="`From corner ${check.from + 1} to corner ${check.to + 1}`"
                :read="readOne"
                :echo="echoOf"
                @draft="
                  emit(
                    'draft',
                    $event === null
                      ? null
                      : {
                          kind: 'diagonal',
                          id: check.id,
                          fields: { lengthMm: (readOne($event) as { value: number }).value },
                        },
                  )
                "
                @save="saveCheck(check.id, `From corner ${check.from + 1} to ${check.to + 1}`, $event)"
              />
            </td>
            <td />
            <td class="number">{{ reading(check.id) ? length(reading(check.id)?.adjustedMm ?? 0) : '' }}</td>
            <td class="number">{{ reading(check.id) ? moved(reading(check.id)?.residualMm ?? 0) : '' }}</td>
            <td class="number">{{ standing(reading(check.id)) }}</td>
            <td class="number">
              <button
                type="button"
                class="word"
                :aria-label="`Change the measure from corner ${check.from + 1} to corner ${check.to + 1}`"
                @click="emit('diagonal', check.id)"
              >
                More
              </button>
            </td>
          </tr>
          <tr>
            <td colspan="7">
              <button type="button" class="word" @click="emit('diagonal', null)">
                Add a diagonal, or any corner to corner
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style src="./walk-round.css"></style>

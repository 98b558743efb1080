<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { useLocalStorage } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { writeLength } from '#core/measure/length.ts'
import { letterOf, type LengthReading, type Room, type Subject } from '#core/survey/index.ts'
import FilterChoice from '../parts/FilterChoice.vue'
import { useEntry } from '../stores/entry.ts'
import type { Draft } from './draft.ts'
import { asTyped } from './entry-line.ts'
import { cornerWords } from './forms.ts'
import LengthCell from './LengthCell.vue'
import { useWalk } from './walk.ts'

/** The walls in the order they are walked, typed one after the other; beside each what closing the room made of it. */
const { room, selected = null } = defineProps<{ room: Room; selected?: Subject | null }>()
const emit = defineEmits<{
  draft: [draft: Draft]
  select: [subject: Subject | null]
  change: [wallId: string]
  shape: [wallId: string]
  diagonal: [id: string | null]
}>()
const entry = useEntry()
/** What closing the room made of each length: shown when it is asked for. */
const figures = useLocalStorage('bonitas.walk.figures', false)
const next = ref('')
const nextError = ref('')
const nextField = useTemplateRef<HTMLInputElement>('nextField')
const closed = computed(() => room.closing.state === 'closed')
const reading = (id: string): LengthReading | undefined => (closed.value ? byId(room.closing.lengths, id) : undefined)
const again = computed(() => new Set(room.closing.again?.set ?? []))
const { problem, read, readCheck, echoOf, row, diagonalRow, saveLength, saveCorner, saveAngle, saveCheck, addLast } =
  useWalk(() => room)
const draftLength = (id: string, text: string | null): void => {
  const found = text === null ? null : read(text)
  emit(
    'draft',
    found?.ok ? { kind: 'wall', id, fields: { lengthMm: found.value.lengthMm, ...found.value.corner } } : null,
  )
}
/** What is typed stands in until it is kept. */
async function save(saving: Promise<boolean>): Promise<void> {
  if (await saving) emit('draft', null)
}
async function addWall(): Promise<void> {
  if (next.value.trim() === '') return
  const found = read(next.value)
  nextError.value = found.ok ? '' : found.error
  if (!found.ok || !(await addLast(found.value))) return
  next.value = ''
  await nextTick()
  nextField.value?.focus()
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
      <button type="button" class="word" :aria-pressed="figures" @click="figures = !figures">
        {{ figures ? 'Only what was measured' : 'What closing made of it' }}
      </button>
    </div>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th>Wall</th>
            <th class="number">Measured</th>
            <th>Corner at its end</th>
            <template v-if="figures"
              ><th class="number">Adjusted</th>
              <th class="number">Moved, mm</th>
              <th class="number">Doubt, σ</th></template
            >
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
                @save="save(saveLength(wall.row.id, wall.at, $event))"
              />
            </td>
            <td class="corner">
              <FilterChoice
                :model-value="wall.row.corner"
                :label="`Corner at the end of wall ${letterOf(wall.at)}`"
                :options="cornerWords"
                @update:model-value="saveCorner(wall.row.id, wall.at, $event)"
              />
              <input
                v-if="wall.row.corner === 'angle'"
                :value="wall.row.cornerDeg"
                :aria-label="`Angle at the end of wall ${letterOf(wall.at)}, degrees`"
                @change="saveAngle(wall.row.id, wall.at, ($event.target as HTMLInputElement).value)"
                @keydown.enter.prevent="($event.target as HTMLInputElement).blur()"
              />
            </td>
            <template v-if="figures">
              <td class="number">{{ reading(wall.row.id) ? length(reading(wall.row.id)?.adjustedMm ?? 0) : '' }}</td>
              <td class="number">
                {{ reading(wall.row.id)?.measuredMm != null ? moved(reading(wall.row.id)?.residualMm ?? 0) : '' }}
              </td>
              <td class="number">{{ standing(reading(wall.row.id)) }}</td>
            </template>
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
            <td :colspan="figures ? 5 : 2">
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
                :read="readCheck"
                :echo="echoOf"
                @draft="
                  emit(
                    'draft',
                    $event === null
                      ? null
                      : {
                          kind: 'diagonal',
                          id: check.id,
                          fields: { lengthMm: (readCheck($event) as { value: number }).value },
                        },
                  )
                "
                @save="save(saveCheck(check.id, `From corner ${check.from + 1} to ${check.to + 1}`, $event))"
              />
            </td>
            <td />
            <template v-if="figures">
              <td class="number">{{ reading(check.id) ? length(reading(check.id)?.adjustedMm ?? 0) : '' }}</td>
              <td class="number">{{ reading(check.id) ? moved(reading(check.id)?.residualMm ?? 0) : '' }}</td>
              <td class="number">{{ standing(reading(check.id)) }}</td>
            </template>
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
            <td :colspan="figures ? 7 : 4">
              <button type="button" class="word" @click="emit('diagonal', null)">
                Add a diagonal, or any corner to corner<kbd aria-hidden="true">D</kbd>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style src="./walk-round.css"></style>

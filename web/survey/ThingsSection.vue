<script setup lang="ts">
import { computed } from 'vue'
import { writeLength } from '#core/measure/length.ts'
import { splitSeveral } from '#core/makeover/choices.ts'
import { inWords } from '#core/measure/quantity.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { letterOf, testedCorner, type Room, type Subject } from '#core/survey/index.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** What is in the walls and on them, by wall: doors, windows, sockets, radiators, and where the ceiling comes down. */
const { room, selected = null } = defineProps<{ room: Room; selected?: Subject | null }>()
const emit = defineEmits<{
  open: [
    what: 'opening' | 'fixture' | 'slope' | 'zone' | 'survey' | 'squareTest' | 'clearWidth' | 'room',
    id: string | null,
  ]
  select: [subject: Subject]
}>()
const makeover = useMakeover()
const entry = useEntry()
const length = (mm: number): string => writeLength(Math.round(mm * 10) / 10, entry.value.units)
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const uses = computed(() => splitSeveral(makeover.opened?.makeover.rows.room[room.id]?.uses ?? ''))
const allTests = useRows('squareTest')
const allWidths = useRows('clearWidth')
const wallAt = (wallId: string): number => room.walls.findIndex(({ row }) => row.id === wallId)
const tests = computed(() =>
  allTests.value
    .filter(({ wallId }) => wallAt(wallId) >= 0)
    .map((row) => {
      const tested = testedCorner(row, rules.value)
      return {
        row,
        corner: ((wallAt(row.wallId) + 1) % room.walls.length) + 1,
        said:
          tested === null
            ? 'no triangle'
            : tested.short
              ? 'legs too short to tell'
              : `${tested.deg.toFixed(1)}°, give or take ${Math.max(0.1, tested.sigmaDeg).toFixed(1)}°`,
      }
    }),
)
const widths = computed(() =>
  allWidths.value
    .filter(({ wallId }) => wallAt(wallId) >= 0)
    .toSorted((left, right) => left.aboveMm - right.aboveMm)
    .map((row) => ({
      row,
      where:
        room.walls[wallAt(row.wallId)]?.openings.find((opening) => opening.row.id === row.openingId)?.name ??
        `Wall ${letterOf(wallAt(row.wallId))}`,
    })),
)
const openings = computed(() => room.walls.flatMap((wall) => wall.openings.map((opening) => ({ wall, opening }))))
const fixtures = computed(() => room.walls.flatMap((wall) => wall.fixtures.map((fixture) => ({ wall, fixture }))))
const distance = (row: { fromMm: number; fromEnd: boolean }): string =>
  `${length(row.fromMm)} from ${row.fromEnd ? 'the right' : 'the left'}`
const sharedWith = (id: string | null): string => {
  const opening = id === null ? undefined : makeover.opened?.makeover.rows.opening[id]
  const wall = opening ? makeover.opened?.makeover.rows.wall[opening.wallId] : undefined
  return wall ? (makeover.opened?.makeover.rows.room[wall.roomId]?.name ?? '') : ''
}
</script>

<template>
  <section aria-labelledby="heights-title">
    <div class="section-head">
      <h2 id="heights-title">Heights, slopes and zones</h2>
      <span class="ends"
        ><button type="button" class="word" @click="emit('open', 'survey', room.survey?.id ?? null)">
          Set the heights</button
        >{{ ' ' }} <button type="button" class="word" @click="emit('open', 'slope', null)">A slope</button>{{ ' ' }}
        <button type="button" class="word" @click="emit('open', 'zone', null)">A zone</button>{{ ' ' }}
        <button type="button" class="word" @click="emit('open', 'squareTest', null)">Test a corner</button>{{ ' ' }}
        <button type="button" class="word" @click="emit('open', 'clearWidth', null)">A width at a height</button></span
      >
    </div>
    <ul class="facts">
      <li>
        {{ room.survey?.heightMm ? `Ceiling ${length(room.survey.heightMm)}` : 'No height of the ceiling yet'
        }}<template v-if="room.survey?.dadoMm">, dado {{ length(room.survey.dadoMm) }}</template
        ><template v-if="room.survey?.railMm">, picture rail {{ length(room.survey.railMm) }}</template
        ><template v-if="room.survey?.facesDeg !== null && room.survey"
          >, facing wall A one looks {{ Math.round(room.survey.facesDeg) }}°</template
        >
      </li>
      <li v-for="wall in room.walls.filter((wall) => wall.row.heightMm !== null)" :key="wall.row.id">
        Corner {{ wall.at + 1 }}: {{ length(wall.row.heightMm ?? 0) }}
      </li>
      <li v-for="slope in room.slopes" :key="slope.id">
        <button type="button" class="word" @click="emit('open', 'slope', slope.id)">
          Comes down towards wall {{ letterOf(room.walls.findIndex((wall) => wall.row.id === slope.wallId)) }}</button
        >: {{ length(slope.lowMm) }} at the wall, full height {{ length(slope.runMm) }} from it
      </li>
      <li v-for="test in tests" :key="test.row.id">
        <button type="button" class="word" @click="emit('open', 'squareTest', test.row.id)">
          Corner {{ test.corner }} tested</button
        >: {{ test.said }}
      </li>
      <li v-for="width in widths" :key="width.row.id">
        <button type="button" class="word" @click="emit('open', 'clearWidth', width.row.id)">{{ width.where }}</button>:
        {{ length(width.row.widthMm) }} clear
        {{ width.row.aboveMm > 0 ? `at ${length(width.row.aboveMm)}` : 'between the skirtings' }}
      </li>
      <li>
        <button type="button" class="word" @click="emit('open', 'room', room.id)">What things have to stand here</button
        >: {{ uses.length > 0 ? inWords(uses) : 'nobody said yet' }}
      </li>
      <li v-for="zone in room.zones" :key="zone.row.id">
        <button type="button" class="word" @click="emit('open', 'zone', zone.row.id)">{{ zone.row.name }}</button><span
          class="quiet"
          >{{ zone.outline ? '' : ', no place on the plan yet' }}</span
        >
      </li>
    </ul>
  </section>
  <section aria-labelledby="openings-title">
    <div class="section-head">
      <h2 id="openings-title">Doors, windows, arches, niches</h2>
      <button type="button" class="word" :disabled="room.walls.length === 0" @click="emit('open', 'opening', null)">
        Add one<kbd aria-hidden="true">O</kbd>
      </button>
    </div>
    <p v-if="openings.length === 0" class="quiet">
      None yet. {{ room.walls.length === 0 ? 'Type the walls first.' : 'Each lies so far from a corner of its wall.' }}
    </p>
    <div v-else class="scroll">
      <table v-cards>
        <thead>
          <tr>
            <th>Wall</th>
            <th>What</th>
            <th>From</th>
            <th class="number">Width</th>
            <th class="number">Sill</th>
            <th class="number">Head</th>
            <th>More of it</th>
            <th><span class="visually-hidden">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ wall, opening } in openings"
            :key="opening.row.id"
            :class="{ chosen: selected?.id === opening.row.id }"
            @focusin="emit('select', { kind: 'opening', id: opening.row.id })"
          >
            <td>{{ letterOf(wall.at) }}</td>
            <td>
              <strong>{{ opening.name }}</strong><span v-if="opening.row.name" class="quiet place">{{
                opening.row.what
              }}</span>
            </td>
            <td>{{ distance(opening.row) }}</td>
            <td class="number">{{ length(opening.row.widthMm) }}</td>
            <td class="number">{{ opening.row.sillMm > 0 ? length(opening.row.sillMm) : 'floor' }}</td>
            <td class="number">{{ length(opening.row.headMm) }}</td>
            <td class="quiet">
              {{
                [
                  opening.row.hinge !== 'none' ? `hinges ${opening.row.hinge}` : '',
                  opening.row.swing !== 'none' ? `opens ${opening.row.swing}` : '',
                  opening.row.clearMm ? `clear ${length(opening.row.clearMm)}` : '',
                  opening.row.revealMm ? `${length(opening.row.revealMm)} deep` : '',
                  sharedWith(opening.row.sharesId) ? `to ${sharedWith(opening.row.sharesId)}` : '',
                ]
                  .filter(Boolean)
                  .join(', ')
              }}
            </td>
            <td class="number">
              <button
                type="button"
                class="word"
                :aria-label="`Change ${opening.name} on wall ${letterOf(wall.at)}`"
                @click="emit('open', 'opening', opening.row.id)"
              >
                Change
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
  <section aria-labelledby="fixtures-title">
    <div class="section-head">
      <h2 id="fixtures-title">Fixed things</h2>
      <button type="button" class="word" :disabled="room.walls.length === 0" @click="emit('open', 'fixture', null)">
        Add one<kbd aria-hidden="true">I</kbd>
      </button>
    </div>
    <p v-if="fixtures.length === 0" class="quiet">
      None yet: sockets, switches, radiators, vents, a fireplace, pipes, light points.
    </p>
    <div v-else class="scroll">
      <table v-cards>
        <thead>
          <tr>
            <th>Wall</th>
            <th>What</th>
            <th>From</th>
            <th class="number">Above the floor</th>
            <th class="number">Width × height</th>
            <th class="number">Stands out</th>
            <th>Note</th>
            <th><span class="visually-hidden">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ wall, fixture } in fixtures"
            :key="fixture.row.id"
            :class="{ chosen: selected?.id === fixture.row.id }"
            @focusin="emit('select', { kind: 'fixture', id: fixture.row.id })"
          >
            <td>{{ letterOf(wall.at) }}</td>
            <td>
              <strong>{{ fixture.name }}</strong><span v-if="fixture.row.name" class="quiet place">{{
                fixture.row.what
              }}</span>
            </td>
            <td>{{ distance(fixture.row) }}</td>
            <td class="number">{{ fixture.row.aboveMm > 0 ? length(fixture.row.aboveMm) : 'floor' }}</td>
            <td class="number">
              {{ fixture.row.widthMm ? length(fixture.row.widthMm) : ''
              }}{{ fixture.row.heightMm ? ` × ${length(fixture.row.heightMm)}` : '' }}
            </td>
            <td class="number">
              {{
                fixture.row.depthMm
                  ? length(fixture.row.depthMm)
                  : fixture.row.outMm > 0
                    ? `${length(fixture.row.outMm)} off it`
                    : ''
              }}
            </td>
            <td class="quiet">{{ fixture.row.note }}</td>
            <td class="number">
              <button
                type="button"
                class="word"
                :aria-label="`Change ${fixture.name} on wall ${letterOf(wall.at)}`"
                @click="emit('open', 'fixture', fixture.row.id)"
              >
                Change
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style>
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
}
.ends {
  display: inline-flex;
  gap: 16px;
}
</style>

<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed } from 'vue'
import { rowsOf } from '#core/makeover/document.ts'
import { writeArea, writeVolume } from '#core/measure/area.ts'
import { writeLength } from '#core/measure/length.ts'
import { inTradeWords } from '#core/measure/trade-words.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import {
  angleIn,
  letterOf,
  surveyWorking,
  type Room,
  type RoomAreas,
  type Subject,
  type SurveyFigure,
} from '#core/survey/index.ts'
import RemarkList from '../remarks/RemarkList.vue'
import { useEntry } from '../stores/entry.ts'
import { habits } from '../stores/habits.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useWorking } from '../stores/working.ts'

/** What is taken up on the drawing, or the figures of the room where nothing is. */
const { room, areas, selected } = defineProps<{ room: Room; areas: RoomAreas | null; selected: Subject | null }>()
const emit = defineEmits<{
  open: [what: 'wall' | 'opening' | 'fixture' | 'diagonal' | 'zone', id: string]
  face: [wallAt: number]
  away: []
  after: [wallId: string]
}>()
const makeover = useMakeover()
const working = useWorking()
const entry = useEntry()
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const length = (mm: number | null | undefined): string =>
  mm == null ? '–' : writeLength(Math.round(mm * 10) / 10, entry.value.units)
const area = (m2: number | null | undefined): string =>
  m2 == null ? 'no height yet' : writeArea(m2, entry.value.units)
function show(figure: SurveyFigure, wallId: string | null = null): void {
  if (areas) working.showWorking(surveyWorking(figure, room, areas, rules.value, entry.value.units, wallId))
}
/** The ids of what belongs to this room, so that another room's remarks stay with it. */
const own = computed(() => {
  const finishes = makeover.opened
    ? rowsOf(makeover.opened.makeover, 'finish').filter((row) => row.roomId === room.id)
    : []
  return new Set([
    room.id,
    ...finishes.map((row) => row.id),
    ...room.checks.map((check) => check.id),
    ...room.walls.flatMap((wall) => [
      wall.row.id,
      ...[...wall.openings, ...wall.fixtures].map((opening) => opening.row.id),
    ]),
  ])
})
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter(
    (remark) =>
      remark.step === 'survey' &&
      remark.subjects.some((subject) => (selected ? subject.id === selected.id : own.value.has(subject.id))),
  ),
)
const wall = computed(() =>
  selected?.kind === 'wall' ? room.walls.find((wall) => wall.row.id === selected.id) : undefined,
)
const reading = computed(() => byId(room.closing.lengths, selected?.id))
const wallAreas = computed(() => areas?.walls.find((wallAreas) => wallAreas.wallId === wall.value?.row.id))
const thing = computed(() => {
  for (const wall of room.walls)
    for (const opening of [...wall.openings, ...wall.fixtures])
      if (opening.row.id === selected?.id) return { wall: wall, found: opening }
  return undefined
})
const zone = computed(() => room.zones.find((zone) => zone.row.id === selected?.id))
const figures = computed<{ figure: SurveyFigure; name: string; value: string }[]>(() =>
  areas
    ? [
        { figure: 'floor', name: 'Floor', value: area(areas.floorM2) },
        { figure: 'walls', name: 'Walls, net', value: areas.grossM2 > 0 ? area(areas.netM2) : 'no height yet' },
        { figure: 'ceiling', name: 'Ceiling', value: area(areas.ceilingM2) },
        ...(areas.headroom && areas.headroom.m2 < areas.floorM2 - 0.01
          ? [
              {
                figure: 'headroom' as const,
                name: `Upright, ${length(areas.headroom.fromMm)}`,
                value: `${area(areas.headroom.m2)}, ${[...new Set(areas.headroom.widths.map(({ widthMm }) => length(Math.round(widthMm))))].join(' and ')} wide`,
              },
            ]
          : []),
        { figure: 'perimeter', name: 'Round the room', value: length(Math.round(areas.perimeterMm)) },
        {
          figure: 'skirting',
          name: inTradeWords('Skirting', habits.value),
          value: length(Math.round(areas.skirtingMm)),
        },
        { figure: 'trim', name: 'Trim', value: area(areas.trimM2) },
        {
          figure: 'volume',
          name: 'Volume',
          value: areas.volumeM3 === null ? 'no height yet' : writeVolume(areas.volumeM3, entry.value.units),
        },
      ]
    : [],
)
const zoneArea = (id: string): number | undefined => byId(areas?.zones, id)?.m2
</script>

<template>
  <section class="tag" aria-label="Selected">
    <span class="hole" aria-hidden="true" />
    <template v-if="wall">
      <h2>{{ wall.name }}</h2>
      <hr />
      <dl class="pairs">
        <div>
          <dt>Measured</dt>
          <dd>{{ wall.row.lengthMm === null ? 'not yet' : length(wall.row.lengthMm) }}</dd>
        </div>
        <template v-if="room.closing.state === 'closed'">
          <div>
            <dt>Adjusted</dt>
            <dd>
              <strong>{{ length(wall.chordMm) }}</strong>
            </dd>
          </div>
          <div v-if="wall.arc">
            <dt>Along its arc</dt>
            <dd>{{ length(wall.lengthMm) }}</dd>
          </div>
          <div v-if="wall.arc">
            <dt>Radius, rise</dt>
            <dd>{{ length(wall.arc.radius) }}, {{ length(wall.arc.rise) }}</dd>
          </div>
          <div v-if="reading?.errorMm != null">
            <dt>Against the others</dt>
            <dd :title="`${reading.standardised?.toFixed(1)} standard deviations`">
              {{ length(Math.abs(reading.errorMm)) }} too {{ reading.errorMm > 0 ? 'long' : 'short' }}
            </dd>
          </div>
          <div>
            <dt>Corners {{ wall.at + 1 }}, {{ ((wall.at + 1) % room.walls.length) + 1 }}</dt>
            <dd>
              {{ angleIn(room.closing.corners, wall.at).toFixed(1) }}°,
              {{ angleIn(room.closing.corners, (wall.at + 1) % room.walls.length).toFixed(1) }}°
            </dd>
          </div>
          <div v-if="wallAreas && wallAreas.grossM2 > 0">
            <dt>Gross</dt>
            <dd>{{ area(wallAreas.grossM2) }}</dd>
          </div>
          <div v-if="wallAreas && wallAreas.grossM2 > 0">
            <dt>Net</dt>
            <dd>
              <button
                type="button"
                class="bare figure"
                :aria-label="`Net area of ${wall.name}, working`"
                @click="show('walls', wall.row.id)"
              >
                {{ area(wallAreas.netM2) }}
              </button>
            </dd>
          </div>
          <template v-if="wallAreas && wallAreas.bands.length > 1 && wallAreas.grossM2 > 0"
            ><div v-for="band in wallAreas.bands" :key="band.fromMm">
              <dt>
                {{ band.fromMm === 0 ? 'up' : `from ${length(band.fromMm)}` }} to
                {{ band.toMm === null ? 'the ceiling' : length(band.toMm) }}
              </dt>
              <dd>{{ area(band.netM2) }}</dd>
            </div></template
          >
        </template>
      </dl>
      <div class="tag-actions">
        <el-button v-if="room.closing.state === 'closed'" @click="emit('face', wall.at)">Stand before it</el-button
        ><el-button @click="emit('open', 'wall', wall.row.id)">Change</el-button
        ><el-button @click="emit('after', wall.row.id)">A wall after it</el-button>
      </div>
    </template>
    <template v-else-if="thing">
      <h2>{{ thing.found.name }}</h2>
      <hr />
      <dl class="pairs">
        <div>
          <dt>On</dt>
          <dd>{{ thing.wall.name }}</dd>
        </div>
        <div>
          <dt>From the left</dt>
          <dd>{{ length(thing.found.u0) }}</dd>
        </div>
        <div v-if="thing.found.u1 > thing.found.u0">
          <dt>To the right</dt>
          <dd>{{ length(thing.wall.lengthMm - thing.found.u1) }}</dd>
        </div>
        <div v-if="thing.found.u1 > thing.found.u0">
          <dt>Width</dt>
          <dd>{{ length(thing.found.u1 - thing.found.u0) }}</dd>
        </div>
        <div>
          <dt>{{ thing.found.z1 > thing.found.z0 ? 'From height' : 'Above the floor' }}</dt>
          <dd>{{ length(thing.found.z0) }}</dd>
        </div>
        <div v-if="thing.found.z1 > thing.found.z0">
          <dt>To height</dt>
          <dd>{{ length(thing.found.z1) }}</dd>
        </div>
      </dl>
      <div class="tag-actions">
        <el-button @click="emit('open', selected?.kind === 'opening' ? 'opening' : 'fixture', thing.found.row.id)"
          >Change</el-button
        >
      </div>
    </template>
    <template v-else-if="selected?.kind === 'diagonal' && reading">
      <h2>{{ reading.name }}</h2>
      <hr />
      <dl class="pairs">
        <div>
          <dt>Measured</dt>
          <dd>{{ length(reading.measuredMm) }}</dd>
        </div>
        <div v-if="room.closing.state === 'closed'">
          <dt>Adjusted</dt>
          <dd>
            <strong>{{ length(reading.adjustedMm) }}</strong>
          </dd>
        </div>
        <div v-if="reading.standardised !== null">
          <dt>Against the others</dt>
          <dd :title="`${reading.standardised.toFixed(1)} standard deviations`">
            {{ reading.standardised < 2 ? 'agrees' : 'disagrees' }}
          </dd>
        </div>
      </dl>
      <div class="tag-actions"><el-button @click="emit('open', 'diagonal', reading.id)">Change</el-button></div>
    </template>
    <template v-else-if="zone">
      <h2>{{ zone.row.name }}</h2>
      <hr />
      <dl class="pairs">
        <div>
          <dt>Within the room</dt>
          <dd>{{ zoneArea(zone.row.id) === undefined ? 'no place yet' : area(zoneArea(zone.row.id)) }}</dd>
        </div>
      </dl>
      <div class="tag-actions"><el-button @click="emit('open', 'zone', zone.row.id)">Change</el-button></div>
    </template>
    <template v-else>
      <h2>{{ room.name }}</h2>
      <p v-if="!areas" class="quiet">{{ room.closing.why }}</p>
      <template v-else>
        <hr />
        <dl class="pairs">
          <div v-for="figure in figures" :key="figure.figure">
            <dt>{{ figure.name }}</dt>
            <dd>
              <button
                type="button"
                class="bare figure"
                :aria-label="`${figure.name} of ${room.name}, working`"
                @click="show(figure.figure)"
              >
                {{ figure.value }}
              </button>
            </dd>
          </div>
          <div v-for="zone in room.zones.filter((zone) => zoneArea(zone.row.id) !== undefined)" :key="zone.row.id">
            <dt>{{ zone.row.name }}</dt>
            <dd>{{ area(zoneArea(zone.row.id)) }}</dd>
          </div>
        </dl>
        <p class="quiet">
          {{ room.walls.map((wall) => letterOf(wall.at)).join(' ') }} on the drawing are its walls; numbers are its
          corners. Pick anything to read it.
        </p>
      </template>
    </template>
    <p v-if="selected"><button type="button" class="word" @click="emit('away')">To the room’s figures</button></p>
    <RemarkList :remarks="remarks" />
  </section>
</template>

<style>
.tag .figure {
  min-height: 24px;
  text-decoration: underline;
  text-decoration-style: dotted;
  text-underline-offset: 3px;
}
.tag .figure:hover {
  text-decoration-style: solid;
}
</style>

<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { scaleLinear } from 'd3'
import { computed, ref } from 'vue'
import { chroma } from '#core/colour/lab.ts'
import type { LaidFinish } from '#core/makeover/laid.ts'
import { writeLength } from '#core/measure/length.ts'
import { labOf, type Palette, type Place } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { roomsOf } from '#core/survey/index.ts'
import MaterialSwatch from '../parts/MaterialSwatch.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { usePlaces } from './places.ts'
import TieTable from './TieTable.vue'

/** Each palette colour by where it appears in plan and how high: too few places, all on one side, all at one height. */
const { palette, finishes } = defineProps<{ palette: Palette; finishes: readonly LaidFinish[] }>()
const makeover = useMakeover()
const entry = useEntry()
const pieces = useRows('piece')
const table = ref(false)
const all = ref(false)
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const rooms = computed(() => (makeover.opened ? roomsOf(makeover.opened.makeover, rules.value) : []))
const nameOf = (place: Place): string =>
  place.kind === 'opening'
    ? `the view, ${makeover.opened?.makeover.rows.opening[place.id]?.viewName || 'a window'}`
    : ((place.kind === 'piece' ? byId(pieces.value, place.id)?.name : byId(finishes, place.id)?.name) ?? '')
const side = 132
const tall = 92
/** As many cards as are looked at; a large palette is read on when asked for more. */
const atOnce = 24
const most = ref(atOnce)
const told = computed(() =>
  finishes
    .filter(
      (row) =>
        row.surface !== 'ceiling' &&
        (all.value || row.role === 'accent' || chroma(labOf(row)) >= rules.value['tie.chroma']),
    )
    .toSorted((left, right) => Number(right.role === 'accent') - Number(left.role === 'accent')),
)
const looked = computed(() => told.value.slice(0, most.value))
const placed = usePlaces(() => looked.value.map((row) => row.id))
const cards = computed(() =>
  looked.value.flatMap((row) => {
    const places = placed.value.get(row.id) ?? []
    const spread = palette.spreads.find((spread) => spread.finishId === row.id)
    if (!spread) return []
    const room = byId(rooms.value, row.roomId)
    const outline = room?.outline ?? []
    const [xs, ys] = [outline.map((corner) => corner.x), outline.map((corner) => corner.y)]
    const scale =
      outline.length === 0
        ? 0
        : Math.min((side - 8) / (Math.max(...xs) - Math.min(...xs)), (tall - 8) / (Math.max(...ys) - Math.min(...ys)))
    const put = (point: { x: number; y: number }): { x: number; y: number } => ({
      x: 4 + (point.x - Math.min(...xs)) * scale,
      y: 4 + (Math.max(...ys) - point.y) * scale,
    })
    const up = scaleLinear([0, room?.survey?.heightMm ?? 2500], [tall - 4, 4]).clamp(true)
    const spots = places.flatMap((place) => (place.at && scale > 0 ? [{ place, ...put(place.at) }] : []))
    return [
      {
        row,
        places,
        path:
          outline.length > 0
            ? `M${outline
                .map((corner) => {
                  const { x, y } = put(corner)
                  return `${x.toFixed(1)} ${y.toFixed(1)}`
                })
                .join('L')}Z`
            : '',
        spots,
        heights: places.flatMap((place) => (place.z === null ? [] : [{ place, y: up(place.z) }])),
        everywhere: places.some((place) => place.all),
        nowhere: places.filter((place) => place.at === null && !place.all),
        verdict: verdictOf(spread.apart, spread.fault, row.role === 'accent'),
      },
    ]
  }),
)
function verdictOf(
  apart: number,
  fault: 'one side' | 'one height' | null,
  accent: boolean,
): { words: string; off: boolean } {
  const least = rules.value['palette.least-appearances']
  if (apart < least)
    return {
      words: `${apart === 1 ? 'one place' : `${apart} places`}${accent ? `, where ${least} look meant` : ''}`,
      off: accent,
    }
  if (fault) return { words: `all ${fault === 'one side' ? 'on one side' : 'at one height'}`, off: true }
  return { words: `${apart} places`, off: false }
}
const high = (place: Place): string =>
  place.z === null ? 'height not known' : `${writeLength(Math.round(place.z), entry.value.units)} up`
</script>

<template>
  <section class="spread" aria-labelledby="ties-title">
    <div class="section-head">
      <h2 id="ties-title">Ties: where each colour is taken up</h2>
      <span class="ends quiet"
        ><button type="button" class="word" @click="all = !all">
          {{ all ? 'Only accents and strong colours' : 'All finishes' }}</button
        ><button type="button" class="word" :aria-pressed="table" @click="table = !table">
          {{ table ? 'As plans' : 'As a table' }}
        </button></span
      >
    </div>
    <TieTable v-if="table" :palette="palette" />
    <ul v-else>
      <li v-for="card in cards" :key="card.row.id">
        <p class="whose">
          <span class="chip-small"><MaterialSwatch :finish="card.row" :scale="0.4" /></span
          ><strong>{{ card.row.name }}</strong
          >{{ ' ' }}
          <span :class="card.verdict.off ? 'inverted' : 'quiet'">{{ card.verdict.words }}</span>
        </p>
        <svg
          :viewBox="`0 0 ${side + 62} ${tall}`"
          role="img"
          :aria-label="`${card.row.name}: ${card.places.map((place) => `${nameOf(place)}, ${place.all ? 'all over' : place.at ? high(place) : 'place not known'}`).join('; ')}`"
        >
          <path v-if="card.path" :d="card.path" class="room" :class="{ over: card.everywhere }" />
          <text v-else x="4" :y="tall / 2" class="none">not measured yet</text>
          <g v-for="(spot, index) in card.spots" :key="index">
            <title>{{ nameOf(spot.place) }}, {{ high(spot.place) }}</title>
            <circle :cx="spot.x" :cy="spot.y" r="5" :class="{ whole: spot.place.kind === 'piece' }" />
          </g>
          <path :d="`M${side + 16} 4V${tall - 4}M${side + 12} ${tall - 4}H${side + 58}`" class="axis" />
          <path
            v-for="(mark, index) in card.heights"
            :key="`h${index}`"
            :d="`M${side + 16} ${mark.y}h16`"
            class="level"
          />
          <text :x="side + 36" :y="tall - 8" class="none">floor</text>
        </svg>
        <p class="quiet which">
          {{ card.places.map(nameOf).join(', ')
          }}<template v-if="card.nowhere.length > 0"
            >. <em>Where nobody said: {{ card.nowhere.map(nameOf).join(', ') }}</em></template
          >
        </p>
      </li>
    </ul>
    <p v-if="!table && told.length > most">
      <button type="button" class="word" @click="most += atOnce">{{ told.length - most }} more</button>
    </p>
    <p v-if="!table" class="quiet note">
      Left the plan, right the height of each. Hatched: all over. Say which wall or zone a piece stands at, and it is
      placed here.
    </p>
  </section>
</template>

<style>
.spread {
  margin: 26px 14px 0;
}
.spread .ends {
  display: flex;
  gap: 16px;
}
.spread .ends .word {
  font-size: 13px;
}
.spread ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 16px 22px;
  padding-top: 8px;
}
.spread li {
  border-top: 1.5px solid var(--ink);
  padding-top: 5px;
}
.spread .whose {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 13px;
  flex-wrap: wrap;
}
.spread .whose .quiet,
.spread .whose .inverted {
  margin-left: auto;
  font-size: 12px;
}
.spread .chip-small {
  width: 22px;
  height: 14px;
}
.spread svg {
  width: 100%;
  max-width: 250px;
  display: block;
  margin: 5px 0 3px;
}
.spread .room {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}
.spread .room.over {
  fill: url(#balance-hatch);
}
.spread circle {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.spread circle.whole {
  fill: var(--ink);
}
.spread .axis {
  stroke: var(--rule);
  fill: none;
}
.spread .level {
  stroke: var(--ink);
  stroke-width: 3;
}
.spread .none {
  font-size: 10px;
  fill: var(--soft);
}
.spread .which {
  font-size: 12px;
  line-height: 15px;
}
.spread .note {
  font-size: 12px;
  line-height: 16px;
  padding-top: 8px;
}
@media (max-width: 720px) {
  .spread {
    margin: 22px 4px 0;
  }
}
</style>

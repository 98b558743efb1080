<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import { roles, type Role } from '#core/makeover/choices.ts'
import type { LaidFinish } from '#core/makeover/laid.ts'
import { writeArea } from '#core/measure/area.ts'
import { writeLength } from '#core/measure/length.ts'
import { inTradeWords } from '#core/measure/trade-words.ts'
import { labOf, lightsSeen, lrvWords, staysBecause } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { takeOffWorking } from '#core/surfaces/index.ts'
import FilesOf from '../files/FilesOf.vue'
import RemarkList from '../remarks/RemarkList.vue'
import { useEntry } from '../stores/entry.ts'
import { habits } from '../stores/habits.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { useWorking } from '../stores/working.ts'
import PatternColours from './PatternColours.vue'
import { usePlaces } from './places.ts'
import type { Printed } from '../parts/printed.ts'

/** One finish, read by itself: what it is, where it is and how much, what it stands up to, what is open about it. */
const { finish, finishes, print } = defineProps<{
  finish: LaidFinish
  finishes: readonly LaidFinish[]
  print: Printed | undefined
}>()
const emit = defineEmits<{ change: []; takeOut: []; beside: [id: string]; sample: []; role: [role: Role] }>()
const makeover = useMakeover()
const working = useWorking()
const entry = useEntry()
const pieces = useRows('piece')
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const reading = computed(() => byId(makeover.reckoning?.palette.finishes, finish.id))
const places = usePlaces(() => [finish.id])
const area = computed(() => reading.value?.area)
const remarks = computed(() =>
  (makeover.reckoning?.remarks ?? []).filter((remark) => remark.subjects.some((subject) => subject.id === finish.id)),
)
const nameOf = ({ kind, id }: { kind: 'finish' | 'piece' | 'opening'; id: string }): string =>
  kind === 'opening'
    ? `the view, ${makeover.opened?.makeover.rows.opening[id]?.viewName || 'a window'}`
    : ((kind === 'piece' ? byId(pieces.value, id)?.name : byId(finishes, id)?.name) ?? '')
/** What it takes of paint or paper where it lies on measured surfaces. */
const takeOff = computed(() => {
  const taken = (makeover.reckoning?.takeOffs ?? []).find(
    (entry) => entry.finish.id === finish.id && entry.treatment.insteadOfId === null && entry.reckoned !== null,
  )
  if (!taken?.reckoned) return null
  const { reckoned } = taken
  return reckoned.ok
    ? { words: reckoned.words, working: takeOffWorking(taken) }
    : { words: reckoned.error, working: null }
})
const carrier = computed(() => byId(pieces.value, finish.pieceId)?.name ?? '')
const stays = computed(() => (makeover.opened ? staysBecause(makeover.opened.makeover, finish) : null))
const seen = computed(() => (makeover.opened ? lightsSeen(makeover.opened.makeover, finish.id) : []))
const areaLabel = computed(
  () =>
    ({ survey: 'Area, measured', eye: 'Area by eye', size: 'Area by its size', typical: 'Area, typical' })[
      area.value?.basis ?? 'typical'
    ],
)
</script>

<template>
  <h2>{{ finish.name }}</h2>
  <p>
    {{ reading?.undertone.words.replace(/^./, (letter) => letter.toUpperCase())
    }}<template v-if="reading?.undertone.warmth">, {{ reading.undertone.warmth }}</template
    >.
  </p>
  <hr />
  <dl class="pairs">
    <div>
      <dt>Role</dt>
      <dd class="roles">
        <button
          v-for="role in roles"
          :key="role"
          type="button"
          class="word"
          :class="{ here: role === finish.role }"
          :aria-pressed="role === finish.role"
          @click="role !== finish.role && emit('role', role)"
        >
          {{ role }}
        </button>
      </dd>
    </div>
    <div>
      <dt>Material</dt>
      <dd>{{ finish.texture === 'usual' ? '' : `${finish.texture} ` }}{{ finish.family }}, {{ finish.sheen }}</dd>
    </div>
    <div>
      <dt>In the room</dt>
      <dd>{{ finish.usedFor || '–' }}</dd>
    </div>
    <div>
      <dt>{{ finish.lrv === null ? 'LRV, an estimate' : 'LRV, its maker’s' }}</dt>
      <dd>{{ Math.round(reading?.lrv ?? 0) }}, {{ lrvWords(reading?.lrv ?? 0, rules) }}</dd>
    </div>
    <div>
      <dt>Undertone</dt>
      <dd>{{ reading?.undertone.lean ?? reading?.undertone.cast ?? 'none' }}</dd>
    </div>
    <div>
      <dt>Lab, D65 2°</dt>
      <dd>{{ finish.labL.toFixed(1) }} {{ finish.labA.toFixed(1) }} {{ finish.labB.toFixed(1) }}</dd>
    </div>
    <div>
      <dt>On this screen</dt>
      <dd>
        {{ hexFromLab(labOf(finish)) }}<template v-if="reading && !reading.showable">, the nearest it can</template>
      </dd>
    </div>
    <div v-if="carrier">
      <dt>Carried by</dt>
      <dd>{{ carrier }}</dd>
    </div>
    <div v-if="print">
      <dt>Pattern</dt>
      <dd>
        {{ print.scale }} {{ finish.pattern }}, repeats in {{ finish.repeatMm === null ? 'about ' : ''
        }}{{ writeLength(print.repeatMm, entry.units) }}
      </dd>
    </div>
    <div v-if="takeOff">
      <dt>{{ finish.family === 'paint' ? 'Takes' : 'Hangs in' }}</dt>
      <dd>
        <button v-if="takeOff.working" type="button" class="word" @click="working.showWorking(takeOff.working)">
          {{ takeOff.words }}
        </button>
        <template v-else>{{ takeOff.words }}</template>
      </dd>
    </div>
    <div v-if="finish.weave">
      <dt>Weave</dt>
      <dd>{{ finish.weave }}</dd>
    </div>
    <div v-if="finish.suits">
      <dt>Stands up to</dt>
      <dd>{{ finish.suits }}</dd>
    </div>
    <div>
      <dt>Appears</dt>
      <dd>{{ [...new Set((places.get(finish.id) ?? []).map(nameOf))].join(', ') }}</dd>
    </div>
    <div v-if="finish.fate">
      <dt>There already</dt>
      <dd>
        {{ { keep: 'kept', change: 'to be changed', camouflage: 'camouflaged' }[finish.fate]
        }}<template v-if="finish.condition">, {{ finish.condition }}</template
        ><template v-if="finish.laidYear">, since {{ finish.laidYear }}</template>
      </dd>
    </div>
    <div v-else-if="stays">
      <dt>Stays</dt>
      <dd>{{ stays }}</dd>
    </div>
    <div>
      <dt>{{ areaLabel }}</dt>
      <dd>
        {{ writeArea(area?.m2 ?? 0, entry.units)
        }}<span class="quiet place">{{ inTradeWords(area?.how ?? '', habits) }}</span>
      </dd>
    </div>
    <div>
      <dt>Samples seen</dt>
      <dd>
        {{ seen.length > 0 ? seen.join(', ') : 'by no light yet' }}
        <button type="button" class="word" @click="emit('sample')">Note a sample<kbd aria-hidden="true">M</kbd></button>
      </dd>
    </div>
  </dl>
  <PatternColours v-if="print && print.parts.length > 0" :finish="finish" :finishes="finishes" :print="print" />
  <FilesOf :owner="{ finishId: finish.id }" :name="finish.name" pictures />
  <label class="label" for="lay-beside">Lay beside</label>
  <el-select
    id="lay-beside"
    :model-value="''"
    aria-label="Lay beside"
    placeholder="another finish"
    @update:model-value="emit('beside', $event)"
  >
    <el-option
      v-for="thisFinish in finishes.filter((entry) => entry.id !== finish.id)"
      :key="thisFinish.id"
      :value="thisFinish.id"
      :label="thisFinish.name"
    />
  </el-select>
  <RemarkList :remarks="remarks" />
  <div class="tag-actions">
    <el-button @click="emit('change')">Change</el-button>
    <el-button @click="emit('takeOut')">Take out</el-button>
  </div>
</template>

<style>
.pairs .roles {
  display: flex;
  gap: 10px;
  justify-content: flex-end;
  flex-wrap: wrap;
}
.pairs .roles .here {
  font-weight: 700;
  text-decoration-thickness: 3px;
}
.pairs .place {
  display: block;
  font-size: 12px;
  line-height: 15px;
}
</style>

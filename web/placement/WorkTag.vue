<script setup lang="ts">
import { computed } from 'vue'
import { eyeHeight } from '#core/makeover/household.ts'
import { writeLength } from '#core/measure/length.ts'
import { writeQuantity } from '#core/measure/quantity.ts'
import { doubledBy, floorOf, groupOf, isMirror, lampBefore, saidOfHung } from '#core/placement/index.ts'
import RemarkMark from '../parts/RemarkMark.vue'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { Grouping } from './grouping.ts'
import type { OnTheWall } from './on-the-wall.ts'

/** What is taken up on a wall: where it hangs, where it belongs and why, how it is held, and what is held against it. */
const { wall, grouping } = defineProps<{ wall: OnTheWall; grouping: Grouping }>()
const emit = defineEmits<{ where: []; fixing: [] }>()
const { selected: work, checks, belongs, marks, whole } = wall
const group = computed(() => (work.value && wall.scene.value ? groupOf(work.value, wall.scene.value.works) : []))
const entry = useEntry()
const makeover = useMakeover()
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const found = computed(() =>
  checks.value
    .filter(({ ids, name }) => ids[0] === work.value?.id || name === work.value?.row.groupName)
    .map((check) => ({
      key: `${check.code} ${check.ids.join(' ')}`,
      weight: check.weight,
      ...saidOfHung(check, wall.rules.value, entry.value.units),
    })),
)
/** What a mirror doubles, from each door that sees it. */
const doubled = computed(() => {
  const there = wall.scene.value
  const setting = there && floorOf(there.room)?.setting
  if (!work.value || !setting || !isMirror(work.value) || !makeover.opened) return []
  const bodies = makeover.reckoning?.placed.find(({ roomId }) => roomId === there.room.id)?.bodies ?? []
  const z = eyeHeight(makeover.opened.makeover, wall.rules.value)
  const mirror = work.value
  return setting.doors.flatMap(({ id, name, middle }) => {
    const found = doubledBy(mirror, setting, bodies, { ...middle, z })
    return found && found.length > 0
      ? [{ id, from: name, what: found.slice(0, 3).map((met) => `${met.name} ${Math.round(met.share * 100)} %`) }]
      : []
  })
})
const lamp = computed(() => (work.value && wall.scene.value ? lampBefore(work.value, wall.scene.value) : null))
const because = computed(() => {
  const there = belongs.value
  if (!there) return ''
  if (there.by === 'over') return `by the gap over ${there.over?.name ?? ''}`
  return there.by === 'ceiling' ? 'so that it stays below the ceiling' : 'on the line of the eyes'
})
const hooks = computed(() => marks.value.filter(({ workId }) => workId === work.value?.id))
</script>

<template>
  <template v-if="work">
    <h2>{{ work.name }}</h2>
    <dl class="pairs">
      <div>
        <dt>Its middle</dt>
        <dd>{{ length(work.centre) }}</dd>
      </div>
      <div v-if="whole && group.length > 1">
        <dt>Middle of {{ whole.name }}</dt>
        <dd>{{ length(whole.centre) }}</dd>
      </div>
      <div v-if="belongs">
        <dt>
          It belongs at <span class="quiet how">{{ because }}</span>
        </dt>
        <dd>{{ length(belongs.centre) }}</dd>
      </div>
      <div>
        <dt>From the left corner</dt>
        <dd>{{ length(work.left) }}</dd>
      </div>
      <div>
        <dt>From the right corner</dt>
        <dd>{{ length(work.wall.lengthMm - work.right) }}</dd>
      </div>
      <div>
        <dt>Size</dt>
        <dd>{{ length(work.thing.widthMm) }} × {{ length(work.thing.heightMm) }}</dd>
      </div>
      <div>
        <dt>Weighs</dt>
        <dd>{{ work.thing.weightKg === null ? 'not known' : writeQuantity(work.thing.weightKg, 'kg') }}</dd>
      </div>
      <div v-for="(mark, index) in hooks" :key="index">
        <dt>
          {{ mark.method === 'strips' ? 'Strips' : 'Hook' }}
          <span class="quiet how">{{ length(mark.from.mm) }} from {{ mark.from.name }}</span>
        </dt>
        <dd>{{ length(mark.height) }}</dd>
      </div>
    </dl>
    <p v-for="view in doubled" :key="view.id" class="quiet">
      From {{ view.from }} it doubles {{ view.what.join(', ') }}.
    </p>
    <p v-if="lamp" class="quiet">It doubles the light of {{ lamp.name }}, which stands before it.</p>
    <p v-if="work.row.why" class="quiet">{{ work.row.why }}</p>
    <template v-if="found.length > 0">
      <hr />
      <p v-for="{ key, weight, title, sentence } in found" :key="key">
        <RemarkMark :weight="weight" /> <strong>{{ title }}.</strong> {{ sentence }}
      </p>
    </template>
    <div class="tag-actions">
      <el-button v-if="belongs && whole && Math.abs(belongs.centre - whole.centre) > 1" @click="wall.toItsLine"
        >Hang it there</el-button
      >
      <el-button @click="emit('where')">Say where</el-button>
      <el-button v-if="group.length > 1" @click="grouping.part(group)">Hang one by one</el-button>
      <el-button @click="emit('fixing')">How it is held</el-button>
      <el-button @click="wall.takeDown">Take it down</el-button>
    </div>
  </template>
  <template v-else>
    <h2>Take up a thing</h2>
    <p class="quiet">
      The dashed line is the height of the household’s eyes. What hangs is moved by hand or with the arrow keys: its
      middle is drawn to the line, over furniture to the gap.
    </p>
  </template>
</template>

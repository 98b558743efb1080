<script setup lang="ts">
import { computed } from 'vue'
import { writeLength } from '#core/measure/length.ts'
import { keyOfCheck, measuredFrom, said, type Body } from '#core/placement/index.ts'
import RemarkMark from '../parts/RemarkMark.vue'
import { useEntry } from '../stores/entry.ts'
import CureLine from './CureLine.vue'
import type { Curing } from './curing.ts'
import type { OnThePlan } from './on-the-plan.ts'

/** A thing where it stands: how far from two walls, how it opens, and what is held against it, as on a tape. */
const { body, plan, curing } = defineProps<{ body: Body; plan: OnThePlan; curing: Curing }>()
const emit = defineEmits<{
  change: []
  footprint: []
  opens: [id: string | null]
  pin: []
  back: []
}>()
const entry = useEntry()
const length = (mm: number): string => writeLength(Math.round(mm), entry.value.units)
const row = computed(() => plan.rowOf(body.id))
const distances = computed(() => (plan.setting.value ? measuredFrom(plan.setting.value, body) : []))
const names = computed(() => new Map(plan.bodies.value.map(({ id, name }) => [id, name])))
const found = computed(() =>
  plan.checks.value
    .filter(({ ids }) => ids.includes(body.id))
    .map((check) => ({
      check,
      key: keyOfCheck(check),
      weight: check.weight,
      ...said(check, {
        rules: plan.rules.value,
        units: entry.value.units,
        nameOf: (id) => names.value.get(id) ?? '',
      }),
    })),
)
</script>

<template>
  <h2>{{ body.name }}</h2>
  <dl class="pairs">
    <div v-for="distance in distances" :key="distance.wallId">
      <dt>From {{ distance.name }}</dt>
      <dd>{{ length(distance.mm) }}</dd>
    </div>
    <div>
      <dt>Turned</dt>
      <dd>{{ Math.round(body.at.turnDeg) }}°</dd>
    </div>
    <div v-if="body.thing">
      <dt>Size{{ body.thing.assumed ? ', not measured: what it may take' : '' }}</dt>
      <dd>{{ length(body.thing.widthMm) }} × {{ length(body.thing.depthMm) }} × {{ length(body.thing.heightMm) }}</dd>
    </div>
    <div v-for="state in body.thing?.opens ?? []" :key="state.id">
      <dt>
        <button type="button" class="word" @click="emit('opens', state.id)">{{ state.name }}</button>
      </dt>
      <dd>+ {{ length(Math.max(state.frontMm, state.backMm, state.leftMm, state.rightMm)) }}</dd>
    </div>
  </dl>
  <template v-if="found.length > 0">
    <hr />
    <p v-for="{ check, key, weight, title, sentence } in found" :key="key">
      <RemarkMark v-if="weight !== 'well'" :weight="weight" /> <strong>{{ title }}.</strong> {{ sentence }}
      <CureLine
        v-if="weight === 'stop' || weight === 'look'"
        :curing="curing"
        :wrong="key"
        :reach-mm="plan.rules.value['cure.reach']"
        does="cures"
        @look="curing.lookAt(check)"
      />
    </p>
  </template>
  <div class="tag-actions">
    <el-button @click="emit('change')">Say where</el-button>
    <el-button @click="emit('pin')">{{ row?.pinned ? 'Let it be moved' : 'Keep it here' }}</el-button>
    <el-button @click="emit('footprint')">Its footprint</el-button>
    <el-button @click="emit('opens', null)">It opens …</el-button>
    <el-button @click="emit('back')">Put it back at the door</el-button>
  </div>
</template>

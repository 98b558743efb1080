<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { computed } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import { asSwatch, byLamp, compare } from '#core/palette/index.ts'
import { citeRule, effectiveRules } from '#core/rulebook/rulebook.ts'
import { useMakeover } from '../stores/makeover.ts'
import RemarkList from '../remarks/RemarkList.vue'

/** Two finishes that lie edge to edge, read against each other; of three or four, each pair. */
const { finishes } = defineProps<{
  finishes: readonly Row<'finish'>[]
  /** What else may be laid beside them. */ others: readonly Row<'finish'>[]
}>()
const emit = defineEmits<{ swap: []; back: []; cure: [left: string, right: string]; beside: [id: string] }>()
const makeover = useMakeover()
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const pairs = computed(() =>
  finishes.flatMap((finish, at) =>
    finishes.slice(at + 1).map((otherFinish) => ({
      left: finish,
      right: otherFinish,
      read: compare(asSwatch(finish), asSwatch(otherFinish), rules.value),
    })),
  ),
)
const first = computed(() => (pairs.value.length === 1 ? pairs.value[0] : undefined))
const word = (finish: Row<'finish'>): string => {
  const tone = byId(makeover.reckoning?.palette.finishes, finish.id)?.undertone
  return tone ? (tone.lean ?? tone.cast ?? 'none') : ''
}
const remarks = computed(() => {
  const pair = first.value
  return pair
    ? (makeover.reckoning?.remarks ?? []).filter((remark) =>
        [pair.left.id, pair.right.id].every((id) => remark.subjects.some((subject) => subject.id === id)),
      )
    : []
})
const lamp = computed(() =>
  first.value
    ? byLamp(
        { ...asSwatch(first.value.left), name: first.value.left.name },
        { ...asSwatch(first.value.right), name: first.value.right.name },
        rules.value,
      )
    : null,
)
const signed = (value: number): string => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(1)}`
</script>

<template>
  <template v-if="first">
    <h2>{{ first.left.name }} beside {{ first.right.name }}</h2>
    <p>{{ first.read.sentence }} {{ first.read.seen }}</p>
    <hr />
    <dl class="pairs">
      <div>
        <dt>Difference</dt>
        <dd>
          <strong>ΔE {{ first.read.deltaE.toFixed(1) }}</strong>
        </dd>
      </div>
      <div>
        <dt>Lighter, stronger, in hue</dt>
        <dd>
          {{ signed(first.read.parts.lighter) }}&ensp;{{ signed(first.read.parts.stronger) }}&ensp;{{
            first.read.parts.hue.toFixed(1)
          }}
        </dd>
      </div>
    </dl>
    <table class="beside-table">
      <tbody>
        <tr>
          <th scope="row">Undertone</th>
          <td>{{ word(first.left) }}</td>
          <td>{{ word(first.right) }}</td>
        </tr>
        <tr>
          <th scope="row">LRV, estimate</th>
          <td>{{ Math.round(first.read.lrv[0]) }}</td>
          <td>{{ Math.round(first.read.lrv[1]) }}</td>
        </tr>
        <tr>
          <th scope="row">In the room</th>
          <td>{{ first.left.usedFor || first.left.family }}</td>
          <td>{{ first.right.usedFor || first.right.family }}</td>
        </tr>
        <tr v-if="lamp">
          <th scope="row">By lamp light</th>
          <td colspan="2">{{ lamp.words }}, ΔE {{ lamp.deltaE.toFixed(1) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="first.read.clash && remarks.length === 0">
      <strong>They clash</strong>: {{ first.read.clash.measured.toFixed(1) }} {{ first.read.clash.measure }}, from
      {{ citeRule(first.read.clash.rule, rules) }}.
    </p>
    <p
      v-else-if="
        !first.read.clash &&
        first.read.undertones[0].group &&
        first.read.undertones[0].group === first.read.undertones[1].group
      "
      class="quiet"
    >
      Of one family, and their undertones agree.
    </p>
    <RemarkList :remarks="remarks" />
    <div class="tag-actions">
      <el-button v-if="first.read.clash" type="primary" @click="emit('cure', first.left.id, first.right.id)"
        >What would cure it</el-button
      >
      <el-button @click="emit('swap')">Swap<kbd aria-hidden="true">X</kbd></el-button
      ><el-button @click="emit('back')">Put it back</el-button>
    </div>
  </template>
  <template v-else>
    <h2>{{ finishes.length }} laid edge to edge</h2>
    <dl class="each-pair">
      <div v-for="pair in pairs" :key="`${pair.left.id}${pair.right.id}`">
        <dt>
          {{ pair.left.name }} beside {{ pair.right.name }} <span>ΔE {{ pair.read.deltaE.toFixed(1) }}</span>
        </dt>
        <dd>{{ pair.read.sentence }}<strong v-if="pair.read.clash"> They clash.</strong></dd>
      </div>
    </dl>
    <div class="tag-actions">
      <el-button @click="emit('swap')">Change places</el-button
      ><el-button @click="emit('back')">Put them back</el-button>
    </div>
  </template>
  <template v-if="finishes.length < 4 && others.length > 0">
    <label class="label" for="lay-also">And beside them</label>
    <el-select
      id="lay-also"
      :model-value="''"
      aria-label="And beside them"
      placeholder="another finish"
      @update:model-value="emit('beside', $event)"
    >
      <el-option v-for="entry in others" :key="entry.id" :value="entry.id" :label="entry.name" />
    </el-select>
  </template>
</template>

<style>
.beside-table th {
  border: 0;
  padding: 2px 8px 2px 0;
  font-size: 14px;
  line-height: 20px;
  white-space: nowrap;
  vertical-align: top;
}
.beside-table td {
  border: 0;
  padding: 2px 0 2px 8px;
  text-align: right;
}
.beside-table tbody th {
  color: var(--soft);
  text-align: left;
}
.each-pair > div {
  padding: 6px 0;
  border-top: 1px solid var(--hairline);
  font-size: 13px;
  line-height: 18px;
}
.each-pair dt {
  font-weight: 600;
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.each-pair dt span {
  font-weight: 400;
  color: var(--soft);
  white-space: nowrap;
}
</style>

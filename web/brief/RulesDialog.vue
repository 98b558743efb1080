<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, reactive, ref, watch } from 'vue'
import { add, edit, remove, type Operation } from '#core/makeover/change.ts'
import { studioRows } from '#core/makeover/document.ts'
import { readNumber } from '#core/measure/decimal.ts'
import { habits } from '../stores/habits.ts'
import { ruleIds, rulebook, type Rule, type RuleId } from '#core/rulebook/rulebook.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** Every number the checks use, with its unit, its source and why; each can be set here or for the whole studio. */
const open = defineModel<boolean>({ required: true })
const makeover = useMakeover()
const own = useRows('ruling')
const studio = computed(() => (makeover.opened ? studioRows(makeover.opened.studio, 'studioRuling') : []))
const sought = ref('')
const texts = reactive<Record<string, string>>({})
const problem = ref('')
const inForce = (id: RuleId): number => makeover.reckoning?.practice.rules[id] ?? rulebook[id].value
const setBy = (id: RuleId): string =>
  own.value.some((row) => row.rule === id)
    ? 'set here'
    : studio.value.some((row) => row.rule === id)
      ? 'set by the studio'
      : inForce(id) === rulebook[id].value
        ? ''
        : 'by its school'
const source = { std: 'standard', trade: 'common practice', mem: 'a standard, from memory', own: 'our own default' }
const found = computed(() =>
  ruleIds.filter(
    (id) =>
      sought.value.trim() === '' ||
      `${id} ${rulebook[id].why}`.toLowerCase().includes(sought.value.trim().toLowerCase()),
  ),
)
watch(open, (isOpen) => {
  if (isOpen) for (const id of ruleIds) texts[id] = String(inForce(id))
})
const rule = (id: RuleId): Rule => rulebook[id]

async function set(id: RuleId, whole: boolean): Promise<void> {
  const read = readNumber(texts[id] ?? '', { decimals: 4, least: -100_000, most: 100_000 }, habits.value.decimal)
  if (!read.ok) {
    problem.value = `${id}: ${read.error}`
    return
  }
  const row = own.value.find((ruling) => ruling.rule === id)
  const shared = studio.value.find((studioRuling) => studioRuling.rule === id)
  const operations: Operation[] = whole
    ? [
        ...(row ? [remove('ruling', row)] : []),
        shared
          ? edit('studioRuling', shared, { value: read.value })
          : add('studioRuling', uuidv7(), { rule: id, value: read.value }),
      ]
    : [row ? edit('ruling', row, { value: read.value }) : add('ruling', uuidv7(), { rule: id, value: read.value })]
  await make(`Set ${id} to ${read.value} ${rule(id).unit}${whole ? ' for the studio' : ''}`, operations)
}
async function back(id: RuleId): Promise<void> {
  const row = own.value.find((ruling) => ruling.rule === id)
  const shared = studio.value.find((studioRuling) => studioRuling.rule === id)
  await make(
    `Set ${id} back`,
    [row ? remove('ruling', row) : null, row || !shared ? null : remove('studioRuling', shared)].filter(
      (remove) => remove !== null,
    ),
  )
  texts[id] = String(inForce(id))
}
async function make(sentence: string, operations: readonly Operation[]): Promise<void> {
  if (operations.length === 0) return
  const faults = await makeover.change(sentence, operations)
  problem.value = faults.map((fault) => fault.message).join('; ')
}
</script>

<template>
  <el-dialog
    v-model="open"
    title="The numbers behind the checks"
    width="860"
    append-to-body
    destroy-on-close
    align-center
  >
    <label class="label" for="seek-rule">Find a rule</label>
    <el-input id="seek-rule" v-model="sought" clearable />
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <div class="rules" tabindex="0" role="region" aria-label="Rules">
      <table>
        <thead>
          <tr>
            <th>Rule</th>
            <th>Value</th>
            <th>Source</th>
            <th>Why</th>
            <th><span class="visually-hidden">Do</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="id in found" :key="id">
            <td>{{ id }}</td>
            <td class="value">
              <el-input
                v-model="texts[id]"
                size="small"
                :aria-label="`${id}, in ${rule(id).unit}`"
                @keydown.enter.prevent="set(id, false)"
              /><span class="quiet">{{ rule(id).unit }}</span>
            </td>
            <td class="quiet">
              {{ source[rule(id).mark]
              }}<template v-if="setBy(id)">; {{ setBy(id) }}, default {{ rule(id).value }}</template>
            </td>
            <td class="quiet">{{ rule(id).why }}</td>
            <td class="keep">
              <button type="button" class="word" :aria-label="`Set ${id} here`" @click="set(id, false)">here</button
              >&ensp;<button type="button" class="word" :aria-label="`Set ${id} for the studio`" @click="set(id, true)">
                studio</button
              ><template v-if="setBy(id).startsWith('set')"
                >&ensp;<button type="button" class="word" :aria-label="`Set ${id} back`" @click="back(id)">
                  back
                </button></template
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </el-dialog>
</template>

<style>
.rules {
  max-height: 60vh;
  overflow: auto;
  margin-top: 10px;
  font-size: 13px;
  line-height: 18px;
}
.rules td {
  padding-top: 4px;
  padding-bottom: 4px;
}
.rules .value {
  width: 120px;
}
</style>

<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { fieldWords, namesIn, tellRow } from '#core/diary/index.ts'
import type { Operation } from '#core/makeover/change.ts'
import { spoken } from '#core/makeover/kinds.ts'
import { request, type Conflict } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'

/** Two people changed the same field: both are shown, and whoever came second says which stays. Neither is lost till then. */
const makeover = useMakeover()
const held = computed(() =>
  makeover.waiting.find((waiting) => waiting.changeSet.id === makeover.deciding && waiting.held?.is === 'conflict'),
)
const conflicts = computed<readonly Conflict[]>(() =>
  held.value?.held?.is === 'conflict' ? held.value.held.conflicts : [],
)
/** Whose stays, by row and field; a row that is gone, or that one would take away, has one choice for all of it. */
const whose = reactive<Record<string, 'mine' | 'theirs'>>({})
const by = ref<Record<string, string>>({})

const key = (conflict: Conflict, field: string): string => `${conflict.id} ${field}`
const fieldsOf = (conflict: Conflict): readonly string[] =>
  conflict.current === null || operationOf(conflict)?.op === 'remove' ? ['row'] : conflict.fields
const operationOf = (conflict: Conflict): Operation | undefined =>
  held.value?.changeSet.operations.find((operation) => operation.kind === conflict.kind && operation.id === conflict.id)
const written = (conflict: Conflict, field: string, values: Readonly<Record<string, unknown>> | null): string => {
  if (!makeover.opened || !values) return ''
  return (
    tellRow(
      { kind: conflict.kind, rowId: conflict.id, operation: 'put', before: {}, after: { [field]: values[field] } },
      makeover.opened,
      makeover.currency,
      namesIn(makeover.opened),
    ).fields[0]?.after ?? ''
  )
}
const mine = (conflict: Conflict, field: string): string => {
  const operation = operationOf(conflict)
  if (operation?.op === 'remove') return 'take it away'
  if (conflict.current === null) return 'put it back, with what you typed'
  return written(conflict, field, operation?.fields ?? null)
}
const theirs = (conflict: Conflict, field: string): string =>
  conflict.current === null
    ? 'taken away'
    : operationOf(conflict)?.op === 'remove'
      ? 'changed, and wanted'
      : written(conflict, field, conflict.current)
const nameOf = (conflict: Conflict): string => {
  const before = conflict.current ?? held.value?.was[conflict.id]
  return `${spoken[conflict.kind]}${typeof before?.name === 'string' ? ` “${before.name}”` : ''}`
}
const all = computed(() =>
  conflicts.value.flatMap((conflict) => fieldsOf(conflict).map((field) => key(conflict, field))),
)
const decided = computed(() => all.value.every((text) => whose[text] !== undefined))
const choose = (otherName: 'mine' | 'theirs'): void => {
  for (const name of all.value) whose[name] = otherName
}

watch(
  () => held.value?.changeSet.id,
  async () => {
    for (const name of Object.keys(whose)) delete whose[name]
    by.value = {}
    for (const { id } of conflicts.value) {
      const [last] = await request<{ who: string; madeAt: string }[]>(
        'GET',
        `/makeovers/${makeover.base?.makeover.id ?? ''}/diary?of=${id}`,
      ).catch(() => [])
      if (last)
        by.value = {
          ...by.value,
          [id]: `${last.who}, ${new Date(last.madeAt).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`,
        }
    }
  },
  { immediate: true },
)

async function keepThem(): Promise<void> {
  const change = held.value
  if (!change) return
  const operations = change.changeSet.operations.flatMap((operation): Operation[] => {
    const conflict = conflicts.value.find(
      (conflict) => conflict.kind === operation.kind && conflict.id === operation.id,
    )
    if (!conflict) return [operation]
    const row = whose[key(conflict, 'row')]
    if (conflict.current === null) {
      const { id: _id, version: _version, ...was } = change.was[operation.id] ?? {}
      return row === 'mine' && operation.op === 'put'
        ? [{ ...operation, base: null, fields: { ...was, ...operation.fields } }]
        : []
    }
    const base = String(conflict.current.version)
    if (operation.op === 'remove') return row === 'mine' ? [{ ...operation, base }] : []
    const fields = Object.fromEntries(
      Object.entries(operation.fields).filter(([field]) => whose[key(conflict, field)] !== 'theirs'),
    )
    return Object.keys(fields).length > 0 ? [{ ...operation, base, fields }] : []
  })
  await makeover.decide(change.changeSet.id, operations)
}
</script>

<template>
  <el-dialog
    :model-value="held !== undefined"
    title="Changed by two at once"
    :width="640"
    :close-on-click-modal="false"
    append-to-body
    align-center
    @update:model-value="makeover.deciding = null"
  >
    <p v-if="held" class="quiet">
      “{{ held.changeSet.sentence }}” met a change that came first. Nothing was overwritten: say which stays. The other
      one can be read in the history.
    </p>
    <section v-for="conflict in conflicts" :key="conflict.id" class="conflict">
      <h2>{{ nameOf(conflict) }}</h2>
      <table>
        <thead>
          <tr>
            <th scope="col"><span class="visually-hidden">What</span></th>
            <th scope="col">Yours</th>
            <th scope="col">
              Theirs<span v-if="by[conflict.id]" class="quiet"> · {{ by[conflict.id] }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="field in fieldsOf(conflict)" :key="field">
            <th scope="row">{{ field === 'row' ? 'all of it' : fieldWords(field) }}</th>
            <td v-for="entry in ['mine', 'theirs'] as const" :key="entry">
              <label :class="{ kept: whose[key(conflict, field)] === entry }">
                <input v-model="whose[key(conflict, field)]" type="radio" :name="key(conflict, field)" :value="entry" />
                <span>{{ (entry === 'mine' ? mine(conflict, field) : theirs(conflict, field)) || '–' }}</span>
              </label>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <template #footer>
      <div class="decide">
        <span class="first"
          ><button type="button" class="word" @click="choose('mine')">All mine</button
          ><button type="button" class="word" @click="choose('theirs')">All theirs</button></span
        >
        <el-button @click="makeover.deciding = null">Decide later</el-button>
        <el-button type="primary" :disabled="!decided" @click="keepThem">Keep what is marked</el-button>
      </div>
    </template>
  </el-dialog>
</template>

<style>
.conflict {
  margin-top: 12px;
}
.conflict th {
  text-align: left;
  vertical-align: top;
  font-weight: 400;
}
.conflict thead th {
  font-weight: 600;
}
.conflict td {
  padding: 4px 8px 4px 0;
  vertical-align: top;
  width: 42%;
}
.conflict label {
  display: flex;
  gap: 8px;
  align-items: baseline;
  border: 1px solid var(--input);
  padding: 6px 10px;
  cursor: pointer;
  min-height: 34px;
  background: var(--sheet);
}
.conflict label.kept {
  border: 1.5px solid var(--ink);
  box-shadow: inset 4px 0 0 var(--ink);
  font-weight: 600;
}
.decide {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: flex-end;
  gap: 8px 0;
}
.decide .first {
  margin-right: auto;
  display: flex;
  gap: 18px;
  white-space: nowrap;
}
.conflict tbody th {
  padding-top: 12px;
}
.conflict input {
  accent-color: var(--ink);
}
</style>

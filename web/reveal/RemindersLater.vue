<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, nextTick, ref } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import { reminderKinds } from '#core/makeover/client-choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate, type PlainDate } from '#core/measure/plain-date.ts'
import { monthsLater, plantYear, proposedReminders } from '#core/reveal/index.ts'
import { choiceField, dateField, maybeChoiceField, maybeNumberField, saidField, textField } from '../parts/form.ts'
import { asOptions, rowForm, type AnyRowForm } from '../parts/rowform.ts'
import RowDialog from '../parts/RowDialog.vue'
import { useMakeover } from '../stores/makeover.ts'
import { optionsOf, useRows } from '../stores/rows.ts'

/** What comes up again: seasons and where their sets are kept, plants, wear, placeholders. Each stands on the day page when its day comes. */
const makeover = useMakeover()
const [reminders, pieces] = [useRows('reminder'), useRows('piece')]
const today = computed(() => makeover.opened?.today ?? ('2000-01-01' as PlainDate))
const open = computed(() =>
  reminders.value
    .filter(({ doneOn }) => doneOn === null)
    .toSorted((left, right) => (left.dueOn < right.dueOn ? -1 : 1)),
)
const proposed = computed(() =>
  makeover.opened
    ? proposedReminders(makeover.opened.makeover, makeover.reckoning?.practice.schools.plants ?? '', today.value)
    : [],
)
const plants = computed(() => {
  const { opened, reckoning } = makeover
  if (!opened || !reckoning) return null
  return plantYear(opened.makeover, reckoning.practice.schools.plants)
})
const thisMonth = computed(() => Number(today.value.slice(5, 7)) - 1)
const take = (): Promise<unknown> =>
  makeover.change(
    `Noted ${proposed.value.length} reminders`,
    proposed.value.map((row) => add('reminder', uuidv7(), { ...blank.reminder, ...row })),
  )
/** Done once; one that comes again moves on to its next day. */
const done = (row: Row<'reminder'>): Promise<unknown> =>
  makeover.change(`Done: ${row.says}`, [
    edit(
      'reminder',
      row,
      row.everyMonths === null ? { doneOn: today.value } : { dueOn: monthsLater(row.dueOn, row.everyMonths) },
    ),
  ])
const rowId = ref<string | null>(null)
const isOpen = ref(false)
function show(id: string | null): void {
  rowId.value = id
  void nextTick(() => (isOpen.value = true))
}
const form = computed(
  () =>
    rowForm({
      kind: 'reminder',
      title: (row) => row?.says ?? 'A reminder',
      fields: (row) => ({
        says: saidField(row?.says, 300),
        what: choiceField(reminderKinds, row?.what ?? 'season'),
        dueOn: dateField(row?.dueOn ?? null),
        everyMonths: maybeNumberField(row?.everyMonths ?? null, 0),
        pieceId: maybeChoiceField(
          pieces.value.map(({ id }) => id),
          row?.pieceId ?? null,
        ),
        storedAt: textField(row?.storedAt),
      }),
      layout: [
        [
          { key: 'says', label: 'What is to be done' },
          { key: 'what', label: 'What it is', as: 'choice', options: asOptions(reminderKinds) },
        ],
        [
          { key: 'dueOn', label: 'On' },
          { key: 'everyMonths', label: 'Again after months', optional: true, hint: 'nothing for once' },
        ],
        [
          { key: 'pieceId', label: 'Thing', as: 'choice', options: optionsOf(pieces.value), none: 'none' },
          { key: 'storedAt', label: 'Kept at, meanwhile', optional: true },
        ],
      ],
      toRow: (read, row) => ({ ...read, doneOn: row?.doneOn ?? null }),
      sentence: ({ says }, row) => `${row ? 'Changed' : 'Noted'} the reminder ${says}`,
      removed: ({ says }) => `Took the reminder ${says} away`,
    }) as unknown as AnyRowForm,
)
</script>

<template>
  <section aria-labelledby="later-title">
    <div class="section-head">
      <h2 id="later-title">Later</h2>
      <button type="button" class="word" @click="show(null)">Add a reminder</button>
    </div>
    <p v-if="proposed.length > 0">
      {{ proposed.length === 1 ? 'One reminder follows' : `${proposed.length} reminders follow` }} from what is there:
      <span class="quiet"
        >{{
          proposed
            .slice(0, 3)
            .map(({ says, dueOn }) => `${says} (${writeDate(dueOn)})`)
            .join('; ')
        }}{{ proposed.length > 3 ? ' …' : '' }}</span
      >
      <el-button @click="take">Note {{ proposed.length === 1 ? 'it' : 'them' }}</el-button>
    </p>
    <ul class="reveal-list">
      <li v-for="row in open" :key="row.id">
        <button type="button" class="word" @click="show(row.id)">{{ row.says }}</button>
        <span :class="{ inverted: row.dueOn <= today }">{{ writeDate(row.dueOn) }}</span>
        <span class="quiet"
          >{{ row.what }}{{ row.everyMonths ? `, every ${row.everyMonths} months` : ''
          }}{{ row.storedAt ? `, kept at ${row.storedAt}` : '' }}</span
        >
        <button type="button" class="word" :aria-label="`Done: ${row.says}`" @click="done(row)">Done</button>
      </li>
    </ul>
    <details v-if="plants" class="plant-year">
      <summary>The plants by month: {{ plants.plants.join(', ') }}</summary>
      <ol>
        <li v-for="(month, at) in plants.months" :key="month.month" :class="{ current: at === thisMonth }">
          <strong>{{ month.month }}</strong> {{ month.says.join('; ') }}
        </li>
      </ol>
    </details>
    <RowDialog
      :key="rowId ?? 'new'"
      v-model="isOpen"
      :form="form"
      :row="reminders.find(({ id }) => id === rowId) ?? null"
      :width="560"
    />
  </section>
</template>

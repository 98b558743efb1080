<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import type { ReadDays } from '#core/formats/read-ics.ts'
import { add } from '#core/makeover/change.ts'
import { headOf } from '#core/makeover/document.ts'
import { addDays, writeDate, type PlainDate } from '#core/measure/plain-date.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import { countryName } from '../parts/countries.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** Days away that come in: out of the calendar of another program, or the public holidays of the country. They are looked at before they are taken. */
const makeover = useMakeover()
const hands = useRows('hand')
const absences = useRows('absence')
const found = shallowRef<readonly ReadDays[]>([])
const says = ref('')
const problem = ref('')
const handId = ref('')
const country = computed(() => (makeover.opened ? (headOf(makeover.opened.makeover)?.country ?? null) : null))
/** From today to half a year after the install day: what lies beyond makes no difference. */
const span = computed((): readonly [PlainDate, PlainDate] | null => {
  const { opened } = makeover
  if (!opened) return null
  const installOn = headOf(opened.makeover)?.installOn ?? null
  return [opened.today, addDays(installOn !== null && installOn > opened.today ? installOn : opened.today, 180)]
})
/** Without those that are there already. */
const fresh = (days: readonly ReadDays[]): readonly ReadDays[] =>
  days.filter(
    ({ name, fromOn, untilOn }) =>
      !absences.value.some((row) => row.name === name && row.fromOn === fromOn && row.untilOn === untilOn),
  )

async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file || !span.value) return
  problem.value = ''
  const { readIcs } = await import('#core/formats/read-ics.ts')
  const answer = readIcs(await file.text(), ...span.value)
  if (!answer.ok) {
    problem.value = `${file.name}: ${answer.problem}`
    return
  }
  found.value = fresh(answer.days)
  says.value = `${file.name}: ${answer.days.length === 0 ? 'no days that matter here' : `${found.value.length} new of ${answer.days.length}`}${answer.leftOut > 0 ? `; ${answer.leftOut} entries have no day` : ''}`
}
async function holidays(): Promise<void> {
  if (!span.value || country.value === null) return
  problem.value = ''
  const [first, last] = span.value
  try {
    const years = [...new Set([first, last].map((on) => Number(on.slice(0, 4))))]
    const all = await Promise.all(
      years.map((year) => request<{ on: PlainDate; name: string }[]>('GET', `/holidays/${country.value}/${year}`)),
    )
    const days = all.flat().filter(({ on }) => on >= first && on <= last)
    found.value = fresh(days.map(({ on, name }) => ({ name: name.slice(0, 80), fromOn: on, untilOn: on })))
    says.value = `${countryName(country.value)}: ${found.value.length} public holidays that are not noted yet, by the open data of date-holidays (CC BY-SA 3.0); those of a part of the country are not in it`
    handId.value = ''
  } catch (error) {
    if (error instanceof Refused) problem.value = error.problem.detail
    else if (error instanceof NoAnswer) problem.value = 'No answer from the server: try again in a moment.'
    else throw error
  }
}
async function take(): Promise<void> {
  const whose = handId.value === '' ? null : handId.value
  const faults = await makeover.change(
    `Noted ${found.value.length === 1 ? 'a day' : `${found.value.length} times`} away`,
    found.value.map((day) => add('absence', uuidv7(), { ...day, handId: whose })),
  )
  problem.value = faults.map(({ message }) => message).join('; ')
  if (faults.length === 0) {
    says.value = ''
    found.value = []
  }
}
</script>

<template>
  <div class="days-in">
    <p>
      Days away from
      <label class="word file-word"
        >a calendar file<input type="file" accept=".ics,text/calendar" @change="read" /></label
      ><template v-if="country">
        or the
        <button type="button" class="word" @click="holidays">
          public holidays of {{ countryName(country) }}
        </button></template
      ><span v-else class="quiet">; say in the brief where it is, and its public holidays can be taken</span>.
    </p>
    <p v-if="problem" class="stop-line" role="alert">{{ problem }}</p>
    <p v-if="says" role="status">{{ says }}</p>
    <template v-if="found.length > 0">
      <ul class="said-list">
        <li v-for="day in found" :key="`${day.fromOn} ${day.name}`">
          {{ day.name || 'Away' }}
          <span class="quiet"
            >{{ writeDate(day.fromOn) }}{{ day.untilOn === day.fromOn ? '' : ` to ${writeDate(day.untilOn)}` }}</span
          >
        </li>
      </ul>
      <p>
        <label
          >Who is away:
          <el-select v-model="handId" aria-label="Who is away" style="width: 240px">
            <el-option value="" label="everybody" />
            <el-option v-for="hand in hands" :key="hand.id" :value="hand.id" :label="hand.name" />
          </el-select>
        </label>
        <el-button @click="take">Take these days</el-button>
        <el-button @click="found = []">Leave them</el-button>
      </p>
    </template>
  </div>
</template>

<script setup lang="ts">
import { computed, ref } from 'vue'
import { groupBy } from '#core/makeover/document.ts'
import { writeShortDate, type PlainDate } from '#core/measure/plain-date.ts'
import { remedyWords, wayFrom } from '#core/reckoning/remedies.ts'
import type { Remark } from '#core/remarks/remark.ts'
import RemarkMark from '../parts/RemarkMark.vue'
import { useMakeover } from '../stores/makeover.ts'
import AcceptDialog from './AcceptDialog.vue'
import RemedyDialog from './RemedyDialog.vue'
import { withdraw } from './settle.ts'

/** Remarks as they stand beside a thing, each to be cured or accepted with a reason. */
const { remarks, apart = false } = defineProps<{
  remarks: readonly Remark[]
  /** Every one by itself. */
  apart?: boolean
}>()
/** So many that say the same stand under one head. */
const alike = 4
const groups = computed(() => {
  const byCode = groupBy(
    remarks.filter(({ accepted }) => accepted === null),
    ({ code, weight }) => `${code} ${weight}`,
  )
  const shown = new Set<string>()
  return remarks.flatMap((remark) => {
    const key = `${remark.code} ${remark.weight}`
    const same = remark.accepted === null ? (byCode.get(key) ?? []) : []
    if (apart || same.length < alike) return [{ key: remark.key, remark, more: [] }]
    if (shown.has(key)) return []
    shown.add(key)
    return [{ key, remark, more: same.slice(1) }]
  })
})
defineSlots<{ default?: (props: { remark: Remark }) => unknown }>()
const makeover = useMakeover()
const accepting = ref<Remark | null>(null)
const open = ref(false)
function accept(remark: Remark): void {
  accepting.value = remark
  open.value = true
}
const cured = ref<Remark | null>(null)
const curing = ref(false)
function cure(remark: Remark): void {
  cured.value = remark
  curing.value = true
}
const on = (date: string): string => writeShortDate(date as PlainDate) // an acceptance holds a date that its schema took
</script>

<template>
  <ul class="remark-list">
    <li v-for="{ key, remark, more } in groups" :key="key" :class="{ accepted: remark.accepted }">
      <p>
        <strong
          ><RemarkMark :weight="remark.weight" /> <span class="visually-hidden">{{ remark.weight }}: </span
          >{{ remark.title }}.</strong
        >
        {{ remark.sentence }}
      </p>
      <p v-if="remark.accepted" class="quiet">
        Accepted {{ on(remark.accepted.on) }}: {{ remark.accepted.reason }}
        <button type="button" class="word" @click="withdraw(makeover, remark)">Take back</button>
      </p>
      <p v-else-if="remark.weight === 'stop'" class="quiet">A stop is cured, not accepted.</p>
      <p v-else>
        <button type="button" class="word" :aria-label="`Accept: ${remark.title}`" @click="accept(remark)">
          Accept it</button
        >&ensp;<button
          v-if="remedyWords(remark)"
          type="button"
          class="word"
          :aria-label="`${remedyWords(remark)}: ${remark.title}`"
          @click="cure(remark)"
        >
          {{ remedyWords(remark) }}</button
        >&ensp;<router-link
          v-if="wayFrom(remark)"
          :to="{ name: wayFrom(remark)!.step, params: { id: $route.params.id }, query: wayFrom(remark)!.query }"
          >{{ wayFrom(remark)!.words }}</router-link
        >&ensp;<slot :remark="remark" />
      </p>
      <details v-if="more.length > 0">
        <summary>{{ more.length }} more say the same</summary>
        <RemarkList :remarks="more" apart>
          <template #default="{ remark: inner }"><slot :remark="inner" /></template>
        </RemarkList>
      </details>
    </li>
  </ul>
  <AcceptDialog v-model="open" :remark="accepting" />
  <RemedyDialog v-model="curing" :remark="cured" />
</template>

<style>
.remark-list li {
  padding: 8px 0;
  border-top: 1.5px solid var(--ink);
  font-size: 13px;
  line-height: 18px;
}
.remark-list li.accepted {
  border-top: 1px dashed var(--input);
}
.remark-list li.accepted strong {
  font-weight: 400;
}
.remark-list summary {
  cursor: pointer;
  text-decoration: underline;
  text-underline-offset: 3px;
  min-height: 24px;
}
.remark-list .word {
  font-size: 13px;
}
</style>

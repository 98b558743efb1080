<script setup lang="ts">
import { ref } from 'vue'
import { writeShortDate, type PlainDate } from '#core/measure/plain-date.ts'
import { remedyWords, wayFrom } from '#core/reckoning/remedies.ts'
import type { Remark } from '#core/remarks/remark.ts'
import RemarkMark from '../parts/RemarkMark.vue'
import { useMakeover } from '../stores/makeover.ts'
import AcceptDialog from './AcceptDialog.vue'
import RemedyDialog from './RemedyDialog.vue'
import { withdraw } from './settle.ts'

/** Remarks as they stand beside a thing, each to be cured or accepted with a reason. */
defineProps<{ remarks: readonly Remark[] }>()
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
    <li v-for="remark in remarks" :key="remark.key" :class="{ accepted: remark.accepted }">
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
.remark-list .word {
  font-size: 13px;
}
</style>

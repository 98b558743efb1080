<script setup lang="ts">
import { computed, ref } from 'vue'
import { daysBetween, writeWeekdayDate, type PlainDate } from '#core/measure/plain-date.ts'
import type { Attention } from '#core/remarks/attention.ts'

/** What needs a hand, across all makeovers: the day it falls due, what it is, and where it is done. */
const { lines, today } = defineProps<{
  lines: readonly (Attention & { readonly makeoverId: string; readonly makeover: string })[]
  today: PlainDate
}>()
const kind = ref('')
const kinds = computed(() => [...new Set(lines.map((line) => line.kind))])
const all = ref(false)
/** The makeovers stay in sight: a long list is folded to its most urgent lines. */
const few = 8
const found = computed(() => (kind.value === '' ? lines : lines.filter((line) => line.kind === kind.value)))
const shown = computed(() => (all.value || found.value.length <= few + 2 ? found.value : found.value.slice(0, few)))
const when = (on: PlainDate | null): string => {
  if (on === null) return 'now'
  const days = daysBetween(today, on)
  if (days === 0) return 'today'
  return days < 0 ? `${-days} ${days === -1 ? 'day' : 'days'} ago` : days === 1 ? 'tomorrow' : `in ${days} days`
}
const to = (line: (typeof lines)[number]) =>
  line.step === 'pieces' && line.id !== null
    ? { name: 'piece', params: { id: line.makeoverId, pieceId: line.id } }
    : { name: line.step, params: { id: line.makeoverId }, query: line.id ? { open: line.id } : {} }
</script>

<template>
  <section class="attention" aria-labelledby="attention-title">
    <div class="section-head">
      <h2 id="attention-title">What needs a hand</h2>
      <el-select
        v-if="kinds.length > 1"
        v-model="kind"
        class="which"
        size="small"
        aria-label="Show only"
        :empty-values="[null, undefined]"
        :value-on-clear="null"
      >
        <el-option value="" :label="`all ${lines.length}`" />
        <el-option
          v-for="kind in kinds"
          :key="kind"
          :value="kind"
          :label="`${kind}, ${lines.filter((line) => line.kind === kind).length}`"
        />
      </el-select>
    </div>
    <p v-if="lines.length === 0" class="quiet">Nothing falls due in the next days.</p>
    <ul v-else>
      <li v-for="(line, at) in shown" :key="at">
        <router-link :to="to(line)">
          <span
            class="when"
            :class="{ now: line.on === null || line.on <= today, late: line.late }"
            :title="line.on ? writeWeekdayDate(line.on) : ''"
            >{{ when(line.on) }}</span
          >
          <span class="kind">{{ line.kind }}</span>
          <span class="what"
            ><strong>{{ line.title }}</strong> <span class="quiet">{{ line.detail }}</span></span
          >
          <span class="whose quiet">{{ line.makeover }}</span>
        </router-link>
      </li>
    </ul>
    <p v-if="shown.length < found.length || all" class="more">
      <button type="button" class="word" @click="all = !all">
        {{ all ? 'Only the most urgent' : `And ${found.length - shown.length} more` }}
      </button>
    </p>
  </section>
</template>

<style>
.attention {
  margin-bottom: 28px;
}
.attention .more {
  padding-top: 6px;
  font-size: 13px;
}
.attention .which {
  width: 190px;
}
.attention ul {
  border-top: 1.5px solid var(--ink);
}
.attention li {
  border-bottom: 1px solid var(--hairline);
}
.attention a {
  display: grid;
  grid-template-columns: 92px 138px minmax(0, 1fr) auto;
  gap: 0 16px;
  padding: 5px 0;
  text-decoration: none;
  align-items: baseline;
  min-height: 30px;
}
.attention a:hover .what strong {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.attention .when {
  justify-self: start;
}
.attention .now {
  font-weight: 700;
}
.attention .late {
  background: var(--ink);
  color: var(--paper);
  padding: 0 5px;
  font-weight: 600;
}
.attention .kind {
  font-size: 13px;
}
@media (max-width: 820px) {
  .attention a {
    grid-template-columns: auto 1fr;
    padding: 9px 0;
  }
  .attention .what {
    grid-column: 1 / -1;
  }
  .attention .whose {
    grid-column: 1 / -1;
    font-size: 12px;
  }
  .attention .kind {
    justify-self: end;
  }
}
</style>

<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { computed } from 'vue'
import { add, edit, remove } from '#core/makeover/change.ts'
import { tickStates } from '#core/makeover/client-choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** Every need held against what is really there; one the client struck out stands with its day and reason. */
const makeover = useMakeover()
const [needs, ticks] = [useRows('need'), useRows('tick')]
const lines = computed(() =>
  needs.value.map((need) => ({
    need,
    tick: ticks.value.find(({ needId }) => needId === need.id) ?? null,
    reckoned: makeover.reckoning?.needs.find(({ id }) => id === need.id) ?? null,
  })),
)
const names = (ids: readonly string[]): string =>
  ids.map((id) => makeover.opened?.makeover.rows.piece[id]?.name ?? '').join(', ')
function put(need: Row<'need'>, tick: Row<'tick'> | null, state: (typeof tickStates)[number]): Promise<unknown> {
  const today = makeover.opened?.today
  if (!today) return Promise.resolve()
  if (tick?.state === state) return makeover.change(`${need.name}: not held against anything`, [remove('tick', tick)])
  return makeover.change(`${need.name}: ${state}`, [
    tick
      ? edit('tick', tick, { state, tickedOn: today })
      : add('tick', uuidv7(), { needId: need.id, state, note: '', tickedOn: today }),
  ])
}
</script>

<template>
  <section aria-labelledby="needs-title">
    <div class="section-head"><h2 id="needs-title">What was promised</h2></div>
    <ul class="reveal-list">
      <li v-for="{ need, tick, reckoned } in lines" :key="need.id" :class="{ struck: need.struckOn }">
        <span class="name">{{ need.name }}</span>
        <span class="quiet">
          <template v-if="need.struckOn"
            >struck out on {{ writeDate(need.struckOn)
            }}{{ need.struckReason ? `: ${need.struckReason}` : '' }}</template
          >
          <template v-else-if="reckoned?.forNow">for now by {{ names(reckoned.pieceIds) }}</template>
          <template v-else-if="reckoned?.covered">by {{ names(reckoned.pieceIds) }}</template>
          <template v-else>nothing serves it</template>
        </span>
        <span v-if="!need.struckOn" class="choices" role="group" :aria-label="need.name">
          <button
            v-for="state in tickStates"
            :key="state"
            type="button"
            :class="{ on: tick?.state === state }"
            :aria-pressed="tick?.state === state"
            @click="put(need, tick, state)"
          >
            {{ state }}
          </button>
        </span>
      </li>
    </ul>
  </section>
</template>
